import type { Range } from '../grains/flake.ts';
import { solveInPlace } from '../maths/solve.ts';

/** A clean-up of one spot's gravel through one box: what its pans promised, and what it held. */
export interface PromisedAndCame {
  readonly id: string;
  readonly spotId: string;
  readonly rigId: string;
  /** Grade of the ground by the pans taken before, and its band (nine times in ten), mg/L. */
  readonly said_mg_L: number;
  readonly low_mg_L: number;
  readonly high_mg_L: number;
  readonly came_mg_L: number;
  /** Pieces of gold behind what came: their luck. */
  readonly pieces: number;
}

/** What may make a box hold other than was promised. Hands: of all pans alike. */
export type OffCause = 'hands' | 'box' | 'ground' | 'luck';

/** One cause: by what factor it moved what came, nine times in ten. */
export interface OffBy {
  readonly cause: Exclude<OffCause, 'luck'>;
  /** The box or the spot; empty for the hands. */
  readonly key: string;
  readonly factor: Range & { readonly middle: number };
  /** The whole band lies on one side of 1. */
  readonly isTold: boolean;
}

export interface WhyOff {
  /** Came over promised, all clean-ups together, by volume-free mean of their logarithms. */
  readonly ratio: number;
  /** The surest first. */
  readonly causes: readonly OffBy[];
  /** For each clean-up what likeliest moved it; null: it came within what was promised. */
  readonly each: readonly { readonly id: string; readonly ratio: number; readonly why: OffCause | null }[];
}

/** What a sluice holds of what the pans find, before its own clean-ups are known, and how unsure the causes are: deviations of the logarithm. Stated assumptions. */
const USUAL_CATCH = 0.8;
const SD = { hands: 0.2, box: 0.4, day: 0.15 } as const;
/** Half the width of a band of nine in ten, in deviations. */
const Z_90 = 1.6449;
/** A clean-up is off when it lies further out than so many deviations of all causes together. */
const OFF = 1.2816;

/**
 * What likeliest made clean-ups come to more or less than their pans promised: hands (all of them alike), the box (all that went through it), the ground (all of
 * that spot), or luck (one of them alone). Logarithms of came over promised are a sum of these; each is the best linear unbiased prediction of a mixed model
 * (Henderson 1975, Biometrics 31, 423-447), with the spread of a spot from its own band and that of luck from the number of pieces.
 * @returns null where there are none
 */
export function whyOff(cleanups: readonly PromisedAndCame[]): WhyOff | null {
  const list = cleanups.filter((c) => c.said_mg_L > 0 && c.high_mg_L > 0 && c.came_mg_L >= 0);
  if (list.length === 0) return null;
  const rigs = [...new Set(list.map((c) => c.rigId))];
  const spots = [...new Set(list.map((c) => c.spotId))];
  // Columns: the hands, then each box, then each spot.
  const columnsOf = (c: PromisedAndCame): number[] => [
    0,
    1 + rigs.indexOf(c.rigId),
    1 + rigs.length + spots.indexOf(c.spotId),
  ];
  const groundVariance = spots.map((id) => {
    const mine = list.filter((c) => c.spotId === id);
    return Math.max(0.01, mine.reduce((sum, c) => sum + bandSd(c) ** 2, 0) / mine.length);
  });
  const variance = [SD.hands ** 2, ...rigs.map(() => SD.box ** 2), ...groundVariance];
  const n = variance.length;
  const lhs = new Float64Array(n * n);
  variance.forEach((v, i) => (lhs[i * n + i] = 1 / v));
  const rhs = new Float64Array(n);
  const lucks = list.map((c) => SD.day ** 2 + 1 / Math.max(0.5, c.pieces));
  const off = list.map((c) => Math.log(Math.max(c.came_mg_L, halfAPiece(c)) / (USUAL_CATCH * c.said_mg_L)));
  list.forEach((c, nth) => {
    const weight = 1 / (lucks[nth] ?? 1);
    for (const i of columnsOf(c)) {
      rhs[i] = (rhs[i] ?? 0) + weight * (off[nth] ?? 0);
      for (const j of columnsOf(c)) lhs[i * n + j] = (lhs[i * n + j] ?? 0) + weight;
    }
  });
  const solved = (b: Float64Array): Float64Array => {
    solveInPlace(lhs.slice(), b, n);
    return b;
  };
  const moved = solved(rhs.slice());
  const sdOf = (i: number): number => Math.sqrt(solved(rhs.map((_, j) => (j === i ? 1 : 0)))[i] ?? 0);
  const causes = variance.map((_, i): OffBy => {
    const [middle, sd] = [moved[i] ?? 0, sdOf(i)];
    return {
      cause: i === 0 ? 'hands' : i <= rigs.length ? 'box' : 'ground',
      key: i === 0 ? '' : (rigs[i - 1] ?? spots[i - 1 - rigs.length] ?? ''),
      factor: { low: Math.exp(middle - Z_90 * sd), middle: Math.exp(middle), high: Math.exp(middle + Z_90 * sd) },
      isTold: Math.abs(middle) > Z_90 * sd,
    };
  });
  const surety = (o: OffBy): number => Math.abs(Math.log(o.factor.middle)) / Math.log(o.factor.high / o.factor.middle);
  return {
    ratio: Math.exp(off.reduce((sum, x) => sum + x, 0) / off.length) * USUAL_CATCH,
    causes: [...causes].sort((a, b) => surety(b) - surety(a)),
    each: list.map((c, nth) => {
      const d = off[nth] ?? 0;
      const columns = columnsOf(c);
      const all = columns.reduce((sum, i) => sum + (variance[i] ?? 0), lucks[nth] ?? 0);
      const parts: [OffCause, number][] = [
        ['hands', moved[0] ?? 0],
        ['box', moved[columns[1] ?? 0] ?? 0],
        ['ground', moved[columns[2] ?? 0] ?? 0],
      ];
      parts.push(['luck', d - parts.reduce((sum, [, x]) => sum + x, 0)]);
      // What pulled the other way explains nothing.
      const pulled = parts.map(([cause, x]) => [cause, x * Math.sign(d)] as const);
      const [why] = pulled.reduce((a, b) => (b[1] > a[1] ? b : a));
      return { id: c.id, ratio: c.came_mg_L / c.said_mg_L, why: Math.abs(d) > OFF * Math.sqrt(all) ? why : null };
    }),
  };
}

const bandSd = (c: PromisedAndCame): number =>
  Math.log(c.high_mg_L / Math.max(c.low_mg_L, c.high_mg_L / 100)) / (2 * Z_90);

/** Nothing found is taken as half a piece: what came cannot be less than is seen. */
const halfAPiece = (c: PromisedAndCame): number => (c.pieces > 0 ? (0.5 * c.came_mg_L) / c.pieces : 0.05 * c.said_mg_L);
