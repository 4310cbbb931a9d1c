import { describe, expect, test } from '@jest/globals';
import type { StoredGround } from '@riffle/contract';
import { centreLine } from '@riffle/core';
import { laidOut, readPlan, type PlanDraft } from './readPlan.ts';

const m = (text: string, unit = 'm') => ({ text, unit });
const draft = (some: Partial<PlanDraft> = {}): PlanDraft => ({
  pattern: 'traverse',
  name: '',
  code: 'q',
  from: m('400'),
  to: m('440'),
  fromBank: 'right',
  toBank: 'left',
  fromOut: m('4'),
  toOut: m('4'),
  spacing: m('2'),
  rows: m('10'),
  depth: m('0.3'),
  step: m('0.3'),
  cracks: '6',
  bag: m('2', 'pan'),
  ...some,
});
const ground = {
  id: 'g',
  kind: 'creek',
  length_m: 1000,
  line: [
    [-33, 46.5],
    [-33, 46.509],
  ],
} as unknown as StoredGround;

describe('a plan as it was typed', () => {
  test('a traverse runs from bank to bank at one distance', () => {
    const { points } = readPlan(draft(), [], 1000);
    expect(points?.map((p) => [p.distance_m, p.across_m])).toEqual([
      [400, -4],
      [400, -2],
      [400, 0],
      [400, 2],
      [400, 4],
    ]);
  });
  test('feet and fractions are read, and the banks turn it round', () => {
    const { points } = readPlan(
      draft({
        from: m('1000', 'ft'),
        fromOut: m('6 1/2', 'ft'),
        toOut: m('6.5', 'ft'),
        spacing: m('13', 'ft'),
        fromBank: 'left',
        toBank: 'right',
      }),
      [],
      1000,
    );
    expect(points?.map((p) => [p.distance_m, p.across_m])).toEqual([
      [expect.closeTo(304.8, 6), expect.closeTo(1.9812, 4)],
      [expect.closeTo(304.8, 6), expect.closeTo(-1.9812, 4)],
    ]);
  });
  test('a grid has a bag for each step down', () => {
    const { points } = readPlan(draft({ pattern: 'grid', spacing: m('4'), rows: m('20'), depth: m('0.9') }), [], 1000);
    expect(points).toHaveLength(9);
    expect(points?.every((p) => p.bags.length === 3)).toBe(true);
  });
  test('a series brackets the mouths of side draws', () => {
    const { points } = readPlan(
      draft({ pattern: 'upstream series', from: m('100'), to: m('500'), spacing: m('200') }),
      [{ distance_m: 240, bank: 'left' }],
      1000,
    );
    const places = points?.map((p) => p.distance_m) ?? [];
    expect(places.some((d) => d < 240 && d > 200)).toBe(true);
    expect(places.some((d) => d > 240 && d < 300)).toBe(true);
  });
  test.each([
    [{ from: m('') }, 'from', /Not readable/],
    [{ from: m('far') }, 'from', /Not readable/],
    [{ from: m('1200') }, 'from', /Beyond the end/],
    [{ pattern: 'grid' as const, to: m('4000') }, 'to', /Beyond/],
    [{ spacing: m('0') }, 'spacing', /./],
    [{ pattern: 'grid' as const, rows: m('0') }, 'rows', /./],
    [{ depth: m('40') }, 'depth', /./],
    [{ pattern: 'crevice sweep' as const, cracks: 'some' }, 'cracks', /./],
    [{ pattern: 'crevice sweep' as const, cracks: '2.5' }, 'cracks', /./],
  ])('%j is refused at its field', (some, field, says) => {
    const read = readPlan(draft(some), [], 1000);
    expect(read.points).toBeNull();
    expect(read.problem).toEqual({ field, says: expect.stringMatching(says) });
  });
  test('a field the pattern does not ask for is not looked at', () =>
    expect(readPlan(draft({ rows: m('nonsense'), to: m('9999') }), [], 1000).problem).toBeNull());
});

describe('a plan as records', () => {
  const made = (some: Partial<PlanDraft> = {}) => {
    const d = draft(some);
    return laidOut(ground, d, readPlan(d, [], 1000).points ?? [], 9.5, '2026-05-01T08:00:00.000Z');
  };
  test('a spot for each point with its place on the map, a bag each, numbered as they are walked', () => {
    const { plan, spots, lots } = made();
    expect(plan).toMatchObject({
      name: 'Traverse Q',
      pattern: 'traverse',
      groundId: 'g',
      madeAt: '2026-05-01T08:00:00.000Z',
    });
    expect(spots.map((s) => [s.name, s.bank, s.offset_m, s.kind])).toEqual([
      ['Q 1', 'right', 4, 'bar'],
      ['Q 2', 'right', 2, 'bar'],
      ['Q 3', expect.any(String), 0, 'bar'],
      ['Q 4', 'left', 2, 'bar'],
      ['Q 5', 'left', 4, 'bar'],
    ]);
    expect(lots.map((l) => l.tag)).toEqual(['Q-1', 'Q-2', 'Q-3', 'Q-4', 'Q-5']);
    expect(
      spots.every((s, i) => s.samplePlanId === plan.id && lots[i]?.spotId === s.id && lots[i]?.state === 'planned'),
    ).toBe(true);
    const back = centreLine(ground.line ?? []).locate(spots[0]?.position as [number, number]);
    expect([back.distance_m, back.bank, back.offset_m]).toEqual([
      expect.closeTo(400, 0),
      'right',
      expect.closeTo(4, 1),
    ]);
  });
  test('one point is named for its plan; a grid numbers its bags down before it goes on', () => {
    expect(made({ pattern: 'test square', name: 'By the oak' }).spots.map((s) => s.name)).toEqual(['By the oak']);
    const { lots } = made({ pattern: 'grid', spacing: m('8'), rows: m('40'), depth: m('0.6') });
    expect(lots.slice(0, 3).map((l) => [l.tag, l.fromDepth_m, l.toDepth_m])).toEqual([
      ['Q-1', 0, 0.3],
      ['Q-2', expect.closeTo(0.3, 9), expect.closeTo(0.6, 9)],
      ['Q-3', 0, 0.3],
    ]);
  });
});
