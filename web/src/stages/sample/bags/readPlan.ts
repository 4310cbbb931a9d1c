import type { LaidOut, StoredGround } from '@riffle/contract';
import {
  bankOf,
  centreLine,
  layOut,
  OutOfRange,
  type Entered,
  type PlannedPoint,
  type SamplePattern,
} from '@riffle/core';
import { v7 as uuidv7 } from 'uuid';
import { readEntered } from '../../../units/readEntered.ts';

export interface PlanDraft {
  readonly pattern: SamplePattern['kind'];
  readonly name: string;
  readonly code: string;
  readonly from: Entered;
  readonly to: Entered;
  readonly fromBank: 'left' | 'right';
  readonly toBank: 'left' | 'right';
  readonly fromOut: Entered;
  readonly toOut: Entered;
  readonly spacing: Entered;
  readonly rows: Entered;
  readonly depth: Entered;
  readonly step: Entered;
  readonly cracks: string;
  readonly bag: Entered;
}
export type LengthField = 'from' | 'to' | 'fromOut' | 'toOut' | 'spacing' | 'rows' | 'depth' | 'step';

/** Which fields each pattern asks for. */
export const ASKED: Readonly<Record<PlanDraft['pattern'], readonly LengthField[]>> = {
  traverse: ['from', 'fromOut', 'toOut', 'spacing', 'depth'],
  grid: ['from', 'to', 'fromOut', 'toOut', 'spacing', 'rows', 'depth', 'step'],
  'test square': ['from', 'fromOut', 'depth'],
  'crevice sweep': ['from', 'to', 'fromOut'],
  'upstream series': ['from', 'to', 'spacing'],
};

/** Where a side draw joins, on the ground sampled. */
export interface Mouth {
  readonly distance_m: number;
  readonly bank: 'left' | 'right' | 'mid';
}
/** The points, as soon as all that is asked for can be read; the problem and its field otherwise. */
export interface PlanRead {
  readonly points: readonly PlannedPoint[] | null;
  readonly problem: { readonly field: string; readonly says: string } | null;
}

/** Reads a plan as it was typed. What cannot be laid out is named by its field. */
export function readPlan(d: PlanDraft, mouths: readonly Mouth[], ground_m: number): PlanRead {
  const read = (f: LengthField): number => {
    const r = readEntered('length', d[f]);
    return r.ok ? r.value : NaN;
  };
  const unread = ASKED[d.pattern].find((f) => Number.isNaN(read(f)));
  if (unread) return { points: null, problem: { field: unread, says: 'Not readable yet.' } };
  const off = ASKED[d.pattern].filter((f) => f === 'from' || f === 'to').find((f) => read(f) > ground_m);
  if (off) return { points: null, problem: { field: off, says: 'Beyond the end of this ground.' } };
  const signed = (bank: 'left' | 'right', out: number): number => (bank === 'left' ? out : -out);
  const [a, b] = [signed(d.fromBank, read('fromOut')), signed(d.toBank, read('toOut'))];
  try {
    return { points: layOut(patternOf(d, read, a, b, mouths)), problem: null };
  } catch (error) {
    if (!(error instanceof OutOfRange)) throw error;
    return {
      points: null,
      problem: {
        field:
          { spacing_m: 'spacing', rowSpacing_m: 'rows', depth_m: 'depth', step_m: 'step', cracks: 'cracks' }[
            error.field
          ] ?? 'spacing',
        says: error.message,
      },
    };
  }
}

function patternOf(
  d: PlanDraft,
  read: (f: LengthField) => number,
  a: number,
  b: number,
  mouths: readonly Mouth[],
): SamplePattern {
  switch (d.pattern) {
    case 'traverse':
      return {
        kind: 'traverse',
        from: { distance_m: read('from'), across_m: a },
        to: { distance_m: read('from'), across_m: b },
        spacing_m: read('spacing'),
        depth_m: read('depth'),
      };
    case 'grid':
      return {
        kind: 'grid',
        from: { distance_m: read('from'), across_m: a },
        to: { distance_m: read('to'), across_m: b },
        spacing_m: read('spacing'),
        rowSpacing_m: read('rows'),
        depth_m: read('depth'),
        step_m: read('step'),
      };
    case 'test square':
      return { kind: 'test square', at: { distance_m: read('from'), across_m: a }, depth_m: read('depth') };
    case 'crevice sweep':
      return {
        kind: 'crevice sweep',
        from: { distance_m: read('from'), across_m: a },
        to: { distance_m: read('to'), across_m: a },
        cracks: /^\d+$/.test(d.cracks.trim()) ? Number(d.cracks) : NaN,
      };
    case 'upstream series':
      return { kind: 'upstream series', from_m: read('from'), to_m: read('to'), spacing_m: read('spacing'), mouths };
  }
}

/** A plan as records: a spot for each point, a bag for each stretch of depth, numbered as they are walked. */
export function laidOut(
  ground: StoredGround,
  d: PlanDraft,
  points: readonly PlannedPoint[],
  bag_L: number,
  now = new Date().toISOString(),
): LaidOut {
  const centre = ground.line ? centreLine(ground.line) : null;
  const code = d.code.trim().toUpperCase();
  const name = d.name.trim() || `${d.pattern.charAt(0).toUpperCase()}${d.pattern.slice(1)} ${code}`;
  const plan = {
    id: uuidv7(),
    deleted: false,
    groundId: ground.id,
    name,
    pattern: d.pattern,
    madeAt: now,
    bag_L,
    bagEntered: d.bag,
    note: '',
    baseVersion: 0,
  };
  const kind =
    d.pattern === 'crevice sweep'
      ? 'crevice'
      : d.pattern === 'traverse'
        ? 'bar'
        : ground.kind === 'bench'
          ? 'bench'
          : 'other';
  let number = 0;
  const made = points.map((p, i) => {
    const { bank, offset_m } = bankOf(p.across_m);
    const spot = {
      id: uuidv7(),
      deleted: false,
      groundId: ground.id,
      name: points.length === 1 ? name : `${code} ${i + 1}`,
      kind,
      distance_m: p.distance_m,
      bank,
      offset_m,
      position: centre ? centre.positionAt(p.distance_m, offset_m, bank) : null,
      worksBelow_m: null,
      worksBelowEntered: null,
      samplePlanId: plan.id,
      note: '',
      baseVersion: 0,
    } as const;
    const lots = p.bags.map((b) => ({
      id: uuidv7(),
      deleted: false,
      groundId: ground.id,
      spotId: spot.id,
      tag: `${code}-${++number}`,
      layer: b.layer,
      volume_L: bag_L,
      volumeEntered: d.bag,
      screen: '',
      takenAt: now,
      state: 'planned' as const,
      place: '',
      holder: '',
      samplePlanId: plan.id,
      fromDepth_m: b.from_m,
      toDepth_m: b.to_m,
      note: '',
      baseVersion: 0,
    }));
    return { spot, lots };
  });
  return { plan, spots: made.map((m) => m.spot), lots: made.flatMap((m) => m.lots) };
}
