// A day at the creek gone wrong, drawn from a seed: signal lost, pages reloaded and closed, two tabs, server and database
// killed, clocks put back and forward. Whatever is on the screen is watched at every frame.
/* global dispatchEvent -- what is evaluated runs in the page */
import { setTimeout as sleep } from 'node:timers/promises';
import { seededRandom } from '@riffle/core';
import { newGround, newRig, newSetup, newSpot } from '../../server/test/records.ts';
import { watchScreen, whatIsKept } from './inThePage.mjs';

const STEPS = 14;
/** Two taps closer than this are taken for one, and should be. */
const BETWEEN_TAPS_MS = 560;
/** What one tab does is on the others' screens within this. */
const TOLD_WITHIN_MS = 1500;
/** What a tab does itself is on its own screen within this, on a machine that has other things to do. */
const SEEN_WITHIN_MS = 300;
/** Riffle is back within this, on such a machine. */
const AWAY_AT_MOST_MS = 60_000;

/** Asks until there is an answer. A database killed a moment ago may not be missed yet by the one who says whether all is up. */
async function untilAnswered(ask) {
  for (const giveUp = performance.now() + AWAY_AT_MOST_MS; performance.now() < giveUp; await sleep(50)) {
    const answer = await ask();
    if (answer !== null) return answer;
  }
  throw new Error(`No answer in ${AWAY_AT_MOST_MS / 1000} s.`);
}

/** A ground with one spot and a box set on it, ready to run. */
export async function makeGround(address, name) {
  const ground = newGround({ name });
  const spot = newSpot(ground.id, { name: 'Upper bar' });
  const rig = newRig({ name: `Box of ${name}` });
  const setup = newSetup(ground.id, rig.id);
  for (const [path, record] of Object.entries({ grounds: ground, spots: spot, rigs: rig, setups: setup }))
    await untilAnswered(async () => {
      const answer = await fetch(`${address}/api/v1/${path}/${record.id}`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(record),
      }).catch(() => null);
      if (answer && !answer.ok && answer.status !== 503) throw new Error(`${path} was refused: ${await answer.text()}`);
      return answer?.ok ? record : null;
    });
  return { ground: ground.id, spot: spot.id, setup: setup.id };
}

/**
 * Plays one seed. Answers what was done and every way in which the screen or the server fell short: an empty list is a day
 * on which nothing was lost, doubled or told falsely.
 */
export async function playSeed({ riffle, browser, seed, killing = true }) {
  const random = seededRandom(seed);
  const pick = (list) => list[Math.floor(random() * list.length)];
  const wrong = [];
  const done = [];
  await riffle.untilUp();
  const { ground, spot } = await makeGround(riffle.address, `Seed ${seed} Creek`);
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  /** Taps of every kind so far with the time they were made, and buckets that should stand. */
  const tapsAt = [];
  const kept = [];
  let buckets = 0;
  let allowed = { least: 0, most: 0 };
  let started = false;
  let serverDown = false;
  let offline = false;
  const tabs = [];
  const savedClaims = [];

  const expectBetween = (before, after) => {
    allowed = { least: Math.min(before, after), most: Math.max(before, after) };
  };
  const openTab = async () => {
    const page = await context.newPage();
    const tab = { page, name: `tab ${done.length}`, shown: null };
    await page.exposeBinding('chaosSees', (_source, text, at) => {
      const { count, saved, start } = JSON.parse(text);
      if (count !== null) {
        if (count < allowed.least || count > allowed.most)
          wrong.push(`${tab.name} shows ${count} after ${done.at(-1)}; ${allowed.least} to ${allowed.most} are true`);
        tab.shown = count;
      }
      if (start && started) wrong.push(`${tab.name} offers to start the run after ${done.at(-1)}`);
      if (saved && started) savedClaims.push({ tab: tab.name, at, after: done.at(-1) });
    });
    await page.addInitScript(watchScreen);
    await page.goto(`${riffle.address}/g/${ground}/run?spot=${spot}`, { waitUntil: 'domcontentloaded' });
    tabs.push(tab);
    return tab;
  };
  const live = (tab) => tab.page.getByRole('button', { name: /^Log bucket a full one/ });
  const settle = async () => {
    for (const tab of tabs) {
      const until = performance.now() + TOLD_WITHIN_MS + 4000;
      while (tab.shown !== buckets && performance.now() < until) await sleep(20);
      if (tab.shown !== buckets)
        wrong.push(`${tab.name} shows ${tab.shown} where ${buckets} are true, long after ${done.at(-1)}`);
    }
    expectBetween(buckets, buckets);
  };

  /** Whether what was said to be saved is: asked of the server, which may first have to be started again. */
  const checkClaims = async () => {
    if (serverDown || savedClaims.length === 0 || !(await riffle.isUp())) return;
    // What is said while the server answers may be true already and not in its answer: that is asked the next time.
    const claims = savedClaims.splice(0);
    const taps = await eventsOnServer();
    // Its database may have been killed since it was asked whether it is up: no answer is no answer.
    if (taps === null) {
      savedClaims.unshift(...claims);
      return;
    }
    for (const claim of claims) {
      const made = tapsAt.filter(
        (t) => t.at < claim.at - (t.by === claim.tab ? SEEN_WITHIN_MS : TOLD_WITHIN_MS),
      ).length;
      if (taps.length < made)
        wrong.push(`${claim.tab} says all is saved after ${claim.after}: ${taps.length} of ${made} taps are`);
    }
  };
  /** What the server answers; null where it cannot. */
  const get = async (path) => {
    const answer = await fetch(`${riffle.address}/api/v1${path}`).catch(() => null);
    return answer?.ok ? answer.json() : null;
  };
  const eventsOnServer = async () => {
    const runs = (await get(`/grounds/${ground}/runs?limit=1000`))?.items;
    if (!runs) return null;
    if (runs.length > 1) wrong.push(`the server has ${runs.length} runs`);
    if (!runs[0]) return [];
    return (await get(`/runs/${runs[0].id}/events?limit=1000`))?.items ?? null;
  };

  /** Made for certain only once the browser is through with it: until then a screen may well not show it. */
  const tapped = async (tab, click) => {
    const one = { at: Infinity, by: tab.name };
    tapsAt.push(one);
    await click();
    one.at = performance.timeOrigin + performance.now();
  };
  const tap = async (tab, button, change) => {
    expectBetween(buckets, buckets + change);
    await tapped(tab, () => button.click());
    buckets += change;
    await sleep(BETWEEN_TAPS_MS);
  };
  /** Something put right on the run's own slip. */
  const mend = async (tab, what) => {
    const open = tab.page.getByRole('button', { name: 'put right' });
    if ((await open.count()) === 0) return;
    await open.click();
    const sheet = tab.page.getByRole('dialog', { name: /^The run of/ });
    await what(sheet);
    await sheet.getByRole('button', { name: 'Close' }).click();
  };
  const actions = {
    bucket: { weight: 8, do: (tab) => tap(tab, live(tab), 1) },
    'a double tap': {
      weight: 1,
      do: async (tab) => {
        expectBetween(buckets, buckets + 1);
        await tapped(tab, () => live(tab).dblclick());
        buckets++;
        await sleep(BETWEEN_TAPS_MS);
      },
    },
    undo: {
      weight: 2,
      may: () => buckets > 0,
      // Its own, not that of a few words about what was put right.
      do: (tab) => tap(tab, tab.page.getByRole('main').getByRole('button', { name: 'Undo' }), -1),
    },
    'one was missed': {
      weight: 1,
      may: () => buckets > 0,
      do: (tab) =>
        mend(tab, async (sheet) => {
          await sheet.getByRole('button', { name: 'one was missed' }).click();
          await tap(tab, tab.page.getByRole('button', { name: 'Add it' }), 1);
        }),
    },
    'taken out in the list': {
      weight: 1,
      may: () => buckets > 0,
      do: (tab) =>
        mend(tab, async (sheet) => {
          const listed = sheet.getByRole('list', { name: 'Buckets of this run' }).getByRole('button');
          // Taps that have not reached this device cannot be put right on it.
          if ((await listed.count()) === 0) return;
          await listed.first().click();
          const bucket = tab.page.getByRole('dialog', { name: /^Bucket/ });
          await tap(tab, bucket.getByRole('button', { name: 'Take it out' }), -1);
        }),
    },
    'stop and run on': {
      weight: 1,
      do: async (tab) => {
        await tap(tab, tab.page.getByRole('button', { name: 'Stop', exact: true }), 0);
        await tap(tab, tab.page.getByRole('button', { name: 'Run on' }), 0);
        for (const each of tabs) await live(each).waitFor();
      },
    },
    'no signal': {
      weight: 2,
      may: () => !offline,
      do: async () => {
        offline = true;
        await context.setOffline(true);
      },
    },
    signal: {
      weight: 3,
      may: () => offline,
      do: async () => {
        offline = false;
        await context.setOffline(false);
      },
    },
    reload: {
      weight: 3,
      do: async (tab) => {
        tab.shown = null;
        await tab.page.reload({ waitUntil: 'domcontentloaded' });
      },
    },
    'tap and reload at once': {
      weight: 2,
      do: async (tab) => {
        expectBetween(buckets, buckets + 1);
        await tapped(tab, () => live(tab).click());
        buckets++;
        expectBetween(buckets, buckets);
        allowed.least = buckets - (tabs.length > 1 ? 1 : 0);
        tab.shown = null;
        await tab.page.reload({ waitUntil: 'domcontentloaded' });
      },
    },
    'another tab': { weight: 2, may: () => tabs.length < 2, do: () => openTab() },
    'tab closed': {
      weight: 2,
      may: () => tabs.length > 1,
      do: async (tab) => {
        tabs.splice(tabs.indexOf(tab), 1);
        await tab.page.close();
      },
    },
    'only tab closed and opened': {
      weight: 1,
      may: () => tabs.length === 1,
      do: async (tab) => {
        tabs.splice(0);
        await tab.page.close();
        await openTab();
      },
    },
    'clock step': {
      weight: 2,
      do: (tab) =>
        tab.page.evaluate(
          (ms) => localStorage.setItem('chaos-clock', String(Number(localStorage.getItem('chaos-clock') ?? 0) + ms)),
          pick([-600_000, 600_000, -3_600_000, 3000, -400]),
        ),
    },
    'server killed': {
      weight: 1,
      may: () => killing && !serverDown,
      do: async () => {
        serverDown = true;
        await riffle.killServer();
      },
    },
    'server started': {
      weight: 3,
      may: () => serverDown,
      do: async () => {
        await riffle.start();
        serverDown = false;
      },
    },
    'database killed': { weight: 1, may: () => killing && !serverDown, do: () => riffle.killDatabase() },
    'database frozen': { weight: 0.5, may: () => killing && !serverDown, do: () => riffle.freezeDatabase(3000) },
  };
  const next = () => {
    const may = Object.entries(actions).filter(([, a]) => a.may?.() ?? true);
    let at = random() * may.reduce((sum, [, a]) => sum + a.weight, 0);
    return may.find(([, a]) => (at -= a.weight) < 0) ?? may[0];
  };

  /** A lever is moved for a last stint; the box is lifted into tubs without signal, the page opened anew, the server killed; then the tubs are weighed, and it is all there once. */
  const evening = async () => {
    done.push('the evening');
    // A run that is weighed is over: the other tabs may offer the next.
    started = false;
    expectBetween(0, Infinity);
    const page = await context.newPage();
    await page.goto(`${riffle.address}/g/${ground}/run`, { waitUntil: 'domcontentloaded' });
    // A last stint: the head is raised, one more bucket goes in.
    await page.getByRole('button', { name: /^head \+/ }).click();
    await page.getByText('no bucket yet').waitFor();
    await page.getByRole('button', { name: /^Log bucket a full one/ }).click();
    await page.getByRole('img', { name: '1 buckets' }).waitFor();
    buckets++;
    await page.goto(`${riffle.address}/g/${ground}/clean`, { waitUntil: 'domcontentloaded' });
    const lift = page.getByRole('button', { name: 'Lift it into tubs, weigh later' });
    await lift.waitFor();
    await context.setOffline(true);
    await lift.click();
    await page.getByRole('button', { name: 'It is in the tubs' }).click();
    const weigh = page.getByRole('button', { name: 'Weigh these tubs' });
    await weigh.waitFor();
    await page.reload({ waitUntil: 'domcontentloaded' });
    await weigh.waitFor();
    if (killing) await riffle.killServer();
    await context.setOffline(false);
    await weigh.click();
    const golds = ['3.1', '2.2', '1.3'];
    for (const [i, gold] of golds.entries()) await page.getByLabel('Gold', { exact: true }).nth(i).fill(gold);
    await page.getByRole('button', { name: 'Write it in the book' }).click();
    if (killing) await riffle.start();
    await riffle.untilUp();
    await page.bringToFront();
    await page.evaluate(() => dispatchEvent(new Event('online')));
    await page.getByText('All saved').filter({ visible: true }).first().waitFor({ timeout: 40_000 });
    const [{ items: lifts }, { items: cleanups }, book] = await Promise.all(
      ['lifts', 'cleanups', 'book'].map((path) => untilAnswered(() => get(`/grounds/${ground}/${path}`))),
    );
    if (lifts.length !== 1 || lifts[0].tubs.length !== golds.length || lifts[0].runIds.length !== 2)
      wrong.push(`${lifts.length} lifts at the server, the first of ${lifts[0]?.runIds.length} stints`);
    if (cleanups.length !== 1) wrong.push(`${cleanups.length} clean-ups at the server`);
    if (book.total.gold_mg !== 6.6 || book.total.buckets !== buckets)
      wrong.push(`the book has ${book.total.gold_mg} mg of ${book.total.buckets} buckets; 6.6 of ${buckets} are true`);
    await page.close();
  };

  try {
    const first = await openTab();
    // The page is kept on the device before the signal goes, as it is after a first visit.
    await first.page.evaluate(() => navigator.serviceWorker.ready);
    await first.page.reload({ waitUntil: 'domcontentloaded' });
    await first.page.getByRole('button', { name: 'Start the run' }).click();
    await live(first).waitFor();
    await sleep(100);
    started = true;
    for (let step = 0; step < STEPS; step++) {
      const [name, action] = next();
      done.push(name);
      await action.do(pick(tabs));
      for (const tab of tabs) await live(tab).waitFor({ timeout: 20_000 });
      await settle();
      await checkClaims();
      if (wrong.length > 5) break;
    }
    done.push('all well again');
    if (serverDown) await actions['server started'].do();
    serverDown = false;
    await riffle.untilUp();
    await context.setOffline(false);
    for (const tab of tabs) {
      // A page without a tick of its own goes on by itself within half a minute; a person would look at it.
      await tab.page.bringToFront();
      await tab.page.evaluate(() => dispatchEvent(new Event('online')));
      await tab.page.getByText('All saved').filter({ visible: true }).first().waitFor({ timeout: 40_000 });
    }
    await checkClaims();
    const events = await untilAnswered(eventsOnServer);
    const undone = new Set(events.map((e) => e.undoes));
    const standing = events.filter((e) => e.kind === 'bucket' && !undone.has(e.id)).length;
    const tally = (await untilAnswered(() => get(`/grounds/${ground}/runs`))).items[0]?.tally;
    if (events.length !== tapsAt.length) wrong.push(`${tapsAt.length} taps made, ${events.length} at the server`);
    if (standing !== buckets || tally?.buckets !== buckets)
      wrong.push(`${buckets} buckets are true; the server has ${standing} and counts ${tally?.buckets}`);
    await settle();
    if (wrong.length === 0) await evening();
    // What a tab that tells something else goes by.
    if (wrong.length > 0) for (const tab of tabs) kept.push(await tab.page.evaluate(whatIsKept));
  } catch (error) {
    wrong.push(`after ${done.at(-1)}: ${String(error.message).split('\n')[0]}`);
    if (serverDown) await riffle.start().catch(() => undefined);
  } finally {
    await context.close();
  }
  return { seed, steps: done, taps: tapsAt.length, wrong, ...(kept.length > 0 && { kept }) };
}
