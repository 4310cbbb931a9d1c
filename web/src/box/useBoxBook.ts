import type { StoredGround } from '@riffle/contract';
import { beliefBand_mg_L, mixOf } from '@riffle/core';
import { useMemo } from 'react';
import { useRecords } from '../records/useRecords.ts';
import type { Reading } from '../reading/useReading.ts';
import type { BoxBook } from './boxEvidence.ts';

/** What is believed of a grade, as so many that are alike likely: the band's ends and between, evenly in their logarithms. */
const ALIKE = [0.05, 0.25, 0.5, 0.75, 0.95] as const;

/** What the book of a ground holds of its boxes. */
export function useBoxBook(
  ground: StoredGround,
  { counts, colors, grades }: Pick<Reading, 'counts' | 'colors' | 'grades'>,
): BoxBook {
  const rigs = useRecords('rigs').items;
  const setups = useRecords('setups', ground.id).items;
  const runs = useRecords('runs', ground.id).items;
  const lifts = useRecords('lifts', ground.id).items;
  const cleanups = useRecords('cleanups', ground.id).items;
  const tests = useRecords('box-tests', ground.id).items;
  const { swell_percent } = ground;
  const gold = useMemo(() => mixOf(counts), [counts]);
  return useMemo(
    () => ({
      rigs,
      setups,
      runs,
      lifts,
      cleanups,
      tests,
      swell_percent,
      gold,
      luck_mg: colors.luckColor_mg,
      gradesOf: (spotId) => {
        const grade = spotId === null ? undefined : grades.get(spotId);
        if (!grade) return [];
        const { low, high } = beliefBand_mg_L(grade.pooled);
        const from = Math.max(low, high / 100);
        return ALIKE.map((share) => from * (high / from) ** share);
      },
    }),
    [rigs, setups, runs, lifts, cleanups, tests, swell_percent, gold, colors, grades],
  );
}
