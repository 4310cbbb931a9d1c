// A whole Riffle as a person starts it, to be killed and frozen from outside.
import { spawn, spawnSync } from 'node:child_process';
import { closeSync, mkdtempSync, openSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { lastingPort } from '../cluster.mjs';
import { root, START } from '../setup.mjs';

/** Everything below a process, itself first. */
function family(pid) {
  try {
    const children = readFileSync(`/proc/${pid}/task/${pid}/children`, 'utf8').trim().split(/\s+/).filter(Boolean);
    return [pid, ...children.flatMap((child) => family(Number(child)))];
  } catch {
    return [];
  }
}
function signal(pids, name) {
  for (const pid of pids) {
    try {
      process.kill(pid, name);
    } catch {
      /* gone already */
    }
  }
}

/** A file system of its own for a folder, so that it can run out of room; false where this account may not make one. */
const madeSmall = (dir, MB) => spawnSync('mount', ['-t', 'tmpfs', '-o', `size=${MB}m`, 'tmpfs', dir]).status === 0;

/** Starts Riffle in a home of its own, on a port it keeps however often it is killed. `smallMB` gives the home so much room. */
export async function startRiffleProcess({ env = {}, smallMB = 0, demo = false } = {}) {
  const home = mkdtempSync(join(tmpdir(), 'riffle-soak-'));
  const small = smallMB > 0 && madeSmall(home, smallMB);
  const port = await lastingPort();
  const address = `http://localhost:${port}`;
  let child = null;
  let ended = null;
  const postmaster = () => {
    try {
      return Number(readFileSync(join(home, 'postgres', 'data', 'postmaster.pid'), 'utf8').split('\n')[0]);
    } catch {
      return 0;
    }
  };
  const isUp = () =>
    fetch(`${address}/api/v1/health`, { signal: AbortSignal.timeout(3000) }).then(
      (answer) => answer.ok,
      () => false,
    );
  const riffle = {
    address,
    home,
    /** The home can run out of room. */
    small,
    isUp,
    postmaster,
    serverPid: () => child?.pid ?? 0,
    /** Milliseconds until it answers. */
    untilUp: async (most_ms = 60_000) => {
      const since = performance.now();
      while (!(await isUp())) {
        if (performance.now() - since > most_ms)
          throw new Error(`Riffle did not come up again: ${readFileSync(join(home, 'said.txt'), 'utf8').slice(-300)}`);
        await sleep(20);
      }
      return performance.now() - since;
    },
    start: async () => {
      const log = openSync(join(home, 'said.txt'), 'a');
      child = spawn(process.execPath, [...START, ...(demo ? [] : ['--empty'])], {
        cwd: root,
        env: { ...process.env, RIFFLE_HOME: home, PORT: String(port), ...env },
        stdio: ['ignore', log, log],
      });
      closeSync(log);
      ended = new Promise((resolve) => child.once('exit', resolve));
      await riffle.untilUp();
    },
    /** kill -9; the database goes with it, as it does when a machine is switched off. */
    killServer: async () => {
      const cluster = family(postmaster());
      child.kill('SIGKILL');
      await ended;
      while (cluster.some((pid) => family(pid).length > 0)) await sleep(10);
    },
    killDatabase: () => signal([postmaster()].filter(Boolean), 'SIGKILL'),
    freezeDatabase: async (ms) => {
      const cluster = postmaster() ? family(postmaster()) : [];
      signal(cluster, 'SIGSTOP');
      await sleep(ms);
      signal(cluster, 'SIGCONT');
    },
    stop: async () => {
      child.kill('SIGINT');
      await ended;
      if (small) spawnSync('umount', [home]);
      rmSync(home, { recursive: true, force: true });
    },
  };
  await riffle.start();
  return riffle;
}
