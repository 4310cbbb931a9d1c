import { expect, test } from '@playwright/test';
import { chooseSpot, judgement, logBucket, openCreek, toStage } from './job.ts';

const percentHeld = async (text: Promise<string>): Promise<number> => Number(/(\d+) % \(/.exec(await text)?.[1] ?? NaN);

/** A dry washer from building it to its first bucket. */
test('a dry washer is built, set by its air, fed damp and dry, measured with lead, and run', async ({ page }) => {
  const groundId = await openCreek(page, 'Rattle Wash', 'set');
  await page.getByRole('button', { name: 'Another' }).click();
  await page.getByRole('button', { name: 'It is a dry washer' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('What you call it').fill('Shaker');
  await sheet.getByRole('button', { name: 'Keep this washer' }).click();
  await expect(sheet.getByText('▲ Not kept: see the fields marked.')).toBeVisible();
  await sheet.getByLabel('Cloth, width inside', { exact: true }).fill('30 cm');
  await sheet.getByLabel('Cloth, length', { exact: true }).fill('76 cm');
  await sheet.getByLabel('Riffles, height', { exact: true }).fill('12 cm');
  await expect(sheet.getByText('Riffles are between 3 mm (1/8 in) and 50 mm (2 in) high.')).toBeVisible();
  await sheet.getByLabel('Riffles, height', { exact: true }).fill('12 mm');
  await sheet.getByLabel('Its pulley, mm across').fill('22');
  await expect(sheet.getByText('That is 149 puffs a minute')).toBeVisible();
  await sheet.getByRole('button', { name: 'Keep this washer' }).click();

  // Its bellows are slow: so says the first sentence, and the caution stands there before they run.
  await expect(page.getByText('Dry washer “Shaker”')).toBeVisible();
  await expect(judgement(page)).toContainText(/pulley sizes? up: (the lights lie still|it takes too little gravel)/);
  await expect(page.getByText(/a respirator that seals/)).toBeVisible();
  await page.getByLabel('Puffs a minute').fill('270');
  await expect(judgement(page)).toContainText('Leave it: it works');
  await expect(page.getByText(/A second pass over the tailings brings \d+ % more/)).toBeVisible();

  // Damp feed: dry it, before anything else.
  await page.getByRole('radio', { name: 'ball falls apart' }).click();
  await expect(judgement(page)).toContainText('Dry it first: damp sand clumps');
  await page.getByRole('radio', { name: 'dusts' }).click();
  await expect(judgement(page)).toContainText('Leave it');

  // Wrong on purpose: refused where it stands, and nothing is kept.
  await page.getByLabel('Puffs a minute').fill('many');
  await expect(page.getByText('Write puffs a minute, such as 270.')).toBeVisible();
  await page.getByRole('button', { name: 'Keep this setting' }).click();
  await expect(page.getByText('▲ Not kept: see the fields marked.')).toBeVisible();
  await page.getByLabel('Puffs a minute').fill('270');
  // What is seen at it moves what is said.
  await expect(judgement(page)).toContainText('Leave it');
  const before = await percentHeld(judgement(page).innerText());
  await page.getByRole('button', { name: 'Fine gold in the tail' }).click();
  await expect(page.getByRole('button', { name: 'Fine gold in the tail, seen' })).toBeVisible();
  await expect.poll(() => percentHeld(judgement(page).innerText())).not.toBe(before);
  await page.getByRole('button', { name: 'Fine gold in the tail, seen' }).click();
  await page.getByRole('button', { name: 'Fine gold in the tail, looked and not there' }).click();

  // Tracers: lead, told as lead.
  await page.getByRole('button', { name: 'Feed tracers' }).click();
  await page.getByRole('radio', { name: 'lead shot' }).click();
  await page.getByLabel('Size of the shot', { exact: true }).fill('0.5');
  await page.getByLabel('Found in the box').fill('17');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('17 of 20 lead shot of 0.5 mm found')).toBeVisible();
  await expect(page.getByText(/by 1 measure of this one/)).toBeVisible();

  // And gravel through it.
  const kept = async (kind: string) =>
    (
      (await (await page.request.get(`/api/v1/grounds/${groundId}/${kind}`)).json()) as {
        items: Record<string, unknown>[];
      }
    ).items;
  await page.getByRole('button', { name: 'Keep this setting' }).click();
  await expect.poll(async () => (await kept('setups')).length).toBe(2);
  await toStage(page, 'Run');
  await chooseSpot(page, 'Gravel from', 'Lower bar');
  await page.getByRole('button', { name: 'Start the run' }).click();
  await logBucket(page, 1);
  await expect(page.getByText(/The box takes one in|A bucket in/)).toBeVisible();
  await page.getByRole('button', { name: 'damp feed' }).click();
  await expect(page.getByText('Stop feeding. Spread it thin in the sun')).toBeVisible();
  await expect(page.getByRole('button', { name: 'air +15 %' })).toBeVisible();
  await expect(page.getByRole('button', { name: /^water/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByText('What a dry washer should hold is not sealed')).toBeVisible();
});

test('the wash of the island: what two passes there say of its washer, and the book counts its gravel once', async ({
  page,
}) => {
  const grounds = (await (await page.request.get('/api/v1/grounds')).json()) as {
    items: { id: string; name: string }[];
  };
  const id = grounds.items.find((g) => g.name === 'Dry Harrier Wash')?.id ?? '';
  await page.goto(`/g/${id}/set`);
  await expect(page.getByText('Dry washer “The bellows”')).toBeVisible();
  await expect(page.getByText(/a second pass brought \d+ % of what the first did/)).toBeVisible();
  await expect(judgement(page)).toContainText('in one pass');
  // Each change and what followed, in the words of a washer.
  await expect(page.getByText('272 puffs a minute, were 149')).toBeVisible();
  await expect(page.getByText('fed tailings again')).toBeVisible();
  await page.goto(`/g/${id}/books`);
  const book = (await (await page.request.get(`/api/v1/grounds/${id}/book`)).json()) as {
    total: { volumeBank_L: number; buckets: number };
  };
  // Six, fourteen and eight buckets of 18.9 L at 18 %; the thirteen of tailings are time, not gravel.
  expect(book.total.volumeBank_L).toBeCloseTo((28 * 18.92705892) / 1.18, 1);
  expect(book.total.buckets).toBe(41);
});

test('gravel far from water: the ways to its gold, what decides, and bad figures told where they stand', async ({
  page,
}) => {
  const grounds = (await (await page.request.get('/api/v1/grounds')).json()) as {
    items: { id: string; name: string }[];
  };
  const id = grounds.items.find((g) => g.name === 'Dry Harrier Wash')?.id ?? '';
  await page.goto(`/g/${id}/run`);
  await page.getByRole('link', { name: 'Haul it, or wash it dry' }).click();
  await expect(judgement(page)).toContainText('a gram costs');
  await expect(page.getByText('Passes through The bellows')).toBeVisible();
  await page.getByLabel('To the water, one way', { exact: true }).fill('1 km');
  await expect(judgement(page)).toContainText('Carry it to water');
  await page.getByLabel('To the water, one way', { exact: true }).fill('150 km');
  await expect(judgement(page)).toContainText(/Wash it dry here|Pan it dry here/);
  await page.getByLabel('The hole is dry, times in ten').fill('12');
  await expect(page.getByText('From 0 to 10 times in ten.')).toBeVisible();
  await expect(judgement(page)).toContainText('Say how much gravel');
  await page.getByLabel('The hole is dry, times in ten').fill('4');
  await page.getByLabel('From it to a second hole', { exact: true }).fill('30 km');
  await expect(page.getByText('dry 4 in 10')).toBeVisible();
  // What was typed is there after a reload.
  await page.reload();
  await expect(page.getByLabel('From it to a second hole', { exact: true })).toHaveValue('30 km');
});
