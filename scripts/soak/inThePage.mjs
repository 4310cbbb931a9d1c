// What the days of chaos have evaluated in the page.
/* global indexedDB, document, requestAnimationFrame, MutationObserver */

/** In the page: a clock that can be put back, and a look at the screen at every frame in which something on it changed. */
export function watchScreen() {
  const RealDate = Date;
  const shift = () => Number(localStorage.getItem('chaos-clock') ?? 0);
  globalThis.Date = class extends RealDate {
    constructor(...given) {
      if (given.length === 0) super(RealDate.now() + shift());
      else super(...given);
    }
    static now() {
      return RealDate.now() + shift();
    }
  };
  let last = '';
  let awaited = false;
  const look = () => {
    awaited = false;
    const count = /^(\d+) buckets$/.exec(
      document.querySelector('[role=img][aria-label$=" buckets"]')?.getAttribute('aria-label') ?? '',
    )?.[1];
    const text = document.body?.innerText ?? '';
    const seen = JSON.stringify({
      count: count === undefined ? null : Number(count),
      saved: text.includes('All saved'),
      start: text.includes('Start the run'),
    });
    if (seen !== last) {
      last = seen;
      // By a clock that nobody puts back; read here, since word of it may be late on a busy machine.
      globalThis.chaosSees(seen, performance.timeOrigin + performance.now());
    }
  };
  new MutationObserver(() => {
    if (!awaited) requestAnimationFrame(look);
    awaited = true;
  }).observe(document, { subtree: true, childList: true, characterData: true, attributes: true });
}

/** In a page: the runs and taps this device keeps, and what waits. */
export async function whatIsKept() {
  const db = await new Promise((resolve, reject) => {
    const opening = indexedDB.open('riffle-device');
    opening.onsuccess = () => resolve(opening.result);
    opening.onerror = () => reject(opening.error);
  });
  const all = (store, keys) =>
    new Promise((resolve) => {
      const asked = db.transaction(store).objectStore(store)[keys ? 'getAllKeys' : 'getAll']();
      asked.onsuccess = () => resolve(asked.result);
    });
  const names = await all('lists', true);
  const lists = (await all('lists', false)).map((list, i) => ({ name: names[i], ...list }));
  const told = {
    lists: lists.filter((l) => /"(events|runs)"/.test(l.name)),
    outbox: await all('outbox', false),
    said: document.querySelector('h1')?.textContent,
    shown: document.querySelector('[role=img][aria-label*=bucket]')?.getAttribute('aria-label'),
  };
  db.close();
  return told;
}
