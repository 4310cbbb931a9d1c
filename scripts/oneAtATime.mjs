import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';

const LOOK_AGAIN_MS = 100;

/** Does something while no other process does it, however many of them ask: the others wait. A process that died on the way holds nobody up. */
export async function oneAtATime(lockFile, does) {
  mkdirSync(dirname(lockFile), { recursive: true });
  while (!taken(lockFile)) await sleep(LOOK_AGAIN_MS);
  const letGo = () => rmSync(lockFile, { force: true });
  process.once('exit', letGo);
  try {
    return await does();
  } finally {
    letGo();
    process.off('exit', letGo);
  }
}

function taken(lockFile) {
  try {
    writeFileSync(lockFile, String(process.pid), { flag: 'wx' });
    return true;
  } catch (error) {
    if (error.code !== 'EEXIST') throw error;
  }
  const holder = Number(read(lockFile));
  // Empty in the moment between its making and its writing.
  if (holder > 0 && !isAlive(holder)) rmSync(lockFile, { force: true });
  return false;
}

function read(file) {
  try {
    return readFileSync(file, 'utf8');
  } catch {
    return '';
  }
}

function isAlive(pid) {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return error.code === 'EPERM';
  }
}
