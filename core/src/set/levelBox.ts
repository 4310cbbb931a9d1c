import { OutOfRange, requirePositive, requireWithin } from '../outOfRange.ts';

/** How a flat thing lies: tilt along it and across it, degrees; along is more where its top end is higher. */
export interface Tilt {
  readonly along_deg: number;
  readonly across_deg: number;
}
/** How a box lies by it. */
export interface Lie {
  /** Drop over length; below 0 it falls the wrong way. */
  readonly slope: number;
  /** How much lower its right side lies, seen down the box, as a slope across. */
  readonly across: number;
  /** What the sensor is off by, degrees. */
  readonly offBy: Tilt;
}

const tan = (degrees: number): number => Math.tan((degrees * Math.PI) / 180);

/**
 * A box by a tilt sensor laid in it twice, top to the head and then turned end for end: what the sensor is off by stays, what the box does changes its sign.
 * So half the difference is the box and half the sum the sensor. Geometry.
 * @throws OutOfRange for a tilt of more than 60 degrees: no box lies so
 */
export function lieByTurning(topToHead: Tilt, topToTail: Tilt): Lie {
  for (const { along_deg, across_deg } of [topToHead, topToTail]) {
    requireWithin('along_deg', along_deg, -60, 60, 'degrees');
    requireWithin('across_deg', across_deg, -60, 60, 'degrees');
  }
  return {
    slope: tan((topToHead.along_deg - topToTail.along_deg) / 2),
    across: tan((topToHead.across_deg - topToTail.across_deg) / 2),
    offBy: {
      along_deg: (topToHead.along_deg + topToTail.along_deg) / 2,
      across_deg: (topToHead.across_deg + topToTail.across_deg) / 2,
    },
  };
}

/**
 * Pitch by a level line over the box, a string with a bubble or the water in a clear hose: how far the box lies below it at its head and at its tail, and
 * how far apart those are along the box. Slope as drop over length along the box. Geometry.
 * @throws OutOfRange where the head lies no higher than the tail
 */
export function slopeByLine(headBelow_m: number, tailBelow_m: number, apart_m: number): number {
  requirePositive('apart_m', apart_m, 'm');
  const slope = (tailBelow_m - headBelow_m) / apart_m;
  if (!(slope > 0)) throw new OutOfRange('tailBelow_m', tailBelow_m, `more than at the head (${headBelow_m} m)`);
  return slope;
}
