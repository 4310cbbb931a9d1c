import { readFile } from 'node:fs/promises';
import { expect, test, type Page } from '@playwright/test';
import {
  bringMany,
  chooseSpot,
  freshDevice,
  holdStore,
  judgement,
  keepBlank,
  logBucket,
  openCreek,
  openCreekWithBox,
  setBox,
  spotLine,
  toStage,
  wordsOfPdf,
} from './job.ts';

/** At the creek: no signal, a reload, two tabs. Nothing tapped is lost, nothing counted twice. */
test.describe('with the page kept on the device', () => {
  test.use({ serviceWorkers: 'allow' });

  test('a run without signal survives a reload and is sent once when the signal is back', async ({ page, context }) => {
    const groundId = await openCreekWithBox(page, 'No Signal Fork', 'Field box');
    await page.evaluate(() => navigator.serviceWorker.ready);
    await page.reload();
    await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
    await toStage(page, 'Run');
    await chooseSpot(page, 'Gravel from', 'Upper bar');

    await context.setOffline(true);
    await page.getByRole('button', { name: 'Start the run' }).click();
    await logBucket(page, 1);
    await logBucket(page, 2);
    await logBucket(page, 3, '2/3');
    await expect(page.getByText(/4 wait for signal/).filter({ visible: true })).toBeVisible();
    await page.reload();
    await expect(page.getByRole('img', { name: '3 buckets' })).toBeVisible();
    await expect(page.getByText(/4 wait for signal/).filter({ visible: true })).toBeVisible();
    await logBucket(page, 4);

    await context.setOffline(false);
    await expect(page.getByText('All saved').filter({ visible: true })).toBeVisible({ timeout: 60_000 });
    const runs = (await (await page.request.get(`/api/v1/grounds/${groundId}/runs`)).json()) as {
      items: { tally: { buckets: number; volumeLoose_L: number } }[];
    };
    expect(runs.items).toHaveLength(1);
    expect(runs.items[0]?.tally.buckets).toBe(4);
    // Three full buckets of 20 L and two thirds of one.
    expect(runs.items[0]?.tally.volumeLoose_L).toBeCloseTo(3 * 20 + (2 / 3) * 20, 6);
  });

  test('the sheet of a season is written without signal, by a device that never wrote one', async ({
    page,
    context,
  }) => {
    await openCreek(page, 'Paper Fork');
    await page.evaluate(() => navigator.serviceWorker.ready);
    await page.reload();
    await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
    await toStage(page, 'Books');
    // The book has been here; what draws the sheet has not.
    const give = page.getByRole('button', { name: 'Give or print ...' });
    await expect(give).toBeVisible();
    await context.setOffline(true);
    await give.click();
    const sheet = page.getByRole('dialog', { name: 'Give or print' });
    await sheet.getByLabel('What', { exact: true }).selectOption('season');
    const downloading = page.waitForEvent('download');
    await sheet.getByRole('button', { name: 'Save it' }).click();
    const download = await downloading;
    expect(download.suggestedFilename()).toMatch(/\.pdf$/);
    expect(await wordsOfPdf(await readFile(await download.path()))).toContain('bank ground');
  });
});

test(
  'what waits when the last page closes is sent without one',
  { tag: '@phone' },
  async ({ playwright, launchOptions, request }) => {
    // The browser the other tests run in sends nothing in the background.
    const executablePath = process.env['CHROMIUM_PATH'] ?? '/usr/bin/chromium';
    const browser = await playwright.chromium.launch({ ...launchOptions, executablePath });
    const context = await browser.newContext({ serviceWorkers: 'allow', viewport: { width: 390, height: 844 } });
    const page = await context.newPage();
    const groundId = await openCreek(page, 'Walked Off Fork');
    await page.evaluate(() => navigator.serviceWorker.ready);
    await page.reload();
    await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
    // The page's own calls fail; the browser's worker is not held by that.
    await page.route('**/api/v1/samples/**', (route) => route.abort());
    await keepBlank(page, 'Upper bar');
    // The page has tried in vain by then, and asked the browser to send it.
    await page.waitForTimeout(800);
    await page.close();
    await context.newPage();
    await expect
      .poll(
        async () =>
          ((await (await request.get(`/api/v1/grounds/${groundId}/samples`)).json()) as { items: unknown[] }).items
            .length,
        { timeout: 60_000 },
      )
      .toBe(1);
    await browser.close();
  },
);

test(
  'what one tab has still to send outlives it: another tab sends it, once',
  { tag: '@desk' },
  async ({ page, context }) => {
    // Two tabs are a desk affair.
    const groundId = await openCreek(page, 'Two Windows Fork');
    const other = await context.newPage();
    await other.goto(page.url());
    await expect(other.getByRole('option', { name: /Lower bar/ })).toBeAttached();

    // Whichever of them sends it: none can yet.
    await context.route('**/api/v1/samples/**', (route) => route.abort());
    await keepBlank(page, 'Upper bar');
    await expect(page.getByText(/1 waits for signal/).filter({ visible: true })).toBeVisible();
    // The other tab goes on reading and saves what it has read; then the first is gone.
    await toStage(other, 'Books');
    await expect(judgement(other)).toContainText('No gold in the book');
    await page.close();
    await context.unroute('**/api/v1/samples/**');
    await other.reload();
    await expect(other.getByText('All saved').filter({ visible: true })).toBeVisible({ timeout: 60_000 });
    await expect
      .poll(async () => {
        const { items } = (await (await other.request.get(`/api/v1/grounds/${groundId}/samples`)).json()) as {
          items: { version: number }[];
        };
        return items.map((s) => s.version);
      })
      .toEqual([1]);
  },
);

test('a half-written sample survives a reload', async ({ page }) => {
  await openCreek(page, 'Draft Fork', 'sample');
  await page.getByLabel('Spot', { exact: true }).selectOption({ label: 'Lower bar' });
  await page.getByLabel('How much you panned', { exact: true }).fill('2/3 bucket');
  await page.getByRole('button', { name: 'One more 10–20' }).click();
  await page.reload();
  await expect(page.getByLabel('How much you panned', { exact: true })).toHaveValue('2/3 bucket');
  await expect(page.getByLabel('Colors 10–20')).toHaveValue('1');
});

test(
  'two tabs change one spot: what each changed alone goes together, what both changed stands side by side',
  { tag: '@desk' },
  async ({ page, context }) => {
    // Two tabs are a desk affair.
    await openCreek(page, 'Two Tabs Fork');
    await spotLine(page, 'Lower bar').click();
    const other = await context.newPage();
    await other.goto(page.url());
    for (const tab of [page, other]) {
      await tab.getByRole('button', { name: 'Change', exact: true }).click();
      await tab
        .getByRole('dialog')
        .getByLabel('Name')
        .fill(tab === page ? 'Lower bar, mine' : 'Lower bar, yours');
    }
    await page.getByRole('dialog').getByLabel('Note').fill('Two boulders.');
    await page.getByRole('button', { name: 'Keep the change' }).click();
    await expect(page.getByRole('option', { name: /Lower bar, mine/ })).toBeAttached();
    await other.getByRole('dialog').getByLabel('What it is', { exact: true }).selectOption('bedrock');
    await other.getByRole('button', { name: 'Keep the change' }).click();
    await other.getByRole('button', { name: /1 refused/ }).click();
    const sheet = other.getByRole('dialog');
    await expect(sheet.getByRole('group', { name: 'Name' })).toContainText(
      'YoursLower bar, yoursTheirsLower bar, mine',
    );
    // The note and the kind were changed by one each: nothing is asked of them.
    await expect(sheet.getByRole('group')).toHaveCount(1);
    await sheet.getByRole('button', { name: 'Keep it so' }).click();
    await expect(sheet.getByText('Choose for name.')).toBeVisible();
    await sheet.getByRole('button', { name: /^Theirs/ }).click();
    await sheet.getByRole('button', { name: 'Keep it so' }).click();
    await expect(other.getByText('All saved').filter({ visible: true })).toBeVisible();
    await other.keyboard.press('Escape');
    await expect(other.getByText('bedrock,', { exact: false }).first()).toBeVisible();
    const groundId = /\/g\/([0-9a-f-]{36})\//.exec(page.url())?.[1];
    const { items } = (await (await page.request.get(`/api/v1/grounds/${groundId}/spots`)).json()) as {
      items: { name: string; note: string; kind: string }[];
    };
    expect(items.filter((s) => s.name.startsWith('Lower'))).toMatchObject([
      { name: 'Lower bar, mine', note: 'Two boulders.', kind: 'bedrock' },
    ]);
  },
);

test('the server away: reading goes on from this device, and a new sample waits', async ({ page }) => {
  await openCreek(page, 'Away Fork');
  await expect(page.getByRole('option', { name: /Lower bar/ })).toBeAttached();
  await page.route('**/api/**', (route) => route.abort());
  await keepBlank(page, 'Lower bar');
  await expect(page.getByText(/1 waits for signal/).filter({ visible: true })).toBeVisible();
  await toStage(page, 'Read');
  // By its words: while one page goes and the next comes, both headings stand for a moment.
  await expect(page.getByRole('heading', { level: 1, name: /^Pan / })).toBeVisible();
  await page.unroute('**/api/**');
  await expect(page.getByText('All saved').filter({ visible: true })).toBeVisible({ timeout: 60_000 });
});

test(
  'a ground begun here keeps its page while it is sent and its lists are slow to come',
  { tag: '@phone' },
  async ({ page }) => {
    let release = (): void => undefined;
    const released = new Promise<void>((done) => (release = done));
    await page.route('**/api/v1/grounds/*', async (route) => {
      await released;
      await route.continue();
    });
    await page.route('**/api/v1/grounds/*/spots**', async (route) => {
      await released;
      await new Promise((done) => setTimeout(done, 2000));
      await route.continue().catch(() => undefined);
    });
    await page.goto('/grounds/new');
    await page.getByLabel('Name', { exact: true }).fill('Held Fork');
    await page.getByLabel('Length', { exact: true }).fill('900 m');
    await page.getByRole('button', { name: 'Start this ground' }).click();
    await page.getByRole('listbox').click({ position: { x: 200, y: 60 } });
    const name = page.getByRole('dialog').getByLabel('Name');
    await name.fill('First bar');
    const sent = page.waitForResponse((r) => r.request().method() === 'PUT');
    release();
    await sent;
    // Were its lists asked for before they are known, the sheet would be gone by now.
    await page.waitForTimeout(1000);
    await expect(name).toHaveValue('First bar');
    await page.getByRole('button', { name: 'Mark this spot' }).click();
    await expect(page.getByRole('option', { name: /First bar/ })).toBeAttached();
  },
);

/** A document that brings nothing along, as that of a long book or a stuck database: the page asks for its lists itself. */
const bringNothing = (page: Page, address: RegExp) =>
  page.route(address, async (route) => {
    const response = await route.fetch();
    const body = (await response.text()).replace(
      /"lists":.*?\}<\/script>/s,
      '"lists":[],"says":null,"panned":null}</script>',
    );
    await route.fulfill({ response, body });
  });

test('a stage tapped while the book is on its way is that of this ground', async ({ page }) => {
  await bringNothing(page, /\/g\/[^/]+\/read$/);
  let answer = (): void => undefined;
  const answered = new Promise<void>((resolve) => (answer = resolve));
  await page.route(/\/api\/v1\/grounds\?/, async (route) => {
    await answered;
    await route.continue();
  });
  const groundId = await openCreek(page, 'Early Fork');
  await expect(page.getByText('Opening the book ...')).toBeVisible();
  await toStage(page, 'Sample');
  expect(new URL(page.url()).pathname).toBe(`/g/${groundId}/sample`);
  answer();
  await expect(page.getByLabel('How much you panned', { exact: true })).toBeVisible();
});

test('a store of the device that another page holds keeps no list from coming', async ({ page, context }) => {
  await openCreek(page, 'Held Fork');
  await expect(judgement(page)).toContainText('Lower bar');
  const letGo = await holdStore(page, ['lists', 'outbox', 'facts']);
  const other = await context.newPage();
  await other.goto(page.url().replace(/\/read.*$/, '/books'));
  await expect(judgement(other)).toContainText('No gold in the book for Held Fork yet.');
  await letGo.evaluate((now) => now());
  await expect(other.getByText('All saved').filter({ visible: true })).toBeVisible();
});

test('a box this device has not heard of is not said to be missing', async ({ page }) => {
  await openCreek(page, 'Unheard Fork');
  await page.route('**/api/v1/grounds/*/setups**', (route) => route.abort());
  await toStage(page, 'Run');
  await expect(page.getByText('What box is set on Unheard Fork has not reached this device yet.')).toBeVisible();
  await expect(page.getByText(/No box is set/)).toHaveCount(0);
  await page.unroute('**/api/v1/grounds/*/setups**');
  await page.reload();
  await expect(page.getByText('No box is set on Unheard Fork yet.')).toBeVisible();
});

test('nothing is said to be none before it was read; what is out of reach is named, and asked for again', async ({
  page: brought,
  browser,
}) => {
  await openCreek(brought, 'Slow Fork');
  // Another device, which has nothing yet.
  const context = await browser.newContext({ viewport: brought.viewportSize() });
  const page = await context.newPage();
  let answer = (): void => undefined;
  const answered = new Promise<void>((resolve) => (answer = resolve));
  let refusals = 0;
  await page.route('**/api/v1/grounds/*/samples**', async (route) => {
    await answered;
    await route.abort();
    refusals++;
  });
  await bringNothing(page, /\/g\/[^/]+\/sample\/meaning$/);
  await page.goto(brought.url().replace(/\/read.*$/, '/sample/meaning'));
  await expect(page.getByText('Fetching the samples of Slow Fork ...')).toBeVisible();
  await expect(page.getByText('Nothing was panned on this ground yet.')).toHaveCount(0);
  answer();
  await expect(page.getByText(/The samples of Slow Fork have not reached this device/)).toBeVisible();
  await expect(page.getByText('Nothing was panned on this ground yet.')).toHaveCount(0);
  // It tries four times by itself; then a person asks.
  await expect.poll(() => refusals).toBe(4);
  await page.unroute('**/api/v1/grounds/*/samples**');
  await page.getByRole('button', { name: 'Ask again' }).click();
  await expect(page.getByText('Nothing was panned on this ground yet.')).toBeVisible();
  await expect(page.getByText(/have not reached this device/)).toHaveCount(0);
  await context.close();
});

test('the head of a ground gives no number of what was not read yet', async ({ page: brought, browser }) => {
  await openCreek(brought, 'Uncounted Fork');
  const context = await browser.newContext({ viewport: brought.viewportSize() });
  const page = await context.newPage();
  let answer = (): void => undefined;
  const answered = new Promise<void>((resolve) => (answer = resolve));
  await page.route(/\/api\/v1\/grounds\/[^/]+\/(pans|panned|samples)/, (route) =>
    answered.then(() => route.continue()),
  );
  await bringNothing(page, /\/g\/[^/]+\/read$/);
  await page.goto(brought.url());
  await expect(page.getByText('... samples')).toBeVisible();
  await expect(page.getByText('0 samples')).toHaveCount(0);
  answer();
  await expect(page.getByText('0 samples')).toBeVisible();
  await context.close();
});

test(
  'what the server fails on again and again steps aside with its reason; others pass, and what hangs on it waits',
  { tag: '@desk' },
  async ({ page }) => {
    await openCreek(page, 'Fault Fork');
    await spotLine(page, 'Lower bar').click();
    const fault = { type: 'about:blank', title: 'A fault in Riffle', status: 500, code: 'FAULT', detail: 'A fault.' };
    await page.route('**/api/v1/spots/**', (route) =>
      route.fulfill({ status: 500, contentType: 'application/problem+json', body: JSON.stringify(fault) }),
    );
    await page.getByRole('button', { name: 'New spot' }).click();
    await page.getByRole('dialog').getByLabel('Name').fill('Cursed bar');
    await page.getByRole('dialog').getByLabel('Distance', { exact: false }).first().fill('300 m');
    await page.getByRole('button', { name: 'Mark this spot' }).click();
    await keepBlank(page, 'Cursed bar');
    await toStage(page, 'Set');
    await setBox(page, 'Passing box');
    // The spot after three tries, and the sample that hangs on it; the box has passed.
    const refused = page.getByRole('button', { name: /2 refused/ }).filter({ visible: true });
    await expect(refused).toBeVisible({ timeout: 60_000 });
    await expect
      .poll(async () => JSON.stringify(await (await page.request.get('/api/v1/rigs?limit=1000')).json()))
      .toContain('Passing box');
    await page.reload();
    await refused.click();
    const sheet = page.getByRole('dialog');
    await expect(sheet).toContainText('A fault.');
    await expect(sheet).toContainText('It hangs on the spot “Cursed bar”');
    await page.unroute('**/api/v1/spots/**');
    await sheet.getByRole('button', { name: 'Send mine again' }).first().click();
    await expect(page.getByText('All saved').filter({ visible: true })).toBeVisible({ timeout: 60_000 });
  },
);

test(
  'a ground of many samples stands before their records are here, and counts what is logged meanwhile',
  { tag: '@desk' },
  async ({ page, browser }) => {
    const groundId = await openCreek(page, 'Long Count Creek');
    await bringMany(page, groundId, 450);

    const { fresh, letGo, close } = await freshDevice(browser, page);
    const asked: string[] = [];
    fresh.on('request', (r) => void asked.push(new URL(r.url()).pathname.replace(/^.*\//, '')));
    await fresh.goto(`/g/${groundId}/read`);
    await expect(fresh.getByText('450 samples').first()).toBeVisible();
    await expect(fresh.getByRole('region', { name: /^Spots/ })).toContainText('blank 450 times');
    // What they come to is worked out once: opened anew, the document brings it, and no pan is fetched.
    asked.length = 0;
    await fresh.reload();
    await expect(fresh.getByRole('region', { name: /^Spots/ })).toContainText('blank 450 times');
    expect(asked.filter((what) => what === 'pans' || what === 'panned')).toEqual([]);
    await keepBlank(fresh, 'Lower bar');
    await toStage(fresh, 'Read');
    await expect(fresh.getByText('451 samples').first()).toBeVisible();
    await expect(fresh.getByText('All saved').filter({ visible: true })).toBeVisible();
    await expect(fresh.getByText('451 samples').first()).toBeVisible();
    letGo();
    await fresh.waitForResponse((r) => r.url().includes('/samples?limit='));
    await expect(fresh.getByRole('region', { name: /^Spots/ })).toContainText('blank 451 times');
    await close();
  },
);
