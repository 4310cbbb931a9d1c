import type { Book, StoredCleanup, StoredRun } from '@riffle/contract';
import { expect, test, type Page } from '@playwright/test';
import { judgement, logBucket, openCreek, openCreekWithBox, toStage } from './job.ts';

/** A box with a run from paper: ten buckets of 20 L from the lower bar, on the day given. */
async function aRun(page: Page, creek: string, box: string): Promise<string> {
  const groundId = await openCreekWithBox(page, creek, box);
  await runFromPaper(page, '4 May 2026', 'Lower bar', '10');
  return groundId;
}

async function runFromPaper(page: Page, day: string, spot: string, buckets: string): Promise<void> {
  await page.getByRole('button', { name: 'A run written on paper' }).click();
  const sheet = page.getByRole('dialog', { name: 'A run from paper' });
  await sheet.getByLabel('Began', { exact: true }).fill(`${day} 9:00`);
  await sheet.getByLabel('Stopped', { exact: true }).fill(`${day} 11:00`);
  await sheet.getByLabel('Gravel from').selectOption({ label: spot });
  await sheet.getByLabel('Buckets').fill(buckets);
  await sheet.getByRole('button', { name: 'Write it in the book' }).click();
  await expect(sheet).toBeHidden();
}

const tub = (page: Page, tag: string) => page.getByRole('button', { name: new RegExp(`^Tub ${tag},`) });
const moments = (page: Page) => page.getByRole('list', { name: 'From the box to the scale' });

test(
  'a box is lifted into tubs, finished another night, a tub tips over, and the rest is weighed for the day it was lifted',
  { tag: '@phone' },
  async ({ page, context }) => {
    const groundId = await aRun(page, 'Tub Fork', 'Tub box');
    await toStage(page, 'Clean');
    await expect(moments(page)).toContainText('in the box169 L1 run');

    // Beside the creek, without signal, with the numbers the tubs have on them; two alike are told apart first.
    await context.setOffline(true);
    await page.getByRole('button', { name: 'Lift it into tubs, weigh later' }).click();
    const lifting = page.getByRole('dialog', { name: 'Lift the box into tubs' });
    await expect(lifting.getByText('Let it run clear, then cut the water.')).toBeVisible();
    await lifting.getByLabel('Tub of head').fill('12');
    await lifting.getByLabel('Tub of middle').fill('12');
    await lifting.getByRole('button', { name: 'It is in the tubs' }).click();
    await expect(lifting.getByText('Another tub has this number.')).toHaveCount(2);
    await lifting.getByLabel('Tub of middle').fill('13');
    await lifting.getByLabel('Tub of tail').fill('14');
    await lifting.getByText('hose joint').click();
    await lifting.getByRole('radio', { name: 'not yet' }).click();
    await lifting.getByRole('button', { name: 'lifted earlier, or a remark' }).click();
    await lifting.getByLabel('Lifted when', { exact: true }).fill('4 May 2026 11:20');
    await lifting.getByRole('button', { name: 'It is in the tubs' }).click();
    await expect(judgement(page)).toContainText('3 tubs to be weighed');
    await expect(moments(page)).toContainText('in the boxnothing');
    await context.setOffline(false);

    // The box is empty for the next run: its mat counts from none.
    await toStage(page, 'Books');
    await expect(page.getByText(/3 tubs of it/)).toBeVisible();
    await page.reload();
    await toStage(page, 'Clean');

    // Two nights later: one finished with sand left, one tipped over.
    await tub(page, '12').click();
    let sheet = page.getByRole('dialog', { name: 'Tub 12, head' });
    await sheet.getByRole('radio', { name: 'recirculating box' }).click();
    await sheet.getByLabel('Sand left of it', { exact: true }).fill('2 L');
    await sheet.getByRole('button', { name: 'Keep it so' }).click();
    await expect(sheet.getByText('A whole number, 0 for none.')).toBeVisible();
    await sheet.getByLabel('Colors in that pan').fill('0');
    await expect(sheet.getByRole('status')).toContainText('Still in it: at most');
    await sheet.getByLabel('With whom').fill('Ana');
    await sheet.getByRole('button', { name: 'Keep it so' }).click();
    await expect(tub(page, '12')).toHaveAccessibleName(/finished$/);
    await tub(page, '13').click();
    sheet = page.getByRole('dialog', { name: 'Tub 13, middle' });
    await sheet.getByRole('button', { name: 'It tipped over' }).click();
    await expect(tub(page, '13')).toHaveAccessibleName(/: lost$/);
    await expect(judgement(page)).toContainText('2 tubs to be weighed');

    // Weighed weeks later: the lost stretch is left out, and the gold is of the day the box was lifted.
    await page.getByRole('button', { name: 'Weigh these tubs' }).click();
    await expect(page.getByLabel('Section 1', { exact: true })).toHaveValue('head, tub 12');
    await expect(page.getByLabel('Section 2', { exact: true })).toHaveValue('tail, tub 14');
    await expect(page.getByLabel('from 500 mm to', { exact: true })).toHaveValue('1219');
    await page.getByLabel('Gold', { exact: true }).first().fill('30');
    // What was typed survives a look elsewhere.
    await page.reload();
    await expect(page.getByLabel('Gold', { exact: true }).first()).toHaveValue('30');
    // The other by the scale: a full vial lighter than the empty one is no weight.
    await page.getByRole('button', { name: 'Weigh section 2 on a scale' }).click();
    const scale = page.getByRole('dialog', { name: /^On the scale/ });
    await scale.getByLabel('Vial, empty', { exact: true }).fill('12.002');
    await scale.getByLabel('With the gold', { exact: true }).fill('12.000');
    await scale.getByRole('button', { name: 'Take it' }).click();
    await expect(scale.getByText('Lighter than the empty vial.')).toBeVisible();
    await scale.getByLabel('With the gold', { exact: true }).fill('12.006');
    await scale.getByLabel('once more', { exact: true }).fill('12.026');
    await expect(scale.getByRole('status')).toContainText('level the scale');
    await scale.getByLabel('once more', { exact: true }).fill('12.006');
    await scale.getByRole('button', { name: 'Take it' }).click();
    await expect(page.getByLabel('Gold', { exact: true }).nth(1)).toHaveValue('4');
    await page.getByRole('button', { name: 'Write it in the book' }).click();
    await expect(page.getByRole('button', { name: 'Put right the clean-up of 4 May' })).toBeVisible();
    await expect(page.getByText('34 mg in 2 sections, box not rinsed')).toBeVisible();
    await expect(moments(page)).toContainText('in tubsnothing');

    // Taken out, its tubs stand there again; undone, the gold is back.
    await page.getByRole('button', { name: 'Take out the clean-up of 4 May' }).click();
    await expect(moments(page)).toContainText('2 tubs');
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(moments(page)).toContainText('weighed34 mg');

    await expect
      .poll(async () => {
        const answer = await page.request.get(`/api/v1/grounds/${groundId}/cleanups`);
        const { items } = (await answer.json()) as { items: StoredCleanup[] };
        return items.filter((c) => !c.deleted)[0];
      })
      .toMatchObject({
        rinsedClean: 'no',
        cleanedAt: expect.stringMatching(/^2026-05-04/),
        // What the scale gave stands behind the weight.
        sections: [
          { to_m: 0.2, weighing: null },
          { from_m: 0.5, weighing: { empty: { text: '12.002' }, full: [{ text: '12.006' }, { text: '12.006' }] } },
        ],
      });
  },
);

test('gold is read off a scale that stands in for a real one', { tag: '@desk' }, async ({ page }) => {
  await page.addInitScript(() => {
    const kept = JSON.parse(localStorage.getItem('riffle-preferences') ?? '{}') as object;
    localStorage.setItem('riffle-preferences', JSON.stringify({ ...kept, positionFrom: 'simulated' }));
  });
  await aRun(page, 'Scale Fork', 'Scale box');
  await toStage(page, 'Clean');
  await page.getByRole('button', { name: 'Weigh section 1 on a scale' }).click();
  const scale = page.getByRole('dialog', { name: 'On the scale: head' });
  await scale.getByRole('button', { name: 'Read it', exact: true }).click();
  await expect(scale.getByLabel('Vial, empty', { exact: true })).toHaveValue(/^12\.34\d\d$/);
  await scale.getByRole('button', { name: 'Read it, 1' }).click();
  await scale.getByRole('button', { name: 'Read it, 2' }).click();
  await expect(scale.getByLabel('once more', { exact: true })).toHaveValue(/^12\.37\d\d|12\.38\d\d$/);
  await expect(scale.getByRole('status')).toContainText(/3[34](\.\d)?\smg/);
  await scale.getByRole('button', { name: 'Take it' }).click();
  await expect(page.getByLabel('Gold', { exact: true }).first()).toHaveValue(/^3[34](\.\d+)?$/);
});

test(
  'what a later rinse brings out of the carpet is credited to the grounds that fed it',
  { tag: '@desk' },
  async ({ page }) => {
    const first = await aRun(page, 'Carpet Fork', 'Carpet box');
    const weigh = async (gold: string, rinsed: string, day: string): Promise<void> => {
      await toStage(page, 'Clean');
      for (const [i, weight] of [gold, '0', '0'].entries())
        await page.getByLabel('Gold', { exact: true }).nth(i).fill(weight);
      await page.getByRole('radio', { name: rinsed }).click();
      await page.getByLabel('Weighed earlier? When', { exact: true }).fill(`${day} 18:00`);
      await page.getByRole('button', { name: 'Write it in the book' }).click();
      await expect(page.getByText('Written to the book.')).toBeVisible();
    };
    await weigh('40', 'not yet', '4 May 2026');
    // The same box on another creek the week after.
    const second = await openCreek(page, 'Carpet Side', 'set');
    await page.getByLabel('Box', { exact: true }).selectOption({ label: 'Carpet box' });
    await page.getByLabel('Pitch', { exact: true }).fill('1/2 in/ft');
    await page.getByLabel('Water over the lining', { exact: true }).fill('20 mm');
    await page.getByRole('button', { name: 'Keep this set-up' }).click();
    await toStage(page, 'Run');
    await runFromPaper(page, '11 May 2026', 'Upper bar', '5');
    await weigh('20', 'not yet', '11 May 2026');

    await page.getByRole('button', { name: 'gold rinsed out of a carpet later' }).click();
    const sheet = page.getByRole('dialog', { name: 'Gold rinsed out of a carpet later' });
    await sheet.getByLabel('Out of').selectOption({ label: 'Carpet box' });
    await expect(sheet.getByText('2 clean-ups since it was last rinsed clean.')).toBeVisible();
    await sheet.getByLabel('Gold', { exact: true }).fill('much');
    await sheet.getByRole('button', { name: 'Write it in the book' }).click();
    await expect(sheet).toBeVisible();
    await sheet.getByLabel('Gold', { exact: true }).fill('3 mg');
    // 40 of 60 mg came from the one, 20 from the other.
    await expect(sheet.getByRole('status')).toHaveText(/Carpet Fork 2(\.0)?\smg, Carpet Side 1(\.0)?\smg/);
    await sheet.getByRole('button', { name: 'Write it in the book' }).click();
    await expect(page.getByText(/rinsed out of the carpet/)).toBeVisible();

    await expect
      .poll(async () =>
        Promise.all(
          [first, second].map(async (id) => {
            const answer = await page.request.get(`/api/v1/grounds/${id}/book`);
            const { lines, total } = (await answer.json()) as Book;
            return [lines.length, total.gold_mg, total.buckets];
          }),
        ),
      )
      .toEqual([
        [1, 42, 10],
        [1, 21, 5],
      ]);
  },
);

test(
  'a box lifted while its run is open stops it, and the next bucket is of another clean-up',
  { tag: '@phone' },
  async ({ page }) => {
    const groundId = await openCreekWithBox(page, 'Open Fork', 'Open box');
    await page.getByLabel('Gravel from').selectOption({ index: 1 });
    await page.getByRole('button', { name: 'Start the run' }).click();
    await logBucket(page, 1);
    await expect(page.locator('#page').getByText('All saved')).toBeVisible();
    // From here on no tap gets through.
    const TAPS = '**/api/v1/runs/*/events';
    await page.route(TAPS, (route) => (route.request().method() === 'POST' ? route.abort() : route.continue()));
    await logBucket(page, 2);
    // A run that is open has the phone's screen to itself.
    await page.getByRole('link', { name: 'Stages' }).click();
    await toStage(page, 'Clean');
    // The bucket that waits for a signal counts here as it does there.
    await expect(page.getByText('2 buckets, 40 L loose, still open')).toBeVisible();
    await page.unroute(TAPS);
    await page.getByRole('button', { name: 'Lift it into tubs, weigh later' }).click();
    const lifting = page.getByRole('dialog', { name: 'Lift the box into tubs' });
    await expect(lifting.getByText('lifting the box stops it')).toBeVisible();
    await lifting.getByText('all of it in one tub').click();
    await lifting.getByRole('button', { name: 'It is in the tubs' }).click();
    await expect(judgement(page)).toContainText('1 tub to be weighed');
    await expect
      .poll(async () => {
        const answer = await page.request.get(`/api/v1/grounds/${groundId}/runs`);
        const { items } = (await answer.json()) as { items: StoredRun[] };
        return items.map((r) => [r.tally.buckets, r.tally.stopped]);
      })
      .toEqual([[2, true]]);
    await toStage(page, 'Run');
    await expect(page.getByRole('button', { name: 'Start the run' })).toBeVisible();
  },
);
