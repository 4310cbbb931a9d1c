import { expect, test, type Page } from '@playwright/test';
import { dropFile, judgement, openCreek, openHalloway, placeOf, spotLine, toStage } from './job.ts';

const ribbon = (page: Page) => page.getByRole('listbox');
const selected = (page: Page) => ribbon(page).getByRole('option', { selected: true });

test('walked with the keyboard: spot to spot, nearer, farther, all', { tag: '@desk' }, async ({ page }) => {
  // Keys are for the desk.
  await openHalloway(page);
  await ribbon(page).focus();
  await page.keyboard.press('ArrowLeft');
  await expect(selected(page)).toHaveAttribute('aria-label', /^Ford, 85\sm up, right bank/);
  await page.keyboard.press('ArrowLeft');
  await expect(selected(page)).toHaveAttribute('aria-label', /^Alder bar/);
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(selected(page)).toHaveAttribute('aria-label', /^Ford/);

  for (let i = 0; i < 4; i++) await page.keyboard.press('+');
  const near = await page.getByRole('option').count();
  expect(near).toBeLessThan(14);
  // Walking on takes the view along.
  for (let i = 0; i < 13; i++) await page.keyboard.press('ArrowLeft');
  await expect(selected(page)).toHaveAttribute('aria-label', /^Upper Bend/);
  await expect(selected(page)).toBeVisible();
  await page.keyboard.press('0');
  await expect(page.getByRole('option')).toHaveCount(14);
});

test('a spot tapped on the ribbon is picked there, in the list, in the address and on Sample', async ({ page }) => {
  await openHalloway(page);
  const box = await placeOf(page, page.getByRole('option', { name: /^Long riffle/ }));
  await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2);
  await expect(selected(page)).toHaveAttribute('aria-label', /^Long riffle/);
  await expect(spotLine(page, 'Long riffle')).toHaveAttribute('aria-pressed', 'true');
  await expect(page).toHaveURL(/spot=/);
  await toStage(page, 'Sample');
  await expect(page.getByLabel('Spot', { exact: true }).locator('option:checked')).toHaveText('Long riffle');
  await expect(selected(page)).toHaveAttribute('aria-label', /^Long riffle/);
});

test('dragged, it pans; the ends of the ground are the ends of the drag', { tag: '@desk' }, async ({ page }) => {
  // The same code on both sizes.
  await openHalloway(page);
  await page.getByRole('button', { name: 'Nearer' }).click();
  await page.getByRole('button', { name: 'Nearer' }).click();
  const seen = async (): Promise<string[]> =>
    page.getByRole('option').evaluateAll((all) => all.map((o) => o.getAttribute('aria-label')?.split(',')[0] ?? ''));
  const middle = await seen();
  const box = await placeOf(page, ribbon(page));
  const drag = async (by: number): Promise<void> => {
    await page.mouse.move(box.x + box.width / 2, box.y + 60);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width / 2 + by, box.y + 60, { steps: 6 });
    await page.mouse.up();
  };
  await drag(380);
  expect(await seen()).not.toEqual(middle);
  for (let i = 0; i < 4; i++) await drag(500);
  expect(await seen()).toContain('Upper Bend');
  for (let i = 0; i < 8; i++) await drag(-500);
  expect(await seen()).toContain('Ford');
  await expect(selected(page)).toHaveCount(0);
});

test(
  'a track of 100,000 points is kept whole, drawn thin, and stays quick to walk',
  { tag: '@desk' },
  async ({ page }) => {
    // Brought in at the desk.
    test.setTimeout(480_000);
    const points = Array.from(
      { length: 100_000 },
      (_, i) =>
        `<trkpt lat="${(46.5 + 4e-7 * i).toFixed(7)}" lon="${(-33 + 4e-4 * Math.sin(i / 2600)).toFixed(7)}"><ele>${(12 + 4e-4 * i).toFixed(2)}</ele></trkpt>`,
    ).join('');
    await page.goto('/grounds/new');
    await dropFile(
      page,
      'long-walk.gpx',
      `<gpx version="1.1" xmlns="http://www.topografix.com/GPX/1/1"><wpt lat="46.52" lon="-33"><name>Halfway</name></wpt><trk><name>Long Walk</name><trkseg>${points}</trkseg></trk></gpx>`,
    );
    await expect(judgement(page)).toContainText('100,000 points, 1 spot', { timeout: 60_000 });
    await page.getByRole('button', { name: 'Keep this ground' }).click();
    await expect(ribbon(page)).toHaveAttribute('aria-label', /Long Walk, straightened: 1 spots/, { timeout: 60_000 });
    const id = /\/g\/([0-9a-f-]{36})\//.exec(page.url())?.[1] ?? '';
    const { items } = (await (await page.request.get('/api/v1/grounds')).json()) as {
      items: { id: string; line: unknown[]; linePoints: number }[];
    };
    const ground = items.find((g) => g.id === id);
    expect(ground?.linePoints).toBe(100_000);
    expect(ground?.line.length).toBeLessThanOrEqual(2000);
    const exported = (await (await page.request.get(`/api/v1/grounds/${id}/ground.geojson`)).json()) as {
      features: { geometry: { coordinates: unknown[] } }[];
    };
    expect(exported.features[0]?.geometry.coordinates).toHaveLength(100_000);
  },
);

test('a beach has land and sea, a dry wash no water', async ({ page }) => {
  const file = JSON.stringify({
    type: 'FeatureCollection',
    features: [
      {
        type: 'Feature',
        properties: { name: 'Test Strand' },
        geometry: { type: 'LineString', coordinates: Array.from({ length: 12 }, (_, i) => [-33, 46.5 + 0.0005 * i]) },
      },
      { type: 'Feature', properties: { name: 'Seam' }, geometry: { type: 'Point', coordinates: [-32.9998, 46.502] } },
    ],
  });
  await page.goto('/grounds/new');
  await dropFile(page, 'strand.geojson', file, 'application/geo+json');
  await expect(judgement(page)).toContainText('12 points, 1 spot');
  await page.getByLabel('Kind', { exact: true }).selectOption('beach');
  await page.getByRole('button', { name: 'Keep this ground' }).click();
  await expect(page.getByText('Say on which side the sea is.')).toBeVisible();
  // Walking north with the sea in the west: the seam, east of the line, lies landward.
  await page.getByRole('radio', { name: 'on the left' }).click();
  await page.getByRole('button', { name: 'Keep this ground' }).click();
  await expect(page.getByRole('option', { name: /^Seam, 22\d\sm along, landward/ })).toBeAttached();
  await expect(ribbon(page)).toHaveAttribute('aria-label', /along the shore/);
});

test(
  'the whole creek reads on a phone: names do not touch and nothing stands outside',
  { tag: '@phone' },
  async ({ page }) => {
    // About the phone.
    await openCreek(page, 'Narrow Fork');
    // The drawing comes a moment after the first words.
    await expect(ribbon(page).getByRole('option').first()).toBeVisible();
    const texts = await ribbon(page)
      .locator('text')
      .evaluateAll((all) =>
        all
          .map((t) => t.getBoundingClientRect())
          .map((r) => ({ left: r.left, right: r.right, top: r.top, bottom: r.bottom })),
      );
    expect(texts.length).toBeGreaterThan(4);
    for (const t of texts) {
      expect(t.left).toBeGreaterThanOrEqual(0);
      expect(t.right).toBeLessThanOrEqual(390);
    }
    const touching = texts.flatMap((a, i) =>
      texts
        .slice(i + 1)
        .filter((b) => a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom)
        .map((b) => [a, b]),
    );
    expect(touching).toEqual([]);
  },
);
