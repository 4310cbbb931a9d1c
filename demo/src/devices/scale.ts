import { normalDraw, seededRandom } from '@riffle/core';

/** What lies on the pan of the simulated scale, g: an empty vial, or the same vial with gold in it. */
export const ON_THE_SCALE = { vial: 12.3456, gold: 12.3798 } as const;

/**
 * A simulated scale that reads to 0.1 mg: a line five times a second, first swinging (US), then steady (ST), in the comma-parted form many scales send by
 * default. The same seed gives the same swing.
 */
export function scaleLines(on: keyof typeof ON_THE_SCALE, seed: number): string {
  const random = seededRandom(seed);
  // Put down a little aside of the middle each time.
  const rests_g = ON_THE_SCALE[on] + 0.0001 * normalDraw(random);
  const lines = Array.from({ length: 12 }, (_, i) => {
    const swing_g = 0.4 * Math.exp(-i) * Math.cos(2 * i);
    const isSteady = Math.abs(swing_g) < 0.00005;
    return `${isSteady ? 'ST' : 'US'},GS,${(rests_g + swing_g).toFixed(4).padStart(10)} g`;
  });
  return `${lines.join('\r\n')}\r\n`;
}
