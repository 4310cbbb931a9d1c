import { describe, expect, test } from '@jest/globals';
import { isNoDig, SIGN_KIND_NAMES } from '@riffle/core';
import { Entered, FIRST_ID, NewCleanup, NewSample, NewSign, PageQuery, SPOT_KINDS, Timestamp } from './index.ts';

const id = '01900000-0000-7000-8000-000000000001';
const other = '01900000-0000-7000-8000-000000000002';
const section = {
  name: '',
  from_m: 0,
  to_m: 0.5,
  lining: 'riffles',
  gold_mg: 0.1,
  goldEntered: { text: '0.1', unit: 'mg' },
} as const;
const cleanup = {
  id,
  groundId: id,
  runIds: [id],
  cleanedAt: '2026-05-01T10:00:00Z',
  sections: [section],
  blackSand_g: null,
  blackSandEntered: null,
  rinsedClean: 'yes',
  baseVersion: 0,
};

describe('what is taken in is written one way', () => {
  test.each([
    ['2026-05-01T10:00:00Z', '2026-05-01T10:00:00.000Z'],
    ['2026-05-01T12:00:00+02:00', '2026-05-01T10:00:00.000Z'],
    ['2026-05-01T10:00:00.125Z', '2026-05-01T10:00:00.125Z'],
  ])('the instant %s reads %s', (sent, kept) => expect(Timestamp.parse(sent)).toBe(kept));
  test.each(['noon', '2026-05-01', '', '2026-02-30T10:00:00Z'])('“%s” is no instant', (sent) =>
    expect(Timestamp.safeParse(sent).success).toBe(false),
  );
  test('gold is kept to a tenth of a microgram, so that totals add up', () => {
    expect(NewCleanup.parse({ ...cleanup, sections: [{ ...section, gold_mg: 0.1 + 0.2 }] }).sections[0]?.gold_mg).toBe(
      0.3,
    );
    expect(NewSample.shape.gold_mg.parse(12.345678)).toBe(12.3457);
  });
  test('a run named twice is one run, and their order does not matter', () =>
    expect(NewCleanup.parse({ ...cleanup, runIds: [other, id, other] }).runIds).toEqual([id, other]));
  test('what was left out has its usual value', () =>
    expect(NewCleanup.parse(cleanup)).toMatchObject({ deleted: false, note: '' }));
  test('a list starts at the beginning, 500 at a time', () =>
    expect(PageQuery.parse({})).toEqual({ after: FIRST_ID, limit: 500 }));
  test('as typed is kept as typed, spaces and all', () =>
    expect(Entered.parse({ text: ' 2/3  bucket ', unit: 'pan' })).toEqual({ text: ' 2/3  bucket ', unit: 'pan' }));
});

describe('what cannot be so is named', () => {
  const problems = (
    schema: {
      safeParse: (v: unknown) => { success: boolean; error?: { issues: { path: PropertyKey[]; message: string }[] } };
    },
    value: unknown,
  ): string[] => (schema.safeParse(value).error?.issues ?? []).map((i) => `${i.path.join('.')}: ${i.message}`);
  test('sections out of order', () =>
    expect(problems(NewCleanup, { ...cleanup, sections: [{ ...section, from_m: 0.5, to_m: 0.9 }, section] })).toEqual([
      expect.stringMatching(/^sections: Each section must end below/),
    ]));
  test('no section, no run', () =>
    expect(problems(NewCleanup, { ...cleanup, sections: [], runIds: [] })).toEqual([
      'sections: Weigh at least one section.',
      'runIds: Say which run this gold came from.',
    ]));
  test('an own word without a weight, a sign with one', () => {
    const sign = {
      id,
      groundId: id,
      kind: 'bedrock',
      distance_m: 5,
      bank: 'left',
      position: null,
      seenAt: '2026-05-01T10:00:00Z',
      size_mm: null,
      sizeEntered: null,
      cover_m: null,
      coverEntered: null,
      weight: null,
      baseVersion: 0,
    };
    expect(problems(NewSign, sign)).toEqual([]);
    expect(problems(NewSign, { ...sign, weight: 1 })).toEqual([
      'weight: An own word has a weight; other signs have none.',
    ]);
    expect(problems(NewSign, { ...sign, kind: 'own word' })).toEqual([
      'weight: An own word has a weight; other signs have none.',
    ]);
  });
});

test('every kind of spot is a kind of sign, so that a spot’s own kind speaks in the ranking', () => {
  for (const kind of SPOT_KINDS.filter((k) => !isNoDig(k))) expect(SIGN_KIND_NAMES).toContain(kind);
});
