import type { StoredGaugeReading, StoredGround, StoredSign, StoredSwellReading } from '@riffle/contract';
import {
  riverNow,
  type ColorCounts,
  type GroundColors,
  type GroundGrades,
  type JoiningGround,
  type RiverNow,
  type SpotGrade,
} from '@riffle/core';
import { useMemo } from 'react';
import { usePanned, type Panned } from './usePanned.ts';
import { useNow } from '../ui/useNow.ts';
import { useRecords } from '../records/useRecords.ts';

/** What the book says of a ground as one reads it: its records, and what they come to. */
export interface Reading extends Pick<Panned, 'samples' | 'sampleCount' | 'pace'> {
  readonly ground: StoredGround;
  readonly signs: readonly StoredSign[];
  readonly readings: readonly StoredGaugeReading[];
  /** The sea off a beach. */
  readonly swell: readonly StoredSwellReading[];
  readonly colors: GroundColors;
  /** All colors of its pans, by class. */
  readonly counts: ColorCounts;
  readonly grades: ReadonlyMap<string, SpotGrade>;
  /** What its spots are like together; null before anything was panned. */
  readonly together: GroundGrades | null;
  readonly river: RiverNow<StoredGaugeReading> | null;
  /** Draws of the book that join it. */
  readonly draws: readonly JoiningGround[];
  readonly swell_percent: number;
}

/** A reading dated ahead of now is none until then. */
const NOW_AND_THEN_MS = 600_000;

/**
 * Reads a ground: grades of its spots, its river. What takes longer, its trail and ranking, comes a moment later (`rankReading`).
 * @param later its pans are not graded yet: what they say first came with the document
 */
export function useReading(ground: StoredGround, later = false): Reading {
  const { panned, samples, sampleCount, pace } = usePanned(ground, later);
  const signs = useRecords('signs', ground.id).items;
  const readings = useRecords('gauge-readings', ground.id).items;
  const swell = useRecords('swell-readings', ground.kind === 'beach' ? ground.id : '').items;
  const grounds = useRecords('grounds').items;
  const { swell_percent } = ground;
  const grades = useMemo(() => new Map(panned.grades.map((g) => [g.spotId, g])), [panned]);
  const now_ms = useNow(NOW_AND_THEN_MS);
  const river = useMemo(() => riverNow(readings, now_ms), [readings, now_ms]);
  const draws = useMemo(
    () =>
      grounds.flatMap(({ id, name, joins }): JoiningGround[] =>
        joins?.groundId === ground.id ? [{ id, name, distance_m: joins.distance_m, bank: joins.bank }] : [],
      ),
    [grounds, ground.id],
  );
  return useMemo(() => {
    const { colors, counts, together } = panned;
    const said = { samples, sampleCount, pace, colors, counts, grades, together };
    return { ground, ...said, signs, readings, swell, river, draws, swell_percent };
  }, [ground, samples, sampleCount, pace, panned, grades, signs, readings, swell, river, draws, swell_percent]);
}
