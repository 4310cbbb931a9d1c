import { NUMBERS, numberProblem, textProblem, TEXTS, type Screening, type StoredScreening } from '@riffle/contract';
import { dryMass, OutOfRange, sizeCurve, type Entered, type SizeCurve } from '@riffle/core';
import { v7 as uuidv7 } from 'uuid';
import { readEntered, readVolume, type Reading } from '../../../units/readEntered.ts';
import { readScreenName, type Aperture } from '../../../units/readScreenName.ts';
import { numberTyped } from '../../../units/numberTyped.ts';

export interface ScreenDraft {
  readonly key: string;
  readonly name: string;
  readonly shape: Screening['screens'][number]['shape'];
  readonly kept: Entered;
  /** Pieces of gold found on it, as typed; empty: nobody looked. */
  readonly colors?: string;
}
export interface StackDraft {
  readonly measure: Screening['measure'];
  readonly way: Screening['way'];
  readonly moisture: string;
  readonly wentIn: Entered;
  readonly screens: readonly ScreenDraft[];
  readonly through: Entered;
  readonly note: string;
  /** The stack of the book that is put right; left out: a new one. */
  readonly mends?: string;
}
export interface ReadScreen {
  readonly draft: ScreenDraft;
  readonly aperture: Aperture;
  readonly kept: Reading;
  /** Null: nobody looked. */
  readonly colors: number | null;
  readonly colorsProblem: string | null;
}

/** What a draft comes to. */
export interface StackRead {
  readonly screens: readonly ReadScreen[];
  readonly wentIn: Reading | null;
  readonly through: Reading;
  readonly moisture_percent: number | null;
  /** The curve of the dry material, as soon as it can be drawn. */
  readonly curve: SizeCurve | null;
  readonly problem: string | null;
}

/** The usual stack of a prospector's classifiers. Common practice, no source. */
const USUAL = ['1/2 in', '1/4 in', 'No. 8', 'No. 20', 'No. 50'];
const unitOf = (measure: StackDraft['measure'], US: boolean): string =>
  measure === 'mass' ? (US ? 'lb' : 'kg') : US ? 'gal' : 'L';
const nothingYet = (measure: StackDraft['measure'], US: boolean): Entered => ({ text: '', unit: unitOf(measure, US) });

export const newStack = (US: boolean): StackDraft => ({
  measure: 'mass',
  way: 'wet',
  moisture: '',
  wentIn: nothingYet('mass', US),
  screens: USUAL.map((name, i) => ({ key: String(i), name, shape: 'square', kept: nothingYet('mass', US) })),
  through: nothingYet('mass', US),
  note: '',
});
/** A stack of the book as it was typed, to be put right. */
export const stackAsDraft = (s: StoredScreening): StackDraft => ({
  measure: s.measure,
  way: s.way,
  moisture: s.moisture_percent === null ? '' : String(s.moisture_percent),
  wentIn: s.wentInEntered ?? { text: '', unit: s.throughEntered.unit },
  screens: s.screens.map((k) => ({
    key: uuidv7(),
    name: k.name,
    shape: k.shape,
    kept: k.keptEntered,
    colors: k.colors === null ? '' : String(k.colors),
  })),
  through: s.throughEntered,
  note: s.note,
  mends: s.id,
});
export const newScreen = (measure: StackDraft['measure'], US: boolean): ScreenDraft => ({
  key: uuidv7(),
  name: '',
  shape: 'square',
  kept: nothingYet(measure, US),
});

/** The stack measured the other way: what was typed in the one is none of the other. */
export const measuredBy = (before: StackDraft, measure: StackDraft['measure'], US: boolean): StackDraft => ({
  ...before,
  measure,
  wentIn: nothingYet(measure, US),
  through: nothingYet(measure, US),
  screens: before.screens.map((s) => ({ ...s, kept: nothingYet(measure, US) })),
});

/** Reads a stack as it was typed: the curve, or what stands in its way. */
export function readStack(d: StackDraft, containers: Readonly<Record<string, number>>): StackRead {
  // Kilograms of mass, litres of volume.
  const amount = (e: Entered): Reading => {
    const r = d.measure === 'mass' ? readEntered('mass', e) : readVolume(e, containers);
    return r.ok && d.measure === 'mass' ? { ok: true, value: r.value / 1e6 } : r;
  };
  const screens = d.screens.map((s): ReadScreen => ({
    draft: s,
    aperture: readScreenName(s.name),
    kept: amount(s.kept),
    ...readColors(s.colors ?? ''),
  }));
  const wentIn = d.wentIn.text.trim() === '' ? null : amount(d.wentIn);
  const through = amount(d.through);
  const moisture = d.moisture.trim() === '' ? null : numberTyped(d.moisture);
  const read = { screens, wentIn, through, moisture_percent: moisture };
  if (moisture !== null && numberProblem(NUMBERS.percent, moisture))
    return { ...read, curve: null, problem: 'Moisture is 0 to 100 %.' };
  if (
    screens.some((s) => !s.aperture.ok || !s.kept.ok || s.colorsProblem !== null) ||
    !through.ok ||
    wentIn?.ok === false
  )
    return { ...read, curve: null, problem: null };
  try {
    // One moisture for all: it leaves the shares as they are and only the amounts drier.
    const dry = (v: number): number => (d.measure === 'mass' && moisture ? dryMass(v, moisture) : v);
    const curve = sizeCurve(
      screens.map((s) => ({
        aperture_mm: s.aperture.ok ? s.aperture.mm : NaN,
        kept: s.kept.ok ? dry(s.kept.value) : NaN,
      })),
      dry(through.value),
      wentIn ? dry(wentIn.value) : null,
    );
    return {
      ...read,
      curve,
      problem:
        curve.closure_percent !== null && curve.closure_percent > 110
          ? 'More came out than went in: weigh again, or leave out what went in.'
          : null,
    };
  } catch (error) {
    if (!(error instanceof OutOfRange)) throw error;
    return {
      ...read,
      curve: null,
      problem:
        error.field === 'aperture_mm'
          ? 'Two screens have the same opening.'
          : error.field === 'found again'
            ? 'Nothing was kept anywhere.'
            : error.message,
    };
  }
}

/** The record to keep; null while something is missing or wrong. */
export function stackRecord(
  d: StackDraft,
  read: StackRead,
  groundId: string,
  spotId: string,
  now = new Date().toISOString(),
): (Screening & { baseVersion: 0 }) | null {
  const { screens, wentIn, through, moisture_percent, curve, problem } = read;
  const tooLong =
    textProblem(TEXTS.note, d.note) ?? d.screens.map((s) => textProblem(TEXTS.screenName, s.name)).find(Boolean);
  if (!curve || problem || !through.ok || tooLong) return null;
  return {
    id: uuidv7(),
    deleted: false,
    groundId,
    spotId,
    lotId: null,
    screenedAt: now,
    measure: d.measure,
    way: d.way,
    moisture_percent,
    wentIn: wentIn?.ok ? wentIn.value : null,
    wentInEntered: wentIn?.ok ? d.wentIn : null,
    screens: screens.flatMap((s) =>
      s.aperture.ok && s.kept.ok
        ? [
            {
              name: s.draft.name.trim(),
              aperture_mm: s.aperture.mm,
              shape: s.draft.shape,
              kept: s.kept.value,
              keptEntered: s.draft.kept,
              colors: s.colors,
            },
          ]
        : [],
    ),
    through: through.value,
    throughEntered: d.through,
    note: d.note,
    baseVersion: 0,
  };
}

function readColors(typed: string): { colors: number | null; colorsProblem: string | null } {
  if (typed.trim() === '') return { colors: null, colorsProblem: null };
  const n = numberTyped(typed);
  return Number.isInteger(n) && numberProblem(NUMBERS.colors, n) === null
    ? { colors: n, colorsProblem: null }
    : { colors: null, colorsProblem: 'A whole number, 0 or more.' };
}

/** The curve of a screening in the book. */
export function curveOf(s: StoredScreening): SizeCurve {
  const dry = (v: number): number => (s.measure === 'mass' && s.moisture_percent ? dryMass(v, s.moisture_percent) : v);
  return sizeCurve(
    s.screens.map((k) => ({ aperture_mm: k.aperture_mm, kept: dry(k.kept) })),
    dry(s.through),
    s.wentIn === null ? null : dry(s.wentIn),
  );
}
