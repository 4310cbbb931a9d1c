import { expect, test } from '@jest/globals';
import type { StoredSpot } from '@riffle/contract';
import { namedBeside } from './namedBeside.ts';

const spot = (id: string, distance_m: number, offset_m: number) => ({ id, distance_m, offset_m }) as StoredSpot;
const named = (spots: StoredSpot[], weights: Record<string, number>) =>
  namedBeside(
    spots,
    (s) => `K ${s.id}`,
    (s) => weights[s.id] ?? 0,
    (d) => d,
    (s) => s.offset_m,
    600,
  );

test('the richest is named to its right; where another place stands there, to its left', () => {
  expect(named([spot('1', 300, 50)], { 1: 2 }).get('1')).toEqual({ text: 'K 1', side: 'right' });
  expect(named([spot('1', 300, 50), spot('2', 325, 50)], { 1: 2 }).get('1')?.side).toBe('left');
});
test('hemmed in it goes without a name, unless it is the one that is picked', () => {
  const row = [spot('0', 275, 50), spot('1', 300, 50), spot('2', 325, 50)];
  expect(named(row, { 1: 2 }).size).toBe(0);
  expect(named(row, { 1: Infinity }).get('1')).toEqual({ text: 'K 1', side: 'right' });
  // A row above is not in the way.
  expect(named([...row.slice(1, 2), spot('3', 325, 90)], { 1: 2 }).size).toBe(1);
});
test('four at the most, the richest of them; what says nothing has no name', () => {
  const spots = Array.from({ length: 9 }, (_, i) => spot(String(i), 100, i * 40));
  const names = named(spots, Object.fromEntries(spots.map((s, i) => [s.id, i])));
  expect([...names.keys()]).toEqual(['8', '7', '6', '5']);
  expect(named(spots, {}).size).toBe(0);
});
