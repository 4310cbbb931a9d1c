import { STRIP_MIN_M } from '../day/pace.ts';
import { normalCdf } from '../maths/normal.ts';
import { requirePositive } from '../outOfRange.ts';
import { likelyGrades, type LikelyGrade, type Panned } from './chanceToPay.ts';
import type { RankedPlace } from './rankPlaces.ts';
import type { AnyKind } from './signKinds.ts';

/** A place where the next pan could be taken. */
export interface PanPlace {
  readonly id: string;
  /** Chance that it pays, all considered; and the same without its own pans. */
  readonly chance: number;
  readonly chanceBefore: number;
  readonly panned: Omit<Panned, 'laidAnew'> | null;
  /** Minutes to get down to it and take the pan. */
  readonly work_min: number;
  /** Nobody can pan there today. */
  readonly closed: boolean;
  /** A sign the line hints at there that nobody has seen: how likely it is, and the chance that the place pays if it is. */
  readonly guess?: GuessedThere | null;
}
export interface GuessedThere {
  readonly kind: AnyKind;
  readonly sure: number;
  readonly chanceIfThere: number;
}

/** What a pan is like on this ground, and from which grade on it is worth digging at all. */
export interface PanRules {
  readonly pays_mg_L: number;
  readonly spotCv: number;
  /** A pan, bank litres. */
  readonly pan_L: number;
  /** The color the gold sits in, mg. */
  readonly color_mg: number;
  /** What pans of one place differ by, as a share of the square of the grade. */
  readonly panVariance: number;
  /** Counted gold is at hand that was never weighed. */
  readonly canWeigh?: boolean;
}

/** The single pan, look or weighing that says most about where to dig. */
export interface NextPan {
  /** A pan at that place, a look whether what the line hints at is there before one digs for a pan, or its counted gold on the scale. */
  readonly does: 'pan' | 'look' | 'weigh';
  readonly id: string;
  /** What one looks for; null for a pan or a weighing. */
  readonly looksFor: AnyKind | null;
  /** Where one would dig as things stand; null: nothing pays. */
  readonly digs: string | null;
  /** Whether it could raise a place to the one to dig, or bring down the one that is. */
  readonly could: 'lead' | 'fall';
  /** Where one would dig if it did; null: nowhere. */
  readonly instead: string | null;
  /** Chance that it changes where one digs; of a look, that what one looks for is there. */
  readonly chance: number;
  /** What it is worth, mg/L of the ground that is dug in the end. */
  readonly worth_mg_L: number;
}

/** Beyond so many colors one more says nothing new. */
const MOST_COLORS = 60;
/** Places looked at: the likeliest first. Those behind cannot lead after one pan. */
const MOST_PLACES = 60;

/** No more is promised of the pan that was chosen because it promised most: of what was said above this, half came. */
const MOST_SAID = 0.5;

/** Minutes to see whether a sign is there, from where one would dig. Common practice, no source. */
const LOOK_MIN = 2;
/** Minutes to dry and weigh the gold of a few pans. Common practice, no source. */
const WEIGHING_MIN = 10;
/** Of what is unsure of the weight of a color, weighing the gold of a few pans takes away so much. Stated assumption. */
const TOLD_BY_WEIGHING = 0.8;

const meanOf = (grades: readonly LikelyGrade[]): number => grades.reduce((sum, g) => sum + g.weight * g.grade_mg_L, 0);

/** What some pans at a place are worth. */
export interface PanWorth {
  readonly place: PanPlace;
  /** Grade believed of it, mg/L. */
  readonly mean_mg_L: number;
  /** What the grade of the place dug in the end is expected to gain, mg/L. */
  readonly worth_mg_L: number;
  /** Chance that they change where one digs. */
  readonly chance: number;
  /** It is where one digs as things stand; else what it would have to beat. */
  readonly leads: boolean;
  readonly rivalId: string | null;
}

interface Weighed {
  readonly believed: readonly Believed[];
  readonly digs: Believed | undefined;
  readonly second: Believed | undefined;
}

/** What is believed of each place, and where one digs as things stand. */
function weigh(places: readonly PanPlace[], { pays_mg_L, spotCv }: PanRules): Weighed {
  const believed = [...places]
    .sort((a, b) => b.chance - a.chance)
    .slice(0, MOST_PLACES)
    .map((place): Believed => {
      const grades = likelyGrades(place.chanceBefore, place.panned, pays_mg_L, spotCv);
      return { place, grades, mean: meanOf(grades) };
    });
  const [digs, second] = believed.filter((b) => b.place.panned && b.mean >= pays_mg_L).sort((a, b) => b.mean - a.mean);
  return { believed, digs, second };
}

const worthOf = ({ believed, digs, second }: Weighed, rules: PanRules, pans: number): PanWorth[] =>
  believed.map((b) => {
    const leads = b === digs;
    const rival = leads ? second : digs;
    const { worth, chance } = ofPans(b.grades, rival?.mean ?? rules.pays_mg_L, leads, rules, pans);
    return {
      place: b.place,
      mean_mg_L: b.mean,
      worth_mg_L: Math.max(0, worth - (digs?.mean ?? rules.pays_mg_L)),
      chance,
      leads,
      rivalId: rival?.place.id ?? null,
    };
  });

/** What that many pans at each place are worth by themselves, as `nextPan` weighs one; the sixty likeliest places. */
export function panWorths(places: readonly PanPlace[], rules: PanRules, pans: number): PanWorth[] {
  check(rules);
  requirePositive('pans', pans);
  return worthOf(weigh(places, rules), rules, pans);
}

/**
 * Which single pan most changes where one digs. Of the places that were panned one digs where the grade believed is highest, or nowhere if that does not
 * pay; nobody sets a box where no pan was taken (common practice, no source), so that a first pan also opens a place. A pan is worth what the
 * grade of the place dug in the end is expected to gain by it, here for each minute it takes; a look and a weighing the same. Null where no pan changes anything, or nowhere is open.
 * Source: expected value of sample information, Raiffa & Schlaifer (1961), Applied Statistical Decision Theory, ch. 4; counts negative binomial.
 * @throws OutOfRange for a pan of no volume, a color of no weight or a grade that is not positive
 */
export function nextPan(places: readonly PanPlace[], rules: PanRules): NextPan | null {
  check(rules);
  const weighed = weigh(places, rules);
  const { believed, digs } = weighed;
  const perMinute = (w: PanWorth): number => w.worth_mg_L / Math.max(1, w.place.work_min);
  const [best] = worthOf(weighed, rules, 1)
    .filter((w) => !w.place.closed && w.chance > 0 && w.worth_mg_L > 1e-9)
    .sort((a, b) => perMinute(b) - perMinute(a));
  const scale = ofWeighing(digs ?? richestPanned(believed), digs !== undefined, rules);
  const look = bestLook(weighed, rules);
  const others = Math.max(best ? perMinute(best) : 0, look?.perMinute ?? 0);
  if (scale && scale.worth_mg_L / WEIGHING_MIN > others) return scale;
  if (look && look.perMinute > (best ? perMinute(best) : 0)) return look.next;
  return best
    ? {
        does: 'pan',
        looksFor: null,
        id: best.place.id,
        digs: digs?.place.id ?? null,
        could: best.leads ? 'fall' : 'lead',
        instead: best.leads ? best.rivalId : best.place.id,
        chance: Math.min(MOST_SAID, best.chance),
        worth_mg_L: best.worth_mg_L,
      }
    : null;
}

/**
 * The look that brings most for its time: at a place nobody panned where the line hints at a sign, one sees whether it is there and pans only if it is. A
 * look opens no place by itself (no box without a pan), so it is worth the pan that follows, as often as one follows, over the minutes both take.
 */
function bestLook(weighed: Weighed, rules: PanRules): { readonly next: NextPan; readonly perMinute: number } | null {
  const { digs } = weighed;
  const bar_mg_L = digs?.mean ?? rules.pays_mg_L;
  const looks = weighed.believed.flatMap(({ place }) => {
    const { guess } = place;
    if (!guess || place.panned || place.closed) return [];
    const seen = likelyGrades(guess.chanceIfThere, null, rules.pays_mg_L, rules.spotCv);
    const { worth, chance } = ofPans(seen, bar_mg_L, false, rules, 1);
    const worth_mg_L = guess.sure * Math.max(0, worth - bar_mg_L);
    return worth_mg_L > 1e-9 && chance > 0
      ? [{ place, guess, worth_mg_L, chance, perMinute: worth_mg_L / (LOOK_MIN + guess.sure * place.work_min) }]
      : [];
  });
  const [best] = looks.sort((a, b) => b.perMinute - a.perMinute);
  if (!best) return null;
  return {
    perMinute: best.perMinute,
    next: {
      does: 'look',
      looksFor: best.guess.kind,
      id: best.place.id,
      digs: digs?.place.id ?? null,
      could: 'lead',
      instead: best.place.id,
      // What one looks for is there, or not: that is what is told.
      chance: best.guess.sure,
      worth_mg_L: best.worth_mg_L,
    },
  };
}

function check({ pays_mg_L, pan_L, color_mg }: PanRules): void {
  requirePositive('pays_mg_L', pays_mg_L, 'mg/L');
  requirePositive('pan_L', pan_L, 'L');
  requirePositive('color_mg', color_mg, 'mg');
}

interface Believed {
  readonly place: PanPlace;
  readonly grades: readonly LikelyGrade[];
  readonly mean: number;
}

const richestPanned = (believed: readonly Believed[]): Believed | undefined =>
  believed.filter((b) => b.place.panned && b.place.panned.colors > 0).sort((a, b) => b.mean - a.mean)[0];

/** What a color weighs all places share: weighing cannot say which is richer, but whether the richest pays. */
function ofWeighing(b: Believed | undefined, digs: boolean, { pays_mg_L, canWeigh }: PanRules): NextPan | null {
  const sd = TOLD_BY_WEIGHING * (b?.place.panned?.commonLogSd ?? 0);
  if (!b || !canWeigh || sd < 1e-3) return null;
  // E max(bar, M f) with f log-normal of mean 1 (as the price of a call: Black & Scholes 1973).
  const d = Math.log(b.mean / pays_mg_L) / sd;
  const above = b.mean * normalCdf(d + sd / 2) + pays_mg_L * normalCdf(sd / 2 - d);
  return {
    does: 'weigh',
    looksFor: null,
    id: b.place.id,
    digs: digs ? b.place.id : null,
    could: digs ? 'fall' : 'lead',
    instead: digs ? null : b.place.id,
    chance: normalCdf(digs ? sd / 2 - d : d - sd / 2),
    worth_mg_L: above - Math.max(b.mean, pays_mg_L),
  };
}

/** Grade that is dug in the end, expected, and the chance that some pans move a place over the bar or under it. */
function ofPans(
  grades: readonly LikelyGrade[],
  bar_mg_L: number,
  leads: boolean,
  { pan_L, color_mg, panVariance }: PanRules,
  pans: number,
): { worth: number; chance: number } {
  const k = pans / Math.max(1e-6, panVariance);
  // Negative binomial by its recursion, all grades abreast: P(n) = P(n-1) (n - 1 + k) / n q, with q = m / (m + k).
  const expected = grades.map((g) => (g.grade_mg_L * pans * pan_L) / color_mg);
  const q = expected.map((m) => m / (m + k));
  const p = expected.map((m, i) => (grades[i] as LikelyGrade).weight * Math.exp(-k * Math.log1p(m / k)));
  let [worth, chance, left, leftGold] = [0, 0, 1, meanOf(grades)];
  const take = (share: number, gold: number): void => {
    worth += Math.max(share * bar_mg_L, gold);
    if (gold > share * bar_mg_L !== leads) chance += share;
  };
  for (let n = 0; n <= MOST_COLORS && left > 1e-9; n++) {
    let [share, gold] = [0, 0];
    for (let i = 0; i < p.length; i++) {
      if (n > 0) p[i] = ((p[i] as number) * (n - 1 + k) * (q[i] as number)) / n;
      share += p[i] as number;
      gold += (p[i] as number) * (grades[i] as LikelyGrade).grade_mg_L;
    }
    take(share, gold);
    left -= share;
    leftGold -= gold;
  }
  if (left > 1e-9) take(left, leftGold);
  return { worth, chance };
}

/** A ranked place as one where the next pan could be taken. */
export function asPanPlace(
  { place, panned, chance, logOdds, reasons }: RankedPlace,
  pan_min: number,
  closed = false,
): PanPlace {
  const own = reasons.find((r) => r.from === 'pans')?.logOdds ?? 0;
  const chanceOf = (odds: number): number => 1 / (1 + Math.exp(own - odds));
  const [hint] = reasons.filter((r) => r.guess).sort((a, b) => b.logOdds - a.logOdds);
  return {
    id: place.id,
    chance,
    chanceBefore: chanceOf(logOdds),
    panned,
    work_min: pan_min + STRIP_MIN_M['quick pans'] * place.cover_m,
    closed,
    guess: hint?.guess
      ? {
          kind: hint.guess.kind,
          sure: hint.guess.sure,
          chanceIfThere: chanceOf(logOdds - hint.logOdds + hint.guess.ifThere),
        }
      : null,
  };
}
