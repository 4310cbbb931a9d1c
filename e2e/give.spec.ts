import { readFile } from 'node:fs/promises';
import type { StoredGround, StoredSpot } from '@riffle/contract';
import { expect, test, type Page } from '@playwright/test';
import { heldToSchema } from '../web/test/outsideRead.ts';
import { openHalloway, toStage, wordsOfPdf } from './job.ts';

/** Saves one kind of file out of the book, with what of the place is chosen beforehand. */
async function save(page: Page, kind: string, spot?: string): Promise<{ name: string; bytes: Buffer }> {
  await page.getByRole('button', { name: 'Give or print ...' }).click();
  const sheet = page.getByRole('dialog', { name: 'Give or print' });
  await sheet.getByLabel('What', { exact: true }).selectOption(kind);
  if (spot !== undefined) await sheet.getByLabel('Spot', { exact: true }).selectOption({ label: spot });
  const downloading = page.waitForEvent('download');
  await sheet.getByRole('button', { name: 'Save it' }).click();
  const download = await downloading;
  await expect(sheet).toBeHidden();
  return { name: download.suggestedFilename(), bytes: await readFile(await download.path()) };
}

/** Chooses what of the place is given, for a kind of file that holds positions. */
async function choose(page: Page, way: string, withNames: boolean): Promise<void> {
  await page.getByRole('button', { name: 'Give or print ...' }).click();
  const sheet = page.getByRole('dialog', { name: 'Give or print' });
  await sheet.getByLabel('What', { exact: true }).selectOption('gpx');
  await sheet.getByRole('radio', { name: way, exact: true }).click();
  const names = sheet.getByText('with the names of the ground and its spots');
  if (way !== 'nothing') await names.setChecked(withNames);
  await sheet.getByRole('button', { name: 'Close' }).click();
}

const textOf = async (name: string, bytes: Buffer): Promise<string> =>
  name.endsWith('.pdf') ? wordsOfPdf(bytes) : bytes.toString('utf8');

test(
  'with nothing given of the place no file holds a coordinate, the ground’s name or a spot’s',
  { tag: '@desk' },
  async ({ page, request }) => {
    const { items } = (await (await request.get('/api/v1/grounds')).json()) as { items: StoredGround[] };
    const ground = items.find((g) => g.name === 'Halloway Creek');
    const spots = (await (await request.get(`/api/v1/grounds/${ground?.id}/spots`)).json()) as { items: StoredSpot[] };
    const secrets = [
      'Halloway',
      ...spots.items.map((s) => s.name),
      ...spots.items.flatMap((s) => s.position?.slice(0, 2).map((x) => Math.abs(x).toFixed(2)) ?? []),
      ...(ground?.line ?? []).flatMap(([lon, lat]) => [Math.abs(lon).toFixed(2), Math.abs(lat).toFixed(2)]),
    ];
    await openHalloway(page);
    await toStage(page, 'Books');
    // Nothing was chosen on this device yet: nothing is given.
    for (const [kind, spot, says] of [
      ['season', undefined, 'bank ground'],
      ['spot', 'Otter bar', 'Pan by pan'],
      ['csv', undefined, 'grade (g/m3 bank)'],
      ['geojson', undefined, 'FeatureCollection'],
      ['kml', undefined, '<kml'],
      ['gpx', undefined, '<gpx'],
    ] as const) {
      const { name, bytes } = await save(page, kind, spot);
      const text = await textOf(name, bytes);
      expect(text).toContain(says);
      if (kind === 'kml' || kind === 'gpx') heldToSchema(kind, text);
      for (const secret of secrets) expect(`${name} ${text}`).not.toContain(secret);
    }
  },
);

test(
  'blurred, moved away and exact give what they say, and outside readers open them',
  { tag: '@desk' },
  async ({ page, request }) => {
    const { items } = (await (await request.get('/api/v1/grounds')).json()) as { items: StoredGround[] };
    const ground = items.find((g) => g.name === 'Halloway Creek');
    const spots = (await (await request.get(`/api/v1/grounds/${ground?.id}/spots`)).json()) as { items: StoredSpot[] };
    const otter = spots.items.find((s) => s.name === 'Otter bar')?.position ?? [NaN, NaN];
    await openHalloway(page);
    await toStage(page, 'Books');
    type Features = { features: { geometry: { coordinates: number[] } | null; properties: { name: string } }[] };
    const placeOf = (text: string, name: string): number[] =>
      (JSON.parse(text) as Features).features.find((f) => f.properties.name === name)?.geometry?.coordinates ?? [];

    await choose(page, 'exact', true);
    const exact = await save(page, 'geojson');
    expect(exact.name).toBe('Halloway Creek places.geojson');
    expect(placeOf(exact.bytes.toString(), 'Otter bar')[0]).toBeCloseTo(otter[0], 6);
    // The names go with the spot's sheet as well, and where it lies.
    const sheet = await save(page, 'spot', 'Otter bar');
    expect(await wordsOfPdf(sheet.bytes)).toMatch(/Otter bar.*Halloway Creek.*4\d\.\d{5}° N/);

    await choose(page, 'blurred', false);
    const blurred = await save(page, 'geojson');
    const numbered = (JSON.parse(blurred.bytes.toString()) as Features).features;
    const lons = numbered.flatMap((f) => (f.geometry?.coordinates.length === 2 ? [f.geometry.coordinates[0]] : []));
    // The creek is a kilometer long: its spots lie in a handful of squares.
    expect(new Set(lons).size).toBeLessThan(5);
    expect(blurred.name).toBe('places.geojson');
    expect(blurred.bytes.toString()).not.toContain('Otter');

    await choose(page, 'moved away', true);
    const moved = await save(page, 'kml');
    heldToSchema('kml', moved.bytes.toString());
    const marks = await page.evaluate((text) => {
      const doc = new DOMParser().parseFromString(text, 'application/xml');
      return [...doc.getElementsByTagName('coordinates')].map((c) => c.textContent);
    }, moved.bytes.toString('utf8'));
    expect(marks.length).toBeGreaterThan(10);
    for (const mark of marks)
      for (const point of mark.split(' '))
        for (const x of point.split(',')) expect(Math.abs(Number(x))).toBeLessThan(0.05);
    const gpx = await save(page, 'gpx');
    expect(gpx.bytes.toString()).toContain('<name>Otter bar</name>');
    heldToSchema('gpx', gpx.bytes.toString());
  },
);

test('names said for a table bring no position into the next map', { tag: '@desk' }, async ({ page }) => {
  await openHalloway(page);
  await toStage(page, 'Books');
  await page.getByRole('button', { name: 'Give or print ...' }).click();
  const sheet = page.getByRole('dialog', { name: 'Give or print' });
  await sheet.getByLabel('What', { exact: true }).selectOption('csv');
  await sheet.getByRole('radio', { name: 'names' }).click();
  await expect(sheet.getByRole('status')).toContainText('whoever knows the names knows the place');
  await sheet.getByLabel('What', { exact: true }).selectOption('geojson');
  await expect(sheet.getByRole('status')).toContainText('No position is in it. It names neither');
  await sheet.getByRole('button', { name: 'Close' }).click();
  const { name, bytes } = await save(page, 'geojson');
  expect(name).toBe('places.geojson');
  expect(bytes.toString()).not.toMatch(/Halloway|Otter|46\.|coordinates/);
});
