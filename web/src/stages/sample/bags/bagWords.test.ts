import { describe, expect, test } from '@jest/globals';
import { byTag, freeCode, missingBags, readTag } from './bagWords.ts';

const bag = (tag: string, state: 'planned' | 'waiting' | 'panned' | 'run' | 'lost') => ({ tag, state });

describe('bags by their tags', () => {
  test('sort as they are counted, not as they are spelled', () => {
    expect(
      [bag('A-10', 'planned'), bag('B-1', 'planned'), bag('A-9', 'planned'), bag('A-1', 'planned')]
        .sort(byTag)
        .map((b) => b.tag),
    ).toEqual(['A-1', 'A-9', 'A-10', 'B-1']);
  });
  test('a bag is missing when later ones are in, or it is lost; one not reached yet is not', () => {
    const lots = [
      bag('A-1', 'panned'),
      bag('A-2', 'planned'),
      bag('A-3', 'waiting'),
      bag('A-4', 'planned'),
      bag('A-5', 'lost'),
    ];
    expect(missingBags(lots).map((b) => b.tag)).toEqual(['A-2', 'A-5']);
    expect(missingBags([bag('A-1', 'planned'), bag('A-2', 'planned')])).toEqual([]);
  });
  test('a new plan takes letters nobody uses', () => {
    expect(freeCode([])).toBe('A');
    expect(freeCode(['A-1', 'B-12', 'b-3'])).toBe('C');
    expect(freeCode(Array.from({ length: 26 }, (_, i) => `${String.fromCharCode(65 + i)}-1`))).toBe('AA');
  });
  test('a scanned code names its record; what is typed is a tag', () => {
    expect(readTag('http://localhost:4200/bag/01900000-0000-7000-8000-000000000011')).toEqual({
      id: '01900000-0000-7000-8000-000000000011',
    });
    expect(readTag(' a-7 ')).toEqual({ tag: 'A-7' });
  });
});
