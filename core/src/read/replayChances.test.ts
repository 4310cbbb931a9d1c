import { describe, expect, test } from '@jest/globals';
import { datedPan as pan } from '../../test/datedPan.ts';
import { replayChances, type ReplayedGround } from './replayChances.ts';

type Pan = ReturnType<typeof pan>;
const spot = (id: string, distance_m: number) => ({
  id,
  name: id,
  kind: 'bar' as const,
  distance_m,
  bank: 'left' as const,
  offset_m: 5,
  samplePlanId: null,
});
const ground = (samples: readonly Pan[], some: Partial<ReplayedGround<Pan>> = {}): ReplayedGround<Pan> => ({
  spots: [spot('a', 100), spot('b', 130), spot('c', 800)],
  signs: [],
  draws: [],
  samples,
  pits: [],
  swell_percent: 18,
  school: 'geometry',
  ...some,
});
const RULES = { pays_mg_L: 0.15, reach_m: 1 };

describe('the book gone through again', () => {
  test('each place once, at its first pan, by the pans before it only', () => {
    const book = ground([pan('a', 1, 40), pan('b', 2, 60), pan('b', 3, 0), pan('c', 4, 0)]);
    const found = replayChances(book, RULES);
    expect(found.map((f) => [f.spotId, f.takenAt.slice(8, 10)])).toEqual([
      ['a', '01'],
      ['b', '02'],
      ['c', '04'],
    ]);
    // What came later changes nothing of what was said before.
    const earlier = replayChances(ground(book.samples.slice(0, 2)), RULES);
    expect(earlier[1]?.said).toBeCloseTo(found[1]?.said ?? NaN, 12);
    // Gold beside it speaks for b; a is the first pan of all and has only its sign.
    expect(found[1]?.said).toBeGreaterThan(found[0]?.said ?? NaN);
    expect(found.map((f) => f.paid)).toEqual([true, true, false]);
  });
  test('a sign seen after the pan did not speak before it', () => {
    const sign = (seenAt: string) => ({
      id: 's',
      kind: 'crevice' as const,
      distance_m: 100,
      bank: 'left' as const,
      offset_m: 5,
      cover_m: null,
      weight: null,
      note: '',
      seenAt,
    });
    const said = (seenAt: string): number =>
      replayChances(ground([pan('a', 3, 4)], { signs: [sign(seenAt)] }), RULES)[0]?.said ?? NaN;
    expect(said('2026-05-02T10:00:00.000Z')).toBeGreaterThan(said('2026-05-04T10:00:00.000Z'));
  });
  test('an empty book, and a pan of a spot since removed, have nothing to show', () => {
    expect(replayChances(ground([]), RULES)).toEqual([]);
    expect(replayChances(ground([pan('gone', 1, 3)]), RULES)).toEqual([]);
  });
});
