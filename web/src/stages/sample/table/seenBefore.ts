import type { Sample } from '@riffle/contract';
import { COLOR_CLASSES } from '@riffle/core';
import type { LocalTime } from '../../../when/localTime.ts';

/** What makes two rows of a table the same pan: place, day, depth, amount and what was counted or weighed. */
export type PanOfRow = Pick<Sample, 'spotId' | 'takenAt' | 'depth_m' | 'volume_L' | 'counts' | 'gold_mg'>;

const keyOf = ({ spotId, takenAt, depth_m, volume_L, counts, gold_mg }: PanOfRow, local: LocalTime): string =>
  [
    spotId,
    local.isoDay(takenAt),
    depth_m.toFixed(3),
    volume_L.toFixed(2),
    ...COLOR_CLASSES.map((c) => counts[c]),
    gold_mg === null ? '' : gold_mg.toFixed(3),
  ].join('|');

/** The pans of a book, to be asked row by row whether one is there already. Two equal pans of the book answer for two rows, not for three. */
export class SeenBefore {
  readonly #left = new Map<string, number>();
  readonly #local: LocalTime;

  /** @param local the ground's clock: the day of a pan is the ground's */
  constructor(pans: readonly PanOfRow[], local: LocalTime) {
    this.#local = local;
    for (const pan of pans) {
      const key = keyOf(pan, this.#local);
      this.#left.set(key, (this.#left.get(key) ?? 0) + 1);
    }
  }

  has(pan: PanOfRow): boolean {
    const key = keyOf(pan, this.#local);
    const left = this.#left.get(key) ?? 0;
    if (left > 0) this.#left.set(key, left - 1);
    return left > 0;
  }
}
