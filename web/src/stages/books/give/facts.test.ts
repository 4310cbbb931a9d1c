import { describe, expect, test } from '@jest/globals';
import type { StoredPit, StoredSample, StoredSpot } from '@riffle/contract';
import type { SpotGrade, WeighedCleanup } from '@riffle/core';
import type { Show } from '../../../units/useShow.ts';
import { namesFor, NOTHING_GIVEN } from '../../../give/place.ts';
import type { OpenBook } from '../../../records/useBook.ts';
import { seasonFacts, spotFacts } from './facts.ts';

const SPOTS = [
  { id: 'bar', name: 'Long bar' },
  { id: 'ledge', name: 'Ledge' },
];
const GROUND = { name: 'Test Fork' };
const named = namesFor({ ...NOTHING_GIVEN, names: true }, GROUND, SPOTS);
const nameless = namesFor(NOTHING_GIVEN, GROUND, SPOTS);
const show = {
  grade: (mg_L: number) => `${mg_L} g/m³`,
  gold: (mg: number) => `${mg} mg`,
  volume: (L: number) => `${L} L`,
  length: (m: number) => `${m} m`,
} as unknown as Show;
const local = { day: (moment: string) => moment.slice(0, 10) };

const tally = (bySpot_L: Record<string, number>) => ({
  volumeLoose_L: Object.values(bySpot_L).reduce((sum, v) => sum + v, 0),
  bySpot_L,
  running_s: 3600,
  buckets: 10,
  people: 1,
});
const cleaned = (id: string, day: string, gold_mg: number, ...fed: Record<string, number>[]): WeighedCleanup => ({
  id,
  day,
  gold_mg,
  boxWasClean: true,
  tallies: fed.map(tally),
});

describe('a spot on one sheet', () => {
  const spot = { id: 'bar', kind: 'bar', note: 'Below the split pine.' } as unknown as StoredSpot;
  const sample = (takenAt: string): StoredSample =>
    ({ takenAt, depth_m: 0.3, volume_L: 4, counts: [] }) as unknown as StoredSample;
  const sheet = (some: Partial<Parameters<typeof spotFacts>[0]> = {}) =>
    spotFacts(
      {
        spot,
        names: named,
        withRemarks: true,
        where: '',
        grade: undefined,
        samples: [],
        pits: [],
        weighed: [],
        gradeOf: () => 0.2,
        ...some,
      },
      show,
      local,
    );
  const graded = (grade: unknown, samples: number, blanks = 0): SpotGrade =>
    ({ grade, samples, blanks, volumeBank_L: 8 }) as unknown as SpotGrade;

  test.each([
    [
      graded({ kind: 'band', grade_mg_L: 0.4, low_mg_L: 0.1, high_mg_L: 1 }, 2, 1),
      [sample('2026-05-01')],
      /^0.4 g.m³, between 0.1 .* and 1 .* nine times in ten/,
    ],
    [graded({ kind: 'blank', lessThan_mg_L: 0.3 }, 1), [sample('2026-05-01')], /^No color yet: less than 0.3/],
    [undefined, [sample('2026-05-01')], /^A piece not weighed yet/],
    [undefined, [], /^Not panned yet/],
  ])('says first what is known of it', (grade, samples, says) => {
    expect(sheet({ grade, samples }).headline).toMatch(says);
  });
  test('and what that rests on, one sample as one', () => {
    const blank = { kind: 'blank', lessThan_mg_L: 0.3 };
    expect(sheet({ grade: graded(blank, 1) }).rests).toBe('1 sample, 8 L of bank ground.');
    expect(sheet({ grade: graded(blank, 3, 2) }).rests).toBe('3 samples, 8 L of bank ground, 2 of them blank.');
    expect(sheet().rests).toBe('');
  });
  test('the latest sample first, and the layers of the latest pit that has any, from the surface down', () => {
    const layer = (material: string, thickness_m: number, pay: boolean) => ({
      material,
      thickness_m,
      firmness: 'loose',
      moisture: 'wet',
      pay,
    });
    const pit = (dugAt: string, ...layers: unknown[]): StoredPit => ({ dugAt, layers }) as unknown as StoredPit;
    const facts = sheet({
      samples: [sample('2026-05-01'), sample('2026-06-01')],
      pits: [
        pit('2026-05-02', layer('sand', 1, false)),
        pit('2026-05-09', layer('sand', 0.4, false), layer('gravel', 0.2, true)),
        pit('2026-06-09'),
      ],
    });
    expect(facts.samples.map((s) => s.day)).toEqual(['2026-06-01', '2026-05-01']);
    expect(facts.layers.map((l) => [l.name, l.from_m, Number(l.to_m.toFixed(3)), l.says])).toEqual([
      ['sand', 0, 0.4, '0.4 m, loose, wet'],
      ['gravel', 0.4, 0.6, '0.2 m, loose, wet, dug for'],
    ]);
  });
  test('only clean-ups of its gravel alone are its own; a rinse is said as one', () => {
    const { cleanups } = sheet({
      weighed: [
        cleaned('a', '2026-05-01', 40, { bar: 200 }),
        cleaned('b', '2026-05-08', 90, { bar: 100, ledge: 100 }),
        cleaned('c', '2026-05-09', 5, { ledge: 100 }),
        // What was taken back weighs nothing.
        cleaned('d', '2026-05-10', 7, { bar: 50, ledge: 0 }),
      ],
    });
    expect(cleanups).toEqual([
      { day: '1 May 2026', gold: '40 mg', grade: 'from 200 L loose' },
      { day: '10 May 2026', gold: '7 mg', grade: 'from 50 L loose' },
    ]);
  });
  test('without names neither its own nor a remark goes along', () => {
    const facts = sheet({ names: nameless, withRemarks: false, samples: [sample('2026-05-01')] });
    expect([facts.spot, facts.ground, facts.remarks]).toEqual(['Spot 1', 'A ground', '']);
    expect(JSON.stringify(facts)).not.toMatch(/Long bar|Test Fork|split pine/);
  });
});

describe('a season on one sheet', () => {
  const amounts = { volumeBank_L: 100, gold_mg: 40, running_s: 3600, person_s: 3600, buckets: 10, cleanups: 1 };
  const book = {
    groundId: 'g',
    lines: [
      { ...amounts, spotIds: ['bar', 'ledge'], mayHoldOldGold: false },
      { ...amounts, spotIds: [], mayHoldOldGold: false },
    ],
    total: { ...amounts, gold_mg: 80, cleanups: 2 },
    days: [
      { ...amounts, day: '2026-06-03' },
      { ...amounts, day: '2026-05-30' },
    ],
    weighed: [cleaned('a', '2026-05-30', 40, { bar: 150 }), cleaned('b', '2026-06-03', 40, { ledge: 150 })],
  } as unknown as OpenBook;
  const boxOf = ({ id }: { id: string }): string => (id === 'a' ? 'Short box' : 'Long box');

  test('its days in the order of time, counted from the first', () => {
    const facts = seasonFacts(book, named, 20, boxOf);
    expect([facts.from, facts.to]).toEqual(['30 May 2026', '3 Jun 2026']);
    expect(facts.days.map((d) => [d.at, d.name])).toEqual([
      [0, '30 May'],
      [4, '3 Jun'],
    ]);
    expect(facts.sources.map((s) => s.name)).toEqual(['Long bar + Ledge', 'no spot named']);
    expect(facts.boxes.map((b) => [b.name, b.gold_mg]).sort()).toEqual([
      ['Long box', 40],
      ['Short box', 40],
    ]);
  });
  test('a book without a day yet has no dates', () => {
    const facts = seasonFacts({ ...book, days: [], lines: [], weighed: [] }, named, 20, boxOf);
    expect([facts.from, facts.to, facts.days, facts.boxes]).toEqual(['', '', [], []]);
  });
  test('without names no place is named', () => {
    const facts = seasonFacts(book, nameless, 20, boxOf);
    expect(JSON.stringify(facts)).not.toMatch(/Long bar|Ledge|Test Fork/);
    expect(facts.sources[0]?.name).toBe('Spot 1 + Spot 2');
  });
});
