import { expect, test } from '@playwright/test';
import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { judgement } from './job.ts';

/** A second Riffle, on a port of its own, with an empty book. */
async function startEmpty(): Promise<{ address: string; stop: () => void }> {
  const child = spawn(process.execPath, ['../scripts/e2eServer.mjs'], {
    cwd: import.meta.dirname,
    env: { ...process.env, E2E_PORT: '0', E2E_EMPTY: '1' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  let said = '';
  for await (const chunk of child.stdout) {
    said += String(chunk);
    const address = /http:\/\/localhost:\d+/.exec(said)?.[0];
    if (address) return { address, stop: () => void child.kill('SIGTERM') };
  }
  throw new Error(`It did not start: ${said}`);
}

// Two Riffles at once: once is enough.
test('a book is taken away in one file and brought back into an empty one', { tag: '@desk' }, async ({ page }) => {
  const dir = mkdtempSync(join(tmpdir(), 'riffle-e2e-backup-'));
  const empty = await startEmpty();
  try {
    await page.goto('/settings');
    const block = page.locator('section', { has: page.getByRole('heading', { name: 'Backup' }) });
    await expect(block).toContainText('A backup is restored into an empty book');
    await block.getByRole('button', { name: 'Make a backup now' }).click();
    await expect(block).toContainText(/A backup is made: riffle-.*\.zip/);
    const arrived = page.waitForEvent('download');
    await block.getByRole('listitem').first().getByRole('link').click();
    const path = join(dir, 'book.zip');
    await (await arrived).saveAs(path);

    await page.goto(`${empty.address}/settings`);
    await expect(block).toContainText('This book is empty');
    await expect(block.getByRole('button', { name: 'Make a backup now' })).toBeDisabled();
    const choose = block.getByLabel('Restore a backup into this empty book');
    const file = (name: string, buffer: Buffer): { name: string; mimeType: string; buffer: Buffer } => ({
      name,
      mimeType: 'application/x-zip-compressed',
      buffer,
    });
    await choose.setInputFiles(file('photo.zip', Buffer.from('no zip at all')));
    await expect(block).toContainText('This is not a Riffle backup');
    const damaged = readFileSync(path);
    // In what an entry holds, not in what a zip file writes between two of them: that would harm nothing.
    let middle = damaged.length >> 1;
    while (damaged.subarray(middle - 200, middle + 200).includes('PK')) middle += 100;
    damaged[middle] = (damaged[middle] ?? 0) ^ 1;
    await choose.setInputFiles(file('damaged.zip', damaged));
    await expect(block).toContainText(/is damaged: it is not what was written. Nothing was changed/);

    await choose.setInputFiles(file('book.zip', readFileSync(path)));
    await expect(block).toContainText(/Restored: [\d,]+ records/);
    await block.getByRole('link', { name: 'Open the book' }).click();
    await expect(page.getByRole('listbox', { name: /^Halloway Creek, straightened: 14 spots/ })).toBeVisible();
    await expect(judgement(page)).toBeVisible();
  } finally {
    empty.stop();
    rmSync(dir, { recursive: true, force: true });
  }
});
