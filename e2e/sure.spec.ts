import { expect, test } from '@playwright/test';
import { judgement, openHalloway } from './job.ts';

test('how sure is it: from the ranking to the page, each judgement with its claim, and what this ground’s clean-ups opened', async ({
  page,
}) => {
  await openHalloway(page);
  await page.getByRole('link', { name: 'how sure is it?' }).first().click();
  await expect(page).toHaveURL(/\/sure$/);
  await expect(judgement(page)).toContainText(/judgements/);
  await expect(page.getByRole('img', { name: /^Said and came true in ten/ })).toBeVisible();
  await expect(page.getByRole('img', { name: /^claimed 85 to 95, came \d+$/ }).first()).toBeVisible();
  // The demo's season: clean-ups whose band held or did not, places that paid or did not, days with what they found.
  const opened = page.locator('section').filter({ hasText: 'Said, then opened' });
  await expect(opened.getByText(/^(held|above it|below it), /).first()).toBeVisible();
  const shown = await opened.getByRole('listitem').count();
  await opened.getByRole('button', { name: /^All \d+$/ }).click();
  expect(await opened.getByRole('listitem').count()).toBeGreaterThan(shown);
  await expect(opened.getByText('did not').first()).toBeVisible();
  await expect(page.getByText(/^\d\.\d of \d places?, \d+ did$/).first()).toBeVisible();
});
