import { describe, expect, test } from '@jest/globals';
import { groundColors, NO_COLORS, pitGrades, type PitPan } from '../index.ts';

const pan = (layerId: string | null, fine: number, pitId: string | null = 'pit'): PitPan => ({
  spotId: 'spot',
  depth_m: 0.3,
  pitId,
  layerId,
  volume_L: 10,
  volumeState: 'bank',
  counts: { ...NO_COLORS, '-40': fine },
  gold_mg: null,
});
const pit = {
  id: 'pit',
  layers: [
    { id: 'top', thickness_m: 0.5, pay: false },
    { id: 'pay', thickness_m: 0.2, pay: true },
    { id: 'floor', thickness_m: 0.1, pay: false },
  ],
};
const grades = (samples: PitPan[], cutoff = 0.2, of = pit) =>
  pitGrades(of, samples, 18, groundColors(samples, 18), cutoff);

describe('what the pans of a pit say, layer by layer', () => {
  test('each layer by its own pans; by hand 20 fine colors in 10 L', () => {
    const samples = [pan('top', 0), pan('pay', 20), pan('pay', 20)];
    const { layers } = grades(samples);
    const mg = groundColors(samples, 18).weights_mg['-40'];
    expect(layers.get('top')?.kind).toBe('blank');
    expect(layers.get('pay')).toMatchObject({ kind: 'band', grade_mg_L: expect.closeTo(2 * mg, 9) });
    expect(layers.has('floor')).toBe(false);
  });
  test('pans of other pits, and of none, are not of this one', () =>
    expect(grades([pan('pay', 9, 'other'), pan('pay', 9, null)])).toEqual({
      layers: new Map(),
      pay: null,
      take: null,
    }));
  test('the pay layer by its own pans; by all of the pit where none was taken there', () => {
    expect(grades([pan('top', 0), pan('pay', 20)]).pay).toMatchObject({ kind: 'band', colors: 20 });
    expect(grades([pan('top', 3), pan(null, 4)]).pay).toMatchObject({ kind: 'band', colors: 3 });
    expect(grades([pan(null, 4), pan(null, 3)]).pay).toMatchObject({ kind: 'band', colors: 7 });
  });
  test('layers are to be taken from the first that pays to the last; nothing where none reaches the cut-off', () => {
    const samples = [pan('top', 0), pan('pay', 90), pan('floor', 180)];
    expect(grades(samples).take).toMatchObject({ first: 1, last: 2 });
    expect(grades(samples, 50).take).toBeNull();
  });
});
