import { describe, expect, test } from '@jest/globals';
import type { Lever } from '@riffle/core';
import type { Show } from '../../units/useShow.ts';
import { leverByHand, leverWords } from './leverWords.ts';

const show = { smallLength: (m: number) => `${Math.round(1000 * m)} mm` } as Show;
const lift = (head_m: number): Lever => ({ kind: 'head', head_m, slope: 0.05 });

describe('a change of the box in words', () => {
  test.each<[Lever, string]>([
    [lift(0.02), 'Lift the head 20 mm'],
    [lift(-0.015), 'Lower the head 15 mm'],
    [{ kind: 'water', water_m: 0.008, depth_m: 0.028 }, 'Let in 8 mm of water'],
    [{ kind: 'water', water_m: -0.004, depth_m: 0.02 }, 'Take off 4 mm of water'],
    [{ kind: 'screen', stone_m: 0.0127 }, 'Screen to 13 mm'],
    [{ kind: 'slower', feed_m3_s: 1e-5 }, 'Feed slower'],
    [{ kind: 'level', crossFall_m: 0 }, 'Level it first'],
  ])('%j', (lever, words) => expect(leverWords(lever, show)).toBe(words));
  test('a height is told in what lies about at a creek', () => {
    expect(leverByHand(lift(0.005), show, '0.50 in/ft')).toBe('a pebble under the head, to 0.50 in/ft');
    expect(leverByHand(lift(0.03), show, '0.50 in/ft')).toContain('one flat stone under');
    expect(leverByHand(lift(0.06), show, '0.50 in/ft')).toContain('two flat stones under');
    expect(leverByHand(lift(-0.03), show, '0.50 in/ft')).toContain('one flat stone out from under it');
  });
});
