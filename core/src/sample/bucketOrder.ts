import { requireWithin } from '../outOfRange.ts';

/** Pans of one bucket, numbered from its top. */
export interface PanOfBucket {
  readonly nth: number;
  readonly of: number;
}

/**
 * Whether a bucket is judged by its top: heavies sink in a settled bucket, so pans from the top alone say nothing about what lies at the bottom.
 * Answers the first pan still missing below the last one panned; null when the bucket is panned out, or no pan is numbered.
 * Common practice, no source.
 */
export function judgedByItsTop(pans: readonly PanOfBucket[]): { readonly panned: number; readonly of: number } | null {
  if (pans.length === 0) return null;
  for (const p of pans) requireWithin('nth', p.nth, 1, p.of);
  const of = Math.max(...pans.map((p) => p.of));
  const done = new Set(pans.map((p) => p.nth));
  return done.has(of) ? null : { panned: done.size, of };
}
