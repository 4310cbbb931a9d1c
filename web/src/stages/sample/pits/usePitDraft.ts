import { type Layer, type Pit, type StoredGround, type StoredPit } from '@riffle/contract';
import { OutOfRange, pitSum, type Entered, type PitSum } from '@riffle/core';
import { useMemo } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { readEntered, type Reading } from '../../../units/readEntered.ts';
import { useDraft } from '../../../ui/useDraft.ts';

export type PitDraft = Omit<Pit, 'id' | 'deleted' | 'groundId' | 'spotId' | 'length_m' | 'width_m' | 'waterAt_m' | 'crevice' | 'batter'> & {
  readonly batterText: string;
  readonly waterAt: Entered;
  readonly crevice: null | { readonly width: Entered; readonly length: Entered; readonly depth: Entered; readonly strike: 'across the flow' | 'slantwise' | 'along the flow'; readonly state: 'found' | 'part cleaned' | 'frozen' | 'cleaned out' };
};

export interface PitInHand {
  readonly draft: PitDraft;
  readonly change: (some: Partial<PitDraft>) => void;
  readonly clear: () => void;
  readonly length: Reading;
  readonly width: Reading;
  /** Where water stands; null when nothing was typed. */
  readonly water: Reading | null;
  readonly depth_m: number;
  /** Volumes, as soon as the pit can be worked out; what stands in the way otherwise. */
  readonly sum: PitSum | null;
  readonly problem: { readonly field: 'area' | 'layers' | 'batter' | 'water' | 'crevice'; readonly says: string } | null;
  setLayer(id: string, some: Partial<Layer>): void;
  readonly addLayer: () => void;
  removeLayer(id: string): void;
  /** Moves the bottom of a layer; the next one gives or takes, the last one deepens the pit. */
  readonly moveBottom: (index: number, bottom_m: number) => void;
  record(spotId: string, kept: StoredPit | null): (Pit & { baseVersion: number }) | null;
}

/** Thinner than this a layer cannot be dragged; it can still be typed. */
export const THINNEST_M = 0.02;

const asEntered = (m: number, US: boolean): Entered => (US ? { text: String(Math.round((m / 0.3048) * 100) / 100), unit: 'ft' } : { text: String(Math.round(m * 100) / 100), unit: 'm' });

export function usePitDraft(ground: StoredGround, kept: StoredPit | null, name: string, US: boolean): PitInHand {
  const newLayer = (thickness_m: number, some: Partial<Layer> = {}): Layer => ({ id: uuidv7(), thickness_m, thicknessEntered: asEntered(thickness_m, US), material: 'gravel', color: '', firmness: 'loose', moisture: 'moist', clay: 0, iron: false, cobbles_percent: 0, pay: false, note: '', ...some });
  const [draft, setDraft, clear] = useDraft<PitDraft>(`pit-${ground.id}-${kept?.id ?? 'new'}-${kept?.version ?? 0}`, () => (kept
    ? {
      name: kept.name, dugAt: kept.dugAt, planned: kept.planned, lengthEntered: kept.lengthEntered, widthEntered: kept.widthEntered, batterText: String(kept.batter), layers: kept.layers, bottom: kept.bottom, filledIn: kept.filledIn, putBack: kept.putBack, note: kept.note,
      waterAt: kept.waterAt_m === null ? { text: '', unit: US ? 'ft' : 'm' } : asEntered(kept.waterAt_m, US),
      crevice: kept.crevice && { width: { text: String(Math.round(kept.crevice.width_m * 1000)), unit: 'mm' }, length: asEntered(kept.crevice.length_m, US), depth: asEntered(kept.crevice.depth_m, US), strike: kept.crevice.strike, state: kept.crevice.state },
    }
    : {
      name, dugAt: new Date().toISOString(), planned: '1 m square', lengthEntered: { text: '1', unit: 'm' }, widthEntered: { text: '1', unit: 'm' }, batterText: '0', layers: [newLayer(0.3, { material: 'silt' }), newLayer(0.4), newLayer(0.2, { material: 'iron gravel', firmness: 'firm', iron: true, pay: true })],
      bottom: 'not reached', filledIn: false, putBack: false, note: '', waterAt: { text: '', unit: US ? 'ft' : 'm' }, crevice: null,
    }));
  const change = (some: Partial<PitDraft>): void => setDraft((before) => ({ ...before, ...some }));
  const length = readEntered('length', draft.lengthEntered);
  const width = readEntered('length', draft.widthEntered);
  const water = draft.waterAt.text.trim() === '' ? null : readEntered('length', draft.waterAt);
  const depth_m = draft.layers.reduce((sum, l) => sum + l.thickness_m, 0);
  const batter = draft.batterText.trim() === '' ? 0 : Number(draft.batterText);
  const crevice = draft.crevice && { width: readEntered('length', draft.crevice.width), length: readEntered('length', draft.crevice.length), depth: readEntered('length', draft.crevice.depth) };
  const [length_m, width_m] = [length.ok ? length.value : NaN, width.ok ? width.value : NaN];
  const { sum, problem } = useMemo((): Pick<PitInHand, 'sum' | 'problem'> => {
    if (draft.crevice && draft.layers.length === 0) return { sum: null, problem: null };
    try {
      return { sum: pitSum({ length_m, width_m, batter }, draft.layers), problem: null };
    } catch (error) {
      if (!(error instanceof OutOfRange)) throw error;
      const field = error.field === 'batter' ? 'batter' : error.field === 'layers' || error.field === 'thickness_m' ? 'layers' : 'area';
      return { sum: null, problem: { field, says: error.field === 'layers' ? 'A pit has at least one layer.' : error.field === 'batter' ? 'The walls meet before the bottom: lean them less, or open the pit wider.' : error.message } };
    }
  }, [length_m, width_m, batter, draft.layers, draft.crevice]);
  const waterProblem = water && !water.ok ? water.problem : water?.ok && draft.layers.length > 0 && water.value > depth_m + 1e-9 ? 'That is below the bottom of the pit.' : null;
  const creviceProblem = crevice && [crevice.width, crevice.length, crevice.depth].some((r) => !r.ok || !(r.value > 0)) ? 'A crack needs its width, length and depth.' : null;
  const whole = problem ?? (waterProblem ? { field: 'water' as const, says: waterProblem } : creviceProblem ? { field: 'crevice' as const, says: creviceProblem } : null);

  return {
    draft, change, clear, length, width, water, depth_m, sum, problem: whole,
    setLayer: (id, some) => setDraft((before) => ({ ...before, layers: before.layers.map((l) => (l.id === id ? { ...l, ...some } : l)) })),
    addLayer: () => setDraft((before) => ({ ...before, layers: before.layers.length >= 20 ? before.layers : [...before.layers, newLayer(0.2)] })),
    removeLayer: (id) => setDraft((before) => ({ ...before, layers: before.layers.filter((l) => l.id !== id) })),
    moveBottom: (index, bottom_m) => setDraft((before) => {
      const layers = [...before.layers];
      const top = layers.slice(0, index).reduce((t, l) => t + l.thickness_m, 0);
      const [here, next] = [layers[index], layers[index + 1]];
      if (!here) return before;
      const lowest = next ? top + here.thickness_m + next.thickness_m - THINNEST_M : 30 - (before.layers.length - index) * THINNEST_M;
      const bottom = Math.round(Math.min(lowest, Math.max(top + THINNEST_M, bottom_m)) * 100) / 100;
      const moved = bottom - (top + here.thickness_m);
      layers[index] = { ...here, thickness_m: bottom - top, thicknessEntered: asEntered(bottom - top, US) };
      if (next) layers[index + 1] = { ...next, thickness_m: next.thickness_m - moved, thicknessEntered: asEntered(next.thickness_m - moved, US) };
      return { ...before, layers };
    }),
    record: (spotId, old) => {
      if (whole || !length.ok || !width.ok || draft.name.trim() === '') return null;
      const { batterText, waterAt, crevice: said, ...rest } = draft;
      void waterAt;
      return {
        ...rest, id: old?.id ?? uuidv7(), deleted: false, groundId: ground.id, spotId, name: draft.name.trim().slice(0, 80), planned: draft.planned.slice(0, 60), length_m: length.value, width_m: width.value, batter: batterText.trim() === '' ? 0 : batter, waterAt_m: water?.ok ? water.value : null,
        crevice: said && crevice?.width.ok && crevice.length.ok && crevice.depth.ok ? { width_m: crevice.width.value, length_m: crevice.length.value, depth_m: crevice.depth.value, strike: said.strike, state: said.state } : null,
        baseVersion: old?.version ?? 0,
      };
    },
  };
}
