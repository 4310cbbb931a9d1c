import { describe, expect, test } from '@jest/globals';
import { NO_COLORS, ownRecord, type SpotPan } from '../index.ts';

type Pan = SpotPan & { readonly takenAt: string };
const pan = (spotId: string, fine: number, takenAt: string): Pan => ({
  spotId,
  depth_m: 0.3,
  layerId: null,
  volume_L: 10,
  volumeState: 'bank',
  counts: { ...NO_COLORS, '-40': fine },
  gold_mg: null,
  takenAt,
});
const run = (spotId: string, gold_mg: number, startedAt = '2026-05-10T08:00:00.000Z') => ({
  cleanupId: `c-${spotId}-${gold_mg}`,
  spotId,
  startedAt,
  volumeBank_L: 100,
  gold_mg,
});
const pans = [
  pan('a', 12, '2026-05-01T08:00:00.000Z'),
  pan('a', 9, '2026-05-02T08:00:00.000Z'),
  pan('b', 1, '2026-05-02T08:00:00.000Z'),
  // Taken after the run: no forecast may know it.
  pan('a', 400, '2026-05-20T08:00:00.000Z'),
];

describe('forecasts opened', () => {
  test('what the pans before the run said against what the box held; later pans say nothing', () => {
    const [one] = ownRecord([run('a', 9)], pans, 0);
    expect(one).toMatchObject({ spotId: 'a', came_mg_L: 0.09, pans: 2, held: true });
    expect(one?.high_mg_L).toBeLessThan(1);
    expect(ownRecord([run('a', 9)], pans.slice(0, 3), 0)).toEqual([one]);
  });
  test('a hundred times as much was not said', () =>
    expect(ownRecord([run('a', 9000)], pans, 0)[0]).toMatchObject({ held: false, came_mg_L: 90 }));
  test('no pan before, no forecast; the latest stands first', () => {
    expect(ownRecord([run('a', 9, '2026-04-01T08:00:00.000Z'), run('z', 9)], pans, 0)).toEqual([]);
    expect(ownRecord([run('a', 9), run('b', 1, '2026-06-01T08:00:00.000Z')], pans, 0).map((f) => f.spotId)).toEqual([
      'b',
      'a',
    ]);
  });
});
