import {
  NUMBERS,
  numberProblem,
  textProblems,
  TEXTS,
  type Sample,
  type StoredLot,
  type StoredPit,
} from '@riffle/contract';
import {
  convert,
  countColors,
  liesInPit,
  NO_COLORS,
  pitDepth_m,
  type ColorCounts,
  type Entered,
  type SampleGrade,
  gradeOf,
  measureOf,
  withCounts,
  type GroundColors,
  type PanSays,
} from '@riffle/core';
import { v7 as uuidv7 } from 'uuid';
import type { UsualPan } from '../../../pan/usualPan.ts';
import type { LocalTime } from '../../../when/localTime.ts';
import { whenProblem } from '../../../when/readWhen.ts';
import { enterLength } from '../../../units/enterLength.ts';
import { readEntered, readVolume, type Reading } from '../../../units/readEntered.ts';

/** A sample as it is being written down; kept on the device until it is in the book. */
export interface SampleDraft {
  /** Depth and amount as usual, until one of them is touched. */
  readonly asUsual?: boolean;
  readonly depth: Entered;
  readonly volume: Entered;
  readonly state: 'loose' | 'bank';
  readonly counts: ColorCounts;
  readonly blackSand: number;
  readonly gold: Entered;
  readonly pitId: string;
  readonly layerId: string;
  readonly layer: string;
  readonly way: Sample['way'];
  readonly panner: string;
  readonly took: string;
  readonly nth: string;
  readonly of: string;
  readonly grownIn: string;
  readonly fromSafetyPan: string;
  /** What was said of the pan at a spot before its first color was counted. */
  readonly foretold: {
    readonly spotId: string;
    readonly said: PanSays;
    readonly riffle: PanSays | null;
  } | null;
  /** When it was panned, as typed; empty or left out: now. */
  readonly when?: string;
  readonly note: string;
}

/** What a draft comes to. */
export interface SampleRead {
  readonly depth: Reading;
  readonly volume: Reading;
  /** Weighed gold in mg; null when none was typed. */
  readonly gold: Reading | null;
  readonly depthProblem: string | null;
  readonly volumeProblem: string | null;
  readonly goldProblem: string | null;
  /** What is wrong with the pan's further facts, by field. */
  readonly factProblems: Readonly<Partial<Record<'took' | 'bucket' | 'grownIn' | 'fromSafetyPan' | 'when', string>>>;
  /** Texts that are too long, by field. */
  readonly textProblems: Readonly<Partial<Record<'layer' | 'panner' | 'note', string>>>;
  readonly colors: number;
  /** When it was panned, where it is dated back. */
  readonly takenAt: string | null;
  /** The answer, as soon as there is a volume; null before. */
  readonly grade: SampleGrade | null;
  readonly volumeBank_L: number | null;
}

/** What a pan is read against: its ground, the other samples, and what they taught of colors. */
export interface SampleContext {
  readonly swell_percent: number;
  /** All that was counted on this ground before. */
  readonly counted: ColorCounts;
  readonly colors: GroundColors;
  readonly pits: readonly StoredPit[];
  /** The crew's own, litres level full by name. */
  readonly containers: Readonly<Record<string, number>>;
  readonly US: boolean;
  /** The ground's clock. */
  readonly local: LocalTime;
}

/** An empty pan, or one of a bag: its depth, volume and layer stand in the fields already. */
export const newSample = (lot: StoredLot | undefined, panner: string, US: boolean): SampleDraft => ({
  asUsual: !lot,
  depth: enterLength(lot?.toDepth_m, US ? 'ft' : 'm', 2),
  volume: lot?.volumeEntered ?? { text: '', unit: 'pan' },
  state: 'loose',
  counts: NO_COLORS,
  blackSand: 0,
  gold: { text: '', unit: US ? 'grain' : 'mg' },
  pitId: '',
  layerId: '',
  layer: lot?.layer ?? '',
  way: 'quick test',
  panner,
  took: '',
  nth: '',
  of: '',
  grownIn: '',
  fromSafetyPan: '',
  foretold: null,
  note: '',
});

/** A draft as it stands on the page: what nobody touched is as the last time. */
export const asUsual = (draft: SampleDraft, usual: UsualPan | null): SampleDraft =>
  draft.asUsual && usual ? { ...draft, depth: usual.depth, volume: usual.volume, state: usual.state } : draft;

/** A whole number as typed; an empty field is 0, anything else is null. */
const count = (text: string): number | null =>
  text.trim() === '' ? 0 : /^\d{1,6}$/.test(text.trim()) ? Number(text) : null;
const isNumbered = (d: SampleDraft): boolean => d.nth.trim() !== '' || d.of.trim() !== '';

/** Reads a pan as it was typed: its grade, or what is wrong and where. */
export function readSample(
  d: SampleDraft,
  { swell_percent, counted, colors: known, pits, containers, US, local }: SampleContext,
): SampleRead {
  const depth = readEntered('length', d.depth);
  const volume = readVolume(d.volume, containers);
  const gold = d.gold.text.trim() === '' ? null : readEntered('mass', d.gold);
  const pit = pits.find((p) => p.id === d.pitId);
  const goldProblem =
    gold?.ok && gold.value === 0
      ? 'Leave it empty if nothing was weighed.'
      : gold?.ok
        ? numberProblem(NUMBERS.sampleGold_mg, gold.value)
        : gold && !gold.ok
          ? gold.problem
          : null;
  const volumeProblem = volume.ok ? numberProblem(NUMBERS.sampleVolume_L, volume.value) : null;
  const measured =
    volume.ok && volumeProblem === null
      ? measureOf(
          {
            volume_L: volume.value,
            volumeState: d.state,
            counts: d.counts,
            gold_mg: gold?.ok && !goldProblem ? gold.value : null,
          },
          swell_percent,
        )
      : null;
  const colors = countColors(d.counts);
  const whenWrong = whenProblem(d.when ?? '', local);
  const [took, nth, of, grownIn, fromSafetyPan] = [
    count(d.took),
    count(d.nth),
    count(d.of),
    count(d.grownIn),
    count(d.fromSafetyPan),
  ];
  return {
    takenAt: d.when && !whenWrong ? local.at(d.when).toISOString() : null,
    depth,
    volume,
    gold,
    volumeProblem,
    goldProblem,
    colors,
    depthProblem: !depth.ok
      ? null
      : (numberProblem(NUMBERS.depth_m, depth.value) ??
        (pit && !liesInPit(depth.value, pit)
          ? `${pit.name} ends at ${US ? `${convert('length', pitDepth_m(pit), 'm', 'ft').toFixed(1)} ft` : `${pitDepth_m(pit).toFixed(2)} m`}: nothing of it comes from below.`
          : null)),
    textProblems: textProblems({ layer: TEXTS.layer, panner: TEXTS.panner, note: TEXTS.note }, d),
    factProblems: {
      ...(whenWrong && { when: whenWrong }),
      ...((took === null || took > NUMBERS.took_min.most) && { took: 'Whole minutes, at most a day.' }),
      ...(isNumbered(d) &&
        (nth === null || of === null || nth < 1 || of > NUMBERS.pansOfABucket.most || nth > of) && {
          bucket: 'Which pan of how many, the top one being 1.',
        }),
      ...((grownIn === null || grownIn > colors) && { grownIn: 'At most as many as were counted.' }),
      ...((fromSafetyPan === null || fromSafetyPan > colors) && {
        fromSafetyPan: 'At most as many as were counted; add them to the count first.',
      }),
    },
    // The pan in hand counts among the ground's colors; what it may weigh is not learned from before it is kept.
    grade:
      measured &&
      gradeOf(
        [
          {
            volume_L: measured.volumeBank_L,
            volumeState: 'bank',
            counts: d.counts,
            gold_mg: gold?.ok && !goldProblem ? gold.value : null,
          },
        ],
        swell_percent,
        withCounts(known, [counted, d.counts]),
      ),
    volumeBank_L: measured?.volumeBank_L ?? null,
  };
}

/** The record to keep; null while something is missing or wrong. */
export function sampleRecord(
  d: SampleDraft,
  read: SampleRead,
  about: Pick<Sample, 'groundId' | 'spotId' | 'lotId' | 'seenWith'>,
  /** Riffle's own word of this pan, which it knows nothing of: for a tap made before the ranking was reckoned. */
  riffleNow: PanSays | null = null,
  now = new Date().toISOString(),
): (Sample & { baseVersion: 0 }) | null {
  const { depth, volume, gold } = read;
  const foretold = d.foretold?.spotId === about.spotId ? d.foretold : null;
  if (
    !depth.ok ||
    read.depthProblem ||
    !volume.ok ||
    read.volumeProblem ||
    read.goldProblem ||
    Object.keys(read.factProblems).length > 0 ||
    Object.keys(read.textProblems).length > 0
  )
    return null;
  return {
    id: uuidv7(),
    deleted: false,
    ...about,
    takenAt: read.takenAt ?? now,
    depth_m: depth.value,
    depthEntered: d.depth,
    volume_L: volume.value,
    volumeEntered: d.volume,
    volumeState: d.state,
    counts: d.counts,
    blackSand: d.blackSand,
    gold_mg: gold?.ok ? gold.value : null,
    goldEntered: gold ? d.gold : null,
    pitId: d.pitId || null,
    layerId: (d.pitId && d.layerId) || null,
    layer: d.layer.trim(),
    bucket: isNumbered(d) ? { nth: Number(d.nth), of: Number(d.of) } : null,
    way: d.way,
    panner: d.panner.trim(),
    took_min: d.took.trim() === '' ? null : count(d.took),
    grownIn: count(d.grownIn) ?? 0,
    fromSafetyPan: count(d.fromSafetyPan) ?? 0,
    // A draft of an earlier day has none; of another spot it says nothing here.
    saidBefore: foretold?.said ?? null,
    riffleSaid: foretold ? (foretold.riffle ?? riffleNow) : null,
    note: d.note,
    baseVersion: 0,
  };
}
