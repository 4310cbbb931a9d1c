import { expect, test } from '@playwright/test';
import { chooseSpot, judgement, keepBlank, openCreek, spotLine, toStage } from './job.ts';

/** Reading the ground: signs in two taps, where to pan and why, and what moves it. */
test('a sign in two taps at the present position, with a measure added afterwards', async ({ page, context }) => {
  await openCreek(page, 'Sign Fork');
  await context.grantPermissions(['geolocation']);
  // Some 560 m up this creek, a few metres east of its line: with the water running south, the left bank.
  await context.setGeolocation({ latitude: 46.505, longitude: -32.99995, accuracy: 3 });
  await page.getByRole('button', { name: 'Add a sign' }).click();
  const sheet = page.getByRole('dialog');
  // It is found without being asked for.
  await expect(sheet.getByRole('status')).toContainText(/You stand at 5\d\d\sm/);
  await sheet.getByRole('button', { name: 'stained float' }).click();
  await expect(page.getByText(/Kept: stained float at 5\d\d/)).toBeVisible();
  await page.getByRole('button', { name: 'Add a measure or note' }).click();
  await sheet.getByLabel('Size of the stone', { exact: true }).fill('-3');
  await sheet.getByRole('button', { name: 'Keep it' }).click();
  await expect(sheet.getByText('Less than nothing cannot be measured.')).toBeVisible();
  await sheet.getByLabel('Size of the stone', { exact: true }).fill('60 mm');
  await sheet.getByLabel('Passed by? What it needs').fill('a low river');
  await sheet.getByRole('button', { name: 'Keep it' }).click();
  const signs = page.getByRole('region', { name: /^Signs/ });
  await expect(signs).toContainText('stained float, “60 mm”');
  await expect(signs).toContainText('come back with a low river');
  // A stone points; it is no place to dig.
  await expect(judgement(page)).not.toContainText('float');
  await expect(judgement(page)).toContainText(/^Pan .+ next/);
});

test('a position that is denied or far away is said, and the place at hand counts', async ({ page, context }) => {
  await openCreek(page, 'Denied Fork');
  await spotLine(page, 'Lower bar').click();
  await page.getByRole('button', { name: 'Add a sign' }).click();
  const sheet = page.getByRole('dialog');
  await context.clearPermissions();
  await sheet.getByRole('button', { name: 'Where I stand' }).click();
  await expect(sheet.getByRole('status')).toContainText(/not allowed here|No position now/);
  await context.grantPermissions(['geolocation']);
  await context.setGeolocation({ latitude: 45, longitude: -30 });
  await sheet.getByRole('button', { name: 'Where I stand' }).click();
  await expect(sheet.getByRole('status')).toContainText('from this ground');
  await sheet.getByRole('button', { name: 'bedrock', exact: true }).click();
  await expect(page.getByRole('region', { name: /^Signs/ })).toContainText('bedrock');
  // The sign is about the spot picked before.
  await expect(page.getByRole('button', { name: /Lower bar.*pays/ })).toBeVisible();
});

test('no place is made up: a sign and a spot wait for one, and a circle too wide is refused', async ({
  page,
  context,
}) => {
  const groundId = await openCreek(page, 'Nowhere Fork');
  await context.clearPermissions();
  const kept = async (kind: string): Promise<number> =>
    ((await (await page.request.get(`/api/v1/grounds/${groundId}/${kind}`)).json()) as { items: unknown[] }).items
      .length;
  await page.getByRole('button', { name: 'Add a sign' }).click();
  const sheet = page.getByRole('dialog');
  await expect(sheet.getByText('no place yet')).toBeVisible();
  await expect(sheet.getByRole('status')).toContainText(/not allowed here|No position now/);
  await sheet.getByRole('button', { name: 'bedrock', exact: true }).click();
  await expect(sheet.getByText(/Where is it\? Type how far/)).toBeVisible();
  await context.grantPermissions(['geolocation']);
  await context.setGeolocation({ latitude: 46.505, longitude: -32.99995, accuracy: 80 });
  await sheet.getByRole('button', { name: 'Where I stand' }).click();
  await expect(sheet.getByRole('status')).toContainText(/only good to 80\sm: too wide/);
  await sheet.getByRole('button', { name: 'bedrock', exact: true }).click();
  expect(await kept('signs')).toBe(0);
  // By hand it goes on.
  await sheet.getByLabel('Distance upstream of the foot', { exact: true }).fill('9 km');
  await sheet.getByRole('button', { name: 'It is there' }).click();
  await expect(sheet.getByText(/The ground is 1,\d+\sm long/)).toBeVisible();
  await sheet.getByLabel('Distance upstream of the foot', { exact: true }).fill('320');
  await sheet.getByRole('button', { name: 'It is there' }).click();
  await sheet.getByRole('button', { name: 'bedrock', exact: true }).click();
  await expect(page.getByText(/Kept: bedrock at 320/)).toBeVisible();

  await page.getByRole('button', { name: 'New spot' }).click();
  await sheet.getByLabel('Name').fill('Somewhere');
  await sheet.getByRole('button', { name: 'Mark this spot' }).click();
  await expect(sheet.getByText(/Where is it\? Type how far/)).toBeVisible();
  expect(await kept('spots')).toBe(2);
  await context.setGeolocation({ latitude: 46.505, longitude: -32.99995, accuracy: 4 });
  await sheet.getByRole('button', { name: 'Where I stand' }).click();
  await expect(sheet.getByLabel('Distance upstream of the foot', { exact: true })).toHaveValue(/^5\d\d/);
  await sheet.getByRole('button', { name: 'Mark this spot' }).click();
  await expect.poll(() => kept('spots')).toBe(3);
});

test('the ranking says why, and moves with one’s own word, with cover and with a blank', async ({ page }) => {
  await openCreek(page, 'Rank Fork');
  const first = page
    .getByRole('list')
    .filter({ has: page.getByRole('button', { name: /pays/ }) })
    .getByRole('listitem')
    .first();
  const addSign = async (spot: string, kind: string): Promise<void> => {
    await spotLine(page, spot).click();
    await page.getByRole('button', { name: 'Add a sign' }).click();
    await page.getByRole('dialog').getByRole('button', { name: kind, exact: true }).click();
  };
  await addSign('Upper bar', 'crevice');
  await addSign('Upper bar', 'inside bend');
  await expect(first).toContainText('Upper bar');
  await expect(first).toContainText('cracks in the bedrock');
  await expect(first).toContainText('inside of a bend');
  await expect(judgement(page)).toContainText('Pan Upper bar next');
  await expect(judgement(page).locator('..')).toContainText('Two signs agree.');

  // A blank lowers it, never to nothing.
  await keepBlank(page, 'Upper bar', '6');
  await toStage(page, 'Read');
  await expect(page.getByText('panned blank')).toBeVisible();
  const chance = Number(
    /pays (\d) in 10/.exec(
      await page
        .getByRole('button', { name: /Upper bar.*pays/ })
        .innerText()
        .then((t) => t.replaceAll('\n', ' ')),
    )?.[1],
  );
  expect(chance).toBeGreaterThanOrEqual(1);

  // Too much cover is a gate.
  await spotLine(page, 'Lower bar').click();
  await page.getByRole('button', { name: 'Add a sign' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'clay seam' }).click();
  await page
    .getByRole('region', { name: /^Signs/ })
    .getByRole('button', { name: /clay seam/ })
    .click();
  await page.getByRole('dialog').getByLabel('Cover down to what you want to pan', { exact: true }).fill('5 ft');
  await page.getByRole('dialog').getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText(/Under too much cover for your tools: Lower bar/)).toBeVisible();
  await page.getByRole('button', { name: 'change that' }).click();
  await page.getByRole('dialog').getByLabel('Your tools reach down to', { exact: true }).fill('2 m');
  await page.getByRole('dialog').getByRole('button', { name: 'Rank by these' }).click();
  await expect(page.getByText(/Under too much cover/)).toBeHidden();

  await page.getByRole('button', { name: /Lower bar.*pays/ }).click();
  await page.getByRole('button', { name: 'Add a sign' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'I hold with this place' }).click();
  await page.getByRole('dialog').getByRole('radio', { name: 'go' }).click();
  await page.getByRole('dialog').getByLabel('Note').fill('An old hand told me.');
  await page.getByRole('dialog').getByRole('button', { name: 'Keep it' }).click();
  await expect(first).toContainText('Lower bar');
  await expect(first).toContainText('An old hand told me.');
});

test.describe('installed', () => {
  test.use({ serviceWorkers: 'allow' });
  test('signs wait for a signal like everything else', { tag: '@phone' }, async ({ page, context }) => {
    const groundId = await openCreek(page, 'Quiet Fork');
    await page.evaluate(() => navigator.serviceWorker.ready);
    await page.reload();
    await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
    await expect(page.getByRole('option', { name: /Lower bar/ })).toBeAttached();
    await spotLine(page, 'Lower bar').click();
    await context.setOffline(true);
    await page.getByRole('button', { name: 'Add a sign' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'black sand' }).click();
    await expect(page.getByText(/1 waits for signal/).filter({ visible: true })).toBeVisible();
    await page.reload();
    await expect(page.getByRole('region', { name: /^Signs/ })).toContainText('black sand');
    await context.setOffline(false);
    await expect(page.getByText('All saved').filter({ visible: true })).toBeVisible({ timeout: 60_000 });
    const { items } = (await (await page.request.get(`/api/v1/grounds/${groundId}/signs`)).json()) as {
      items: { kind: string }[];
    };
    expect(items.map((s) => s.kind)).toEqual(['black sand']);
  });
});

test('the trail: where colors stop is said and shaded', async ({ page }) => {
  await openCreek(page, 'Trail Fork');
  await expect(page.getByText(/Pan at 4 places or more/)).toBeVisible();
  const at = async (name: string, distance: string, colors: number): Promise<void> => {
    if (name !== 'Lower bar' && name !== 'Upper bar') {
      await page.getByRole('button', { name: 'New spot' }).click();
      await page.getByRole('dialog').getByLabel('Name').fill(name);
      await page.getByRole('dialog').getByLabel('Distance upstream of the foot', { exact: true }).fill(distance);
      await page.getByRole('button', { name: 'Mark this spot' }).click();
    }
    await toStage(page, 'Sample');
    await chooseSpot(page, 'Spot', name);
    await page.getByLabel('Depth below the surface', { exact: true }).fill('0.3');
    await page.getByLabel('How much you panned', { exact: true }).fill('3');
    await page.getByLabel('Colors −40').fill(String(colors));
    await page.getByRole('button', { name: 'Keep this sample' }).click();
    await expect(page.getByText(`Kept: ${name}`)).toBeVisible();
    await toStage(page, 'Read');
  };
  await at('Lower bar', '', 9);
  await at('Second bar', '450', 11);
  await at('Upper bar', '', 0);
  await at('High pool', '900', 0);
  await expect(page.getByText(/Colors stop between Second bar and Upper bar/)).toBeVisible();
  await expect(page.getByText(/No draw is marked there/)).toBeVisible();
  await expect(page.getByText(/Last pay Second bar, first blank above it Upper bar/)).toBeVisible();
});

test('a flood renews the bars: an old blank then weighs less, and the river stands at the head of the page', async ({
  page,
}) => {
  await openCreek(page, 'Flood Fork');
  await spotLine(page, 'Upper bar').click();
  await page.getByRole('button', { name: 'Add a sign' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'bar', exact: true }).click();
  await keepBlank(page, 'Upper bar', '4');
  await toStage(page, 'Read');
  await expect(page.getByText('panned blank')).toBeVisible();

  await page.getByRole('button', { name: 'read the river' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByRole('radio', { name: 'peak of a flood' }).click();
  await sheet.getByLabel('When', { exact: true }).fill('2035-01-01T10:00');
  await sheet.getByRole('button', { name: 'Keep it' }).click();
  await expect(sheet.getByText('Nothing is typed yet.')).toBeVisible();
  await expect(sheet.getByText('That is still to come.')).toBeVisible();
  await sheet.getByLabel('Height on the stake', { exact: true }).fill('1.2 m');
  // The minute that has begun lies after the pan: the flood came since.
  const now = await page.evaluate(() => {
    const t = new Date(Date.now() - new Date().getTimezoneOffset() * 60_000 + 60_000);
    return t.toISOString().slice(0, 16);
  });
  await sheet.getByLabel('When', { exact: true }).fill(now);
  await sheet.getByRole('button', { name: 'Keep it' }).click();
  await expect(sheet.getByRole('listitem')).toContainText('“1.2 m”, flood');
  // What a gauge foretells, or a logger whose clock is wrong has written, is kept and not taken for the river now.
  const tomorrow = new Date(Date.now() + 86_400_000).toISOString();
  await sheet.getByLabel(/^A gauge’s file/).setInputFiles({
    name: 'gauge.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(`time,level (m)\n${tomorrow},2.5`),
  });
  await expect(sheet.getByText('1 of them is dated ahead of now and not counted until then.')).toBeVisible();
  await sheet.getByRole('button', { name: 'Keep these 1' }).click();
  await expect(sheet.getByRole('listitem').first()).toContainText('ahead of now: not counted until then');
  await page.keyboard.press('Escape');
  await expect(page.getByText(/River 1\.2\sm/)).toBeVisible();
  await expect(page.getByText('panned blank')).toBeHidden();
  await expect(page.getByText('blank, but a flood since')).toBeVisible();
});

test('a closed season written down is told on its day, where ground is worked', async ({ page }) => {
  await openCreek(page, 'Closed Fork');
  await page.getByRole('button', { name: 'about it' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByRole('radio', { name: 'closed season' }).click();
  await sheet.getByLabel('every year').check();
  await sheet.getByRole('button', { name: 'Write it down' }).click();
  await expect(sheet.getByText('Give it a name.')).toBeVisible();
  await expect(sheet.getByText('What comes every year needs its first and last day.')).toBeVisible();
  await sheet.getByLabel('What it is').fill('Trout spawn');
  const dayFrom = (days: number): string => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);
  await sheet.getByLabel('First day', { exact: true }).fill(dayFrom(-20));
  await sheet.getByLabel('Last day', { exact: true }).fill(dayFrom(20));
  await sheet.getByRole('button', { name: 'Write it down' }).click();
  await expect(sheet.getByRole('listitem')).toContainText('Trout spawn');
  await page.keyboard.press('Escape');
  const told = page.getByRole('heading', { level: 1, name: /Closed today by your notes: Trout spawn \(until .*\)/ });
  await expect(told).toBeVisible();
  await expect(page.getByText(/Open again on \d+ \w+ \d{4}\. Local law decides/)).toBeVisible();
  await toStage(page, 'Sample');
  await expect(told).toBeVisible();
  await toStage(page, 'Read');
  await page.getByRole('button', { name: 'about it' }).click();
  await sheet.getByRole('button', { name: 'Take out Trout spawn' }).click();
  await page.keyboard.press('Escape');
  await expect(told).toBeHidden();
});
