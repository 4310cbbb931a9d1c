/* global document, requestAnimationFrame */
import { show } from './figures.mjs';
import { openBrowser } from './openBrowser.mjs';

/** A table of 100,000 rows brought in through the page, then scrolled and searched. */
export async function bigTable(port) {
  const { v7 } = await import('uuid');
  const address = `http://localhost:${port}`;
  const id = v7();
  await fetch(`${address}/api/v1/grounds/${id}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      id,
      deleted: false,
      name: 'Long table',
      kind: 'creek',
      length_m: 9000,
      swell_percent: 18,
      note: '',
      tide: null,
      profile: [],
      joins: null,
      baseVersion: 0,
    }),
  });
  const csv = [
    'spot,distance_m,date,depth_m,volume (L),20-40,-40',
    ...Array.from(
      { length: 100_000 },
      (_, i) =>
        `Spot ${i % 200},${(i % 200) * 40},2026-05-${String(1 + (i % 28)).padStart(2, '0')},0.${i % 9},9.5,${i % 3},${i % 9}`,
    ),
  ].join('\n');
  const browser = await openBrowser();
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${address}/g/${id}/sample/table`);
  await page.getByRole('button', { name: 'Bring a table in' }).click();
  const began = performance.now();
  await page
    .getByLabel('A CSV file')
    .setInputFiles({ name: 'long.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
  await page.getByRole('button', { name: 'Check every row' }).click();
  await page.getByRole('button', { name: 'Store 100,000 samples' }).click({ timeout: 120_000 });
  await page.getByText('100,000 samples stored').waitFor({ timeout: 120_000 });
  show('100,000 rows brought in, from file to stored', (performance.now() - began) / 1000, 's', 'target', 20);
  await page.getByRole('button', { name: 'Done' }).click();
  await page.getByRole('heading', { level: 1, name: '100,000 samples' }).waitFor({ timeout: 120_000 });
  await page.waitForTimeout(10_000);
  const frames = (scrolls) =>
    page.evaluate(async (moves) => {
      const table = document.querySelector('[role="grid"]');
      const times = [];
      for (let i = 0, last = performance.now(); i < 120; i++) {
        if (moves) table.scrollTop += 150 + (i % 7) * 30;
        await new Promise((resolve) => requestAnimationFrame(resolve));
        const now = performance.now();
        times.push(now - last);
        last = now;
      }
      return times.sort((a, b) => a - b)[Math.floor(times.length * 0.95)];
    }, scrolls);
  const rest = await frames(false);
  show('table of 100,000 scrolled at 14,000 px a second, frame (95 of 100)', await frames(true), 'ms', 'at rest', rest);
  await browser.close();
}
