import { describe, expect, test } from '@jest/globals';
import { CONTAINERS } from '@riffle/core';
import { newTest, readTest, typedTest, type TestDraft } from './readTest.ts';
import { foundWords, measureWords } from './testWords.ts';

const typed = (some: Partial<TestDraft> = {}): TestDraft => ({
  ...newTest(false, { text: '1', unit: 'bucket' }, { text: '20', unit: 'mm' }),
  ...some,
});
const read = (kind: Parameters<typeof readTest>[0], some: Partial<TestDraft>) =>
  readTest(kind, typed(some), CONTAINERS);

describe('a test of the box as it is typed', () => {
  test('one kept before is read back as it was', () => {
    const kinds = [
      read('timed bucket', { took: { text: '4', unit: 'min' } }),
      read('tail pan', { colors: '3+', panned: { text: '2', unit: 'pan' } }),
      read('tracers', { held: '14' }),
      read('water', { flow: { text: '180', unit: 'L/min' } }),
    ];
    for (const { tested } of kinds) {
      if (!tested) throw new Error('It was not read.');
      expect(readTest(tested.kind, typedTest(typed(), tested), CONTAINERS).tested).toEqual(tested);
    }
  });
  test('each kind in its own units, what was typed kept as typed', () => {
    expect(read('timed bucket', { took: { text: '4', unit: 'min' } }).tested).toMatchObject({
      kind: 'timed bucket',
      took_s: 240,
      volumeEntered: { text: '1', unit: 'bucket' },
    });
    expect(read('tracers', { held: '14' }).tested).toMatchObject({
      kind: 'tracers',
      of: 'gold',
      size_mm: expect.closeTo(0.3, 9),
      fed: 20,
      held: 14,
    });
    expect(read('water', { flow: { text: '180', unit: 'L/min' } }).tested).toMatchObject({
      depth_m: 0.02,
      flow_m3_s: expect.closeTo(0.003, 9),
    });
    expect(read('tail pan', { colors: '3+' }).tested).toMatchObject({ kind: 'tail pan', colors: '3+' });
  });
  test.each([
    ['timed bucket', {}, /Nothing is typed/],
    ['timed bucket', { took: { text: '1', unit: 's' } }, /At least 5 s/],
    ['timed bucket', { took: { text: '3', unit: 'h' } }, /two hours|unit/i],
    ['tail pan', { panned: { text: '0', unit: 'L' } }, /more than nothing/],
    ['tracers', { held: '' }, /whole number/],
    ['tracers', { held: '2.5' }, /whole number/],
    ['tracers', { fed: '10', held: '11' }, /No more can be found/],
    ['water', { flow: { text: 'much', unit: 'L/s' } }, /./],
    ['water', { depth: { text: '2', unit: 'm' }, flow: { text: '3', unit: 'L/s' } }, /At most 1 m/],
  ] as const)('%s %j is not kept', (kind, some, says) => {
    const { tested, problem } = read(kind, some);
    expect(tested).toBeNull();
    expect(problem).toMatch(says);
  });
});

describe('what measuring says', () => {
  const believed = { low: 0.5, middle: 1, high: 2 };
  test('a side only where nine in ten lie on it', () => {
    expect(measureWords('catchScale', { low: 0.4, middle: 0.6, high: 0.9 }, believed)).toBe(
      'holds less than most: 0.6 times (0.4–0.9)',
    );
    expect(measureWords('boxFactor', { low: 1.2, middle: 1.6, high: 2 }, believed)).toMatch(/^takes more gravel/);
    expect(measureWords('roughness', { low: 0.8, middle: 1, high: 1.2 }, believed)).toBe('like most: 0.8–1.2 times');
  });
  test('what was found, as one says it', () => {
    const of = (kind: Parameters<typeof readTest>[0], some: Partial<TestDraft>) =>
      foundWords({ id: 'x', at: '', what: kind, evidence: null, tested: read(kind, some).tested });
    expect(of('timed bucket', { took: { text: '75', unit: 's' } })).toBe('“1 bucket” cleared in 75 s');
    expect(of('tail pan', { colors: '0' })).toBe('tail pan of “1 pan”: no color');
    expect(of('tracers', { held: '14' })).toBe('14 of 20 flakes fed were found');
    expect(of('water', { flow: { text: '3', unit: 'L/s' } })).toBe('“3 L/s” at “20 mm” of water');
  });
});
