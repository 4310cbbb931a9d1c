import { expect, test } from '@playwright/test';
import { chooseSpot, holdStore, keepBlank, logBucket, openCreek, openCreekWithBox, toStage } from './job.ts';

/** What was written down wrong is put right: moved, dated back, counted again, taken out and brought back. */
test('a pan is dated back as it is kept, put right later, moved to its spot, and each step can be undone', async ({
  page,
}) => {
  const groundId = await openCreek(page, 'Mending Fork');
  const kept = async () =>
    (
      (await (await page.request.get(`/api/v1/grounds/${groundId}/samples`)).json()) as {
        items: { spotId: string; takenAt: string; depth_m: number; counts: Record<string, number> }[];
      }
    ).items;
  await toStage(page, 'Sample');
  await page.getByText('More about this pan').click();
  await page.getByLabel('Panned earlier? When', { exact: true }).fill('2999-01-01T10:00');
  await expect(page.getByText('That is still to come.')).toBeVisible();
  await page.getByLabel('Panned earlier? When', { exact: true }).fill('2026-05-03T10:30');
  await keepBlank(page, 'Lower bar');
  await expect.poll(async () => (await kept()).length).toBe(1);
  expect(new Date((await kept())[0]?.takenAt ?? 0).getTime()).toBe(new Date('2026-05-03T10:30').getTime());

  const [before] = await kept();
  await page.getByRole('button', { name: /^Put right the sample of 3 May/ }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('Depth below the surface', { exact: true }).fill('-2');
  await expect(sheet.getByText('Less than nothing cannot be measured.')).toBeVisible();
  await sheet.getByRole('button', { name: 'Keep it so' }).click();
  await expect(sheet).toBeVisible();
  await sheet.getByLabel('Depth below the surface', { exact: true }).fill('0.5');
  await sheet.getByLabel('20–40').fill('3');
  await sheet.getByLabel('Spot', { exact: true }).selectOption({ label: 'Upper bar' });
  await sheet.getByLabel('Panned', { exact: true }).fill('2026-05-02T09:00');
  await sheet.getByRole('button', { name: 'Keep it so' }).click();
  await expect(sheet).toBeHidden();
  await expect(page.getByText('The sample is put right.')).toBeVisible();
  await expect.poll(async () => (await kept())[0]?.counts['20-40']).toBe(3);
  const [after] = await kept();
  expect([after?.depth_m, after?.spotId === before?.spotId, after?.takenAt]).toEqual([
    0.5,
    false,
    new Date('2026-05-02T09:00').toISOString(),
  ]);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(async () => (await kept())[0]?.counts['20-40']).toBe(0);

  await page.getByRole('button', { name: /^Take out the sample of 3 May/ }).click();
  await expect(page.getByText('Nothing panned here yet.')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: /^Put right the sample of 3 May/ })).toBeVisible();
});

test('what was said before does not come back when a later word is answered', async ({ page }) => {
  await openCreek(page, 'Earlier Fork', 'sample');
  await keepBlank(page, 'Lower bar');
  // The pointer lies on the words, which holds them; all else is done by key.
  await page.getByText('Kept: Lower bar, a blank.').hover();
  await page.getByRole('button', { name: 'One more 10–20' }).press('Enter');
  await page.getByRole('button', { name: 'Drop what is typed' }).press('Enter');
  await page.getByRole('button', { name: 'Undo' }).press('Enter');
  await expect(page.getByLabel('Colors 10–20')).toHaveValue('1');
  // What was answered is on its way out for a fifth of a second.
  await page.waitForTimeout(600);
  expect(await page.getByText('Kept: Lower bar, a blank.').isVisible()).toBe(false);
});

test('a few words that come up under a finger let it through to what stood there', async ({ page }) => {
  await page.addInitScript(() =>
    addEventListener('animationstart', ({ target }) => {
      // Not its way up, which is another's.
      for (const a of (target as Element).getAnimations())
        if (a instanceof CSSAnimation && a.animationName === 'lets-through') a.pause();
    }),
  );
  await openCreek(page, 'Finger Fork', 'sample');
  await page.getByRole('button', { name: 'One more 10–20' }).click();
  await page.getByRole('button', { name: 'Drop what is typed' }).click();
  const undo = page.getByRole('button', { name: 'Undo' });
  /** Whether a press in the middle of Undo would come to it. */
  const takesPress = () =>
    undo.evaluate((button) => {
      const { x, y, width, height } = button.getBoundingClientRect();
      return button.contains(document.elementFromPoint(x + width / 2, y + height / 2));
    });
  await expect(undo).toBeInViewport();
  // Held still while it comes in.
  expect(await takesPress()).toBe(false);
  await page.evaluate(() => document.getAnimations().forEach((a) => a.finish()));
  await expect.poll(takesPress).toBe(true);
});

test('what is typed and not kept can be dropped, and comes back by Undo', async ({ page }) => {
  await openCreek(page, 'Dropping Fork', 'sample');
  await expect(page.getByRole('button', { name: 'Drop what is typed' })).toBeHidden();
  await page.getByLabel('How much you panned', { exact: true }).fill('2/3 bucket');
  await page.getByRole('button', { name: 'One more 10–20' }).click();
  await page.getByRole('button', { name: 'Drop what is typed' }).click();
  await expect(page.getByLabel('How much you panned', { exact: true })).toHaveValue('');
  await expect(page.getByLabel('Colors 10–20')).toHaveValue('0');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByLabel('How much you panned', { exact: true })).toHaveValue('2/3 bucket');
  await expect(page.getByLabel('Colors 10–20')).toHaveValue('1');
  await page.goto(page.url().replace(/\/sample.*/, '/sample/pits'));
  await page.getByRole('group', { name: 'On top lies' }).getByRole('button', { name: 'silt', exact: true }).click();
  await page.getByRole('button', { name: 'Drop this pit' }).click();
  await expect(page.getByRole('group', { name: 'On top lies' })).toBeVisible();
});

test('a reading of the river, a permit and a practice pan are put right where they are listed', async ({ page }) => {
  await openCreek(page, 'Righted Fork');
  await page.getByRole('button', { name: 'read the river' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('Height on the stake', { exact: true }).fill('34');
  await sheet.getByRole('button', { name: 'Keep it' }).click();
  await sheet.getByRole('button', { name: /^Put right the reading/ }).click();
  await expect(sheet.getByText(/is put right\.$/)).toBeVisible();
  await expect(sheet.getByLabel('Height on the stake', { exact: true })).toHaveValue('34');
  await sheet.getByLabel('Height on the stake', { exact: true }).fill('43');
  await sheet.getByLabel('When', { exact: true }).fill('yesterday 7:15');
  await sheet.getByRole('button', { name: 'Keep it so' }).click();
  await expect(sheet.getByText('“43 cm”')).toBeVisible();
  await expect(sheet.getByText('“34 cm”')).toBeHidden();
  await expect(sheet.getByText(/, 7:15$/)).toBeVisible();
  await page.keyboard.press('Escape');

  await page.getByRole('button', { name: 'about it' }).click();
  await sheet.getByLabel('What it is').fill('Pan permit');
  await sheet.getByLabel('Last day', { exact: true }).fill('31 Oct 2031');
  await sheet.getByRole('button', { name: 'Write it down' }).click();
  await sheet.getByRole('button', { name: 'Put right Pan permit' }).click();
  await sheet.getByLabel('Last day', { exact: true }).fill('31 Oct 2032');
  await sheet.getByRole('button', { name: 'Keep Pan permit so' }).click();
  await expect(sheet.getByText(/to 31 Oct 2032/)).toBeVisible();
  await expect(sheet.getByText(/to 31 Oct 2031/)).toBeHidden();
});

test('a run is put right: when it began, a wrong source, one missed, one too many, a forgotten stop', async ({
  page,
}) => {
  // Who works with this device: mends say so. A name the book cannot take is told at its field and sent with nothing.
  await page.goto('/settings');
  await page.getByLabel('Who works with this device').fill('w'.repeat(81));
  await expect(page.getByText(/^▲ A name has at most 80 characters/)).toBeVisible();
  await page.getByLabel('Who works with this device').fill('Wren');
  const groundId = await openCreekWithBox(page, 'Mended Run Fork', 'Mended box');
  await chooseSpot(page, 'Gravel from', 'Lower bar');
  await page.getByRole('button', { name: 'Start the run' }).click();
  await logBucket(page, 1);
  await logBucket(page, 2);
  const tally = async () =>
    (
      (await (await page.request.get(`/api/v1/grounds/${groundId}/runs`)).json()) as {
        items: {
          startedAt: string;
          tally: { buckets: number; volumeLoose_L: number; bySpot_L: Record<string, number>; brokenOff_s: number };
        }[];
      }
    ).items[0];
  await expect.poll(async () => (await tally())?.tally.buckets).toBe(2);
  await page.getByRole('button', { name: 'put right' }).click();
  const sheet = page.getByRole('dialog', { name: /^The run of/ });
  // It cannot begin after its first bucket; it began an hour before.
  await sheet.getByLabel('Began', { exact: true }).fill('tomorrow 9:00');
  await expect(sheet.getByText('That is still to come.')).toBeVisible();
  await sheet.getByLabel('Began', { exact: true }).fill('2 Jan 2026 8:00');
  // One was missed, half full, from the other spot.
  await sheet.getByRole('button', { name: 'one was missed' }).click();
  const bucket = page.getByRole('dialog', { name: /^(Bucket \d|A bucket that was missed)/ });
  await bucket.getByLabel('From').selectOption({ label: 'Upper bar' });
  await bucket.getByRole('radio', { name: '1/2' }).click();
  await bucket.getByRole('button', { name: 'Add it' }).click();
  await expect(sheet.getByRole('heading', { name: '3 buckets' })).toBeVisible();
  // The first came from the other spot as well; and back by Undo.
  await sheet.getByRole('list', { name: 'Buckets of this run' }).getByRole('button').first().click();
  await bucket.getByLabel('From').selectOption({ label: 'Upper bar' });
  await bucket.getByRole('button', { name: 'Keep it so' }).click();
  await expect(sheet.getByRole('listitem').first()).toContainText('Upper bar');
  await sheet.getByRole('button', { name: 'Keep it so' }).click();
  await expect(page.getByRole('img', { name: '3 buckets' })).toBeVisible();
  await expect
    .poll(async () => Object.values((await tally())?.tally.bySpot_L ?? {}).sort((a, b) => a - b))
    .toEqual([20, 30]);
  // Begun in January, it was timed anew: months without a bucket are no work.
  await expect.poll(async () => ((await tally())?.tally.brokenOff_s ?? 0) > 86_400).toBe(true);
  // One too many.
  await page.getByRole('button', { name: 'put right' }).click();
  await sheet.getByRole('list', { name: 'Buckets of this run' }).getByRole('button').last().click();
  await bucket.getByRole('button', { name: 'Take it out' }).click();
  await expect(sheet.getByRole('heading', { name: '2 buckets' })).toBeVisible();
  await expect.poll(async () => (await tally())?.tally.buckets).toBe(2);
  // It is told what was put right, through a reload, and each step goes back in a tap.
  await page.reload();
  await page.getByRole('button', { name: 'put right' }).click();
  const mends = sheet.getByRole('list', { name: 'What was put right, the latest first' });
  await expect(mends.getByRole('listitem').first()).toContainText('taken out');
  await expect(mends.getByText(/is now .*Upper bar/)).toBeVisible();
  await expect(mends.getByText(', by Wren')).toHaveCount(await mends.getByRole('listitem').count());
  await mends
    .getByRole('button', { name: /^Take back: .*taken out/ })
    .first()
    .click();
  await expect(sheet.getByRole('heading', { name: '3 buckets' })).toBeVisible();
  await expect.poll(async () => (await tally())?.tally.buckets).toBe(3);
  await mends.getByRole('button', { name: /^Take back: .*is now .*full, Upper bar/ }).click();
  // The first is of the lower bar again: 40 L from there, the half bucket from the upper.
  await expect
    .poll(async () => Object.values((await tally())?.tally.bySpot_L ?? {}).sort((a, b) => a - b))
    .toEqual([10, 40]);
});

test('a page whose document left the server before the last pan landed shows the pan all the same', async ({
  page,
}) => {
  const groundId = await openCreek(page, 'Overtaken Fork', 'sample');
  let letGo = (): void => undefined;
  const held = new Promise<void>((resolve) => (letGo = resolve));
  await page.route(/\/api\/v1\/samples\//, async (route) => {
    await held;
    await route.continue();
  });
  await keepBlank(page, 'Lower bar');
  const putRight = page.getByRole('button', { name: /^Put right the sample of/ });
  await expect(putRight).toBeVisible();
  await page.route(
    (url) => url.pathname.startsWith(`/g/${groundId}`),
    async (route) => {
      const early = await route.fetch();
      letGo();
      await expect
        .poll(async () => {
          const list = await page.request.get(`/api/v1/grounds/${groundId}/samples`);
          return ((await list.json()) as { items: unknown[] }).items.length;
        })
        .toBe(1);
      // Time for the page that goes to take it off its outbox.
      await page.waitForTimeout(1500);
      await route.fulfill({ response: early });
    },
  );
  await page.reload();
  await expect(putRight).toBeVisible();
});

test('a pan kept while the store of the device is busy is there after a reload at once', async ({ page }) => {
  await openCreek(page, 'Busy Fork', 'sample');
  const writes = /\/api\/v1\/samples\//;
  await page.route(writes, (route) => route.abort());
  // Another write holds the store: what comes after stands in line.
  await holdStore(page, ['outbox', 'facts']);
  await keepBlank(page, 'Lower bar');
  await page.reload();
  await expect(page.getByRole('button', { name: /^Put right the sample of/ })).toBeVisible();
  await expect(page.getByText('1 waits for signal').filter({ visible: true }).first()).toBeVisible();
  await page.unroute(writes);
  await page.evaluate(() => dispatchEvent(new Event('online')));
  await expect(page.getByText('All saved').filter({ visible: true }).first()).toBeVisible({ timeout: 60_000 });
});
