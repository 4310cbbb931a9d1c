// The two commands as a person moves a book to another machine with them.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { buildIfChanged } from './build.mjs';
import { root } from './setup.mjs';
import { startRiffleProcess } from './soak/riffleProcess.mjs';

const dir = mkdtempSync(join(tmpdir(), 'riffle-move-'));
beforeAll(() => buildIfChanged(), 300_000);
afterAll(() => rmSync(dir, { recursive: true, force: true }));

const at = (name) => join(dir, name);
/** `npm run backup` or `restore`, in a home. */
function run(home, what, ...args) {
  const { status, stdout, stderr } = spawnSync(process.execPath, ['scripts/backup.mjs', what, ...args], {
    cwd: root,
    encoding: 'utf8',
    env: { ...process.env, RIFFLE_HOME: home },
  });
  return { status, said: stdout + stderr };
}

test('a book goes to another home in one file, and comes out of it the same', async () => {
  const riffle = await startRiffleProcess({ demo: true });
  try {
    expect(run(riffle.home, 'backup', at('book.zip'))).toMatchObject({ status: 0 });
    expect(statSync(at('book.zip')).mode & 0o077).toBe(0);
    expect(run(riffle.home, 'backup', at('book.zip')).said).toContain('nothing is written over');
    const refused = run(riffle.home, 'restore', at('book.zip'));
    expect([refused.status, refused.said]).toEqual([1, expect.stringContaining('This book is not empty')]);
  } finally {
    await riffle.stop();
  }

  // Another machine, where nothing runs.
  const home = at('home');
  const damaged = readFileSync(at('book.zip'));
  // More bytes than a header of the zip has: one byte of those may tell of nothing that is kept, as of a file's date.
  for (let at = damaged.length >> 1, end = at + 200; at < end; at++) damaged[at] ^= 1;
  writeFileSync(at('damaged.zip'), damaged);
  const bad = run(home, 'restore', at('damaged.zip'));
  expect([bad.status, bad.said]).toEqual([1, expect.stringContaining('is damaged')]);
  expect(run(home, 'restore', at('none.zip')).said).toContain(`There is no ${at('none.zip')}`);

  const restored = run(home, 'restore', at('book.zip'));
  expect([restored.status, restored.said]).toEqual([0, expect.stringMatching(/Restored: \d{3,} records, \d+ files/)]);
  expect(run(home, 'backup', at('again.zip'))).toMatchObject({ status: 0 });
  expect(readFileSync(at('again.zip')).equals(readFileSync(at('book.zip')))).toBe(true);
  expect(existsSync(join(home, 'running.json'))).toBe(false);
}, 300_000);
