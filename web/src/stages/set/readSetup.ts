import type { Setup, StoredGround, StoredRig } from '@riffle/contract';
import {
  adviseBox,
  GOLD_SIZES_M,
  OutOfRange,
  solveBox,
  UNITS,
  type BoxAdvice,
  type BoxAnswer,
  type BoxSetting,
  type Entered,
  type goldSizes,
} from '@riffle/core';
import { v7 as uuidv7 } from 'uuid';
import type { useContainers } from '../../records/useContainers.ts';
import { readEntered, readPitch, readVolume, type Reading } from '../../units/readEntered.ts';

/** A set-up as it is typed; kept on the device. */
export interface SetupDraft {
  readonly pitch: Entered;
  readonly known: 'depth' | 'flow';
  readonly depth: Entered;
  readonly flow: Entered;
  readonly stone: Entered;
  readonly temperature: Entered;
  readonly scoop: Entered;
  readonly bucket: Entered;
  readonly note: string;
}

export type SetupReadings = Readonly<
  Record<'pitch' | 'depth' | 'flow' | 'stone' | 'temperature' | 'scoop' | 'bucket', Reading>
>;
export interface SolvedSetup {
  /** Null while something cannot be read or lies outside what a box can be; `problem` then says so. */
  readonly solved: { readonly setting: BoxSetting; readonly now: BoxAnswer; readonly advice: BoxAdvice } | null;
  readonly problem: string | null;
}

/** The gold size a setting is judged by: fine, but still countable in a pan. */
export const WATCHED_M = GOLD_SIZES_M[1];

/** A box as most are set. */
export const newSetup = (US: boolean): SetupDraft => ({
  pitch: { text: '1/2', unit: 'in/ft' },
  known: 'depth',
  depth: US ? { text: '3/4', unit: 'in' } : { text: '20', unit: 'mm' },
  flow: { text: '', unit: US ? 'gpm' : 'L/s' },
  stone: { text: '1/2', unit: 'in' },
  temperature: { text: US ? '50' : '10', unit: US ? '°F' : '°C' },
  scoop: { text: '1', unit: 'scoop' },
  bucket: { text: '1', unit: 'bucket' },
  note: '',
});

/** The fields in numbers; a pitch in inches needs the box it is over. */
export const readSetup = (
  draft: SetupDraft,
  boxLength_m: number | undefined,
  containers: ReturnType<typeof useContainers>,
): SetupReadings => ({
  pitch: readPitch(draft.pitch, boxLength_m ?? 1),
  depth: readEntered('length', draft.depth),
  flow: readEntered('flow', draft.flow),
  stone: readEntered('length', draft.stone),
  temperature: readTemperature(draft.temperature),
  scoop: readVolume(draft.scoop, containers),
  bucket: readVolume(draft.bucket, containers),
});

/** Works the box out from its fields, and what to change about it. */
export function solveSetup(
  draft: SetupDraft,
  r: SetupReadings,
  rig: StoredRig | undefined,
  gold: ReturnType<typeof goldSizes> | null,
): SolvedSetup {
  const water = draft.known === 'depth' ? r.depth : r.flow;
  const watch = gold?.find((g) => g.size_m === WATCHED_M);
  if (!rig || !gold || !watch || !r.pitch.ok || !water.ok || !r.stone.ok || !r.temperature.ok)
    return { solved: null, problem: null };
  if (draft.known === 'depth' && water.value > 0.5)
    return { solved: null, problem: 'More than 500 mm of water is a river, not a box.' };
  const setting: BoxSetting = {
    width_m: rig.width_m,
    length_m: rig.length_m,
    lining: rig.lining,
    slope: r.pitch.value,
    stone_m: r.stone.value,
    temperature_C: r.temperature.value,
    water:
      draft.known === 'depth'
        ? { known: 'depth', depth_m: water.value }
        : { known: 'flow', flow_m3_s: water.value / 1000 },
  };
  try {
    return {
      solved: { setting, now: solveBox(setting, gold), advice: adviseBox(setting, gold, watch) },
      problem: null,
    };
  } catch (error) {
    if (error instanceof OutOfRange) return { solved: null, problem: SAYS[error.field] ?? error.message };
    throw error;
  }
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

/** A slope written in the unit a pitch field stands on, fine enough for a hand on a box. */
export function pitchText(slope: number, unit: string, boxLength_m: number): string {
  const drop_m = slope * boxLength_m;
  switch (unit) {
    case '%':
      return (slope * 100).toFixed(2);
    case '°':
      return ((Math.asin(slope) * 180) / Math.PI).toFixed(2);
    case 'in':
      return (drop_m / UNITS.length.in).toFixed(2);
    case 'mm':
      return (drop_m * 1000).toFixed(0);
    case 'cm':
      return (drop_m * 100).toFixed(1);
    default:
      return (slope * 12).toFixed(3);
  }
}

/** The set-up as it goes into the book; null while something cannot be read or worked out. */
export function setupRecord(
  draft: SetupDraft,
  readings: SetupReadings,
  solved: SolvedSetup['solved'],
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
    depth_m: byDepth ? solved.now.flow.depth_m : null,
    depthEntered: byDepth ? draft.depth : null,
    flow_m3_s: byDepth ? null : solved.now.flow.flow_m3_s,
    flowEntered: byDepth ? null : draft.flow,
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
