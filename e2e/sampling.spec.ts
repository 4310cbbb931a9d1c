import { expect, test, type Page } from '@playwright/test';
import {
  bringMany,
  chooseSpot,
  freshDevice,
  judgement,
  openCreek,
  openHalloway,
  spotLine,
  toRoom,
  toStage,
} from './job.ts';

/** A creek of one's own, its Sample stage open. */
async function openSampling(page: Page, name: string): Promise<string> {
  const id = await openCreek(page, name, 'sample');
  return id;
}
const letters = (name: string): string =>
  `Q${name
    .replaceAll(/[^A-Z]/gi, '')
    .toUpperCase()
    .slice(-6)}`;

/** Lays a traverse of five points across at 400 m, its tags with these letters. */
async function layTraverse(page: Page, code: string): Promise<void> {
  await toRoom(page, 'Bags');
  await page.getByRole('button', { name: 'Lay out samples' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('Pattern').selectOption('traverse');
  await sheet.getByLabel('At', { exact: true }).fill('400');
  await sheet.getByLabel('Begin so far out', { exact: true }).fill('4');
  await sheet.getByLabel('End so far out', { exact: true }).fill('4');
  await sheet.getByLabel('Between samples', { exact: true }).fill('2');
  await sheet.getByLabel('Letters on the tags').fill(code);
  await expect(sheet).toContainText('5 points, 5 bags');
  await sheet.getByRole('button', { name: 'Keep the plan' }).click();
  await expect(judgement(page)).toHaveText(`Dig ${code}-1 next.`);
}

test('bags: laid out, dug, carried, found by tag, panned; the missing one is named', async ({ page, isMobile }) => {
  test.setTimeout(480_000);
  const code = letters(isMobile ? 'Bagsp' : 'Bagsd');
  const groundId = await openSampling(page, `Bag Creek ${isMobile ? 'p' : 'd'}`);
  await layTraverse(page, code);
  const open = async (tag: string): Promise<void> => {
    await page.getByLabel('Tag in your hand').fill(tag);
    await page.getByRole('button', { name: 'Open', exact: true }).click();
  };
  await open('NOPE-1');
  await expect(page.getByText('No bag is tagged NOPE-1')).toBeVisible();
  for (const n of [1, 3]) {
    await open(`${code.toLowerCase()}-${n}`);
    await page.getByRole('dialog').getByRole('button', { name: 'It is dug and bagged' }).click();
  }
  await expect(judgement(page)).toContainText(`${code}-2 is missing.`);
  await open(`${code}-3`);
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('Tag on the bag').fill(`${code}-1`);
  await expect(sheet).toContainText('Another bag has this tag already.');
  await sheet.getByLabel('Tag on the bag').fill(`${code}-3`);
  await sheet.getByRole('button', { name: 'Pan it now' }).click();
  await expect(page.getByText(`Bag ${code}-3`)).toBeVisible();
  await expect(page.getByLabel('How much you panned', { exact: true })).toHaveValue('2');
  await page.getByRole('button', { name: 'One more −40' }).click();
  await page.getByRole('button', { name: 'Keep this sample' }).click();
  await expect(page.getByText(/^Kept: .* 1 color\.$/)).toBeVisible();
  await toRoom(page, 'Bags');
  await expect(page.getByRole('button', { name: new RegExp(`^${code}-3 .* panned$`) })).toBeVisible();
  // The square code's address opens the bag, and gives no place away.
  const bag = (
    (await (await page.request.get(`/api/v1/grounds/${groundId}/lots`)).json()) as {
      items: { id: string; tag: string }[];
    }
  ).items.find((l) => l.tag === `${code}-1`);
  await page.goto(`/bag/${bag?.id ?? ''}`);
  await expect(page.getByRole('dialog', { name: `Bag ${code}-1` })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Print the tags' }).click();
  const tags = page.getByRole('list', { name: 'Tags' });
  await expect(tags.getByRole('listitem')).toHaveCount(3);
  await expect(tags.getByRole('img', { name: `Square code of ${code}-2` }).locator('svg')).toBeVisible();
  await expect(tags).not.toContainText(/Bag Creek|400/);
});

test('a plan that cannot be is refused where it is wrong', { tag: '@desk' }, async ({ page }) => {
  await openSampling(page, 'Absurd Creek');
  await toRoom(page, 'Bags');
  await page.getByRole('button', { name: 'Lay out samples' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('Pattern').selectOption('grid');
  await sheet.getByLabel('From', { exact: true }).fill('10');
  await sheet.getByLabel('To', { exact: true }).fill('900');
  await sheet.getByLabel('Between rows', { exact: true }).fill('0.5');
  await expect(sheet).toContainText(/at most 400 points|wide enough for at most 400/);
  await sheet.getByLabel('To', { exact: true }).fill('9000');
  await expect(sheet).toContainText('Beyond the end of this ground.');
  await sheet.getByLabel('To', { exact: true }).fill('60');
  await sheet.getByLabel('Between rows', { exact: true }).fill('25');
  await sheet.getByLabel('Depth', { exact: true }).fill('2.4');
  await expect(sheet).toContainText(/Nobody goes into an unshored one/);
  await sheet.getByLabel('Into each bag', { exact: true }).fill('nothing');
  await sheet.getByLabel('Letters on the tags').fill('7');
  await sheet.getByRole('button', { name: 'Keep the plan' }).click();
  await expect(sheet.getByRole('alert')).toContainText('Not laid out yet');
  await expect(sheet).toContainText('One to eight letters.');
});

/** A hole of 1 m square: silt, gravel and a firm iron-stained layer that is the pay; by tap and two keys a layer. */
async function digPit(page: Page): Promise<void> {
  const layers = [
    ['silt', '30'],
    ['gravel', '40'],
    ['iron-stained gravel', '20'],
  ] as const;
  for (const [material, cm] of layers) {
    await page.getByRole('group', { name: /lies$/ }).getByRole('button', { name: material, exact: true }).click();
    await expect(page.getByLabel('Thickness', { exact: true })).toBeFocused();
    await page.keyboard.type(cm);
  }
  await page.getByLabel('this is the pay').check();
  await page.getByLabel('Really dug, long', { exact: true }).fill('1');
  await page.getByLabel('Really dug, wide', { exact: true }).fill('1');
}

test('a pit of four layers takes at most 16 taps and 10 keys; one put in between leaves the others alone', async ({
  page,
  isMobile,
}) => {
  await openSampling(page, `Quick Pit ${isMobile ? 'p' : 'd'}`);
  await page.goto(`${page.url().replace(/\/sample.*/, '')}/sample/pits`);
  await chooseSpot(page, 'Spot', 'Upper bar');
  let [taps, keys] = [0, 0];
  const tap = async (name: string): Promise<void> => {
    taps++;
    await page.getByRole('button', { name, exact: true }).click();
  };
  const type = async (text: string): Promise<void> => {
    keys += text.length;
    await page.keyboard.type(text);
  };
  for (const [material, cm] of [
    ['sod and roots', '15'],
    ['silt', '30'],
    ['gravel', '45'],
    ['clay', '10'],
  ] as const) {
    await tap(material);
    await type(cm);
  }
  taps++;
  await page.getByLabel('Really dug, long', { exact: true }).click();
  await type('1');
  taps++;
  await page.getByLabel('Really dug, wide', { exact: true }).click();
  await type('1');
  await tap('Keep this pit');
  await expect(page.getByText('Pit 1 is in the book.')).toBeVisible();
  expect([taps <= 16, keys <= 10]).toEqual([true, true]);
  await expect(judgement(page)).toHaveText('Which layer is the pay? Mark it.');
  await page.getByRole('button', { name: 'Layer 2, silt' }).click();
  await page
    .getByRole('group', { name: 'Below layer 2 lies' })
    .getByRole('button', { name: 'sand', exact: true })
    .click();
  await expect(page.getByRole('button', { name: /^Layer \d/ })).toHaveText(['1', '2', '3', '4', '5']);
  await expect(page.getByRole('button', { name: 'Layer 3, sand' })).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByRole('button', { name: 'Layer 4, gravel' })).toBeVisible();
});

test('a pit: dragged, cautioned, kept through a reload, never with water below its bottom', async ({
  page,
  isMobile,
}) => {
  test.setTimeout(480_000);
  await openSampling(page, `Pit Creek ${isMobile ? 'p' : 'd'}`);
  await toRoom(page, 'Pits');
  await chooseSpot(page, 'Spot', 'Upper bar');
  await digPit(page);
  const grip = page.getByRole('slider', { name: 'Bottom of layer 3, iron-stained gravel' });
  await expect(grip).toHaveAttribute('aria-valuetext', /0\.9\sm/);
  await grip.focus();
  await page.keyboard.press('ArrowDown');
  for (let i = 0; i < 4; i++) await page.keyboard.press('PageDown');
  await expect(grip).toHaveAttribute('aria-valuetext', /1\.31\sm/);
  await expect(page.getByRole('note')).toContainText('nobody in an unshored hole');
  await page.getByLabel('Water stands at', { exact: true }).fill('2');
  await page.getByRole('button', { name: 'Keep this pit' }).click();
  await expect(page.getByText('That is below the bottom of the pit.')).toBeVisible();
  await page.reload();
  await expect(grip).toHaveAttribute('aria-valuetext', /1\.31\sm/);
  await page.getByLabel('Water stands at', { exact: true }).fill('1.1');
  await page.getByLabel('Really dug, wide', { exact: true }).fill('80 cm');
  await page.getByRole('button', { name: 'Keep this pit' }).click();
  await expect(page.getByText('Pit 1 is in the book.')).toBeVisible();
  // 0.61 m of pay on 1 x 0.8 m is 488 L, under 0.7 m of cover.
  await expect(judgement(page)).toHaveText(/488\sL of pay under 1\.1 times as much cover\./);
  await page.reload();
  await expect(judgement(page)).toHaveText(/488\sL of pay/);
  // A pan of the pit comes from within it, and the pit is then no shallower than its pan.
  await toRoom(page, 'Pan');
  await chooseSpot(page, 'Spot', 'Upper bar');
  await page.getByText('More about this pan').click();
  await page.getByLabel('From the pit').selectOption('Pit 1');
  await page.getByLabel('Layer', { exact: true }).selectOption({ index: 3 });
  await page.getByLabel('How much you panned', { exact: true }).fill('2');
  await page.getByLabel('Depth below the surface', { exact: true }).fill('1.6');
  await expect(page.getByText(/Pit 1 ends at 1\.31 m/)).toBeVisible();
  await page.getByRole('button', { name: 'Keep this sample' }).click();
  await expect(page.getByText('Not kept yet', { exact: false })).toBeVisible();
  await page.getByLabel('Depth below the surface', { exact: true }).fill('1.3');
  await page.getByRole('button', { name: 'One more −40' }).click();
  await page.getByRole('button', { name: 'Keep this sample' }).click();
  await expect(page.getByText('Kept: Upper bar, 1 color.')).toBeVisible();
  await toRoom(page, 'Pits');
  await expect(judgement(page)).toHaveText(
    /^Dig it to the bottom: [\d.]+\smg \([\d.]+–[\d.]+\) an hour, cover and all\.$/,
  );
  await expect(judgement(page).locator('..')).toContainText(/488\sL of pay under 1\.1 times as much cover\./);
  await grip.focus();
  await page.keyboard.press('PageUp');
  await page.getByRole('button', { name: 'Keep the changes' }).click();
  await expect(page.getByText('A pan of this pit comes from deeper than this.')).toBeVisible();
});

test(
  'two tabs change one bag: the later is told, and nothing is written over',
  { tag: '@desk' },
  async ({ page, context }) => {
    await openSampling(page, 'Twice Creek');
    await layTraverse(page, 'QTWICE');
    const other = await context.newPage();
    await other.goto(page.url());
    for (const tab of [page, other]) {
      await tab.getByLabel('Tag in your hand').fill('QTWICE-1');
      await tab.getByRole('button', { name: 'Open', exact: true }).click();
      await tab
        .getByRole('dialog')
        .getByLabel('Where it is')
        .fill(tab === page ? 'truck' : 'cabin');
    }
    await page.getByRole('dialog').getByRole('button', { name: 'It is dug and bagged' }).click();
    await expect(judgement(page)).toHaveText('Dig QTWICE-2 next.');
    await other.getByRole('dialog').getByRole('button', { name: 'It is dug and bagged' }).click();
    await other.getByRole('button', { name: /1 refused/ }).click();
    await expect(other.getByRole('dialog')).toContainText('bag “QTWICE-1”');
    await expect(other.getByRole('dialog')).toContainText('Two of you changed it');
  },
);

test('a plan taken out comes back with its bags', { tag: '@desk' }, async ({ page }) => {
  await openSampling(page, 'Undo Creek');
  await layTraverse(page, 'QBACK');
  await page.getByRole('button', { name: 'Take this plan out' }).click();
  await expect(judgement(page)).toHaveText('No samples are laid out here yet.');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(judgement(page)).toHaveText('Dig QBACK-1 next.');
  await expect(page.getByRole('list', { name: 'Bags' }).getByRole('button')).toHaveCount(5);
});

test('a crevice is its own kind, cleaned in its own steps', { tag: '@desk' }, async ({ page }) => {
  await openSampling(page, 'Crack Creek');
  await toRoom(page, 'Pits');
  await chooseSpot(page, 'Spot', 'Lower bar');
  await page.getByRole('button', { name: 'It is a crevice' }).click();
  await page.getByLabel('Depth probed', { exact: true }).fill('');
  await expect(page.getByText('A crack needs its width, length and depth.')).toBeVisible();
  await page.getByLabel('Depth probed', { exact: true }).fill('40 cm');
  await page.getByLabel('Now it is').selectOption('frozen');
  await page.getByRole('button', { name: 'Keep this pit' }).click();
  await expect(judgement(page)).toHaveText('Crack 1 is frozen: go back when it thaws.');
  // 4 cm by 2 m by 40 cm.
  await expect(page.getByText(/At most 32\sL, half of that where it closes like a wedge/)).toBeVisible();
  await page.getByLabel('Now it is').selectOption('part cleaned, frozen');
  await expect(judgement(page)).toHaveText(/part cleaned, frozen: go back when it thaws, the rest is open\./);
});

test('screens: a split that does not close says so, one that does says where to screen', async ({ page, isMobile }) => {
  await openSampling(page, `Screen Creek ${isMobile ? 'p' : 'd'}`);
  await toRoom(page, 'Screens');
  await chooseSpot(page, 'Spot', 'Lower bar');
  for (const [i, kg] of ['6', '4', '4', '3', '2'].entries())
    await page.getByLabel('Stayed on it', { exact: true }).nth(i).fill(kg);
  await page.getByLabel('Went through all of them', { exact: true }).fill('1');
  await page.getByLabel('Went in', { exact: true }).fill('24');
  await expect(judgement(page)).toContainText('16.7 % is missing');
  await page.getByLabel('Screen 4', { exact: true }).fill('250 mesh');
  await expect(page.getByText(/250 mesh is in no standard series/)).toBeVisible();
  await page.getByLabel('Screen 4', { exact: true }).fill('20 mesh');
  await page.getByLabel('Went in', { exact: true }).fill('20.2');
  // Nothing was panned here: what a finer screen would throw away is not known, and no screen is advised on that.
  await expect(judgement(page)).toContainText(/Stay at 12\.5\smm, and look at what stays on it/);
  // Half a piece is none.
  const seen = page.getByLabel('Gold seen on screen 4');
  await seen.fill('1.5');
  await expect(page.getByText('A whole number, 0 or more.')).toBeVisible();
  await seen.fill('2');
  await page.getByLabel('Gold seen on screen 1').fill('0');
  await expect(judgement(page)).toContainText(/Gold lies on the screens: 2 pieces at 0\.3\smm and above/);
  await page.getByLabel('Gold seen on screen 1').fill('1');
  await expect(judgement(page)).toContainText(/Gold lies on the screens: 3 pieces at 0\.3\smm and above/);
  await page.getByRole('button', { name: 'Keep this screening' }).click();
  await expect(page.getByText('Kept: a stack of 5 screens at Lower bar.')).toBeVisible();
  await expect(page.getByRole('img', { name: /^Size curve: D10 0\.\d+\smm/ })).toBeVisible();
  // Taken up again it is put right, through a reload, and stays one stack; left alone it stays as it was.
  const kept = page.getByRole('button', { name: /^Take out the screening/ });
  await page.getByRole('button', { name: /^Put right the screening/ }).click();
  await page.getByRole('button', { name: 'leave it as it was' }).click();
  await expect(page.getByLabel('Stayed on it', { exact: true }).first()).toHaveValue('');
  await page.getByRole('button', { name: /^Put right the screening/ }).click();
  await page.getByLabel('Stayed on it', { exact: true }).first().fill('6.2');
  await page.reload();
  await expect(page.getByLabel('Stayed on it', { exact: true }).first()).toHaveValue('6.2');
  await page.getByRole('button', { name: 'Keep this screening' }).click();
  await expect(page.getByText(/1\/2 in “6\.2 kg”/)).toBeVisible();
  await expect(kept).toHaveCount(1);
});

test(
  'hands: a pan measured by water counts from then on; seeded grains correct the grade',
  { tag: '@desk' },
  async ({ page }) => {
    test.setTimeout(480_000);
    await openSampling(page, 'Hand Creek');
    await toRoom(page, 'Hands');
    await page.getByRole('button', { name: 'Another container ...' }).click();
    const sheet = page.getByRole('dialog');
    await sheet.getByLabel('What you call it').fill('billy can');
    await sheet.getByLabel('Weight of the water', { exact: true }).fill('1.5 kg');
    await sheet.getByRole('button', { name: 'Keep it' }).click();
    await expect(page.getByRole('listitem').filter({ hasText: /^billy can/ })).toContainText(/1\.5\sL/);
    await page.getByLabel('Panner', { exact: true }).fill('Wren');
    // Of the size that is counted later: what comes back of pickers says nothing of specks.
    await page.getByLabel('Grains of size').selectOption('-40');
    await page.getByLabel('Came back', { exact: true }).fill('11');
    await page.getByRole('button', { name: 'Keep this practice pan' }).click();
    await expect(page.getByText('More came back than went in')).toBeVisible();
    await page.getByLabel('Came back', { exact: true }).fill('8');
    await page.getByRole('button', { name: 'Keep this practice pan' }).click();
    await expect(page.getByRole('img', { name: /^Wren keeps 80 %/ })).toBeVisible();
    await toRoom(page, 'Pan');
    await chooseSpot(page, 'Spot', 'Lower bar');
    await page.getByLabel('Depth below the surface', { exact: true }).fill('0.3');
    await page.getByLabel('How much you panned', { exact: true }).fill('4 billy cans');
    await expect(page.getByText(/^6\sL$/)).toBeVisible();
    await page.getByLabel('How much you panned', { exact: true }).fill('4 heaped billy cans');
    await expect(page.getByText(/^7\.5\sL$/)).toBeVisible();
    for (let i = 0; i < 4; i++) await page.getByRole('button', { name: 'One more −40' }).click();
    await page.getByText('More about this pan').click();
    await page.getByLabel('Panner', { exact: true }).fill('Wren');
    await expect(page.getByText(/As these hands keep 80 %, the ground has 0\.0\d+\sg\/m³/)).toBeVisible();
    await page.getByLabel('Pan of its bucket', { exact: true }).fill('1');
    await page.getByLabel('of how many', { exact: true }).fill('4');
    await expect(page.getByText('1 of 4 pans of this bucket, and not its bottom.')).toBeVisible();
    await page.getByLabel('From the safety pan', { exact: true }).fill('9');
    await page.getByRole('button', { name: 'Keep this sample' }).click();
    await expect(page.getByRole('alert')).toContainText('Not kept yet');
    await page.getByLabel('From the safety pan', { exact: true }).fill('1');
    await page.getByRole('button', { name: 'Keep this sample' }).click();
    await expect(page.getByText('Kept: Lower bar, 4 colors.')).toBeVisible();
  },
);

test(
  'size words: the crew’s own stand on the counter, and a count is said in them',
  { tag: '@desk' },
  async ({ page }) => {
    await openSampling(page, 'Word Creek');
    await toRoom(page, 'Hands');
    const word = page.getByLabel('Another word for −40');
    await word.fill('flour');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('alert')).toContainText('“flour” means a size already.');
    await word.fill('3 bits');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('alert')).toContainText('they would be read as a count');
    await word.fill('fly speck');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('button', { name: 'Take out the word fly speck' })).toBeVisible();
    await page.getByRole('button', { name: 'Take out the word picker' }).click();
    await expect(page.getByRole('button', { name: 'Take out the word picker' })).toBeHidden();
    await page.reload();
    await expect(page.getByRole('button', { name: 'Take out the word fly speck' })).toBeVisible();
    await toRoom(page, 'Pan');
    await chooseSpot(page, 'Spot', 'Lower bar');
    await page.getByLabel('Depth below the surface', { exact: true }).fill('0.3');
    await page.getByLabel('How much you panned', { exact: true }).fill('2');
    const said = page.getByLabel('Colors in your words');
    await said.fill('2 flakes, 7 fly specks and a picker');
    await page.getByRole('button', { name: 'Keep this sample' }).click();
    // What cannot be read is not kept as a blank.
    await expect(page.getByText('“a picker” holds no size word of yours')).toBeVisible();
    await expect(page.getByText('Not kept yet', { exact: false })).toBeVisible();
    await said.fill('2 flakes, 7 fly specks');
    await page.keyboard.press('Enter');
    await expect(page.getByLabel('Colors −40')).toHaveValue('7');
    await expect(page.getByLabel('Colors 20–40')).toHaveValue('2');
    await page.getByRole('button', { name: 'One more 10–20' }).click();
    await expect(said).toHaveValue(/^1 10-20, 2 flakes, 7 specks$/);
    await page.getByRole('button', { name: 'Keep this sample' }).click();
    await expect(page.getByText('Kept: Lower bar, 10 colors.')).toBeVisible();
  },
);

test('the panning guide leads step by step and notes the minutes', { tag: '@phone' }, async ({ page }) => {
  await openSampling(page, 'Guide Creek');
  await page.getByText('More about this pan').click();
  await page.getByRole('button', { name: 'Show me how' }).click();
  const sheet = page.getByRole('dialog');
  await expect(sheet).toContainText('Step 1 of 6');
  for (let i = 0; i < 5; i++) await sheet.getByRole('button', { name: 'Next' }).click();
  await expect(sheet).toContainText('count by size');
  await sheet.getByRole('button', { name: 'Done' }).click();
  await expect(page.getByLabel('Minutes it took', { exact: true })).toHaveValue('1');
});

/** Opens a room of the demo's bench, where a grid was sampled. */
async function openBench(page: Page, room: Parameters<typeof toRoom>[1]): Promise<void> {
  await page.goto('/');
  const grounds = (
    (await (await page.request.get('/api/v1/grounds')).json()) as { items: { id: string; name: string }[] }
  ).items;
  await page.goto(`/g/${grounds.find((g) => g.name === 'Tin Kettle Bench')?.id ?? ''}/sample`);
  await toRoom(page, room);
}

test('what it says: the best spot with its chance, and the pans it takes to call it', async ({ page }) => {
  await openBench(page, 'What it says');
  await expect(judgement(page)).toContainText(/(best spot here|likely the best): \d+ chances in 100/);
  const list = page
    .getByRole('region', { name: /^Best of all/ })
    .or(page.locator('section').filter({ hasText: 'Best of all' }))
    .first();
  await expect(list.getByRole('listitem')).toHaveCount(8);
  await list.getByRole('button').nth(2).click();
  await expect(list.getByText(/^The other \d+ together: \d+ in 100\.$/)).toBeVisible();
  await list.getByRole('button', { name: 'Show them' }).click();
  await expect.poll(() => list.getByRole('listitem').count()).toBeGreaterThan(40);
  await expect(page.getByRole('img', { name: /chances in 100$/ })).toBeVisible();
  await expect(page.getByText(/weighed colors have moved the usual weights/)).toBeVisible();
  await expect(
    page
      .getByText(/Pans of one spot, layer and depth differ by/)
      .or(page.getByText(/How much pans of one spot differ/)),
  ).toBeVisible();
});

test(
  'in place: kriged in a worker, with a cut-off that moves and a variogram of one’s own',
  { tag: '@desk' },
  async ({ page }) => {
    test.setTimeout(480_000);
    await openBench(page, 'In place');
    await expect(page.getByRole('img', { name: /^Map of the ground in place/ })).toBeVisible({ timeout: 60_000 });
    await expect(page.getByRole('img', { name: /^Variogram, spherical/ })).toBeVisible();
    const before = await judgement(page).textContent();
    const slider = page.getByRole('slider', { name: 'Cut-off grade' });
    await slider.focus();
    for (let i = 0; i < 40; i++) await page.keyboard.press('ArrowRight');
    await expect(judgement(page)).not.toHaveText(before ?? '');
    // What pays is told with its band, and the curve tells what a cut-off leaves.
    await expect(judgement(page)).toContainText(/\([\d.,]+–[\d.,]+\)\s+in/);
    await expect(
      page.getByRole('img', { name: /^At a cut-off of .* of the gold is left in \d+\s*% of the pay$/ }),
    ).toBeVisible();
    // The ground tells its grade where one points, and the chance that a pan there pays.
    await page.getByRole('radio', { name: 'chance it pays' }).click();
    await expect(page.getByText('The darker, the likelier a pan there pays.', { exact: false })).toBeVisible();
    await page.getByRole('img', { name: /^Map of the ground in place/ }).click({ position: { x: 150, y: 60 } });
    await expect(page.getByText(/^Here .*: (over |less than )?\d+ chances? in 100 that a pan pays, /)).toBeVisible();
    await slider.press('End');
    await expect(judgement(page)).toContainText(/Nothing here reaches|of pay/);
    await page.getByLabel('Range across, m').fill('0');
    await expect(page.getByText('The fitted one is used.')).toBeVisible();
    await page.getByRole('button', { name: 'Back to the fitted one' }).click();
    await page.getByRole('radio', { name: 'nearest' }).click();
    await expect(page.getByText('Every place is as its nearest sample.')).toBeVisible();
    // A map by nearest samples knows no doubt, so it offers none.
    await expect(page.getByRole('radio', { name: 'chance it pays' })).toBeHidden();
    await page.getByLabel('Pay, where no pit says', { exact: true }).fill('0');
    await expect(page.getByText('More than nothing.')).toBeVisible();
  },
);

test(
  'the table: brought in from a file with its wrong rows named, sorted, changed where it stands',
  { tag: '@desk' },
  async ({ page }) => {
    test.setTimeout(480_000);
    await openSampling(page, 'Table Creek');
    await toRoom(page, 'Table');
    await page.getByRole('button', { name: 'Bring a table in' }).click();
    const sheet = page.getByRole('dialog');
    const rows = [
      'spot,distance_m,date,depth_m,volume (L),20-40,-40,note',
      'Lower bar,,2026-05-04,0.3,10,1,6,good',
      'Lower bar,,2026-05-04,0.4,-2,0,3,',
      'Nowhere,,2026-05-04,0.3,10,0,1,',
      'New bend,420,2026-05-05,0.3,"9,5",0,2,',
      'New bend,420,2026-05-05,0.3,8,0,0,blank',
    ].join('\n');
    await sheet
      .getByLabel('A CSV file')
      .setInputFiles({ name: 'mine.csv', mimeType: 'text/csv', buffer: Buffer.from(rows) });
    await expect(sheet).toContainText('5 rows');
    await expect(sheet.getByLabel('Volume panned', { exact: true })).toHaveValue('volume (L)');
    await sheet.getByRole('button', { name: 'Check every row' }).click();
    await expect(sheet).toContainText('2 rows are right, 3 are not.');
    await expect(sheet).toContainText('Row 3, volume (L). A volume is more than nothing.');
    await expect(sheet).toContainText('There is no spot “Nowhere”');
    await expect(sheet).toContainText('a decimal comma');
    await expect(sheet.getByRole('button', { name: 'Nothing goes in while a row is wrong' })).toBeDisabled();
    await sheet.getByRole('radio', { name: 'only the good rows' }).click();
    await sheet.getByRole('button', { name: 'Store 2 samples' }).click();
    await expect(sheet.getByRole('status')).toHaveText('2 samples stored, 1 new spot.');
    await sheet.getByRole('button', { name: 'Done' }).click();
    await expect(judgement(page)).toHaveText('2 samples.');
    // The same table again: row by row it is known; what was wrong in it is still wrong.
    await page.getByRole('button', { name: 'Bring a table in' }).click();
    await sheet
      .getByLabel('A CSV file')
      .setInputFiles({ name: 'mine.csv', mimeType: 'text/csv', buffer: Buffer.from(rows) });
    await sheet.getByRole('button', { name: 'Check every row' }).click();
    await expect(sheet).toContainText('2 rows in the book already');
    await sheet.getByRole('radio', { name: 'only the good rows' }).click();
    await expect(sheet.getByRole('button', { name: 'Nothing new to store' })).toBeDisabled();
    await sheet.getByLabel('store them once more all the same').check();
    await expect(sheet.getByRole('button', { name: 'Store 2 samples' })).toBeEnabled();
    await page.keyboard.press('Escape');
    // All of an import is taken back, and in again.
    await page.getByRole('button', { name: 'take it back' }).click();
    await expect(page.getByText('2 samples and 1 spot taken back.')).toBeVisible();
    await expect(judgement(page)).toHaveText('0 samples.');
    await page.getByRole('button', { name: 'bring it in again' }).click();
    await expect(judgement(page)).toHaveText('2 samples.');
    const cell = (text: string | RegExp) => page.getByRole('gridcell', { name: text, exact: true });
    await cell('“10 L”').click();
    await page.getByLabel('volume, Lower bar').fill('-4');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('alert')).toContainText('▲');
    // A click elsewhere does not throw away what could not be kept.
    await cell('New bend').click();
    await expect(page.getByLabel('volume, Lower bar')).toHaveValue('-4');
    await page.getByLabel('volume, Lower bar').fill('3 pans');
    await page.keyboard.press('Enter');
    await expect(cell('“3 pans”')).toBeVisible();
    // By keys alone: the grid is one stop, arrows go from cell to cell, Enter writes, Escape leaves it as it was.
    const grid = page.getByRole('grid', { name: 'Samples' });
    await grid.focus();
    await page.keyboard.press('Control+Home');
    await expect(grid).toHaveAttribute('aria-activedescendant', 'sample-cell-0-0');
    await page.keyboard.press('Enter');
    await page.getByLabel('date, New bend').fill('2031-01-01T10:00');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('alert')).toContainText('That is still to come.');
    await page.keyboard.press('Escape');
    await expect(cell(/^5 May( 2026)?$/)).toBeVisible();
    await page.keyboard.press('Enter');
    await page.getByLabel('date, New bend').fill('2026-05-06T10:00');
    await page.keyboard.press('Enter');
    await expect(cell(/^6 May( 2026)?$/)).toBeVisible();
    await page.keyboard.press('Control+Home');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('Enter');
    await page.getByLabel('spot, New bend').selectOption('Upper bar');
    await page.keyboard.press('Enter');
    await expect(cell('Upper bar')).toBeVisible();
    // A place along the creek is not written: it is the spot's.
    await page.keyboard.press('Control+Home');
    for (const key of ['ArrowRight', 'ArrowRight', 'Enter']) await page.keyboard.press(key);
    await expect(page.locator('[data-writing]')).toHaveCount(0);
    await page.getByRole('button', { name: 'Along m' }).click();
    await expect(page.getByRole('columnheader', { name: 'Along m' })).toHaveAttribute(
      'aria-sort',
      /ascending|descending/,
    );
    await page.getByRole('radio', { name: 'blank' }).click();
    await expect(judgement(page)).toHaveText('1 sample matches.');
    await page.getByRole('button', { name: 'Save these' }).click();
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('dialog').getByRole('button', { name: 'CSV', exact: true }).click(),
    ]);
    expect(download.suggestedFilename()).toBe('samples.csv');
  },
);

test(
  'of very many samples the latest stand in the table first; a cell changed before the others have come stays changed',
  { tag: '@desk' },
  async ({ page, browser }) => {
    const groundId = await openSampling(page, 'Long Table Creek');
    await bringMany(page, groundId, 1600);
    const { fresh, letGo, close } = await freshDevice(browser, page);
    await fresh.goto(`/g/${groundId}/sample/table`);
    await expect(fresh.getByRole('heading', { level: 1, name: '1,600 samples.' })).toBeVisible();
    await expect(fresh.getByText('The latest 500 can be changed; the others are on their way')).toBeVisible();
    await expect(fresh.getByRole('grid')).toHaveAttribute('aria-rowcount', '501');
    await expect(fresh.getByRole('button', { name: 'Bring a table in' })).toBeDisabled();
    // A search says among how many it looked: number 1 is not among them.
    const find = fresh.getByLabel('Find in the table');
    await find.fill('Number 1.');
    await expect(fresh.getByRole('heading', { level: 1, name: 'Of the latest 500, 0 samples match.' })).toBeVisible();
    await find.fill('');
    const rows = fresh.getByRole('row');
    const first = rows.nth(1);
    await first.getByText('Number 1600.').click();
    await fresh.keyboard.type('Changed meanwhile.');
    await fresh.keyboard.press('Enter');
    await expect(first).toContainText('Changed meanwhile.');
    await expect(fresh.getByText('All saved').filter({ visible: true })).toBeVisible();
    await expect(first).toContainText('Changed meanwhile.');
    // One is being written in as the others come: it stays open, and what is typed in it is kept.
    await rows.nth(3).getByText('Number 1598.').click();
    await fresh.keyboard.type('Typed ');
    letGo();
    await expect(fresh.getByText('1,600 in all.')).toBeVisible();
    await fresh.keyboard.type('on.');
    await fresh.keyboard.press('Enter');
    await expect(rows.nth(3)).toContainText('Typed on.');
    await expect(first).toContainText('Changed meanwhile.');
    await find.fill('Number 1.');
    await expect(fresh.getByRole('heading', { level: 1, name: '1 sample matches.' })).toBeVisible();
    // Opened once more it is kept here, and only what changed is asked for.
    await expect(fresh.getByText('All saved').filter({ visible: true })).toBeVisible();
    await fresh.waitForTimeout(1000);
    const asked: string[] = [];
    fresh.on('request', (r) => void asked.push(new URL(r.url()).pathname.replace(/^.*\/samples/, 'samples')));
    await fresh.reload();
    await expect(fresh.getByText('1,600 in all.')).toBeVisible();
    await expect(first).toContainText('Changed meanwhile.');
    await expect.poll(() => asked).toContain('samples/changes');
    expect(asked).not.toContain('samples');
    expect(asked).not.toContain('samples/latest');
    await close();
  },
);

test('cells pasted from a spreadsheet are a table to bring in', { tag: '@desk' }, async ({ page }) => {
  await openSampling(page, 'Paste Creek');
  await toRoom(page, 'Table');
  await expect(judgement(page)).toHaveText('0 samples.');
  await page.evaluate(() => {
    const data = new DataTransfer();
    data.setData('text/plain', 'spot\tdepth_m\tpans\t-40\nLower bar\t0.2\t2\t5\nUpper bar\t0.3\t2 L\t0');
    document.body.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true }));
  });
  const sheet = page.getByRole('dialog');
  await expect(sheet).toContainText('Mixed units: 1 without a unit, 1 in L.');
  await sheet.getByLabel('cells may name their own unit').check();
  await sheet.getByRole('button', { name: 'Check every row' }).click();
  await sheet.getByRole('button', { name: 'Store 2 samples' }).click();
  await expect(sheet.getByRole('status')).toHaveText('2 samples stored.');
});

test('a room that has not come says so, leaves the way to the others, and comes with the next signal', async ({
  page,
}) => {
  await openHalloway(page);
  await toStage(page, 'Sample');
  await page.route('**/assets/PitsScreen-*.js', (route) => route.abort());
  await toRoom(page, 'Pits');
  await expect(judgement(page)).toHaveText(/^This page has not reached this device yet\./);
  await toRoom(page, 'Bags');
  await expect(judgement(page)).not.toHaveText(/not reached|^Fetching/);
  await toRoom(page, 'Pits');
  await expect(judgement(page)).toHaveText(/^This page has not reached this device yet\./);
  await page.unroute('**/assets/PitsScreen-*.js');
  await page.context().setOffline(true);
  await page.context().setOffline(false);
  await expect(judgement(page)).not.toHaveText(/not reached|^Fetching/);
  await expect(page.getByLabel('Pit', { exact: true })).toBeVisible();
});

test('dug and panned with no signal, all of it lands later', { tag: '@phone' }, async ({ page, context }) => {
  test.setTimeout(480_000);
  const groundId = await openSampling(page, 'Far Creek');
  for (const room of ['Bags', 'Pits', 'Screens', 'Hands', 'Pan'] as const) {
    await toRoom(page, room);
    await expect(judgement(page)).not.toHaveText(/^Fetching /);
  }
  await context.setOffline(true);
  await layTraverse(page, 'QFAR');
  await page.getByRole('button', { name: /^QFAR-1 / }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'It is dug and bagged' }).click();
  await toRoom(page, 'Pits');
  await chooseSpot(page, 'Spot', 'Lower bar');
  await digPit(page);
  await page.getByRole('button', { name: 'Keep this pit' }).click();
  await expect(page.getByText('Pit 1 is in the book.')).toBeVisible();
  await expect(
    page
      .getByRole('status')
      .filter({ hasText: /waits? for signal/ })
      .filter({ visible: true }),
  ).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByRole('status').filter({ hasText: 'All saved' }).filter({ visible: true })).toBeVisible({
    timeout: 60_000,
  });
  const lots = (
    (await (await page.request.get(`/api/v1/grounds/${groundId}/lots`)).json()) as {
      items: { tag: string; state: string }[];
    }
  ).items;
  expect(lots.filter((l) => l.state === 'waiting').map((l) => l.tag)).toEqual(['QFAR-1']);
  expect(lots).toHaveLength(5);
});

// Looks are the crew's: at both sizes at once each would count the other's.
test(
  'the oversize bet: each bucket looked through clean lowers what may lie there, and is kept',
  { tag: '@phone' },
  async ({ page }) => {
    await openHalloway(page);
    await toStage(page, 'Sample');
    await toRoom(page, 'Screens');
    await chooseSpot(page, 'Spot', 'Otter bar');
    const bet = page.locator('section').filter({ hasText: 'Before you throw the stones' }).last();
    const buckets = async (): Promise<number> => Number(/(\d+) (?:more )?buckets?/.exec(await bet.innerText())?.[1]);
    await expect(bet).toContainText('by the pans alone');
    const before = await buckets();
    const clean = bet.getByRole('button', { name: 'One bucket, nothing in it' });
    for (let i = 0; i < 3; i++) await clean.click();
    await expect(bet).toContainText('3 buckets looked through');
    const then = await buckets();
    expect(then).toBeLessThan(before);
    await page.reload();
    await expect(bet).toContainText('3 buckets looked through');
    await bet.getByRole('button', { name: 'One bucket, a piece in it' }).click();
    await expect(bet).toContainText('1 piece found');
    const takeBack = bet.getByRole('button', { name: 'Take the last look back' });
    await takeBack.click();
    await expect(bet).not.toContainText('piece found');
    await expect(bet).toContainText('3 buckets looked through');
    for (const left of ['2 buckets looked through', '1 bucket looked through', 'by the pans alone']) {
      await takeBack.click();
      await expect(bet).toContainText(left);
    }
  },
);

test('a blank in two taps, as the last pan was taken; a count without a keyboard; the way back in reach', async ({
  page,
}, info) => {
  await openCreek(page, `Two taps ${info.project.name}`);
  // Nobody panned here or with this device yet: the first pan is told.
  await spotLine(page, 'Lower bar').click();
  await page.getByRole('link', { name: 'Blank here' }).click();
  await expect(judgement(page)).toContainText('How much did you pan at Lower bar?');
  await page.getByLabel('Depth below the surface', { exact: true }).fill('0.4');
  await page.getByLabel('How much you panned', { exact: true }).fill('2');
  await page.getByRole('button', { name: 'Keep this sample' }).click();
  await expect(page.getByText('Kept: Lower bar, a blank.')).toBeVisible();
  // After it nothing need be typed again, and nobody says it is a blank before it is counted.
  await expect(judgement(page)).toContainText('What does the pan at Lower bar hold?');
  await expect(page.getByLabel('How much you panned', { exact: true })).toHaveValue('2');
  await toStage(page, 'Read');
  await spotLine(page, 'Upper bar').click(); // 1
  await page.getByRole('button', { name: 'Blank here 2 pans from 0.4 m' }).click(); // 2
  await expect(page.getByText('Kept: Upper bar, a blank.')).toBeVisible();
  const blanks = page.getByRole('region', { name: /^Spots/ }).getByText(/^blank: /);
  await expect(blanks).toHaveCount(2);
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect(blanks).toHaveCount(1);

  // Three flakes and nine specks: two taps each, one to keep.
  await page.getByRole('link', { name: 'Sample here' }).click(); // 1
  for (const [size, n] of [
    ['20–40', '3'],
    ['−40', '9'],
  ] as const) {
    await page.getByRole('button', { name: `How many ${size}` }).click(); // 2, 4
    await page
      .getByRole('group', { name: `How many ${size}` })
      .getByRole('button', { name: n, exact: true })
      .click(); // 3, 5
  }
  await expect(judgement(page)).toContainText('at Upper bar');
  await page.getByRole('button', { name: 'Keep this sample' }).click(); // 6
  await expect(page.getByText('Kept: Upper bar, 12 colors.')).toBeVisible();
});
