import { expect, test, type Page } from '@playwright/test';
import { v7 as uuidv7 } from 'uuid';
import { judgement } from './job.ts';

/** A beach by its sea: the swell and the storms, what they laid anew, the hours of its sand and the way off it. */
const TIDE = {
  meanLevel_m: 1.1,
  workBelow_m: 1.2,
  wayBelow_m: 1.5,
  margin_min: 30,
  constituents: [{ name: 'M2', amplitude_m: 0.7, phase_deg: 48 }],
};

async function keep(page: Page, path: string, record: object): Promise<string> {
  const id = uuidv7();
  const answer = await page.request.put(`/api/v1/${path}/${id}`, {
    data: { id, deleted: false, baseVersion: 0, ...record },
  });
  expect(answer.ok(), await answer.text()).toBe(true);
  return id;
}
const strand = (page: Page, name: string, tide: object | null = TIDE): Promise<string> =>
  keep(page, 'grounds', {
    name,
    kind: 'beach',
    length_m: 600,
    swell_percent: 18,
    timeZone: 'Etc/GMT+2',
    fedBy: null,
    catchment_m2: null,
    catchmentEntered: null,
    note: '',
    tide,
    faceSlope: 0.09,
    faceSlopeEntered: { text: '9', unit: '%' },
    profile: [],
    lookedAt: [],
    joins: null,
  });
const spotAt = (page: Page, groundId: string, name: string, distance_m: number): Promise<string> =>
  keep(page, 'spots', {
    groundId,
    name,
    kind: 'cut bank',
    distance_m,
    bank: 'left',
    offset_m: 18,
    position: null,
    worksBelow_m: null,
    worksBelowEntered: null,
    samplePlanId: null,
    note: '',
  });

test('the sea is logged with a storm; a berm that was cut is worth a pan again', async ({ page }) => {
  const groundId = await strand(page, `Logged strand ${test.info().project.name}`);
  const spotId = await spotAt(page, groundId, 'Driftwood', 200);
  await keep(page, 'signs', {
    groundId,
    kind: 'berm toe',
    distance_m: 200,
    bank: 'left',
    offset_m: 18,
    position: null,
    seenAt: '2026-03-01T08:00:00.000Z',
    size_mm: null,
    sizeEntered: null,
    cover_m: null,
    coverEntered: null,
    weight: null,
    traits: {},
    comeBackWith: '',
    note: '',
  });
  await keep(page, 'samples', {
    groundId,
    spotId,
    takenAt: '2026-03-02T08:00:00.000Z',
    depth_m: 0.2,
    depthEntered: { text: '0.2', unit: 'm' },
    volume_L: 12,
    volumeEntered: { text: '2 pans', unit: 'pan' },
    volumeState: 'loose',
    counts: { '+10': 0, '10-20': 0, '20-40': 0, '-40': 0 },
    blackSand: 1,
    gold_mg: null,
    goldEntered: null,
    layer: '',
    note: '',
  });
  await page.goto(`/g/${groundId}/read`);
  await expect(page.getByText('panned blank')).toBeVisible();
  await page.getByRole('button', { name: 'read the sea' }).click();
  const sheet = page.getByRole('dialog');

  // Wrong on purpose: said where it stands, nothing kept.
  await sheet.getByLabel('Height of the waves', { exact: true }).fill('40 m');
  await sheet.getByLabel('From crest to crest, s').fill('1');
  await sheet.getByRole('button', { name: 'Keep it', exact: true }).click();
  await expect(sheet.getByText('At most 25 m (80 ft) of swell.')).toBeVisible();
  await expect(sheet.getByText('At least 2 s from crest to crest.')).toBeVisible();
  await expect(sheet.getByRole('listitem')).toHaveCount(0);

  await sheet.getByLabel('Height of the waves', { exact: true }).fill('4 ft');
  await sheet.getByLabel('From crest to crest, s').fill('9');
  await sheet.getByRole('button', { name: 'Keep it', exact: true }).click();
  await expect(sheet.getByText('1.22 m every 9 s')).toBeVisible();
  // A storm of the spring that took the berm.
  await sheet.getByRole('radio', { name: 'a storm at its height' }).click();
  await sheet.getByLabel('Height of the waves', { exact: true }).fill('3.8');
  await sheet.getByLabel('From crest to crest, s').fill('12');
  await sheet.getByLabel('When', { exact: true }).fill('2 May 2026 6:00');
  await sheet.getByRole('radio', { name: 'was cut' }).click();
  await sheet.getByRole('button', { name: 'Keep it', exact: true }).click();
  await expect(sheet.getByText('How high is the step it left? A guess will do.')).toBeVisible();
  await sheet.getByLabel('It took', { exact: true }).fill('80 cm');
  await sheet.getByRole('button', { name: 'Keep it', exact: true }).click();
  await expect(
    sheet.getByText(/3\.8\sm every 12 s, storm; up to [\d.]+\sm by the tide table, it took 0\.8\sm of the berm/),
  ).toBeVisible();

  // A buoy's file with a bad line, and the simulated buoy.
  await sheet.getByLabel(/^A buoy’s file/).setInputFiles({
    name: 'buoy.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('time,height_m,period_s\n2026-04-01T08:00:00Z,1.1,8\nnoon,1,8\n2026-04-02T08:00:00Z,0.9,7'),
  });
  await expect(sheet.getByText('1 line left out; line 3: “noon” is no time.')).toBeVisible();
  await sheet.getByRole('button', { name: 'Keep these 2' }).click();
  await sheet.getByRole('button', { name: 'Ask the simulated buoy' }).click();
  // On the full hour the last of them is of the minute in which the sea was logged above: that one is known.
  await expect(sheet.getByText(/^241 readings$|^240 readings new/)).toBeVisible();

  // Put right, taken out, brought back.
  await sheet.getByRole('button', { name: /^Put right the sea of 2 May/ }).click();
  await sheet.getByRole('radio', { name: 'stood whole' }).click();
  await sheet.getByRole('button', { name: 'Keep it so' }).click();
  await expect(sheet.getByText(/the berm stood whole/)).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: /^Swell 1\.22\sm every 9 s/ })).toContainText(
    /Last storm 2 May.*the berm stood whole/,
  );
  await expect(page.getByText('panned blank').first()).toBeVisible();
  await page.getByRole('button', { name: /^Swell 1\.22\sm every 9 s/ }).click();
  await sheet.getByRole('button', { name: /^Put right the sea of 2 May/ }).click();
  await sheet.getByRole('radio', { name: 'was cut' }).click();
  await sheet.getByLabel('It took', { exact: true }).fill('80 cm');
  await sheet.getByRole('button', { name: 'Keep it so' }).click();
  await page.keyboard.press('Escape');
  await expect(page.getByText('blank, but a storm since').first()).toBeVisible();

  // The toe's height, and it stands in the drawing.
  await expect(page.getByText('Mark the toe of the berm with its height')).toBeVisible();
  await page
    .getByRole('region', { name: /^Signs/ })
    .getByRole('button', { name: /berm toe/ })
    .click();
  await sheet.getByLabel('Height above the tide table’s zero', { exact: true }).fill('30 m');
  await sheet.getByRole('button', { name: 'Keep it', exact: true }).click();
  await expect(sheet.getByText('At most 20 m.')).toBeVisible();
  await sheet.getByLabel('Height above the tide table’s zero', { exact: true }).fill('3.2');
  await sheet.getByRole('button', { name: 'Keep it', exact: true }).click();
  await expect(page.getByText('Mark the toe of the berm with its height')).toBeHidden();
  await expect(page.getByRole('img', { name: /^Heights along Logged strand/ })).toHaveAccessibleName(
    /1 storms, 1 heights/,
  );
});

test('the sea of a beach is kept without a signal', async ({ page, context }) => {
  const groundId = await strand(page, `Quiet strand ${test.info().project.name}`);
  await page.goto(`/g/${groundId}/read`);
  await page.getByRole('button', { name: 'read the sea' }).click();
  const sheet = page.getByRole('dialog');
  await expect(sheet.getByLabel('Height of the waves', { exact: true })).toBeVisible();
  await context.setOffline(true);
  await sheet.getByLabel('Height of the waves', { exact: true }).fill('0.8');
  await sheet.getByLabel('From crest to crest, s').fill('7');
  await sheet.getByRole('button', { name: 'Keep it', exact: true }).click();
  await expect(sheet.getByText('0.8 m every 7 s')).toBeVisible();
  await sheet.getByRole('button', { name: 'Ask the simulated buoy' }).click();
  await expect(sheet.getByText('The buoy cannot be reached.')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: /^Swell 0\.8\sm every 7 s/ })).toBeVisible();
  await expect(page.getByText(/1 waits for signal/).filter({ visible: true })).toBeVisible();
  await context.setOffline(false);
  await expect
    .poll(
      async () =>
        ((await (await page.request.get(`/api/v1/grounds/${groundId}/swell-readings`)).json()) as { items: unknown[] })
          .items.length,
    )
    .toBe(1);
});

test('a day goes by the sand and ends before the sea shuts the way; hours without sand are said first', async ({
  page,
}) => {
  // High water of this invented tide stands about seven in the morning on this day.
  await page.clock.install({ time: new Date('2026-07-10T06:00:00Z') });
  const groundId = await strand(page, `Tide strand ${test.info().project.name}`);
  await spotAt(page, groundId, 'Driftwood', 200);
  await page.goto(`/g/${groundId}/day`);
  await expect(judgement(page)).toContainText(
    /^(Be off by \d+:\d\d, before the sea shuts the way|Sand to work \d+:\d\d to)/,
  );
  await expect(page.getByText(/By the tide table, 30 min left over for the water\. Look at the swell/)).toBeVisible();
  await expect(page.getByText(/work the sand \d/).first()).toBeVisible();
  const asked = await page.getByLabel('Be back at').inputValue();

  await page.getByLabel('Start').fill('6:00');
  await page.getByLabel('Be back at').fill('7:30');
  await page.getByLabel('Be back at').blur();
  await expect(judgement(page)).toContainText(/change your hours\.$/);
  await page.getByRole('button', { name: /^Go by the sand, / }).click();
  await expect(page.getByLabel('Be back at')).toHaveValue(asked);
  await expect(judgement(page)).toContainText(/^(Be off by|Sand to work)/);
});

test('walked with the way under water: the sea is the first word', async ({ page }) => {
  const groundId = await strand(page, `Shut strand ${test.info().project.name}`, { ...TIDE, wayBelow_m: -5 });
  await spotAt(page, groundId, 'Driftwood', 200);
  await page.goto(`/g/${groundId}/walk`);
  await page.getByRole('button', { name: 'the foot' }).click();
  await expect(page.getByText('The sea shuts the way back.')).toBeVisible();
  await expect(page.getByText(/Stay high, above the berm/)).toBeVisible();
  await expect(page.getByText('Read the swell')).toBeVisible();
});
