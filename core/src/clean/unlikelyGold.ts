import { UNITS } from '../measures/units.ts';

/** Between which the gold of a clean-up was to lie, by one way of knowing it, mg. */
export interface ExpectedGold {
  readonly by: 'forecast' | 'clean-ups' | 'any ground';
  readonly low_mg: number;
  readonly high_mg: number;
}

/** A weight as it was typed: its number and its unit. */
export interface TypedGold {
  readonly value: number;
  readonly unit: GoldUnit;
}
export const GOLD_UNITS = ['mg', 'g', 'grain', 'dwt', 'ozt'] as const;
export type GoldUnit = (typeof GOLD_UNITS)[number];

/** A weight that is worth a question. */
export interface UnlikelyGold {
  readonly total_mg: number;
  /** How many times more (over 1) or less (under 1) than the end of what was to be expected. */
  readonly times: number;
  readonly by: ExpectedGold['by'];
  /** Another unit by which it would be likely: for which of the weights, and what all come to then. Null where none is. */
  readonly other: { readonly unit: GoldUnit; readonly of: readonly number[]; readonly total_mg: number } | null;
}

/**
 * Beyond this it is asked about. A wrong unit is off by 15 (grain for g), 24 (dwt for grain), 65 (grain for mg) or 1000 (g for mg); a nugget in a poor
 * box by less. Stated assumption.
 */
const ASK_FROM = 10;

/** Ground richer than this nobody feeds unawares, mg a bank litre (g/m3). Common practice, no source. */
export const RICHEST_MG_L = 100;

/**
 * Whether the gold of a clean-up is so far from what was to be expected that a unit may be wrong. To be asked, never to be refused.
 *
 * @param typed the weights that can be read so far, at least one above nothing for an answer
 * @param expected every way it is known; the widest of them counts
 * @param isComplete every section is weighed: only then can it be too little
 * @returns null where nothing is odd
 */
export function unlikelyGold(
  typed: readonly TypedGold[],
  expected: readonly ExpectedGold[],
  isComplete: boolean,
): UnlikelyGold | null {
  const total_mg = sumOf(typed);
  const most = widest(expected, (e) => e.high_mg);
  const least = widest(expected, (e) => -e.low_mg);
  if (!most || !least || total_mg <= 0) return null;
  const isMuch = total_mg > ASK_FROM * most.high_mg;
  const isLittle = isComplete && total_mg * ASK_FROM < least.low_mg;
  if (!isMuch && !isLittle) return null;
  const told = isMuch ? most : least;
  return {
    total_mg,
    times: isMuch ? total_mg / most.high_mg : total_mg / least.low_mg,
    by: told.by,
    other: likelier(typed, least.low_mg, most.high_mg),
  };
}

const mgOf = ({ value, unit }: TypedGold): number => value * UNITS.mass[unit];
const sumOf = (typed: readonly TypedGold[]): number => typed.reduce((sum, t) => sum + mgOf(t), 0);
const widest = (expected: readonly ExpectedGold[], by: (e: ExpectedGold) => number): ExpectedGold | undefined =>
  [...expected].sort((a, b) => by(b) - by(a))[0];

/**
 * All weights, or the heaviest alone, in one other unit: that which brings them nearest to the middle of what was to be expected and within it. Units of
 * the system it was typed in come first: who has a scale in grams does not mean pennyweights.
 */
function likelier(typed: readonly TypedGold[], low_mg: number, high_mg: number): UnlikelyGold['other'] {
  const heaviest = [...typed.keys()].sort((a, b) => mgOf(typed[b] as TypedGold) - mgOf(typed[a] as TypedGold))[0] ?? 0;
  const system = systemOf(typed[heaviest]?.unit ?? 'mg');
  const middle = Math.sqrt(Math.max(low_mg, high_mg / 100) * high_mg);
  const tries = GOLD_UNITS.flatMap((unit) =>
    [[...typed.keys()], [heaviest]].map((some) => {
      const of = some.filter((i) => typed[i]?.unit !== unit);
      return { unit, of, total_mg: sumOf(typed.map((t, i) => (of.includes(i) ? { ...t, unit } : t))) };
    }),
  );
  const off = (t: { readonly total_mg: number }): number => Math.abs(Math.log(t.total_mg / middle));
  const likely = tries
    .filter((t) => t.of.length > 0 && t.total_mg > 0 && t.total_mg * ASK_FROM >= low_mg && t.total_mg <= high_mg)
    .sort((a, b) => off(a) - off(b));
  return likely.find((t) => systemOf(t.unit) === system) ?? likely[0] ?? null;
}

const systemOf = (unit: GoldUnit): 'metric' | 'troy' => (unit === 'mg' || unit === 'g' ? 'metric' : 'troy');
