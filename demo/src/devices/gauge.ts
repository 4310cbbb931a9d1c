import { seededRandom } from '@riffle/core';

/**
 * A simulated river gauge: a level each hour over some days up to an instant, as CSV with its unit in the header.
 * Base flow, a slow fall after rain, and a rise that comes in hours and goes in days. The same seed gives the same rains.
 */
export function gaugeCsv(until: Date, days: number, seed = 23): string {
  const random = seededRandom(seed);
  const rows = ['time,level_cm'];
  let rain = 0;
  const hour = 3_600_000;
  const end = Math.floor(until.getTime() / hour) * hour;
  for (let t = end - days * 24 * hour; t <= end; t += hour) {
    const draw = random();
    if (draw < 0.006) rain += 15 + 60 * random();
    rain *= 0.965;
    const daily = 1.2 * Math.sin(((t / hour) % 24) * (Math.PI / 12));
    rows.push(`${new Date(t).toISOString()},${(33 + rain + daily).toFixed(1)}`);
  }
  return `${rows.join('\r\n')}\r\n`;
}
