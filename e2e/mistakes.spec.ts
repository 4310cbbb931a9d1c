import { writeFile } from 'node:fs/promises';
import { expect, test } from '@playwright/test';
import { chooseSpot, creekGpx, dropFile, judgement, openCreek, setBox, toStage } from './job.ts';

/** Getting it wrong on purpose: every answer stands where the mistake is, and nothing typed is lost. */
test.describe('files', () => {
  test.beforeEach(async ({ page }) => {
    await page.goto('/grounds/new');
  });
  for (const [name, content, says] of [
    ['cut-off.gpx', creekGpx('Cut').slice(0, 900), /damaged/],
    ['no-line.gpx', '<gpx version="1.1"><wpt lat="46" lon="-33"><name>A</name></wpt></gpx>', /no track or line/],
    [
      'swapped.gpx',
      '<gpx version="1.1"><trk><trkseg><trkpt lat="-133" lon="46.5"/><trkpt lat="-133.01" lon="46.51"/></trkseg></trk></gpx>',
      /swapped/,
    ],
    ['notes.txt', 'bring bread', /neither GPX, KML, GeoJSON, a receiver/],
  ] as const) {
    test(name, { tag: '@desk' }, async ({ page }) => {
      // The same code on both sizes.
      await dropFile(page, name, content);
      await expect(page.getByRole('alert').filter({ hasText: name })).toContainText(says);
      await expect(page.getByLabel('Choose the file of a walk')).toBeAttached();
    });
  }
  test('a file of 50 MB is turned away before it is sent', async ({ page }, info) => {
    const path = info.outputPath('huge.gpx');
    await writeFile(path, Buffer.alloc(50 * 1024 * 1024, ' '));
    await page.getByLabel('Choose the file of a walk').setInputFiles(path);
    await expect(page.getByRole('alert').filter({ hasText: 'huge.gpx' })).toContainText('50 MB; the most is 32 MB');
  });
  test('a file that does not say which way the water runs is asked about', async ({ page }) => {
    await dropFile(page, 'flat.gpx', creekGpx('Flat Fork').replaceAll(/<ele>[^<]*<\/ele>/g, ''));
    await page.getByRole('button', { name: 'Keep this ground' }).click();
    await expect(page.getByText(/Say which way the water runs/)).toBeVisible();
    await page.getByRole('radio', { name: 'A to B' }).click();
    await page.getByRole('button', { name: 'Keep this ground' }).click();
    // Drawn northward and running northward, the east side is the right bank.
    await expect(page.getByRole('option', { name: /Lower bar, 8\d\d m up, right bank/ })).toBeAttached();
  });
  test('a typed ground needs a name and a length it can believe', async ({ page }) => {
    await page.getByRole('button', { name: 'Start this ground' }).click();
    await expect(page.getByText('Give it a name.')).toBeVisible();
    await page.getByLabel('Name', { exact: true }).fill('Typed Gulch');
    await page.getByLabel('Length', { exact: true }).fill('900000 km');
    await expect(page.getByText(/between 5 m and 200 km/)).toBeVisible();
    await page.getByLabel('Length', { exact: true }).fill('1/2 mi');
    await page.getByRole('button', { name: 'Start this ground' }).click();
    await expect(page).toHaveURL(/\/read/);
    await expect(judgement(page)).toContainText('mark the first spot');
    await page.getByRole('listbox').click({ position: { x: 200, y: 60 } });
    await page.getByRole('dialog').getByLabel('Name').fill('First bar');
    await page.getByRole('button', { name: 'Mark this spot' }).click();
    await expect(page.getByRole('option', { name: /First bar/ })).toHaveAttribute('aria-selected', 'true');
  });
});

test('a sample with wrong fields is not kept, and says where', async ({ page }) => {
  await openCreek(page, 'Wrong Fork', 'sample');
  await page.getByRole('button', { name: 'One more −40' }).click();
  await page.getByRole('button', { name: 'Keep this sample' }).click();
  await expect(page.getByText('Say which spot this pan is from.')).toBeVisible();
  await page.getByLabel('Spot', { exact: true }).selectOption({ label: 'Lower bar' });
  await page.getByLabel('Depth below the surface', { exact: true }).fill('two feet');
  await page.getByLabel('How much you panned', { exact: true }).fill('1,5 L');
  await page.getByRole('button', { name: 'Keep this sample' }).click();
  await expect(page.getByText(/does not start with a number/)).toBeVisible();
  await expect(page.getByText(/Write the decimal with a point/)).toBeVisible();
  await expect(page.getByRole('alert').filter({ hasText: 'Not kept yet' })).toBeVisible();
  await expect(page.getByLabel('Colors −40')).toHaveValue('1');
  await page.getByLabel('Depth below the surface', { exact: true }).fill('6 ft');
  await expect(page.getByText(/nobody in an unshored hole/)).toBeVisible();
});

test('absurd boxes are answered in words', async ({ page }) => {
  await openCreek(page, 'Absurd Fork', 'set');
  await page.getByLabel('Pitch', { exact: true }).fill('12 in/ft');
  await page.getByLabel('Pitch', { exact: true }).blur();
  await expect(page.getByText(/steep/).first()).toBeVisible();
  await page.getByLabel('Pitch', { exact: true }).fill('8 in/ft');
  await expect(judgement(page)).toContainText('pitched between 0.2 % and 40 %');
  await page.getByLabel('Pitch', { exact: true }).fill('5%');
  await page.getByLabel('Water over the lining', { exact: true }).fill('3 m');
  await expect(judgement(page)).toContainText('a river, not a box');
  await page.getByLabel('Water over the lining', { exact: true }).fill('');
  await page.getByRole('button', { name: 'Keep this set-up' }).click();
  await expect(page.getByText('Nothing is typed yet.')).toBeVisible();
});

test('flow measured with a float and with a bucket', { tag: '@phone' }, async ({ page }) => {
  // Done at the creek.
  await openCreek(page, 'Float Fork', 'set');
  await page.getByRole('button', { name: 'Measure the flow' }).click();
  const sheet = page.getByRole('dialog');
  // 0.85 x (10 m / 12.5 s) x 2 m x 0.25 m = 0.34 m3/s (check value 06c).
  await sheet.getByLabel('Run of the float', { exact: true }).fill('10 m');
  await sheet.getByLabel('Width of the water, mean', { exact: true }).fill('2 m');
  await sheet.getByLabel('Depth of the water, mean', { exact: true }).fill('0.25 m');
  await sheet.getByLabel('Or type a time', { exact: true }).fill('12.5');
  await sheet.getByRole('button', { name: 'Add' }).click();
  await expect(sheet.getByRole('status')).toHaveText('340 L/s');
  // 20 L in 8.0, 7.6 and 8.3 s: 2.51 L/s (check value 06d).
  await sheet.getByRole('radio', { name: 'A bucket' }).click();
  await sheet.getByLabel('Volume filled', { exact: true }).fill('20 L');
  // The float's time is the float's.
  await expect(sheet.getByRole('button', { name: 'Drop the time 12.5 s' })).toBeHidden();
  for (const t of ['8.0', '7.6', '8.3']) {
    await sheet.getByLabel('Or type a time', { exact: true }).fill(t);
    await sheet.getByRole('button', { name: 'Add' }).click();
  }
  await expect(sheet.getByRole('status')).toHaveText('2.51 L/s');
  await sheet.getByRole('button', { name: 'Use this flow' }).click();
  await expect(page.getByLabel('Flow into the box', { exact: true })).toHaveValue('2.51');
});

test('a ground can be renamed, taken out with what hangs on it said, and brought back', async ({ page }) => {
  await openCreek(page, 'Passing Fork');
  await page.getByRole('button', { name: 'about it' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel(/^Swell/).fill('120');
  await expect(sheet.getByText(/0 to 80 %/)).toBeVisible();
  await sheet.getByLabel(/^Swell/).fill('25');
  await sheet.getByLabel('Name').fill('Lasting Fork');
  await sheet.getByRole('button', { name: 'Keep the change' }).click();
  await expect(page.getByRole('listbox', { name: /Lasting Fork, straightened/ })).toBeVisible();
  await page.getByRole('button', { name: 'about it' }).click();
  await sheet.getByRole('button', { name: 'Take this ground out ...' }).click();
  await expect(sheet.getByRole('alert')).toContainText('2 spots, 0 samples, 0 runs go with it');
  await sheet.getByRole('button', { name: 'Take Lasting Fork out' }).click();
  await expect(page).not.toHaveURL(/new/);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('listbox', { name: /Lasting Fork, straightened/ })).toBeVisible();
});

test('a box can be changed and put away; a run started by mistake leaves no trace', async ({ page }) => {
  const groundId = await openCreek(page, 'Slip Fork', 'set');
  await setBox(page, 'Slip box');
  await page.getByRole('button', { name: 'Change', exact: true }).click();
  await page.getByRole('dialog').getByLabel('Length of the lined floor', { exact: true }).fill('50 ft');
  await page.getByRole('dialog').getByRole('button', { name: 'Keep the change' }).click();
  await expect(page.getByRole('dialog')).toContainText('between 0.2 m (8 in) and 10 m (33 ft) long');
  await page.getByRole('dialog').getByLabel('Length of the lined floor', { exact: true }).fill('5 ft');
  await page.getByRole('dialog').getByRole('button', { name: 'Keep the change' }).click();
  await expect(page.getByText('“10 in” by “5 ft”')).toBeVisible();
  await page.getByRole('button', { name: 'Keep this set-up' }).click();
  await toStage(page, 'Run');
  await chooseSpot(page, 'Gravel from', 'Upper bar');
  await page.getByRole('button', { name: 'Start the run' }).click();
  await page.getByRole('button', { name: 'Stop' }).click();
  await page.getByRole('button', { name: /Started by mistake/ }).click();
  await expect(page.getByRole('button', { name: 'Start the run' })).toBeVisible();
  await expect(page.getByText('Run, not weighed yet')).toBeHidden();
  await expect
    .poll(
      async () =>
        ((await (await page.request.get(`/api/v1/grounds/${groundId}/book`)).json()) as { unweighed: { runs: number } })
          .unweighed.runs,
    )
    .toBe(0);
});
