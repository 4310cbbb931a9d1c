import { expect, test } from '@jest/globals';
import type { StoredPermission } from '@riffle/contract';
import { daysWords } from './permissionDays.ts';

test.each([
  [null, null, false, ', no days noted'],
  ['2026-05-01', null, false, ', from 1 May 2026'],
  [null, '2026-09-30', false, ', to 30 Sep 2026'],
  ['2026-05-01', '2026-09-30', false, ', from 1 May 2026 to 30 Sep 2026'],
  ['2026-10-15', '2026-04-01', true, ', every year from 15 Oct to 1 Apr'],
] as const)('%s to %s, every year %s: %s', (from, to, everyYear, words) =>
  expect(daysWords({ from, to, everyYear } as StoredPermission)).toBe(words),
);
