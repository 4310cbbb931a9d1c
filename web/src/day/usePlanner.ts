import type { DayPlan, DayPlanStep, DayProblem } from '@riffle/core';
import { useWork } from '../workers/useThread.ts';

export interface Planner {
  /** Riffle's own order; null until the first is found. */
  readonly plan: DayPlan | null;
  /** That order answers a day as it was a moment ago. */
  readonly isOld: boolean;
  /** How far the search is, 0 to 1; null when it rests. */
  readonly searching: number | null;
  stop(): void;
}

const openThread = (): Worker => new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' });

/** Plans a day in a worker, anew whenever the problem changes. */
export function usePlanner(problem: DayProblem | null): Planner {
  const { solved, said, working, stop } = useWork<DayProblem, DayPlanStep, DayPlan>(openThread, problem);
  return {
    plan: said?.best ?? solved?.result ?? null,
    isOld: solved !== null && said === null && solved.problem !== problem,
    searching: working,
    stop,
  };
}
