import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  beliefMean_mg_L,
  bestOf,
  chanceRicher,
  meaningOf,
  NO_COLORS,
  type SizedSeeding,
  type SpotPan,
} from '../index.ts';

type Pan = SpotPan & { readonly panner: string };

const bank = { swell_percent: 0 };
const spot = (id: string) => ({ id, name: id });
const pan = (spotId: string, colors: number, some: Partial<Pan> = {}): Pan => ({
  spotId,
  depth_m: 0.3,
  layerId: null,
  volume_L: 10,
  volumeState: 'bank',
  counts: { ...NO_COLORS, '-40': colors },
  gold_mg: null,
  panner: '',
  ...some,
});
const seeding = (panner: string, cameBack: number, size: SizedSeeding['size'] = '-40'): SizedSeeding => ({
  panner,
  size,
  putIn: 10,
  cameBack,
});

describe('what the pans say together', () => {
  test('best first, blanks last, what was never panned not at all', () => {
    const { spots } = meaningOf(bank, ['a', 'b', 'c', 'd'].map(spot), [pan('a', 0), pan('b', 3), pan('c', 30)], []);
    expect(spots.map((m) => m.spot.id)).toEqual(['c', 'b', 'a']);
    expect(spots.map((m) => m.grade.grade.kind)).toEqual(['band', 'band', 'blank']);
  });
  test('pans of a spot count together: two of 10 L with 4 and 8 are one of 20 L with 12', () => {
    const [two] = meaningOf(bank, [spot('a')], [pan('a', 4), pan('a', 8)], []).spots;
    const [one] = meaningOf(bank, [spot('a')], [pan('a', 12, { volume_L: 20 })], []).spots;
    expect(two?.volumeBank_L).toBe(20);
    // By hand: half a color before anything is counted, then 12 of the ground's weight in 20 L.
    const { weights_mg } = meaningOf(bank, [spot('a')], [pan('a', 12, { volume_L: 20 })], []).colors;
    for (const m of [one, two])
      expect(m && beliefMean_mg_L(m.grade.own)).toBeCloseTo((12.5 * weights_mg['-40']) / 20, 9);
    // Two pans that agree say more than one of twice the size: patchy ground would have shown itself.
    expect(two?.grade.own.shape ?? 0).toBeGreaterThan(one?.grade.own.shape ?? Infinity);
  });
  test('loose pans hold less ground', () => {
    const [loose] = meaningOf({ swell_percent: 25 }, [spot('a')], [pan('a', 4, { volumeState: 'loose' })], []).spots;
    expect(loose?.volumeBank_L).toBeCloseTo(8, 9);
  });
  test('hands correct only where every panner of the spot was tried, with grains of the size its gold has', () => {
    const hands = (panners: string[], seedings: SizedSeeding[]) =>
      meaningOf(
        bank,
        [spot('a')],
        panners.map((panner, i) => pan('a', 3 + i, { panner })),
        seedings,
      ).spots[0]?.hands?.share ?? null;
    expect(hands(['Wren'], [seeding('Wren', 8)])).toBeCloseTo(0.8, 9);
    expect(hands(['Wren', 'Ash'], [seeding('Wren', 8), seeding('Ash', 6)])).toBeCloseTo(0.7, 9);
    expect([hands(['Wren', 'Ash'], [seeding('Wren', 8)]), hands([''], [seeding('', 8)])]).toEqual([null, null]);
    // Pickers that stay say nothing of specks.
    expect(hands(['Wren'], [seeding('Wren', 10, '10-20')])).toBeNull();
    expect(hands(['Wren'], [seeding('Wren', 10, '10-20'), seeding('Wren', 7)])).toBeCloseTo(0.7, 9);
  });
});

describe('the best of them', () => {
  test('chances sum to 1, the likeliest first, two as the pair says', () =>
    fc.assert(
      fc.property(fc.array(fc.nat(40), { minLength: 1, maxLength: 30 }), (counts) => {
        const ids = counts.map((_, i) => `s${i}`);
        const best = bestOf(
          meaningOf(
            bank,
            ids.map(spot),
            counts.map((n, i) => pan(ids[i] ?? '', n)),
            [],
          ).spots,
        );
        expect(best).toHaveLength(counts.length);
        expect(best.reduce((sum, b) => sum + b.chance, 0)).toBeCloseTo(1, 9);
        best.slice(1).forEach((b, i) => expect(b.chance).toBeLessThanOrEqual((best[i]?.chance ?? 0) + 1e-12));
        const [first, second] = best;
        if (best.length === 2 && first && second)
          expect(first.chance).toBeCloseTo(chanceRicher(first.meant.belief, second.meant.belief), 2);
      }),
      { seed: 1763, numRuns: 60 },
    ));
  test('nothing panned is no best', () => expect(bestOf([])).toEqual([]));
});
