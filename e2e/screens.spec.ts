import axe from 'axe-core';

import { expect, test, type Page } from '@playwright/test';
import { judgement, openCreek, openHalloway, placeOf, SAMPLE_ROOMS, spotLine, toRoom, toStage } from './job.ts';

const STAGES = ['Read', 'Sample', 'Set', 'Run', 'Clean', 'Books'] as const;

/** How far the page moved things up or down on its own since it was opened, px at most, and what they were. */
const movedOnItsOwn = (page: Page): Promise<{ most_px: number; moves: string[] }> =>
  page.evaluate(
    () =>
      new Promise((done) => {
        type Move = PerformanceEntry & {
          hadRecentInput: boolean;
          sources: { node: Node | null; previousRect: DOMRect; currentRect: DOMRect }[];
        };
        new PerformanceObserver((list) => {
          const moves = (list.getEntries() as Move[])
            .filter((m) => !m.hadRecentInput)
            .flatMap((m) => m.sources)
            // What came into sight or went out of it has one place, not two.
            .filter(({ previousRect, currentRect }) => previousRect.height > 0 && currentRect.height > 0)
            // Words alone are aimed at by nobody: a paragraph, or those that go to the next line of their sentence.
            .filter(({ node }) => !(node instanceof HTMLParagraphElement) || node.querySelector('a, button') !== null)
            .filter(({ node }) => !(node instanceof Text) || node.parentElement?.closest('a, button, label') != null)
            .map(({ node, previousRect, currentRect }) => ({
              by_px: Math.abs(currentRect.top - previousRect.top),
              what:
                node instanceof Element ? `${node.tagName}.${node.className.toString()}` : (node?.textContent ?? ''),
            }));
          done({
            most_px: Math.max(0, ...moves.map((m) => m.by_px)),
            moves: moves.filter((m) => m.by_px > 1).map((m) => `${Math.round(m.by_px)} px ${m.what}`),
          });
        }).observe({ type: 'layout-shift', buffered: true });
        // Nothing moved at all: nothing is told.
        setTimeout(() => done({ most_px: 0, moves: [] }), 500);
      }),
  );

test('nothing moves under a finger when an answer comes: its room is kept', async ({ page }) => {
  test.setTimeout(480_000);
  const { items } = (await (await page.request.get('/api/v1/grounds')).json()) as {
    items: { id: string; name: string }[];
  };
  const ids = new Map(items.map((g) => [g.name, g.id]));
  // Where nothing is known yet, what is known elsewhere must not leave its room behind.
  ids.set('Bare Branch', await openCreek(page, 'Bare Branch'));
  // As over a poor line: what is asked for comes after what is there at once is drawn.
  await page.route(/\/api\/v1\//, async (route) => {
    await new Promise((later) => setTimeout(later, 700));
    await route.continue();
  });
  const poor: unknown[] = [];
  for (const name of ['Halloway Creek', 'Saltgrass Strand', 'Bare Branch'])
    for (const [room, answer] of [
      ['read', /next|Work|Best so far/],
      ['sample', /Which spot/],
      ['set', /^Leave it|^Raise|^Lower|works/],
      ['day', / at \d|change your hours|fall/],
    ] as const) {
      await page.goto(`/g/${ids.get(name)}/${room}`);
      await expect(judgement(page)).toHaveText(answer);
      await page.waitForTimeout(1000);
      const moved = await movedOnItsOwn(page);
      // A main button is 56 px high: what a thumb aimed at is still under it. On Set, where all is weighed anew at each
      // change, less than half of a small one: gone by that between press and release, it was not pressed.
      if (moved.most_px >= (room === 'set' ? 22 : 56)) poor.push([name, room, moved]);
    }
  expect(poor).toEqual([]);
});

test('a page opened at its address has its scripts and its first word with its document', async ({ page }) => {
  const { items } = (await (await page.request.get('/api/v1/grounds')).json()) as {
    items: { id: string; name: string }[];
  };
  const id = items.find((g) => g.name === 'Halloway Creek')?.id;
  // No other answer comes.
  await page.route(/\/api\/v1\//, () => undefined);
  for (const [at, screen, answer] of [
    ['day', 'DayScreen', / at \d|change your hours|fall|back/],
    ['walk', 'WalkScreen', /./],
    ['sample', 'PanScreen', /Which spot/],
    ['sample/table', 'TableScreen', /samples/],
    ['set', 'SetStage', /^Leave it|^Raise|^Lower|works/],
    ['run', 'RunStage', /gravel|bucket/],
    ['clean', 'CleanScreen', /./],
    ['books', 'BooksStage', /out of/],
  ] as const) {
    const document = await (await page.request.get(`/g/${id}/${at}`)).text();
    expect(document.split('</head>')[0]).toMatch(new RegExp(`modulepreload" crossorigin href="/assets/${screen}-`));
    await page.goto(`/g/${id}/${at}`);
    await expect(judgement(page)).toHaveText(answer);
    await expect(judgement(page)).not.toHaveText(/^Fetching/);
  }
});

type Axe = typeof axe;
/** Lights change colors alone: a screen is looked at whole in the first, for its contrast in the others. One is enough on the phone. */
const LIGHTS = { desk: ['shade', 'sun', 'headlamp'], phone: ['sun'] } as const;

/** Looks at the page with axe as it stands, in each light. */
async function scannerOf(page: Page, project: string): Promise<(where: string) => Promise<void>> {
  // No color is looked at half way from one light to the next.
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await page.addInitScript(axe.source);
  const [first, ...others] = LIGHTS[project as keyof typeof LIGHTS];
  await page.addInitScript((light) => {
    localStorage.setItem('riffle-preferences', JSON.stringify({ light }));
  }, first);
  const violations = (light: string, rules: readonly string[]) =>
    page.evaluate(
      async ([light, rules]) => {
        document.documentElement.dataset['light'] = light;
        const { axe } = globalThis as unknown as { axe: Axe };
        const found = await axe.run({
          resultTypes: ['violations'],
          ...(rules.length > 0 && { runOnly: { type: 'rule', values: [...rules] } }),
        });
        return found.violations.map((v) => [v.id, ...v.nodes.slice(0, 3).map((n) => n.html.slice(0, 160))]);
      },
      [light, rules] as const,
    );
  return async (where) => {
    await expect(judgement(page)).toBeVisible();
    await expect(judgement(page)).not.toHaveText(/^Fetching/);
    for (const light of others)
      expect([where, light, ...(await violations(light, ['color-contrast']))]).toEqual([where, light]);
    expect([where, first, ...(await violations(first, []))]).toEqual([where, first]);
  };
}

test('axe finds nothing on dry ground and on a beach, in any light', async ({ page }, info) => {
  test.setTimeout(480_000);
  const scan = await scannerOf(page, info.project.name);
  const { items } = (await (await page.request.get('/api/v1/grounds')).json()) as {
    items: { id: string; name: string }[];
  };
  const ground = (name: string): string => items.find((g) => g.name === name)?.id ?? '';
  await page.goto(`/g/${ground('Dry Harrier Wash')}/set`);
  await expect(page.getByText('Dry washer “The bellows”')).toBeVisible();
  await expect(page.getByLabel('Puffs a minute')).toBeVisible();
  await scan('The washer');
  await page.goto(`/g/${ground('Saltgrass Strand')}/read`);
  await expect(page.getByRole('heading', { name: 'The shore in height' })).toBeVisible();
  await scan('A beach');
  await page.getByRole('button', { name: /^(Swell|Sea not read)/ }).click();
  await page.getByRole('radio', { name: 'a storm at its height' }).click();
  await expect(
    page
      .getByText('The berm afterwards')
      .or(page.getByRole('radio', { name: 'was cut' }))
      .first(),
  ).toBeVisible();
  await scan('The sea');
});

test('axe finds nothing on any screen, in any light', async ({ page }, info) => {
  test.setTimeout(600_000);
  const scan = await scannerOf(page, info.project.name);
  await openHalloway(page);
  for (const stage of STAGES) {
    await toStage(page, stage);
    await scan(stage);
  }
  await toStage(page, 'Run');
  await page.getByRole('link', { name: 'Who waits for whom' }).click();
  await expect(page.getByRole('list', { name: 'How you stand' })).toContainText('an hour');
  await scan('The crew');
  await page.goto(`${new URL(page.url()).pathname.replace(/run.*/, '')}run/haul`);
  await expect(judgement(page)).toContainText('a gram costs');
  await scan('Haul or dry');
  await page.goto(`${new URL(page.url()).pathname.replace(/run.*/, '')}clean/finish`);
  await expect(judgement(page)).toContainText('black sand creeps off');
  await scan('The last tablespoon');
  await toStage(page, 'Sample');
  for (const room of SAMPLE_ROOMS) {
    await toRoom(page, room);
    await scan(room);
  }
  await page.getByRole('link', { name: 'Day sheet' }).filter({ visible: true }).click();
  await expect(page.getByRole('button', { name: /^1\. / })).toBeVisible();
  await scan('Day sheet');
  await toStage(page, 'Read');
  await page.getByRole('button', { name: /open the map/ }).click();
  await expect(
    page
      .getByRole('group', { name: /^Map of/ })
      .locator('canvas')
      .first(),
  ).toBeVisible();
  await scan('Map');
  await page.getByRole('link', { name: 'Walk it' }).click();
  await page.getByRole('button', { name: 'the foot' }).click();
  await expect(page.getByRole('img', { name: /^Ahead: / })).toBeVisible();
  await scan('The walk');
  await page.getByRole('link', { name: 'Read' }).filter({ visible: true }).last().click();
  await page.getByRole('button', { name: 'Add a sign' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await scan('A sign');
  await page.goto('/settings');
  await scan('Settings');
  await page.goto('/grounds/new');
  await scan('New ground');
});

test('US units change every figure on every screen', { tag: '@desk' }, async ({ page }) => {
  // The same code on both sizes.
  await page.goto('/settings');
  await page.getByRole('radio', { name: 'US' }).click();
  await openHalloway(page);
  for (const stage of [...STAGES, 'Day sheet', 'Sample', ...SAMPLE_ROOMS]) {
    const room = SAMPLE_ROOMS.find((r) => r === stage);
    if (room) await toRoom(page, room);
    else await toStage(page, stage);
    await expect(judgement(page)).toBeVisible();
    await expect(page.locator('main')).not.toContainText(/Adding up|Opening|Working it out|Mapping the ground/);
    // What was typed stays as typed, inside quotation marks and fields; all else is in US units.
    const shown = (await page.locator('main').innerText()).replaceAll(/“[^”]*”/g, '');
    expect([
      stage,
      ...(shown.match(/\d[\d.,]*\s(?:m|mm|cm|km|L|mL|m³|g\/m³|mg\/m³|L\/s|m\/s|Pa|m³\/h|°C|mg|kg)(?![\wa-z³/])/g) ??
        []),
    ]).toEqual([stage]);
  }
});

test('every stage is a key away, and the picked spot stays picked', { tag: '@desk' }, async ({ page }) => {
  // Keys are for the desk.
  await openHalloway(page);
  await spotLine(page, 'Otter bar').click();
  await expect(page).toHaveURL(/spot=/);
  for (const [key, path] of [
    ['2', 'sample'],
    ['3', 'set'],
    ['4', 'run'],
    ['5', 'clean'],
    ['6', 'books'],
    ['1', 'read'],
  ] as const) {
    await page.keyboard.press(key);
    await expect(page).toHaveURL(new RegExp(`/${path}\\?spot=`));
  }
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('Log a full bucket');
  await page.keyboard.press('Escape');
  // A click beside the open list closes it, and presses nothing that lies under it.
  const sample = await placeOf(page, page.getByRole('link', { name: /^Sample/ }).first());
  await page.keyboard.press('g');
  await expect(page.getByRole('menuitem', { name: /Saltgrass Strand/ })).toBeVisible();
  await page.mouse.click(sample.x + 0.9 * sample.width, sample.y + sample.height / 2);
  await expect(page.getByRole('menuitem', { name: /Saltgrass Strand/ })).toBeHidden();
  await expect(page).toHaveURL(/\/read/);
  await page.keyboard.press('g');
  await page.getByRole('menuitem', { name: /Saltgrass Strand/ }).click();
  await expect(page.getByRole('listbox', { name: /^Saltgrass Strand, straightened/ })).toBeVisible();
  // One of its places leads: a spot, or the seam that nobody panned. Which, hangs on what the crew has learned.
  await expect(judgement(page)).toContainText(/cut berm|creek mouth|false bottom|black sand|seam|step/i);
});

test('the box answers to drags and arrow keys', { tag: '@desk' }, async ({ page }) => {
  // The same code on both sizes.
  await openHalloway(page);
  await toStage(page, 'Set');
  await page.getByLabel('Pitch', { exact: true }).fill('50 mm');
  const head = page.getByRole('slider', { name: 'Head of the box' });
  await expect(head).toHaveAttribute('aria-valuenow', '50');
  await head.focus();
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('PageUp');
  await expect(page.getByLabel('Pitch', { exact: true })).toHaveValue('61');
  const grip = await placeOf(page, head);
  await page.mouse.move(grip.x + grip.width / 2, grip.y + grip.height / 2);
  await page.mouse.down();
  await page.mouse.move(grip.x + grip.width / 2, grip.y + grip.height / 2 - 20, { steps: 4 });
  await page.mouse.up();
  await expect(head).toHaveAttribute('aria-valuenow', '75');
});

/** How wide the page is once it has been painted: drawings are measured between the layout and the paint. */
const painted_px = (page: Page): Promise<number> =>
  page.evaluate(
    () =>
      new Promise<number>((resolve) => {
        requestAnimationFrame(() => requestAnimationFrame(() => resolve(document.documentElement.scrollWidth)));
      }),
  );

test('nothing spills over the edge of a phone', { tag: '@phone' }, async ({ page }) => {
  // About the phone.
  await openHalloway(page);
  for (const stage of STAGES) {
    await toStage(page, stage);
    await expect(judgement(page)).toBeVisible();
    expect([stage, await painted_px(page)]).toEqual([stage, 390]);
  }
  await toStage(page, 'Run');
  await page.getByRole('link', { name: 'Who waits for whom' }).click();
  await expect(page.getByRole('list', { name: 'How you stand' })).toContainText('an hour');
  expect(await painted_px(page)).toBe(390);
  await toStage(page, 'Sample');
  for (const room of SAMPLE_ROOMS) {
    await toRoom(page, room);
    await expect(judgement(page)).toBeVisible();
    expect([room, await painted_px(page)]).toEqual([room, 390]);
  }
  await page.getByRole('link', { name: 'Day sheet' }).filter({ visible: true }).click();
  await expect(page.getByRole('button', { name: /^1\. / })).toBeVisible();
  expect(await painted_px(page)).toBe(390);
});

test('Riffle goes on the home screen when one asks for it, and says how where the browser does not', async ({
  page,
}) => {
  const manifest = (await (await page.request.get('/manifest.webmanifest')).json()) as {
    icons: { src: string; purpose?: string }[];
  };
  for (const { src } of manifest.icons) expect((await page.request.get(src)).status()).toBe(200);
  expect(manifest.icons.some((i) => i.purpose === 'maskable')).toBe(true);
  await page.goto('/settings');
  await page.getByRole('button', { name: 'Put Riffle on the home screen' }).click();
  await expect(page.getByText('open its menu')).toBeVisible();
  // A browser that offers it is asked, once.
  await page.evaluate(() => {
    const offer = new Event('beforeinstallprompt', { cancelable: true });
    Object.assign(offer, { prompt: () => Promise.resolve((document.title = 'asked')) });
    dispatchEvent(offer);
  });
  await page.getByRole('button', { name: 'Put Riffle on the home screen' }).click();
  await expect(page).toHaveTitle('asked');
  await expect(page.getByText('open its menu')).toBeHidden();
});
