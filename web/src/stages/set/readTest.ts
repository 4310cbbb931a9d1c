import { NUMBERS, numberProblem, type NumberLimit, type TAIL_COLORS, type Measurement } from '@riffle/contract';
import type { Entered } from '@riffle/core';
import { readEntered, readVolume, type Reading } from '../../units/readEntered.ts';

/** A test of the box as it is typed; each kind has its own fields of it. */
export interface TestDraft {
  readonly volume: Entered;
  readonly took: Entered;
  readonly colors: (typeof TAIL_COLORS)[number];
  readonly panned: Entered;
  readonly of: 'gold' | 'lead';
  readonly size: Entered;
  readonly fed: string;
  readonly held: string;
  readonly depth: Entered;
  readonly flow: Entered;
}

export const newTest = (US: boolean, bucket: Entered, depth: Entered): TestDraft => ({
  volume: bucket,
  took: { text: '', unit: 'min' },
  colors: '0',
  panned: { text: '1', unit: 'pan' },
  of: 'gold',
  size: { text: '0.3', unit: 'mm' },
  fed: '20',
  held: '',
  depth,
  flow: { text: '', unit: US ? 'gpm' : 'L/s' },
});

/** A test that was kept, as its fields stood: what its kind does not have is left as `blank`. */
export const typedTest = (blank: TestDraft, t: Measurement): TestDraft => ({
  ...blank,
  ...FIELDS_OF[t.kind](t as never),
});
const FIELDS_OF: { readonly [K in Measurement['kind']]: (t: Extract<Measurement, { kind: K }>) => Partial<TestDraft> } =
  {
    'timed bucket': (t) => ({ volume: t.volumeEntered, took: { text: String(t.took_s), unit: 's' } }),
    'tail pan': (t) => ({ colors: t.colors, panned: t.volumeEntered }),
    tracers: (t) => ({ of: t.of, size: t.sizeEntered, fed: String(t.fed), held: String(t.held) }),
    water: (t) => ({ depth: t.depthEntered, flow: t.flowEntered }),
  };

type Field = 'volume' | 'took' | 'panned' | 'size' | 'fed' | 'held' | 'depth' | 'flow';
const NEEDED: Readonly<Record<Measurement['kind'], readonly Field[]>> = {
  'timed bucket': ['volume', 'took'],
  'tail pan': ['panned'],
  tracers: ['size', 'fed', 'held'],
  water: ['depth', 'flow'],
};

/** A reading within what the book holds, or what is wrong with it. */
function bounded(reading: Reading, limit: NumberLimit, times = 1): Reading {
  if (!reading.ok) return reading;
  const problem = numberProblem(limit, reading.value * times);
  return problem === null ? reading : { ok: false, problem };
}
function whole(text: string, limit: NumberLimit): Reading {
  const value = Number(text.trim());
  return text.trim() === '' || !Number.isInteger(value)
    ? { ok: false, problem: 'A whole number.' }
    : bounded({ ok: true, value }, limit);
}

/** The fields in numbers, and the test they make; null while one of its own cannot be read, with what is wrong. */
export function readTest(kind: Measurement['kind'], d: TestDraft, containers: Readonly<Record<string, number>>) {
  const readings: Readonly<Record<Field, Reading>> = {
    volume: bounded(readVolume(d.volume, containers), NUMBERS.bucket_L),
    took: bounded(readEntered('time', d.took), NUMBERS.cleared_s),
    panned: bounded(readVolume(d.panned, containers), NUMBERS.sampleVolume_L),
    size: bounded(readEntered('length', d.size), NUMBERS.aperture_mm, 1000),
    fed: whole(d.fed, NUMBERS.tracers),
    held: whole(d.held, NUMBERS.tracersHeld),
    depth: bounded(readEntered('length', d.depth), NUMBERS.waterDepth_m),
    flow: bounded(readEntered('flow', d.flow), NUMBERS.flow_m3_s, 1 / 1000),
  };
  const wrong = NEEDED[kind].map((field) => readings[field]).find((r) => !r.ok);
  const more = kind === 'tracers' && valueIn(readings.held) > valueIn(readings.fed);
  const problem = wrong && !wrong.ok ? wrong.problem : more ? 'No more can be found than were fed.' : null;
  return { readings, tested: problem === null ? testOf(kind, d, readings) : null, problem };
}
const valueIn = (r: Reading): number => (r.ok ? r.value : NaN);

function testOf(kind: Measurement['kind'], d: TestDraft, r: Readonly<Record<Field, Reading>>): Measurement {
  switch (kind) {
    case 'timed bucket':
      return { kind, took_s: valueIn(r.took), volume_L: valueIn(r.volume), volumeEntered: d.volume };
    case 'tail pan':
      return { kind, colors: d.colors, volume_L: valueIn(r.panned), volumeEntered: d.panned };
    case 'tracers':
      return {
        kind,
        of: d.of,
        size_mm: valueIn(r.size) * 1000,
        sizeEntered: d.size,
        fed: valueIn(r.fed),
        held: valueIn(r.held),
      };
    case 'water':
      return {
        kind,
        depth_m: valueIn(r.depth),
        depthEntered: d.depth,
        flow_m3_s: valueIn(r.flow) / 1000,
        flowEntered: d.flow,
      };
  }
}
