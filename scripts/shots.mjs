// npm run shots: one picture of each main view, made from the demo, into docs/screenshots/.
// Names pick some of them; --to DIR puts them elsewhere; --light sun|headlamp, --US change how they look.
import { mkdirSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { freePort } from './cluster.mjs';
import { startThrowaway } from './e2eServer.mjs';
import { CHROMIUM, ensureChromium, giveUp, root } from './setup.mjs';

const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };
const HALLOWAY = 'Halloway Creek';
const BENCH = 'Tin Kettle Bench';
const WASH = 'Dry Harrier Wash';
const STRAND = 'Saltgrass Strand';
/** A morning in the demo's season, the day after the river was last read; the island keeps GMT-2. */
const MORNING = '2026-07-28T09:20:00Z';

/** Each view: its size, where it is, and what a person did there before the picture. */
const VIEWS = {
  day: { size: DESK, at: 'day', now: MORNING, act: dayPlanned },
  read: { size: DESK, at: 'read', now: MORNING, spot: 'Otter bar', act: seeTheRest },
  map: { size: DESK, at: 'read', now: MORNING, spot: 'Otter bar', act: unfoldMap },
  sample: { size: DESK, at: 'sample', spot: 'Slate step', act: countColors },
  bags: { size: DESK, at: 'sample/bags', ground: BENCH },
  pits: { size: DESK, at: 'sample/pits', spot: 'Otter bar' },
  meaning: { size: DESK, at: 'sample/meaning', spot: 'Otter bar' },
  'in-place': { size: DESK, at: 'sample/in-place', ground: BENCH, act: (page) => page.waitForTimeout(2500) },
  set: { size: DESK, at: 'set', act: windowDrawn },
  washer: { size: DESK, at: 'set', ground: WASH, act: washerWeighed },
  shore: { size: DESK, at: 'read', ground: STRAND, now: MORNING, act: shoreInHeight },
  clean: { size: DESK, at: 'clean', now: MORNING, act: weighSections },
  finish: { size: DESK, at: 'clean/finish', ground: WASH, act: jarInHand },
  books: { size: DESK, at: 'books', act: (page) => page.waitForTimeout(1200) },
  sure: { size: DESK, at: 'sure' },
  'read-phone': { size: PHONE, at: 'read', now: MORNING, spot: 'Otter bar', act: seeTheRest },
  'sample-phone': { size: PHONE, at: 'sample', spot: 'Slate step', act: countColors },
  'walk-phone': { size: PHONE, at: 'walk', now: MORNING, act: walkHere },
  'run-phone': { size: PHONE, at: 'run', before: openRun, light: 'sun' },
};

const args = process.argv.slice(2);
const option = (name) => {
  const i = args.indexOf(name);
  return i < 0 ? undefined : args.splice(i, 2)[1];
};
const to = resolve(option('--to') ?? join(root, 'docs', 'screenshots'));
const light = option('--light');
const us = args.includes('--US');
const names = args.filter((a) => !a.startsWith('--'));
for (const name of names)
  if (!(name in VIEWS)) giveUp(`There is no view “${name}”. Views: ${Object.keys(VIEWS).join(', ')}.`);

ensureChromium();
mkdirSync(to, { recursive: true });
const riffle = await startThrowaway(await freePort());
const { chromium } = await import('@playwright/test');
const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: [
    '--disable-dev-shm-usage',
    '--disable-background-networking',
    ...(process.getuid() === 0 ? ['--no-sandbox'] : []),
  ],
});
const api = async (method, path, body) => {
  const answer = await fetch(`${riffle.address}/api/v1${path}`, {
    method,
    ...(body && { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
  });
  if (!answer.ok) throw new Error(`${method} ${path}: ${await answer.text()}`);
  return answer.json();
};
const grounds = (await api('GET', '/grounds')).items;
const ground = grounds.find((g) => g.name === HALLOWAY);
const spots = (await api('GET', `/grounds/${ground.id}/spots`)).items;
const spotId = (name) => spots.find((s) => s.name === name).id;

try {
  for (const [name, view] of Object.entries(VIEWS)) {
    if (names.length > 0 && !names.includes(name)) continue;
    const undo = await view.before?.();
    const context = await browser.newContext({
      viewport: view.size,
      deviceScaleFactor: 1,
      serviceWorkers: 'block',
      timezoneId: 'Etc/GMT+2',
    });
    const page = await context.newPage();
    if (view.now) await page.clock.setFixedTime(new Date(view.now));
    const on = view.ground ? grounds.find((g) => g.name === view.ground) : ground;
    page.on('pageerror', (error) => console.error(`${name}: ${error.message}`));
    const display = us ? { system: 'US', gold: 'grain', grade: 'grain/yd³' } : undefined;
    await page.addInitScript((p) => localStorage.setItem('riffle-preferences', JSON.stringify(p)), {
      light: light ?? view.light ?? 'shade',
      pricePerGram: 70,
      money: 'crowns',
      ...(display && { display }),
    });
    await page.goto(
      `${riffle.address}${view.path ?? `/g/${on.id}/${view.at}${view.spot ? `?spot=${spotId(view.spot)}` : ''}`}`,
    );
    await page.getByRole('heading', { level: 1 }).waitFor();
    // A heading may stand there while lists are on their way, and go again.
    await page.waitForLoadState('networkidle');
    await page
      .getByRole('heading', { level: 1 })
      .filter({ hasNotText: /^Fetching/ })
      .first()
      .waitFor();
    await page.evaluate('document.fonts.ready');
    await view.act?.(page);
    await page.waitForTimeout(500);
    await page.screenshot({ path: join(to, `${name}.png`) });
    console.log(join(to, `${name}.png`));
    await context.close();
    await undo?.();
  }
} finally {
  await browser.close();
  await riffle.stop();
}

// The planner looks for a while; the picture is of what it found.
async function dayPlanned(page) {
  await page.getByRole('button', { name: /^1\. / }).waitFor();
  await page.getByText('stop here').waitFor({ state: 'hidden', timeout: 60_000 });
}

// What lies below the first sight comes a moment later.
async function seeTheRest(page) {
  await page.getByRole('heading', { name: 'Worth a pan' }).waitFor();
}

// A beach's heights stand below its ribbon.
async function shoreInHeight(page) {
  const drawing = page.getByRole('img', { name: /^Heights along / });
  await drawing.waitFor();
  await drawing.evaluate((e) => e.scrollIntoView({ block: 'end' }));
  await page.mouse.wheel(0, 60);
}

// Where no position is to be had one says where one is.
async function walkHere(page) {
  const where = page.getByRole('group', { name: 'Where you stand' });
  await where.getByRole('button', { name: 'the foot' }).click();
  for (let i = 0; i < 2; i++) await where.getByRole('button', { name: /^on 20/ }).click();
  await page.getByRole('img', { name: /^Ahead: / }).waitFor();
}

async function unfoldMap(page) {
  await page.getByRole('button', { name: /open the map/ }).click();
  const map = page.getByRole('group', { name: /^Map of/ });
  await map.locator('canvas').first().waitFor();
  await map.evaluate((e) => e.scrollIntoView({ block: 'center' }));
  await page.waitForTimeout(900);
}

async function countColors(page) {
  await page.getByLabel('Depth below the surface', { exact: true }).fill('0.4');
  await page.getByLabel('How much you panned', { exact: true }).fill('3');
  await page.getByRole('radio', { name: 'Black sand 2 of 4' }).click();
  for (const [size, count] of [
    ['20–40', 3],
    ['−40', 9],
  ])
    for (let i = 0; i < count; i++) await page.getByRole('button', { name: `One more ${size}` }).click();
  await page.evaluate('scrollTo(0, 0)');
}

/** The window is drawn anew, fine, a moment after the sentence. */
async function windowDrawn(page) {
  await page.getByText('Set so, you may err by').waitFor();
  await page.waitForTimeout(1500);
}

async function weighSections(page) {
  // The sections are those of the box that was run: they stand when its run does.
  await page.getByRole('checkbox', { name: /buckets/ }).waitFor();
  // Nothing is typed before what it should hold is sealed: the picture shows it opened.
  await page.getByText(/^What it should hold is sealed/).waitFor();
  const fields = page.getByLabel('Gold', { exact: true });
  const golds = ['71.5', '12.2', '2.1'];
  for (let i = 0; i < Math.min(3, await fields.count()); i++) await fields.nth(i).fill(golds[i]);
  await page.evaluate('scrollTo(0, 0)');
}

/** The washer as it ran last; the window is drawn anew, fine, a moment after the sentence. */
async function washerWeighed(page) {
  await page.getByRole('img', { name: /^The window/ }).waitFor();
  await page.waitForTimeout(3500);
}

async function jarInHand(page) {
  await page.getByRole('button', { name: 'Go on with Caliche, minus 30' }).click();
  await page.getByText('Your mark for it').waitFor();
  await page.evaluate('scrollTo(0, 0)');
}

/** A run under way: seven buckets, the last two minutes ago. Answers how to end it again. */
async function openRun() {
  const { v7 } = await import('uuid');
  const setup = (await api('GET', `/grounds/${ground.id}/setups`)).items.at(-1);
  const start = Date.now() - 72 * 60_000;
  const run = {
    id: v7(),
    deleted: false,
    groundId: ground.id,
    setupId: setup.id,
    spotId: spotId('Otter bar'),
    startedAt: new Date(start).toISOString(),
    bucket_L: setup.bucket_L,
    bucketEntered: setup.bucketEntered,
    note: '',
    baseVersion: 0,
  };
  await api('PUT', `/runs/${run.id}`, run);
  const events = [10, 19.5, 31, 41, 50.5, 61, 70].map((minute, i) => ({
    id: v7(),
    kind: 'bucket',
    at: new Date(start + minute * 60_000).toISOString(),
    spotId: run.spotId,
    volume_L: setup.bucket_L * (i === 6 ? 2 / 3 : 1),
    fullness: i === 6 ? '2/3' : 'full',
    undoes: null,
  }));
  await api('POST', `/runs/${run.id}/events`, { events });
  return () => api('PUT', `/runs/${run.id}`, { ...run, deleted: true, baseVersion: 1 });
}
