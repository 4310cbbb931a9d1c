import type { Pan, StoredGaugeReading, StoredGround, StoredSign, StoredSpot } from '@riffle/contract';
import {
  groundColors,
  riverNow,
  spotGrades,
  traceColors,
  triedSpots,
  type RiverNow,
  type SpotGrade,
  type Trace,
  type TracePoint,
} from '@riffle/core';
import { useMemo } from 'react';
import { usePans } from '../records/usePans.ts';
import { useRecords } from '../records/useRecords.ts';

/** What the book says of a ground as one reads it: its records, and what they come to. */
export interface Reading {
  readonly samples: readonly Pan[];
  readonly signs: readonly StoredSign[];
  readonly readings: readonly StoredGaugeReading[];
  readonly grades: ReadonlyMap<string, SpotGrade>;
  readonly tried: readonly TracePoint[];
  readonly trace: Trace;
  readonly river: RiverNow<StoredGaugeReading> | null;
}

/** Reads a ground: grades of its spots, its trail, its river. */
export function useReading(ground: StoredGround, spots: readonly StoredSpot[]): Reading {
  const samples = usePans(ground.id).items;
  const signs = useRecords('signs', ground.id).items;
  const readings = useRecords('gauge-readings', ground.id).items;
  const { swell_percent } = ground;
  const grades = useMemo(
    () => spotGrades(samples, swell_percent, groundColors(samples, swell_percent)),
    [samples, swell_percent],
  );
  const tried = useMemo(() => triedSpots(spots, samples, swell_percent), [spots, samples, swell_percent]);
  const trace = useMemo(() => traceColors(tried), [tried]);
  const river = useMemo(() => riverNow(readings), [readings]);
  return useMemo(
    () => ({ samples, signs, readings, grades, tried, trace, river }),
    [samples, signs, readings, grades, tried, trace, river],
  );
}
