import type { Cleanup, LoggedEvent, Rig, Run, Setup } from '@riffle/contract';
import { bankVolume_L, CONTAINERS, convert, DEFAULT_SWELL_PERCENT, parseQuantity, type Random } from '@riffle/core';
import { BUCKET, DAY_MS, entered, type Book } from './book.ts';
import type { TrueGround, TrueRun } from './truth.ts';

/** Where a day at the box was: a ground with its spots, and the box that stood there. */
interface AtTheBox {
  readonly ground: TrueGround;
  readonly groundId: string;
  readonly spotIds: ReadonlyMap<string, string>;
  readonly rig: Rig;
}

const iso = (ms: number): string => new Date(ms).toISOString();
const amount = (kind: 'flow' | 'length', typed: string, to: string): number => {
  const parsed = parseQuantity(kind, typed, to);
  if (!parsed.ok) throw new Error(parsed.problem);
  return convert(kind, parsed.value, parsed.unit, to);
};

/** A day at the box: how it stood, what was fed, and the clean-up where it was weighed. */
export function runWrites(book: Book, r: TrueRun, at: AtTheBox, random: Random): void {
  const start_ms = book.season_ms + r.day * DAY_MS + 1.5 * 3.6e6;
  const firstSpot = at.spotIds.get(r.buckets[0]?.[0] ?? '') ?? '';
  const setup = setupOf(r, at, firstSpot, book.nextId(r.day), start_ms - 1.2e6);
  const run: Run = {
    id: book.nextId(r.day),
    deleted: false,
    groundId: at.groundId,
    setupId: setup.id,
    spotId: firstSpot,
    startedAt: iso(start_ms),
    ...BUCKET,
    // The long box takes two: one digs and carries, one feeds.
    people: r.rig === 'long' ? 2 : 1,
    who: r.rig === 'long' ? 'Mara, Odd' : 'Mara',
    layer: '',
    fuel_L: null,
    fuelEntered: null,
    note: '',
  };
  const { events, stopped_ms, gold_mg } = tapsOf(book, r, at, start_ms, random);
  book.put('setups', setup);
  book.put('runs', run);
  book.call('POST', `/runs/${run.id}/events`, { events });
  if (r.weighed) book.put('cleanups', cleanUp(r, at, run.id, gold_mg, stopped_ms, book.nextId(r.day), random));
}

const setupOf = (r: TrueRun, at: AtTheBox, spotId: string, id: string, setAt_ms: number): Setup => {
  const pitch = parseQuantity('pitch', r.pitch_in_ft, 'in/ft');
  return {
    id,
    deleted: false,
    groundId: at.groundId,
    rigId: at.rig.id,
    spotId,
    setAt: iso(setAt_ms),
    slope: pitch.ok ? pitch.value / 12 : NaN,
    pitchEntered: entered(`${r.pitch_in_ft} in/ft`, 'in/ft'),
    depth_m: null,
    depthEntered: null,
    flow_m3_s: amount('flow', r.flow, 'm3/s'),
    flowEntered: entered(r.flow, 'L/s'),
    air: null,
    stone_m: amount('length', r.stone, 'm'),
    stoneEntered: entered(r.stone, 'in'),
    temperature_C: 9,
    scoop_L: CONTAINERS.scoop,
    scoopEntered: entered('1 scoop', 'scoop'),
    ...BUCKET,
    note: r.note,
  };
};

/** Bucket after bucket and the stop, and the gold that truly went in with them. */
function tapsOf(
  book: Book,
  r: TrueRun,
  { ground, spotIds }: AtTheBox,
  start_ms: number,
  random: Random,
): { events: LoggedEvent[]; stopped_ms: number; gold_mg: number } {
  const tap = (kind: LoggedEvent['kind'], at_ms: number): LoggedEvent => ({
    id: book.nextId(r.day),
    kind,
    at: iso(at_ms),
    spotId: null,
    volume_L: null,
    fullness: null,
    undoes: null,
    deviceId: null,
    deviceCount: null,
    by: null,
  });
  const events: LoggedEvent[] = [];
  let clock_ms = start_ms;
  let gold_mg = 0;
  for (const [spotName, count] of r.buckets) {
    const grade_mg_L = ground.spots.find((s) => s.name === spotName)?.grade_mg_L ?? 0;
    for (let i = 0; i < count; i++) {
      clock_ms += r.minutesEach * 60_000 * (0.75 + 0.5 * random());
      const part =
        random() < 0.12 ? ({ fullness: '2/3', share: 2 / 3 } as const) : ({ fullness: 'full', share: 1 } as const);
      const volume_L = BUCKET.bucket_L * part.share;
      gold_mg += grade_mg_L * bankVolume_L(volume_L, DEFAULT_SWELL_PERCENT);
      const spotId = spotIds.get(spotName) ?? null;
      events.push({ ...tap('bucket', clock_ms), spotId, volume_L, fullness: part.fullness });
    }
  }
  const stopped_ms = clock_ms + 4 * 60_000;
  return { events: [...events, tap('stop', stopped_ms)], stopped_ms, gold_mg };
}

/** What the box kept of it, weighed in three stretches. */
function cleanUp(
  r: TrueRun,
  { rig, groundId }: AtTheBox,
  runId: string,
  trueGold_mg: number,
  stopped_ms: number,
  id: string,
  random: Random,
): Cleanup {
  const length_m = rig.sections.reduce((sum, s) => sum + s.length_m, 0);
  const cuts = [0, 0.2, 0.5, length_m];
  const share = (a: number, b: number): number =>
    (Math.exp(-a / r.spread_m) - Math.exp(-b / r.spread_m)) / -Math.expm1(-length_m / r.spread_m);
  const names = ['head, 200 mm', 'middle', 'tail'];
  return {
    id,
    deleted: false,
    groundId,
    runIds: [runId],
    rinseOutOf: [],
    cleanedAt: iso(stopped_ms + 2.4e6),
    sections: names.map((name, i) => {
      const [from_m, to_m] = [cuts[i] ?? 0, cuts[i + 1] ?? length_m];
      const gold_mg = Math.round(trueGold_mg * r.recovery * share(from_m, to_m) * (0.94 + 0.12 * random()) * 10) / 10;
      return {
        name,
        from_m,
        to_m,
        lining: rig.sections[0]?.lining ?? 'riffles',
        gold_mg,
        goldEntered: entered(`${gold_mg}`, 'mg'),
        colors: null,
        bySize: [],
        weighing: null,
      };
    }),
    screens: [],
    blackSand_g: Math.round(180 + 400 * random()),
    blackSandEntered: null,
    // The box, and the panning down in the evening.
    worked_s: 2400 + 60 * (Math.round(stopped_ms / 60_000) % 40),
    rinsedClean: r.rinsed,
    note: r.note,
  };
}
