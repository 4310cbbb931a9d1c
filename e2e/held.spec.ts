import { expect, test, type Page } from '@playwright/test';

/** What the screens of the field are held to on a phone: text at twice the size, and a whole walk with the simulated receiver. */
const STAGES = [
  'read',
  'walk',
  'sample',
  'sample/bags',
  'sample/pits',
  'sample/screens',
  'sample/meaning',
  'sample/table',
  'sample/hands',
  'set',
  'run',
  'run/crew',
  'run/haul',
  'clean',
  'clean/finish',
  'books',
  'day',
];
const MORNING = '2026-07-28T11:20:00Z';

async function demoGround(page: Page, name: string): Promise<string> {
  const { items } = (await (await page.request.get('/api/v1/grounds')).json()) as {
    items: { id: string; name: string }[];
  };
  return items.find((g) => g.name === name)?.id ?? '';
}

test.describe('with its text at twice the size', () => {
  // Half the room across, at twice the density: what a phone does with a page at 200 %.
  test.use({ viewport: { width: 195, height: 422 }, deviceScaleFactor: 2 });
  test('no screen of the field runs off its edge, and its word stands', { tag: '@phone' }, async ({ page }) => {
    const id = await demoGround(page, 'Halloway Creek');
    const strand = await demoGround(page, 'Saltgrass Strand');
    const pages = [
      ...STAGES.map((stage) => `/g/${id}/${stage}`),
      `/g/${await demoGround(page, 'Dry Harrier Wash')}/set`,
      ...['read', 'day', 'walk'].map((stage) => `/g/${strand}/${stage}`),
    ];
    for (const stage of pages) {
      await page.goto(stage);
      await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
      await page.waitForLoadState('networkidle');
      await expect
        .poll(
          () => page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth),
          stage,
        )
        .toBeLessThanOrEqual(1);
    }
  });
});

test(
  'a walk replayed over the whole creek: places come up, an edge rings, a lost signal stops nothing',
  { tag: '@phone' },
  async ({ page, context }) => {
    const id = await demoGround(page, 'Halloway Creek');
    await page.addInitScript(() => {
      localStorage.setItem('riffle-preferences', JSON.stringify({ light: 'sun', positionFrom: 'simulated' }));
      const rung: unknown[] = [];
      // Every word of the page, however long it stood: the clock runs on while a slow machine draws.
      const words: string[] = [];
      new MutationObserver(() => {
        const word = document.querySelector('h1')?.textContent.trim();
        if (word && word !== words.at(-1)) words.push(word);
      }).observe(document, { subtree: true, childList: true, characterData: true });
      Object.assign(window, { rung, words });
      Object.defineProperty(navigator, 'vibrate', { value: (p: unknown) => rung.push(p) });
    });
    await page.clock.install({ time: new Date(MORNING) });
    await page.goto(`/g/${id}/walk`);
    await expect(page.locator('[data-walk-distance]')).toBeVisible();
    for (let i = 0; i < 44; i++) {
      // From here on there is no signal: the receiver is the phone's own.
      if (i === 6) await context.setOffline(true);
      await page.clock.runFor(5000);
      // Time to draw, also on a machine that has much else to do.
      await page.waitForTimeout(250);
    }
    await context.setOffline(false);
    const order = await page.evaluate(() => (window as unknown as { words: string[] }).words);
    const at = (name: RegExp): number => order.findIndex((h) => name.test(h));
    // By rank on the way up, then the edge, then nothing more.
    expect(at(/Two Boulders/), order.join(' | ')).toBeGreaterThanOrEqual(0);
    expect(at(/Lee of boulders/), order.join(' | ')).toBeGreaterThan(at(/Two Boulders/));
    expect(at(/Halloway 4/), order.join(' | ')).toBeGreaterThan(at(/Lee of boulders/));
    expect(order.at(-1)).toMatch(/Nothing more ahead/);
    // Two places and two bells of the edge, at the least.
    expect(await page.evaluate(() => (window as unknown as { rung: unknown[] }).rung.length)).toBeGreaterThanOrEqual(3);
    // Past the edge nothing says one stands on it.
    await expect(page.getByRole('alert')).not.toContainText('Halloway 4');
  },
);
