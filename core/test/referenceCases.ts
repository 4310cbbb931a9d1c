import { readFileSync } from 'node:fs';
import { expect } from '@jest/globals';

/** One independently computed check value: see the `source` and `crosscheck` of its file in `core/test/reference`. */
export interface ReferenceCase<I = Readonly<Record<string, never>>, E = Readonly<Record<string, never>>> {
  readonly id: string;
  // The files hold numbers, texts and lists by formula; each test names the ones it takes.
  readonly inputs: I;
  readonly expected: E;
  readonly tolerance_relative: number;
  readonly tolerance_absolute?: number;
}

export function referenceCases<I = Readonly<Record<string, never>>, E = Readonly<Record<string, never>>>(
  name: string,
): ReferenceCase<I, E>[] {
  const file = JSON.parse(readFileSync(new URL(`./reference/${name}.json`, import.meta.url), 'utf8')) as {
    cases: ReferenceCase<I, E>[];
  };
  return file.cases;
}

/** Passes when got is within the case's own tolerance of the expected value. */
export function expectNear(
  got: number,
  expected: number,
  c: Pick<ReferenceCase, 'tolerance_relative' | 'tolerance_absolute'>,
): void {
  expect(Math.abs(got - expected)).toBeLessThanOrEqual(
    Math.max(c.tolerance_relative * Math.abs(expected), c.tolerance_absolute ?? 0),
  );
}
