import { NUMBERS, textProblem, TEXTS, type FLOOR_SEEN, type Jar, type StoredJar } from '@riffle/contract';
import {
  freshWater,
  seaWater,
  UNITS,
  type Companion,
  type Entered,
  type FinishSetting,
  type SeenAtFloor,
} from '@riffle/core';
import type { useContainers } from '../../../records/useContainers.ts';
import { readDuration } from '../../../when/readDuration.ts';
import { readEntered, readPitch, readVolume, type Reading } from '../../../units/readEntered.ts';
import { PAN_FINEST_MM } from './ladder.ts';
import { newSluice, sluiceAsDraft, sluiceRecord, type SluiceDraft } from './readSluice.ts';
import { numberTyped } from '../../../units/numberTyped.ts';
import { limited } from '../../../units/limited.ts';

type Saw = (typeof FLOOR_SEEN)[number];

/** A jar as it is typed, and the floor it is washed over; kept on the device. */
export interface JarDraft {
  /** The jar that is gone on with; null: a new one. */
  readonly jarId: string | null;
  readonly name: string;
  readonly coarsest_mm: number;
  readonly finest_mm: number;
  readonly volume: Entered;
  readonly way: Jar['way'];
  readonly state: Jar['state'];
  readonly feature: Entered;
  readonly width: Entered;
  readonly pitch: Entered;
  readonly companion: Companion;
  readonly saltWater: boolean;
  readonly sluice: SluiceDraft;
  readonly depth: Entered;
  /** The mark of the flow, as they call it. */
  readonly level: string;
  /** Minutes of the last spoon; empty: not timed. */
  readonly took: string;
  readonly spoons: Jar['spoons'];
  readonly magnetShare: string;
  readonly magnetFound: string;
  readonly magnetElsewhere: string;
  readonly gold: Entered;
  readonly note: string;
}

export const newJarDraft = (US: boolean, last?: StoredJar): JarDraft => ({
  jarId: null,
  name: '',
  coarsest_mm: 0.6,
  finest_mm: 0.3,
  volume: US ? { text: '1', unit: 'qt' } : { text: '500', unit: 'mL' },
  way: last?.way ?? 'recirculating box',
  state: 'waiting',
  // The same floor as last time, until told otherwise.
  feature: last?.floor?.featureEntered ?? { text: '0.5', unit: 'mm' },
  width: last?.floor?.widthEntered ?? (US ? { text: '8', unit: 'in' } : { text: '20', unit: 'cm' }),
  pitch: last?.floor?.pitchEntered ?? { text: '8', unit: '%' },
  companion: last?.floor?.companion ?? 'magnetite',
  saltWater: last?.floor?.saltWater ?? false,
  sluice: newSluice(US, last?.sluice),
  depth: { text: '', unit: 'mm' },
  level: '',
  took: '',
  spoons: [],
  magnetShare: '',
  magnetFound: '',
  magnetElsewhere: '',
  gold: { text: '', unit: US ? 'grain' : 'mg' },
  note: '',
});

/** A kept jar taken in hand again. */
export const draftOf = (jar: StoredJar, US: boolean): JarDraft => ({
  ...newJarDraft(US, jar),
  jarId: jar.id,
  name: jar.name,
  coarsest_mm: jar.coarsest_mm,
  finest_mm: jar.finest_mm,
  volume: jar.volumeEntered,
  state: jar.state,
  depth: jar.spoons.at(-1)?.depthEntered ?? { text: '', unit: 'mm' },
  level: jar.spoons.at(-1)?.level ?? '',
  spoons: jar.spoons,
  sluice: sluiceAsDraft((jar as Partial<StoredJar>).sluice ?? null, US),
  ...(jar.magnet && {
    magnetShare: String(Number((100 * jar.magnet.washedShare).toPrecision(4))),
    magnetFound: String(jar.magnet.found),
    magnetElsewhere: String(jar.magnet.elsewhere),
  }),
  ...(jar.goldEntered && { gold: jar.goldEntered }),
  note: jar.note,
});

type Field =
  | 'volume'
  | 'feature'
  | 'width'
  | 'pitch'
  | 'depth'
  | 'took'
  | 'gold'
  | 'magnetShare'
  | 'magnetFound'
  | 'magnetElsewhere';
export type JarReadings = Readonly<Record<Field, Reading>>;
/** A floor is so long where its pitch is typed as a drop, m. Stated assumption. */
const FLOOR_LENGTH_M = 0.5;

/** The fields in numbers; what is empty and may be reads as 0. */
export function readJar(d: JarDraft, containers: ReturnType<typeof useContainers>): JarReadings {
  return {
    volume: limited(readVolume(d.volume, containers), NUMBERS.jar_L),
    feature: limited(readEntered('length', d.feature), NUMBERS.feature_m),
    width: limited(readEntered('length', d.width), NUMBERS.floorWidth_m),
    pitch: limited(readPitch(d.pitch, FLOOR_LENGTH_M), NUMBERS.floorSlope),
    depth: d.depth.text.trim() === '' ? ZERO : limited(readEntered('length', d.depth), NUMBERS.film_m),
    took: d.took.trim() === '' ? ZERO : limited(readDuration(d.took, 'm'), NUMBERS.spoon_s),
    gold: d.gold.text.trim() === '' ? ZERO : limited(readEntered('mass', d.gold), NUMBERS.sectionGold_mg),
    magnetShare: percent(d.magnetShare),
    magnetFound: count(d.magnetFound),
    magnetElsewhere: count(d.magnetElsewhere),
  };
}
const ZERO: Reading = { ok: true, value: 0 };
function percent(typed: string): Reading {
  const value = numberTyped(typed.replace(/%\s*$/, ''));
  if (typed.trim() === '') return ZERO;
  return value >= 1 && value <= 100 ? { ok: true, value: value / 100 } : { ok: false, problem: 'From 1 to 100 %.' };
}
const count = (typed: string): Reading =>
  typed.trim() === ''
    ? ZERO
    : /^\d{1,6}$/.test(typed.trim())
      ? { ok: true, value: Number(typed) }
      : { ok: false, problem: 'A whole number.' };

/** A tablespoon. */
const SPOON_M3 = 15e-6;
const THIRD = 1 / 3;
/** Where nothing was typed the floor is weighed at this depth, to find the mark. */
const ANY_DEPTH_M = 0.002;

/** The floor as the sums take it; null while something cannot be read. */
export function finishFrom(d: JarDraft, r: JarReadings, temperature_C: number): FinishSetting | null {
  if (!r.feature.ok || !r.width.ok || !r.pitch.ok || !r.depth.ok || d.finest_mm >= d.coarsest_mm) return null;
  return {
    finest_m: Math.max(d.finest_mm, Math.min(PAN_FINEST_MM, d.coarsest_mm / 2)) / 1000,
    coarsest_m: d.coarsest_mm / 1000,
    feature_m: r.feature.value,
    floorWidth_m: r.width.value,
    slope: r.pitch.value,
    depth_m: r.depth.value > 0 ? r.depth.value : ANY_DEPTH_M,
    water: d.saltWater ? seaWater(temperature_C) : freshWater(temperature_C),
    companion: d.companion,
    spoon_m3: SPOON_M3,
    blackLeft: THIRD,
  };
}

/** What was seen at a floor like this one over such a fraction, in this jar and in kept ones: the latest few. */
export function seenAt(d: JarDraft, setting: FinishSetting, kept: readonly StoredJar[]): SeenAtFloor[] {
  const like = kept.filter(
    (j) =>
      j.id !== d.jarId &&
      j.coarsest_mm === d.coarsest_mm &&
      j.finest_mm === d.finest_mm &&
      j.floor !== null &&
      Math.abs(j.floor.feature_m / setting.feature_m - 1) < ALIKE &&
      (j.floor.companion ?? 'magnetite') === d.companion &&
      Math.abs(j.floor.slope / setting.slope - 1) < ALIKE,
  );
  return [...like.flatMap((j) => j.spoons), ...d.spoons]
    .slice(-LATEST)
    .map(({ depth_m, saw, took_s }) => ({ depth_m, saw, took_s }));
}
const [ALIKE, LATEST] = [0.06, 8] as const;

/** The mark kept for such a fraction over such a floor: the level of the last spoon that went right. */
export function markBefore(d: JarDraft, setting: FinishSetting, kept: readonly StoredJar[]): string | null {
  const before = [...kept]
    .filter(
      (j) =>
        j.coarsest_mm === d.coarsest_mm &&
        j.finest_mm === d.finest_mm &&
        j.floor !== null &&
        Math.abs(j.floor.feature_m / setting.feature_m - 1) < ALIKE,
    )
    .sort((a, b) => b.madeAt.localeCompare(a.madeAt));
  for (const spoon of [...d.spoons].reverse().concat(before.flatMap((j) => [...j.spoons].reverse())))
    if (spoon.saw === 'right' && spoon.level.trim() !== '') return spoon.level.trim();
  return null;
}

/** A spoon just washed, as the jar keeps it; null where how deep the water stood is not said. */
export function spoonOf(d: JarDraft, r: JarReadings, saw: Saw): Jar['spoons'][number] | null {
  if (!r.depth.ok || r.depth.value === 0 || !r.took.ok) return null;
  return {
    depth_m: r.depth.value,
    depthEntered: d.depth,
    saw,
    took_s: r.took.value > 0 ? r.took.value : null,
    level: d.level.trim(),
  };
}

/** The jar as it goes into the book; null while something cannot be read. */
export function jarRecord(
  d: JarDraft,
  r: JarReadings,
  groundId: string,
): Omit<Jar, 'id' | 'deleted' | 'madeAt'> | null {
  const wrong = textProblem(TEXTS.jar, d.name) ?? textProblem(TEXTS.note, d.note);
  const hasMagnet = d.magnetShare.trim() !== '';
  if (d.way === 'finishing sluice' && !sluiceRecord(d.sluice)) return null;
  if (wrong !== null || Object.values(r).some((x) => !x.ok) || d.finest_mm >= d.coarsest_mm) return null;
  const v = (field: Field): number => (r[field].ok ? r[field].value : NaN);
  return {
    groundId,
    name: d.name.trim(),
    coarsest_mm: d.coarsest_mm,
    finest_mm: d.finest_mm,
    volume_L: v('volume'),
    volumeEntered: d.volume,
    way: d.way,
    state: d.state,
    floor:
      d.way === 'recirculating box'
        ? {
            feature_m: v('feature'),
            featureEntered: d.feature,
            width_m: v('width'),
            widthEntered: d.width,
            slope: v('pitch'),
            pitchEntered: d.pitch,
            companion: d.companion,
            saltWater: d.saltWater,
          }
        : null,
    sluice: d.way === 'finishing sluice' ? sluiceRecord(d.sluice) : null,
    spoons: [...d.spoons],
    magnet: hasMagnet
      ? { washedShare: v('magnetShare'), found: v('magnetFound'), elsewhere: v('magnetElsewhere') }
      : null,
    gold_mg: d.gold.text.trim() === '' ? null : v('gold'),
    goldEntered: d.gold.text.trim() === '' ? null : d.gold,
    note: d.note,
  };
}

/** A depth of water as its field has it. */
export const depthText = (depth_m: number, unit: string): Entered =>
  unit === 'in'
    ? { text: (depth_m / UNITS.length.in).toFixed(3), unit }
    : { text: (depth_m * 1000).toFixed(1), unit: 'mm' };
