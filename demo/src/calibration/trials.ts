import { coinTrial, normalDraw, type CoinRound, type Random } from '@riffle/core';
import { Tally } from './tally.ts';

const ROUNDS = 20;

/** Two boxes fed from one heap, round by round, whoever comes first finding the heap a little better mixed: alike, or one holding half as much again. */
export function calibrateTrials(trials: number, random: Random) {
  const alike = new Tally(
    'One of two that are alike is named the better, looked at after each of 20 rounds',
    'at most once in 10',
  );
  const better = new Tally('Where one brings half as much again, it is named within 20 rounds', 'speaks');
  const rightly = new Tally('The one that is named is the better one', 'true in 95 %');
  for (let i = 0; i < trials; i++) {
    const spread = 0.15 + 0.25 * random();
    const gain = 1 + 0.2 * random();
    for (const times of [1, 1.5]) {
      const rounds = Array.from({ length: ROUNDS }, (): CoinRound => {
        const heap = Math.exp(0.6 * normalDraw(random));
        const first = random() < 0.5;
        const figure = (more: number, comesFirst: boolean): number =>
          heap * more * (comesFirst ? gain : 1) * Math.exp(spread * normalDraw(random));
        return { a: figure(times, first), b: figure(1, !first) };
      });
      const { better: named } = coinTrial(rounds, 'more');
      if (times === 1) alike.add(named !== null);
      else {
        better.add(named !== null);
        if (named !== null) rightly.add(named === 'A');
      }
    }
  }
  return { alike, better, rightly };
}
