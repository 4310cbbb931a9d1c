import { mapGround, type GroundMap, type GroundProblem } from '@riffle/core';
import { expose, transfer } from 'comlink';

/** Lets messages in between steps, so that a map can be stopped. */
const breathe = (): Promise<void> =>
  new Promise((resolve) => {
    setTimeout(resolve, 0);
  });
/** Rows go by so fast that a word after each would take longer than the row. */
const SAY_EVERY_MS = 40;

let asked = 0;

export const groundWorker = {
  /** The map of a ground; null when another was asked for meanwhile, or it was stopped. */
  async map(problem: GroundProblem, onStep: (done: number) => void): Promise<GroundMap | null> {
    const mine = ++asked;
    const steps = mapGround(problem);
    for (let said = performance.now(); ;) {
      const step = steps.next();
      if (step.done) {
        const map = step.value;
        return transfer(
          map,
          [map.grade_mg_L, map.sd_mg_L, map.pay_m, map.cover_m, map.from, map.sampleIndex, map.sampleWeight].map(
            (a) => a.buffer,
          ),
        );
      }
      if (performance.now() - said > SAY_EVERY_MS) {
        onStep(step.value);
        await breathe();
        if (mine !== asked) return null;
        said = performance.now();
      }
    }
  },
  stop(): void {
    asked++;
  },
};
export type GroundWorker = typeof groundWorker;
expose(groundWorker);
