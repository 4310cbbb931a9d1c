import { describe, expect, test } from '@jest/globals';
import { aBox, THREE_SECTIONS } from '../../test/aBox.ts';
import { drawBoxes } from './boxParameters.ts';
import { boxWindow, toleranceAt, type BoxWindow } from './boxWindow.ts';
import { catchCurves } from './catchCurves.ts';
import { USUAL_MIX } from './goldMix.ts';
import { drawnBoxes, weighBox } from './weighBox.ts';

const few = drawnBoxes(USUAL_MIX, 10, drawBoxes(64));
const finish = (steps: Generator<number, BoxWindow>): BoxWindow => {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
};
const SPAN = { slopes: 25, depths: 18, slope: [0.01, 0.13], depth_m: [0.004, 0.055] } as const;
const window = finish(boxWindow(aBox(), few, SPAN));
const at = (field: 'stalls' | 'works' | 'washesOut', column: number, row: number): number =>
  window[field][row * SPAN.slopes + column] ?? NaN;

describe('the window a box works in', () => {
  test('each cell is that setting weighed; its three chances sum to 1', () => {
    for (const [column, row] of [
      [0, 0],
      [10, 6],
      [24, 17],
    ] as const) {
      const setting = aBox(
        {},
        { slope: window.slope[column] ?? NaN, water: { known: 'depth', depth_m: window.depth_m[row] ?? NaN } },
      );
      const { works, stalls } = weighBox(setting, few);
      expect(at('works', column, row)).toBeCloseTo(works, 12);
      expect(at('stalls', column, row)).toBeCloseTo(stalls, 12);
    }
    window.works.forEach((w, i) =>
      expect(w + (window.stalls[i] ?? NaN) + (window.washesOut[i] ?? NaN)).toBeCloseTo(1, 12),
    );
  });
  test('it stalls flat and thin, washes out steep and deep, and works between', () => {
    expect(at('stalls', 0, 0)).toBe(1);
    expect(at('washesOut', 24, 17)).toBeGreaterThan(0.9);
    expect(window.best?.works).toBeGreaterThan(0.8);
    expect(window.best?.slope).toBeGreaterThan(0.02);
    expect(window.best?.slope).toBeLessThan(0.11);
    // Along one depth stalling only falls as the pitch grows, and along one pitch as the water does.
    for (let row = 0; row < SPAN.depths; row++)
      for (let column = 1; column < SPAN.slopes; column++)
        expect(at('stalls', column, row)).toBeLessThanOrEqual(at('stalls', column - 1, row) + 1e-12);
  });
  test('how far one may err: to the edge of what works eight times in ten, nowhere from where it does not', () => {
    const { best } = window;
    if (!best) throw new Error('no best');
    const found = toleranceAt(window, best.slope, best.depth_m);
    const step = (SPAN.slope[1] - SPAN.slope[0]) / (SPAN.slopes - 1);
    expect(found?.steeper).toBeGreaterThanOrEqual(0);
    const past = weighBox(
      aBox(
        {},
        { slope: best.slope - (found?.flatter ?? NaN) - step, water: { known: 'depth', depth_m: best.depth_m } },
      ),
      few,
    );
    expect(past.works).toBeLessThan(0.8);
    expect(toleranceAt(window, 0.01, 0.004)).toBeNull();
  });
});

test('caught down the box: from nothing at the head to what the sections hold at the tail', () => {
  const setting = aBox({}, { sections: THREE_SECTIONS });
  const weighed = weighBox(setting, few);
  const curves = catchCurves(setting, weighed, few.weights);
  curves.forEach((curve, k) => {
    expect(curve.at[0]).toMatchObject({ x_m: 0, low: 0, middle: 0, high: 0 });
    curve.at.slice(1).forEach((p, i) => {
      expect(p.low).toBeGreaterThanOrEqual((curve.at[i]?.low ?? NaN) - 1e-12);
      expect(p.low).toBeLessThanOrEqual(p.middle);
      expect(p.middle).toBeLessThanOrEqual(p.high);
    });
    expect(curve.at.at(-1)?.middle).toBeCloseTo(weighed.held[k]?.middle ?? NaN, 9);
  });
});
