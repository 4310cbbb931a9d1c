import { handsRecovery, type Recovery } from './handsRecovery.ts';

/** A practice pan: whose, how many grains went in and came back. */
export interface PannerSeeding {
  readonly panner: string;
  readonly putIn: number;
  readonly cameBack: number;
}

/** What each panner keeps, from their practice pans; in order of name. */
export function handsOf(seedings: readonly PannerSeeding[]): { panner: string; recovery: Recovery }[] {
  const panners = [...new Set(seedings.map((s) => s.panner))].sort();
  return panners.flatMap((panner) => {
    const recovery = handsRecovery(seedings.filter((s) => s.panner === panner));
    return recovery ? [{ panner, recovery }] : [];
  });
}
