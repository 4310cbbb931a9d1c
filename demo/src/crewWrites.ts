import type { WorkRound } from '@riffle/contract';
import { gammaDraw, seededRandom } from '@riffle/core';
import { BUCKET, type Book } from './book.ts';

/** Seconds of a bucket at Halloway Creek: stony ground is slow to dig, the box stands beside the hole. */
const TRUE_S = { dig_s: 205, carry_s: 45, screen_s: 55, feed_s: 70 };
const [ROUNDS, SHAPE] = [3, 14];

/** Buckets timed by the two at the long box: one digs and carries, one screens and feeds, and waits. */
export function crewWrites({ put, nextId, onDay }: Book, groundId: string): void {
  const random = seededRandom(1949);
  const drawn = (mean_s: number): number => Math.round((mean_s * gammaDraw(SHAPE, random)) / SHAPE);
  for (let i = 0; i < ROUNDS; i++) {
    const day = 78 + 3 * i;
    const round: WorkRound = {
      id: nextId(day),
      deleted: false,
      groundId,
      timedAt: onDay(day),
      ...BUCKET,
      dig_s: drawn(TRUE_S.dig_s),
      carry_s: drawn(TRUE_S.carry_s),
      screen_s: drawn(TRUE_S.screen_s),
      feed_s: drawn(TRUE_S.feed_s),
      posts: [
        { tasks: ['dig', 'carry'], people: 1 },
        { tasks: ['screen', 'feed'], people: 1 },
      ],
      pails: 4,
      note: '',
    };
    put('work-rounds', round);
  }
}
