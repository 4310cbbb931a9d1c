import { SIGN_KIND_NAMES } from '@riffle/core';
import { signName, signsInOrder } from '../../ground/signOrder.ts';
import { localTime } from '../../when/localTime.ts';
import { describe, expect, test } from '@jest/globals';
import type { StoredSign } from '@riffle/contract';
import { isOwnKind, readSign, signAsDraft, sizeOf, type SignDraft } from './readSign.ts';

const sign = {
  kind: 'float',
  distance_m: 120,
  bank: 'left',
  seenAt: '2026-05-04T09:30:20.000Z',
  sizeEntered: null,
  coverEntered: null,
  weight: null,
  height_m: null,
  heightEntered: null,
  comeBackWith: '',
  note: '',
  traits: {},
} as unknown as StoredSign;
const draft = signAsDraft(sign, false, localTime(null));
const read = (some: Partial<SignDraft> = {}, kind: StoredSign['kind'] = 'float') =>
  readSign({ ...draft, ...some }, kind, 300, 'The ground is 300 m long.', localTime(null));

describe('measures of a sign', () => {
  test('nothing added: the sign stays where it is, without size and cover', () =>
    expect(read().change).toMatchObject({
      distance_m: 120,
      size_mm: null,
      sizeEntered: null,
      cover_m: null,
      weight: null,
    }));
  test('a size in inches is kept as typed and in mm, cover in metres', () =>
    expect(read({ size: { text: '2', unit: 'in' }, cover: { text: '30', unit: 'cm' } }).change).toMatchObject({
      size_mm: 50.8,
      sizeEntered: { text: '2', unit: 'in' },
      cover_m: 0.3,
    }));
  test('what cannot be, or cannot be read, is said at its field and changes nothing', () => {
    for (const [some, field] of [
      [{ size: { text: 'fist', unit: 'mm' } }, 'size'],
      [{ size: { text: '90', unit: 'm' } }, 'size'],
      [{ cover: { text: '-1', unit: 'm' } }, 'cover'],
      [{ distance: { text: '301', unit: 'm' } }, 'distance'],
      [{ note: 'x'.repeat(5001) }, 'note'],
      [{ seen: '2999-01-01T10:00' }, 'seen'],
      [{ seen: '' }, 'seen'],
    ] as const) {
      const { change, problems } = read(some);
      expect([field, problems[field] ?? null]).not.toEqual([field, null]);
      expect(change).toBeNull();
    }
  });
  test('dated back and moved across the water', () =>
    expect(read({ seen: '2026-05-01T08:00', bank: 'right' }).change).toMatchObject({
      bank: 'right',
      seenAt: new Date(2026, 4, 1, 8).toISOString(),
    }));
  test('an own word weighs, other kinds do not', () => {
    expect(read({ weight: '-2' }, 'own word').change?.weight).toBe(-2);
    expect(read({ weight: '-2' }).change?.weight).toBeNull();
  });
  test('only float and flood marks have a size', () => {
    expect([sizeOf('stained float'), sizeOf('flood mark'), sizeOf('bedrock')]).toEqual([
      'Size of the stone',
      'Height above the water now',
      null,
    ]);
  });
  test('a kind of the crew is said without its mark', () => {
    expect([signName('own: blue clay', 'creek'), signName('bar', 'creek'), signName('draw mouth', 'beach')]).toEqual([
      'blue clay',
      'bar',
      'creek mouth',
    ]);
    expect([isOwnKind('own: blue clay'), isOwnKind('bar')]).toEqual([true, false]);
  });
});
test('each ground begins with what it shows first, and leaves none out', () => {
  expect(signsInOrder('beach').slice(0, 2)).toEqual(['berm toe', 'black sand']);
  expect(signsInOrder('wash')[1]).toBe('hardpan');
  for (const kind of ['creek', 'beach', 'wash', 'bench', 'hillside'] as const)
    expect([...signsInOrder(kind)].sort()).toEqual(SIGN_KIND_NAMES.filter((k) => k !== 'other').sort());
});
