import { readFile } from 'node:fs/promises';
import { expect, test, type Page } from '@playwright/test';
import { judgement, openHalloway, toStage, wordsOfPdf } from './job.ts';

/** The gold of the crew is one, and other tests weigh some meanwhile: what is asked of is vials of these tests' own, and their lines are taken back. */

async function write(
  page: Page,
  deed: string,
  amount: string,
  to: string,
  more: Readonly<Record<string, string>> = {},
) {
  await page.getByRole('radio', { name: deed, exact: true }).click();
  await page.getByLabel(deed === 'melted' ? 'Went in' : 'How much', { exact: true }).fill(amount);
  const where = { moved: 'Into vial', melted: 'Into', 'handed out': 'To partner', sold: 'To' }[deed];
  if (where) await page.getByLabel(where, { exact: true }).fill(to);
  for (const [label, text] of Object.entries(more)) await page.getByLabel(label, { exact: true }).fill(text);
  await page.getByRole('button', { name: 'Write it in the ledger' }).click();
}

test(
  'gold weighed is sorted, melted, sold and shared out; a wrong line is taken back and both stay',
  { tag: '@desk' },
  async ({ page }) => {
    await openHalloway(page);
    await toStage(page, 'Books');
    await page.getByRole('navigation', { name: 'Rooms of Books' }).getByRole('link', { name: 'Gold' }).click();
    await expect(judgement(page)).toContainText('in hand.');
    await expect(page.getByRole('listitem').filter({ hasText: /^unsorted/ })).toBeVisible();

    // Wrong on purpose.
    await page.getByRole('button', { name: 'Write it in the ledger' }).click();
    await expect(page.getByText('▲ Not written yet: see the fields marked.')).toBeVisible();
    await expect(page.getByText('Say where it goes.')).toBeVisible();

    await write(page, 'moved', '100 mg', 'vial T');
    const vial = page.getByRole('listitem').filter({ hasText: /^vial T/ });
    await expect(vial).toContainText(/100(\.0)?\smg/);
    await page.getByLabel('From vial').selectOption('vial T');
    await write(page, 'melted', '100 mg', 'bar T', { 'Came out': '90 mg' });
    await expect(page.getByRole('listitem').filter({ hasText: /^bar T/ })).toContainText(/90(\.0)?\smg/);
    await page.getByLabel('From vial').selectOption('bar T');
    await write(page, 'sold', '40 mg', 'a buyer', { 'For, in your money': '3' });
    // 100 into the melt, 90 out, 40 of it sold.
    await expect(vial).toHaveCount(0);
    await expect(page.getByRole('listitem').filter({ hasText: /^bar T/ })).toContainText(/50(\.0)?\smg/);

    // Two to one: the money of the sale, 2 and 1.
    await page.getByRole('button', { name: 'Agree on shares' }).click();
    const sheet = page.getByRole('dialog', { name: 'Agree on shares' });
    await sheet.getByLabel('From this day on', { exact: true }).fill('1 Jan 2020');
    await sheet.getByLabel('Partner', { exact: true }).fill('Ana');
    await sheet.getByLabel('Parts', { exact: true }).fill('0');
    await sheet.getByRole('button', { name: 'Keep it so' }).click();
    await expect(sheet.getByRole('alert').filter({ hasText: 'Not kept' })).toContainText('Somebody has a part.');
    await sheet.getByLabel('Parts', { exact: true }).fill('2');
    await sheet.getByRole('button', { name: 'one partner more' }).click();
    await sheet.getByLabel('Partner', { exact: true }).last().fill('Ben');
    await sheet.getByRole('button', { name: 'Keep it so' }).click();
    const shares = page.getByRole('region', { name: 'What each partner has coming' });
    const [statement] = await Promise.all([
      page.waitForEvent('download'),
      shares.getByRole('button', { name: 'Statement for Ana' }).click(),
    ]);
    expect(statement.suggestedFilename()).toBe('statement Ana.pdf');
    const told = await wordsOfPdf(await readFile(await statement.path()));
    expect(told).toMatch(/Due.*Ana 2, Ben 1/);
    expect(told).not.toMatch(/Halloway|Otter/);
    await expect(shares.getByRole('row', { name: /^Ana/ })).toContainText('2.00');
    await expect(shares.getByRole('row', { name: /^Ben/ })).toContainText('1.00');
    await page.getByLabel('From vial').selectOption('bar T');
    await write(page, 'handed out', '50 mg', 'Ben');
    await expect(shares.getByRole('row', { name: /^Ben/ })).toContainText(/50(\.0)?\smg/);
    // What is due to both is what lies in hand, as far as three figures of each tell.
    const [due_mg, inHand_mg] = await page.evaluate(() => {
      const figure = (of: Element | null | undefined): number =>
        Number((of?.textContent ?? '').replace(/[^\d.-]/g, ''));
      const rows = [...document.querySelectorAll('[aria-label="What each partner has coming"] tbody tr')];
      return [rows.reduce((sum, r) => sum + figure(r.querySelector('td')), 0), figure(document.querySelector('h1'))];
    });
    expect(Math.abs(due_mg - inHand_mg)).toBeLessThan(0.01 * inHand_mg);

    // Taken back, the latest first; each stays in the ledger, struck through.
    const lines = page.getByRole('list', { name: 'Lines of the ledger, the latest first' });
    const ours = lines.getByRole('button', { name: /^Take back: .*(vial T|bar T)/ });
    for (let left = 4; left > 0; left--) {
      await ours.first().click();
      await expect(ours).toHaveCount(left - 1);
    }
    await expect(lines.getByRole('listitem').filter({ hasText: /(vial T|bar T).*taken back/ })).toHaveCount(4);
    await expect(page.getByRole('listitem').filter({ hasText: /^(vial|bar) T/ })).toHaveCount(0);
    await page.getByRole('button', { name: /^Put right what was agreed since/ }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Take it out' }).click();
    await expect(page.getByText(/^Nothing is agreed yet/)).toBeVisible();
  },
);

test(
  'the gold of the crew on a phone: in hand, a line by thumb, nothing runs off',
  { tag: '@phone' },
  async ({ page }) => {
    await openHalloway(page);
    await page.goto(page.url().replace(/\/read.*$/, '/books/gold'));
    await expect(judgement(page)).toContainText('in hand.');
    await write(page, 'moved', '5 mg', 'phone vial');
    await expect(page.getByRole('listitem').filter({ hasText: /^phone vial/ })).toBeVisible();
    const wide = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
    expect(wide).toBe(0);
    await page
      .getByRole('button', { name: /^Take back: .*phone vial/ })
      .first()
      .click();
    await expect(page.getByRole('listitem').filter({ hasText: /^phone vial/ })).toHaveCount(0);
  },
);
