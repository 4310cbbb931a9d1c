import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, expect, test, type Browser, type LaunchOptions, type Page } from '@playwright/test';
import { create, toBuffer } from 'qrcode';
import { v7 as uuidv7 } from 'uuid';
import { judgement, toRoom, toStage } from './job.ts';

const [WIDTH, HEIGHT] = [640, 480];

/** A film of one picture, as a camera would give it: a square code in the middle of gray gravel (YUV4MPEG2, 4:2:0). */
function filmOf(words: string): Buffer {
  const { size, data } = create(words, { errorCorrectionLevel: 'M' }).modules;
  const [module, white] = [8, 16];
  const side = size * module + 2 * white;
  const [left, top] = [(WIDTH - side) >> 1, (HEIGHT - side) >> 1];
  const luma = Buffer.alloc(WIDTH * HEIGHT);
  for (let y = 0; y < HEIGHT; y++) {
    for (let x = 0; x < WIDTH; x++) {
      const [cx, cy] = [x - left, y - top];
      const [column, row] = [Math.floor((cx - white) / module), Math.floor((cy - white) / module)];
      const onTag = cx >= 0 && cy >= 0 && cx < side && cy < side;
      const dark = column >= 0 && row >= 0 && column < size && row < size && data[row * size + column] === 1;
      luma[y * WIDTH + x] = onTag ? (dark ? 30 : 225) : 90 + ((x * 7 + y * 13) % 60);
    }
  }
  const frame = Buffer.concat([Buffer.from('FRAME\n'), luma, Buffer.alloc((WIDTH * HEIGHT) / 2, 128)]);
  return Buffer.concat([Buffer.from(`YUV4MPEG2 W${WIDTH} H${HEIGHT} F10:1 Ip A1:1 C420jpeg\n`), frame, frame, frame]);
}

/** A browser whose camera shows a film. */
const withCamera = (film: string | null, base: LaunchOptions): Promise<Browser> =>
  chromium.launch({
    ...base,
    args: [
      ...(base.args ?? []),
      '--use-fake-ui-for-media-stream',
      ...(film ? ['--use-fake-device-for-media-stream', `--use-file-for-fake-video-capture=${film}`] : []),
    ],
  });

async function openBags(page: Page): Promise<void> {
  await page.goto('/');
  await toStage(page, 'Sample');
  await toRoom(page, 'Bags');
}

test('a tag held before the camera opens its bag, on whichever ground it is', async ({
  playwright,
  baseURL,
  launchOptions,
  viewport,
  isMobile,
}) => {
  const address = baseURL ?? '';
  const api = await playwright.request.newContext({ baseURL: address });
  const grounds = ((await (await api.get('/api/v1/grounds')).json()) as { items: { id: string; name: string }[] })
    .items;
  // The demo opens on Halloway Creek; the bag is of another ground.
  const other = grounds.find((g) => g.name === 'Saltgrass Strand');
  const [id, tag] = [uuidv7(), `SCAN-${isMobile ? 2 : 1}`];
  const kept = await api.put(`/api/v1/lots/${id}`, {
    data: {
      id,
      groundId: other?.id,
      baseVersion: 0,
      deleted: false,
      tag,
      spotId: null,
      layer: '',
      volume_L: 8,
      volumeEntered: { text: '8', unit: 'L' },
      screen: '',
      state: 'panned',
      place: '',
      holder: '',
      takenAt: '2026-07-20T10:00:00.000Z',
      note: '',
      samplePlanId: null,
      fromDepth_m: null,
      toDepth_m: null,
    },
  });
  expect(kept.status(), await kept.text()).toBe(201);
  const film = join(mkdtempSync(join(tmpdir(), 'film-')), 'tag.y4m');
  writeFileSync(film, filmOf(`${address}/bag/${id}`));
  const browser = await withCamera(film, launchOptions);
  try {
    const page = await (await browser.newContext({ baseURL: address, viewport, permissions: ['camera'] })).newPage();
    await openBags(page);
    await page.getByRole('button', { name: 'Scan', exact: true }).click();
    await expect(page.getByRole('dialog', { name: `Bag ${tag}` })).toBeVisible();
    await expect(page).toHaveURL(new RegExp(`/g/${other?.id ?? ''}/sample/bags`));
    // The camera is let go.
    await expect(page.getByLabel('What the camera sees')).toBeHidden();
  } finally {
    await browser.close();
    await api.dispose();
  }
});

test(
  'without a camera a picture does; a picture of nothing, and a code of something else, are said so',
  { tag: '@desk' },
  async ({ page }) => {
    await openBags(page);
    await page.getByRole('button', { name: 'Scan', exact: true }).click();
    const sheet = page.getByRole('dialog', { name: 'Hold the tag in the frame' });
    await expect(sheet).toContainText(/No camera was found|The camera is not allowed here|cannot be used here/);
    const choose = (name: string, buffer: Buffer, mimeType = 'image/png') =>
      sheet.getByLabel('Read it from a picture').setInputFiles({ name, mimeType, buffer });
    await choose('note.png', Buffer.from('not a picture'));
    await expect(sheet.getByRole('status')).toContainText('no picture this browser can open');
    const blank = await page.screenshot({ clip: { x: 0, y: 0, width: 60, height: 60 } });
    await choose('blank.png', blank);
    await expect(sheet.getByRole('status')).toContainText('No square code can be read');
    await choose('other.png', await toBuffer('a sack of flour', { width: 300 }));
    await expect(sheet.getByRole('status')).toContainText('No bag is tagged A SACK OF FLOUR. Nothing was opened.');
    await choose('tag.png', await toBuffer('T-7', { width: 300 }));
    await expect(page.getByRole('dialog', { name: 'Bag T-7' })).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(judgement(page)).toContainText('T-6 is missing.');
  },
);
