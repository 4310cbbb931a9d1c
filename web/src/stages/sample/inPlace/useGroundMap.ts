import {
  bootstrapBand,
  inPlace,
  sampleWeights,
  seededRandom,
  type GroundMap,
  type GroundProblem,
  type InPlace,
} from '@riffle/core';
import { useDeferredValue, useMemo } from 'react';
import { useWork } from '../../../workers/useThread.ts';
import type { MapStep } from './ground.worker.ts';

/** Fixed, so that the same samples give the same band. */
const SEED = 1979;
/** Enough for the ends of a 90 % band, and quick enough to follow a moving cut-off. */
const DRAWS = 600;

/** What lies in the ground with the band of its mean grade; no band when there are too few samples. */
export interface BandedInPlace extends InPlace {
  readonly band: { readonly low_mg_L: number; readonly high_mg_L: number } | null;
}

export interface GroundMapInHand {
  readonly map: GroundMap | null;
  /** How far it is, 0 to 1; null when it rests. */
  readonly working: number | null;
  readonly failed: string | null;
  readonly all: BandedInPlace | null;
  /** What reaches the cut-off; follows a moving cut-off a moment later. */
  readonly above: BandedInPlace | null;
  readonly stop: () => void;
}

const openThread = (): Worker => new Worker(new URL('./ground.worker.ts', import.meta.url), { type: 'module' });

/** Maps a ground in a worker, anew whenever the problem changes. The cut-off is not part of it: moving it costs nothing. */
export function useGroundMap(problem: GroundProblem | null, cutoff_mg_L: number): GroundMapInHand {
  const { solved, working, failed, stop } = useWork<GroundProblem, MapStep, GroundMap>(openThread, problem);
  const settled = useDeferredValue(cutoff_mg_L);
  const all = useMemo(() => solved && banded(solved.result, solved.problem, 0), [solved]);
  const above = useMemo(() => solved && banded(solved.result, solved.problem, settled), [solved, settled]);
  return {
    map: problem && solved ? solved.result : null,
    working,
    failed,
    all: problem ? all : null,
    above: problem ? above : null,
    stop,
  };
}

function banded(map: GroundMap, { places }: GroundProblem, cutoff_mg_L: number): BandedInPlace {
  const sum = inPlace(map, cutoff_mg_L);
  return {
    ...sum,
    band:
      sum.grade_mg_L === null
        ? null
        : bootstrapBand(places, sampleWeights(map, places.length, cutoff_mg_L), seededRandom(SEED), 0.9, DRAWS),
  };
}
