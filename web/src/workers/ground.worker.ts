import { bootstrapBand, mapGround, seededRandom, type GroundMap, type GroundProblem } from '@riffle/core';
import { expose, transfer } from 'comlink';

/** Lets messages in between steps, so that a map can be stopped. */
const breathe = (): Promise<void> => new Promise((resolve) => { setTimeout(resolve, 0); });
/** Rows go by so fast that a word after each would take longer than the row. */
const SAY_EVERY_MS = 40;
/** Fixed, so that the same samples give the same band. */
const SEED = 1979;

export interface MappedGround {
  readonly map: GroundMap;
  readonly band: { readonly low_mg_L: number; readonly high_mg_L: number } | null;
}

let asked = 0;

export const groundWorker = {
  /** The map of a ground with the bootstrap band of its mean; null when another was asked for meanwhile, or it was stopped. */
  async map(problem: GroundProblem, onStep: (done: number) => void): Promise<MappedGround | null> {
    const mine = ++asked;
    const steps = mapGround(problem);
    for (let said = performance.now(); ; ) {
      const step = steps.next();
      if (step.done) {
        const map = step.value;
        const band = bootstrapBand(problem.places, map.weights, seededRandom(SEED));
        return transfer({ map, band }, [map.grade_mg_L.buffer, map.sd_mg_L.buffer, map.pay_m.buffer, map.cover_m.buffer, map.weights.buffer]);
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
