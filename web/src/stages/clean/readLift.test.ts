import { describe, expect, test } from '@jest/globals';
import type { StoredCleanup, Tub } from '@riffle/contract';
import { expectedInTubs, leakPointsOf, openLifts } from '../../box/openLifts.ts';
import { carpets } from './carpets.ts';
import { freeTags, sectionsFromTubs, tagProblem, tubsOf, type TubDraft } from './readLift.ts';

const draft = (name: string, to: string, tag: string): TubDraft => ({
  section: { key: name, name, to: { text: to, unit: 'mm' }, gold: { text: '', unit: 'mg' }, lining: 'riffles' },
  tag,
});
const three = [draft('head', '200', '1'), draft('middle', '500', '2'), draft('tail', '1200', '3')];

describe('a box lifted into tubs', () => {
  test('numbers come from those no tub standing has', () => {
    expect(freeTags(3, ['1', '3', 'red'])).toEqual(['2', '4', '5']);
    expect(tagProblem(' ', [' '])).toBe('Give the tub a number.');
    expect(tagProblem('4', ['4', '4 '])).toBe('Another tub has this number.');
    expect(tagProblem('4', ['4', '5'])).toBeNull();
  });
  test('a tub for each section, or all in the first; none where an end cannot be read', () => {
    expect(tubsOf(three, false)?.map((t) => [t.tag, t.from_m, t.to_m])).toEqual([
      ['1', 0, 0.2],
      ['2', 0.2, 0.5],
      ['3', 0.5, 1.2],
    ]);
    expect(tubsOf(three, true)).toMatchObject([{ tag: '1', name: 'the whole box', from_m: 0, to_m: 1.2 }]);
    expect(tubsOf([draft('head', 'two hands', '1')], false)).toBeNull();
  });
  test('a lost tub leaves its stretch out of what is weighed', () => {
    const tubs = (tubsOf(three, false) ?? []).map((t, i): Tub => ({ ...t, lost: i === 1 }));
    expect(sectionsFromTubs({ tubs }, 'mg')).toMatchObject([
      { name: 'head, tub 1', to: { text: '200' } },
      { name: 'tail, tub 3', to: { text: '1200' }, from_m: 0.5 },
    ]);
  });
  test('where it hides gold: its own list, or the usual places', () => {
    expect(leakPointsOf({ leakPoints: ['the bolted joint'] })).toEqual(['the bolted joint']);
    expect(leakPointsOf({ leakPoints: [] })).toContain('under the mat');
    expect(leakPointsOf(undefined).length).toBeGreaterThan(2);
  });
});

describe('what stands in tubs', () => {
  const run = (id: string, loose_L: number) => ({ id, tally: { volumeLoose_L: loose_L } }) as never;
  const lift = (id: string, liftedAt: string, ...runIds: string[]) => ({ id, liftedAt, runIds, tubs: [] }) as never;
  const said = (low_mg: number, high_mg: number, ...runIds: string[]) =>
    ({ runIds, volumeBank_L: 100, sealedAt: '2026-05-01', all: { low_mg, high_mg } }) as never;
  const behind = {
    lifts: [lift('later', '2026-05-03', 'c'), lift('first', '2026-05-01', 'a'), lift('weighed', '2026-05-02', 'b')],
    runs: [run('a', 118), run('b', 118), run('c', 118)],
    cleanups: [{ runIds: ['b'] }],
    forecasts: [said(40, 90, 'a'), said(10, 30, 'c')],
  };
  test('until its runs are weighed, the oldest first, with what was said of it', () => {
    const open = openLifts(behind, 18);
    expect(open.map((l) => [l.lift.id, l.volumeBank_L, l.forecast?.all.low_mg])).toEqual([
      ['first', 100, 40],
      ['later', 100, 10],
    ]);
    expect(expectedInTubs(open)).toEqual({ low_mg: 50, high_mg: 120 });
  });
  test('nothing is expected where of one nothing was said, or none stands', () => {
    expect(expectedInTubs(openLifts({ ...behind, forecasts: [said(40, 90, 'a')] }, 18))).toBeNull();
    expect(expectedInTubs([])).toBeNull();
  });
});

test('a carpet holds what its box was fed since it was last rinsed clean, on any ground', () => {
  const cleanup = (id: string, day: number, rinsedClean: string, runIds: string[], rinseOutOf: string[] = []) =>
    ({ id, groundId: `g-${id}`, cleanedAt: `2026-05-0${day}`, rinsedClean, runIds, rinseOutOf }) as StoredCleanup;
  const runs = ['a', 'b', 'c', 'd'].map((id) => ({ id, setupId: id === 'd' ? 'other' : 'set' }));
  const setups = [
    { id: 'set', rigId: 'long' },
    { id: 'other', rigId: 'short' },
  ];
  const list = [
    cleanup('1', 1, 'yes', ['a']),
    cleanup('2', 2, 'no', ['b']),
    cleanup('3', 3, 'unknown', ['c']),
    cleanup('4', 4, 'yes', ['d']),
  ];
  const ids = (cleanups: StoredCleanup[]) =>
    carpets(cleanups, runs, setups).map((c) => [c.rigId, c.cleanups.map((one) => one.id).join()]);
  expect(ids(list)).toEqual([
    ['long', '2,3'],
    ['short', '4'],
  ]);
  // Once it was rinsed out, only the last is left to ask about.
  expect(ids([...list, cleanup('5', 5, 'yes', [], ['2', '3'])])[0]).toEqual(['long', '3']);
});
