import { describe, expect, test } from '@jest/globals';
import type { StoredBoxTest, StoredCleanup, StoredRig, StoredRun, StoredSetup } from '@riffle/contract';
import { USUAL_MIX } from '@riffle/core';
import type { BoxBook } from './boxEvidence.ts';
import { washerEvidenceOf } from './washerEvidence.ts';

const rig = {
  id: 'w',
  sections: [{ lining: 'riffles', own: null, width_m: 0.3, length_m: 0.76, step_m: 0 }],
  washer: {
    riffle_m: 0.012,
    spacing_m: 0.09,
    cloth: 'usual',
    drive: { kind: 'bellows', stroke_L: 6.5, motor: null },
    battery: null,
  },
} as unknown as StoredRig;
const setup = (id: string, pass: number): StoredSetup =>
  ({
    id,
    rigId: 'w',
    spotId: 'step',
    slope: 0.15,
    depth_m: null,
    flow_m3_s: null,
    stone_m: 0.006,
    temperature_C: 30,
    air: { drive: { kind: 'bellows', puffs_min: 260 }, altitude_m: 0, squeeze: 'dusts', isClayey: false, pass },
  }) as never;
const run = (id: string, setupId: string, volumeLoose_L: number, spotId = 'step'): StoredRun =>
  ({
    id,
    setupId,
    spotId,
    startedAt: '2026-06-01T08:00:00.000Z',
    tally: { volumeLoose_L, running_s: 7200, bySpot_L: { [spotId]: volumeLoose_L } },
  }) as never;
const cleanup = (runId: string, day: number, gold_mg: number, some: object = {}): StoredCleanup =>
  ({
    id: `of ${runId}`,
    runIds: [runId],
    cleanedAt: `2026-06-0${day}T18:00:00.000Z`,
    rinsedClean: 'yes',
    sections: [{ name: 'tray', from_m: 0, to_m: 0.76, gold_mg, colors: null, bySize: [] }],
    ...some,
  }) as never;
const book = (some: Partial<BoxBook>): BoxBook => ({
  rigs: [rig],
  setups: [setup('first', 1), setup('again', 2)],
  runs: [],
  lifts: [],
  cleanups: [],
  tests: [],
  swell_percent: 20,
  gold: USUAL_MIX,
  luck_mg: 0.1,
  gradesOf: () => [],
  ...some,
});
const passes = (again_L: number, some: { readonly from?: string; readonly cleaned?: object } = {}) =>
  washerEvidenceOf(
    book({
      runs: [run('a', 'first', 260), run('b', 'again', again_L, some.from)],
      cleanups: [cleanup('a', 1, 90, some.cleaned), cleanup('b', 2, 9)],
    }),
    'w',
  )
    .filter((e) => e.what === 'passes')
    .map((e) => e.evidence?.kind === 'passes' && e.evidence.gold_mg);

describe('what was measured at a dry washer', () => {
  test('tailings run again are held against their first pass, by as much of it as was run again', () => {
    expect(passes(240)).toEqual([[90, 9]]);
    // A half of the heap: a half of the first pass' gold came out of it.
    expect(passes(130)).toEqual([[45, 9]]);
  });
  test('more than there was is other gravel besides, a handful tells nothing, another spot neither', () => {
    expect(passes(400)).toEqual([]);
    expect(passes(20)).toEqual([]);
    expect(passes(240, { from: 'other' })).toEqual([]);
  });
  test('a first pass out of a tray that was not cleaned says nothing', () => {
    expect(passes(240, { cleaned: { rinsedClean: 'no' } })).toEqual([]);
  });
  test('a clean-up in stretches is evidence, of one stretch and of a second pass it is none', () => {
    const stretches = [
      { name: 'head', from_m: 0, to_m: 0.3, gold_mg: 80, colors: null, bySize: [] },
      { name: 'rest', from_m: 0.3, to_m: 0.76, gold_mg: 10, colors: null, bySize: [] },
    ];
    const kinds = (setupId: string, sections?: object): string[] =>
      washerEvidenceOf(book({ runs: [run('a', setupId, 260)], cleanups: [cleanup('a', 1, 90, sections)] }), 'w').map(
        (e) => e.what,
      );
    expect(kinds('first', { sections: stretches })).toEqual(['clean-up']);
    expect(kinds('first')).toEqual([]);
    expect(kinds('again', { sections: stretches })).toEqual([]);
  });
  test('a tail pan speaks by the grades of the ground that was fed; of ground nobody panned it is kept and says nothing', () => {
    const tail = (gradesOf: BoxBook['gradesOf']) =>
      washerEvidenceOf(
        book({
          runs: [run('a', 'first', 260)],
          gradesOf,
          tests: [
            {
              id: 't',
              setupId: 'first',
              testedAt: '2026-06-01T10:00:00.000Z',
              tested: { kind: 'tail pan', colors: '1-2', volume_L: 6 },
            } as unknown as StoredBoxTest,
          ],
        }),
        'w',
      ).map((e) => [e.what, e.evidence]);
    expect(tail(() => [])).toEqual([['tail pan', null]]);
    expect(tail((spotId) => (spotId === 'step' ? [0.4, 0.6] : []))).toEqual([
      ['tail pan', expect.objectContaining({ atLeast: 1, atMost: 2, bank_L: 5, grades_mg_L: [0.4, 0.6] })],
    ]);
  });
  test('another rig’s work, and one whose set-up is not here, is none of it', () => {
    const runs = [run('a', 'first', 260)];
    expect(washerEvidenceOf(book({ runs, cleanups: [cleanup('a', 1, 90)] }), 'other')).toEqual([]);
    expect(washerEvidenceOf(book({ runs, cleanups: [cleanup('gone', 1, 90)] }), 'w')).toEqual([]);
  });
});
