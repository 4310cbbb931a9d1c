import { expect, test, type BrowserContext, type Page } from '@playwright/test';
import { v7 as uuidv7 } from 'uuid';
import { judgement, keepBlank, openCreek, placeOf, toStage } from './job.ts';

/** A walk over a creek: what comes first, what rings, what is kept, and what goes on without signal, fix or leave. */
const NOON = new Date('2026-07-10T12:00:00');

/** Puts the person so many metres up the creek of `bringCreek`, which runs north by 111.2 m to a thousandth of a degree. */
const standAt = (context: BrowserContext, up_m: number, accuracy = 6): Promise<void> =>
  context.setGeolocation({ latitude: 46.5 + up_m / 111_195, longitude: -33, accuracy });
/** The receiver is asked every 20 s at the most. */
const nextFix = (page: Page): Promise<void> => page.clock.runFor(21_000);
const distance = (page: Page) => page.locator('[data-walk-distance]');

async function keep(page: Page, path: string, record: object): Promise<void> {
  const id = uuidv7();
  const answer = await page.request.put(`/api/v1/${path}/${id}`, {
    data: { id, deleted: false, baseVersion: 0, ...record },
  });
  expect(answer.ok(), await answer.text()).toBe(true);
}

test('walked up: the distance counts down, places ring, a blank is one tap, a claim and the hour stop one', async ({
  page,
  context,
}) => {
  await context.grantPermissions(['geolocation']);
  await standAt(context, 150);
  await page.addInitScript(() => {
    const buzzed: unknown[] = [];
    Object.assign(window, { buzzed });
    Object.defineProperty(navigator, 'vibrate', { value: (p: unknown) => buzzed.push(p) });
  });
  const buzzes = (): Promise<number> => page.evaluate(() => (window as unknown as { buzzed: unknown[] }).buzzed.length);
  await page.clock.install({ time: NOON });
  const groundId = await openCreek(page, 'Walking Fork');
  await keep(page, 'outlines', {
    groundId,
    name: 'Marten 2',
    kind: 'claim',
    points: [
      [-33.001, 46.5075],
      [-32.999, 46.5075],
      [-32.999, 46.5085],
      [-33.001, 46.5085],
    ],
    height_m: null,
    holder: 'not ours',
    permissionId: null,
    note: '',
  });
  // Planned: back by four.
  await keep(page, 'day-sheets', {
    groundId,
    day: '2026-07-10',
    start_min: 480,
    back_min: 960,
    start_m: 0,
    rest_min: 30,
    limit_kg: 20,
    tools: [],
    aim: 'best traps',
    way: 'quick pans',
    frozen: false,
    waterAway: false,
    stops: [],
    note: '',
  });
  await keepBlank(page, 'Lower bar');
  await toStage(page, 'Read');
  await page.getByRole('link', { name: 'Walk it' }).click();

  // 278 m up stands the lower bar.
  await expect(distance(page)).toHaveText(/^1[23]\d$/);
  await expect(judgement(page)).toHaveText('Lower bar');
  await expect(page.getByText('ahead, on your right')).toBeVisible();
  const first = Number(await distance(page).innerText());
  await standAt(context, 210);
  await nextFix(page);
  await expect.poll(async () => Number(await distance(page).innerText())).toBeLessThan(first - 50);
  expect(await buzzes()).toBe(0);
  await standAt(context, 276);
  await nextFix(page);
  await expect(distance(page)).toHaveText('here');
  expect(await buzzes()).toBe(1);
  await expect(page.getByRole('alert').filter({ hasText: 'You are at Lower bar.' })).toBeAttached();

  // One tap, no signal: the blank is kept and the next place is the first word.
  await context.setOffline(true);
  await page.getByRole('button', { name: /Blank here/ }).click();
  await expect(page.getByText('Lower bar, a blank')).toBeVisible();
  await expect(judgement(page)).toHaveText('Upper bar');
  await expect(page.getByText(/1 waits for signal/).filter({ visible: true })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(judgement(page)).toHaveText('Lower bar');
  await page.getByRole('button', { name: /Blank here/ }).click();
  await expect(judgement(page)).toHaveText('Upper bar');
  await context.setOffline(false);
  await expect(page.getByText('All saved').filter({ visible: true })).toBeVisible({ timeout: 60_000 });

  // The fix is lost, and that is said; it comes back.
  await context.setGeolocation(null);
  await nextFix(page);
  await expect(page.getByText('no position now')).toBeVisible();
  await standAt(context, 500, 90);
  await nextFix(page);
  await expect(page.getByText('the position is too wide to use')).toBeVisible();
  await standAt(context, 560);
  await nextFix(page);
  await expect(page.getByText('the position is too wide to use')).toBeHidden();

  // Passed with one tap of reason: on the return list.
  await page.getByRole('button', { name: 'Pass' }).click();
  await page.getByRole('button', { name: 'lower water' }).click();
  await expect(page.getByText('Upper bar passed: lower water')).toBeVisible();

  // The edge of a claim rings before one is over it, and over it is the first word.
  await standAt(context, 800);
  await nextFix(page);
  await expect(page.getByRole('alert').filter({ hasText: 'the edge of Marten 2, not ours' })).toBeAttached();
  await standAt(context, 850);
  await nextFix(page);
  await expect(judgement(page)).toContainText('You are on Marten 2, not ours');

  // Back in time: ten minutes before, and when it is past.
  await standAt(context, 700);
  await nextFix(page);
  await page.clock.setFixedTime(new Date('2026-07-10T15:59:00'));
  await page.reload();
  await expect(judgement(page)).toContainText('Turn back now');
  const { items } = (await (await page.request.get(`/api/v1/grounds/${groundId}/signs`)).json()) as {
    items: { comeBackWith: string }[];
  };
  expect(items.map((s) => s.comeBackWith)).toEqual(['lower water']);
});

test('with the position denied one says where one is by hand; the dark screen lets go when it is held', async ({
  page,
  context,
}) => {
  await context.clearPermissions();
  await openCreek(page, 'Handheld Fork');
  await page.getByRole('link', { name: 'Walk it' }).click();
  await expect(judgement(page)).toContainText(/not allowed here|No position now/);
  // Nothing can be kept where no place is known.
  await expect(page.getByRole('button', { name: /First pan here/ })).toBeDisabled();
  const where = page.getByRole('group', { name: 'Where you stand' });
  await where.getByRole('button', { name: 'the foot' }).click();
  const before = Number(await distance(page).innerText());
  await where.getByRole('button', { name: /^on 20/ }).click();
  await expect(distance(page)).toHaveText(String(before - 20));
  await where.getByRole('button', { name: 'Lower bar' }).click();
  await expect(distance(page)).toHaveText('here');
  await page.getByRole('button', { name: /First pan here/ }).click();
  await expect(page).toHaveURL(/sample\?spot=.*walk=1/);
  await page.getByRole('link', { name: 'Back to the walk' }).click();

  // A tap beside a slip closes it, and presses nothing that lies under it.
  const read = await placeOf(page, page.locator('main').getByRole('link', { name: 'Read', exact: true }));
  await page.getByRole('button', { name: /^Sign/ }).click();
  await expect(page.getByRole('dialog')).toContainText('What do you see?');
  // In the very instant in which it is drawn a slip does not listen yet.
  await expect(async () => {
    await page.mouse.click(read.x + read.width / 2, read.y + read.height / 2);
    await expect(page.getByRole('dialog')).toBeHidden({ timeout: 10_000 });
  }).toPass();
  await expect(page).toHaveURL(/\/walk/);

  await page.getByRole('button', { name: 'Pocket' }).click();
  const light = page.getByRole('button', { name: 'Hold to light the screen' });
  await light.click();
  await expect(light).toBeVisible();
  await light.hover();
  await page.mouse.down();
  await expect(page.getByText('Keep holding')).toBeVisible();
  await expect(page.getByText('Keep holding')).toBeHidden();
  await page.mouse.up();
  await expect(page.getByRole('button', { name: 'Pocket' })).toBeVisible();
});
