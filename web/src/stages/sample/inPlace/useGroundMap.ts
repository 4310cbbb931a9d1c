import {
  bootstrapBand,
  inPlace,
  sampleWeights,
  seededRandom,
  type GroundMap,
  type GroundProblem,
  type InPlace,
} from '@riffle/core';
import { proxy, wrap, type Remote } from 'comlink';
import { useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import type { GroundWorker } from '../../../workers/ground.worker.ts';

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

/** Maps a ground in a worker, anew whenever the problem changes. The cut-off is not part of it: moving it costs nothing. */
export function useGroundMap(problem: GroundProblem | null, cutoff_mg_L: number): GroundMapInHand {
  const worker = useRef<Remote<GroundWorker> | null>(null);
  const [mapped, setMapped] = useState<{ readonly map: GroundMap; readonly problem: GroundProblem } | null>(null);
  const [working, setWorking] = useState<number | null>(null);
  const [failed, setFailed] = useState<string | null>(null);
  useEffect(() => {
    const thread = new Worker(new URL('../../../workers/ground.worker.ts', import.meta.url), { type: 'module' });
    worker.current = wrap<GroundWorker>(thread);
    return () => thread.terminate();
  }, []);
  useEffect(() => {
    const remote = worker.current;
    if (!problem || !remote) return undefined;
    let current = true;
    const timer = setTimeout(() => {
      setWorking(0);
      setFailed(null);
      remote
        .map(
          problem,
          proxy((done) => {
            if (current) setWorking(done);
          }),
        )
        .then(
          (found) => {
            if (!current) return;
            if (found) setMapped({ map: found, problem });
            setWorking(null);
          },
          (error: Error) => {
            if (!current) return;
            setFailed(error.message);
            setWorking(null);
          },
        );
    }, 150);
    return () => {
      current = false;
      clearTimeout(timer);
      void remote.stop();
    };
  }, [problem]);
  const settled = useDeferredValue(cutoff_mg_L);
  const all = useMemo(() => mapped && banded(mapped.map, mapped.problem, 0), [mapped]);
  const above = useMemo(() => mapped && banded(mapped.map, mapped.problem, settled), [mapped, settled]);
  return {
    map: problem && mapped ? mapped.map : null,
    working,
    failed,
    all: problem ? all : null,
    above: problem ? above : null,
    stop: () => {
      void worker.current?.stop();
      setWorking(null);
    },
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
