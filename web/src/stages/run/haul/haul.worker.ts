import { weighWays, type ToWash, type UnsureDry, type UnsureHaul, type WeighedWays } from '@riffle/core';
import { exposeWork } from '../../../workers/steps.ts';

export interface HaulProblem {
  readonly gravel: ToWash;
  /** Null: no washer was set here. */
  readonly washer: UnsureDry | null;
  readonly pan: UnsureDry;
  readonly haul: UnsureHaul;
}

function* weighHaul({ gravel, washer, pan, haul }: HaulProblem): Generator<{ done: number }, WeighedWays> {
  yield { done: 0 };
  return weighWays(gravel, washer, pan, haul);
}
exposeWork(weighHaul);
