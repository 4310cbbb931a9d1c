import { OutOfRange } from '../outOfRange.ts';

/** What several weighings of the same vial come to. */
export interface RepeatWeighing {
  readonly net_mg: number;
  /** The largest less the smallest. */
  readonly differ_mg: number;
  /** Whether they agree as well as a scale should that reads so finely; of one weighing it is not known. */
  readonly agree: boolean | null;
}

/** Weighings of a scale may differ by so many of its steps, and by this share of the gold. Common practice, no source. */
const STEPS = 3;
const SHARE = 0.01;

/**
 * Gold by weighing a vial empty and, once or more, with the gold in it: the mean of the full ones less the empty one.
 * @param tare_mg the empty vial
 * @param gross_mg the full one, each time it was put down
 * @param step_mg the smallest step the scale shows
 * @throws OutOfRange where nothing was weighed, or the full vial is lighter than the empty one
 */
export function repeatWeighing(tare_mg: number, gross_mg: readonly number[], step_mg: number): RepeatWeighing {
  if (gross_mg.length === 0) throw new OutOfRange('gross_mg', 0, 'at least one weighing');
  const net_mg = gross_mg.reduce((sum, g) => sum + g, 0) / gross_mg.length - tare_mg;
  if (net_mg < 0) throw new OutOfRange('net_mg', net_mg, 'a full vial no lighter than the empty one');
  const differ_mg = Math.max(...gross_mg) - Math.min(...gross_mg);
  return {
    net_mg,
    differ_mg,
    agree: gross_mg.length === 1 ? null : differ_mg <= Math.max(STEPS * step_mg, SHARE * net_mg) + 1e-9,
  };
}
