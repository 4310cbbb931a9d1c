// Which Riffle runs in a home: who starts a second one is told where the first is.
import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const fileIn = (home) => join(home, 'running.json');

/** Its address; null where none runs. One that was killed leaves its file behind. */
export function runningAt(home) {
  try {
    const { pid, address } = JSON.parse(readFileSync(fileIn(home), 'utf8'));
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('start.mjs') ? address : null;
  } catch {
    return null;
  }
}
export const sayRunning = (home, address) => writeFileSync(fileIn(home), JSON.stringify({ pid: process.pid, address }));
export const notRunning = (home) => rmSync(fileIn(home), { force: true });
