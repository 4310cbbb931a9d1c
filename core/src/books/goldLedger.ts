import { OutOfRange } from '../outOfRange.ts';

/** Gold is counted in whole tenths of a milligram: a jeweler's scale reads no finer, and nothing is lost by rounding. */
export const toTenths = (mg: number): number => Math.round(mg * 10);
export const fromTenths = (tenths: number): number => tenths / 10;

/** Where weighed gold lies until it is moved. */
export const UNSORTED = 'unsorted';

/** Gold that came out of a box, as its clean-up weighed it. */
export interface GoldIn {
  readonly id: string;
  readonly at: string;
  readonly gold_mg: number;
}

/** What was done with gold in hand. */
export const GOLD_DEEDS = ['found', 'moved', 'melted', 'sold', 'handed out', 'lost', 'taken back'] as const;
export type GoldDeed = (typeof GOLD_DEEDS)[number];

/**
 * One line of the ledger; never changed afterwards. `found`: came into a vial otherwise than by a clean-up. `melted`: `amount_mg` went in, `out_mg` came
 * out, into `to`. `handed out`: to the partner `to`. `taken back`: the line `corrects` does not count.
 */
export interface GoldEntry {
  readonly id: string;
  readonly at: string;
  readonly deed: GoldDeed;
  /** The vial it is taken from; '' for what is found or taken back. */
  readonly from: string;
  /** The vial, partner or buyer it goes to; '' where it goes nowhere. */
  readonly to: string;
  readonly amount_mg: number;
  /** What came out of a melt; null otherwise. */
  readonly out_mg: number | null;
  /** The whole price of what was sold, in the person's own money; null otherwise or where not said. */
  readonly price: number | null;
  /** Of what came out of a melt or was found, thousandths; null or left out: not assayed. */
  readonly fineness_permille?: number | null;
  readonly corrects: string | null;
}

/** A vial, by its name. */
export interface Vial {
  readonly name: string;
  readonly gold_mg: number;
  /** Fine gold in it, mg: of what was moved together so much of each as was there; null where some of it was never assayed. */
  readonly fine_mg: number | null;
}

export interface GoldLedger {
  /** What lies in each vial, mg; the fullest first. Below nothing where more was taken than was there. */
  readonly vials: readonly Vial[];
  /** Came in: weighed, and found otherwise. */
  readonly weighed_mg: number;
  readonly found_mg: number;
  readonly inHand_mg: number;
  readonly sold_mg: number;
  readonly handedOut_mg: number;
  /** Gone: lost, and what melting took. */
  readonly lost_mg: number;
  readonly price: number;
  /** Lines that were taken back. */
  readonly takenBack: readonly string[];
  /** Lines that took more from a vial than lay in it then. */
  readonly short: readonly { readonly id: string; readonly vial: string; readonly by_mg: number }[];
}

/**
 * What lines and clean-ups come to. The order they arrive in makes no difference; what came in is always what lies in hand, was sold, was handed out or
 * is lost. Source: double-entry bookkeeping, common practice.
 */
export function goldLedger(came: readonly GoldIn[], entries: readonly GoldEntry[]): GoldLedger {
  const { counting, takenBack } = standing(entries);
  const vials = new Map<string, number>();
  const assayed = new Map<string, Assayed>();
  const short: GoldLedger['short'][number][] = [];
  const sums = { weighed: 0, found: 0, sold: 0, handedOut: 0, lost: 0, price: 0 };
  const add = (vial: string, tenths: number): void => void vials.set(vial, (vials.get(vial) ?? 0) + tenths);
  const steps = [
    ...came.map((c) => ({ at: c.at, id: c.id, first: 0, do: () => put(toTenths(c.gold_mg)) })),
    ...counting.map((e) => ({ at: e.at, id: e.id, first: e.deed === 'found' ? 0 : 1, do: () => act(e) })),
  ].sort((a, b) => byText(a.at, b.at) || a.first - b.first || byText(a.id, b.id));
  const put = (tenths: number): void => {
    sums.weighed += tenths;
    add(UNSORTED, tenths);
  };
  const act = (e: GoldEntry): void => {
    const tenths = toTenths(e.amount_mg);
    if (e.deed === 'found') {
      sums.found += tenths;
      mix(assayed, e.to, assayOf(tenths, e.fineness_permille));
      return add(e.to, tenths);
    }
    const left = (vials.get(e.from) ?? 0) - tenths;
    if (left < 0) short.push({ id: e.id, vial: e.from, by_mg: fromTenths(Math.min(tenths, -left)) });
    const taken = takeOut(assayed, e.from, tenths, left + tenths);
    add(e.from, -tenths);
    if (e.deed === 'moved') {
      mix(assayed, e.to, taken);
      return add(e.to, tenths);
    }
    if (e.deed === 'melted') {
      const out = toTenths(e.out_mg ?? e.amount_mg);
      sums.lost += tenths - out;
      mix(assayed, e.to, assayOf(out, e.fineness_permille));
      return add(e.to, out);
    }
    if (e.deed === 'sold') {
      sums.sold += tenths;
      sums.price += Math.round((e.price ?? 0) * 100);
    } else if (e.deed === 'handed out') sums.handedOut += tenths;
    else sums.lost += tenths;
  };
  for (const step of steps) step.do();
  const held = [...vials].filter(([, tenths]) => tenths !== 0);
  return {
    vials: held
      .sort((a, b) => b[1] - a[1] || byText(a[0], b[0]))
      .map(([name, tenths]): Vial => {
        const { known, fine } = assayed.get(name) ?? UNASSAYED;
        const isKnown = tenths > 0 && Math.abs(known - tenths) < 0.5;
        return { name, gold_mg: fromTenths(tenths), fine_mg: isKnown ? fine / 10 : null };
      }),
    weighed_mg: fromTenths(sums.weighed),
    found_mg: fromTenths(sums.found),
    inHand_mg: fromTenths(held.reduce((sum, [, tenths]) => sum + tenths, 0)),
    sold_mg: fromTenths(sums.sold),
    handedOut_mg: fromTenths(sums.handedOut),
    lost_mg: fromTenths(sums.lost),
    price: sums.price / 100,
    takenBack,
    short,
  };
}

/** How much of a vial was assayed, and the fine gold of that, tenths of a milligram. */
interface Assayed {
  readonly known: number;
  readonly fine: number;
}
const UNASSAYED: Assayed = { known: 0, fine: 0 };

const assayOf = (tenths: number, permille: number | null | undefined): Assayed =>
  permille === null || permille === undefined ? UNASSAYED : { known: tenths, fine: (tenths * permille) / 1000 };

function mix(assayed: Map<string, Assayed>, vial: string, more: Assayed): void {
  const { known, fine } = assayed.get(vial) ?? UNASSAYED;
  assayed.set(vial, { known: known + more.known, fine: fine + more.fine });
}

/** What goes out of a vial is of it all alike. */
function takeOut(assayed: Map<string, Assayed>, vial: string, tenths: number, held: number): Assayed {
  const { known, fine } = assayed.get(vial) ?? UNASSAYED;
  const part = held > 0 ? Math.min(1, tenths / held) : 0;
  const taken = { known: known * part, fine: fine * part };
  assayed.set(vial, { known: known - taken.known, fine: fine - taken.fine });
  return taken;
}

/** The lines that count. A line that takes another back can be taken back itself. */
function standing(entries: readonly GoldEntry[]): { counting: GoldEntry[]; takenBack: string[] } {
  const byId = new Map(entries.map((e) => [e.id, e]));
  const correctors = new Map<string, GoldEntry[]>();
  for (const e of byId.values())
    if (e.deed === 'taken back' && e.corrects !== null)
      correctors.set(e.corrects, [...(correctors.get(e.corrects) ?? []), e]);
  const counts = (e: GoldEntry, seen: ReadonlySet<string>): boolean =>
    !(correctors.get(e.id) ?? []).some((c) => !seen.has(c.id) && counts(c, new Set([...seen, c.id])));
  const all = [...byId.values()].filter((e) => e.deed !== 'taken back');
  return {
    counting: all.filter((e) => counts(e, new Set([e.id]))),
    takenBack: all.filter((e) => !counts(e, new Set([e.id]))).map((e) => e.id),
  };
}

const byText = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/** Who has how many parts of what was won from a day on. */
export interface Agreement {
  /** YYYY-MM-DD. */
  readonly since: string;
  readonly partners: readonly { readonly name: string; readonly parts: number }[];
}

/**
 * A whole number shared by parts into whole numbers that come to it exactly: each gets what is below its share, and what is left goes one by one to
 * those who lack most. Source: method of largest remainders (Hamilton 1792).
 *
 * @param partners parts are whole, at least 0 and not all 0; names differ
 * @throws OutOfRange where nobody has a part
 */
export function shareOut(whole: number, partners: Agreement['partners']): Map<string, number> {
  const all = partners.reduce((sum, p) => sum + p.parts, 0);
  if (!(all > 0)) throw new OutOfRange('partners', all, 'at least one part');
  const sign = whole < 0 ? -1 : 1;
  const shares = partners.map((p) => {
    const exact = (Math.abs(whole) * p.parts) / all;
    return { name: p.name, low: Math.floor(exact), lacks: exact - Math.floor(exact) };
  });
  let left = Math.abs(whole) - shares.reduce((sum, s) => sum + s.low, 0);
  const inTurn = [...shares].sort((a, b) => b.lacks - a.lacks || byText(a.name, b.name));
  const more = new Set<string>();
  for (const s of inTurn) {
    if (left <= 0) break;
    more.add(s.name);
    left--;
  }
  return new Map(shares.map((s) => [s.name, sign * (s.low + (more.has(s.name) ? 1 : 0))]));
}

/** What one partner has coming: of the gold in hand, and of the money for what was sold. */
export interface Statement {
  readonly name: string;
  /** Of what came in, mg. */
  readonly share_mg: number;
  /** Of what was sold or lost, mg. */
  readonly gone_mg: number;
  readonly handedOut_mg: number;
  /** Still to be handed out; below nothing: had more than the share. */
  readonly due_mg: number;
  /** Of the money for what was sold. */
  readonly price: number;
}

/** Where nothing was agreed the crew has it together. */
export const TOGETHER = 'all of us';

/**
 * What each partner has coming, by the agreement of the day gold came in, was sold or was lost. What is due comes to what lies in hand, to the tenth of a
 * milligram, whatever the order.
 * @param dayOf the day of a moment, YYYY-MM-DD, by the crew's own clock
 */
export function statements(
  came: readonly GoldIn[],
  entries: readonly GoldEntry[],
  agreements: readonly Agreement[],
  dayOf: (at: string) => string,
): Statement[] {
  const inOrder = [...agreements].sort((a, b) => byText(a.since, b.since));
  const partnersOn = (at: string): Agreement['partners'] => {
    const day = dayOf(at);
    const agreed = inOrder.filter((a) => a.since <= day).at(-1);
    return agreed && agreed.partners.some((p) => p.parts > 0) ? agreed.partners : [{ name: TOGETHER, parts: 1 }];
  };
  const accounts = new Map<string, { share: number; gone: number; handedOut: number; price: number }>();
  const account = (name: string) => {
    const open = accounts.get(name) ?? { share: 0, gone: 0, handedOut: 0, price: 0 };
    accounts.set(name, open);
    return open;
  };
  const share = (what: 'share' | 'gone' | 'price', whole: number, at: string): void => {
    for (const [name, part] of shareOut(whole, partnersOn(at))) account(name)[what] += part;
  };
  for (const c of came) share('share', toTenths(c.gold_mg), c.at);
  for (const e of standing(entries).counting) {
    const tenths = toTenths(e.amount_mg);
    if (e.deed === 'found') share('share', tenths, e.at);
    if (e.deed === 'sold') {
      share('gone', tenths, e.at);
      share('price', Math.round((e.price ?? 0) * 100), e.at);
    }
    if (e.deed === 'lost') share('gone', tenths, e.at);
    if (e.deed === 'melted') share('gone', tenths - toTenths(e.out_mg ?? e.amount_mg), e.at);
    if (e.deed === 'handed out') account(e.to).handedOut += tenths;
  }
  return [...accounts]
    .sort((a, b) => byText(a[0], b[0]))
    .map(([name, a]) => ({
      name,
      share_mg: fromTenths(a.share),
      gone_mg: fromTenths(a.gone),
      handedOut_mg: fromTenths(a.handedOut),
      due_mg: fromTenths(a.share - a.gone - a.handedOut),
      price: a.price / 100,
    }));
}
