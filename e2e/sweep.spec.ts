import { expect, test } from '@playwright/test';
import { openCreek } from './job.ts';

/** What the trade asks of a ground besides its pans: what fed it, what drains into it, ground that is protected, and the log of the detector. */
test('what fed a ground and what it drains are kept as typed, and the ranking says what they do', async ({ page }) => {
  await openCreek(page, 'Fed Fork');
  await page.getByRole('button', { name: 'about it' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('What fed the district').selectOption('quartz veins');
  await expect(sheet.getByText('Float and the draws it came down count more.')).toBeVisible();
  await sheet.getByLabel('It drains', { exact: true }).fill('40 pans');
  await sheet.getByLabel('It drains', { exact: true }).blur();
  await expect(sheet.getByText(/not a unit/)).toBeVisible();
  await sheet.getByLabel('It drains', { exact: true }).fill('1/2 sq mi');
  await expect(sheet.getByText(/1\.3\skm²/)).toBeVisible();
  await sheet.getByRole('button', { name: 'Keep the change' }).click();
  await expect(sheet).toBeHidden();
  await page.reload();
  await page.getByRole('button', { name: 'about it' }).click();
  await expect(sheet.getByLabel('What fed the district')).toHaveValue('quartz veins');
  await expect(sheet.getByLabel('It drains', { exact: true })).toHaveValue('1/2 sq mi');
});

test('a sweep of the detector is logged with its coil, offered again with the next, and can be taken back', async ({
  page,
}) => {
  await openCreek(page, 'Swept Fork', 'sample');
  await page.goto(`${page.url().replace(/\/sample.*/, '')}/sample/pits`);
  await page.getByRole('combobox', { name: 'Spot' }).selectOption({ label: 'Lower bar' });
  await page.getByRole('button', { name: 'Log a sweep' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('Signals dug').fill('1');
  await sheet.getByLabel('Of them gold').fill('3');
  await sheet.getByLabel('Coil', { exact: true }).fill('6 in');
  await sheet.getByLabel('The floor lay at', { exact: true }).fill('2 ft');
  await sheet.getByRole('button', { name: 'Keep it' }).click();
  await expect(sheet.getByText('More gold than signals.')).toBeVisible();
  await sheet.getByLabel('Signals dug').fill('4');
  await sheet.getByRole('button', { name: 'Keep it' }).click();
  await expect(sheet).toBeHidden();
  await expect(page.getByText(/4 signals, 3 gold; 6 in; floor at “2 ft”/)).toBeVisible();
  await expect(page.getByText(/Not swept yet: walls of the hole, tailings, oversize/)).toBeVisible();
  // The next: its coil and floor stand there, and what is left to sweep. Nothing rang.
  await page.getByRole('button', { name: 'Log a sweep' }).click();
  await expect(sheet.getByLabel('Coil', { exact: true })).toHaveValue('6 in');
  await expect(sheet.getByLabel('What was swept')).toHaveValue('walls of the hole');
  await sheet.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText(/^silent/)).toBeVisible();
  await page.getByRole('button', { name: 'Take out the sweep of the walls of the hole' }).click();
  await expect(page.getByText(/^silent/)).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText(/^silent/)).toBeVisible();
});

test(
  'protected ground is drawn, stands on the ribbon, and no place in it is on a plan',
  { tag: '@desk' },
  async ({ page }) => {
    await openCreek(page, 'Heron Reserve Fork');
    const groundId = /\/g\/([^/]+)\//.exec(page.url())?.[1] ?? '';
    await expect(page.getByText('Pick a spot on the ribbon')).toBeVisible();
    await page.getByRole('button', { name: 'open the map' }).click();
    const map = page.getByRole('group', { name: /^Map of / });
    await expect(map.locator('canvas').first()).toBeVisible();
    await page.getByRole('radio', { name: 'draw', exact: true }).click();
    await page.getByRole('radio', { name: 'protected', exact: true }).click();
    await map.scrollIntoViewIfNeeded();
    await page.waitForTimeout(500);
    const box = (await map.boundingBox()) ?? { x: 0, y: 0, width: 0, height: 0 };
    // Over the whole creek, which runs north through the middle.
    const [left, right, top, bottom] = [box.x + 160, box.x + box.width - 60, box.y + 12, box.y + box.height - 12];
    for (const [x, y] of [
      [left, top],
      [left, bottom],
      [right, bottom],
      [right, top],
      [right, top],
    ] as const) {
      await page.mouse.click(x, y);
      await page.waitForTimeout(450);
    }
    const sheet = page.getByRole('dialog');
    await expect(sheet.getByRole('img', { name: 'The shape as you drew it, beside the line' })).toBeVisible();
    await sheet.getByRole('button', { name: 'Keep it' }).click();
    await expect(sheet.getByText('Give it a name.')).toBeVisible();
    await sheet.getByLabel('Name').fill('Old mission');
    await sheet.getByRole('button', { name: 'Keep it' }).click();
    await expect(sheet).toBeHidden();
    // It stands on the page before the server has it.
    await expect
      .poll(async () => {
        const answer = await page.request.get(`/api/v1/grounds/${groundId}/outlines`);
        const { items } = (await answer.json()) as { items: { kind: string; name: string }[] };
        return items.map((o) => [o.kind, o.name]);
      })
      .toEqual([['protected', 'Old mission']]);
    await expect(page.getByText('▲ Old mission, protected')).toBeVisible();
    await page.getByRole('link', { name: 'Day sheet' }).filter({ visible: true }).click();
    await expect(page.getByText(/Old mission, protected/).first()).toBeVisible();
  },
);
