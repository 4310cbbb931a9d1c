import { describe, expect, test } from '@jest/globals';
import { scaleLines } from '@riffle/demo';
import { readScaleLine, steadyWeight } from './scaleLine.ts';

describe('what a scale sends', () => {
  test.each([
    ['ST,GS,   12.3456 g', { mg: 12_345.6, step_mg: 0.1, isSteady: true }],
    ['US,GS,+  0.05 g', { mg: 50, step_mg: 10, isSteady: false }],
    ['   - 1.5 GN', { mg: -97.198365, step_mg: 6.479891, isSteady: null }],
    ['S S    34.2 mg', { mg: 34.2, step_mg: 0.1, isSteady: true }],
    // Swinging, as scales say it that answer S S when they rest.
    ['S D    34.2 mg', { mg: 34.2, step_mg: 0.1, isSteady: false }],
    // A decimal comma is no mark between fields.
    ['ST,GS,   1,25 g', { mg: 1250, step_mg: 10, isSteady: true }],
    ['ST,+0001,25 g', { mg: 1250, step_mg: 10, isSteady: true }],
    ['0.011 ozt', { mg: 342.1382448, step_mg: 31.1034768, isSteady: null }],
  ])('%s', (line, is) => {
    const read = readScaleLine(line);
    expect(read?.mg).toBeCloseTo(is.mg, 6);
    expect(read?.step_mg).toBeCloseTo(is.step_mg, 6);
    expect(read?.isSteady).toBe(is.isSteady);
  });
  test.each(['', 'ERR', '12.5', '12.5 stone', '--.-- g'])('“%s” is no weight', (line) =>
    expect(readScaleLine(line)).toBeNull(),
  );
  test('a weight counts once it rests: said so, or the same four times on end', () => {
    expect(steadyWeight(['US,GS,1.2 g', 'US,GS,1.3 g', 'ST,GS,1.25 g', 'ST,GS,9 g'])?.mg).toBeCloseTo(1250, 9);
    expect(steadyWeight(['1.2 g', '1.3 g', '1.3 g', '1.3 g'])).toBeNull();
    expect(steadyWeight(['1.2 g', '1.3 g', 'noise', '1.3 g', '1.3 g', '1.3 g'])?.mg).toBeCloseTo(1300, 9);
  });
  test('the simulated scale swings, rests, and weighs what lies on it to a few tenths of a milligram', () => {
    for (let seed = 1; seed < 30; seed++) {
      const [vial, gold] = (['vial', 'gold'] as const).map((on) => steadyWeight(scaleLines(on, seed).split('\r\n')));
      expect((gold?.mg ?? NaN) - (vial?.mg ?? NaN)).toBeCloseTo(34.2, 0);
      expect(readScaleLine(scaleLines('gold', seed).split('\r\n')[0] ?? '')?.isSteady).toBe(false);
    }
  });
});
