import type { UNITS } from '@riffle/core';
import { convert } from '@riffle/core';

/** One line a scale sent. */
export interface ScaleLine {
  readonly mg: number;
  /** The smallest step it shows, mg. */
  readonly step_mg: number;
  /** Null: the scale does not say whether it rests. */
  readonly isSteady: boolean | null;
}

/** Units as scales write them, and as Riffle calls them. */
const SCALE_UNITS: Readonly<Record<string, keyof typeof UNITS.mass>> = {
  g: 'g',
  mg: 'mg',
  kg: 'kg',
  gn: 'grain',
  grn: 'grain',
  dwt: 'dwt',
  ozt: 'ozt',
  oz: 'oz',
  lb: 'lb',
};

/**
 * A weight as scales send it over a cable: a sign, a number, a unit, and, where the scale says so, ST or S (steady), US, SD or S D (swinging) before it. Null where it is no
 * weight. The forms many scales share; common practice, no source.
 */
export function readScaleLine(line: string): ScaleLine | null {
  // Some write a decimal comma; between two figures it parts nothing else.
  const text = line.trim().replaceAll(/(\d),(?=\d)/g, '$1.');
  const found = /([+-]?)\s*(\d+(?:\.(\d+))?)\s*([a-zA-Z]+)$/.exec(text);
  const unit = SCALE_UNITS[found?.[4]?.toLowerCase() ?? ''];
  if (!found || !unit) return null;
  const [, sign, digits = '', decimals = ''] = found;
  const steady = /\b(ST|US|SD|S D|S)\b/.exec(text)?.[1];
  return {
    mg: (sign === '-' ? -1 : 1) * convert('mass', Number(digits), unit, 'mg'),
    step_mg: convert('mass', 10 ** -decimals.length, unit, 'mg'),
    isSteady: steady === undefined ? null : steady === 'ST' || steady === 'S',
  };
}

/** So many alike on end are a rest, where the scale does not say so itself. */
const ALIKE = 4;

/** The first weight at rest among lines in their order; null while it swings. */
export function steadyWeight(lines: readonly string[]): ScaleLine | null {
  let alike = 0;
  let before: ScaleLine | null = null;
  for (const text of lines) {
    const line = readScaleLine(text);
    if (!line) continue;
    if (line.isSteady) return line;
    alike = before && Math.abs(before.mg - line.mg) < line.step_mg / 2 ? alike + 1 : 1;
    if (line.isSteady === null && alike >= ALIKE) return line;
    before = line;
  }
  return null;
}
