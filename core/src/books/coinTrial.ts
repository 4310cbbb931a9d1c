import { bisect } from '../maths/bisect.ts';
import { requireWithin } from '../outOfRange.ts';

/** One round: what A and B came to, tried one after the other in an order that a coin gave. */
export interface CoinRound {
  readonly a: number;
  readonly b: number;
}

export interface CoinTrial {
  /** Which is better, said wrongly at most once in ten trials of two that are alike, however often one looks; null: cannot tell yet. */
  readonly better: 'A' | 'B' | null;
  /** How much likelier what came is if one is better than if both are alike: at 10 it is said. */
  readonly evidence: number;
  readonly wonByA: number;
  readonly wonByB: number;
  /** Rounds in which both came to the same: they tell nothing. */
  readonly even: number;
  /** If every round from now on went to the one that leads, so many more would settle it; null once it is said. */
  readonly more: number | null;
  /** Of ten rounds that are not even, A would win between these, nine times in ten. */
  readonly aWinsOfTen: { readonly low: number; readonly high: number };
}

/** One in ten: what a wrong word costs here is a mat or a notch of pitch. */
const SAID_AT = 10;
/** Bets between all on B and all on A, by the arcsine law: Chebyshev's points weigh it evenly. */
const BETS = Array.from({ length: 48 }, (_, k) => Math.cos(((2 * k + 1) * Math.PI) / 96));
/** What would settle it is looked for so far. */
const MOST_ROUNDS = 40;

/**
 * Two set-ups, mats or ways of working compared round by round, the order in each round by the toss of a coin, until one is better or nobody cares.
 * If both are alike, the coin alone decides which of a round's two figures is A's: the sign of the difference is even whatever the figures are and however
 * the ground changes. So a bet on it that may take the size of the difference, but not its sign, into account is fair, and its stake exceeds ten at any time
 * in at most one trial of ten (Ville 1939; Robbins 1970, Ann. Math. Stat. 41, 1397-1409). The bets are mixed by the arcsine law; a round stakes its
 * difference over the mean difference so far, at most all.
 * @param rounds in the order they were tried; figures of 0 or more
 * @param better which of two figures is the better
 * @throws OutOfRange for a figure below 0
 */
export function coinTrial(rounds: readonly CoinRound[], better: 'more' | 'less'): CoinTrial {
  const towardA = rounds.map(({ a, b }) => {
    requireWithin('a', a, 0, 1e9);
    requireWithin('b', b, 0, 1e9);
    const by = a === b ? 0 : (a - b) / (a + b);
    return better === 'more' ? by : -by;
  });
  const told = towardA.filter((d) => d !== 0);
  const wonByA = told.filter((d) => d > 0).length;
  const wonByB = told.length - wonByA;
  let size = 0;
  const stakes = told.map((d, i) => {
    size += Math.abs(d);
    return Math.sign(d) * Math.min(1, Math.abs(d) / (size / (i + 1)));
  });
  const evidence = evidenceOf(stakes);
  // Once said it stays said: what comes after cannot take back that it was shown.
  const said = stakes.findIndex((_, i) => evidenceOf(stakes.slice(0, i + 1)) >= SAID_AT);
  const lead = stakes.slice(0, said < 0 ? stakes.length : said + 1).reduce((a, b) => a + b, 0);
  return {
    better: said < 0 ? null : lead > 0 ? 'A' : 'B',
    evidence,
    wonByA,
    wonByB,
    even: rounds.length - told.length,
    more: said < 0 ? moreOf(stakes, lead < 0 ? -1 : 1) : null,
    aWinsOfTen: { low: 10 * end(wonByA, wonByB), high: 10 * (1 - end(wonByB, wonByA)) },
  };
}

const evidenceOf = (stakes: readonly number[]): number =>
  BETS.reduce((sum, bet) => sum + stakes.reduce((product, s) => product * (1 + bet * s), 1), 0) / BETS.length;

function moreOf(stakes: readonly number[], way: number): number {
  for (let more = 1; more < MOST_ROUNDS; more++)
    if (evidenceOf([...stakes, ...Array.from({ length: more }, () => way)]) >= SAID_AT) return more;
  return MOST_ROUNDS;
}

/** The least chance of winning a round that so many won and lost do not rule out, whenever one looks. */
function end(won: number, lost: number): number {
  if (won === 0) return 0;
  const log = (p: number): number => won * Math.log(p) + lost * Math.log(1 - p);
  const mixed = Math.log(
    BETS.reduce((sum, bet) => sum + ((1 + bet) / 2) ** won * ((1 - bet) / 2) ** lost, 0) / BETS.length,
  );
  const most = Math.min(1 - 1e-9, Math.max(1e-9, won / (won + lost)));
  const ruledOut = (p: number): number => mixed - log(p) - Math.log(SAID_AT);
  return ruledOut(1e-9) <= 0 ? 0 : bisect((p) => -ruledOut(p), 1e-9, most);
}
