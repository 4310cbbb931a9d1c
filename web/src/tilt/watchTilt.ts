import { seededRandom, type Tilt } from '@riffle/core';
import type { PositionSource } from '../position/currentPosition.ts';

/** The simulated sensor: off by a degree or so, unsteady by a tenth, in a box pitched half an inch a foot with its right side a little low. */
const SIMULATED = { along_deg: 2.4, across_deg: 0.35, offAlong_deg: 1.2, offAcross_deg: -0.6, shakes_deg: 0.12 };
const EVERY_MS = 60;

interface WithPermission {
  readonly requestPermission?: () => Promise<'granted' | 'denied'>;
}

/**
 * Tells how this device lies, many times a second, until it is stopped. `isTurned` is asked by the simulated sensor, which cannot be turned by hand.
 * @throws Error in words for the person: no sensor, or it is not allowed
 */
export async function watchTilt(
  source: PositionSource,
  isTurned: () => boolean,
  tell: (tilt: Tilt) => void,
): Promise<() => void> {
  if (source === 'simulated') return simulated(isTurned, tell);
  if (typeof DeviceOrientationEvent === 'undefined') throw new Error('This device has no tilt sensor.');
  const allowed = await (DeviceOrientationEvent as unknown as WithPermission).requestPermission?.();
  if (allowed === 'denied') throw new Error('The tilt sensor is not allowed here.');
  const hear = ({ beta, gamma }: DeviceOrientationEvent): void => {
    if (beta !== null && gamma !== null) tell({ along_deg: beta, across_deg: gamma });
  };
  addEventListener('deviceorientation', hear);
  return () => removeEventListener('deviceorientation', hear);
}

function simulated(isTurned: () => boolean, tell: (tilt: Tilt) => void): () => void {
  const random = seededRandom(24);
  const { along_deg, across_deg, offAlong_deg, offAcross_deg, shakes_deg } = SIMULATED;
  const timer = setInterval(() => {
    const side = isTurned() ? -1 : 1;
    const shake = (): number => shakes_deg * (2 * random() - 1);
    tell({
      along_deg: side * along_deg + offAlong_deg + shake(),
      across_deg: side * across_deg + offAcross_deg + shake(),
    });
  }, EVERY_MS);
  return () => clearInterval(timer);
}
