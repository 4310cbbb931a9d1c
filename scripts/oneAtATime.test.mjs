import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { afterAll, expect, test } from '@jest/globals';
import { oneAtATime } from './oneAtATime.mjs';
import { root } from './setup.mjs';

const dir = mkdtempSync(join(tmpdir(), 'riffle-lock-'));
afterAll(() => rmSync(dir, { recursive: true, force: true }));

/** A process that says when it begins and ends what only one may do; `ends` is how it leaves. */
function another(lock, said, ends = '') {
  const script = `
    import { appendFileSync } from 'node:fs';
    import { setTimeout as sleep } from 'node:timers/promises';
    import { oneAtATime } from '${pathToFileURL(join(root, 'scripts/oneAtATime.mjs'))}';
    await oneAtATime('${lock}', async () => {
      appendFileSync('${said}', 'begins ');
      await sleep(150);
      ${ends}
      appendFileSync('${said}', 'ends ');
    });`;
  const child = spawn(process.execPath, ['--input-type=module', '-e', script]);
  return new Promise((resolve) => child.once('exit', resolve));
}

test('processes that ask at once go one after the other, and nothing is left behind', async () => {
  const [lock, said] = [join(dir, 'deep/three.lock'), join(dir, 'three')];
  await Promise.all([1, 2, 3].map(() => another(lock, said)));
  expect(readFileSync(said, 'utf8')).toBe('begins ends begins ends begins ends ');
  expect(existsSync(lock)).toBe(false);
});

test.each([
  ['is killed', `process.kill(process.pid, 'SIGKILL');`],
  ['gives up', 'process.exit(1);'],
])('one that %s on the way holds nobody up', async (_how, ends) => {
  const [lock, said] = [join(dir, 'left.lock'), join(dir, `left${ends.length}`)];
  await another(lock, said, ends);
  await another(lock, said);
  expect(readFileSync(said, 'utf8')).toBe('begins begins ends ');
});

test('what it answers is handed on; what fails lets go', async () => {
  const lock = join(dir, 'own.lock');
  expect(await oneAtATime(lock, () => 'built')).toBe('built');
  await expect(oneAtATime(lock, () => Promise.reject(new Error('no room')))).rejects.toThrow('no room');
  expect(await oneAtATime(lock, () => 'again')).toBe('again');
});

test('a lock of a process that is alive is waited for', async () => {
  const lock = join(dir, 'alive.lock');
  writeFileSync(lock, String(process.pid));
  let through = false;
  const waits = oneAtATime(lock, () => (through = true));
  await new Promise((resolve) => setTimeout(resolve, 300));
  expect(through).toBe(false);
  rmSync(lock);
  await waits;
  expect(through).toBe(true);
});
