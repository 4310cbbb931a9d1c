// Twenty days at the creek gone wrong; `npm run soak` plays the rest.
import { beforeAll, expect, test } from '@jest/globals';
import { buildIfChanged } from '../build.mjs';
import { ensureChromium } from '../setup.mjs';
import { playSeeds } from './playSeeds.mjs';

beforeAll(async () => {
  ensureChromium();
  await buildIfChanged();
}, 300_000);

test('nothing is lost or doubled, the number never dips, and “All saved” is never false, on any of 20 days', async () => {
  const days = await playSeeds(
    [...Array(20).keys()].map((i) => i + 1),
    3,
  );
  // What went wrong first: what a device kept is long, and a report is cut short somewhere.
  const bad = days.filter((d) => d.wrong.length > 0);
  expect(bad.map(({ seed, wrong, steps }) => ({ seed, wrong, steps: steps.join(', ') }))).toEqual([]);
  expect(days).toHaveLength(20);
  // They were not idle.
  expect(days.reduce((sum, d) => sum + d.taps, 0)).toBeGreaterThan(100);
}, 900_000);
