import { show } from './figures.mjs';
import { largeSeasonIn, LARGE_GROUND_ID } from './largeSeason.mjs';
import { openBrowser } from './openBrowser.mjs';

/** What a screen says once it can be used: each heading that is not about what is still on its way, nor the room kept for one. */
const ON_ITS_WAY = /^\s*$|^(Fetching|Opening|Adding up|Working it out|Mapping)/;

/** A ground of 100,000 samples and 20,000 runs, opened from cold at each of the screens that rest on all of it. */
export async function largeGround(port, home) {
  await largeSeasonIn(home);
  const browser = await openBrowser();
  try {
    for (const screen of ['read', 'sample', 'sample/table', 'map', 'day', 'run', 'books']) {
      const times = [];
      for (let i = 0; i < 3; i++) {
        const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' });
        const page = await context.newPage();
        const began = performance.now();
        await page.goto(`http://localhost:${port}/g/${LARGE_GROUND_ID}/${screen}`, { waitUntil: 'commit' });
        await page.locator('h1', { hasNotText: ON_ITS_WAY }).first().waitFor({ timeout: 60_000 });
        times.push((performance.now() - began) / 1000);
        await context.close();
      }
      show(
        `100,000 samples, opened at ${screen}, from cold, the middle of 3`,
        times.sort((a, b) => a - b)[1],
        's',
        'target',
        1,
      );
    }
  } finally {
    await browser.close();
  }
}
