/* global window, requestAnimationFrame, WheelEvent, HTMLInputElement */
import { quantile, show } from './figures.mjs';
import { openBrowser } from './openBrowser.mjs';

/** The ribbon and the map of a ground with 5,000 signs: frames while zooming and dragging, and the search of its list. */
export async function manySigns(port) {
  const { v7 } = await import('uuid');
  const address = `http://localhost:${port}`;
  const { items } = await (await fetch(`${address}/api/v1/grounds`)).json();
  const ground = items.find((g) => g.name === 'Halloway Creek');
  const kinds = ['bar', 'bedrock', 'crevice', 'boulder lee', 'black sand', 'float', 'undercut', 'clay seam'];
  const sign = (i) => ({
    id: v7(),
    deleted: false,
    groundId: ground.id,
    kind: kinds[i % kinds.length],
    distance_m: (i * ground.length_m) / 5000,
    bank: ['left', 'mid', 'right'][i % 3],
    offset_m: (i * 7) % 30,
    position: null,
    seenAt: '2026-05-01T08:00:00.000Z',
    size_mm: null,
    sizeEntered: null,
    cover_m: null,
    coverEntered: null,
    traits: {},
    weight: null,
    comeBackWith: '',
    note: `number ${i}`,
    baseVersion: 0,
  });
  for (let i = 0; i < 5000; i += 20)
    await Promise.all(
      Array.from({ length: 20 }, (_, k) => {
        const one = sign(i + k);
        return fetch(`${address}/api/v1/signs/${one.id}`, {
          method: 'PUT',
          body: JSON.stringify(one),
          headers: { 'content-type': 'application/json' },
        });
      }),
    );
  const browser = await openBrowser();
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' });
  const page = await context.newPage();
  await page.addInitScript(() => localStorage.setItem('riffle-map-open', 'yes'));
  await page.goto(`${address}/g/${ground.id}/read`);
  await page.getByText(/5,?0\d\d signs/).waitFor({ timeout: 60_000 });
  await page.waitForTimeout(1500);
  const frames = async (target, step) => {
    await target.evaluate((e) => e.scrollIntoView({ block: 'center' }));
    const box = await target.boundingBox();
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.evaluate(() => {
      window.frames_ms = [];
      let last = performance.now();
      const tick = (now) => {
        window.frames_ms.push(now - last);
        last = now;
        window.framesOn && requestAnimationFrame(tick);
      };
      window.framesOn = true;
      requestAnimationFrame(tick);
    });
    for (let i = 0; i < 60; i++) {
      await step(i, box);
      await page.waitForTimeout(16);
    }
    return page.evaluate(() => {
      window.framesOn = false;
      return window.frames_ms.slice(2);
    });
  };
  const ribbon = page.getByRole('listbox');
  const handle = await ribbon.elementHandle();
  const still = await frames(ribbon, async () => {});
  const zoomed = await frames(ribbon, (i, b) =>
    handle.evaluate(
      (e, [deltaY, x, y]) => {
        e.dispatchEvent(
          new WheelEvent('wheel', { ctrlKey: true, deltaY, clientX: x, clientY: y, bubbles: true, cancelable: true }),
        );
      },
      [i < 30 ? -30 : 30, b.x + 500, b.y + 60],
    ),
  );
  show(
    'ribbon of 5,000 signs, zooming: a frame, p95',
    quantile(zoomed, 0.95),
    'ms',
    'the same page at rest, p95',
    quantile(still, 0.95),
  );
  const map = page.getByRole('group', { name: /^Map of/ });
  const panned = await frames(map, (i, b) =>
    i === 0 ? page.mouse.down() : page.mouse.move(b.x + b.width / 2 + 3 * i, b.y + b.height / 2 + i),
  );
  await page.mouse.up();
  show(
    'map of 5,000 signs, dragged: a frame, p95',
    quantile(panned, 0.95),
    'ms',
    'the same page at rest, p95',
    quantile(still, 0.95),
  );
  const wheeled = await frames(map, (i) => page.mouse.wheel(0, i < 30 ? -60 : 60));
  show(
    'map of 5,000 signs, zoomed: a frame, p95',
    quantile(wheeled, 0.95),
    'ms',
    'the same page at rest, p95',
    quantile(still, 0.95),
  );
  const typed = await page.getByLabel('Find among the signs').evaluate(async (field) => {
    const times = [];
    const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set;
    for (const word of ['n', 'nu', 'num', 'number 4', 'number 49', 'number 499', '']) {
      const began = performance.now();
      set.call(field, word);
      field.dispatchEvent(new Event('input', { bubbles: true }));
      await new Promise((resolve) => {
        const c = new MessageChannel();
        c.port1.onmessage = resolve;
        requestAnimationFrame(() => c.port2.postMessage(0));
      });
      times.push(performance.now() - began);
      await new Promise((resolve) => setTimeout(resolve, 200));
    }
    return times;
  });
  show(
    'a letter typed into the search of 5,000 signs: painted after, median',
    quantile(typed, 0.5),
    'ms',
    'one frame',
    16.7,
  );
  await browser.close();
}
