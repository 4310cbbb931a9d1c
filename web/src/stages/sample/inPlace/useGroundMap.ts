import { inPlace, type GroundProblem, type InPlace } from '@riffle/core';
import { proxy, wrap, type Remote } from 'comlink';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { GroundWorker, MappedGround } from '../../../workers/ground.worker.ts';

export interface GroundMapInHand {
  readonly mapped: MappedGround | null;
  /** How far it is, 0 to 1; null when it rests. */
  readonly working: number | null;
  readonly failed: string | null;
  readonly all: InPlace | null;
  readonly above: InPlace | null;
  readonly stop: () => void;
}

/** Maps a ground in a worker, anew whenever the problem changes. The cut-off is not part of it: moving it costs nothing. */
export function useGroundMap(problem: GroundProblem | null, cutoff_mg_L: number): GroundMapInHand {
  const worker = useRef<Remote<GroundWorker> | null>(null);
  const [mapped, setMapped] = useState<MappedGround | null>(null);
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
      remote.map(problem, proxy((done) => { if (current) setWorking(done); })).then((found) => {
        if (!current) return;
        if (found) setMapped(found);
        setWorking(null);
      }, (error: Error) => {
        if (!current) return;
        setFailed(error.message);
        setWorking(null);
      });
    }, 150);
    return () => {
      current = false;
      clearTimeout(timer);
      void remote.stop();
    };
  }, [problem]);
  const all = useMemo(() => mapped && inPlace(mapped.map), [mapped]);
  const above = useMemo(() => mapped && inPlace(mapped.map, cutoff_mg_L), [mapped, cutoff_mg_L]);
  return { mapped: problem ? mapped : null, working, failed, all: problem ? all : null, above: problem ? above : null, stop: () => { void worker.current?.stop(); setWorking(null); } };
}
