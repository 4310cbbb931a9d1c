import type { DayPlan, DayProblem } from '@riffle/core';
import { proxy, wrap, type Remote } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { PlanWorker } from '../workers/plan.worker.ts';

export interface Planner {
  /** Riffle's own order; null until the first is found. */
  readonly plan: DayPlan | null;
  /** How far the search is, 0 to 1; null when it rests. */
  readonly searching: number | null;
  stop(): void;
}

/** Plans a day in a worker, anew whenever the problem changes. A search under way gives way to the next. */
export function usePlanner(problem: DayProblem | null): Planner {
  const worker = useRef<{ remote: Remote<PlanWorker>; end: () => void } | null>(null);
  const [plan, setPlan] = useState<DayPlan | null>(null);
  const [searching, setSearching] = useState<number | null>(null);

  useEffect(() => {
    const thread = new Worker(new URL('../workers/plan.worker.ts', import.meta.url), { type: 'module' });
    worker.current = { remote: wrap<PlanWorker>(thread), end: () => thread.terminate() };
    return () => worker.current?.end();
  }, []);

  useEffect(() => {
    const remote = worker.current?.remote;
    if (!problem || !remote) return undefined;
    let current = true;
    const timer = setTimeout(() => {
      setSearching(0);
      void remote
        .plan(
          problem,
          proxy((done, best) => {
            if (!current) return;
            setSearching(done);
            setPlan(best);
          }),
        )
        .then((found) => {
          if (!current) return;
          if (found) setPlan(found);
          setSearching(null);
        });
    }, 120);
    return () => {
      current = false;
      clearTimeout(timer);
      void remote.stop();
    };
  }, [problem]);

  const stop = (): void => {
    void worker.current?.remote.stop();
    setSearching(null);
  };
  return { plan, searching, stop };
}
