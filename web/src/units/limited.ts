import { numberProblem, type NumberLimit } from '@riffle/contract';
import type { Reading } from './readEntered.ts';

/** A reading within what its field takes; beyond it, what is wrong. `times`: to the unit of the limit. */
export function limited(reading: Reading, limit: NumberLimit, times = 1): Reading {
  const problem = reading.ok ? numberProblem(limit, reading.value * times) : null;
  return problem === null ? reading : { ok: false, problem };
}
