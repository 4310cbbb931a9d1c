import { expect, test, type Page } from '@playwright/test';
import { bringCreek, openCreek, spotLine } from './job.ts';

/** Pictures, the river's gauge and the receiver: what comes from outside, whole or broken. */

/** EXIF (JEITA CP-3451) with a position and a time, as one APP1 segment. */
function exif(lat: number, lon: number, taken: string): Buffer {
  const tiff = Buffer.alloc(300);
  tiff.write('MM\0*', 0, 'latin1');
  tiff.writeUInt32BE(8, 4);
  const entry = (at: number, tag: number, type: number, count: number, value: number): void => {
    tiff.writeUInt16BE(tag, at);
    tiff.writeUInt16BE(type, at + 2);
    tiff.writeUInt32BE(count, at + 4);
    tiff.writeUInt32BE(value, at + 8);
  };
  tiff.writeUInt16BE(2, 8);
  entry(10, 0x8769, 4, 1, 40); // to the Exif block
  entry(22, 0x8825, 4, 1, 60); // to the GPS block
  tiff.writeUInt16BE(1, 40);
  entry(42, 0x9003, 2, 20, 260);
  tiff.write(`${taken}\0`, 260, 'latin1');
  const dms = (at: number, value: number): void => {
    const d = Math.floor(value);
    const m = Math.floor((value - d) * 60);
    [
      [d, 1],
      [m, 1],
      [Math.round(((value - d) * 60 - m) * 60 * 1000), 1000],
    ].forEach(([n, k], i) => {
      tiff.writeUInt32BE(n ?? 0, at + 8 * i);
      tiff.writeUInt32BE(k ?? 1, at + 8 * i + 4);
    });
  };
  tiff.writeUInt16BE(4, 60);
  entry(62, 1, 2, 2, (lat < 0 ? 0x53 : 0x4e) << 24);
  entry(74, 2, 5, 3, 120);
  entry(86, 3, 2, 2, (lon < 0 ? 0x57 : 0x45) << 24);
  entry(98, 4, 5, 3, 150);
  dms(120, Math.abs(lat));
  dms(150, Math.abs(lon));
  const body = Buffer.concat([Buffer.from('Exif\0\0', 'latin1'), tiff]);
  const head = Buffer.from([0xff, 0xe1, 0, 0]);
  head.writeUInt16BE(body.length + 2, 2);
  return Buffer.concat([head, body]);
}

/** A picture drawn in the page; noise makes it as large as a camera's. */
async function drawn(page: Page, type: 'image/jpeg' | 'image/png', side: number, noise: boolean): Promise<Buffer> {
  const base64 = await page.evaluate(
    async ({ type, side, noise }) => {
      const canvas = new OffscreenCanvas(side, side);
      const pen = canvas.getContext('2d')!;
      if (noise) {
        const pixels = pen.createImageData(side, side);
        for (let i = 0; i < pixels.data.length; i++) pixels.data[i] = i % 4 === 3 ? 255 : Math.random() * 256;
        pen.putImageData(pixels, 0, 0);
      } else pen.fillRect(0, 0, side, side);
      const bytes = new Uint8Array(await (await canvas.convertToBlob({ type })).arrayBuffer());
      let text = '';
      for (let i = 0; i < bytes.length; i += 32_768) text += String.fromCharCode(...bytes.subarray(i, i + 32_768));
      return btoa(text);
    },
    { type, side, noise },
  );
  return Buffer.from(base64, 'base64');
}

test.describe('installed', () => {
  test.use({ serviceWorkers: 'allow', timezoneId: 'America/Halifax' });
  test('a photo is made small, its place and day are read, and it waits through a reload until there is a signal', async ({
    page,
    context,
  }) => {
    const ground = await bringCreek(page, 'Photo Fork');
    await page.evaluate(() => navigator.serviceWorker.ready);
    await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
    await spotLine(page, 'Lower bar').click();
    await page.getByRole('button', { name: 'Add a sign' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'bedrock', exact: true }).click();
    const signs = page.getByRole('region', { name: /^Signs/ });
    await signs.getByRole('button', { name: /bedrock/ }).click();
    const sheet = page.getByRole('dialog');
    const jpeg = await drawn(page, 'image/jpeg', 2400, false);
    const photo = Buffer.concat([jpeg.subarray(0, 2), exif(46.505, -33.0001, '2026:05:01 10:30:00'), jpeg.subarray(2)]);
    await context.setOffline(true);
    await sheet.getByLabel('Add a photo').setInputFiles({ name: 'ledge.jpg', mimeType: 'image/jpeg', buffer: photo });
    await expect(page.getByText(/The picture was taken at 5\d\d\sm/)).toBeVisible();
    await expect(sheet.getByText(/1 May( 2026)? waits for signal/)).toBeVisible();
    await expect(sheet.getByLabel('Distance upstream of the foot', { exact: true })).toHaveValue(/^5\d\d/);
    await page.reload();
    await page
      .getByRole('region', { name: /^Signs/ })
      .getByRole('button', { name: /bedrock/ })
      .click();
    await expect(sheet.getByRole('img', { name: 'ledge.jpg' })).toBeVisible();
    await expect(sheet.getByText('waits for signal')).toBeVisible();
    await context.setOffline(false);
    await expect(sheet.getByText('waits for signal')).toBeHidden({ timeout: 60_000 });
    const { items } = (await (await page.request.get(`/api/v1/grounds/${ground}/attachments`)).json()) as {
      items: { id: string; width_px: number; position: number[]; takenAt: string }[];
    };
    expect(items).toHaveLength(1);
    expect(items[0]?.width_px).toBe(1600);
    expect(items[0]?.position[1]).toBeCloseTo(46.505, 5);
    // Its camera names no zone, and neither does the ground: half past ten by this device.
    expect(items[0]?.takenAt).toBe('2026-05-01T13:30:00.000Z');
    const file = await page.request.get(`/api/v1/attachments/${items[0]?.id}/file`);
    expect([file.status(), file.headers()['content-type']]).toEqual([200, 'image/jpeg']);
    // Drawn anew, it carries no position any more.
    expect((await file.body()).includes('Exif')).toBe(false);
  });
});

test('a photo of 20 MB is taken; a broken one is refused where it was chosen @desk', async ({ page }) => {
  const ground = await openCreek(page, 'Large Fork');
  await spotLine(page, 'Lower bar').click();
  await page.getByRole('button', { name: 'Change', exact: true }).click();
  const sheet = page.getByRole('dialog');
  await sheet
    .getByLabel('Add a photo')
    .setInputFiles({ name: 'broken.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('not a picture at all') });
  await expect(sheet.getByRole('alert')).toContainText('This picture cannot be read');
  const large = await drawn(page, 'image/png', 2700, true);
  expect(large.length).toBeGreaterThan(20_000_000);
  await sheet.getByLabel('Add a photo').setInputFiles({ name: 'large.png', mimeType: 'image/png', buffer: large });
  await expect(sheet.getByRole('img', { name: 'large.png' })).toBeVisible({ timeout: 60_000 });
  await expect(sheet.getByRole('alert')).toBeHidden();
  await expect
    .poll(
      async () => {
        const { items } = (await (await page.request.get(`/api/v1/grounds/${ground}/attachments`)).json()) as {
          items: { id: string }[];
        };
        const file = items[0] && (await page.request.get(`/api/v1/attachments/${items[0].id}/file`));
        return file?.ok() ? (await file.body()).length : 0;
      },
      { timeout: 60_000 },
    )
    .toBeGreaterThan(1000);
});

test('a gauge’s file is seen before it is kept, bad lines are counted; the simulated gauge answers', async ({
  page,
}) => {
  await openCreek(page, 'Gauge Fork');
  await page.getByRole('button', { name: 'read the river' }).click();
  const sheet = page.getByRole('dialog');
  const choose = sheet.getByLabel('A gauge’s file (CSV: time, level with its unit)');
  const csv = (text: string) => ({ name: 'gauge.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await choose.setInputFiles(csv('time,level\n2026-05-01T08:00:00Z,34'));
  await expect(sheet.getByText('does not say its unit')).toBeVisible();
  await choose.setInputFiles(csv('date,level_cm\n03/04/2026 08:00,34\n05/04/2026 08:00,130'));
  await expect(sheet.getByText('Day or month first? “03/04/2026 08:00” can be read both ways')).toBeVisible();
  await choose.setInputFiles(
    csv('time,level_cm\n2026-05-01T08:00:00Z,34\n2026-05-02T08:00:00Z,130\nnoon,3\n2026-05-03T08:00:00Z,40'),
  );
  await expect(sheet.getByText('3 readings')).toBeVisible();
  await expect(sheet.getByText('1 line left out; line 4: “noon” is no time.')).toBeVisible();
  await expect(sheet.getByText(/1 flood, the highest 1\.3/)).toBeVisible();
  await sheet.getByRole('button', { name: 'Keep these 3' }).click();
  await expect(sheet.getByText('130 cm', { exact: false })).toBeVisible();
  await sheet.getByRole('button', { name: 'Ask the simulated gauge' }).click();
  await expect(sheet.getByText(/^721 readings$/)).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByText(/Last flood 2 May/)).toBeVisible();
});

test('the simulated receiver walks up the ground', async ({ page }) => {
  await page.goto('/settings');
  await page.getByRole('radio', { name: 'a simulated receiver' }).click();
  await openCreek(page, 'Walked Fork');
  await page.getByRole('button', { name: 'Add a sign' }).click();
  const sheet = page.getByRole('dialog');
  await expect(sheet.getByRole('status')).toContainText(/You stand at \d+.*says the simulated receiver/);
});

test('a kind of one’s own is kept, looked at closely, and offered again', async ({ page }) => {
  await openCreek(page, 'Own Fork');
  await spotLine(page, 'Upper bar').click();
  await page.getByRole('button', { name: 'Add a sign' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('Something else, in your own word').fill('moss line');
  await sheet.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByRole('region', { name: /^Signs/ })).toContainText('moss line');
  await page.getByRole('button', { name: 'Add a sign' }).click();
  await expect(sheet.getByRole('button', { name: 'moss line', exact: true })).toBeVisible();
  await sheet.getByRole('button', { name: 'crevice', exact: true }).click();
  await page
    .getByRole('region', { name: /^Signs/ })
    .getByRole('button', { name: /crevice/ })
    .click();
  await sheet.getByRole('radio', { name: 'across the flow' }).click();
  await sheet.getByRole('button', { name: 'Keep it', exact: true }).click();
  await expect(page.getByRole('region', { name: /^Signs/ })).toContainText('crevice: across the flow');
  await expect(page.getByText('crack runs across the flow')).toBeVisible();
});

test('a permit keeps its paper as a PDF; what only calls itself one is refused and said @desk', async ({ page }) => {
  const ground = await openCreek(page, 'Paper Fork');
  await page.getByRole('button', { name: 'about it' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('What it is').fill('Panning permit');
  await sheet.getByLabel('Last day', { exact: true }).fill('2027-10-31');
  await sheet.getByRole('button', { name: 'Write it down' }).click();
  const paper = {
    name: 'permit.pdf',
    mimeType: 'application/pdf',
    buffer: Buffer.from('%PDF-1.4\n1 0 obj<</Type/Catalog>>endobj\ntrailer<</Root 1 0 R>>\n%%EOF'),
  };
  await sheet.getByLabel('Add a paper').setInputFiles(paper);
  await expect(sheet.getByRole('link', { name: /permit\.pdf/ })).toBeVisible();
  await expect
    .poll(async () => {
      const { items } = (await (await page.request.get(`/api/v1/grounds/${ground}/attachments`)).json()) as {
        items: { id: string; about: string }[];
      };
      const file = items[0] && (await page.request.get(`/api/v1/attachments/${items[0].id}/file`));
      return [items[0]?.about, file?.headers()['content-type']];
    })
    .toEqual(['permission', 'application/pdf']);
  await sheet.getByLabel('Add a paper').setInputFiles({ ...paper, name: 'fake.pdf', buffer: Buffer.from('no paper') });
  await page.keyboard.press('Escape');
  await page
    .getByRole('button', { name: /1 refused: see why/ })
    .filter({ visible: true })
    .click();
  await expect(page.getByRole('dialog')).toContainText('This is not a whole PDF');
  // The permit and its days stand on the day sheet.
  await page.getByRole('dialog').getByRole('button', { name: 'Drop mine' }).click();
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Day sheet' }).filter({ visible: true }).click();
  await expect(page.getByText('Panning permit: permit, to 31 Oct 2027')).toBeVisible();
});
