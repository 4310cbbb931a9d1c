import { expect, test } from '@playwright/test';
import { creekGpx, dropFile, judgement, openHalloway } from './job.ts';

/** A ground out of files as devices and other programs write them. */
const track = (name: string, north: number, points: number): string =>
  `<trk><name>${name}</name><trkseg>${Array.from({ length: points }, (_, i) => `<trkpt lat="${(north + i * 0.0004).toFixed(4)}" lon="-33.1"/>`).join('')}</trkseg></trk>`;

test('of lines that lie apart the person says which is the ground', async ({ page }) => {
  await page.goto('/grounds/new');
  const gpx = `<gpx version="1.1" creator="t" xmlns="http://www.topografix.com/GPX/1/1">${track('Long day', 46.5, 40)}${track('Short day', 46.7, 20)}</gpx>`;
  await dropFile(page, 'trip.gpx', gpx);
  await expect(judgement(page)).toHaveText('Which of these 2 lines of trip.gpx is the ground?');
  await expect(page.getByRole('button', { name: /Short day/ })).toContainText(/20,\d{3}\sm from line 1/);
  await page.getByRole('button', { name: /Short day/ }).click();
  await expect(judgement(page)).toContainText('20 points');
  await page.getByRole('button', { name: 'Another line of this file' }).click();
  await page.getByRole('button', { name: /Long day/ }).click();
  await expect(judgement(page)).toContainText('40 points');
  await page.getByRole('radio', { name: 'A to B' }).click();
  await page.getByRole('button', { name: 'Keep this ground' }).click();
  await expect(page).toHaveURL(/\/read/);
  await expect(page.getByText('Long day').filter({ visible: true }).first()).toBeVisible();
});

test('a table of positions is read by the columns one names', { tag: '@desk' }, async ({ page }) => {
  await page.goto('/grounds/new');
  const rows = Array.from({ length: 30 }, (_, i) => `46,5${String(100 + i)};-33,1;${i === 12 ? 'Ledge' : ''}`);
  await dropFile(page, 'walk.csv', ['B;L;Mark', ...rows, 'x;y;'].join('\n'), 'text/csv');
  await expect(page.getByText(/Say which column is the latitude/)).toBeVisible();
  await page.getByLabel('Latitude', { exact: true }).selectOption('B');
  await page.getByLabel('Longitude', { exact: true }).selectOption('L');
  await page.getByRole('button', { name: 'Read it so' }).click();
  await expect(page.getByText(/Row 32: “x”, “y” is no latitude and longitude/)).toBeVisible();
  await dropFile(page, 'walk.csv', ['B;L;Mark', ...rows].join('\n'), 'text/csv');
  await page.getByLabel('Latitude', { exact: true }).selectOption('B');
  await page.getByLabel('Longitude', { exact: true }).selectOption('L');
  await page.getByRole('button', { name: 'Read it so' }).click();
  await expect(judgement(page)).toContainText('30 points, no spots yet');
  await page.getByLabel('Name: a row that has one is a spot').selectOption('Mark');
  await page.getByRole('button', { name: 'Read it so' }).click();
  await expect(judgement(page)).toContainText('29 points, 1 spot');
});

test(
  'of two files the one dropped last counts, however late the first is answered',
  { tag: '@desk' },
  async ({ page }) => {
    let answered = 0;
    await page.route('**/api/v1/ground-files*', async (route) => {
      if (answered++ === 0) await new Promise((resolve) => setTimeout(resolve, 3000));
      await route.continue();
    });
    await page.goto('/grounds/new');
    await dropFile(page, 'first.gpx', creekGpx('The first'));
    await expect(page.getByText('Reading the file ...')).toBeVisible();
    await dropFile(page, 'second.gpx', creekGpx('The second'));
    await expect(page.getByLabel('Name of the ground')).toHaveValue('The second');
    await page.waitForTimeout(4000);
    await expect(page.getByLabel('Name of the ground')).toHaveValue('The second');
    // One that is bad is told of, and what was asked of the one before it is gone.
    await page.goto('/grounds/new');
    await dropFile(page, 'walk.csv', 'B;L\n46,5;-33\n46,6;-33', 'text/csv');
    await expect(page.getByText(/Say which column is the latitude/)).toBeVisible();
    await dropFile(page, 'broken.gpx', '<gpx><trk>');
    await expect(page.getByText(/“broken\.gpx”/)).toBeVisible();
    await expect(page.getByText(/Say which column is the latitude/)).toBeHidden();
  },
);

test('a ground’s own file says all it holds, and makes a second ground of it', { tag: '@desk' }, async ({ page }) => {
  await openHalloway(page);
  const id = /\/g\/([0-9a-f-]{36})/.exec(page.url())?.[1] ?? '';
  const file = await (await page.request.get(`/api/v1/grounds/${id}/ground.geojson`)).text();
  await page.goto('/grounds/new');
  await dropFile(page, 'halloway.geojson', file, 'application/geo+json');
  await expect(judgement(page)).toContainText(/14 spots, \d+ .* and \d+ samples/);
  await page.getByLabel('Name of the ground').fill('Halloway again');
  await page.getByRole('button', { name: 'Keep this ground' }).click();
  await expect(page.getByRole('listbox', { name: /^Halloway again, straightened: 14 spots/ })).toBeVisible();
  const again = /\/g\/([0-9a-f-]{36})/.exec(page.url())?.[1] ?? '';
  const samples = async (g: string): Promise<number> =>
    ((await (await page.request.get(`/api/v1/grounds/${g}/samples`)).json()) as { items: unknown[] }).items.length;
  expect(await samples(again)).toBe(await samples(id));
});
