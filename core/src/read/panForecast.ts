import { requirePositive } from '../outOfRange.ts';
import type { LikelyGrade } from './chanceToPay.ts';
import type { PanRules } from './nextPan.ts';

/** What a pan shows: nothing; color, but less than pays; as much as pays. */
export const PAN_SAYS = ['blank', 'some', 'rich'] as const;
export type PanSays = (typeof PAN_SAYS)[number];

/**
 * Chances that the next pan of a place is blank, shows some color, or as much as pays. Counts negative binomial over the grades believed.
 * Riffle's own use of the model of `likelyGrades`.
 * @throws OutOfRange for a pan of no volume, a color of no weight or a grade that is not positive
 */
export function panForecast(
  grades: readonly LikelyGrade[],
  { pan_L, color_mg, panVariance, pays_mg_L }: PanRules,
): Record<PanSays, number> {
  requirePositive('pan_L', pan_L, 'L');
  requirePositive('color_mg', color_mg, 'mg');
  requirePositive('pays_mg_L', pays_mg_L, 'mg/L');
  const k = 1 / Math.max(1e-6, panVariance);
  // A pan is rich from so many colors on.
  const enough = Math.max(1, Math.ceil((pays_mg_L * pan_L) / color_mg - 1e-9));
  let [blank, under] = [0, 0];
  for (const { grade_mg_L, weight } of grades) {
    const m = (grade_mg_L * pan_L) / color_mg;
    let p = weight * Math.exp(-k * Math.log1p(m / k));
    blank += p;
    for (let n = 1; n <= enough; n++) {
      under += p;
      p *= (((n - 1 + k) / n) * m) / (m + k);
    }
  }
  return { blank, some: Math.max(0, under - blank), rich: Math.max(0, 1 - under) };
}

/** The likeliest of the three. */
export const likeliest = (chances: Record<PanSays, number>): PanSays =>
  PAN_SAYS.reduce((top, s) => (chances[s] > chances[top] ? s : top));

/** What a pan turned out to be. */
export const cameOf = (colors: number, grade_mg_L: number | null, pays_mg_L: number): PanSays =>
  colors === 0 && !grade_mg_L ? 'blank' : (grade_mg_L ?? 0) >= pays_mg_L ? 'rich' : 'some';

/** A pan that was spoken of before it was panned. */
export interface ForetoldPan {
  /** Kinds of sign at its place. */
  readonly kinds: readonly string[];
  readonly said: PanSays;
  /** What Riffle would have said at that moment; null where it could not say. */
  readonly riffleSaid: PanSays | null;
  readonly came: PanSays;
}

/** How often an eye and Riffle were right about the same pans. */
export interface EyeTally {
  readonly pans: number;
  readonly eye: number;
  readonly riffle: number;
}
export interface EyeRecord {
  readonly all: EyeTally;
  readonly byKind: readonly (EyeTally & { readonly kind: string })[];
}

/** Whose eye is better: only pans on which both had spoken count; kinds of sign with the most pans first. */
export function eyeRecord(pans: readonly ForetoldPan[]): EyeRecord {
  const both = pans.filter((p) => p.riffleSaid !== null);
  const tally = (some: readonly ForetoldPan[]): EyeTally => ({
    pans: some.length,
    eye: some.filter((p) => p.said === p.came).length,
    riffle: some.filter((p) => p.riffleSaid === p.came).length,
  });
  const kinds = [...new Set(both.flatMap((p) => p.kinds))];
  return {
    all: tally(both),
    byKind: kinds
      .map((kind) => ({ kind, ...tally(both.filter((p) => p.kinds.includes(kind))) }))
      .sort((a, b) => b.pans - a.pans || (a.kind < b.kind ? -1 : 1)),
  };
}
