import { expect, test } from '@playwright/test';
import { judgement, openCreek, openCreekWithBox, openHalloway, placeOf, setBox, toStage } from './job.ts';

test('a box that stalls: water and head are named, and set so it is left alone', async ({ page }, info) => {
  await openCreek(page, `Stall run ${info.project.name}`, 'set');
  await setBox(page, `Staller ${info.project.name}`);
  await expect(judgement(page)).toContainText(/^Leave it: it works (\d times in 10|nearly always)/);
  await page.getByLabel('Pitch', { exact: true }).fill('0.3 in/ft');
  await page.getByLabel('Water over the lining', { exact: true }).fill('14 mm');
  await expect(judgement(page)).toContainText(
    /^(Let in|Lift the head) \d+\smm.*your 1\/2\sin stones stall\. Then it works/,
  );
  // On a phone the sentence stays above the field being typed in.
  await expect(judgement(page)).toBeInViewport();
  const says = await judgement(page).innerText();
  expect(says).toMatch(/Let in (\d+)\smm of water|Lift the head (\d+)\smm/);
  await page.getByLabel('Pitch', { exact: true }).fill('0.5 in/ft');
  await page.getByLabel('Water over the lining', { exact: true }).fill('26 mm');
  await expect(judgement(page)).toContainText(/^Leave it/);
  // Out of level comes before all else; fed too fast is said with its remedy.
  await page.getByLabel('One side deeper by', { exact: true }).fill('8 mm');
  await expect(judgement(page)).toContainText(/^Level it first/);
  await page.getByLabel('One side deeper by', { exact: true }).fill('');
  await page.getByLabel('Minutes a bucket', { exact: true }).fill('1');
  await expect(judgement(page)).toContainText(/^Feed slower: fed like this it packs/);
  await page.getByLabel('Minutes a bucket', { exact: true }).fill('soon');
  await expect(page.getByText('▲ Write minutes such as 5, or nothing.')).toBeVisible();
});

test('what was typed in inches is answered in inches, though the device is set to millimeters', async ({
  page,
}, info) => {
  await openCreek(page, `Inch run ${info.project.name}`, 'set');
  await setBox(page, `Incher ${info.project.name}`);
  await page.getByLabel('Pitch', { exact: true }).fill('1 in');
  await page.getByLabel('Water over the lining', { exact: true }).fill('1/2 in');
  await expect(judgement(page)).toContainText(
    /^(Let in|Lift the head) [\d/\s]+\sin( of water)?( and (let in|lift the head) [\d/\s]+\sin( of water)?)?: your 1\/2\sin stones stall/,
  );
  await expect(page.getByRole('slider', { name: 'Water surface' })).toHaveAttribute('aria-valuetext', /^1\/2\sin$/);
  await expect(page.getByRole('row', { name: /^water/ })).toContainText(/1\/2\sin/);
  await expect(page.getByRole('row', { name: /^flow/ })).toContainText(/L\/s/);
  // The same in millimeters.
  await page.getByLabel('Pitch', { exact: true }).fill('25 mm');
  await page.getByLabel('Water over the lining', { exact: true }).fill('13 mm');
  await expect(judgement(page)).toContainText(/^(Let in|Lift the head) \d+\smm/);
});

test('the window’s disc dragged sets pitch and water', { tag: '@desk' }, async ({ page }) => {
  await openHalloway(page);
  await toStage(page, 'Set');
  const window = page.getByRole('img', { name: /^The window: as it stands it works \d+ times in 100/ });
  const box = await placeOf(page, window);
  // Flat and thin, in the lower left corner: it stalls.
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 3);
  await page.mouse.down();
  await page.mouse.move(box.x + 60, box.y + box.height - 60, { steps: 6 });
  await page.mouse.up();
  await expect(judgement(page)).toContainText('stones stall');
  await expect(page.getByLabel('Pitch', { exact: true })).toHaveValue(/^0\.[012]/);
  await expect(
    page.getByRole('img', { name: /^The window: as it stands it works 0 times in 100, as advised/ }),
  ).toBeVisible();
});

test('a box of sections: kept, drawn, weighed by section, and run', { tag: '@desk' }, async ({ page }, info) => {
  await openCreek(page, `Section run ${info.project.name}`, 'set');
  await page.getByRole('button', { name: /^(Add your box|Another)$/ }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('What you call it').fill('Three in a row');
  await sheet.getByLabel('Lining', { exact: true }).selectOption('indicator');
  await sheet.getByLabel('Width inside', { exact: true }).fill('10 in');
  await sheet.getByLabel('Length of the lined floor', { exact: true }).fill('8 in');
  await sheet.getByRole('button', { name: /^Another section/ }).click();
  await sheet.getByLabel('Lining, section 2', { exact: true }).selectOption('riffles');
  await sheet.getByRole('button', { name: 'Keep this box' }).click();
  // Its length is still to be measured: it is said where it happened, and nothing is lost.
  await expect(sheet.getByLabel('Length, section 2', { exact: true })).toHaveAttribute('aria-invalid', 'true');
  await sheet.getByLabel('Length, section 2', { exact: true }).fill('3 ft');
  await sheet.getByLabel('Step down, section 2', { exact: true }).fill('1 in');
  await sheet.getByRole('button', { name: 'Keep this box' }).click();
  await expect(sheet).toBeHidden();
  await expect(page.getByText('1.12 m in 2 sections: indicator mat, raised riffles on carpet')).toBeVisible();
  await page.reload();
  await expect(page.getByText('2 sections: indicator mat, raised riffles')).toBeVisible();
  await page.getByLabel('Water over the lining', { exact: true }).fill('20 mm');
  await expect(judgement(page)).toContainText(/holds .*% \(\d+–\d+\) of the gold/);
  const rigs = (await (await page.request.get('/api/v1/rigs')).json()) as {
    items: { name: string; sections: { lining: string; stepEntered: { text: string } | null }[] }[];
  };
  expect(rigs.items.find((r) => r.name === 'Three in a row')?.sections).toMatchObject([
    { lining: 'indicator', stepEntered: null },
    { lining: 'riffles', stepEntered: { text: '1 in' } },
  ]);
});

test('what is seen at the box changes what is said of it, and names what may be behind it', async ({ page }, info) => {
  await openCreek(page, `Look run ${info.project.name}`, 'set');
  await setBox(page, `Looker ${info.project.name}`);
  await expect(judgement(page)).toContainText(/^Leave it/);
  const strip = page.locator('section').filter({ hasText: 'What do you see?' }).last();
  await strip.getByRole('button', { name: /^Stones stall/ }).click();
  await expect(judgement(page)).toContainText('you see stones stall. Then it works');
  await expect(strip.getByRole('status').getByRole('listitem').first()).toContainText(/^\d in 10/);
  await expect(strip.getByRole('status')).toContainText(
    /it runs slower than entered: lift the head \d+\smm, or let in \d+\smm of water; then stones/,
  );
  // One side heavy comes first of all.
  await strip.getByRole('button', { name: /^One side heavy/ }).click();
  await expect(judgement(page)).toContainText(/^Level it first: you see/);
  await expect(strip.getByRole('status')).toContainText(/one side lies lower: level it across; then sand lies even/);
  // Looked, and not there; then not looked at all.
  const side = strip.getByRole('button', { name: /^One side heavy/ });
  await side.click();
  await expect(side).toHaveAccessibleName('One side heavy, looked and not there');
  await side.click();
  await expect(side).toHaveAccessibleName('One side heavy');
  // It was seen at the box as it stood: set anew, nothing is seen of it yet.
  await page.getByLabel('Water over the lining', { exact: true }).fill('24 mm');
  await expect(strip.getByRole('button', { name: 'Stones stall', exact: true })).toBeVisible();
  await expect(judgement(page)).toContainText(/^Leave it/);
});

test('a box is measured: a bucket timed and a tail panned move what is said of it, and can be taken out', async ({
  page,
}, info) => {
  await openCreek(page, `Measured run ${info.project.name}`, 'set');
  await setBox(page, `Measured ${info.project.name}`);
  await expect(page.getByText(/^Nothing yet: it is weighed as boxes of its kind are/)).toBeVisible();
  const feed = page.getByRole('img', { name: /^feed: / });
  const sheet = page.getByRole('dialog');
  await page.getByRole('button', { name: 'Time a bucket' }).click();
  await sheet.getByRole('button', { name: 'Keep it' }).click();
  await expect(sheet.getByRole('alert').filter({ hasText: 'Not kept' })).toContainText('Nothing is typed yet.');
  await sheet.getByLabel('It took', { exact: true }).fill('3 s');
  await sheet.getByRole('button', { name: 'Keep it' }).click();
  await expect(sheet.getByText('At least 5 s.').first()).toBeVisible();
  await sheet.getByLabel('It took', { exact: true }).fill('14 min');
  await sheet.getByRole('button', { name: 'Keep it' }).click();
  // The box as it stands is kept along with its test.
  await expect(page.getByText('Kept: a timed bucket.', { exact: false })).toBeVisible();
  await expect(page.getByText(/cleared in 14 min$/)).toBeVisible();
  await expect(feed).toHaveAccessibleName(/^feed: like most: 0\.\d+–1\.\d times/);
  await expect(page.getByText(/, by 1 measure of this box\./)).toBeVisible();
  // A tail pan of ground that nobody panned waits until somebody does.
  await page.getByRole('button', { name: 'Tail pan' }).click();
  await sheet.getByRole('radio', { name: '1–2' }).click();
  await sheet.getByRole('button', { name: 'Keep it' }).click();
  await expect(
    page.getByText(/tail pan of “1 pan”: 1 or 2 colors – says nothing before its ground is panned/),
  ).toBeVisible();
  await page.reload();
  // Put right where it is listed; and taken out there.
  await page.getByRole('button', { name: /^Put right: .*cleared in 14 min$/ }).click();
  await expect(sheet.getByLabel('It took', { exact: true })).toHaveValue('840');
  await sheet.getByLabel('It took', { exact: true }).fill('4 min');
  await sheet.getByRole('button', { name: 'Keep it so' }).click();
  await expect(page.getByText('Put right: a timed bucket.')).toBeVisible();
  await expect(page.getByText(/cleared in 4 min$/)).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: /^Put right: .*cleared in 14 min$/ }).click();
  await sheet.getByRole('button', { name: 'Take it out' }).click();
  await expect(page.getByText('Taken out: a timed bucket.')).toBeVisible();
  await expect(feed).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(feed).toBeVisible();
});

test('no more water is advised than the creek gives; a pump and a wing dam are worked out; a link opens the same setting', async ({
  page,
}, info) => {
  await openCreek(page, `Dry run ${info.project.name}`, 'set');
  await setBox(page, `Thirsty ${info.project.name}`);
  const sheet = page.getByRole('dialog');
  // A float in the creek, 2 m wide and 0.1 m deep at 0.2 m/s: 34 L/s, of which a dam of 0.2 m sends 1.7 to 3.1.
  await page.getByRole('button', { name: 'Measure the flow' }).click();
  await sheet.getByLabel('Run of the float', { exact: true }).fill('2 m');
  await sheet.getByLabel('Width of the water, mean', { exact: true }).fill('2 m');
  await sheet.getByLabel('Depth of the water, mean', { exact: true }).fill('0.1 m');
  await sheet.getByLabel('A wing dam reaches out', { exact: true }).fill('3 m');
  await sheet.getByLabel('Or type a time', { exact: true }).fill('10');
  await sheet.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(sheet.getByRole('status')).toHaveText('A dam reaches no farther than the creek is wide.');
  await sheet.getByLabel('A wing dam reaches out', { exact: true }).fill('0.2 m');
  await expect(sheet.getByRole('status')).toHaveText(/^34\sL\/s, of it 1\.7\d?\sL\/s to 3\.06\sL\/s by the dam$/);
  // A pump by its plate.
  await sheet.getByRole('radio', { name: 'A pump' }).click();
  await sheet.getByLabel('Most it gives', { exact: true }).fill('80 L/min');
  await sheet.getByLabel('Highest it lifts', { exact: true }).fill('25 m');
  await sheet.getByLabel('Lift, water to box', { exact: true }).fill('30 m');
  await sheet.getByLabel('Hose, long', { exact: true }).fill('20 m');
  await expect(sheet.getByRole('status')).toHaveText('Nothing comes: it lifts no higher than that.');
  await sheet.getByLabel('Lift, water to box', { exact: true }).fill('3 m');
  await expect(sheet.getByRole('status')).toHaveText(/^1\.\d+\sL\/s$/);
  await sheet.getByRole('button', { name: 'The most to be had here' }).click();
  await expect(page.getByLabel('Most water here', { exact: true })).toHaveValue(/^1\.\d+$/);
  await expect(judgement(page)).toContainText(/^There is not so much water: so set the box takes \d/);
  await page.getByLabel('Most water here', { exact: true }).fill('20 L/s');
  await expect(judgement(page)).toContainText(/^Leave it/);
  // The link carries what was typed to another page, and says nothing of the place.
  await page.getByLabel('Pitch', { exact: true }).fill('0.62 in/ft');
  await page.getByRole('button', { name: 'Link to this setting' }).click();
  const link = await sheet.getByRole('textbox').inputValue();
  expect(link).not.toContain('Dry');
  await page.keyboard.press('Escape');
  await page.getByLabel('Pitch', { exact: true }).fill('0.3 in/ft');
  await page.goto(link);
  await expect(page.getByText('Set as the link says.')).toBeVisible();
  await expect(page.getByLabel('Pitch', { exact: true })).toHaveValue(/^0\.62/);
  await expect(page).toHaveURL(/\/set$/);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByLabel('Pitch', { exact: true })).toHaveValue('0.3 in/ft');
});

test('at the box: a tail pan in one tap, a beat to feed by, and when the mat is full', async ({ page }, info) => {
  await openCreekWithBox(page, `Beat run ${info.project.name}`, `Beaten ${info.project.name}`);
  await page.getByLabel('Gravel from').selectOption({ index: 1 });
  await page.getByRole('button', { name: 'Start the run' }).click();
  await expect(
    page.getByText(/^Mat about \d+ buckets to go \(\d+–\d+\) until black sand fills it; .+ are in\.$/),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Tail pan: 3 colors or more' }).click();
  await expect(page.getByText(/^Tail pan 3 colors or more, \d+ seconds? ago/)).toBeVisible();
  await expect(page.getByText('Gold goes over the end', { exact: false })).toBeVisible();
  await page.getByRole('button', { name: 'take it out' }).click();
  await expect(page.getByText(/^Tail pan none in this run/)).toBeVisible();
  // What happens is tapped, says what to do, and stands in the log of the box.
  await page.getByRole('group', { name: 'What happened at the box' }).getByRole('button', { name: 'clay' }).click();
  await expect(page.getByText(/^Stop feeding\. Break it in a tub of water/)).toBeVisible();
  const beat = page.getByRole('button', { name: /^Beat a scoop every [\d.]+ s/ });
  await beat.click();
  await expect(beat).toHaveAttribute('aria-pressed', 'true');
  await beat.click();
  await expect(beat).toHaveAttribute('aria-pressed', 'false');
  await page.goto(page.url().replace(/\/run.*/, '/set'));
  await expect(page.getByRole('listitem').filter({ hasText: 'First set' })).toContainText('clay');
});

test('pitch and level by the phone, turned end for end, and by a string over the box', async ({ page }, info) => {
  // No box lies under a test: the simulated sensor, off by a degree, lies in one of half an inch a foot.
  await page.addInitScript(() =>
    localStorage.setItem('riffle-preferences', JSON.stringify({ positionFrom: 'simulated' })),
  );
  await openCreek(page, `Level run ${info.project.name}`, 'set');
  await setBox(page, `Leveled ${info.project.name}`);
  await page.getByLabel('Pitch', { exact: true }).fill('0.9 in/ft');
  const sheet = page.getByRole('dialog');
  await page.getByRole('button', { name: 'Measure pitch and level' }).click();
  await expect(sheet.getByRole('status')).toContainText('its top to the head');
  await sheet.getByRole('button', { name: 'Take the first' }).click();
  await expect(sheet.getByRole('status')).toContainText('turn it end for end');
  await sheet.getByRole('button', { name: 'Take the second' }).click();
  await expect(sheet.getByRole('status')).toContainText(/over the box$/);
  await expect(sheet.getByText(/^Its right side, seen down the box, lies 2\smm lower\./)).toBeVisible();
  await expect(sheet.getByText(/The sensor is off by 1\.\d°/)).toBeVisible();
  await sheet.getByRole('button', { name: 'Use this' }).click();
  await expect(page.getByLabel('Pitch', { exact: true })).toHaveValue(/^0\.(49|5)\d*/);
  await expect(page.getByLabel('One side deeper by', { exact: true })).toHaveValue('2');
  await page.getByRole('button', { name: 'Measure pitch and level' }).click();
  await sheet.getByRole('radio', { name: 'String or hose' }).click();
  await sheet.getByLabel('Down to the box at its head', { exact: true }).fill('100 mm');
  await sheet.getByLabel('Down to the box at its tail', { exact: true }).fill('90 mm');
  await expect(sheet.getByRole('status')).toHaveText('The tail must lie farther below the line than the head.');
  await sheet.getByLabel('Down to the box at its tail', { exact: true }).fill('176.2 mm');
  await sheet.getByRole('button', { name: 'Use this' }).click();
  await expect(page.getByLabel('Pitch', { exact: true })).toHaveValue(/^0\.75/);
});

test('two settings are compared by coin until one is better; a change is logged with what followed', async ({
  page,
}, info) => {
  await openCreek(page, `Compared ${info.project.name}`, 'set');
  await setBox(page, `Compared ${info.project.name}`);
  await page.getByRole('button', { name: 'Keep this set-up' }).click();
  await page.getByLabel('Pitch', { exact: true }).fill('3/4 in/ft');
  await page.getByRole('button', { name: 'Keep this set-up' }).click();
  const log = page.locator('section', { has: page.getByRole('heading', { name: 'Changes, and what followed' }) });
  await expect(log.getByRole('listitem')).toHaveCount(2);
  await expect(log.getByRole('listitem').first()).toContainText(/head \+25\smm/);
  await log
    .getByRole('button', { name: /^Take up again/ })
    .last()
    .click();
  await expect(page.getByLabel('Pitch', { exact: true })).toHaveValue('1/2 in/ft');

  // A tail in the pool comes before everything else.
  await page.getByLabel('Pool over the tail', { exact: true }).fill('80 mm');
  await expect(judgement(page)).toContainText(/^Lift the whole box \d+\smm: its tail stands in the pool below\.$/);
  await expect(page.getByText('Feed nothing before its tail is free.')).toBeVisible();
  await expect(page.getByText(/^Set so, you may err/)).toBeHidden();
  await page.getByLabel('Pool over the tail', { exact: true }).fill('');
  await expect(judgement(page)).not.toContainText('pool');

  await page.getByRole('button', { name: 'Compare two, by coin' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByRole('button', { name: 'Toss the coin' }).click();
  await expect(sheet.getByText('Give it a name.')).toBeVisible();
  await sheet.getByLabel('A', { exact: true }).fill('flat');
  await sheet.getByLabel('B', { exact: true }).fill('steep');
  await sheet.getByLabel('Compared by', { exact: true }).selectOption('minutes a bucket');
  await sheet.getByRole('button', { name: 'Toss the coin' }).click();
  const [a, b] = ['A, flat', 'B, steep'].map((n) => sheet.getByLabel(`${n}: minutes a bucket`, { exact: true }));
  const keep = sheet.getByRole('button', { name: 'Keep the round' });
  await keep.click();
  await expect(sheet.getByRole('alert')).toContainText('give at least what came first');
  await a?.fill('soon');
  await b?.fill('3');
  await keep.click();
  await expect(sheet.getByText('A number.')).toBeVisible();
  for (let round = 1; round <= 6; round++) {
    await expect(sheet.getByText(/^[AB] first: (flat|steep)\. Then [AB]\.$/)).toBeVisible();
    await a?.fill('5');
    await b?.fill(String(3 + round / 10));
    await keep.click();
    await expect(sheet.getByRole('img', { name: `0 rounds for A, ${round} for B` })).toBeVisible();
    if (round === 2)
      await expect(sheet.getByText('It would be told if the next 4 went to B.', { exact: false })).toBeVisible();
    if (round < 6) await sheet.getByRole('button', { name: 'Toss for the next round' }).click();
  }
  await expect(sheet.getByText('B is better: steep.')).toBeVisible();
  await page.reload();
  await expect(page.getByRole('button', { name: /^flat or steep/ })).toContainText('B is better: steep.');
  await page.getByRole('button', { name: /^flat or steep/ }).click();
  await sheet.getByRole('button', { name: 'take the last round out' }).click();
  await expect(sheet.getByText('Cannot tell yet.')).toBeVisible();
});

test(
  'a box is taught to the phone by its two sounds; then stones are heard to move and to clear',
  { tag: '@phone' },
  async ({ page }, info) => {
    await page.addInitScript(() =>
      localStorage.setItem('riffle-preferences', JSON.stringify({ light: 'shade', positionFrom: 'simulated' })),
    );
    await openCreekWithBox(page, `Heard ${info.project.name}`, `Heard ${info.project.name}`);
    await page.getByLabel('Gravel from').selectOption({ index: 1 });
    await page.getByRole('button', { name: 'Start the run' }).click();
    await page.getByRole('button', { name: /^Listen/ }).click();
    const sheet = page.getByRole('dialog');
    await sheet.getByRole('button', { name: 'Hear it, 15 s' }).first().click();
    await expect(sheet.getByRole('button', { name: /^\d+ s more$/ })).toBeVisible();
    await expect(sheet.getByText('Water alone heard')).toBeVisible({ timeout: 60_000 });
    await sheet.getByRole('button', { name: 'Hear it, 15 s' }).click();
    await expect(sheet.getByText('Stones move.')).toBeVisible({ timeout: 60_000 });
    await expect(sheet.getByText('Cleared, it seems: next scoop.')).toBeVisible({ timeout: 60_000 });
    await expect(sheet.getByRole('img', { name: /^Stones move: \d+ in 10$/ })).toBeVisible();
    await expect(sheet.getByText(/^A scoop usually clears in \d\.\d s here\.$/)).toBeVisible({ timeout: 60_000 });
    // What it learned is kept on the phone.
    await page.keyboard.press('Escape');
    await page.reload();
    await page.getByRole('button', { name: /^Listen/ }).click();
    await expect(sheet.getByText('teach it again')).toBeVisible();
  },
);
