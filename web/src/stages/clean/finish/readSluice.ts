import { NUMBERS, type Jar, type NumberLimit, type StoredJar } from '@riffle/contract';
import { finishSluicePace_m3_s, freshWater, type Entered, type SluiceSetting } from '@riffle/core';
import { readEntered, readPitch, type Reading } from '../../../units/readEntered.ts';
import { readDuration } from '../../../when/readDuration.ts';
import { PAN_FINEST_MM } from './ladder.ts';
import { numberTyped } from '../../../units/numberTyped.ts';
import { limited } from '../../../units/limited.ts';

type Sluice = NonNullable<Jar['sluice']>;

/** A finishing sluice as it is typed. */
export interface SluiceDraft {
  readonly width: Entered;
  readonly pitch: Entered;
  readonly depth: Entered;
  readonly riffle: Entered;
  readonly spacing: Entered;
  readonly riffles: string;
  readonly black: string;
  /** How long the jar took; empty: not timed. */
  readonly took: string;
}

/** As last time, else as such a sluice usually stands. Common practice, no source. */
export const newSluice = (US: boolean, last?: Sluice | null): SluiceDraft => ({
  width: last?.widthEntered ?? (US ? { text: '10', unit: 'in' } : { text: '25', unit: 'cm' }),
  pitch: last?.pitchEntered ?? (US ? { text: '1', unit: 'in/ft' } : { text: '8', unit: '%' }),
  depth: last?.depthEntered ?? (US ? { text: '5/8', unit: 'in' } : { text: '16', unit: 'mm' }),
  riffle: last?.riffleEntered ?? (US ? { text: '1/4', unit: 'in' } : { text: '6', unit: 'mm' }),
  spacing: last?.spacingEntered ?? (US ? { text: '3', unit: 'in' } : { text: '75', unit: 'mm' }),
  riffles: String(last?.riffles ?? 12),
  black: String(Math.round(100 * (last?.blackShare ?? 0.5))),
  took: '',
});

/** A kept one taken in hand again. */
export const sluiceAsDraft = (kept: Sluice | null, US: boolean): SluiceDraft => ({
  ...newSluice(US, kept),
  ...(kept?.took_s && { took: `${Math.floor(kept.took_s / 3600)} h ${Math.round((kept.took_s % 3600) / 60)} min` }),
});

const ZERO: Reading = { ok: true, value: 0 };
const typedNumber = (text: string, limit: NumberLimit, per = 1): Reading => {
  const value = numberTyped(text.replace(/%\s*$/, '')) / per;
  return Number.isNaN(value) ? { ok: false, problem: 'A number.' } : limited({ ok: true, value }, limit);
};
/** So long the sluice is taken to be where its pitch is typed as a drop, m. Stated assumption. */
const LENGTH_M = 0.9;

export type SluiceReadings = Readonly<Record<keyof SluiceDraft, Reading>>;
export function readSluice(d: SluiceDraft): SluiceReadings {
  const riffles = typedNumber(d.riffles, NUMBERS.sluiceRiffles);
  return {
    width: limited(readEntered('length', d.width), NUMBERS.sluiceWidth_m),
    pitch: limited(readPitch(d.pitch, LENGTH_M), NUMBERS.floorSlope),
    depth: limited(readEntered('length', d.depth), NUMBERS.sluiceDepth_m),
    riffle: limited(readEntered('length', d.riffle), NUMBERS.sluiceRiffle_m),
    spacing: limited(readEntered('length', d.spacing), NUMBERS.sluiceSpacing_m),
    riffles: riffles.ok && !Number.isInteger(riffles.value) ? { ok: false, problem: 'A whole number.' } : riffles,
    black: typedNumber(d.black, NUMBERS.blackShare, 100),
    took: d.took.trim() === '' ? ZERO : limited(readDuration(d.took, 'm'), NUMBERS.sluice_s),
  };
}

/** What the jar keeps of it; null while something cannot be read. */
export function sluiceRecord(d: SluiceDraft): Sluice | null {
  const r = readSluice(d);
  if (!r.width.ok || !r.pitch.ok || !r.depth.ok || !r.riffle.ok || !r.spacing.ok) return null;
  if (!r.riffles.ok || !r.black.ok || !r.took.ok) return null;
  return {
    width_m: r.width.value,
    widthEntered: d.width,
    slope: r.pitch.value,
    pitchEntered: d.pitch,
    depth_m: r.depth.value,
    depthEntered: d.depth,
    riffle_m: r.riffle.value,
    riffleEntered: d.riffle,
    spacing_m: r.spacing.value,
    spacingEntered: d.spacing,
    riffles: r.riffles.value,
    blackShare: r.black.value,
    took_s: r.took.value > 0 ? r.took.value : null,
  };
}

/** Roughness of a floor of riffles, m. From the trade's facts, as the project's model has it. */
const ROUGHNESS_M = 0.005;
type Screened = Pick<Jar, 'coarsest_mm' | 'finest_mm'>;

/** The sluice as the sums take it. */
export const sluiceSetting = (s: Sluice, { coarsest_mm, finest_mm }: Screened, volume_L: number): SluiceSetting => ({
  width_m: s.width_m,
  depth_m: s.depth_m,
  slope: s.slope,
  riffle_m: s.riffle_m,
  roughness_m: ROUGHNESS_M,
  blackShare: s.blackShare,
  spacing_m: s.spacing_m,
  riffles: s.riffles,
  finest_m: Math.max(finest_mm, Math.min(PAN_FINEST_MM, coarsest_mm / 2)) / 1000,
  coarsest_m: coarsest_mm / 1000,
  volume_m3: volume_L / 1000,
  water: freshWater(10),
});

/** How many times the bare sum's hours earlier jars took: of the crew's own that were timed, the latest few. */
export const timesTaken = (jars: readonly StoredJar[], but: string | null): number[] =>
  jars
    .filter((j) => j.id !== but)
    .flatMap((j) => {
      // A device may keep a jar from before it had a sluice.
      const s = (j as Partial<StoredJar>).sluice;
      if (!s?.took_s) return [];
      const setting = sluiceSetting(s, j, j.volume_L);
      const pace = finishSluicePace_m3_s({ ...setting, black_m: Math.sqrt(setting.finest_m * setting.coarsest_m) });
      return [(s.took_s * pace) / setting.volume_m3];
    })
    .slice(0, LATEST);
const LATEST = 8;
