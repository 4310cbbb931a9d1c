import type { Pan, StoredGaugeReading, StoredGround, StoredSign, StoredSwellReading } from '@riffle/contract';
import {
  gradeSpots,
  riverNow,
  type GroundColors,
  type GroundGrades,
  type JoiningGround,
  type RiverNow,
  type SpotGrade,
} from '@riffle/core';
import { useMemo } from 'react';
import { useColors } from './useColors.ts';
import { usePans } from '../records/usePans.ts';
import { useRecords } from '../records/useRecords.ts';

/** What the book says of a ground as one reads it: its records, and what they come to. */
export interface Reading {
  readonly ground: StoredGround;
  readonly samples: readonly Pan[];
  readonly signs: readonly StoredSign[];
  readonly readings: readonly StoredGaugeReading[];
  /** The sea off a beach. */
  readonly swell: readonly StoredSwellReading[];
  readonly colors: GroundColors;
  readonly grades: ReadonlyMap<string, SpotGrade>;
  /** What its spots are like together; null before anything was panned. */
  readonly together: GroundGrades | null;
  readonly river: RiverNow<StoredGaugeReading> | null;
  /** Draws of the book that join it. */
  readonly draws: readonly JoiningGround[];
  readonly swell_percent: number;
}

const NO_PANS: readonly Pan[] = [];

/**
 * Reads a ground: grades of its spots, its river. What takes longer, its trail and ranking, comes a moment later (`rankReading`).
 * @param later its pans are not graded yet: what they say first came with the document
 */
export function useReading(ground: StoredGround, later = false): Reading {
  const samples = usePans(ground.id).items;
  const signs = useRecords('signs', ground.id).items;
  const readings = useRecords('gauge-readings', ground.id).items;
  const swell = useRecords('swell-readings', ground.kind === 'beach' ? ground.id : '').items;
  const pits = useRecords('pits', ground.id).items;
  const grounds = useRecords('grounds').items;
  const { swell_percent } = ground;
  const graded = later ? NO_PANS : samples;
  const colors = useColors(ground, graded);
  const { grades, ground: together } = useMemo(
    () => gradeSpots(graded, swell_percent, colors, pits),
    [graded, swell_percent, colors, pits],
  );
  const river = useMemo(() => riverNow(readings), [readings]);
  const draws = useMemo(
    () =>
      grounds.flatMap(({ id, name, joins }): JoiningGround[] =>
        joins?.groundId === ground.id ? [{ id, name, distance_m: joins.distance_m, bank: joins.bank }] : [],
      ),
    [grounds, ground.id],
  );
  return useMemo(
    () => ({ ground, samples, signs, readings, swell, colors, grades, together, river, draws, swell_percent }),
    [ground, samples, signs, readings, swell, colors, grades, together, river, draws, swell_percent],
  );
}
