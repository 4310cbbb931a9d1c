import {
  convert,
  flowByBucket_m3_s,
  flowByFloat_m3_s,
  flowByNotch_m3_s,
  HOSE_ROUGHNESS_M,
  minorLossOf,
  OutOfRange,
  pumpThrough,
  wingDam_m3_s,
  type Entered,
  type ValveOpen,
} from '@riffle/core';
import { readEntered, readVolume, valueOf, type Reading } from '../../units/readEntered.ts';

export type FlowWay = 'float' | 'bucket' | 'notch' | 'pump';

/** A measured flow as it is typed; each way has its own fields of it. */
export interface FlowDraft {
  readonly way: FlowWay;
  readonly run: Entered;
  readonly width: Entered;
  readonly depth: Entered;
  /** How far a wing dam reaches out; empty: none. */
  readonly dam: Entered;
  readonly bucket: Entered;
  /** Height of the water over the point of a notch. */
  readonly notch: Entered;
  /** Times taken, of the float and of the bucket. */
  readonly times_s: Readonly<Record<'float' | 'bucket', readonly number[]>>;
  readonly most: Entered;
  readonly shutOff: Entered;
  readonly lift: Entered;
  readonly hose: Entered;
  readonly hoseLength: Entered;
  readonly bends: string;
  readonly valve: ValveOpen;
}

export const newFlow = (US: boolean): FlowDraft => ({
  way: 'float',
  run: { text: '', unit: US ? 'ft' : 'm' },
  width: { text: '', unit: US ? 'in' : 'cm' },
  depth: { text: '', unit: US ? 'in' : 'cm' },
  dam: { text: '', unit: US ? 'in' : 'cm' },
  bucket: { text: '1', unit: 'bucket' },
  notch: { text: '', unit: US ? 'in' : 'mm' },
  times_s: { float: [], bucket: [] },
  most: { text: '', unit: US ? 'gpm' : 'L/min' },
  shutOff: { text: '', unit: US ? 'ft' : 'm' },
  lift: { text: '', unit: US ? 'ft' : 'm' },
  hose: { text: '2', unit: 'in' },
  hoseLength: { text: '', unit: US ? 'ft' : 'm' },
  bends: '2',
  valve: 'open',
});

type Field =
  | 'run'
  | 'width'
  | 'depth'
  | 'dam'
  | 'bucket'
  | 'notch'
  | 'most'
  | 'shutOff'
  | 'lift'
  | 'hose'
  | 'hoseLength'
  | 'bends';
export type FlowReadings = Readonly<Record<Field, Reading>>;
export interface FlowRead {
  readonly readings: FlowReadings;
  /** What was measured: all of the creek, or what comes into the box; null until it can be said. */
  readonly flow_m3_s: number | null;
  /** Of it a wing dam sends so much down its side; null where none is typed. */
  readonly dam: { readonly low: number; readonly high: number } | null;
  /** Head the hose takes, of all the pump gives, m; null for the other ways. */
  readonly pumped: { readonly head_m: number; readonly frictionLoss_m: number } | null;
  readonly problem: string | null;
}

/** The fields in numbers, and what they come to. */
export function readFlow(d: FlowDraft, temperature_C: number, containers: Readonly<Record<string, number>>): FlowRead {
  const bends = Number(d.bends.trim());
  const readings: FlowReadings = {
    run: readEntered('length', d.run),
    width: readEntered('length', d.width),
    depth: readEntered('length', d.depth),
    dam: d.dam.text.trim() === '' ? { ok: true, value: 0 } : readEntered('length', d.dam),
    bucket: readVolume(d.bucket, containers),
    notch: readEntered('length', d.notch),
    most: readEntered('flow', d.most),
    shutOff: readEntered('length', d.shutOff),
    lift: readEntered('length', d.lift),
    hose: readEntered('length', d.hose),
    hoseLength: readEntered('length', d.hoseLength),
    bends:
      d.bends.trim() !== '' && Number.isInteger(bends) && bends >= 0 && bends <= 50
        ? { ok: true, value: bends }
        : { ok: false, problem: 'A whole number.' },
  };
  const none: FlowRead = { readings, flow_m3_s: null, dam: null, pumped: null, problem: null };
  try {
    return { ...none, ...FLOWS[d.way](d, readings, temperature_C) };
  } catch (error) {
    if (error instanceof OutOfRange) return { ...none, problem: SAYS[error.field] ?? error.message };
    throw error;
  }
}

const SAYS: Readonly<Record<string, string>> = {
  reach_m: 'A dam reaches no farther than the creek is wide.',
  lift_m: 'No pump lifts water so high.',
  head_m: 'A notch tells from 30 to 600 mm of water over its point.',
};
const meanOf = (times_s: readonly number[]): number | null =>
  times_s.length === 0 ? null : times_s.reduce((a, b) => a + b, 0) / times_s.length;

type Found = Partial<Pick<FlowRead, 'flow_m3_s' | 'dam' | 'pumped' | 'problem'>>;
const FLOWS: Readonly<Record<FlowWay, (d: FlowDraft, r: FlowReadings, temperature_C: number) => Found>> = {
  float: (d, r) => {
    const [run, width, depth, mean_s] = [valueOf(r.run), valueOf(r.width), valueOf(r.depth), meanOf(d.times_s.float)];
    if (!run || !width || !depth || !mean_s) return {};
    const flow_m3_s = flowByFloat_m3_s(run, mean_s, width, depth);
    const reach = valueOf(r.dam);
    return { flow_m3_s, dam: reach ? wingDam_m3_s(flow_m3_s, width, reach) : null };
  },
  bucket: (d, r) => {
    const volume = valueOf(r.bucket);
    return volume && d.times_s.bucket.length > 0 ? { flow_m3_s: flowByBucket_m3_s(volume, d.times_s.bucket) } : {};
  },
  notch: (_, r) => {
    const head_m = valueOf(r.notch);
    return head_m ? { flow_m3_s: flowByNotch_m3_s(head_m) } : {};
  },
  pump: (d, r, temperature_C) => {
    const [most, shutOff, lift, hose, length] = [r.most, r.shutOff, r.lift, r.hose, r.hoseLength].map(valueOf);
    if (!most || !shutOff || lift === null || lift === undefined || !hose || !length || !r.bends.ok) return {};
    const pumped = pumpThrough(
      { shutOffHead_m: shutOff, mostFlow_m3_s: most / 1000 },
      {
        diameter_m: hose,
        length_m: length,
        roughness_m: HOSE_ROUGHNESS_M,
        minorLoss: minorLossOf(r.bends.value, d.valve),
      },
      lift,
      temperature_C,
    );
    return pumped.flow_m3_s > 0
      ? { flow_m3_s: pumped.flow_m3_s, pumped }
      : { problem: 'Nothing comes: it lifts no higher than that.' };
  },
};

/** A flow as a field of it is typed. */
export const flowText = (flow_m3_s: number, US: boolean): Entered =>
  US
    ? { text: convert('flow', flow_m3_s, 'm3/s', 'gpm').toFixed(1), unit: 'gpm' }
    : { text: (flow_m3_s * 1000).toFixed(2), unit: 'L/s' };
