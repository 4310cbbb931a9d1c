import {
  type CREVICE_ROCKS,
  type CREVICE_STATES,
  NUMBERS,
  textProblems,
  TEXTS,
  type Layer,
  type Pit,
  type StoredPit,
} from '@riffle/contract';
import { liesInPit, OutOfRange, pitSum, UNITS, type Entered, type PitSum } from '@riffle/core';
import { v7 as uuidv7 } from 'uuid';
import { enterLength } from '../../../units/enterLength.ts';
import { readEntered, type Reading } from '../../../units/readEntered.ts';
import { numberTyped } from '../../../units/numberTyped.ts';

/** A pit as it is being written down. */
export type PitDraft = Omit<
  Pit,
  'id' | 'deleted' | 'groundId' | 'spotId' | 'length_m' | 'width_m' | 'waterAt_m' | 'crevice' | 'batter'
> & {
  readonly batterText: string;
  readonly waterAt: Entered;
  readonly crevice: null | {
    readonly width: Entered;
    readonly length: Entered;
    readonly depth: Entered;
    readonly strike: 'across the flow' | 'slantwise' | 'along the flow';
    readonly rock: (typeof CREVICE_ROCKS)[number] | null;
    readonly state: (typeof CREVICE_STATES)[number];
  };
};

/** What a draft comes to. */
export interface PitRead {
  readonly length: Reading;
  readonly width: Reading;
  /** Where water stands; null when nothing was typed. */
  readonly water: Reading | null;
  readonly depth_m: number;
  /** Volumes, as soon as the pit can be worked out; what stands in the way otherwise. */
  readonly sum: PitSum | null;
  readonly problem: {
    readonly field: 'area' | 'layers' | 'batter' | 'water' | 'crevice';
    readonly says: string;
  } | null;
}

/** Thinner than this a layer cannot be dragged; it can still be typed. */
export const THINNEST_M = 0.02;
const LAYER_TEXTS = { color: TEXTS.color, note: TEXTS.layerNote };
const PIT_TEXTS = { name: TEXTS.name, planned: TEXTS.planned, note: TEXTS.note };

const asEntered = (m: number, US: boolean): Entered => enterLength(m, US ? 'ft' : 'm', 2);

export const newLayer = (thickness_m: number, US: boolean, some: Partial<Layer> = {}): Layer => ({
  id: uuidv7(),
  thickness_m,
  thicknessEntered: asEntered(thickness_m, US),
  material: 'gravel',
  color: '',
  firmness: 'loose',
  moisture: 'moist',
  clay: 0,
  iron: false,
  blackSand_percent: null,
  cobbles_percent: 0,
  pay: false,
  note: '',
  ...some,
});

/** A pit nobody has told anything of yet: nothing of it is made up. */
export const newPit = (name: string, US: boolean, now = new Date().toISOString()): PitDraft => ({
  name,
  dugAt: now,
  planned: '',
  lengthEntered: { text: '', unit: US ? 'ft' : 'm' },
  widthEntered: { text: '', unit: US ? 'ft' : 'm' },
  batterText: '0',
  layers: [],
  bottom: 'not reached',
  filledIn: false,
  putBack: false,
  note: '',
  waterAt: { text: '', unit: US ? 'ft' : 'm' },
  crevice: null,
});

/** A pit of the book, to be changed. */
export const pitAsDraft = (kept: StoredPit, US: boolean): PitDraft => ({
  name: kept.name,
  dugAt: kept.dugAt,
  planned: kept.planned,
  lengthEntered: kept.lengthEntered,
  widthEntered: kept.widthEntered,
  batterText: String(kept.batter),
  layers: kept.layers,
  bottom: kept.bottom,
  filledIn: kept.filledIn,
  putBack: kept.putBack,
  note: kept.note,
  waterAt: kept.waterAt_m === null ? { text: '', unit: US ? 'ft' : 'm' } : asEntered(kept.waterAt_m, US),
  crevice: kept.crevice && {
    width: { text: String(Math.round(kept.crevice.width_m * 1000)), unit: 'mm' },
    length: asEntered(kept.crevice.length_m, US),
    depth: asEntered(kept.crevice.depth_m, US),
    strike: kept.crevice.strike,
    // A device may keep a crack from before its rock was told.
    rock: (kept.crevice as Partial<typeof kept.crevice>).rock ?? null,
    state: kept.crevice.state,
  },
});

/** Metres as typed; NaN while they cannot be read. */
const lengthOf = (e: Entered): number => {
  const r = readEntered('length', e);
  return r.ok ? r.value : NaN;
};
const batterOf = (d: PitDraft): number => (d.batterText.trim() === '' ? 0 : numberTyped(d.batterText));

/** Reads a pit as it was typed: its volumes, or what is wrong and where. It is no shallower than the deepest pan that came out of it. */
export function readPit(d: PitDraft, deepestPan_m = 0): PitRead {
  const length = readEntered('length', d.lengthEntered);
  const width = readEntered('length', d.widthEntered);
  const water = d.waterAt.text.trim() === '' ? null : readEntered('length', d.waterAt);
  const depth_m = d.layers.reduce((sum, l) => sum + l.thickness_m, 0);
  const { sum, problem } = volumesOf(d, lengthOf(d.lengthEntered), lengthOf(d.widthEntered));
  const waterProblem =
    water && !water.ok
      ? water.problem
      : water?.ok && d.layers.length > 0 && water.value > depth_m + 1e-9
        ? 'That is below the bottom of the pit.'
        : null;
  const crack = d.crevice && [d.crevice.width, d.crevice.length, d.crevice.depth].map(lengthOf);
  const creviceProblem = crack?.some((m) => !(m > 0)) ? 'A crack needs its width, length and depth.' : null;
  const tooShallow =
    !problem &&
    !creviceProblem &&
    !liesInPit(deepestPan_m, { layers: d.layers, crevice: crack && { depth_m: crack[2] ?? NaN } })
      ? 'A pan of this pit comes from deeper than this.'
      : null;
  return {
    length,
    width,
    water,
    depth_m,
    sum,
    problem:
      problem ??
      (tooShallow ? { field: 'layers', says: tooShallow } : null) ??
      (waterProblem
        ? { field: 'water', says: waterProblem }
        : creviceProblem
          ? { field: 'crevice', says: creviceProblem }
          : null),
  };
}

function volumesOf(d: PitDraft, length_m: number, width_m: number): Pick<PitRead, 'sum' | 'problem'> {
  if (d.crevice && d.layers.length === 0) return { sum: null, problem: null };
  try {
    return { sum: pitSum({ length_m, width_m, batter: batterOf(d) }, d.layers), problem: null };
  } catch (error) {
    if (!(error instanceof OutOfRange)) throw error;
    const field =
      error.field === 'batter'
        ? 'batter'
        : error.field === 'layers' || error.field === 'thickness_m'
          ? 'layers'
          : 'area';
    return {
      sum: null,
      problem: {
        field,
        says:
          error.field === 'layers'
            ? 'A pit has at least one layer.'
            : error.field === 'batter'
              ? 'The walls meet before the bottom: lean them less, or open the pit wider.'
              : error.message,
      },
    };
  }
}

/** A layer as it is put in before it is measured: the usual spade's depth, in a unit one types in two keys. Common practice, no source. */
const UNMEASURED_M = 0.2;

/** A new layer of a material, not measured yet. */
export const unmeasured = (material: Layer['material'], US: boolean): Layer =>
  newLayer(UNMEASURED_M, US, {
    material,
    thicknessEntered: US ? { text: '8', unit: 'in' } : { text: '20', unit: 'cm' },
    thickness_m: US ? 8 * UNITS.length.in : UNMEASURED_M,
    iron: material === 'iron gravel',
  });

/** Layers with one more: below another, or on top of all (`below` null). */
export function withLayer(layers: readonly Layer[], layer: Layer, below: string | null): readonly Layer[] {
  const at = below === null ? 0 : layers.findIndex((l) => l.id === below) + 1;
  return [...layers.slice(0, at), layer, ...layers.slice(at)];
}

/** Layers after the bottom of one was moved: the next one gives or takes, the last one deepens the pit. Whole centimeters. */
export function moveBottom(before: readonly Layer[], index: number, bottom_m: number, US: boolean): readonly Layer[] {
  const layers = [...before];
  const top = layers.slice(0, index).reduce((t, l) => t + l.thickness_m, 0);
  const [here, next] = [layers[index], layers[index + 1]];
  if (!here) return before;
  const lowest = next
    ? top + here.thickness_m + next.thickness_m - THINNEST_M
    : NUMBERS.depth_m.most - (before.length - index) * THINNEST_M;
  const bottom = Math.round(Math.min(lowest, Math.max(top + THINNEST_M, bottom_m)) * 100) / 100;
  const moved = bottom - (top + here.thickness_m);
  layers[index] = { ...here, thickness_m: bottom - top, thicknessEntered: asEntered(bottom - top, US) };
  if (next)
    layers[index + 1] = {
      ...next,
      thickness_m: next.thickness_m - moved,
      thicknessEntered: asEntered(next.thickness_m - moved, US),
    };
  return layers;
}

/** The record to keep, new or in place of an old one; null while something is missing or wrong. */
export function pitRecord(
  d: PitDraft,
  groundId: string,
  spotId: string,
  old: StoredPit | null,
  deepestPan_m = 0,
): (Pit & { baseVersion: number }) | null {
  const { length: dugLong, width: dugWide, water, problem } = readPit(d, deepestPan_m);
  // A crack without layers is as long and as wide as the crack.
  const crack = d.layers.length === 0 ? d.crevice : null;
  const lengthEntered = crack?.length ?? d.lengthEntered;
  const widthEntered = crack?.width ?? d.widthEntered;
  const [length, width] = crack
    ? ([lengthEntered, widthEntered].map((e) => readEntered('length', e)) as [Reading, Reading])
    : [dugLong, dugWide];
  const wrong = {
    ...textProblems(PIT_TEXTS, d),
    ...d.layers.map((l) => textProblems(LAYER_TEXTS, l)).find((w) => Object.keys(w).length > 0),
  };
  if (problem || !length.ok || !width.ok || Object.keys(wrong).length > 0) return null;
  const { batterText, waterAt, crevice: said, ...rest } = d;
  return {
    ...rest,
    id: old?.id ?? uuidv7(),
    deleted: false,
    groundId,
    spotId,
    name: d.name.trim(),
    planned: d.planned.trim(),
    length_m: length.value,
    lengthEntered,
    width_m: width.value,
    widthEntered,
    batter: batterOf(d),
    waterAt_m: water?.ok ? water.value : null,
    crevice: said && {
      width_m: lengthOf(said.width),
      length_m: lengthOf(said.length),
      depth_m: lengthOf(said.depth),
      strike: said.strike,
      rock: said.rock,
      state: said.state,
    },
    baseVersion: old?.version ?? 0,
  };
}

/** A pit found to be a crack in the rock: the crack measured as cracks usually are, to be set right, and no layers. */
export const asCrevice = (d: PitDraft): Pick<PitDraft, 'crevice' | 'layers' | 'name'> => ({
  crevice: {
    width: { text: '4', unit: 'cm' },
    length: { text: '2', unit: 'm' },
    depth: { text: '30', unit: 'cm' },
    strike: 'across the flow',
    rock: null,
    state: 'found',
  },
  layers: [],
  name: d.name.replace(/^Pit/, 'Crack'),
});
