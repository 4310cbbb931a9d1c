import { describe, expect, test } from '@jest/globals';
import type { StoredSample } from '@riffle/contract';
import { CONTAINERS, countColors } from '@riffle/core';
import { blankPan, usualPan, usualPanWords, type UsualPan } from './usualPan.ts';

const of = (takenAt: string, depth: string, lotId: string | null = null): StoredSample =>
  ({
    takenAt,
    lotId,
    depthEntered: { text: depth, unit: 'm' },
    volumeEntered: { text: '1', unit: 'pan' },
    volumeState: 'loose',
    way: 'quick test',
    panner: 'Ada',
  }) as StoredSample;
const usual: UsualPan = {
  depth: { text: '1 ft', unit: 'm' },
  volume: { text: '2', unit: 'pan' },
  state: 'loose',
  way: 'quick test',
  panner: '',
};
const about = { groundId: 'g', spotId: 's', seenWith: null };

describe('a usual pan', () => {
  test('is as the last of this ground, bags apart; else as this device’s last; else none', () => {
    const samples = [
      of('2026-05-02', '0.4'),
      of('2026-05-03', '0.5'),
      of('2026-05-09', '2', 'bag'),
      of('2026-05-01', '0.3'),
    ];
    expect(usualPan(samples, usual)).toMatchObject({ depth: { text: '0.5', unit: 'm' }, panner: 'Ada' });
    expect(usualPan([], usual)).toBe(usual);
    expect(usualPan([], null)).toBeNull();
  });
  test('stands on its button as it was typed', () => {
    expect(usualPanWords(usual)).toBe('2 pans from 1 ft');
    expect(usualPanWords({ ...usual, state: 'bank', volume: { text: '10 L', unit: 'pan' } })).toBe(
      '10 L in the bank from 1 ft',
    );
  });
  test('makes a blank of it: no color, so deep, so much', () => {
    const blank = blankPan(usual, CONTAINERS, about, '2026-06-01T10:00:00.000Z');
    expect(blank).toMatchObject({
      spotId: 's',
      takenAt: '2026-06-01T10:00:00.000Z',
      gold_mg: null,
      volumeState: 'loose',
    });
    expect(blank?.depth_m).toBeCloseTo(0.3048, 9);
    expect(blank?.volume_L).toBeCloseTo(2 * CONTAINERS.pan, 9);
    expect(blank && countColors(blank.counts)).toBe(0);
  });
  test('of a container that is no more, or of nothing, there is no blank', () => {
    expect(blankPan({ ...usual, volume: { text: '1', unit: 'old tub' } }, CONTAINERS, about)).toBeNull();
    expect(blankPan({ ...usual, volume: { text: '0', unit: 'pan' } }, CONTAINERS, about)).toBeNull();
    expect(blankPan({ ...usual, depth: { text: '', unit: 'm' } }, CONTAINERS, about)).toBeNull();
  });
});
