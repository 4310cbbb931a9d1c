import type { Setup, StoredGround, StoredRig } from '@riffle/contract';
import {
  boxLength_m,
  MEDIAN_BOX,
  OutOfRange,
  solveBox,
  surfaceAlong,
  toldSection,
  type BoxSetting,
  type Entered,
  type GoldShare,
  type LinedSection,
  type Reach,
  type Seen,
  type SolvedBox,
  type WaterSurface,
} from '@riffle/core';
import { v7 as uuidv7 } from 'uuid';
import type { useContainers } from '../../records/useContainers.ts';
import { rigSections } from '../../api/rigSections.ts';
import { readEntered, readPitch, readVolume, type Reading } from '../../units/readEntered.ts';
import { numberTyped } from '../../units/numberTyped.ts';

/** A set-up as it is typed; kept on the device. */
export interface SetupDraft {
  readonly pitch: Entered;
  readonly known: 'depth' | 'flow';
  readonly depth: Entered;
  readonly flow: Entered;
  /** How much deeper one side lies; empty: level. */
  readonly crossFall: Entered;
  readonly stone: Entered;
  /** Most water to be had, and the fall to be had over the box; empty: not known. */
  readonly creek: Entered;
  readonly fall: Entered;
  /** How deep the pool below stands over the floor of the tail; empty: it falls free. */
  readonly tail: Entered;
  /** Minutes a bucket at which it is fed; empty: as advised. */
  readonly pace: string;
  readonly temperature: Entered;
  readonly scoop: Entered;
  readonly bucket: Entered;
  readonly note: string;
  /** What is seen at the box as it stands. */
  readonly seen: Seen;
}

export type SetupReadings = Readonly<
  Record<
    | 'pitch'
    | 'depth'
    | 'flow'
    | 'creek'
    | 'fall'
    | 'tail'
    | 'crossFall'
    | 'stone'
    | 'pace'
    | 'temperature'
    | 'scoop'
    | 'bucket',
    Reading
  >
>;
export interface SettingRead {
  /** Null while something cannot be read or lies outside what a box can be; `problem` then says so. */
  readonly solved: { readonly setting: BoxSetting; readonly middle: SolvedBox } | null;
  readonly problem: string | null;
}

/** A box as most are set. */
export const newSetup = (US: boolean): SetupDraft => ({
  pitch: { text: '1/2', unit: 'in/ft' },
  known: 'depth',
  depth: US ? { text: '3/4', unit: 'in' } : { text: '20', unit: 'mm' },
  flow: { text: '', unit: US ? 'gpm' : 'L/s' },
  creek: { text: '', unit: US ? 'gpm' : 'L/s' },
  fall: { text: '', unit: US ? 'in' : 'cm' },
  tail: { text: '', unit: US ? 'in' : 'mm' },
  crossFall: { text: '', unit: US ? 'in' : 'mm' },
  stone: { text: '1/2', unit: 'in' },
  pace: '',
  temperature: { text: US ? '50' : '10', unit: US ? '°F' : '°C' },
  scoop: { text: '1', unit: 'scoop' },
  bucket: { text: '1', unit: 'bucket' },
  note: '',
  seen: {},
});

/** The sections of a box, from the head down. */
export const sectionsOf = (rig: StoredRig): readonly LinedSection[] =>
  rigSections(rig).map(({ lining, own, width_m, length_m, step_m }) => ({ lining, own, width_m, length_m, step_m }));

/** Buckets an hour of a crew: what the advised pace is at most. Common practice, no source. */
const CREW_BUCKETS_H = 10;

/** The fields in numbers; a pitch in inches needs the box it is over. */
export const readSetup = (
  draft: SetupDraft,
  rig: StoredRig | undefined,
  containers: ReturnType<typeof useContainers>,
): SetupReadings => ({
  pitch: readPitch(draft.pitch, rig ? boxLength_m(sectionsOf(rig)) : 1),
  depth: readEntered('length', draft.depth),
  flow: readEntered('flow', draft.flow),
  creek: draft.creek.text.trim() === '' ? { ok: true, value: 0 } : readEntered('flow', draft.creek),
  fall: draft.fall.text.trim() === '' ? { ok: true, value: 0 } : readEntered('length', draft.fall),
  tail: draft.tail.text.trim() === '' ? { ok: true, value: 0 } : readEntered('length', draft.tail),
  crossFall: draft.crossFall.text.trim() === '' ? { ok: true, value: 0 } : readEntered('length', draft.crossFall),
  stone: readEntered('length', draft.stone),
  pace: readPace(draft.pace),
  temperature: readTemperature(draft.temperature),
  scoop: readVolume(draft.scoop, containers),
  bucket: readVolume(draft.bucket, containers),
});

/** The box set in water, and the middle of all it may be. */
export function settingOf(
  draft: SetupDraft,
  r: SetupReadings,
  rig: StoredRig | undefined,
  gold: readonly GoldShare[],
  /** Median of the feed through a screen, by the ground's own; null where nobody screened. */
  medianOf_m: (stone_m: number) => number | null = () => null,
): SettingRead {
  const water = draft.known === 'depth' ? r.depth : r.flow;
  if (
    !rig ||
    !r.pitch.ok ||
    !water.ok ||
    !r.stone.ok ||
    !r.temperature.ok ||
    !r.crossFall.ok ||
    !r.pace.ok ||
    !r.bucket.ok
  )
    return { solved: null, problem: null };
  if (draft.known === 'depth' && water.value > 0.5)
    return { solved: null, problem: 'More than 500 mm of water is a river, not a box.' };
  const bucket_m3 = r.bucket.value / 1000;
  const setting: BoxSetting = {
    sections: sectionsOf(rig),
    slope: r.pitch.value,
    stone_m: r.stone.value,
    crossFall_m: r.crossFall.value,
    temperature_C: r.temperature.value,
    water:
      draft.known === 'depth'
        ? { known: 'depth', depth_m: water.value }
        : { known: 'flow', flow_m3_s: water.value / 1000 },
    feed_m3_s: r.pace.value > 0 ? bucket_m3 / (60 * r.pace.value) : null,
    crew_m3_s: (CREW_BUCKETS_H * bucket_m3) / 3600,
    median_m: medianOf_m(r.stone.value),
    gold,
  };
  try {
    return {
      solved: { setting, middle: solveBox(setting, { ...MEDIAN_BOX, depthError_m: 0, headError_m: 0 }) },
      problem: null,
    };
  } catch (error) {
    if (error instanceof OutOfRange) return { solved: null, problem: SAYS[error.field] ?? error.message };
    throw error;
  }
}

/** The water of the middle box from mouth to tail, with the pool below as it was typed; null while the box cannot be read. */
export function surfaceOf(solved: SettingRead['solved'], r: SetupReadings): WaterSurface | null {
  if (!solved) return null;
  const { sections, slope } = solved.setting;
  const flow = solved.middle.sections[toldSection(sections)]?.flow;
  if (!flow) return null;
  const channel = { width_m: flow.flow_m3_s / flow.flowPerWidth_m2_s, manningN: flow.compositeN, slope };
  const tail_m = r.tail.ok ? Math.min(MOST_POOL_M, Math.max(0, r.tail.value)) : 0;
  return surfaceAlong(channel, flow.flow_m3_s, boxLength_m(sections), tail_m);
}
/** Deeper pools stand over the walls. */
const MOST_POOL_M = 0.5;

/** No hand lifts a box by less, m. */
export const HAND_LIFT_M = 0.005;
/** The tail stands so deep in the pool that the water cannot leave. */
export const isDrowned = (surface: WaterSurface | null): boolean =>
  surface !== null && surface.runs !== 'shooting' && surface.lift_m >= HAND_LIFT_M;

/** What creek and crew allow, as far as it is typed. */
export const reachOf = (r: SetupReadings, rig: StoredRig | undefined, screens_m: readonly number[]): Reach => ({
  screens_m,
  ...(r.creek.ok && r.creek.value > 0 && { most_m3_s: r.creek.value / 1000 }),
  ...(rig && r.fall.ok && r.fall.value > 0 && { steepestSlope: r.fall.value / boxLength_m(sectionsOf(rig)) }),
});

/** Minutes a bucket; nothing typed reads as 0, fed as advised. */
function readPace(typed: string): Reading {
  if (typed.trim() === '') return { ok: true, value: 0 };
  const minutes = numberTyped(typed);
  return minutes > 0 && minutes <= 600
    ? { ok: true, value: minutes }
    : { ok: false, problem: 'Write minutes such as 5, or nothing.' };
}

/** Out-of-range refusals of the core in the words of this screen. */
const SAYS: Readonly<Record<string, string>> = {
  slope: 'A set box is pitched between 0.2 % and 40 %.',
  depth_m: 'There must be some water over the lining.',
  flow_m3_s: 'There must be some water coming in.',
  stone_m: 'Give the size of the largest stone you feed.',
};

function readTemperature({ text, unit }: Entered): Reading {
  const value = Number(text.replace(/°?\s*[cf]$/i, ''));
  if (text.trim() === '' || !Number.isFinite(value)) return { ok: false, problem: 'Write a number such as 10.' };
  const celsius = unit === '°F' || /f$/i.test(text.trim()) ? ((value - 32) * 5) / 9 : value;
  return celsius >= 0 && celsius <= 40
    ? { ok: true, value: celsius }
    : { ok: false, problem: 'Creek water is between 0 and 40 °C (32-104 °F).' };
}

/** The set-up as it goes into the book; null while something cannot be read or worked out. */
export function setupRecord(
  draft: SetupDraft,
  readings: SetupReadings,
  solved: SettingRead['solved'],
  rig: StoredRig | undefined,
  ground: StoredGround,
  spotId: string | null,
): (Setup & { baseVersion: 0 }) | null {
  if (!solved || !rig || !readings.scoop.ok || !readings.bucket.ok) return null;
  const byDepth = draft.known === 'depth';
  return {
    id: uuidv7(),
    deleted: false,
    groundId: ground.id,
    rigId: rig.id,
    spotId,
    setAt: new Date().toISOString(),
    slope: solved.setting.slope,
    pitchEntered: draft.pitch,
    depth_m: byDepth && solved.setting.water.known === 'depth' ? solved.setting.water.depth_m : null,
    depthEntered: byDepth ? draft.depth : null,
    flow_m3_s: solved.setting.water.known === 'flow' ? solved.setting.water.flow_m3_s : null,
    flowEntered: byDepth ? null : draft.flow,
    air: null,
    stone_m: solved.setting.stone_m,
    stoneEntered: draft.stone,
    temperature_C: solved.setting.temperature_C,
    scoop_L: readings.scoop.value,
    scoopEntered: draft.scoop,
    bucket_L: readings.bucket.value,
    bucketEntered: draft.bucket,
    note: draft.note,
    baseVersion: 0,
  };
}
