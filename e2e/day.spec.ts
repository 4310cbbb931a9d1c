import { readFileSync } from 'node:fs';
import { heldToSchema, outsideRead } from '../web/test/outsideRead.ts';
import { expect, test, type Page } from '@playwright/test';
import { judgement, openCreek } from './job.ts';

/** The day against the clock: chosen and ordered, dragged about, kept, carried along. */
const openDay = (page: Page, groundId: string): Promise<unknown> => page.goto(`/g/${groundId}/day`);
const rows = (page: Page) => page.getByRole('button', { name: /^\d+\. / });
const addSpot = async (
  page: Page,
  some: { name: string; distance: string; kind?: string; outAbove?: string },
): Promise<void> => {
  await page.getByRole('button', { name: 'New spot', exact: true }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('Name').fill(some.name);
  await sheet.getByLabel('Distance upstream of the foot', { exact: true }).fill(some.distance);
  await sheet.getByRole('radio', { name: 'left bank' }).click();
  if (some.kind) await sheet.getByLabel('What it is').selectOption(some.kind);
  if (some.outAbove)
    await sheet.getByLabel('Out of reach once the river stands above', { exact: true }).fill(some.outAbove);
  await sheet.getByRole('button', { name: 'Mark this spot' }).click();
  await expect(sheet).toBeHidden();
};

test('the day is planned, falls out when dragged past its hour, and is kept through a reload', async ({ page }) => {
  const ground = await openCreek(page, 'Clock Fork');
  await addSpot(page, { name: 'Far bend', distance: '1050 m', kind: 'inside bend' });
  await openDay(page, ground);
  await expect(rows(page)).toHaveCount(3);
  await expect(judgement(page)).toContainText(/3 places, back at \d+:\d\d/);

  // An hour and a half is too little for all three: Riffle chooses.
  // At noon, for then there is sun in any season.
  await page.getByLabel('Start', { exact: true }).fill('12:00');
  await page.getByLabel('Be back at').fill('13:35');
  await expect(rows(page)).toHaveCount(2);
  await expect(page.getByText('Left out')).toBeVisible();
  // Put the third at the end by hand: it falls out, and the judgement says by how much.
  await page
    .getByRole('button', { name: /in 10, \d+ min$/ })
    .first()
    .click();
  await expect(rows(page)).toHaveCount(3);
  await expect(page.getByText('falls out: not back in time')).toHaveCount(1);
  await expect(judgement(page)).toContainText(/falls out: you would be back at .*, not 13:35/);
  // Moved to the front with the keyboard, another falls out.
  const grip = page.getByRole('button', { name: /^Move / }).nth(2);
  const moved = (await grip.getAttribute('aria-label')) ?? '';
  // On a busy machine an arrow may be pressed before the place it goes to is measured: a person presses again.
  await expect(async () => {
    await page.getByRole('button', { name: moved, exact: true }).focus();
    for (const key of ['Space', 'ArrowUp', 'ArrowUp', 'Space']) {
      await page.keyboard.press(key);
      await page.waitForTimeout(250);
    }
    await expect(page.getByRole('button', { name: /^Move / }).first()).toHaveAttribute('aria-label', moved, {
      timeout: 1500,
    });
  }).toPass({ timeout: 60_000 });
  await page.getByRole('button', { name: 'Order it for me' }).click();
  await expect(page.getByText('falls out: not back in time')).toHaveCount(0);

  await page.getByLabel('Local rules, who has been told, where the car stands').fill('Told Mara; car at the ford.');
  await page.getByRole('button', { name: 'Keep this plan' }).click();
  await expect(page.getByRole('button', { name: 'Keep the changes' })).toBeVisible();
  await page.evaluate(() => localStorage.clear());
  await page.reload();
  await expect(page.getByLabel('Be back at')).toHaveValue('13:35');
  await expect(page.getByLabel('Local rules, who has been told, where the car stands')).toHaveValue(
    'Told Mara; car at the ford.',
  );
  await expect(rows(page)).toHaveCount(2);
});

test('a day that ends before it starts is named where it stands, and nothing is lost', async ({ page }) => {
  const ground = await openCreek(page, 'Backward Fork');
  await openDay(page, ground);
  await page.getByLabel('Be back at').fill('07:00');
  await expect(page.getByText('Be back after you start.')).toBeVisible();
  await expect(judgement(page)).toContainText('No plan yet');
  await page.getByLabel('Be back at').fill('16:00');
  await expect(rows(page)).toHaveCount(2);
  await page
    .getByLabel(/^From, /)
    .first()
    .fill('99 km');
  await expect(page.getByText(/The ground is .* long/)).toBeVisible();
});

test('a high river closes what it covers and plan B keeps off the water', async ({ page }) => {
  const ground = await openCreek(page, 'High Fork');
  await addSpot(page, { name: 'Wet bar', distance: '600 m', outAbove: '50 cm' });
  await page.getByRole('button', { name: 'read the river' }).click();
  await page.getByRole('dialog').getByLabel('Height on the stake', { exact: true }).fill('70 cm');
  await page.getByRole('dialog').getByRole('button', { name: 'Keep it' }).click();
  await page.keyboard.press('Escape');
  await openDay(page, ground);
  await expect(page.getByText('Not today: Wet bar (the river stands too high).')).toBeVisible();
  await expect(page.getByText('If the river comes up:')).toBeVisible();
  const more = page.getByRole('button', { name: /How to choose/ });
  if (await more.isVisible()) await more.click();
  await page.getByLabel('frozen').check();
  await expect(judgement(page)).toContainText('Everything is closed today.');
});

test('the calendar and the GPX of a day give what was chosen of the place @desk', async ({ page }) => {
  const ground = await openCreek(page, 'Secret Fork');
  await openDay(page, ground);
  await expect(rows(page)).toHaveCount(2);
  const sheet = page.getByRole('dialog');
  // Nothing was chosen yet: the calendar names nothing, and a receiver has nothing to go by.
  await page.getByRole('button', { name: 'Calendar file ...' }).click();
  const [bare] = await Promise.all([
    page.waitForEvent('download'),
    sheet.getByRole('button', { name: 'Save it' }).click(),
  ]);
  const nameless = readFileSync(await bare.path(), 'utf8');
  expect(nameless).toContain('SUMMARY:1. a place');
  expect(nameless).not.toMatch(/Secret|bar|46\.50|GEO:/);
  await page.getByRole('button', { name: 'GPX for a receiver ...' }).click();
  await expect(sheet.getByRole('button', { name: 'Save it' })).toBeDisabled();
  await sheet.getByRole('button', { name: 'Close' }).click();
  await page.getByRole('button', { name: 'Calendar file ...' }).click();
  await sheet.getByRole('radio', { name: 'names' }).click();
  const [ics] = await Promise.all([
    page.waitForEvent('download'),
    sheet.getByRole('button', { name: 'Save it' }).click(),
  ]);
  const calendar = readFileSync(await ics.path(), 'utf8');
  expect(calendar).toContain('BEGIN:VCALENDAR');
  expect(calendar).toContain('SUMMARY:1. ');
  expect(calendar).toContain('SUMMARY:Be back from Secret Fork');
  expect(calendar).not.toMatch(/46\.50|GEO:/);
  await page.getByRole('button', { name: 'GPX for a receiver ...' }).click();
  await sheet.getByRole('radio', { name: 'exact' }).click();
  await expect(sheet.getByText('Whoever has it knows where you dig.')).toBeVisible();
  const [gpx] = await Promise.all([
    page.waitForEvent('download'),
    sheet.getByRole('button', { name: 'Save it' }).click(),
  ]);
  const track = readFileSync(await gpx.path(), 'utf8');
  // What a receiver's own programs make of it, where they are installed.
  heldToSchema('gpx', track);
  expect(outsideRead('day.gpx', track, 'gpsbabel', ['-i', 'gpx', '-o', 'csv', '-F', '-', '-f'])).toMatch(/^$|1\. /);
  expect(outsideRead('day.gpx', track, 'ogrinfo', ['-ro', '-al', '-so'])).toMatch(/^$|Layer name: waypoints/);
  expect(track.match(/<wpt /g)).toHaveLength(2);
  expect(track).toContain('lat="46.50');
});

test('a beach waits for the sand to come bare', async ({ page }) => {
  await page.goto('/');
  const { items } = (await (await page.request.get('/api/v1/grounds')).json()) as {
    items: { id: string; name: string }[];
  };
  await openDay(page, items.find((g) => g.name === 'Saltgrass Strand')?.id ?? '');
  await expect(page.getByText(/work the sand \d/).first()).toBeVisible();
  await expect(page.getByText(/By the tide table, 30 min left over for the water/)).toBeVisible();
});

test('bags wait on the day sheet with their tags, and no two share one', async ({ page }) => {
  const ground = await openCreek(page, 'Bag Fork');
  await openDay(page, ground);
  const sheet = page.getByRole('dialog');
  const add = async (tag: string | null, from: string): Promise<void> => {
    await page.getByRole('button', { name: 'A bag to carry off ...' }).click();
    if (tag) await sheet.getByLabel('Tag on the bag').fill(tag);
    await sheet.getByLabel('From').selectOption({ label: from });
    await sheet.getByRole('button', { name: 'Keep it' }).click();
  };
  await page.getByRole('button', { name: 'A bag to carry off ...' }).click();
  await sheet.getByRole('button', { name: 'Keep it' }).click();
  await expect(sheet.getByText('Say where it was dug.')).toBeVisible();
  await page.keyboard.press('Escape');
  const tag = `B${Date.now() % 1_000_000}`;
  await add(tag, 'Lower bar');
  await expect(page.getByText(`${tag} “1 bucket” from Lower bar`)).toBeVisible();
  await add(tag, 'Upper bar');
  await expect(sheet.getByText('Another bag has this tag already.')).toBeVisible();
  await sheet.getByLabel('Tag on the bag').fill(`${tag}x`);
  await sheet.getByLabel('From').selectOption({ label: 'several spots, mixed' });
  await sheet.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('from several spots: no grade for any')).toBeVisible();
  await page.getByRole('button', { name: `${tag}: panned` }).click();
  await expect(page.getByText(`${tag} “1 bucket” from Lower bar`)).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText(`${tag} “1 bucket” from Lower bar`)).toBeVisible();
});

test('the day prints on one sheet @desk', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Day sheet' }).filter({ visible: true }).click();
  await expect(rows(page).first()).toBeVisible();
  await page.waitForTimeout(1500);
  const pdf = await page.pdf({ format: 'A4' });
  expect(pdf.toString('latin1').match(/\/Type\s*\/Page[^s]/g)).toHaveLength(1);
});

test('what is printed of the day names the place, or it does not; the page keeps its names', async ({ page }) => {
  await page.addInitScript(() => {
    Object.assign(window, {
      print: () => {
        const fields = [...document.querySelectorAll<HTMLTextAreaElement>('textarea')].map((f) => f.value).join('|');
        const hidden = getComputedStyle(document.querySelector('nav') as Element).display;
        Object.assign(window, { printed: `${document.body.innerText}|${fields}|${hidden}` });
        window.dispatchEvent(new Event('afterprint'));
      },
    });
  });
  await page.goto('/');
  await page.getByRole('link', { name: 'Day sheet' }).filter({ visible: true }).click();
  await expect(rows(page).first()).toBeVisible();
  const spot = (await rows(page).first().textContent())?.replace(/^\d+\. /, '') ?? '';
  await page.getByLabel('Local rules, who has been told, where the car stands').fill('The car stands at the ford.');
  const printed = async (what: 'names' | 'nothing'): Promise<string> => {
    await page.evaluate(() => Object.assign(window, { printed: '' }));
    await page.getByRole('button', { name: 'Print one sheet ...' }).click();
    const sheet = page.getByRole('dialog', { name: 'The day on one sheet' });
    await sheet.getByRole('radio', { name: what }).click();
    await sheet.getByRole('button', { name: 'Print it' }).click();
    await expect.poll(() => page.evaluate(() => (window as unknown as { printed: string }).printed)).not.toBe('');
    return page.evaluate(() => (window as unknown as { printed: string }).printed);
  };
  const named = await printed('names');
  expect(named).toContain('Halloway Creek');
  expect(named).toContain('at the ford');
  const unnamed = await printed('nothing');
  const spots = (
    (await (await page.request.get('/api/v1/grounds')).json()) as { items: { id: string; name: string }[] }
  ).items.find((g) => g.name === 'Halloway Creek');
  const all = (
    (await (await page.request.get(`/api/v1/grounds/${spots?.id}/spots`)).json()) as { items: { name: string }[] }
  ).items.map((s) => s.name);
  expect(all.length).toBeGreaterThan(5);
  for (const name of [...all, 'Halloway Creek', 'at the ford'])
    expect([name, unnamed.includes(name)]).toEqual([name, false]);
  expect(unnamed).toContain('Spot ');
  // On the screen all of it stands as it stood.
  await expect(rows(page).first()).toContainText(spot);
  await expect(page.getByLabel('Local rules, who has been told, where the car stands')).toHaveValue(
    'The car stands at the ford.',
  );
});

test('a ground of one spot, typed, without a line: it is ranked, planned, and says what it cannot know', async ({
  page,
}) => {
  await page.goto('/grounds/new');
  await page.getByLabel('Name').fill('One Spot Fork');
  await page.getByLabel('Length', { exact: true }).fill('300 m');
  await page
    .getByRole('button', { name: /Keep|Start/ })
    .last()
    .click();
  await expect(page).toHaveURL(/\/read/);
  await addSpot(page, { name: 'Only bar', distance: '120 m' });
  await expect(judgement(page)).toContainText('Pan Only bar next');
  await page.getByRole('link', { name: 'Day sheet' }).filter({ visible: true }).click();
  await expect(rows(page)).toHaveCount(1);
  await expect(judgement(page)).toContainText('that one place');
  await expect(page.getByText('no line, so no sunrise')).toBeVisible();
  await expect(page.getByText('Walking is reckoned flat')).toBeVisible();
});

test('which outfit to carry: by the day, the hands and the weights; what goes nowhere says why', async ({ page }) => {
  const { items } = (await (await page.request.get('/api/v1/grounds')).json()) as {
    items: { id: string; name: string }[];
  };
  await openDay(page, items.find((g) => g.name === 'Dry Harrier Wash')?.id ?? '');
  const outfits = page.locator('section', { has: page.getByRole('heading', { name: 'Which outfit' }) });
  await expect(outfits).toContainText('no water there');
  await expect(outfits).toContainText(/The bellows|Pans alone/);
  await page.getByLabel('Weight of The bellows, kg').fill('400');
  await expect(outfits).toContainText('too heavy for that many hands');
  // The crew is shared: another washer of theirs may go there instead.
  await expect(outfits).not.toContainText('Carry The bellows');
  await page.getByLabel('Hands to carry').fill('none');
  await expect(outfits).toContainText('1 to 20.');
});
