import { NUMBERS, type Setup, type StoredGround, type StoredRig } from '@riffle/contract';
import {
  MEDIAN_WASHER,
  OutOfRange,
  puffsPerMinute,
  solveWasher,
  SQUEEZES_PERCENT,
  USUAL_WASHER_CREW_M3_S,
  type Entered,
  type GoldShare,
  type SeenAtWasher,
  type SolvedWasher,
  type Squeeze,
  type WasherSetting,
} from '@riffle/core';
import { v7 as uuidv7 } from 'uuid';
import { driveAsSet, washerAsBuilt } from '../../../box/washerSetting.ts';
import type { useContainers } from '../../../records/useContainers.ts';
import { readEntered, readPitch, readVolume, type Reading } from '../../../units/readEntered.ts';
import { numberTyped } from '../../../units/numberTyped.ts';
import { limited } from '../../../units/limited.ts';

/** A dry washer's setting as it is typed; kept on the device. */
export interface WasherDraft {
  readonly pitch: Entered;
  /** Puffs a minute, or a blower's speed in percent; empty: as its pulleys have it, or full. */
  readonly air: string;
  readonly screen: Entered;
  readonly squeeze: Squeeze;
  readonly isClayey: boolean;
  readonly pass: '1' | '2' | '3';
  readonly altitude: Entered;
  readonly temperature: Entered;
  /** Minutes a bucket at which it is fed; empty: as advised. */
  readonly pace: string;
  readonly scoop: Entered;
  readonly bucket: Entered;
  readonly note: string;
  readonly seen: SeenAtWasher;
}

type Field = 'pitch' | 'air' | 'screen' | 'altitude' | 'temperature' | 'pace' | 'scoop' | 'bucket';
export type WasherReadings = Readonly<Record<Field, Reading>>;
export interface WasherRead {
  /** Null while something cannot be read or lies outside what a washer can be; `problem` then says so. */
  readonly solved: { readonly setting: WasherSetting; readonly middle: SolvedWasher } | null;
  readonly problem: string | null;
}

/** A washer as most are set. */
export const newWasherDraft = (US: boolean): WasherDraft => ({
  pitch: US ? { text: '1 3/4', unit: 'in/ft' } : { text: '15', unit: '%' },
  air: '',
  screen: { text: '1/4', unit: 'in' },
  squeeze: 'dusts',
  isClayey: false,
  pass: '1',
  altitude: { text: '', unit: US ? 'ft' : 'm' },
  temperature: { text: US ? '85' : '30', unit: US ? '°F' : '°C' },
  pace: '',
  scoop: { text: '1', unit: 'scoop' },
  bucket: { text: '1', unit: 'bucket' },
  note: '',
  seen: {},
});

/** Puffs a minute by the pulleys as built; null of a blower, or one cranked by hand. */
export function puffsByPulleys(rig: StoredRig): number | null {
  const drive = rig.washer?.drive;
  if (drive?.kind !== 'bellows' || !drive.motor) return null;
  const { speed_rpm, pulley_mm, drivenPulley_mm } = drive.motor;
  return puffsPerMinute(speed_rpm, pulley_mm / 1000, drivenPulley_mm / 1000);
}
/** What is taken where nobody counted: hand-cranked bellows are worked at about this. Common practice, no source. */
const CRANKED_PUFFS = 200;

/** The fields in numbers; the air in puffs a minute, of a blower as a share of its full speed. */
export function readWasher(
  d: WasherDraft,
  rig: StoredRig,
  containers: ReturnType<typeof useContainers>,
): WasherReadings {
  const isBlower = rig.washer?.drive.kind === 'blower';
  return {
    pitch: limited(readPitch(d.pitch, washerAsBuilt(rig)?.length_m ?? 1), NUMBERS.slope),
    air: isBlower
      ? limited(number(d.air, 100, 'Write percent of full speed, such as 80.', 0.01), NUMBERS.blowerSpeed)
      : limited(
          number(d.air, puffsByPulleys(rig) ?? CRANKED_PUFFS, 'Write puffs a minute, such as 270.'),
          NUMBERS.puffs_min,
        ),
    screen: limited(readEntered('length', d.screen), NUMBERS.stone_m),
    altitude:
      d.altitude.text.trim() === ''
        ? { ok: true, value: 0 }
        : limited(readEntered('length', d.altitude), NUMBERS.altitude_m),
    temperature: limited(temperature(d.temperature), NUMBERS.anyTemperature_C),
    pace: d.pace.trim() === '' ? { ok: true, value: 0 } : minutes(d.pace),
    scoop: limited(readVolume(d.scoop, containers), NUMBERS.scoop_L),
    bucket: limited(readVolume(d.bucket, containers), NUMBERS.bucket_L),
  };
}

/** The washer as it is set, and the middle of all it may be. */
export function washerFrom(d: WasherDraft, r: WasherReadings, rig: StoredRig, gold: readonly GoldShare[]): WasherRead {
  const built = washerAsBuilt(rig);
  const air = airOf(rig, r);
  const drive = air && rig.washer ? driveAsSet(rig.washer, air) : null;
  if (
    !built ||
    !drive ||
    !r.pitch.ok ||
    !r.screen.ok ||
    !r.altitude.ok ||
    !r.temperature.ok ||
    !r.pace.ok ||
    !r.bucket.ok
  )
    return { solved: null, problem: null };
  if (r.pitch.value < FLATTEST) return { solved: null, problem: 'Flatter than 2 % nothing rolls over the riffles.' };
  const bucket_m3 = r.bucket.value / 1000;
  const setting: WasherSetting = {
    ...built,
    drive,
    slope: r.pitch.value,
    screen_m: r.screen.value,
    feedSize_m: null,
    altitude_m: r.altitude.value,
    temperature_C: r.temperature.value,
    moisture_percent: SQUEEZES_PERCENT[d.squeeze],
    isClayey: d.isClayey,
    crew_m3_s: USUAL_WASHER_CREW_M3_S,
    feed_m3_s: r.pace.value > 0 ? bucket_m3 / (60 * r.pace.value) : null,
    gold,
  };
  try {
    return { solved: { setting, middle: solveWasher(setting, MEDIAN_WASHER) }, problem: null };
  } catch (error) {
    if (error instanceof OutOfRange) return { solved: null, problem: error.message };
    throw error;
  }
}
/** As the sums take it. */
const FLATTEST = 0.02;

function airOf(rig: StoredRig, { air }: WasherReadings) {
  if (!air.ok || !rig.washer) return null;
  return rig.washer.drive.kind === 'bellows'
    ? ({ kind: 'bellows', puffs_min: air.value } as const)
    : ({ kind: 'blower', speed: air.value } as const);
}

/** The setting as it goes into the book; null while something cannot be read. */
export function washerRecord(
  d: WasherDraft,
  r: WasherReadings,
  solved: WasherRead['solved'],
  rig: StoredRig,
  ground: StoredGround,
  spotId: string | null,
): (Setup & { baseVersion: 0 }) | null {
  const air = airOf(rig, r);
  if (!solved || !air || !r.scoop.ok || !r.bucket.ok || !r.altitude.ok) return null;
  return {
    id: uuidv7(),
    deleted: false,
    groundId: ground.id,
    rigId: rig.id,
    spotId,
    setAt: new Date().toISOString(),
    slope: solved.setting.slope,
    pitchEntered: d.pitch,
    depth_m: null,
    depthEntered: null,
    flow_m3_s: null,
    flowEntered: null,
    air: {
      drive: air,
      driveEntered: d.air.trim(),
      altitude_m: r.altitude.value,
      altitudeEntered: d.altitude,
      squeeze: d.squeeze,
      isClayey: d.isClayey,
      pass: Number(d.pass),
    },
    stone_m: solved.setting.screen_m,
    stoneEntered: d.screen,
    temperature_C: solved.setting.temperature_C,
    scoop_L: r.scoop.value,
    scoopEntered: d.scoop,
    bucket_L: r.bucket.value,
    bucketEntered: d.bucket,
    note: d.note,
    baseVersion: 0,
  };
}

/** A bare number; nothing typed reads as `none`. */
function number(typed: string, none: number, problem: string, times = 1): Reading {
  const value = typed.trim() === '' ? none : numberTyped(typed.replace(/%\s*$/, ''));
  return Number.isFinite(value) ? { ok: true, value: value * times } : { ok: false, problem };
}
const minutes = (typed: string): Reading => {
  const read = number(typed, NaN, 'Write minutes such as 12, or nothing.');
  return read.ok && !(read.value > 0 && read.value <= 600)
    ? { ok: false, problem: 'Write minutes such as 12, or nothing.' }
    : read;
};
function temperature({ text, unit }: Entered): Reading {
  const read = number(text.replace(/°?\s*[cf]$/i, ''), NaN, 'Write a number such as 30.');
  if (!read.ok) return read;
  return { ok: true, value: unit === '°F' || /f$/i.test(text.trim()) ? ((read.value - 32) * 5) / 9 : read.value };
}
