import type { StoredGround, StoredRig, StoredRun, StoredSetup } from '@riffle/contract';
import type { Entered, Unsure, UnsureDry, UnsureHaul } from '@riffle/core';
import type { useContainers } from '../../../records/useContainers.ts';
import { readEntered, readVolume, type Reading } from '../../../units/readEntered.ts';
import { numberTyped } from '../../../units/numberTyped.ts';

/** The haul as it is typed; kept on the device. */
export interface HaulDraft {
  readonly volume: Entered;
  /** One way, from the gravel to the hole; the second hole from the first and from the gravel; empty: there is none. */
  readonly distance: Entered;
  readonly between: Entered;
  readonly second: Entered;
  /** In ten, that the first hole is dry when one comes there. */
  readonly dryInTen: string;
  /** What goes at a time, kg, and how fast, km/h. */
  readonly payload_kg: string;
  readonly speed_km_h: string;
  readonly costPerKm: string;
  readonly load_min: string;
  /** Buckets an hour at the water; empty: by the crew's own runs. */
  readonly wetPace: string;
  readonly passes: '1' | '2' | '3';
}

export const newHaul = (US: boolean): HaulDraft => ({
  volume: { text: '10', unit: 'bucket' },
  distance: { text: US ? '8' : '12', unit: US ? 'mi' : 'km' },
  between: { text: '', unit: US ? 'mi' : 'km' },
  second: { text: '', unit: US ? 'mi' : 'km' },
  dryInTen: '',
  payload_kg: '400',
  speed_km_h: '25',
  costPerKm: '',
  load_min: '30',
  wetPace: '',
  passes: '1',
});

type Field = Exclude<keyof HaulDraft, 'passes'>;
export type HaulReadings = Readonly<Record<Field, Reading>>;

/** The fields in numbers: litres, km, km/h, kg, minutes, buckets an hour. */
export function readHaul(d: HaulDraft, containers: ReturnType<typeof useContainers>): HaulReadings {
  const km = (e: Entered): Reading => {
    const read = readEntered('length', e);
    return read.ok ? within(read.value / 1000, 0, 2000, 'At most 2,000 km.') : read;
  };
  return {
    volume: positive(readVolume(d.volume, containers)),
    distance: km(d.distance),
    between: d.between.text.trim() === '' ? ZERO : km(d.between),
    second: d.second.text.trim() === '' ? ZERO : km(d.second),
    dryInTen: d.dryInTen.trim() === '' ? ZERO : number(d.dryInTen, 0, 10, 'From 0 to 10 times in ten.'),
    payload_kg: number(d.payload_kg, 1, 50_000, 'Between 1 and 50,000 kg.'),
    speed_km_h: number(d.speed_km_h, 1, 150, 'Between 1 and 150 km/h.'),
    costPerKm: d.costPerKm.trim() === '' ? ZERO : number(d.costPerKm, 0, 10_000, 'Not below 0.'),
    load_min: number(d.load_min, 0, 1440, 'Up to a day.'),
    wetPace: d.wetPace.trim() === '' ? ZERO : number(d.wetPace, 0.1, 200, 'Between 0.1 and 200 buckets an hour.'),
  };
}

const ZERO: Reading = { ok: true, value: 0 };
const within = (value: number, least: number, most: number, problem: string): Reading =>
  value >= least && value <= most ? { ok: true, value } : { ok: false, problem };
function number(typed: string, least: number, most: number, problem: string): Reading {
  const value = numberTyped(typed);
  return Number.isNaN(value) ? { ok: false, problem: 'Write a number.' } : within(value, least, most, problem);
}
const positive = (r: Reading): Reading => (r.ok && r.value <= 0 ? { ok: false, problem: 'More than nothing.' } : r);

/** Loose gravel, damp as it lies in the bed of a wash. Common practice, no source. */
const GRAVEL_KG_M3 = 1600;
/** How unsure a figure is that someone knows from the last trips. Stated assumptions. */
const [SPEED_SD, LOADING_SD, PACE_SD, OWN_PACE_SD] = [0.15, 0.25, 0.35, 0.12] as const;
/** What a box and a pan of water lose, and a dry pan. Stated assumptions. */
const WET_LOST: Unsure = { middle: 0.1, logSd: 0.5 };
export const DRY_PAN_LOST: Unsure = { middle: 0.25, logSd: 0.4 };
/** Buckets an hour at a box, and dry pans an hour, where nobody timed them. Common practice, no source. */
const USUAL_WET_H = 8;
const DRY_PANS_H = 7;

/** Loose m3 an hour of runs of one kind, from at least so much work; null: none, or too little. */
export function ownPace_m3_h(
  runs: readonly StoredRun[],
  setups: readonly StoredSetup[],
  rigs: readonly StoredRig[],
  isDry: boolean,
): number | null {
  const kind = new Map(
    setups.map((s) => [
      s.id,
      Boolean(rigs.find((r) => r.id === s.rigId)?.washer) === isDry && (s.air?.pass ?? 1) === 1,
    ]),
  );
  const mine = runs.filter((r) => kind.get(r.setupId));
  const hours = mine.reduce((sum, r) => sum + r.tally.running_s, 0) / 3600;
  const volume_m3 = mine.reduce((sum, r) => sum + r.tally.volumeLoose_L, 0) / 1000;
  return hours >= LEAST_H && volume_m3 > 0 ? volume_m3 / hours : null;
}
const LEAST_H = 0.5;

/** A pace: the crew's own is surer than what is usual. */
export const asPace = (own: number | null, usual: number): Unsure =>
  own === null ? { middle: usual, logSd: PACE_SD } : { middle: own, logSd: OWN_PACE_SD };

/** The haul as the sums take it; null while something cannot be read. */
export function haulWay(r: HaulReadings, ownWet_m3_h: number | null, bucket_L: number): UnsureHaul | null {
  const v = (field: Field): number => {
    const reading = r[field];
    return reading.ok ? reading.value : NaN;
  };
  if (Object.values(r).some((reading) => !reading.ok)) return null;
  const typed = v('wetPace');
  return {
    density_kg_m3: GRAVEL_KG_M3,
    payload_kg: v('payload_kg'),
    distance_km: v('distance'),
    // Without a second hole a dry one costs the way there and back: the gravel comes home.
    chanceDry: v('dryInTen') / 10,
    between_km: v('between') || v('distance'),
    second_km: v('second') || 2 * v('distance'),
    speed_km_h: { middle: v('speed_km_h'), logSd: SPEED_SD },
    cost_per_km: v('costPerKm'),
    loadUnload_h: { middle: Math.max(1 / 60, v('load_min') / 60), logSd: LOADING_SD },
    pace_m3_h:
      typed > 0
        ? { middle: (typed * bucket_L) / 1000, logSd: OWN_PACE_SD }
        : asPace(ownWet_m3_h, (USUAL_WET_H * bucket_L) / 1000),
    lost: WET_LOST,
    running_per_h: 0,
  };
}

/** Panning all of it dry: pans an hour, and what dry hands lose. */
export const panWay = (pan_L: number): UnsureDry => ({
  pace_m3_h: { middle: (DRY_PANS_H * pan_L) / 1000, logSd: PACE_SD },
  lost: DRY_PAN_LOST,
  passes: 1,
  setUp_h: 0,
  running_per_h: 0,
});

/** Grade in the bank as loose gravel has it, mg/m3; of ground that nobody panned a grade that only fixes the scale. */
export const looseGrade_mg_m3 = (grade_mg_L: number | null, ground: Pick<StoredGround, 'swell_percent'>): number =>
  ((grade_mg_L ?? 1) * 1000) / (1 + ground.swell_percent / 100);
