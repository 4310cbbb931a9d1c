import { planDay, type DayPlan, type DayProblem } from '@riffle/core';
import { expose } from 'comlink';

/** Lets messages in between steps, so that a search can be stopped. */
const breathe = (): Promise<void> =>
  new Promise((resolve) => {
    setTimeout(resolve, 0);
  });

let asked = 0;

export const planWorker = {
  /** The best plan found; null when another was asked for meanwhile, or it was stopped. */
  async plan(problem: DayProblem, onStep: (done: number, best: DayPlan) => void): Promise<DayPlan | null> {
    const mine = ++asked;
    const steps = planDay(problem);
    for (;;) {
      const step = steps.next();
      if (step.done) return step.value;
      onStep(step.value.done, step.value.best);
      await breathe();
      if (mine !== asked) return null;
    }
  },
  stop(): void {
    asked++;
  },
};
export type PlanWorker = typeof planWorker;
expose(planWorker);
