import { describe, expect, test } from '@jest/globals';
import type { StoredGround, StoredRun } from '@riffle/contract';
import {
  cleanupRecord,
  newCleanup,
  readCleanup,
  sectionBelow,
  usualSections,
  type SectionDraft,
} from './readCleanup.ts';
import { localTime } from '../../when/localTime.ts';

const draft = newCleanup(false);
const weighed = (...mg: string[]): SectionDraft[] =>
  usualSections(undefined, false).map((s, i) => ({ ...s, gold: { text: mg[i] ?? '', unit: 'mg' } }));
const ground = { id: 'g' } as StoredGround;
const run = (id: string): StoredRun => ({ id }) as StoredRun;

describe('a clean-up as it is typed', () => {
  test('each section begins where the one above ends, the first cut at 200 mm', () =>
    expect(readCleanup(draft, weighed(), 0.1).readings.map((r) => r.from_m)).toEqual([0, 0.2, 0.5]));
  test('nothing is said of the split until every section is weighed; a zero is a weight', () => {
    expect(readCleanup(draft, weighed('300', '40'), 0.1)).toMatchObject({ split: null, measured: [] });
    const { split } = readCleanup(draft, weighed('300', '40', '0'), 0.1);
    expect(split?.total_mg).toBe(340);
    expect(split?.loss).toBeDefined();
  });
  test('a section that ends above where it begins is said at its field, and nothing is worked out', () => {
    const [head, middle, tail] = weighed('300', '40', '5') as [SectionDraft, SectionDraft, SectionDraft];
    const read = readCleanup(draft, [head, { ...middle, to: { text: '15', unit: 'cm' } }, tail], 0.1);
    expect(read.readings[1]?.problem).toMatch(/below the section above/);
    expect(read.split).toBeNull();
  });
  test('a box of forty metres is refused, gold in grains is read as grains', () => {
    const [head] = weighed('1') as [SectionDraft];
    expect(readCleanup(draft, [{ ...head, to: { text: '40', unit: 'm' } }], 0.1).readings[0]?.problem).not.toBeNull();
    const { measured } = readCleanup(draft, [{ ...head, gold: { text: '1', unit: 'grain' } }], 0.1);
    expect(measured[0]?.gold_mg).toBeCloseTo(64.79891, 5);
  });
  describe('parted by screens', () => {
    const parted = { ...draft, screens: 'No. 8, No. 30' };
    const bySize = (...rows: string[][]): SectionDraft[] => weighed().map((s, i) => ({ ...s, bySize: rows[i] ?? [] }));
    test('a whole that was not typed is what its sizes come to; the loss of each size is read', () => {
      const sections = bySize(['200', '60', '20'], ['10', '30', '25'], ['1', '8', '30']);
      const read = readCleanup(parted, sections, 0.1);
      expect(read.measured.map((m) => m.gold_mg)).toEqual([280, 65, 39]);
      expect(read.bySize?.sizes.map((s) => s.held_mg)).toEqual([211, 98, 75]);
      const record = cleanupRecord(parted, sections, read, ground, [run('a')], localTime(null));
      expect(record?.screens.map((s) => [s.aperture_mm, s.apertureEntered.text])).toEqual([
        [2.36, 'No. 8'],
        [0.6, 'No. 30'],
      ]);
      expect(record?.sections[1]).toMatchObject({ gold_mg: 65, goldEntered: { text: '65', unit: 'mg' } });
      expect(record?.sections[1]?.bySize[2]).toEqual({ gold_mg: 25, goldEntered: { text: '25', unit: 'mg' } });
    });
    test('a cell may be empty where the whole was typed; sizes that come to more than it are pointed at', () => {
      const [head, ...rest] = bySize(['200', '', '20'], ['10', '30', '25'], ['1', '8', '30']) as [SectionDraft];
      const whole = (mg: string) => readCleanup(parted, [{ ...head, gold: { text: mg, unit: 'mg' } }, ...rest], 0.1);
      expect(whole('').measured).toEqual([]);
      expect(whole('280').readings[0]).toMatchObject({ differs: null, gold: { value: 280 } });
      expect(whole('150').readings[0]?.differs).toEqual({ whole_mg: 150, sizes_mg: 220 });
      expect(
        readCleanup(parted, [{ ...head, bySize: ['200', '60', '20'], gold: { text: '300', unit: 'mg' } }], 0.1)
          .readings[0]?.differs,
      ).not.toBeNull();
    });
    test.each([
      ['30, 8', /coarsest to the finest/],
      ['', /Name the screens/],
      ['5 mil', /mil/],
      ['2, 4', /standard series|coarsest|Write/],
      ['8 mm, 7 mm, 6 mm, 5 mm, 4 mm, 3 mm, 2 mm', /At most 6/],
    ])('screens “%s” are asked about, and nothing goes into the book', (screens, says) => {
      const sections = weighed('3', '2', '1');
      const read = readCleanup({ ...draft, screens }, sections, 0.1);
      expect(read.screens?.ok === false && read.screens.problem).toMatch(says);
      expect(cleanupRecord({ ...draft, screens }, sections, read, ground, [run('a')], localTime(null))).toBeNull();
    });
    test('colors are whole numbers', () => {
      const [head] = weighed('3') as [SectionDraft];
      const read = (colors: string) => readCleanup(draft, [{ ...head, colors }], 0.1);
      expect(read('31').readings[0]?.colors).toEqual({ ok: true, value: 31 });
      expect(
        cleanupRecord(draft, [{ ...head, colors: '3.5' }], read('3.5'), ground, [run('a')], localTime(null)),
      ).toBeNull();
      expect(
        cleanupRecord(draft, [{ ...head, colors: '31' }], read('31'), ground, [run('a')], localTime(null))?.sections[0]
          ?.colors,
      ).toBe(31);
    });
  });
  test('another section starts empty below the last, with its units and lining', () => {
    const more = sectionBelow(weighed('3', '2', '1'));
    expect(more.at(-1)).toMatchObject({
      name: '',
      to: { text: '' },
      gold: { text: '', unit: 'mg' },
      lining: 'riffles',
    });
    expect(new Set(more.map((s) => s.key)).size).toBe(4);
  });
  test('into the book goes what was typed beside what it came to; nothing without a run or with a wrong field', () => {
    const sections = weighed('300', '40', '5');
    const read = readCleanup(draft, sections, 0.1);
    const record = cleanupRecord(
      { ...draft, rinsed: 'yes' },
      sections,
      read,
      ground,
      [run('b'), run('a')],
      localTime(null),
    );
    expect(record).toMatchObject({ groundId: 'g', runIds: ['a', 'b'], rinsedClean: 'yes', blackSand_g: null });
    expect(record?.sections[0]).toMatchObject({ name: 'head', gold_mg: 300, goldEntered: { text: '300', unit: 'mg' } });
    expect(cleanupRecord(draft, sections, read, ground, [], localTime(null))).toBeNull();
    const dated = cleanupRecord(
      { ...draft, when: '2026-05-03T17:30' },
      sections,
      read,
      ground,
      [run('a')],
      localTime('Etc/GMT+2'),
    );
    expect(dated?.cleanedAt).toBe('2026-05-03T19:30:00.000Z');
    const toCome = { ...draft, when: '2999-01-01T12:00' };
    expect(cleanupRecord(toCome, sections, read, ground, [run('a')], localTime(null))).toBeNull();
    const sand = { ...draft, blackSand: { text: 'much', unit: 'g' } };
    expect(
      cleanupRecord(sand, sections, readCleanup(sand, sections, 0.1), ground, [run('a')], localTime(null)),
    ).toBeNull();
    const half = { ...draft, blackSand: { text: '1.5', unit: 'kg' } };
    expect(
      cleanupRecord(half, sections, readCleanup(half, sections, 0.1), ground, [run('a')], localTime(null))?.blackSand_g,
    ).toBe(1500);
  });
});
