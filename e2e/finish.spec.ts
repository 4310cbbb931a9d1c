import { expect, test } from '@playwright/test';
import { judgement, openCreek } from './job.ts';

test('the last tablespoon: a jar through floor, spoon, magnet and scale; its mark is known again', async ({ page }) => {
  const groundId = await openCreek(page, 'Table Fork', 'clean');
  await page.getByRole('link', { name: /^The last tablespoon/ }).click();
  await expect(judgement(page)).toContainText('black sand creeps off, gold stays');
  // Unsized there is no water for it; upside down is told where it stands.
  await page.getByLabel('Lies on', { exact: true }).selectOption({ label: '16 mesh' });
  await expect(page.getByText('A finer screen than it passed.')).toBeVisible();
  await page.getByLabel('Passed', { exact: true }).selectOption({ label: '8 mesh' });
  await page.getByLabel('Lies on', { exact: true }).selectOption({ label: 'the pan: all finer' });
  await expect(judgement(page)).toContainText('No water parts minus 8: screen it at 50 mesh first.');
  await page.getByLabel('Passed', { exact: true }).selectOption({ label: '30 mesh' });
  await page.getByLabel('Lies on', { exact: true }).selectOption({ label: '50 mesh' });

  await page.getByRole('button', { name: 'it parts' }).click();
  await expect(page.getByText('▲ Say how deep the water stood.')).toBeVisible();
  await page.getByLabel('Water over the floor', { exact: true }).fill('6');
  await expect(judgement(page)).toContainText('Turn the water down to');
  await page.getByLabel('Water over the floor', { exact: true }).fill('2.1');
  await page.getByLabel('Your mark: level, tap').fill('42 mm in the tube');
  await page.getByLabel('A spoon took').fill('1:40');
  await page.getByRole('button', { name: 'it parts' }).click();
  await expect(page.getByText('spoon 1: it parts at 2.1 mm, “42 mm in the tube”, 1.7 min')).toBeVisible();
  await expect(page.getByRole('radio', { name: 'washed', exact: true })).toBeChecked();
  await expect(judgement(page)).toContainText('Leave the water: a spoon takes');
  await expect(page.getByText('Your mark for it: 42 mm in the tube.')).toBeVisible();

  await page.getByLabel('Washed of it, %').fill('25');
  await page.getByLabel('Colors found in that').fill('3');
  await page.getByLabel('Colors in what stayed').fill('140');
  await expect(page.getByText(/the magnet took \d+–\d+ colors along/)).toBeVisible();

  // Kept it is not before it has a name; then it lies on the table, and is gone on with after a reload.
  await page.getByRole('button', { name: 'Keep this jar' }).click();
  await expect(page.getByText('Give the jar a name.')).toBeVisible();
  await page.getByLabel('What stands on it').fill('Tub 2');
  await page.getByRole('button', { name: 'Keep this jar' }).click();
  await expect(page.getByText('1 not weighed yet')).toBeVisible();
  await page.reload();
  await page.getByRole('button', { name: 'Go on with Tub 2' }).click();
  await expect(page.getByText('spoon 1: it parts')).toBeVisible();
  await page.getByLabel('Gold in it, weighed', { exact: true }).fill('812.4');
  await page.getByRole('button', { name: 'Keep this jar' }).click();
  await expect(page.getByText('0 not weighed yet')).toBeVisible();
  const kept = async () =>
    (
      (await (await page.request.get(`/api/v1/grounds/${groundId}/jars`)).json()) as {
        items: { gold_mg: number; state: string }[];
      }
    ).items;
  await expect.poll(async () => (await kept())[0]?.gold_mg).toBe(812.4);
  expect((await kept())[0]?.state).toBe('weighed');
  // The next jar of that fraction knows the mark, and what was seen.
  await expect(page.getByText('Your mark for it: 42 mm in the tube.')).toBeVisible();
  await page.getByRole('button', { name: 'Take Tub 2 off the table' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: 'Go on with Tub 2' })).toBeVisible();
});

test('a jar over the finishing sluice: its hours, its riffles, what it took; tin in the sand asks for more water', async ({
  page,
}) => {
  await openCreek(page, 'Sluice Fork', 'clean');
  await page.getByRole('link', { name: /^The last tablespoon/ }).click();
  await expect(judgement(page)).toContainText('black sand creeps off, gold stays');
  const least = async (): Promise<number> =>
    Number(/Sand goes above ([\d.]+)/.exec(await page.getByText(/^Sand goes above/).innerText())?.[1] ?? NaN);
  const magnetite = await least();
  await page.getByLabel('Mostly').selectOption({ label: 'cassiterite, tin: brown, heavy' });
  await expect.poll(least).toBeGreaterThan(magnetite);
  await page.getByRole('checkbox', { name: 'washed in sea water' }).click();

  await page.getByLabel('What stands on it').fill('Two buckets');
  await page.getByLabel('How much', { exact: true }).fill('25 L');
  await page.getByLabel('Brought down by').selectOption('finishing sluice');
  await expect(judgement(page)).toContainText(/^Water wide open: this jar takes \d\.\d.h/);
  await expect(page.getByRole('img', { name: /^12 riffles; the first three hold/ })).toBeVisible();
  // Wrong on purpose: said at the field, the jar is not kept, nothing is lost.
  await page.getByLabel('How many riffles').fill('none');
  await page.getByRole('button', { name: 'Keep this jar' }).click();
  await expect(page.getByText('A number.')).toBeVisible();
  await page.getByLabel('How many riffles').fill('14');
  await page.getByLabel('The jar took').fill('4 h');
  await page.getByRole('button', { name: 'Keep this jar' }).click();
  await expect(page.getByText('1 not weighed yet')).toBeVisible();
  await page.reload();
  await page.getByRole('button', { name: 'Go on with Two buckets' }).click();
  await expect(page.getByLabel('How many riffles')).toHaveValue('14');
  await expect(page.getByLabel('The jar took')).toHaveValue('4 h 0 min');
});
