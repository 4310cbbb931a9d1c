/* global document, history, dispatchEvent, PopStateEvent, requestAnimationFrame */
import { show } from './figures.mjs';
import { largeSeasonIn, LARGE_GROUND_ID } from './largeSeason.mjs';
import { openBrowser } from './openBrowser.mjs';

/** What a screen says once it can be used: each heading that is not about what is still on its way, nor the room kept for one. */
const ON_ITS_WAY = /^\s*$|^(Fetching|Opening|Adding up|Working it out|Mapping)/;

/** By what they are called here. */
const SCREENS = {
  read: 'read',
  'read with its map': 'read',
  sample: 'sample',
  'sample/table': 'sample/table',
  day: 'day',
  run: 'run',
  books: 'books',
};

/** A ground of 100,000 samples and 20,000 runs at each of the screens that rest on all of it: from cold, and chosen where another ground was worked. */
export async function largeGround(port, home) {
  await largeSeasonIn(home);
  const address = `http://localhost:${port}`;
  const { items } = await (await fetch(`${address}/api/v1/grounds`)).json();
  const demo = items.find((g) => g.name === 'Halloway Creek');
  const browser = await openBrowser();
  const untilItSpeaks = (page) => page.locator('h1', { hasNotText: ON_ITS_WAY }).first().waitFor({ timeout: 60_000 });
  const untilMapped = (page) => page.getByRole('group', { name: /^Map of Long Season/ }).waitFor({ timeout: 60_000 });
  const fromCold = async (page, screen) => {
    const began = performance.now();
    await page.goto(`${address}/g/${LARGE_GROUND_ID}/${screen}`, { waitUntil: 'commit' });
    await untilItSpeaks(page);
    return performance.now() - began;
  };
  const chosen = async (page, screen) => {
    await page.goto(`${address}/g/${demo.id}/${screen}`);
    await untilItSpeaks(page);
    await page.waitForLoadState('networkidle');
    return page.evaluate(
      async ([to, onItsWay]) => {
        const began = performance.now();
        history.pushState(null, '', to);
        dispatchEvent(new PopStateEvent('popstate', { state: null }));
        for (;;) {
          await new Promise((drawn) => requestAnimationFrame(drawn));
          const says = document.querySelector('h1')?.textContent ?? '';
          // The title names the ground: what is said of the one that is left may stand for a moment.
          if (document.title.includes('Long Season') && !new RegExp(onItsWay).test(says))
            return performance.now() - began;
          if (performance.now() - began > 60_000) throw new Error(`${to} says “${says}” after a minute.`);
        }
      },
      [`/g/${LARGE_GROUND_ID}/${screen}`, ON_ITS_WAY.source],
    );
  };
  try {
    for (const [said, screen] of Object.entries(SCREENS))
      for (const [how, open] of Object.entries({ 'from cold': fromCold, 'chosen in Riffle': chosen })) {
        const times = [];
        for (let i = 0; i < 3; i++) {
          const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' });
          const page = await context.newPage();
          if (screen !== said) await page.addInitScript(() => localStorage.setItem('riffle-map-open', 'yes'));
          const before_ms = await open(page, screen);
          const began = performance.now();
          if (screen !== said) await untilMapped(page);
          times.push((before_ms + performance.now() - began) / 1000);
          await context.close();
        }
        show(
          `100,000 samples, opened at ${said}, ${how}, the middle of 3`,
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
