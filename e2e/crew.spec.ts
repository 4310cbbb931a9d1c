import { expect, test } from '@playwright/test';
import { judgement, openCreekWithBox, openHalloway, toStage } from './job.ts';

/** Who waits for whom: buckets timed by watch and by hand, hands moved about, with a signal and without. */
test('three rounds tell who holds the others up, and what standing otherwise would bring', async ({ page }, info) => {
  const groundId = await openCreekWithBox(page, `Crew Fork ${info.project.name}`, `Crew box ${info.project.name}`);
  await page.getByRole('link', { name: 'Who waits for whom' }).click();
  await expect(judgement(page)).toContainText('Time one bucket from the shovel into the box');

  // By the watch: a tap at each end; a reload in between loses nothing.
  await page.getByRole('button', { name: /^Start the watch/ }).click();
  await page.waitForTimeout(1100);
  await page.getByRole('button', { name: /^Dug\. Now carry/ }).click();
  await page.reload();
  await expect(page.getByRole('timer', { name: 'Carry, so far' })).toBeVisible();
  await expect(page.getByLabel('Dig', { exact: true })).toHaveValue(/^0:0[1-9]$/);
  await page.getByRole('button', { name: /^Carried\. Now screen/ }).click();
  await page.getByRole('button', { name: /^Screened\. Now feed/ }).click();
  await page.getByRole('button', { name: 'Keep this round' }).click();
  await expect(page.getByText('▲ Not kept: the watch still runs.')).toBeVisible();
  await page.getByRole('button', { name: /^Fed: in the box/ }).click();

  // By hand: what cannot be is told at its field and not kept.
  const field = (name: string) => page.getByLabel(name, { exact: true });
  await field('Dig').fill('a while');
  await expect(page.getByText('Write it like “2:10” or “130 s”.')).toBeVisible();
  await page.getByRole('button', { name: 'Keep this round' }).click();
  await expect(page.getByText(/^▲ Not kept: time at least one of them/)).toBeVisible();
  const kept = async (): Promise<{ dig_s: number; posts: unknown[] }[]> =>
    (
      (await (await page.request.get(`/api/v1/grounds/${groundId}/work-rounds`)).json()) as {
        items: { dig_s: number; posts: unknown[]; deleted: boolean }[];
      }
    ).items.filter((r) => !r.deleted);
  expect(await kept()).toEqual([]);
  const round = async (dig: string, carry: string, screen: string, feed: string): Promise<void> => {
    await field('Dig').fill(dig);
    await field('Carry').fill(carry);
    await field('Screen').fill(screen);
    await field('Feed').fill(feed);
    await page.getByRole('button', { name: 'Keep this round' }).click();
    await expect(field('Dig')).toHaveValue('');
  };
  await round('3:10', '40 s', '0:30', '0:40');
  await round('2 min 50 s', '0:45', '35', '0:40');
  await page.route(/\/api\/v1\/work-rounds\//, (r) => r.abort());
  await round('3:20', '0:35', '0:30', '45 s');
  await expect(page.getByText('dig 3:20, carry 0:35, screen 0:30, feed 0:45')).toBeVisible();
  // Two stand apart until they say otherwise; digging takes 3:06 or so, the rest 1:53.
  await expect(judgement(page)).toContainText(
    /^Digging holds the others up: about \d\d(\.5)? buckets an hour\. With the same hands about \d\d: each takes a bucket all the way\.$/,
  );
  await expect(
    page.getByText(
      /^Nine times in ten .+ by 3 timed rounds\. Rests, stones and talk leave 8 tenths of it, as is usual/,
    ),
  ).toBeVisible();
  await expect(page.getByRole('listitem', { name: 'digging' })).toContainText('never waits');
  await expect(page.getByRole('listitem', { name: 'carrying, screening and feeding' })).toContainText(
    /waits \d\d minutes an hour/,
  );

  // Another digger: the answer goes along, and nobody waits for the digging any more.
  await page.getByRole('button', { name: 'One more, hands digging' }).click();
  await expect(page.getByRole('group', { name: 'hands digging' })).toContainText('2');
  await expect(judgement(page)).not.toContainText('Digging holds the others up');
  await page.getByRole('button', { name: 'One fewer, hands digging' }).click();
  await expect(judgement(page)).toContainText('Digging holds the others up');
  // The joints: other hands feed; the line has three posts.
  await page.getByRole('button', { name: 'Other hands feed' }).click();
  await expect(page.getByRole('list', { name: 'How you stand' }).getByRole('listitem')).toHaveCount(3);
  await page.getByRole('button', { name: 'Other hands feed' }).click();
  await expect(page.getByRole('list', { name: 'How you stand' }).getByRole('listitem')).toHaveCount(2);

  // The signal comes back, and the third round lands as it was stood.
  await page.unroute(/\/api\/v1\/work-rounds\//);
  await expect.poll(async () => (await kept()).map((r) => r.dig_s).sort()).toEqual([170, 190, 200]);
  expect((await kept())[0]?.posts).toHaveLength(2);
  await page
    .getByRole('button', { name: /^Take out the round of/ })
    .first()
    .click();
  await expect(page.getByText('The round is taken out.')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: /^Take out the round of/ })).toHaveCount(3);
});

test('where the hours of a season went, cleaning up counted in', async ({ page }) => {
  await openHalloway(page);
  await toStage(page, 'Run');
  await page.getByRole('link', { name: 'Who waits for whom' }).click();
  await expect(judgement(page)).toContainText(/^Digging and carrying hold the others up: about /);
  const block = page.locator('section', { has: page.getByRole('heading', { name: 'Where the hours went' }) });
  await expect(block.getByRole('listitem')).toHaveText([
    /^digging\d+(\.\d)? h$/,
    /^carrying\d+(\.\d)? h$/,
    /^screening\d+(\.\d)? h$/,
    /^feeding\d+(\.\d)? h$/,
    /^rests and waiting\d+(\.\d)? h$/,
    /^cleaning up\d+(\.\d)? h$/,
  ]);
  await expect(block).toContainText(/Each hour of a pair of hands brought \d+(\.\d)?\smg, cleaning up counted in\./);
});
