import { seededRandom } from '@riffle/core';

const HOUR_MS = 3_600_000;
const EVERY_H = 3;

/**
 * A simulated wave buoy: significant height and peak period of the swell every three hours over some days up to an instant, as CSV with units in the
 * header. A low swell, and storms that come up within a day and go down over two. The same seed gives the same storms.
 */
export function buoyCsv(until: Date, days: number, seed = 31): string {
  const random = seededRandom(seed);
  const rows = ['time,wave_height_m,period_s'];
  let storm = 0;
  let rising_m = 0;
  const end = Math.floor(until.getTime() / HOUR_MS) * HOUR_MS;
  for (let t = end - days * 24 * HOUR_MS; t <= end; t += EVERY_H * HOUR_MS) {
    if (random() < 0.012) rising_m = 1.5 + 2.5 * random();
    const step = Math.min(rising_m, 0.5);
    rising_m -= step;
    storm = (storm + step) * 0.96;
    const height = 0.9 + storm + 0.15 * Math.sin(t / (31 * HOUR_MS)) + 0.1 * random();
    rows.push(
      `${new Date(t).toISOString()},${height.toFixed(2)},${(7 + 2.2 * Math.sqrt(storm) + random()).toFixed(1)}`,
    );
  }
  return `${rows.join('\r\n')}\r\n`;
}
