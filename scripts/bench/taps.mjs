// npm run bench:taps [-- run]: how long after a tap the screen answers, on a phone four times slower, with 5,000 things waiting to be sent.
// From the lifting of the finger to the paint that follows, as the browser's own event timing tells it (in steps of 8 ms).
// No finger comes and goes in one instant, as a synthetic tap does: it rests a moment, and what a touch sets going is done by then.
/* global indexedDB, document -- evaluated in the page */
import { setTimeout as sleep } from 'node:timers/promises';
import { v7 as uuidv7 } from 'uuid';
import { ONLY_CREW_ID as CREW_ID } from '../../server/src/db/crew.ts';
import { newRun, newSample } from '../../server/test/records.ts';
import { freePort } from '../cluster.mjs';
import { startThrowaway } from '../e2eServer.mjs';
import { CHROMIUM, ensureChromium } from '../setup.mjs';

const WAITING = 5000;
const SLOWER = 4;
const TAPS = 24;
/** Shorter than people's taps are: from memory, 60 to 100 ms. */
const FINGER_RESTS_MS = 50;

ensureChromium();
const riffle = await startThrowaway(await freePort());
const { chromium } = await import('@playwright/test');
const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: ['--disable-dev-shm-usage', ...(process.getuid() === 0 ? ['--no-sandbox'] : [])],
});
const list = async (path) => (await (await fetch(`${riffle.address}/api/v1${path}`)).json()).items;
const ground = (await list('/grounds')).find((g) => g.name === 'Halloway Creek');
const spot = (await list(`/grounds/${ground.id}/spots`)).find((s) => s.name === 'Otter bar');

const context = await browser.newContext({
  viewport: { width: 390, height: 844 },
  hasTouch: true,
  isMobile: true,
  serviceWorkers: 'block',
});
const page = await context.newPage();
await page.addInitScript(() => {
  globalThis.tapTimes = [];
  new PerformanceObserver((l) => {
    for (const e of l.getEntries()) if (e.name === 'click') globalThis.tapTimes.push(e.duration);
  }).observe({ type: 'event', durationThreshold: 16 });
});
await page.goto(`${riffle.address}/g/${ground.id}/read`);
await page.getByRole('heading', { level: 1 }).waitFor();
const setup = (await list(`/grounds/${ground.id}/setups`)).at(-1);
const HOUR_MS = 3_600_000;
/** Days at the box without a signal, the last of them today: a run each, of so many buckets. */
const BUCKETS_A_DAY = 150;
const days = Array.from({ length: Math.ceil(WAITING / BUCKETS_A_DAY) }, (_, i) => Date.now() - (24 * i + 10) * HOUR_MS);
const runs = days.map((begun_ms) =>
  newRun(ground.id, setup.id, spot.id, { startedAt: new Date(begun_ms).toISOString() }),
);
for (const run of runs)
  await fetch(`${riffle.address}/api/v1/runs/${run.id}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(run),
  });
// What is written from here on does not get through.
await page.route('**/api/v1/**', (route) => (route.request().method() === 'GET' ? route.continue() : route.abort()));
const entryOf = (write) => ({ ...write, writeId: uuidv7(), crewId: CREW_ID });
const SAMPLES = Array.from({ length: WAITING }, () =>
  entryOf({ what: 'record', kind: 'samples', record: newSample(ground.id, spot.id, { id: uuidv7(), baseVersion: 0 }) }),
);
const deviceId = uuidv7();
// Stopped in the evening, all but today's: one run is open.
const BUCKETS = runs.flatMap((run, day) =>
  Array.from({ length: BUCKETS_A_DAY + (day > 0 ? 1 : 0) }, (_, i) => {
    const isStop = i === BUCKETS_A_DAY;
    return entryOf({
      what: 'events',
      runId: run.id,
      groundId: ground.id,
      events: [
        {
          id: uuidv7(),
          kind: isStop ? 'stop' : 'bucket',
          at: new Date(days[day] + i * 200_000).toISOString(),
          spotId: isStop ? null : spot.id,
          volume_L: isStop ? null : 20,
          fullness: isStop ? null : 'full',
          undoes: null,
          deviceId,
          deviceCount: (runs.length - day) * (BUCKETS_A_DAY + 1) + i,
        },
      ],
    });
  }),
);
/** Has these wait to be sent, and nothing else. */
const haveWait = (these) =>
  page.evaluate(
    (writes) =>
      new Promise((resolve, reject) => {
        const opening = indexedDB.open('riffle-device');
        opening.onsuccess = () => {
          const tx = opening.result.transaction('outbox', 'readwrite');
          tx.objectStore('outbox').clear();
          for (const write of writes) tx.objectStore('outbox').add({ write, faults: 0, refused: null, landed: null });
          tx.oncomplete = () => resolve();
          tx.onerror = () => reject(tx.error);
        };
      }),
    these,
  );
const cdp = await context.newCDPSession(page);

/** Each screen of the field, and what is tapped on it again and again. */
const SCREENS = {
  'Read: a spot picked': ['read', () => page.getByRole('button', { name: /^\d+ ?(Two Boulders|Slate step)/ })],
  'Sample: a color more': [`sample?spot=${spot.id}`, () => page.getByRole('button', { name: /^One .*more|more$/i })],
  'Walk: a kind of sign opened and closed': ['walk', () => page.getByRole('button', { name: /^Sign/ })],
  'Day: ten minutes more': ['day', () => page.getByRole('button', { name: /^Ten minutes more/ })],
  'Run: a bucket more': ['run', () => page.getByRole('button', { name: 'Log bucket a full one' })],
};
/** Taps it again and again on the slow phone, and answers how long each took to be seen, shortest first. */
async function tapOften(button, afterwards = () => undefined) {
  await button.scrollIntoViewIfNeeded();
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
  await page.evaluate(() => (globalThis.tapTimes.length = 0));
  for (let i = 0; i < TAPS; i++) {
    const box = await button.boundingBox();
    if (!box) throw new Error('What is tapped is gone.');
    const touchPoints = [{ x: box.x + box.width / 2, y: box.y + box.height / 2 }];
    await cdp.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints });
    await sleep(FINGER_RESTS_MS);
    await cdp.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
    await sleep(600);
    await afterwards();
  }
  await sleep(800);
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: 1 });
  return (await page.evaluate(() => globalThis.tapTimes)).sort((a, b) => a - b);
}
const says = (times) => {
  const at = (share) => times[Math.min(times.length - 1, Math.floor(share * times.length))] ?? 0;
  return `answered within ${at(0.5)} ms (median), ${at(0.95)} ms (p95) of ${times.length}`;
};

let inWait = null;
const only = process.argv[2];
// What the machine itself takes today: no screen can be quicker.
await page.goto('about:blank');
await page.setContent('<button style="font-size: 40px" onclick="this.textContent += 1">0</button>');
console.log(`A page with nothing on it: ${says(await tapOften(await page.getByRole('button').elementHandle()))}`);
await page.goto(`${riffle.address}/g/${ground.id}/read`);
await page.getByRole('heading', { level: 1 }).waitFor();
for (const [name, [path, target]] of Object.entries(SCREENS)) {
  if (only && !path.startsWith(only)) continue;
  const these = path === 'run' ? BUCKETS : SAMPLES;
  if (inWait !== these) await haveWait(these);
  inWait = these;
  await page.goto(`${riffle.address}/g/${ground.id}/${path}`);
  await page.getByRole('heading', { level: 1 }).first().waitFor();
  await sleep(4000);
  const waits = await page.evaluate(
    () => document.body.innerText.match(/([\d,]+) waits? for signal/)?.[1] ?? 'none told',
  );
  // Found once: looking for it again and again by its name would be work of the page that no finger asks for.
  const button = (await target().count()) > 0 ? await target().first().elementHandle() : null;
  if (!button) {
    console.log(`${name}: nothing to tap (${waits} wait)`);
    continue;
  }
  const times = await tapOften(button, () => path === 'walk' && page.keyboard.press('Escape'));
  console.log(`${name}: ${waits} wait; ${says(times)}; target ${path === 'run' ? 50 : 100} ms`);
}
await browser.close();
await riffle.stop();
