import {
  NUMBERS,
  numberProblem,
  textProblem,
  TEXTS,
  type Sample,
  type StoredPit,
  type StoredSample,
} from '@riffle/contract';
import { COLOR_CLASSES, countColors, liesInPit, type ColorClass, gradeOf, type GroundColors } from '@riffle/core';
import type { LocalTime } from '../../../when/localTime.ts';
import { readWhen, whenProblem } from '../../../when/readWhen.ts';
import { asTyped, readEntered, readVolume } from '../../../units/readEntered.ts';
import type { Show } from '../../../units/useShow.ts';
import { layerWords } from '../../../ground/layerWords.ts';
import type { SampleRow } from './useSampleTable.ts';

const isClass = (column: string): column is ColorClass => (COLOR_CLASSES as readonly string[]).includes(column);
/** Columns that are worked out, not written. */
const WORKED_OUT = new Set(['distance', 'colors', 'grade']);
export const canBeWritten = (column: string): boolean => !WORKED_OUT.has(column);

/** What stands in a cell. */
export function cellWords(
  column: string,
  row: SampleRow,
  show: Show,
  colors: GroundColors,
  swell_percent: number,
  local: LocalTime,
): string {
  const { sample: s } = row;
  if (isClass(column)) return String(s.counts[column]);
  switch (column) {
    case 'date':
      return local.day(s.takenAt);
    case 'spot':
      return row.spot;
    case 'colors':
      return String(countColors(s.counts));
    case 'distance':
      return Number.isNaN(row.distance_m) ? '' : show.figure('distance', row.distance_m).digits;
    case 'depth':
      return show.display.system === 'US' ? show.length(s.depth_m) : show.figure('length', s.depth_m).digits;
    case 'volume':
      return asTyped(s.volumeEntered);
    case 'gold':
      return s.gold_mg === null ? '' : show.figure('gold', s.gold_mg).digits;
    case 'grade': {
      const g = gradeOf([s], swell_percent, colors);
      const digits = (mg_L: number): string => show.figure('grade', mg_L).digits;
      return g.kind === 'band'
        ? `${digits(g.grade_mg_L)} (${digits(g.low_mg_L)}–${digits(g.high_mg_L)})`
        : g.kind === 'blank'
          ? `under ${digits(g.lessThan_mg_L)}`
          : 'weigh it';
    }
    case 'note':
      return s.note === '' ? '' : `“${s.note}”`;
    case 'layer':
      return s.layer;
    default:
      return s.panner;
  }
}

/** What a person writes anew from: as it was typed before, without its unit where the unit stays. */
export function cellText(column: string, s: StoredSample, local: LocalTime): string {
  if (isClass(column)) return String(s.counts[column]);
  switch (column) {
    case 'date':
      return local.isoMoment(s.takenAt);
    case 'spot':
      return s.spotId;
    case 'depth':
      return s.depthEntered.text;
    case 'volume':
      return s.volumeEntered.text;
    case 'gold':
      return s.goldEntered?.text ?? '';
    case 'note':
      return s.note;
    case 'layer':
      return s.layer;
    default:
      return s.panner;
  }
}

/** What a cell is held against. */
export interface CellContext {
  readonly pits: readonly StoredPit[];
  /** The crew's own, litres level full by name. */
  readonly containers: Readonly<Record<string, number>>;
  readonly local: LocalTime;
  readonly now?: Date;
}

/** What a cell takes, or what is wrong with it. A unit written along (`2 ft`) counts; else that of before. */
export function cellTaken(
  column: string,
  text: string,
  s: StoredSample,
  { pits, containers, local, now = new Date() }: CellContext,
): Partial<Sample> | string {
  if (isClass(column)) return countTaken(column, text, s);
  switch (column) {
    case 'date': {
      const read = readWhen(text, local.isoDay(now), local.isoMoment(s.takenAt).slice(11));
      if (!read.ok) return read.problem;
      return whenProblem(read.iso, local, now) ?? { takenAt: local.at(read.iso).toISOString() };
    }
    case 'spot':
      return s.lotId !== null
        ? 'It came in a bag: the bag says where it is from.'
        : s.pitId !== null
          ? 'It came out of a pit: the pit says where it is from.'
          : { spotId: text };
    case 'depth': {
      const r = readEntered('length', { text, unit: s.depthEntered.unit });
      const pit = pits.find((p) => p.id === s.pitId);
      return !r.ok
        ? r.problem
        : (numberProblem(NUMBERS.depth_m, r.value) ??
            (pit && !liesInPit(r.value, pit)
              ? `That is below the bottom of ${pit.name}.`
              : { depth_m: r.value, depthEntered: { text, unit: s.depthEntered.unit } }));
    }
    case 'volume': {
      const r = readVolume({ text, unit: s.volumeEntered.unit }, containers);
      return !r.ok
        ? r.problem
        : (numberProblem(NUMBERS.sampleVolume_L, r.value) ?? {
            volume_L: r.value,
            volumeEntered: { text, unit: s.volumeEntered.unit },
          });
    }
    case 'gold': {
      if (text.trim() === '') return { gold_mg: null, goldEntered: null };
      const unit = s.goldEntered?.unit ?? 'mg';
      const r = readEntered('mass', { text, unit });
      return !r.ok
        ? r.problem
        : r.value === 0
          ? 'Leave it empty if nothing was weighed.'
          : (numberProblem(NUMBERS.sampleGold_mg, r.value) ?? { gold_mg: r.value, goldEntered: { text, unit } });
    }
    case 'note':
      return textProblem(TEXTS.note, text) ?? { note: text };
    case 'layer':
      return textProblem(TEXTS.layer, text) ?? { layer: text.trim(), layerId: layerNamed(text, s, pits) };
    default:
      return textProblem(TEXTS.panner, text) ?? { panner: text.trim() };
  }
}

/** The layer of the pan's pit that these words name; null where there is none, or more than one. */
function layerNamed(words: string, s: StoredSample, pits: readonly StoredPit[]): string | null {
  const same = pits.find((p) => p.id === s.pitId)?.layers.filter((l) => layerWords(l) === words.trim().toLowerCase());
  return same?.length === 1 ? (same[0]?.id ?? null) : null;
}

function countTaken(column: ColorClass, text: string, s: StoredSample): Partial<Sample> | string {
  if (!/^\d{1,5}$/.test(text.trim())) return 'A whole number.';
  const counts = { ...s.counts, [column]: Number(text) };
  const all = countColors(counts);
  if (s.grownIn > all) return `${s.grownIn} were grown in: it cannot be fewer.`;
  return s.fromSafetyPan > all ? `${s.fromSafetyPan} came from the safety pan: it cannot be fewer.` : { counts };
}
