import { OutOfRange, requireWithin } from '../outOfRange.ts';

/** A pit in a section: where along it, and its pay layer; no pay: thickness 0. */
export interface SectionPit {
  readonly at_m: number;
  readonly payTop_m: number;
  readonly payThickness_m: number;
  readonly grade_mg_L: number | null;
}
export interface PaySection {
  /** Area of the joined pay layer, and of the cover above it, m2. */
  readonly pay_m2: number;
  readonly cover_m2: number;
  readonly meanThickness_m: number;
  /** Mean grade by area; null when no pit has one. */
  readonly grade_mg_L: number | null;
  /** Bank volume of the pay for the width the section stands for, m3. */
  readonly pay_m3: number;
  readonly gold_mg: number | null;
}

/**
 * The pay layer joined from pit to pit along a traverse: trapezoids between neighbors, wedging out to nothing at a pit without pay;
 * the grade between two pits is the mean of theirs by thickness. Source: end-area method of any surveying text.
 * @param width_m ground the section stands for, across it
 * @throws OutOfRange for fewer than two pits or two at one place
 */
export function paySection(pits: readonly SectionPit[], width_m: number): PaySection {
  if (pits.length < 2) throw new OutOfRange('pits', pits.length, 'at least two pits');
  requireWithin('width_m', width_m, 0, 10_000, 'm');
  const order = [...pits].sort((a, b) => a.at_m - b.at_m);
  let [pay_m2, cover_m2, graded_m2, gold] = [0, 0, 0, 0];
  for (let i = 0; i + 1 < order.length; i++) {
    const [a, b] = [order[i] as SectionPit, order[i + 1] as SectionPit];
    const step = b.at_m - a.at_m;
    if (!(step > 0)) throw new OutOfRange('at_m', b.at_m, 'each pit at a place of its own');
    const area = (step * (a.payThickness_m + b.payThickness_m)) / 2;
    pay_m2 += area;
    if (a.payThickness_m + b.payThickness_m > 0) cover_m2 += (step * (a.payTop_m + b.payTop_m)) / 2;
    const known = [a, b].filter((p) => p.grade_mg_L !== null && p.payThickness_m > 0);
    const thick = known.reduce((sum, p) => sum + p.payThickness_m, 0);
    if (thick > 0) {
      graded_m2 += area;
      gold += area * (known.reduce((sum, p) => sum + (p.grade_mg_L ?? 0) * p.payThickness_m, 0) / thick);
    }
  }
  const length_m = (order.at(-1) as SectionPit).at_m - (order[0] as SectionPit).at_m;
  const grade_mg_L = graded_m2 > 0 ? gold / graded_m2 : null;
  const pay_m3 = pay_m2 * width_m;
  return {
    pay_m2,
    cover_m2,
    meanThickness_m: pay_m2 / length_m,
    grade_mg_L,
    pay_m3,
    gold_mg: grade_mg_L === null ? null : grade_mg_L * pay_m3 * 1000,
  };
}
