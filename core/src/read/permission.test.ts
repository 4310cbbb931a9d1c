import { describe, expect, test } from '@jest/globals';
import { nextOpenDay, permissionOn, type PermissionNote } from './permission.ts';

const note = (some: Partial<PermissionNote>): PermissionNote => ({
  id: 'n',
  name: 'Spawning',
  kind: 'closed season',
  from: null,
  to: null,
  everyYear: false,
  ...some,
});
const closedOn = (n: PermissionNote, day: string): string | null => permissionOn([n], day).closed[0]?.why ?? null;

describe('a closed season', () => {
  const spawning = note({ from: '2024-08-15', to: '2024-10-31', everyYear: true });
  test.each([
    ['2026-08-14', null],
    ['2026-08-15', 'closed season'],
    ['2026-10-31', 'closed season'],
    ['2026-11-01', null],
    ['2031-09-01', 'closed season'],
  ])('every year: %s is %s', (day, why) => expect(closedOn(spawning, day)).toBe(why));
  const winter = note({ from: '2020-11-20', to: '2021-03-01', everyYear: true });
  test.each([
    ['2026-11-19', null],
    ['2026-11-20', 'closed season'],
    ['2026-12-31', 'closed season'],
    ['2027-01-01', 'closed season'],
    ['2027-03-01', 'closed season'],
    ['2027-03-02', null],
  ])('over the new year: %s is %s', (day, why) => expect(closedOn(winter, day)).toBe(why));
  test('says until when', () => {
    expect(permissionOn([winter], '2026-12-24').closed[0]?.until).toBe('2027-03-01');
    expect(permissionOn([winter], '2027-01-24').closed[0]?.until).toBe('2027-03-01');
  });
  test('once only: the years outside are open', () => {
    const once = note({ from: '2026-06-01', to: '2026-06-30' });
    expect([closedOn(once, '2026-06-15'), closedOn(once, '2027-06-15')]).toEqual(['closed season', null]);
  });
  test('without a last day it holds on, without a first it always did', () => {
    expect(closedOn(note({ from: '2026-06-01' }), '2040-01-01')).toBe('closed season');
    expect(closedOn(note({ to: '2026-06-01' }), '1999-01-01')).toBe('closed season');
  });
  test('is told a month ahead, by hand: 15 July to 15 August are 31 days, 16 July 30', () => {
    expect(permissionOn([spawning], '2026-07-15').soon).toEqual([]);
    expect(permissionOn([spawning], '2026-07-16').soon).toMatchObject([{ days: 30, what: 'closes' }]);
  });
});

describe('claims and permits', () => {
  const permit = note({ kind: 'permit', name: 'Water use', from: '2026-04-01', to: '2026-09-30' });
  test.each([
    ['2026-03-31', 'not begun'],
    ['2026-04-01', null],
    ['2026-09-30', null],
    ['2026-10-01', 'run out'],
  ])('%s: %s', (day, why) => expect(closedOn(permit, day)).toBe(why));
  test('the end is told a month ahead', () =>
    expect(permissionOn([permit], '2026-09-10').soon).toMatchObject([
      { days: 20, what: 'runs out', until: '2026-09-30' },
    ]));
  test('one without an end runs on', () =>
    expect(permissionOn([note({ kind: 'claim' })], '2040-01-01')).toEqual({ closed: [], soon: [] }));
});

test('a day that is none is refused', () => {
  expect(() => permissionOn([], 'today')).toThrow(/YYYY-MM-DD/);
  expect(() => permissionOn([note({ kind: 'permit', to: '2026-13-01' })], '2026-01-01')).toThrow(/day is 2026-13-01/);
});

describe('the next open day', () => {
  const spawning = note({ from: '2024-08-15', to: '2024-10-31', everyYear: true });
  test('is today where nothing forbids, else the day after the last that does', () => {
    expect(nextOpenDay([spawning], '2026-08-14')).toBe('2026-08-14');
    expect(nextOpenDay([spawning], '2026-09-01')).toBe('2026-11-01');
    const nesting = note({ id: 'b', from: '2026-10-20', to: '2026-11-09' });
    expect(nextOpenDay([spawning, nesting], '2026-09-01')).toBe('2026-11-10');
  });
  test('never comes where a claim has run out', () => {
    expect(nextOpenDay([note({ kind: 'claim', to: '2026-01-01' })], '2026-05-01')).toBeNull();
  });
});
