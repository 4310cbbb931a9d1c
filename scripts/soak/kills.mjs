// Writes without pause while server and database are killed, frozen and out of room, and counts what became of each write.
import { randomUUID } from 'node:crypto';
import { spawnSync } from 'node:child_process';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { seededRandom } from '@riffle/core';
import { bucketAt, newRun, newSample } from '../../server/test/records.ts';
import { makeGround } from './chaos.mjs';

const WRITERS = 4;
const HEALTH_EVERY_MS = 50;
export const quantile = (times, q) => [...times].sort((a, b) => a - b)[Math.floor(q * (times.length - 1))] ?? 0;

/**
 * @param riffle as of `startRiffleProcess`
 * @param kills how often something is killed or frozen
 * @returns acknowledged and lost writes, writes counted twice, other answers than yes and "later", how long it was away each time (ms), health's answers (ms)
 */
export async function killAndCount({ riffle, seed, kills, tell = () => {} }) {
  const random = seededRandom(seed);
  const { ground, spot, setup } = await makeGround(riffle.address, `Soak ${seed}`);
  const acknowledged = { samples: new Set(), taps: new Set() };
  const unasked = new Map();
  const away_ms = [];
  const health_ms = [];
  let over = false;
  let longestStall_ms = 0;

  const send = async (method, path, body) => {
    const began = performance.now();
    try {
      const answer = await fetch(`${riffle.address}/api/v1${path}`, {
        method,
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
        signal: AbortSignal.timeout(20_000),
      });
      await answer.arrayBuffer();
      if (!answer.ok && answer.status !== 503) unasked.set(answer.status, (unasked.get(answer.status) ?? 0) + 1);
      return answer.ok;
    } catch {
      return false;
    } finally {
      longestStall_ms = Math.max(longestStall_ms, performance.now() - began);
    }
  };
  /** As a phone does: again and again until it is acknowledged. */
  const persist = async (method, path, body) => {
    while (!(await send(method, path, body))) {
      if (over) return false;
      await sleep(50);
    }
    return true;
  };
  const started = newRun(ground, setup, spot, { startedAt: new Date().toISOString() });
  await persist('PUT', `/runs/${started.id}`, started);

  const writer = async (n) => {
    const deviceId = randomUUID();
    for (let count = 0; !over; count++) {
      if (n % 2 === 0) {
        const one = newSample(ground, spot);
        if (await persist('PUT', `/samples/${one.id}`, one)) acknowledged.samples.add(one.id);
      } else {
        const tap = bucketAt(0, null, { at: new Date().toISOString(), deviceId, deviceCount: count });
        if (await persist('POST', `/runs/${started.id}/events`, { events: [tap] })) acknowledged.taps.add(tap.id);
      }
      await sleep(5);
    }
  };
  const health = async () => {
    while (!over) {
      const began = performance.now();
      const up = await riffle.isUp();
      if (up) health_ms.push(performance.now() - began);
      await sleep(HEALTH_EVERY_MS);
    }
  };
  const work = [...Array(WRITERS).keys()].map(writer).concat(health());

  const blows = {
    server: async () => {
      await riffle.killServer();
      const began = performance.now();
      await riffle.start();
      return performance.now() - began;
    },
    database: async () => {
      riffle.killDatabase();
      const began = performance.now();
      // Seen within half a second; health says so until then.
      while ((await riffle.isUp()) && performance.now() - began < 1000) await sleep(10);
      await riffle.untilUp();
      return performance.now() - began;
    },
    both: async () => {
      riffle.killDatabase();
      return blows.server();
    },
    freeze: async () => {
      await riffle.freezeDatabase(2500 + random() * 1500);
      return riffle.untilUp();
    },
  };
  for (let i = 0; i < kills; i++) {
    await sleep(300 + random() * 1500);
    const kind = ['server', 'database', 'both', 'freeze'][Math.floor(random() * 4)];
    const took = await blows[kind]();
    away_ms.push(took);
    tell(`${i + 1} of ${kills}: ${kind}, back after ${took.toFixed(0)} ms`);
  }
  const full = await fillUp(riffle, () => acknowledged.samples.size);
  over = true;
  await Promise.all(work);

  const all = async (path) => {
    const items = [];
    for (let next = ''; next !== null;) {
      const answer = await fetch(`${riffle.address}/api/v1${path}?limit=1000${next && `&after=${next}`}`);
      const page = await answer.json();
      items.push(...page.items);
      next = page.next;
    }
    return items;
  };
  const samples = new Set((await all(`/grounds/${ground}/samples`)).map((s) => s.id));
  const taps = (await all(`/runs/${started.id}/events`)).map((e) => e.id);
  const [kept] = await all(`/grounds/${ground}/runs`);
  return {
    acknowledged: acknowledged.samples.size + acknowledged.taps.size,
    lost:
      [...acknowledged.samples].filter((s) => !samples.has(s)).length +
      [...acknowledged.taps].filter((t) => !taps.includes(t)).length,
    // Every tap is there once, and the tally that was grown tap by tap is the count of them all.
    doubled: taps.length - new Set(taps).size + Math.abs(kept.tally.buckets - taps.length),
    unasked: Object.fromEntries(unasked),
    away_ms,
    health_ms,
    longestStall_ms,
    full,
  };
}

/** Lets the home run out of room and gives it back. Only where the home lies on a file system of its own (`smallMB`). */
async function fillUp(riffle, written) {
  if (!riffle.small) return 'not tried';
  const ballast = join(riffle.home, 'ballast');
  try {
    spawnSync('dd', ['if=/dev/zero', `of=${ballast}`, 'bs=1M'], { stdio: 'ignore' });
    await sleep(3000);
  } finally {
    rmSync(ballast, { force: true });
  }
  await riffle.untilUp();
  const before = written();
  for (let i = 0; i < 200 && written() === before; i++) await sleep(100);
  return written() > before ? 'went on when there was room again' : 'did not go on';
}
