import {
  inPlace,
  meanBand,
  sampleWeights,
  type GroundMap,
  type GroundProblem,
  type InPlace,
  type PlacedGround,
} from '@riffle/core';
import { useDeferredValue, useMemo } from 'react';
import { useWork } from '../../../workers/useThread.ts';
import type { MapStep } from './ground.worker.ts';

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
export function useGroundMap(
  problem: GroundProblem | null,
  cutoff_mg_L: number,
  placed: Pick<PlacedGround<unknown>, 'together' | 'commonLogSd'>,
): GroundMapInHand {
  const { solved, working, failed, stop } = useWork<GroundProblem, MapStep, GroundMap>(openThread, problem);
  const settled = useDeferredValue(cutoff_mg_L);
  const all = useMemo(() => solved && banded(solved.result, solved.problem, 0, placed), [solved, placed]);
  const above = useMemo(
    () => solved && banded(solved.result, solved.problem, settled, placed),
    [solved, settled, placed],
  );
  return {
    map: problem && solved ? solved.result : null,
    working,
    failed,
    all: problem ? all : null,
    above: problem ? above : null,
    stop,
  };
}

function banded(
  map: GroundMap,
  { places }: GroundProblem,
  cutoff_mg_L: number,
  { together, commonLogSd }: Pick<PlacedGround<unknown>, 'together' | 'commonLogSd'>,
): BandedInPlace {
  const sum = inPlace(map, cutoff_mg_L);
  return {
    ...sum,
    band:
      sum.grade_mg_L === null || together === null
        ? null
        : meanBand(
            sum.grade_mg_L,
            together,
            sampleWeights(map, places.length, cutoff_mg_L),
            commonLogSd,
            cutoff_mg_L > 0,
          ),
  };
}
