import { mapGround, type GroundMap, type GroundProblem } from '@riffle/core';
import { transfer } from 'comlink';
import { exposeWork } from '../../../workers/steps.ts';

/** How far a map is, 0 to 1. */
export interface MapStep {
  readonly done: number;
}

function* steps(problem: GroundProblem): Generator<MapStep, GroundMap> {
  const mapping = mapGround(problem);
  for (;;) {
    const step = mapping.next();
    if (step.done) return step.value;
    yield { done: step.value };
  }
}

exposeWork(steps, (map) =>
  transfer(
    map,
    [map.grade_mg_L, map.sd_mg_L, map.pay_m, map.cover_m, map.from, map.sampleIndex, map.sampleWeight].map(
      (a) => a.buffer,
    ),
  ),
);
