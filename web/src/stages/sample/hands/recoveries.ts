import type { StoredSeeding } from '@riffle/contract';
import { handsRecovery, type Recovery } from '@riffle/core';

/** What each panner keeps, from their practice pans; in order of name. */
export function recoveries(seedings: readonly StoredSeeding[]): { panner: string; recovery: Recovery }[] {
  const panners = [...new Set(seedings.map((s) => s.panner))].sort();
  return panners.flatMap((panner) => {
    const recovery = handsRecovery(seedings.filter((s) => s.panner === panner));
    return recovery ? [{ panner, recovery }] : [];
  });
}
