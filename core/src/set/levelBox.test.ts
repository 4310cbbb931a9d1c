import { describe, expect, test } from '@jest/globals';
import { OutOfRange } from '../outOfRange.ts';
import { lieByTurning, slopeByLine } from './levelBox.ts';

/** What a sensor that is off says of a box: its own error stays as it is turned, the box changes sign. */
const laid = (along: number, across: number, off = { along: 1.3, across: -0.7 }) =>
  [
    { along_deg: along + off.along, across_deg: across + off.across },
    { along_deg: -along + off.along, across_deg: -across + off.across },
  ] as const;

describe('a box by a sensor laid in it twice', () => {
  test('what the sensor is off by falls out: 2.386 degrees are 1/2 in/ft, one part in 24', () => {
    const { slope, across, offBy } = lieByTurning(...laid(2.3859, 0.5));
    expect(slope).toBeCloseTo(1 / 24, 5);
    expect(across).toBeCloseTo(Math.tan((0.5 * Math.PI) / 180), 9);
    expect(offBy.along_deg).toBeCloseTo(1.3, 9);
    expect(offBy.across_deg).toBeCloseTo(-0.7, 9);
  });
  test('a box that falls the wrong way is told by its sign; one on its side is none', () => {
    expect(lieByTurning(...laid(-2, 0)).slope).toBeLessThan(0);
    expect(() => lieByTurning(...laid(80, 0))).toThrow(OutOfRange);
  });
});

describe('a box by a level line', () => {
  test('2 in lower at the tail of 4 ft is 1/2 in/ft', () =>
    expect(slopeByLine(0.1, 0.1508, 1.2192)).toBeCloseTo(1 / 24, 4));
  test('a head that lies no higher is refused by its field', () =>
    expect(() => slopeByLine(0.2, 0.2, 1)).toThrow(/^tailBelow_m/));
});
