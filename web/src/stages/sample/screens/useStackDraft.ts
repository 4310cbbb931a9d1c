import type { Screening, StoredGround, StoredScreening } from '@riffle/contract';
import { dryMass, OutOfRange, sizeCurve, type Entered, type SizeCurve } from '@riffle/core';
import { v7 as uuidv7 } from 'uuid';
import { readEntered, type Reading } from '../../../units/readEntered.ts';
import { useDraft } from '../../../ui/useDraft.ts';
import { readScreenName, type Aperture } from './readScreenName.ts';

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
}
export interface ReadScreen {
  readonly draft: ScreenDraft;
  readonly aperture: Aperture;
  readonly kept: Reading;
  /** Null: nobody looked. */
  readonly colors: number | null;
  readonly colorsProblem: string | null;
}

/** The usual stack of a prospector's classifiers. Common practice, no source. */
const USUAL = ['1/2 in', '1/4 in', 'No. 8', 'No. 20', 'No. 50'];

export interface StackInHand {
  readonly draft: StackDraft;
  readonly change: (some: Partial<StackDraft>) => void;
  readonly clear: () => void;
  readonly setScreen: (key: string, some: Partial<ScreenDraft>) => void;
  readonly addScreen: () => void;
  readonly removeScreen: (key: string) => void;
  readonly screens: readonly ReadScreen[];
  readonly wentIn: Reading | null;
  readonly through: Reading;
  /** The curve of the dry material, as soon as it can be drawn. */
  readonly curve: SizeCurve | null;
  readonly problem: string | null;
  record(spotId: string): (Screening & { baseVersion: 0 }) | null;
}

export function useStackDraft(ground: StoredGround, US: boolean): StackInHand {
  const unit = (measure: StackDraft['measure']): string => (measure === 'mass' ? (US ? 'lb' : 'kg') : US ? 'gal' : 'L');
  const [draft, setDraft, clear] = useDraft<StackDraft>(`screens-${ground.id}`, () => ({
    measure: 'mass', way: 'wet', moisture: '', wentIn: { text: '', unit: unit('mass') }, screens: USUAL.map((name, i) => ({ key: String(i), name, shape: 'square', kept: { text: '', unit: unit('mass') } })), through: { text: '', unit: unit('mass') }, note: '',
  }));
  // Kilograms of mass, litres of volume.
  const amount = (e: Entered): Reading => {
    const r = readEntered(draft.measure === 'mass' ? 'mass' : 'volume', e);
    return r.ok && draft.measure === 'mass' ? { ok: true, value: r.value / 1e6 } : r;
  };
  const screens = draft.screens.map((s): ReadScreen => ({ draft: s, aperture: readScreenName(s.name), kept: amount(s.kept), ...readColors(s.colors ?? '') }));
  const wentIn = draft.wentIn.text.trim() === '' ? null : amount(draft.wentIn);
  const through = amount(draft.through);
  const moisture = draft.moisture.trim() === '' ? null : Number(draft.moisture);
  const wrong = screens.find((s) => !s.aperture.ok || !s.kept.ok || s.colorsProblem !== null);
  let curve: SizeCurve | null = null;
  let problem: string | null = null;
  if (moisture !== null && !(moisture >= 0 && moisture <= 100)) problem = 'Moisture is 0 to 100 %.';
  else if (!wrong && through.ok && (wentIn === null || wentIn.ok)) {
    try {
      // One moisture for all: it leaves the shares as they are and only the amounts drier.
      const dry = (v: number): number => (draft.measure === 'mass' && moisture ? dryMass(v, moisture) : v);
      curve = sizeCurve(screens.map((s) => ({ aperture_mm: s.aperture.ok ? s.aperture.mm : NaN, kept: s.kept.ok ? dry(s.kept.value) : NaN })), dry(through.value), wentIn?.ok ? dry(wentIn.value) : null);
      if (curve.closure_percent !== null && curve.closure_percent > 110) problem = 'More came out than went in: weigh again, or leave out what went in.';
    } catch (error) {
      if (!(error instanceof OutOfRange)) throw error;
      problem = error.field === 'aperture_mm' ? 'Two screens have the same opening.' : error.field === 'found again' ? 'Nothing was kept anywhere.' : error.message;
    }
  }
  return {
    draft, clear, screens, wentIn, through, curve, problem,
    change: (some) => setDraft((before) => (some.measure && some.measure !== before.measure
      ? { ...before, ...some, wentIn: { text: '', unit: unit(some.measure) }, through: { text: '', unit: unit(some.measure) }, screens: before.screens.map((s) => ({ ...s, kept: { text: '', unit: unit(some.measure ?? 'mass') } })) }
      : { ...before, ...some })),
    setScreen: (key, some) => setDraft((before) => ({ ...before, screens: before.screens.map((s) => (s.key === key ? { ...s, ...some } : s)) })),
    addScreen: () => setDraft((before) => (before.screens.length >= 12 ? before : { ...before, screens: [...before.screens, { key: uuidv7(), name: '', shape: 'square', kept: { text: '', unit: unit(before.measure) } }] })),
    removeScreen: (key) => setDraft((before) => ({ ...before, screens: before.screens.filter((s) => s.key !== key) })),
    record: (spotId) => {
      if (!curve || problem || !through.ok) return null;
      return {
        id: uuidv7(), deleted: false, groundId: ground.id, spotId, lotId: null, screenedAt: new Date().toISOString(), measure: draft.measure, way: draft.way, moisture_percent: moisture, wentIn: wentIn?.ok ? wentIn.value : null, wentInEntered: wentIn?.ok ? draft.wentIn : null,
        screens: screens.flatMap((s) => (s.aperture.ok && s.kept.ok ? [{ name: s.draft.name.trim(), aperture_mm: s.aperture.mm, shape: s.draft.shape, kept: s.kept.value, keptEntered: s.draft.kept, colors: s.colors }] : [])), through: through.value, throughEntered: draft.through, note: draft.note, baseVersion: 0,
      };
    },
  };
}

function readColors(typed: string): { colors: number | null; colorsProblem: string | null } {
  if (typed.trim() === '') return { colors: null, colorsProblem: null };
  const n = Number(typed);
  return Number.isInteger(n) && n >= 0 && n <= 100_000 ? { colors: n, colorsProblem: null } : { colors: null, colorsProblem: 'A whole number, 0 or more.' };
}

/** The curve of a screening in the book. */
export function curveOf(s: StoredScreening): SizeCurve {
  const dry = (v: number): number => (s.measure === 'mass' && s.moisture_percent ? dryMass(v, s.moisture_percent) : v);
  return sizeCurve(s.screens.map((k) => ({ aperture_mm: k.aperture_mm, kept: dry(k.kept) })), dry(s.through), s.wentIn === null ? null : dry(s.wentIn));
}
