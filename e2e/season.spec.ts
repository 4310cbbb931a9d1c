import { readFile } from 'node:fs/promises';
import { expect, test } from '@playwright/test';
import {
  bringCreek,
  chooseSpot,
  dropFile,
  giveBook,
  judgement,
  logBucket,
  openCreek,
  openCreekWithBox,
  setBox,
  toStage,
} from './job.ts';

/** The whole job, from a creek file to a line in the book, its figures worked out by hand beside each check. On desk and phone. */
test('from a GPX file to the CSV of the book', async ({ page }, info) => {
  const name = `Test Fork ${info.project.name}`;
  await bringCreek(page, name);

  // Read: 40 steps of 0.00025 degrees north are 1 112 m; both spots stand on their bank, looking downstream (south).
  await page.getByRole('button', { name: 'about it' }).click();
  await expect(page.getByRole('dialog').getByText(/1,11\d\sm long, by its line of 41 points/)).toBeVisible();
  await page.keyboard.press('Escape');
  const ribbon = page.getByRole('listbox');
  await expect(ribbon.getByRole('option', { name: /Lower bar, 2\d\d m up, left bank/ })).toBeAttached();
  await expect(ribbon.getByRole('option', { name: /Upper bar, 6\d\d m up, right bank/ })).toBeAttached();
  await ribbon.focus();
  await page.keyboard.press('ArrowLeft');
  await expect(ribbon.getByRole('option', { name: /Lower bar/ })).toHaveAttribute('aria-selected', 'true');

  // Sample: 4 pans of 4.75 L are 19 L loose, 19 / 1.18 = 16.10 L bank. Six colors of 40 000 and two of 12 000 to the ounce are
  // 6 x 0.77759 + 2 x 2.59196 = 9.8494 mg: 0.612 g/m3.
  await page.getByRole('link', { name: 'Sample here' }).click();
  await expect(judgement(page)).toContainText('How much did you pan at Lower bar?');
  await page.getByLabel('Depth below the surface', { exact: true }).fill('1 1/2 ft');
  await page.getByLabel('How much you panned', { exact: true }).fill('4 pans');
  await expect(judgement(page)).toContainText('a blank, so less than');
  for (let i = 0; i < 5; i++) await page.getByRole('button', { name: 'One more −40' }).click();
  await page.locator('[data-ring="-40"]').click({ position: { x: 14, y: 150 } });
  await page.getByLabel('Colors 20–40').fill('2');
  await expect(page.getByLabel('Colors −40')).toHaveValue('6');
  await expect(judgement(page)).toContainText('0.15 g/m³');
  await page.getByRole('radio', { name: 'Black sand 2 of 4' }).click();
  await page.getByRole('button', { name: 'Keep this sample' }).click();
  await expect(page.getByText('“4 pans” at “1 1/2 ft”')).toBeVisible();

  // Set: 1/2 in/ft over 4 ft drops 2.00 in, 50.8 mm.
  await toStage(page, 'Set');
  await setBox(page, `Box ${info.project.name}`);
  await expect(page.getByText('“0.5 in/ft × 4 ft” = 2 in, 51 mm drop')).toBeVisible();
  // The setting every practitioner uses is left alone.
  await expect(judgement(page)).toContainText(/^Leave it: it works \d times in 10/);
  await page.getByRole('button', { name: 'Keep this set-up' }).click();
  await expect(page.getByText('Kept: this set-up.')).toBeVisible();

  // Run: three full buckets of 20 L and a half, one taken back and logged again; a double tap counts once.
  await toStage(page, 'Run');
  await expect(page.getByLabel('Gravel from')).toContainText('Lower bar');
  await page.getByRole('button', { name: 'Start the run' }).click();
  await logBucket(page, 1);
  await page.getByRole('button', { name: 'Log bucket a full one' }).dblclick();
  await expect(page.getByRole('img', { name: '2 buckets' })).toBeVisible();
  await page.waitForTimeout(550);
  await logBucket(page, 3);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('img', { name: '2 buckets' })).toBeVisible();
  await logBucket(page, 3);
  await logBucket(page, 4, '1/2');
  await expect(page.getByText('70 L loose')).toBeVisible();
  await page.reload();
  await expect(page.getByRole('img', { name: '4 buckets' })).toBeVisible();
  await page.getByRole('button', { name: 'Stop' }).click();
  // What the box should hold is sealed before anything is weighed; the weighing opens it, and it is not sealed anew.
  const sealed = page.getByText(/^What it should hold is sealed since .+ by 1 pan and boxes of its kind\./);
  await expect(sealed).toBeVisible();
  const since = await sealed.textContent();
  await page.getByRole('link', { name: 'Clean up' }).click();
  await expect(sealed).toHaveText(since ?? '');

  // Clean: 24 + 5 + 1 = 30 mg, 80 % of it in the first 200 mm; 70 / 1.18 = 59.32 L bank: 0.506 g/m3.
  const gold = page.getByLabel('Gold', { exact: true });
  // A wrong unit is asked about, against what its pan and box promised; the other is one tap.
  await gold.nth(0).fill('24 g');
  await expect(page.getByRole('alert').filter({ hasText: /^24,000\smg: is that right\?/ })).toContainText(
    /times more than what its pans and its box promised\./,
  );
  await page.getByRole('button', { name: /^No: 24(\.0)?\smg$/ }).click();
  await expect(gold.nth(0)).toHaveValue('24');
  await expect(page.getByText(/is that right\?/)).toBeHidden();
  await gold.nth(1).fill('5 mg');
  await gold.nth(2).fill('1');
  await expect(judgement(page)).toContainText('30 mg');
  await expect(page.getByText(/80 % of what was weighed lay within the first 200\smm/)).toBeVisible();
  await expect(sealed).toBeHidden();
  await expect(page.getByRole('img', { name: /^the whole box: said .+ to .+, came 30\smg$/ })).toBeVisible();
  await expect(page.getByRole('img', { name: /^to 200\smm: said .+, came 24\smg$/ })).toBeVisible();
  await page.getByRole('radio', { name: 'rinsed clean' }).click();
  await page.getByRole('button', { name: 'Write it in the book' }).click();
  await expect(page.getByText('Written to the book.')).toBeVisible();

  // Dated back, a weight put right and undone; a clean-up's day cannot be to come.
  await page.getByRole('button', { name: /^Put right the clean-up/ }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('Weighed', { exact: true }).fill('2999-01-01');
  await expect(sheet.getByText('That is still to come.')).toBeVisible();
  await sheet.getByLabel('Weighed', { exact: true }).fill('3 May 2026 17:30');
  await sheet
    .getByRole('textbox', { name: /^Gold, / })
    .first()
    .fill('240');
  await sheet.getByRole('button', { name: 'Keep it so' }).click();
  await expect(sheet).toBeHidden();
  await expect(page.getByRole('button', { name: /^Put right the clean-up of 3 May/ })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: /^Put right the clean-up of 3 May/ })).toBeHidden();

  // Books: one line, credited to Lower bar alone.
  await toStage(page, 'Books');
  await expect(judgement(page)).toContainText('30 mg out of 59.3 L of bank ground: 0.51 g/m³');
  const row = page.getByRole('row', { name: /Lower bar/ });
  await expect(row).toContainText('59.3 L');
  await expect(row).toContainText('30 mg');
  await expect(row.getByRole('cell').nth(3)).toHaveText('4');
  const downloading = page.waitForEvent('download');
  await giveBook(page);
  const csv = await readFile(await (await downloading).path(), 'utf8');
  const lines = csv.split('\r\n');
  expect(lines[0]).toBe(
    'ground,source,clean-ups,buckets,volume (m3 bank),time (h),person time (h),gold (mg),grade (g/m3 bank),note',
  );
  expect(lines[1]).toMatch(new RegExp(`^${name},Lower bar,1,4,0\\.059322,0\\.\\d+,,30,0\\.505714,$`));
  expect(lines).toHaveLength(4);

  // What was said and what came stand in the record; the box is weighed by its own clean-up from now on.
  await page.goto(page.url().replace(/\/books.*$/, '/sure'));
  // A hundred grounds of other tests are asked for beside it: slow is not wrong.
  await expect(page.getByText('Said, then opened')).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText('the box, sealed')).toBeVisible({ timeout: 60_000 });
  await page.goto(page.url().replace(/\/sure.*$/, '/set'));
  await expect(page.getByText('clean-up in 3 stretches')).toBeVisible();
  await expect(page.getByText(/, by 1 measure of this box\./)).toBeVisible();
});

test('a ground exported as GeoJSON comes back the same', { tag: '@desk' }, async ({ page }) => {
  // The same code on both sizes.
  await openCreek(page, 'There and back', 'books');
  await page.getByRole('button', { name: 'Give or print ...' }).click();
  await page.getByRole('dialog').getByLabel('What', { exact: true }).selectOption('whole');
  await expect(page.getByRole('dialog')).toContainText('gives the place away');
  const downloading = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Save it with positions' }).click();
  const file = await readFile(await (await downloading).path(), 'utf8');
  await page.goto('/grounds/new');
  await dropFile(page, 'there-and-back.geojson', file, 'application/geo+json');
  await expect(judgement(page)).toContainText('41 points, 2 spots');
  await expect(page.getByRole('radio', { name: 'B to A' })).toBeChecked();
  await page.getByRole('button', { name: 'Keep this ground' }).click();
  await expect(page.getByRole('option', { name: /Lower bar, 2\d\d m up, left bank/ })).toBeAttached();
});

test('two spots through one box: the gold is the mix’s', { tag: '@phone' }, async ({ page }) => {
  // Run at the creek, on the phone.
  await openCreekWithBox(page, 'Mixed Fork', 'Mixing box');
  await chooseSpot(page, 'Gravel from', 'Lower bar');
  await page.getByRole('button', { name: 'Start the run' }).click();
  await logBucket(page, 1);
  await page.getByLabel('Next bucket from').selectOption({ label: 'Upper bar' });
  await logBucket(page, 2);
  await page.getByRole('button', { name: 'Stop' }).click();
  await page.getByRole('link', { name: 'Clean up' }).click();
  const gold = page.getByLabel('Gold', { exact: true });
  for (const [i, mg] of ['3', '2', '1'].entries()) await gold.nth(i).fill(mg);
  await expect(page.getByText(/credited to the mix/)).toBeVisible();
  await page.getByRole('button', { name: 'Write it in the book' }).click();
  await toStage(page, 'Books');
  await expect(page.getByRole('row', { name: /Lower bar \+ Upper bar/ })).toContainText('mixed, not shared out');
});
