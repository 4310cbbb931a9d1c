import { expect, type Browser, type Locator, type Page } from '@playwright/test';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { v7 as uuidv7 } from 'uuid';
import { newRig, newRigSection, newSetup } from '../server/test/records.ts';

/** A creek walked upstream (northward, rising), with two way points beside it: the lower on the left bank, the upper on the right. */
export function creekGpx(name: string): string {
  const points = Array.from(
    { length: 41 },
    (_, i) =>
      `<trkpt lat="${(46.5 + i * 0.00025).toFixed(6)}" lon="${(-33 + 0.00008 * Math.sin(i / 3)).toFixed(6)}"><ele>${(12 + i * 0.6).toFixed(1)}</ele></trkpt>`,
  ).join('');
  return `<?xml version="1.0" encoding="UTF-8"?><gpx version="1.1" creator="test" xmlns="http://www.topografix.com/GPX/1/1">
    <wpt lat="46.502500" lon="-32.999850"><name>Lower bar</name></wpt><wpt lat="46.506000" lon="-33.000150"><name>Upper bar</name></wpt>
    <trk><name>${name}</name><trkseg>${points}</trkseg></trk></gpx>`;
}

export const dropFile = (
  page: Page,
  name: string,
  content: string | Buffer,
  mimeType = 'application/gpx+xml',
): Promise<void> =>
  page.getByLabel('Choose the file of a walk').setInputFiles({ name, mimeType, buffer: Buffer.from(content) });

/** Brings a creek in from a file and ends on its ribbon. Answers the ground's id. */
export async function bringCreek(page: Page, name: string): Promise<string> {
  await page.goto('/grounds/new');
  await dropFile(page, 'walk.gpx', creekGpx(name));
  await expect(page.getByRole('heading', { level: 1 })).toContainText('41 points, 2 spots');
  await page.getByRole('button', { name: 'Keep this ground' }).click();
  await expect(page).toHaveURL(/\/g\/[0-9a-f-]{36}\/read/);
  return /\/g\/([0-9a-f-]{36})\//.exec(page.url())?.[1] ?? '';
}

/** The same creek told to the server, for what is about something else; ends at a stage of it. Answers the ground's id. */
export async function openCreek(page: Page, name: string, stage = 'read'): Promise<string> {
  const id = await tellCreek(page, name);
  await page.goto(`/g/${id}/${stage}`);
  return id;
}

/** The same with a box set on it as `setBox` sets one; ends at its Run. Answers the ground's id. */
export async function openCreekWithBox(page: Page, name: string, rigName: string): Promise<string> {
  const id = await tellCreek(page, name);
  await tellBox(page, id, rigName);
  await page.goto(`/g/${id}/run`);
  return id;
}

async function tellCreek(page: Page, name: string): Promise<string> {
  const id = uuidv7();
  const told = new URLSearchParams({ name, kind: 'creek', flow: 'against', timeZone: 'UTC', spotKinds: 'bar,bar' });
  const kept = await page.request.put(`/api/v1/grounds/${id}/from-file?${told.toString()}`, {
    data: creekGpx(name),
    headers: { 'content-type': 'application/gpx+xml' },
  });
  expect(kept.status()).toBe(201);
  return id;
}

/** A 10 in by 4 ft box, set at 1/2 in/ft with 20 mm of water and a 20 L bucket, told to the server. */
export async function tellBox(page: Page, groundId: string, rigName: string): Promise<void> {
  const entered = (text: string, unit: string) => ({ text, unit });
  const rig = newRig({
    name: rigName,
    sections: [newRigSection({ length_m: 1.2192, lengthEntered: entered('4 ft', 'm') })],
  });
  const setup = newSetup(groundId, rig.id, {
    setAt: new Date().toISOString(),
    slope: 0.5 / 12,
    pitchEntered: entered('1/2 in/ft', 'in/ft'),
    depth_m: 0.02,
    depthEntered: entered('20 mm', 'mm'),
    flow_m3_s: null,
    flowEntered: null,
  });
  for (const [path, record] of [
    ['rigs', rig],
    ['setups', setup],
  ] as const)
    expect((await page.request.put(`/api/v1/${path}/${record.id}`, { data: record })).status()).toBe(201);
}

/** Opens the demo's first ground, Halloway Creek, and waits until its ribbon stands. */
export async function openHalloway(page: Page): Promise<void> {
  await page.goto('/');
  await expect(page.getByRole('listbox', { name: /^Halloway Creek, straightened: 14 spots/ })).toBeVisible();
}

/** Goes to a stage by its own link (rail or bar, whichever is in sight); the stage before is gone then. */
export async function toStage(page: Page, name: string): Promise<void> {
  const stage = page.getByLabel('Stages').getByRole('link', { name, exact: false }).filter({ visible: true }).first();
  await stage.click();
  await expect(stage).toHaveAttribute('aria-current', 'page');
}

/** Rooms of the Sample stage besides Pan, where it opens. */
export const SAMPLE_ROOMS = ['Bags', 'Pits', 'Screens', 'What it says', 'In place', 'Table', 'Hands'] as const;
/** Goes to a room of the Sample stage and waits until it is there; the stage must be open. */
export async function toRoom(page: Page, name: (typeof SAMPLE_ROOMS)[number] | 'Pan'): Promise<void> {
  const link = page.getByRole('navigation', { name: 'Rooms of Sample' }).getByRole('link', { name, exact: true });
  await link.click();
  await expect(link).toHaveAttribute('aria-current', 'page');
}

/** A write of this page holds these stores of the device: what comes after stands in line. Answers what lets go of them. */
export const holdStore = (page: Page, stores: readonly string[]) =>
  page.evaluateHandle(
    (stores) =>
      new Promise<() => void>((resolve, reject) => {
        const opening = indexedDB.open('riffle-device');
        opening.onerror = () => reject(new Error('no store'));
        opening.onsuccess = () => {
          const held = opening.result.transaction(stores, 'readwrite').objectStore('facts');
          let isHeld = true;
          const on = (): void => {
            if (isHeld) held.get('landed').onsuccess = on;
          };
          on();
          resolve(() => {
            isHeld = false;
          });
        };
      }),
    stores,
  );

export const judgement = (page: Page) => page.getByRole('heading', { level: 1 });

/** The spot's line in the list of spots on Read. */
export const spotLine = (page: Page, name: string) =>
  page.getByRole('region', { name: /^Spots/ }).getByRole('button', { name });

/** Picks a spot by name in a list whose entries may also tell its distance. */
export async function chooseSpot(page: Page, label: string, name: string): Promise<void> {
  const list = page.getByLabel(label, { exact: true });
  const option = list.locator('option', { hasText: name });
  await expect(option).toBeAttached();
  await list.selectOption((await option.getAttribute('value')) ?? '');
}

/** Adds a 10 in by 4 ft box and sets it at 1/2 in/ft with 20 mm of water, a 20 L bucket. */
export async function setBox(page: Page, rigName: string): Promise<void> {
  await page.getByRole('button', { name: /^(Add your box|Another)$/ }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('What you call it').fill(rigName);
  await sheet.getByLabel('Width inside', { exact: true }).fill('10 in');
  await sheet.getByLabel('Length of the lined floor', { exact: true }).fill('4 ft');
  await sheet.getByRole('button', { name: 'Keep this box' }).click();
  await expect(page.getByLabel('Box', { exact: true })).toHaveValue(/.+/);
  await page.getByLabel('Pitch', { exact: true }).fill('1/2 in/ft');
  await page.getByLabel('Water over the lining', { exact: true }).fill('20 mm');
  await page.getByLabel('Largest stone fed', { exact: true }).fill('1/2 in');
  await page.getByLabel('Your bucket, full', { exact: true }).fill('20 L');
}

/** Writes down a blank pan of this spot at 0.3, of so many pans, and keeps it. */
export async function keepBlank(page: Page, spot: string, pans = '2'): Promise<void> {
  await toStage(page, 'Sample');
  await chooseSpot(page, 'Spot', spot);
  await page.getByLabel('Depth below the surface', { exact: true }).fill('0.3');
  await page.getByLabel('How much you panned', { exact: true }).fill(pans);
  await page.getByRole('button', { name: 'Keep this sample' }).click();
}

/** Taps Log bucket and waits until the count says so; a person needs longer between buckets than a double tap lasts. */
export async function logBucket(page: Page, expected: number, part?: string): Promise<void> {
  await page.getByRole('button', { name: part ? `Log bucket, ${part} full` : 'Log bucket a full one' }).click();
  await expect(page.getByRole('img', { name: `${expected} buckets` })).toBeVisible();
  await page.waitForTimeout(550);
}

/** Has the book as CSV saved, with the names of the ground and its spots. */
export async function giveBook(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Give or print ...' }).click();
  const sheet = page.getByRole('dialog', { name: 'Give or print' });
  await sheet.getByLabel('What', { exact: true }).selectOption('csv');
  await sheet.getByRole('radio', { name: 'names' }).click();
  await sheet.getByRole('button', { name: 'Save it' }).click();
}

/** Everything a PDF says: its words as a reader finds them, and what stands about it. */
export async function wordsOfPdf(bytes: Buffer): Promise<string> {
  const pdf = await getDocument({ data: new Uint8Array(bytes), verbosity: 0 }).promise;
  expect(pdf.numPages).toBe(1);
  const content = await (await pdf.getPage(1)).getTextContent();
  const drawn = content.items.map((i) => ('str' in i ? i.str : '')).join(' ');
  return `${drawn} ${JSON.stringify(await pdf.getMetadata())}`;
}

/** Where a thing stands, px, once what moves it has come: a sum on its way makes room for its answer. */
export async function placeOf(
  page: Page,
  thing: Locator,
): Promise<{ x: number; y: number; width: number; height: number }> {
  await expect(page.locator('[aria-busy="true"]')).toHaveCount(0);
  let last = '';
  await expect
    .poll(
      async () => {
        const before = last;
        last = JSON.stringify(await thing.boundingBox());
        return last !== 'null' && last === before;
      },
      { intervals: [150] },
    )
    .toBe(true);
  return JSON.parse(last) as { x: number; y: number; width: number; height: number };
}

/** Brings many samples in at the lower bar of a ground, alike but for the minute they were taken in. */
export async function bringMany(page: Page, groundId: string, count: number): Promise<void> {
  const listOf = async <T>(path: string): Promise<readonly T[]> =>
    ((await (await page.request.get(`/api/v1/grounds${path}`)).json()) as { items: readonly T[] }).items;
  const spots = await listOf<{ id: string; name: string }>(`/${groundId}/spots`);
  const spotId = spots.find((s) => s.name === 'Lower bar')?.id;
  const [one] = await listOf<{ id: string }>('');
  const [like] = await listOf<object>(`/${one?.id ?? ''}/samples?limit=1`);
  const lines = Array.from({ length: count }, (_, i) =>
    JSON.stringify({
      row: i + 1,
      sample: {
        ...like,
        id: `01970000-0000-7000-8000-${groundId.slice(-6)}${i.toString(16).padStart(6, '0')}`,
        groundId,
        spotId,
        takenAt: new Date(Date.UTC(2026, 4, 1, 8, i)).toISOString(),
        pitId: null,
        layerId: null,
        lotId: null,
        bucket: null,
        depth_m: 0.2,
        depthEntered: { text: '0.2', unit: 'm' },
        note: `Number ${i + 1}.`,
        baseVersion: 0,
      },
    }),
  );
  const brought = await page.request.post(`/api/v1/grounds/${groundId}/samples/import?mode=all+or+nothing`, {
    data: lines.join('\n'),
    headers: { 'content-type': 'application/x-ndjson' },
  });
  expect(await brought.text()).toContain(`"stored":${count}`);
}

/** A device that has never seen the book; its samples are held up on their way until `letGo`. */
export async function freshDevice(browser: Browser, beside: Page) {
  const context = await browser.newContext({ viewport: beside.viewportSize() });
  const fresh = await context.newPage();
  let letGo = (): void => undefined;
  const held = new Promise<void>((resolve) => {
    letGo = resolve;
  });
  await fresh.route('**/samples?limit=**', async (route) => {
    await held;
    await route.continue();
  });
  return { fresh, letGo, close: () => context.close() };
}
