import { expect, test, type Page } from '@playwright/test';
import { writeArrayBuffer } from 'geotiff';
import { openCreek, openHalloway, spotLine } from './job.ts';

/** The ground in plan: drawn on, measured, picked on, with a picture of one's own beneath. */
const map = (page: Page) => page.getByRole('group', { name: /^Map of / });
async function openMap(page: Page): Promise<{ x: number; y: number; width: number; height: number }> {
  await page.getByRole('button', { name: /open the map/i }).click();
  await map(page).scrollIntoViewIfNeeded();
  await expect(map(page).locator('canvas').first()).toBeVisible();
  await page.waitForTimeout(400);
  return mapBox(page);
}
/** Where the map stands now: choosing a pencil below it may have scrolled the page. */
async function mapBox(page: Page): Promise<{ x: number; y: number; width: number; height: number }> {
  await map(page).scrollIntoViewIfNeeded();
  const box = await map(page).boundingBox();
  if (!box) throw new Error('The map has no size.');
  return box;
}
/** A tap, waited for: two quick ones would be taken for a zoom. */
async function tap(page: Page, x: number, y: number): Promise<void> {
  await page.mouse.click(x, y);
  await page.waitForTimeout(450);
}

test('a bench is drawn with its height, stands on the ribbon, is renamed, and outlives a reload', async ({ page }) => {
  await openCreek(page, 'Drawn Fork');
  await openMap(page);
  await page.getByRole('radio', { name: 'draw', exact: true }).click();
  await page.getByRole('radio', { name: 'bench', exact: true }).click();
  const box = await mapBox(page);
  const [cx, cy] = [box.x + box.width / 2, box.y + box.height / 2];
  await tap(page, cx - 60, cy - 40);
  await tap(page, cx - 60, cy + 40);
  await tap(page, cx - 10, cy + 40);
  await expect(page.getByText(/round, .* m²/)).toBeVisible();
  await tap(page, cx - 10, cy + 40);
  const sheet = page.getByRole('dialog');
  await sheet.getByRole('button', { name: 'Keep it' }).click();
  await expect(sheet.getByText('Give it a name.')).toBeVisible();
  await sheet.getByLabel('Name').fill('High terrace');
  await sheet.getByLabel('Height above the water, m').fill('900');
  await expect(sheet.getByText('Metres above the water, -5 to 300.')).toBeVisible();
  await sheet.getByLabel('Height above the water, m').fill('4');
  await sheet.getByRole('button', { name: 'Keep it' }).click();
  await expect(sheet).toBeHidden();
  await expect(page.getByRole('listbox').getByText(/High ter/)).toBeVisible();
  await page.getByRole('radio', { name: 'look', exact: true }).click();
  const after = await mapBox(page);
  await tap(page, after.x + after.width / 2 - 45, after.y + after.height / 2 + 10);
  await expect(page.getByRole('dialog')).toContainText('High terrace');
  await page.getByRole('dialog').getByLabel('Name').fill('Low terrace');
  await page.getByRole('dialog').getByRole('button', { name: 'Keep it' }).click();
  await page.reload();
  await expect(page.getByRole('listbox').getByText(/Low terr/)).toBeVisible();
});

test('a spot tapped on the map is picked on the ribbon, and a stretch is measured', async ({ page }) => {
  await openCreek(page, 'Tapped Fork');
  const box = await openMap(page);
  // The line runs north and fills the map but for 40 px above and below, 100 left, 40 right; the lower bar lies a quarter up.
  const x = box.x + 100 + (box.width - 140) / 2;
  const [top, bottom] = [box.y + 42, box.y + box.height - 42];
  await tap(page, x, bottom - 0.25 * (bottom - top));
  await expect(page).toHaveURL(/\?spot=/);
  await expect(page.getByRole('option', { name: /Lower bar/ })).toHaveAttribute('aria-selected', 'true');
  await spotLine(page, 'Upper bar').click();
  await page.getByRole('radio', { name: 'measure' }).click();
  await map(page).evaluate((el) => el.scrollIntoView({ block: 'center' }));
  const again = await map(page).boundingBox();
  await tap(page, x, (again?.y ?? 0) + 60);
  await page.mouse.move(x, (again?.y ?? 0) + 160, { steps: 5 });
  await expect(page.getByRole('status').filter({ hasText: /\d\s(m|km)$/ })).toBeVisible();
});

test('a typed ground gets its line by drawing; without a signal it says so and loses nothing @desk', async ({
  page,
  context,
}) => {
  await page.goto('/grounds/new');
  await page.getByLabel('Name').fill('Typed Fork');
  await page.getByLabel('Length', { exact: true }).fill('500 m');
  await page
    .getByRole('button', { name: /Keep|Start/ })
    .last()
    .click();
  await expect(page).toHaveURL(/\/read/);
  await openMap(page);
  await page.getByRole('radio', { name: 'draw', exact: true }).click();
  await page.getByRole('radio', { name: 'the line' }).click();
  const box = await mapBox(page);
  const [cx, cy] = [box.x + box.width / 2, box.y + box.height / 2];
  const draw = async (): Promise<void> => {
    await tap(page, cx, cy + 90);
    await tap(page, cx + 30, cy);
    await tap(page, cx, cy - 90);
    await tap(page, cx, cy - 90);
  };
  await context.setOffline(true);
  await draw();
  await expect(page.getByText('Drawing the line needs a signal')).toBeVisible();
  await context.setOffline(false);
  await draw();
  await expect(page.getByText(/^The line is .* long\.$/)).toBeVisible();
});

test('a picture with its world file lies beneath; alone it is refused in words; a tile address is checked @desk', async ({
  page,
}) => {
  await openCreek(page, 'Beneath Fork');
  await openMap(page);
  const picture = {
    name: 'old-map.png',
    mimeType: 'image/png',
    buffer: Buffer.from(
      'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
      'base64',
    ),
  };
  const world = (text: string) => ({ name: 'old-map.pgw', mimeType: 'text/plain', buffer: Buffer.from(text) });
  await page.getByRole('button', { name: 'Picture beneath ...' }).click();
  const sheet = page.getByRole('dialog');
  const choose = sheet.getByLabel('A GeoTIFF, or a picture with its world file');
  await choose.setInputFiles([picture]);
  await expect(sheet.getByText('A picture needs its world file beside it')).toBeVisible();
  await choose.setInputFiles([picture, world('0.01\n0.2\n0\n-0.01\n-33\n46.51')]);
  await expect(sheet.getByText('This picture is turned.')).toBeVisible();
  await choose.setInputFiles([{ name: 'scan.tif', mimeType: 'image/tiff', buffer: Buffer.from('II*\0broken') }]);
  await expect(sheet.getByText('This GeoTIFF cannot be read')).toBeVisible();
  await sheet.getByLabel('Or tiles from an address you may use').fill('example');
  await sheet.getByRole('button', { name: 'Use these tiles' }).click();
  await expect(sheet.getByText('An address begins with https://')).toBeVisible();
  await choose.setInputFiles([picture, world('0.01\n0\n0\n-0.01\n-33\n46.51')]);
  await expect(sheet).toBeHidden();
  await page.reload();
  await page.getByRole('button', { name: 'Picture beneath ...' }).click();
  await expect(sheet).toContainText('Now: old-map.png');
  // A GeoTIFF in longitude and latitude is taken; one in coordinates Riffle does not know is refused by their name.
  const tiff = (projected: object): Buffer =>
    Buffer.from(
      writeArrayBuffer(new Uint8Array(4 * 4 * 3).fill(120), {
        width: 4,
        height: 4,
        SamplesPerPixel: 3,
        BitsPerSample: [8, 8, 8],
        PhotometricInterpretation: 2,
        ModelPixelScale: [0.005, 0.005, 0],
        ModelTiepoint: [0, 0, 0, -33.01, 46.515, 0],
        ...projected,
      }),
    );
  await choose.setInputFiles([
    { name: 'zone.tif', mimeType: 'image/tiff', buffer: tiff({ GTModelTypeGeoKey: 1, ProjectedCSTypeGeoKey: 32625 }) },
  ]);
  await expect(sheet.getByText('This GeoTIFF lies in EPSG:32625 coordinates.')).toBeVisible();
  await choose.setInputFiles([
    { name: 'plain.tif', mimeType: 'image/tiff', buffer: tiff({ GTModelTypeGeoKey: 2, GeographicTypeGeoKey: 4326 }) },
  ]);
  await expect(sheet).toBeHidden();
  await page.getByRole('button', { name: 'Picture beneath ...' }).click();
  await expect(sheet).toContainText('Now: plain.tif');
  // Tiles are asked for only from the address that was typed.
  const asked: string[] = [];
  await page.route('https://tiles.invalid/**', (route) => {
    asked.push(route.request().url());
    return route.fulfill({ contentType: 'image/png', body: picture.buffer });
  });
  await sheet.getByLabel('Or tiles from an address you may use').fill('https://tiles.invalid/{z}/{x}/{y}.png');
  await sheet.getByRole('button', { name: 'Use these tiles' }).click();
  await expect.poll(() => asked.length).toBeGreaterThan(0);
  expect(asked[0]).toMatch(/^https:\/\/tiles\.invalid\/\d+\/\d+\/\d+\.png$/);
});

test.describe('installed', () => {
  test.use({ serviceWorkers: 'allow' });
  test('the map opens without a network once it was loaded', async ({ page, context }) => {
    await openCreek(page, 'Offline Map Fork');
    await page.evaluate(() => navigator.serviceWorker.ready);
    await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
    await context.setOffline(true);
    await page.reload();
    await openMap(page);
    await expect(page.getByText('Unfolding the map')).toBeHidden();
  });
});

test('a draw on the ribbon opens its own ribbon and the way back; a bare tap on the map marks a place @desk', async ({
  page,
}) => {
  await openHalloway(page);
  await page.getByRole('link', { name: 'Sixpence Draw' }).click();
  await expect(page.getByRole('listbox', { name: /^Sixpence Draw, straightened/ })).toBeVisible();
  await expect(page.getByText(/Runs into Halloway Creek at 893/)).toBeVisible();
  await page.getByRole('link', { name: 'Halloway Creek' }).click();
  await expect(page.getByRole('listbox', { name: /^Halloway Creek/ })).toBeVisible();
  const box = await openMap(page);
  await tap(page, box.x + box.width / 2, box.y + 30);
  await expect(page.getByText('no spot yet').first()).toBeVisible();
});

test('heights by hand level draw the bed, a tide is checked line by line, and a draw is joined to its creek @desk', async ({
  page,
}) => {
  await openCreek(page, 'Level Fork');
  await page.getByRole('button', { name: 'about it' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByText('The bed by hand level').click();
  const add = async (at: string, up: string, form: string): Promise<void> => {
    await sheet.getByLabel('Height taken at', { exact: true }).fill(at);
    await sheet.getByLabel('Higher than the one below by', { exact: true }).fill(up);
    await sheet.getByRole('radio', { name: form, exact: true }).click();
    await sheet.getByRole('button', { name: 'Add this height' }).click();
  };
  await add('0', '0', 'riffle');
  await add('9000', '1', 'pool');
  await expect(sheet.getByText(/The ground is .* long/).first()).toBeVisible();
  await add('300', '1.2', 'pool');
  await add('600', '2.5', 'step');
  await expect(sheet.getByText(/step at 600.*3\.70?\sm above the foot/)).toBeVisible();
  await sheet.getByText('A draw of another creek?').click();
  await sheet.getByLabel('It runs into').selectOption({ label: 'Halloway Creek' });
  await sheet.getByRole('button', { name: 'Keep the change' }).click();
  await expect(sheet.getByText(/^▲/).last()).toBeVisible();
  await sheet
    .getByLabel(/^At, upstream of the foot of Halloway Creek/)
    .first()
    .fill('300 m');
  await sheet.getByRole('button', { name: 'Keep the change' }).click();
  await expect(sheet).toBeHidden();
  await expect(page.getByText(/Runs into Halloway Creek at 300/)).toBeVisible();
  await expect(page.getByRole('listbox').getByText('step')).toBeVisible();
  // Taken back, so that the demo's own creek keeps its draws.
  await page.getByRole('button', { name: 'about it' }).click();
  await sheet.getByText('Runs into Halloway Creek', { exact: true }).click();
  await sheet.getByLabel('It runs into').selectOption({ label: 'nothing in this book' });
  await sheet.getByLabel('Kind', { exact: true }).selectOption('beach');
  await sheet.getByText('Tide', { exact: true }).click();
  await sheet.getByLabel('Constituents: name, amplitude in m, Greenwich phase lag').fill('M2 0.6 48\nM99 1 2');
  await sheet.getByRole('button', { name: 'Keep the change' }).click();
  await expect(sheet.getByText('“M99” is not one Riffle reckons with')).toBeVisible();
  await sheet.getByLabel('Constituents: name, amplitude in m, Greenwich phase lag').fill('M2 0,6 48\nS2\t0.2\t70');
  await sheet.getByLabel('Mean level, m').fill('1');
  await sheet.getByLabel('Sand is bare below, m').fill('1.1');
  await sheet.getByRole('button', { name: 'Keep the change' }).click();
  await expect(sheet).toBeHidden();
  await expect(page.getByRole('listbox').getByText(/sand bare below 1\.10?\sm/)).toBeVisible();
});

test('the line is bent by a hand on its corner: it grows longer and keeps its heights @desk', async ({ page }) => {
  const ground = await openCreek(page, 'Bent Fork');
  await openMap(page);
  await page.getByRole('radio', { name: 'mend', exact: true }).click();
  await expect(page.getByRole('radio', { name: 'the line' })).toBeChecked();
  const box = await mapBox(page);
  const x = box.x + 100 + (box.width - 140) / 2;
  const y = box.y + box.height / 2;
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 60, y, { steps: 6 });
  await page.mouse.up();
  await expect(page.getByText(/^The line is .* long\.$/)).toBeVisible();
  const { items } = (await (await page.request.get('/api/v1/grounds')).json()) as {
    items: { id: string; length_m: number; line: number[][] }[];
  };
  const bent = items.find((g) => g.id === ground);
  expect(bent?.length_m ?? 0).toBeGreaterThan(1150);
  expect(bent?.line.every((p) => (p[2] ?? 0) >= 12 && (p[2] ?? 99) <= 36)).toBe(true);
});
