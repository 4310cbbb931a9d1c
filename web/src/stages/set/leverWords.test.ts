import { describe, expect, test } from '@jest/globals';
import type { Lever } from '@riffle/core';
import { METRIC } from '@riffle/core';
import { showIn } from '../../units/useShow.ts';
import { leverByHand, leverWords } from './leverWords.ts';
import { setShow } from './setShow.ts';

const draft = {
  pitch: { text: '1/2', unit: 'in/ft' },
  known: 'depth',
  depth: { text: '20', unit: 'mm' },
  flow: { text: '', unit: 'L/s' },
  stone: { text: '12', unit: 'mm' },
} as const;
const show = setShow(showIn(METRIC), draft);
const lift = (head_m: number): Lever => ({ kind: 'head', head_m, slope: 0.05 });

describe('a change of the box in words', () => {
  test.each<[Lever, string]>([
    [lift(0.02), 'Lift the head 20 mm'],
    [lift(-0.015), 'Lower the head 15 mm'],
    [{ kind: 'water', water_m: 0.008, depth_m: 0.028 }, 'Let in 8 mm of water'],
    [{ kind: 'water', water_m: -0.004, depth_m: 0.02 }, 'Take off 4 mm of water'],
    [{ kind: 'screen', stone_m: 0.0127 }, 'Screen to 12.7 mm'],
    [{ kind: 'slower', feed_m3_s: 1e-5 }, 'Feed slower'],
    [{ kind: 'level', crossFall_m: 0 }, 'Level it first'],
  ])('%j', (lever, words) => expect(leverWords(lever, show)).toBe(words.replace(/(\d) (?=mm)/, '$1\u00a0')));
  test('each is told in the unit it was typed in: the stone in inches, the water too, the head as the person chose', () => {
    const typed = setShow(showIn(METRIC), {
      ...draft,
      depth: { text: '3/4 in', unit: 'mm' },
      stone: { text: '1/2', unit: 'in' },
    });
    expect(leverWords({ kind: 'screen', stone_m: 0.0127 }, typed)).toBe('Screen to 1/2\u00a0in');
    expect(leverWords({ kind: 'water', water_m: 0.00635, depth_m: 0.028 }, typed)).toBe('Let in 1/4\u00a0in of water');
    expect(leverWords(lift(0.02), typed)).toBe('Lift the head 20\u00a0mm');
    const dropped = setShow(showIn(METRIC), { ...draft, pitch: { text: '2', unit: 'in' } });
    expect(leverWords(lift(0.0254), dropped)).toBe('Lift the head 1\u00a0in');
  });
  test('a height is told in what lies about at a creek', () => {
    expect(leverByHand(lift(0.005), show, '0.50 in/ft')).toBe('a pebble under the head, to 0.50 in/ft');
    expect(leverByHand(lift(0.03), show, '0.50 in/ft')).toContain('one flat stone under');
    expect(leverByHand(lift(0.06), show, '0.50 in/ft')).toContain('two flat stones under');
    expect(leverByHand(lift(-0.03), show, '0.50 in/ft')).toContain('one flat stone out from under it');
  });
});
