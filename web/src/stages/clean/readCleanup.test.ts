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
    const record = cleanupRecord({ ...draft, rinsed: 'yes' }, sections, read, ground, [run('b'), run('a')]);
    expect(record).toMatchObject({ groundId: 'g', runIds: ['a', 'b'], rinsedClean: 'yes', blackSand_g: null });
    expect(record?.sections[0]).toMatchObject({ name: 'head', gold_mg: 300, goldEntered: { text: '300', unit: 'mg' } });
    expect(cleanupRecord(draft, sections, read, ground, [])).toBeNull();
    const sand = { ...draft, blackSand: { text: 'much', unit: 'g' } };
    expect(cleanupRecord(sand, sections, readCleanup(sand, sections, 0.1), ground, [run('a')])).toBeNull();
    const half = { ...draft, blackSand: { text: '1.5', unit: 'kg' } };
    expect(cleanupRecord(half, sections, readCleanup(half, sections, 0.1), ground, [run('a')])?.blackSand_g).toBe(1500);
  });
});
