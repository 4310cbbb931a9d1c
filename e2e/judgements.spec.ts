import { expect, test, type Page } from '@playwright/test';
import { chooseSpot, dropFile, judgement, openCreek, openHalloway, toRoom, toStage } from './job.ts';

/** A creek that swings from side to side, walked up; it bends hard every 120 m. */
function meanderGpx(name: string): string {
  let [lat, lon] = [46.5, -33];
  const points = Array.from({ length: 121 }, (_, i) => {
    const direction = 1.05 * Math.cos((Math.PI * i * 5) / 120);
    lat += (5 * Math.cos(direction)) / 111_160;
    lon += (5 * Math.sin(direction)) / 76_760;
    return `<trkpt lat="${lat.toFixed(7)}" lon="${lon.toFixed(7)}"><ele>${(10 + i * 0.1).toFixed(2)}</ele></trkpt>`;
  }).join('');
  return `<?xml version="1.0" encoding="UTF-8"?><gpx version="1.1" creator="test" xmlns="http://www.topografix.com/GPX/1/1">
    <trk><name>${name}</name><trkseg>${points}</trkseg></trk></gpx>`;
}

test('a hole answers in gold an hour, and another stop can be dragged to', async ({ page }) => {
  await openHalloway(page);
  await toStage(page, 'Sample');
  await toRoom(page, 'Pits');
  await page.getByLabel('Pit', { exact: true }).selectOption({ label: 'Pit 2' });
  await expect(judgement(page)).toHaveText(/^Stop at 1\.01\sm: .* an hour, cover and all\.$/);
  const said = await judgement(page).textContent();
  const stop = page.getByRole('slider', { name: 'How deep to dig' });
  const deep = await stop.getAttribute('aria-valuetext');
  await stop.focus();
  await page.keyboard.press('PageUp');
  await expect(stop).not.toHaveAttribute('aria-valuetext', deep ?? '');
  await expect(page.getByText(/^Stopping at/)).toBeVisible();
  // What is looked at is no new answer.
  await expect(judgement(page)).toHaveText(said ?? '');
  await page.getByRole('button', { name: 'Back to the best' }).click();
  await expect(stop).toHaveAttribute('aria-valuetext', deep ?? '');
  await page.getByRole('link', { name: 'Say what an hour has to bring' }).click();
  await page.getByLabel('For one gram of your gold').fill('70');
  await page.getByLabel('What an hour has to bring').fill('ten');
  await expect(page.getByText('Write a number above 0, such as 15.')).toBeVisible();
  await page.getByLabel('What an hour has to bring').fill('10');
  await page.goBack();
  await expect(page.getByText(/^10\.00 an hour takes .* in 10 that it is there/)).toBeVisible();
});

test('the next pan is one line, the same on Read, Sample, What it says and the day', async ({ page }) => {
  await openHalloway(page);
  await expect(judgement(page).locator('..')).toContainText(/Pan .+ (next|once more): \d in 10 that it/);
  await toStage(page, 'Sample');
  const line = page.getByText(/^(Pan|Weigh) .+: \d in 10 that .+\./);
  await expect(line).toBeVisible();
  const said = /^.+? in 10 that [^.]+\./.exec((await line.textContent()) ?? '')?.[0] ?? 'nothing';
  await toRoom(page, 'What it says');
  await expect(page.getByText(said, { exact: false }).first()).toBeVisible();
  await toStage(page, 'Read');
  await expect(judgement(page).locator('..')).toContainText(said);
  await page.goto(page.url().replace(/\/read.*$/, '/day'));
  await expect(judgement(page).locator('..')).toContainText(said);
});

test('one tap before the count is kept beside what came, and is too late once a color is counted', async ({
  page,
  isMobile,
}) => {
  await openCreek(page, `Eye Fork ${isMobile ? 'p' : 'd'}`, 'sample');
  await chooseSpot(page, 'Spot', 'Lower bar');
  const some = page.getByRole('button', { name: 'some', exact: true });
  await some.click();
  await expect(some).toHaveAttribute('aria-pressed', 'true');
  // The tap may come before Riffle has reckoned its own word: that is filled in unseen.
  await expect(page.getByText(/\d in 10 that/).first()).toBeVisible();
  await page.getByRole('button', { name: 'One more −40' }).click();
  await expect(some).toBeDisabled();
  await expect(page.getByText('Said before you panned')).toBeVisible();
  await page.getByLabel('Depth below the surface', { exact: true }).fill('0.3');
  await page.getByLabel('How much you panned', { exact: true }).fill('2');
  await page.getByRole('button', { name: 'Keep this sample' }).click();
  await expect(page.getByText('Kept: Lower bar, 1 color.')).toBeVisible();
  // The next pan is asked anew, and nothing has to be said.
  await expect(some).toHaveAttribute('aria-pressed', 'false');
  await page.goto(page.url().replace(/\/sample.*$/, '/sure'));
  await expect(page.getByText('After 1 of 10 pans it is too early to say whose eye is better.')).toBeVisible();
  await expect(
    page.getByRole('img', { name: /^of 1 pans you were right in 1, Riffle in [01]$/ }).first(),
  ).toBeVisible();
});

const guesses = (page: Page) => page.locator('section').filter({ hasText: 'Guessed, not seen' });

test('a creek reads itself: bends are guessed from its line, and a tap confirms or strikes each', async ({
  page,
  isMobile,
}) => {
  await page.goto('/grounds/new');
  await dropFile(page, 'swing.gpx', meanderGpx(`Swing Fork ${isMobile ? 'p' : 'd'}`));
  await page.getByRole('button', { name: 'Keep this ground' }).click();
  await expect(judgement(page)).toHaveText('Walk it and mark the first spot.');
  await expect(page.getByText(/^Look first at .+ up: Inside of a bend, guessed\./)).toBeVisible();
  await expect(guesses(page).getByRole('listitem')).toHaveCount(5);
  await guesses(page).getByRole('button', { name: 'Not there' }).first().click();
  await expect(page.getByText(/^Struck: no inside bend at/)).toBeVisible();
  await expect(guesses(page).getByRole('listitem')).toHaveCount(4);
  await guesses(page).getByRole('button', { name: 'There', exact: true }).first().click();
  await expect(page.getByText(/^Kept: inside bend at/)).toBeVisible();
  await expect(guesses(page).getByRole('listitem')).toHaveCount(3);
  await expect(
    page
      .getByText('0 spots, 0 samples, 1 signs')
      .or(page.getByText(/1 sign\b/))
      .first(),
  ).toBeAttached();
  await page.reload();
  await expect(guesses(page).getByRole('listitem')).toHaveCount(3);
});
