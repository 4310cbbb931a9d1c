import { readFile } from 'node:fs/promises';
import { expect, test, type Page } from '@playwright/test';
import { chooseSpot, judgement, logBucket, openCreekWithBox, tellBox, toStage } from './job.ts';

/** A day at the box: stops forgotten, the box changed while it runs, two boxes, two phones, a wrong clock. */

interface KeptRun {
  readonly id: string;
  readonly setupId: string;
  readonly tally: { buckets: number; running_s: number; brokenOff_s: number; stopped: boolean; bySpot_L: object };
}

/** A creek with a box set, on its Run. Answers the ground's id. */
async function boxSet(page: Page, name: string): Promise<string> {
  const groundId = await openCreekWithBox(page, name, `${name} box`);
  await chooseSpot(page, 'Gravel from', 'Lower bar');
  return groundId;
}

const list = async <T>(page: Page, path: string): Promise<T[]> =>
  ((await (await page.request.get(`/api/v1${path}`)).json()) as { items: T[] }).items;

/** A run of the ground's box and first spot, with its taps, as another device would have sent it. */
async function runByApi(
  page: Page,
  groundId: string,
  startedAt: string,
  taps: readonly { readonly kind: 'bucket' | 'stop'; readonly at: string }[],
): Promise<void> {
  const setup = (await list<{ id: string }>(page, `/grounds/${groundId}/setups`))[0];
  const spot = (await list<{ id: string; name: string }>(page, `/grounds/${groundId}/spots`))[0];
  if (!setup || !spot) throw new Error('No box was set.');
  const id = crypto.randomUUID();
  const begun = { id, groundId, setupId: setup.id, spotId: spot.id, startedAt, bucket_L: 20, note: '' };
  const run = { ...begun, bucketEntered: { text: '20', unit: 'L' }, deleted: false, baseVersion: 0 };
  expect((await page.request.put(`/api/v1/runs/${id}`, { data: run })).status()).toBe(201);
  const nothing = { volume_L: null, fullness: null, spotId: null };
  const bucket = { volume_L: 20, fullness: 'full', spotId: spot.id };
  const events = taps.map(({ kind, at }) => ({
    ...(kind === 'bucket' ? bucket : nothing),
    ...{ kind, at, undoes: null, deviceId: null, deviceCount: null, id: crypto.randomUUID() },
  }));
  expect((await page.request.post(`/api/v1/runs/${id}/events`, { data: { events } })).ok()).toBe(true);
}

test('a stop that was forgotten is asked about, and the hours since are no work', async ({ page }) => {
  const groundId = await boxSet(page, 'Forgotten Fork');
  // Begun five hours ago, two buckets after ten and twenty minutes, and then nothing.
  const began_ms = Date.now() - 5 * 3_600_000;
  const at = (min: number): string => new Date(began_ms + min * 60_000).toISOString();
  await runByApi(
    page,
    groundId,
    at(0),
    [10, 20].map((m) => ({ kind: 'bucket', at: at(m) })),
  );
  await page.reload();
  await expect(judgement(page)).toContainText(/^Last bucket .+\. Stopped then\?$/);
  await expect(page.getByRole('timer')).toHaveText('20:00');
  await page.getByRole('button', { name: /^Yes, stopped at/ }).click();
  await expect(judgement(page)).toContainText('Stopped. Clean up and weigh it.');
  await expect
    .poll(async () => (await list<KeptRun>(page, `/grounds/${groundId}/runs`))[0]?.tally)
    .toMatchObject({ buckets: 2, running_s: 1200, brokenOff_s: 0, stopped: true });
  // On it goes: the hours between are a stop.
  await page.getByRole('button', { name: 'Run on' }).click();
  await logBucket(page, 3);
  await expect(page.getByRole('timer')).toHaveText(/^20:\d\d$/);
});

test('a double tap is one bucket, however long the device takes to come to the second', async ({ page }) => {
  await boxSet(page, 'Slow Fork');
  await page.getByRole('button', { name: 'Start the run' }).click();
  await logBucket(page, 1);
  await page.evaluate(() => {
    const hold = (): void => {
      const since = performance.now();
      while (performance.now() - since < 900);
    };
    addEventListener('click', hold, { once: true });
  });
  const log = page.getByRole('button', { name: 'Log bucket a full one' });
  await log.dblclick();
  await expect(page.getByRole('img', { name: '2 buckets' })).toBeVisible();
  // Pressed and held, the key is one bucket too.
  await page.waitForTimeout(600);
  for (let i = 0; i < 3; i++) {
    await page.keyboard.down('b');
    await page.waitForTimeout(300);
  }
  await page.keyboard.up('b');
  await expect(page.getByRole('img', { name: '3 buckets' })).toBeVisible();
  await page.waitForTimeout(600);
  await expect(page.getByRole('img', { name: '3 buckets' })).toBeVisible();
});

test('a bucket and its Undo in one instant: the bucket just tapped is the one that is taken back', async ({ page }) => {
  const groundId = await boxSet(page, 'Quick Fork');
  await page.getByRole('button', { name: 'Start the run' }).click();
  await logBucket(page, 1);
  // The guard against a double tap is over.
  await page.waitForTimeout(600);
  const log = page.getByRole('button', { name: 'Log bucket a full one' });
  await log.evaluate((button: HTMLElement) => {
    button.click();
    const undo = [...document.querySelectorAll('button')].find((b) => b.textContent === 'Undo');
    undo?.click();
  });
  await expect(page.getByRole('img', { name: '1 buckets' })).toBeVisible();
  const [run] = await list<KeptRun & { id: string }>(page, `/grounds/${groundId}/runs`);
  const events = () => list<{ id: string; kind: string; undoes: string | null }>(page, `/runs/${run?.id}/events`);
  await expect.poll(async () => (await events()).length).toBe(3);
  const taps = await events();
  expect(taps.map((e) => e.kind)).toEqual(['bucket', 'bucket', 'undo']);
  expect(taps[2]?.undoes).toBe(taps[1]?.id);
  await page.reload();
  await expect(page.getByRole('img', { name: '1 buckets' })).toBeVisible();
});

test('the box changed while it runs: a stint of its own, and back by Undo; the chosen source outlives a reload', async ({
  page,
}) => {
  const groundId = await boxSet(page, 'Stint Fork');
  await page.getByRole('button', { name: 'Start the run' }).click();
  await page.getByLabel('Next bucket from').selectOption({ label: 'Upper bar' });
  await page.reload();
  await expect(page.getByLabel('Next bucket from').locator('option:checked')).toHaveText('Upper bar');
  await logBucket(page, 1);
  await page.getByRole('button', { name: 'head +10 mm' }).click();
  await expect(page.getByText('Head +10 mm: a stint begins.')).toBeVisible();
  await expect(page.getByRole('img', { name: '0 buckets' })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect(page.getByRole('img', { name: '1 buckets' })).toBeVisible();
  await expect(page.getByRole('list', { name: 'Stints, the latest first' })).toHaveCount(0);
  await page.getByRole('button', { name: 'water +5 mm' }).click();
  await logBucket(page, 1);
  await logBucket(page, 2);
  const stints = page.getByRole('list', { name: 'Stints, the latest first' }).filter({ visible: true });
  await expect(stints.getByRole('listitem').first()).toContainText('water 20 mm to 25 mm');
  await expect(stints.getByRole('listitem').first()).toContainText('2 buckets');
  await expect(stints.getByRole('listitem').last()).toContainText('as first set');
  await expect(stints.getByRole('listitem').last()).toContainText('1 bucket');
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  await page.getByRole('link', { name: 'Clean up' }).click();
  // Both stints wait for the same clean-up; the first goes on from where its stop was taken back.
  await expect
    .poll(async () =>
      (await list<KeptRun & { deleted: boolean }>(page, `/grounds/${groundId}/runs`))
        .filter((r) => !r.deleted)
        .map((r) => [r.tally.buckets, r.tally.stopped]),
    )
    .toEqual([
      [1, true],
      [2, true],
    ]);
  const setups = await list<{ depth_m: number; deleted: boolean }>(page, `/grounds/${groundId}/setups`);
  expect(setups.filter((s) => !s.deleted).map((s) => s.depth_m)).toEqual([0.02, 0.025]);
});

test('another lining and another layer are stints; the book is told apart by layer and by who was at it', async ({
  page,
  isMobile,
}) => {
  test.setTimeout(480_000);
  const fork = `Lining Fork ${isMobile ? 'p' : 'd'}`;
  const box = `${fork} box`;
  const groundId = await boxSet(page, fork);
  await page.getByLabel('Layer').fill('rust gravel');
  await page.getByLabel('Who', { exact: true }).fill('Ada, Bo');
  await expect(page.getByLabel('How many of you')).toHaveValue('2');
  await page.getByRole('button', { name: 'Start the run' }).click();
  await expect(page.getByText(`Lower bar, rust gravel, into ${box}`)).toBeVisible();
  await logBucket(page, 1);
  const rigs = async (): Promise<string[]> =>
    (await list<{ name: string; deleted: boolean }>(page, '/rigs'))
      .filter((r) => r.name.startsWith(box) && !r.deleted)
      .map((r) => r.name)
      .sort();
  const reline = async (): Promise<void> => {
    await page.getByRole('button', { name: 'another lining' }).click();
    const sheet = page.getByRole('dialog');
    await sheet.getByRole('button', { name: 'Lined so from now on' }).click();
    await expect(sheet.getByText('It is lined so already.')).toBeVisible();
    await sheet.getByLabel('Lined with').selectOption({ label: 'bare carpet' });
    await sheet.getByRole('button', { name: 'Lined so from now on' }).click();
    await expect(page.getByText(`${box}, lined with bare carpet: a stint begins.`)).toBeVisible();
    await expect(page.getByRole('img', { name: '0 buckets' })).toBeVisible();
  };
  await reline();
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect(page.getByRole('img', { name: '1 buckets' })).toBeVisible();
  await expect.poll(rigs).toEqual([box]);
  await reline();
  await logBucket(page, 1);
  await logBucket(page, 2);
  const stints = page.getByRole('list', { name: 'Stints, the latest first' }).filter({ visible: true });
  await expect(stints.getByRole('listitem').first()).toContainText('lined with bare carpet');
  await expect(stints.getByRole('listitem').first()).toContainText('2 buckets');
  await expect(stints.getByRole('listitem').last()).toContainText('as first set');
  await page.getByRole('button', { name: 'another layer' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('Layer').fill('rust gravel');
  await sheet.getByRole('button', { name: 'Fed from now on' }).click();
  await expect(sheet.getByText('That is what is fed already.')).toBeVisible();
  await sheet.getByLabel('Layer').fill('x'.repeat(81));
  await sheet.getByRole('button', { name: 'Fed from now on' }).click();
  await expect(sheet.getByText('A layer has at most 80 characters.')).toBeVisible();
  await sheet.getByLabel('Layer').fill('gray clay');
  await sheet.getByRole('button', { name: 'Fed from now on' }).click();
  await expect(page.getByText(`Lower bar, gray clay, into ${box}, lined with bare carpet`)).toBeVisible();
  await logBucket(page, 1);
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  await page.getByRole('button', { name: /^Fuel, who was at it/ }).click();
  await sheet.getByLabel('Fuel burnt', { exact: true }).fill('lots');
  await sheet.getByRole('button', { name: 'Keep it so' }).click();
  await expect(sheet).toBeVisible();
  await sheet.getByLabel('Fuel burnt', { exact: true }).fill('0.5');
  await sheet.getByRole('button', { name: 'Keep it so' }).click();
  await expect(sheet).toHaveCount(0);
  interface Told extends KeptRun {
    readonly who: string;
    readonly layer: string;
    readonly people: number | null;
    readonly deleted: boolean;
  }
  const kept = async () =>
    (await list<Told>(page, `/grounds/${groundId}/runs`))
      .filter((r) => !r.deleted)
      .map((r) => [r.layer, r.who, r.people, r.tally.buckets, r.tally.stopped]);
  await expect.poll(kept).toEqual([
    ['rust gravel', 'Ada, Bo', 2, 1, true],
    ['rust gravel', 'Ada, Bo', 2, 2, true],
    ['gray clay', 'Ada, Bo', 2, 1, true],
  ]);
  // Weighed apart: 30 mg of the rust gravel, 2 of the clay.
  const runs = (await list<Told>(page, `/grounds/${groundId}/runs`)).filter((r) => !r.deleted);
  for (const [of, gold_mg] of [
    ['rust gravel', 30],
    ['gray clay', 2],
  ] as const) {
    const id = crypto.randomUUID();
    const section = { name: 'whole box', from_m: 0, to_m: 1.2, lining: 'carpet', gold_mg, colors: null, bySize: [] };
    const cleanup = {
      id,
      deleted: false,
      baseVersion: 0,
      groundId,
      runIds: runs.filter((r) => r.layer === of).map((r) => r.id),
      rinseOutOf: [],
      cleanedAt: new Date().toISOString(),
      sections: [{ ...section, goldEntered: { text: String(gold_mg), unit: 'mg' }, weighing: null }],
      screens: [],
      blackSand_g: null,
      blackSandEntered: null,
      rinsedClean: 'yes',
      worked_s: null,
      note: '',
    };
    expect((await page.request.put(`/api/v1/cleanups/${id}`, { data: cleanup })).status()).toBe(201);
  }
  // Another's clean-ups come with the page opened anew, however lately this device read them.
  await page.goto(`/g/${groundId}/books`);
  await expect(page.getByText(/It took 0\.5\sL of fuel, not told of every run\./)).toBeVisible();
  await page.getByRole('radio', { name: 'layer', exact: true }).click();
  const book = page.getByRole('region', { name: 'The book by layer' });
  await expect(book.getByRole('row', { name: /^rust gravel/ })).toContainText(/30\smg/);
  await expect(book.getByRole('row', { name: /^gray clay/ })).toContainText(/2\smg/);
  await page.getByRole('radio', { name: 'who', exact: true }).click();
  await expect(
    page.getByRole('region', { name: 'The book by who' }).getByRole('row', { name: /^Ada \+ Bo/ }),
  ).toContainText(/32\smg/);
});

test('two boxes run side by side, each one tap away', async ({ page }) => {
  await tellBox(page, await boxSet(page, 'Two Box Fork'), 'Other box');
  await page.reload();
  // Until then it is as this device kept it.
  await expect(page.getByLabel('Set-up').getByRole('option')).toHaveCount(2);
  await page.getByRole('button', { name: 'Start the run' }).click();
  await logBucket(page, 1);
  await page.getByRole('button', { name: 'Start another box beside it' }).click();
  await page.getByLabel('Set-up').selectOption({ index: 1 });
  await page.getByRole('button', { name: 'Start the run' }).click();
  await logBucket(page, 1);
  await logBucket(page, 2);
  const open = page.getByRole('group', { name: 'Runs that are open' });
  await expect(open.getByRole('button', { pressed: true })).toContainText('Two Box Fork box');
  await open.getByRole('button', { name: /^Other box/ }).click();
  await expect(page.getByRole('img', { name: '1 buckets' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('img', { name: '1 buckets' })).toBeVisible();
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  await open.getByRole('button', { name: /^Two Box Fork box/ }).click();
  await expect(page.getByRole('img', { name: '2 buckets' })).toBeVisible();
});

test('of many runs that nobody weighed the latest stand first, the earlier ones a tap away', async ({ page }) => {
  const groundId = await boxSet(page, 'Unweighed Fork');
  const start = page.url();
  // A page that looks on would take a run for one that goes on, between its start and its events.
  await page.goto('about:blank');
  const day_ms = 86_400_000;
  for (let days = 15; days >= 1; days--) {
    const at = (min: number): string => new Date(Date.now() - days * day_ms + min * 60_000).toISOString();
    // Of the day so many days ago as many buckets.
    const buckets = Array.from({ length: days }, (_, i) => ({ kind: 'bucket' as const, at: at(5 * (i + 1)) }));
    await runByApi(page, groundId, at(0), [...buckets, { kind: 'stop', at: at(5 * (days + 1)) }]);
  }
  await page.goto(start);
  const runs = page.getByRole('listitem').filter({ hasText: 'put right' });
  await expect(runs).toHaveCount(12);
  await expect(runs.first()).toContainText(': 1 bucket,');
  await page.getByRole('button', { name: '3 earlier runs' }).click();
  await expect(runs).toHaveCount(15);
  await expect(runs.last()).toContainText(': 15 buckets,');
  await expect(page.getByRole('button', { name: /earlier run/ })).toHaveCount(0);
  await toStage(page, 'Clean');
  // What is not shown yet lies in the box all the same.
  await expect(page.getByRole('checkbox', { name: /buckets?, .* loose/ })).toHaveCount(12);
  await page.getByRole('button', { name: '3 earlier runs' }).click();
  await expect(page.getByRole('checkbox', { name: /buckets?, .* loose/, checked: true })).toHaveCount(15);
  // A season of them does not bury what else stands on the day's sheet.
  await page.goto(`/g/${groundId}/day`);
  await expect(page.getByText(/^Concentrate of .+ not weighed$/)).toHaveCount(12);
  await expect(page.getByText(/ 1 bucket, not weighed$/)).toBeVisible();
  await expect(page.getByRole('button', { name: '3 earlier runs not weighed' })).toBeVisible();
});

test('two phones at one box see each other’s buckets', { tag: '@phone' }, async ({ page, browser }) => {
  await boxSet(page, 'Pair Fork');
  await page.getByRole('button', { name: 'Start the run' }).click();
  await logBucket(page, 1);
  const other = await (await browser.newContext()).newPage();
  await other.goto(page.url());
  await expect(other.getByRole('img', { name: '1 buckets' })).toBeVisible();
  // Of the others' taps only what follows the last one known is fetched.
  const asked: string[] = [];
  page.on('request', (r) => {
    const { pathname, searchParams } = new URL(r.url());
    if (r.method() === 'GET' && pathname.endsWith('/events'))
      asked.push(searchParams.has('after') ? 'following' : 'all');
  });
  await logBucket(other, 2);
  await expect(page.getByRole('img', { name: '2 buckets' })).toBeVisible({ timeout: 4000 });
  expect(asked).toEqual(['following']);
  await logBucket(page, 3);
  await expect(other.getByRole('img', { name: '3 buckets' })).toBeVisible({ timeout: 4000 });
  // Stopped on one, it stands stopped on both.
  await other.getByRole('button', { name: 'Stop', exact: true }).click();
  await expect(judgement(page)).toContainText('Stopped. Clean up and weigh it.', { timeout: 4000 });
  await other.context().close();
});

test('a phone three hours slow is noticed, and its taps are set right', { tag: '@phone' }, async ({ page }) => {
  const slow_ms = 3 * 3_600_000;
  await page.addInitScript((by) => {
    const right = Date.now;
    Date.now = () => right() - by;
    globalThis.Date = new Proxy(Date, {
      construct: (target, given: [] | [number]) =>
        given.length === 0 ? new target(right() - by) : new target(...given),
    });
  }, slow_ms);
  const groundId = await boxSet(page, 'Slow Clock Fork');
  await page.getByRole('button', { name: 'Start the run' }).click();
  await expect(page.getByText(/^This device’s clock is [23]:\d\d:\d\d slow\./)).toBeVisible();
  await logBucket(page, 1);
  await expect(page.getByRole('timer')).toHaveText(/^0:\d\d$/);
  await expect.poll(async () => (await list<KeptRun>(page, `/grounds/${groundId}/runs`))[0]?.tally.buckets).toBe(1);
  const run = (await list<KeptRun>(page, `/grounds/${groundId}/runs`))[0];
  const [tap] = await list<{ at: string }>(page, `/runs/${run?.id ?? ''}/events`);
  expect(Math.abs(Date.parse(tap?.at ?? '') - Date.now())).toBeLessThan(60_000);
});

test('a spot that is picked stands at once in the list and in the words, also on a slow phone', async ({ page }) => {
  await boxSet(page, 'Quick Fork');
  const right = await page.getByLabel('Gravel from', { exact: true }).evaluate(async (list: HTMLSelectElement) => {
    const upper = [...list.options].find((o) => o.text.startsWith('Upper bar'))?.value ?? '';
    list.value = upper;
    list.dispatchEvent(new Event('change', { bubbles: true }));
    // Before the browser draws.
    await Promise.resolve();
    return { stays: list.value === upper, says: document.querySelector('h1')?.textContent };
  });
  expect(right).toEqual({ stays: true, says: 'Run Upper bar through Quick Fork box.' });
});

test('a run written on paper is put in whole: spread over its hours, its people told, and back by Undo', async ({
  page,
}) => {
  const groundId = await boxSet(page, 'Paper Fork');
  await page.getByLabel('How many of you').selectOption('2');
  await page.getByRole('button', { name: 'A run written on paper' }).click();
  const sheet = page.getByRole('dialog', { name: 'A run from paper' });
  await sheet.getByRole('button', { name: 'Write it in the book' }).click();
  await expect(sheet.getByRole('alert').filter({ hasText: 'Not kept' })).toContainText('A day and an hour.');
  await sheet.getByLabel('Began', { exact: true }).fill('3 May 2026 9:00');
  await sheet.getByLabel('Stopped', { exact: true }).fill('3 May 2026 8:00');
  await expect(sheet.getByText('It stopped before it began.').first()).toBeVisible();
  await sheet.getByLabel('Stopped', { exact: true }).fill('3 May 2026 11:00');
  await sheet.getByLabel('Gravel from').selectOption({ label: 'Lower bar' });
  await sheet.getByLabel('Buckets').fill('lots');
  await sheet.getByRole('button', { name: 'Write it in the book' }).click();
  await expect(sheet.getByText('How many buckets: a whole number.').first()).toBeVisible();
  await sheet.getByLabel('Buckets').fill('8');
  await sheet.getByRole('button', { name: 'and from another spot' }).click();
  await sheet.getByLabel('then from').selectOption({ label: 'Upper bar' });
  await sheet.getByLabel('Buckets').last().fill('4');
  await expect(sheet.getByText('A bucket in 10:00.')).toBeVisible();
  await sheet.getByRole('button', { name: 'Write it in the book' }).click();
  const runs = async () =>
    (await list<KeptRun & { people: number; deleted: boolean }>(page, `/grounds/${groundId}/runs`)).filter(
      (r) => !r.deleted,
    );
  await expect.poll(async () => (await runs())[0]?.tally.buckets).toBe(12);
  const [run] = await runs();
  expect(run).toMatchObject({ people: 2, tally: { running_s: 7200, brokenOff_s: 0, stopped: true } });
  expect(Object.values(run?.tally.bySpot_L ?? {}).sort((a: number, b: number) => a - b)).toEqual([80, 160]);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(runs).toEqual([]);
});

test('a season out of a spreadsheet: columns are told, rows put right, the gold counts, all of it taken back', async ({
  page,
}, info) => {
  const groundId = await boxSet(page, `Sheet Fork ${info.project.name}`);
  await page.getByRole('button', { name: 'Runs from a table' }).click();
  const sheet = page.getByRole('dialog', { name: 'Runs from a table' });
  await sheet.getByLabel('or cells pasted from a spreadsheet').fill('only one line');
  await sheet.getByRole('button', { name: 'Read what is pasted' }).click();
  await expect(sheet.getByRole('alert')).toContainText('This does not read as a table');
  await sheet
    .getByLabel('or cells pasted from a spreadsheet')
    .fill(
      'When\tHole\tBuckets\tLength\tHands\tGold (g)\n3/5/2026\tlower bar\t10\t2:30\t2\t0.05\n4/5/2026\tUpper bar\t6\t2\t1\t\n5/5/2026\tlost bar\t4\t1\t1\t0.01',
    );
  await sheet.getByRole('button', { name: 'Read what is pasted' }).click();
  await expect(sheet).toContainText('No row can be taken yet.');
  await expect(sheet.getByRole('list', { name: 'Rows that are not taken' })).toContainText(
    'Row 2, When: “3/5/2026” is no day as year-month-day.',
  );
  await sheet.getByLabel('Days are written').selectOption('day/month/year');
  // “Length” is no name for hours: told by hand.
  await expect(sheet.getByRole('list', { name: 'Rows that are not taken' })).toContainText(
    'How long it was fed is missing',
  );
  await sheet.getByLabel('Hours it was fed').selectOption('Length');
  await expect(sheet).toContainText('2 runs, 16 buckets, 50 mg.');
  await expect(sheet).toContainText('1 row not taken, see below. 2 rows without an hour: from 9:00 on.');
  await expect(sheet.getByRole('list', { name: 'Rows that are not taken' })).toHaveText(
    'Row 4, Hole: There is no spot “lost bar” on this ground.',
  );
  const saving = page.waitForEvent('download');
  await sheet.getByRole('button', { name: 'save these rows with their reasons' }).click();
  const csv = await readFile(await (await saving).path(), 'utf8');
  expect(csv).toContain('5/5/2026,lost bar,4,1,1,0.01,4,Hole: There is no spot “lost bar” on this ground.');
  await sheet.getByRole('button', { name: 'Write 2 runs in the book' }).click();
  await expect(page.getByText('2 runs of the table are in the book.')).toBeVisible();

  const kept = async (kind: 'runs' | 'cleanups'): Promise<(KeptRun & { deleted: boolean; people: number })[]> =>
    (await list<KeptRun & { deleted: boolean; people: number }>(page, `/grounds/${groundId}/${kind}`)).filter(
      (r) => !r.deleted,
    );
  await expect.poll(async () => (await kept('cleanups')).length).toBe(1);
  await expect
    .poll(async () => (await kept('runs')).map((r) => [r.people, r.tally.buckets, r.tally.stopped]).sort())
    .toEqual([
      [1, 6, true],
      [2, 10, true],
    ]);
  // Brought in again its rows are known; nothing is doubled unasked.
  await page.getByRole('button', { name: 'Runs from a table' }).click();
  await sheet
    .getByLabel('or cells pasted from a spreadsheet')
    .fill('When\tHole\tBuckets\tHours\n2026-05-03\tLower bar\t10\t2');
  await sheet.getByRole('button', { name: 'Read what is pasted' }).click();
  await expect(sheet).toContainText('1 row is in the book already');
  await expect(sheet.getByRole('button', { name: 'Nothing to write yet' })).toBeDisabled();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(async () => (await kept('runs')).length + (await kept('cleanups')).length).toBe(0);
});
