import { NUMBERS, numberProblem } from '@riffle/contract';
import type { Entered } from '@riffle/core';
import { readEntered, type Reading } from '../units/readEntered.ts';
import { UNITS_OF, type Measure } from './trialWords.ts';

/** One figure of a round as it is typed: gold in a unit, colors whole, minutes plain. */
export function readFigure(measure: Measure, entered: Entered): Reading {
  const text = entered.text.trim();
  const read: Reading =
    UNITS_OF[measure].length > 0
      ? readEntered('mass', entered)
      : text === '' || !Number.isFinite(Number(text))
        ? { ok: false, problem: 'A number.' }
        : { ok: true, value: Number(text) };
  if (!read.ok) return read;
  const whole = measure.startsWith('colors') && !Number.isInteger(read.value);
  const problem = whole ? 'A whole number.' : numberProblem(NUMBERS.trialFigure, read.value);
  return problem === null ? read : { ok: false, problem };
}
