import type { StoredGround } from '@riffle/contract';
import { CONSTITUENT_NAMES, USUAL_MARGIN_MIN, type ConstituentName } from '@riffle/core';
import { numberTyped } from '../../units/numberTyped.ts';

type Tide = NonNullable<StoredGround['tide']>;

/** A tide as it is written down: its levels and a table pasted in. */
export interface TideText {
  readonly mean: string;
  readonly below: string;
  /** The way off is dry below; empty: it never floods. */
  readonly way: string;
  readonly margin: string;
  readonly table: string;
}

export const asText = (tide: StoredGround['tide']): TideText =>
  tide
    ? {
        mean: String(tide.meanLevel_m),
        below: String(tide.workBelow_m),
        way: typeof tide.wayBelow_m === 'number' ? String(tide.wayBelow_m) : '',
        margin: String((tide as Partial<Tide>).margin_min ?? USUAL_MARGIN_MIN),
        table: tide.constituents.map((c) => `${c.name} ${c.amplitude_m} ${c.phase_deg}`).join('\n'),
      }
    : { mean: '', below: '', way: '', margin: String(USUAL_MARGIN_MIN), table: '' };

/** What was written as a tide; null for none; or what is wrong with it. A line is a name, an amplitude in metres, a Greenwich phase lag in degrees. */
export function readTide({
  mean,
  below,
  way,
  margin,
  table,
}: TideText): { readonly tide: Tide | null } | { readonly problem: string } {
  const lines = table
    .split('\n')
    .map((l) => l.trim())
    .filter(Boolean);
  if (lines.length === 0)
    return [mean, below, way].every((t) => t.trim() === '')
      ? { tide: null }
      : { problem: 'Paste the constituents, a line each: M2 0.62 48' };
  const constituents: Tide['constituents'] = [];
  for (const line of lines) {
    const [name = '', amplitude = '', phase = ''] = line.split(/[\s;\t]+|,\s+/);
    const known = CONSTITUENT_NAMES.find((n) => n === name.toUpperCase());
    const amplitude_m = numberTyped(amplitude);
    const phase_deg = numberTyped(phase.replace('°', ''));
    if (!known)
      return {
        problem: `“${name}” is not one Riffle reckons with: ${CONSTITUENT_NAMES.join(', ')}. Leave the smaller ones out.`,
      };
    if (!(amplitude_m >= 0 && amplitude_m <= 20)) return { problem: `${known}: its amplitude in metres, 0 to 20.` };
    if (!(phase_deg >= -360 && phase_deg <= 360)) return { problem: `${known}: its Greenwich phase lag in degrees.` };
    constituents.push({ name: known satisfies ConstituentName, amplitude_m, phase_deg });
  }
  const meanLevel_m = numberTyped(mean);
  const workBelow_m = numberTyped(below);
  if (!(Math.abs(meanLevel_m) <= 20))
    return { problem: 'The mean level in metres, by the same zero as the level to work below.' };
  if (!(Math.abs(workBelow_m) <= 20)) return { problem: 'The level below which the sand can be worked, in metres.' };
  const wayBelow_m = way.trim() === '' ? null : numberTyped(way);
  if (wayBelow_m !== null && !(Math.abs(wayBelow_m) <= 20))
    return { problem: 'The level below which the way off is dry, in metres; empty where it never floods.' };
  const margin_min = numberTyped(margin);
  if (!(margin_min >= 0 && margin_min <= 360))
    return { problem: 'What is left over before the water is back, 0 to 360 minutes; 30 is usual.' };
  return { tide: { meanLevel_m, workBelow_m, wayBelow_m, margin_min, constituents } };
}
