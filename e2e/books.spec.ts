import { expect, test } from '@playwright/test';
import type { StoredCleanup, StoredGround, StoredRun } from '@riffle/contract';
import { giveBook, judgement, openCreek, openHalloway, toStage } from './job.ts';

/** The demo's book, held against what its API says and what a person types. */
test('a price typed is used everywhere, and a wrong one is told', async ({ page }) => {
  await page.goto('/settings');
  const price = page.getByLabel('For one gram of your gold');
  await price.fill('plenty');
  await expect(page.getByText('Write a number above 0, such as 62.50.')).toBeVisible();
  await price.fill('80');
  await page.getByLabel('Money').fill('crowns');
  await openHalloway(page);
  await toStage(page, 'Books');
  const { items } = (await (await page.request.get('/api/v1/grounds')).json()) as {
    items: { id: string; name: string }[];
  };
  const halloway = items.find((g) => g.name === 'Halloway Creek');
  const { total } = (await (await page.request.get(`/api/v1/grounds/${halloway?.id}/book`)).json()) as {
    total: { gold_mg: number };
  };
  await expect(judgement(page)).toContainText(`worth ${((total.gold_mg / 1000) * 80).toFixed(2)} crowns`);
});

test('the book by source adds up to the book by ground, and the CSV says the same', async ({ page }) => {
  await openHalloway(page);
  await toStage(page, 'Books');
  const bySource = page.getByRole('region', { name: 'The book by source' });
  await expect(bySource.getByRole('row', { name: /Heron Bend \+ Two Boulders/ })).toContainText(
    'mixed, not shared out',
  );
  await expect(bySource.getByRole('row', { name: /Heron Bend \+ Two Boulders/ })).toContainText('may hold older gold');
  const all = await bySource.getByRole('row', { name: /^all/ }).innerText();
  const ground = await page
    .getByRole('region', { name: 'The book by ground' })
    .getByRole('row', { name: /^Halloway Creek/ })
    .innerText();
  expect(ground.replace('Halloway Creek', '').trim().split(/\s+/)).toEqual(all.replace('all', '').trim().split(/\s+/));

  const download = page.waitForEvent('download');
  await giveBook(page);
  const saved = await download;
  expect(saved.suggestedFilename()).toBe('Halloway Creek book.csv');
  const chunks: Buffer[] = [];
  for await (const chunk of await saved.createReadStream()) chunks.push(chunk as Buffer);
  const rows = Buffer.concat(chunks)
    .toString('utf8')
    .trim()
    .split('\r\n')
    .map((r) => r.split(','));
  expect(rows[0]).toContain('volume (m3 bank)');
  const column = (name: string): number => rows[0]?.indexOf(name) ?? -1;
  const parts = rows.slice(1, -1).reduce((sum, r) => sum + Number(r[column('gold (mg)')]), 0);
  expect(parts).toBeCloseTo(Number(rows.at(-1)?.[column('gold (mg)')]), 4);
  expect(Buffer.concat(chunks).toString('utf8')).not.toMatch(/46\.4|-33\./);
});

test('the book told apart by box, pitch and month adds up, and a figure opens to the runs it is made of', async ({
  page,
}) => {
  await openHalloway(page);
  await toStage(page, 'Books');
  const all = page.getByRole('region', { name: 'The book by source' }).getByRole('row', { name: /^all/ });
  const buckets = Number(await all.getByRole('cell').nth(-2).innerText());
  for (const by of ['box', 'pitch', 'month', 'people'] as const) {
    await page.getByRole('radio', { name: by, exact: true }).click();
    const rows = page
      .getByRole('region', { name: `The book by ${by}` })
      .getByRole('row')
      .filter({ has: page.getByRole('button') });
    await expect(rows.first()).toBeVisible();
    const each = await rows.evaluateAll((trs) =>
      trs.map((tr) => Number([...tr.querySelectorAll('td')].at(-2)?.textContent)),
    );
    expect(each.reduce((sum, n) => sum + n, 0)).toBe(buckets);
  }
  await page.getByRole('radio', { name: 'month', exact: true }).click();
  const july = page.getByRole('button', { name: /^July/ });
  await july.click();
  await expect(july).toHaveAttribute('aria-expanded', 'true');
  const made = page.getByRole('list', { name: /^What .+ is made of$/ });
  await expect(made.getByText(/buckets, .+ loose from /).first()).toBeVisible();
  await made.getByRole('link', { name: 'Put one right' }).click();
  await expect(page).toHaveURL(/\/clean/);
});

test('what pans promised is held against clean-ups of one spot and a clean box; what is left out is said', async ({
  page,
}) => {
  await openHalloway(page);
  await toStage(page, 'Books');
  const rows = page
    .locator('section')
    .filter({ has: page.getByRole('heading', { name: 'Promised and came' }) })
    .getByRole('listitem');
  await expect(rows.first()).toBeVisible();
  const list = async <T>(path: string): Promise<T[]> =>
    ((await (await page.request.get(`/api/v1${path}`)).json()) as { items: T[] }).items;
  const halloway = (await list<StoredGround>('/grounds')).find((g) => g.name === 'Halloway Creek');
  const runs = await list<StoredRun>(`/grounds/${halloway?.id}/runs`);
  const cleanups = await list<StoredCleanup>(`/grounds/${halloway?.id}/cleanups`);
  // By hand: the gold over the gravel as it lay, of the clean-ups whose gravel is of one spot.
  const grades = cleanups.flatMap((c) => {
    const fed = runs.filter((r) => c.runIds.includes(r.id));
    const loose_L = fed.reduce((sum, r) => sum + r.tally.volumeLoose_L, 0);
    const gold_mg = c.sections.reduce((sum, s) => sum + s.gold_mg, 0);
    const spots = new Set(fed.flatMap((r) => Object.keys(r.tally.bySpot_L)));
    return spots.size === 1 ? [(gold_mg / loose_L) * (1 + (halloway?.swell_percent ?? NaN) / 100)] : [];
  });
  const bars = await rows.getByRole('img').evaluateAll((all) => all.map((bar) => bar.getAttribute('aria-label') ?? ''));
  expect(bars.length).toBeGreaterThan(2);
  for (const bar of bars) {
    const came = Number(/came ([\d.]+)/.exec(bar)?.[1]);
    expect(Math.min(...grades.map((g) => Math.abs(g / came - 1)))).toBeLessThan(0.03);
  }
  await expect(page.getByText(new RegExp(`the pans promised, over ${bars.length} clean-ups`))).toBeVisible();
  await expect(page.getByText(/^Left out: .*of several spots/)).toContainText('of a box not rinsed clean');
});

test('leaving with the place is asked about first', async ({ page }) => {
  await openHalloway(page);
  await toStage(page, 'Books');
  await page.getByRole('button', { name: 'Give or print ...' }).click();
  await page.getByRole('dialog').getByLabel('What', { exact: true }).selectOption('whole');
  await expect(page.getByRole('dialog')).toContainText('Whoever has it knows where you dig');
  const download = page.waitForEvent('download');
  await page.getByRole('dialog').getByRole('link', { name: 'Save it with positions' }).click();
  expect((await download).suggestedFilename()).toBe('halloway-creek.geojson');
});

test('a ground without a clean-up says what comes first', async ({ page }, { project }) => {
  // The crew is shared: another size may have brought one before.
  const name = `Bare Fork, ${project.name}`;
  await openCreek(page, name, 'books');
  await expect(judgement(page)).toContainText(`No gold in the book for ${name} yet.`);
  await expect(page.getByRole('region', { name: 'The book by ground' }).getByRole('row', { name })).toContainText(
    'nothing weighed yet',
  );
});

test(
  'the books of every ground are asked for together, also where they are kept here already',
  { tag: '@desk' },
  async ({ page }) => {
    // The island alone has five grounds; one request names a hundred.
    const asked: string[] = [];
    page.on('request', (request) => {
      const { pathname } = new URL(request.url());
      if (pathname.endsWith('/cleanups')) asked.push(pathname);
    });
    await openHalloway(page);
    await toStage(page, 'Books');
    await expect(judgement(page)).toContainText('g/m³');
    await expect.poll(() => asked.length).toBeGreaterThan(0);
    await page.waitForTimeout(1000);
    expect(asked.length, asked.join()).toBeLessThanOrEqual(4);
    asked.length = 0;
    await page.reload();
    await expect(judgement(page)).toContainText('g/m³');
    await expect.poll(() => asked.length).toBeGreaterThan(0);
    await page.waitForTimeout(1000);
    expect(asked.length, asked.join()).toBeLessThanOrEqual(4);
  },
);
