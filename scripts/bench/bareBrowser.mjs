// A browser driven over its own pipe with three commands and nothing watching: a test driver's scripts and its ear on the
// network cost a slow phone a quarter of a second of its own.
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';

/** What the page tells of its opening, ms after the address was given. The largest text drawn is the judgement and what it rests on. */
const TIMES = `new Promise((done) => {
  const drawn = [];
  new PerformanceObserver((list) => drawn.push(...list.getEntries())).observe({ type: 'largest-contentful-paint', buffered: true });
  setTimeout(() => {
    const ran = performance.getEntriesByName('scripts run')[0]?.startTime ?? 0;
    const scripts = performance.getEntriesByType('resource').filter((r) => r.name.endsWith('.js') && r.responseEnd <= ran);
    done({
      document: performance.getEntriesByType('navigation')[0].responseEnd,
      scripts: Math.max(0, ...scripts.map((r) => r.responseEnd)),
      ran,
      drawn: drawn.at(-1)?.startTime ?? NaN,
      shows: document.body.innerText,
    });
  }, 200);
})`;

/** Starts Chromium. `open(address, { offline, fresh, install })` opens a page as a phone four times slower than this machine and tells its times. */
export async function startBareBrowser(executable) {
  const profile = mkdtempSync(join(tmpdir(), 'riffle-browser-'));
  const child = spawn(
    executable,
    [
      '--headless=new',
      '--remote-debugging-pipe',
      `--user-data-dir=${profile}`,
      '--no-first-run',
      '--disable-gpu',
      '--disable-dev-shm-usage',
      '--disable-background-networking',
      ...(process.getuid() === 0 ? ['--no-sandbox'] : []),
    ],
    { stdio: ['ignore', 'ignore', 'ignore', 'pipe', 'pipe'] },
  );
  const waiting = new Map();
  let text = '';
  child.stdio[4].setEncoding('utf8').on('data', (chunk) => {
    const messages = (text + chunk).split('\0');
    text = messages.pop();
    for (const m of messages.map((each) => JSON.parse(each))) {
      const settle = waiting.get(m.id);
      waiting.delete(m.id);
      if (m.error) settle?.reject(new Error(m.error.message));
      else settle?.resolve(m.result);
    }
  });
  let last = 0;
  const send = (method, params = {}, sessionId = undefined) =>
    new Promise((resolve, reject) => {
      waiting.set(++last, { resolve, reject });
      child.stdio[3].write(`${JSON.stringify({ id: last, method, params, sessionId })}\0`);
    });
  return {
    async open(address, { offline = false, fresh = false, install = false } = {}) {
      const { browserContextId } = fresh ? await send('Target.createBrowserContext') : {};
      const { targetId } = await send('Target.createTarget', { url: 'about:blank', browserContextId });
      const { sessionId } = await send('Target.attachToTarget', { targetId, flatten: true });
      const phone = { width: 390, height: 844, deviceScaleFactor: 3, mobile: true };
      await send('Emulation.setDeviceMetricsOverride', phone, sessionId);
      await send('Emulation.setCPUThrottlingRate', { rate: 4 }, sessionId);
      if (offline) {
        const none = { offline: true, latency: 0, downloadThroughput: -1, uploadThroughput: -1 };
        await send('Network.enable', {}, sessionId);
        await send('Network.emulateNetworkConditions', none, sessionId);
      }
      await send('Page.navigate', { url: address }, sessionId);
      await sleep(5000);
      // The worker is there once all of the page is kept.
      if (install)
        await send('Runtime.evaluate', { expression: 'navigator.serviceWorker.ready', awaitPromise: true }, sessionId);
      const asked = { expression: TIMES, awaitPromise: true, returnByValue: true };
      const { result } = await send('Runtime.evaluate', asked, sessionId);
      if (fresh) await send('Target.disposeBrowserContext', { browserContextId });
      else await send('Target.closeTarget', { targetId });
      return result.value;
    },
    async stop() {
      const gone = new Promise((resolve) => child.once('exit', resolve));
      child.kill();
      await gone;
      rmSync(profile, { recursive: true, force: true, maxRetries: 5 });
    },
  };
}
