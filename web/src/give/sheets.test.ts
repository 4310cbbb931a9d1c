import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { HIGH, WIDE, type Letters } from './pdfSheet.ts';
import { seasonSheet, type Figures, type SeasonFacts } from './seasonSheet.ts';
import { spotSheet, type SpotFacts } from './spotSheet.ts';
import { statementSheet } from './statementSheet.ts';

/** The letters the app ships, out of its packages. */
const font = (family: string, part: string, weight: number): ArrayBuffer =>
  new Uint8Array(
    readFileSync(
      new URL(
        `../../../node_modules/@fontsource/${family}/files/${family}-${part}-${weight}-normal.woff`,
        import.meta.url,
      ),
    ),
  ).buffer;
const hand = (family: string, weight: number): ArrayBuffer[] =>
  ['latin', 'latin-ext'].map((part) => font(family, part, weight));
const letters: Letters = {
  heading: hand('bitter', 600),
  text: hand('atkinson-hyperlegible-next', 400),
  bold: hand('atkinson-hyperlegible-next', 700),
};

interface Word {
  readonly says: string;
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly foot: number;
}

/** What an outside reader finds on the sheet and where, in points from its upper left corner. */
async function read(bytes: Uint8Array): Promise<{ words: readonly Word[]; says: string; told: string }> {
  const pdf = await getDocument({ data: new Uint8Array(bytes), verbosity: 0 }).promise;
  expect(pdf.numPages).toBe(1);
  const { items } = await (await pdf.getPage(1)).getTextContent();
  const words = items.flatMap((i) => {
    if (!('str' in i) || i.str.trim() === '') return [];
    const [, , , size, x, y] = i.transform as [number, number, number, number, number, number];
    // Of a letter most stands above its line, a fifth below.
    return [{ says: i.str, left: x, right: x + i.width, top: HIGH - y - 0.7 * size, foot: HIGH - y + 0.2 * size }];
  });
  return { words, says: words.map((w) => w.says).join(' '), told: JSON.stringify(await pdf.getMetadata()) };
}

const offTheSheet = (words: readonly Word[]): string[] =>
  words.filter((w) => w.left < 20 || w.right > WIDE - 20 || w.top < 10 || w.foot > HIGH - 10).map((w) => w.says);
/** Words that stand on one another, pair by pair. */
const onEachOther = (words: readonly Word[]): string[] =>
  words.flatMap((a, i) =>
    words
      .slice(i + 1)
      .filter((b) => a.left < b.right - 1 && b.left < a.right - 1 && a.top < b.foot - 1 && b.top < a.foot - 1)
      .map((b) => `${a.says} | ${b.says}`),
  );

const show: Figures = {
  gold: (mg) => `${mg} mg`,
  grade: (mg_per_L) => `${mg_per_L.toFixed(3)} g/m³`,
  volume: (L) => `${L} L`,
  hours: (s) => `${(s / 3600).toFixed(1)} h`,
};
const amounts = (some = 1) => ({
  volumeBank_L: 120 * some,
  gold_mg: 34 * some,
  running_s: 3600 * some,
  person_s: 7200 * some,
  buckets: 6 * some,
  cleanups: some,
});
const season = (some: Partial<SeasonFacts> = {}): SeasonFacts => ({
  ground: 'Test Fork',
  from: '3 May 2026',
  to: '9 Aug 2026',
  total: amounts(3),
  sources: [{ ...amounts(), name: 'Long bar' }],
  boxes: [{ ...amounts(), name: 'The short box' }],
  days: [
    { at: 0, name: '3 May', gold_mg: 20 },
    { at: 98, name: '9 Aug', gold_mg: 82 },
  ],
  waiting: 'Two tubs wait.',
  given: 'No position is in it.',
  ...some,
});
const spot = (some: Partial<SpotFacts> = {}): SpotFacts => ({
  spot: 'Long bar',
  ground: 'Test Fork',
  kind: 'bar',
  where: '',
  headline: '0.21 g/m³, 9 in 10 between 0.1 and 0.4.',
  rests: 'Rests on 3 pans.',
  samples: [{ day: '3 May', depth: '0.3 m', amount: '1 pan', found: '3 colors', grade_mg_L: 0.2 }],
  layers: [
    { name: 'sand', from_m: 0, to_m: 0.4, pay: false, says: 'loose' },
    { name: 'gravel', from_m: 0.4, to_m: 0.9, pay: true, says: 'tight' },
  ],
  cleanups: [{ day: '4 May', gold: '34 mg', grade: '0.28 g/m³' }],
  remarks: 'Dug on the inside of the bend.',
  given: 'No position is in it.',
  ...some,
});
const many = <T>(count: number, one: (i: number) => T): T[] => Array.from({ length: count }, (_, i) => one(i));
const LONG = 'The old bar under the second ledge above the bent pine, ';

describe('a season on a sheet', () => {
  test('says what it gave, from when to when, and nothing stands on anything else', async () => {
    const { words, says } = await read(await seasonSheet(season(), show, letters));
    for (const part of [
      'Test Fork',
      '3 May 2026 to 9 Aug 2026',
      '102 mg',
      'weighed 3 times',
      'Two tubs wait.',
      'Long bar',
    ])
      expect(says).toContain(part);
    expect([offTheSheet(words), onEachOther(words)]).toEqual([[], []]);
  });
  test('one in which nothing was weighed says so, and a day is a day', async () => {
    const empty = season({ from: '', to: '', total: amounts(0), sources: [], boxes: [], days: [], waiting: '' });
    const { says } = await read(await seasonSheet(empty, show, letters));
    expect(says).toContain('nothing weighed yet');
    expect(says).not.toMatch(/NaN|undefined| to $/);
    expect((await read(await seasonSheet(season({ to: '3 May 2026' }), show, letters))).says).not.toContain(
      ' to 3 May',
    );
  });
  test('a long name, many sources and many days keep to the sheet and off each other', async () => {
    const full = season({
      ground: LONG.repeat(2).slice(0, 80),
      sources: many(30, (i) => ({ ...amounts(), name: `${LONG} ${i}` })),
      boxes: many(12, (i) => ({ ...amounts(), name: `Box ${i}` })),
      days: many(60, (i) => ({ at: i * 2, name: `${1 + (i % 28)} May`, gold_mg: 10 + i })),
      given: LONG.repeat(3),
    });
    const { words, says } = await read(await seasonSheet(full, show, letters));
    expect([offTheSheet(words), onEachOther(words)]).toEqual([[], []]);
    expect(says).toContain('and 23 more');
  });
});

describe('a spot on a sheet', () => {
  test('says what it holds, pan by pan and layer by layer', async () => {
    const { words, says } = await read(await spotSheet(spot(), letters));
    for (const part of ['Long bar', 'Rests on 3 pans.', '3 colors', 'gravel', '34 mg', 'inside of the bend'])
      expect(says).toContain(part);
    expect([offTheSheet(words), onEachOther(words)]).toEqual([[], []]);
  });
  test('without a pan it says none', async () =>
    expect((await read(await spotSheet(spot({ samples: [], layers: [], cleanups: [] }), letters))).says).toContain(
      'None yet.',
    ));
  test('long names, many pans, many layers and a long remark keep to the sheet and off each other', async () => {
    const full = spot({
      spot: LONG.repeat(2).slice(0, 60),
      ground: LONG.repeat(2).slice(0, 80),
      samples: many(40, (i) => ({
        day: `${i} May`,
        depth: '0.3 m',
        amount: '1 pan',
        found: '3 colors',
        grade_mg_L: i,
      })),
      layers: many(8, (i) => ({ name: `layer ${i}`, from_m: i / 10, to_m: (i + 1) / 10, pay: i === 7, says: 'tight' })),
      cleanups: many(20, (i) => ({ day: `${i} May`, gold: `${i} mg`, grade: '0.2 g/m³' })),
      remarks: LONG.repeat(12),
    });
    const { words, says } = await read(await spotSheet(full, letters));
    expect([offTheSheet(words), onEachOther(words)]).toEqual([[], []]);
    expect(says).toContain('and 26 more');
    expect(says).toMatch(/The old bar .*…/);
  });
});

test('a partner’s statement says what is due, to one sheet', async () => {
  const { words, says } = await read(
    await statementSheet(
      {
        name: LONG.slice(0, 40),
        day: '9 Aug 2026',
        account: [
          { what: 'Came in', amount: '102 mg' },
          { what: 'Due', amount: '51 mg', isSum: true },
        ],
        agreed: many(4, (i) => ({ since: `${i} May`, parts: 'Mara 1, Odd 1' })),
        handedOut: many(30, (i) => ({ day: `${i} May`, what: '2 mg' })),
      },
      letters,
    ),
  );
  expect(says).toContain('and 12 earlier');
  expect([offTheSheet(words), onEachOther(words)]).toEqual([[], []]);
});

test('letters beyond plain Latin are drawn or stand as a question mark, never break the sheet, and no machine is named in it', async () => {
  const { says, told } = await read(
    await spotSheet(spot({ spot: 'Ördög-ág, Łąka 金', ground: 'A\u0301 \u{1F33E}' }), letters),
  );
  // Each alphabet's letters are drawn apart; a reader may put a space between.
  expect(says.replaceAll(' ', '')).toContain('Ördög-ág,Łąka?');
  expect(told).toContain('A spot');
  expect(told).not.toMatch(/\/work|\/home|localhost/);
});
