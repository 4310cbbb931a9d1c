import type { Trial } from '@riffle/contract';
import { normalDraw, seededRandom } from '@riffle/core';
import { entered, type Book } from './book.ts';

/** Two mats in the Short Ten, fed from one split heap in the evenings of two days: the second holds a fifth more, which five rounds do not tell. */
const [ROUNDS, BETTER, SCATTER] = [5, 1.2, 0.3];

/** A comparison by coin of the demo, still open. */
export function trialWrites({ put, nextId, onDay }: Book, groundId: string): void {
  const random = seededRandom(1951);
  const rounds = Array.from({ length: ROUNDS }, (_, i): Trial['rounds'][number] => {
    const heap_mg = 9 * Math.exp(0.4 * normalDraw(random));
    const figure = (times: number): Trial['rounds'][number]['a'] => {
      const value = Math.round(10 * heap_mg * times * Math.exp(SCATTER * normalDraw(random))) / 10;
      return { value, entered: entered(`${value}`, 'mg') };
    };
    return {
      tossedAt: onDay(80 + Math.floor(i / 3)),
      first: random() < 0.5 ? 'A' : 'B',
      a: figure(1),
      b: figure(BETTER),
    };
  });
  const trial: Trial = {
    id: nextId(80),
    deleted: false,
    groundId,
    a: 'riffles on old carpet',
    b: 'riffles on new carpet',
    measure: 'gold in the box',
    rounds,
    note: '',
  };
  put('trials', trial);
}
