import { TRIAL_MEASURES, type Trial } from '@riffle/contract';
import { coinTrial, type CoinTrial } from '@riffle/core';

export type Measure = Trial['measure'];
type Round = Trial['rounds'][number];

/** How each measure is taken so that the two can be compared. Common practice, no source. */
export const HOW: Readonly<Record<Measure, string>> = {
  'gold in the box': 'As many buckets of one heap, mixed and split in two, through each; clean up after each.',
  'colors in the pan': 'One scoop, mixed and split in two halves alike; one half each.',
  'colors in the tail pan': 'One pan of tailings of each, alike full, while it is fed from the same heap.',
  'minutes a bucket': 'One bucket of the same heap each, the next scoop as soon as the last has cleared.',
};
/** Units each is typed in; none: a plain number. */
export const UNITS_OF: Readonly<Record<Measure, readonly string[]>> = {
  'gold in the box': ['mg', 'g', 'grain'],
  'colors in the pan': [],
  'colors in the tail pan': [],
  'minutes a bucket': [],
};

/** From so many rounds on without a word, what they do show is said. */
const MANY_ROUNDS = 12;

const isWhole = (r: Round): boolean => r.a.value !== null && r.b.value !== null;
/** The round whose coin is tossed and whose figures are not all here. */
export const openRound = ({ rounds }: Pick<Trial, 'rounds'>): Round | null => rounds.find((r) => !isWhole(r)) ?? null;
/** What its whole rounds say. */
export const readTrial = ({ rounds, measure }: Pick<Trial, 'rounds' | 'measure'>): CoinTrial =>
  coinTrial(
    rounds.flatMap(({ a, b }) => (a.value === null || b.value === null ? [] : [{ a: a.value, b: b.value }])),
    TRIAL_MEASURES[measure],
  );

const times = (n: number): string => `${n} ${n === 1 ? 'round' : 'rounds'}`;

/** The verdict and what it rests on. */
export function trialWords(trial: Pick<Trial, 'a' | 'b' | 'rounds' | 'measure'>): {
  readonly says: string;
  readonly rests: string;
} {
  const found = readTrial(trial);
  const { better, wonByA, wonByB, even, more, aWinsOfTen } = found;
  const evens = even > 0 ? `, ${even} even` : '';
  if (better !== null) {
    const [won, name] = better === 'A' ? [wonByA, trial.a] : [wonByB, trial.b];
    return {
      says: `${better} is better: ${name}.`,
      rests: `It won ${won} of ${times(wonByA + wonByB)}${evens}. Of two that are alike a coin names one in at most one comparison of ten.`,
    };
  }
  if (wonByA + wonByB + even === 0)
    return {
      says: 'Let the coin say which comes first.',
      rests: 'Six rounds in a row for one of them tell; fewer do not.',
    };
  const leads = wonByA === wonByB ? 'one of them' : wonByA > wonByB ? 'A' : 'B';
  const counted = `${times(wonByA)} for A, ${wonByB} for B${evens}.`;
  if (wonByA + wonByB >= MANY_ROUNDS)
    return {
      says: 'No difference that shows: take the one that is cheaper or quicker.',
      rests: `${counted} Of ten more, A would win between ${Math.floor(aWinsOfTen.low)} and ${Math.ceil(aWinsOfTen.high)}.`,
    };
  return {
    says: 'Cannot tell yet.',
    rests: `${counted} It would be told if the next ${more === 1 ? 'one' : String(more)} went to ${leads}.`,
  };
}

/** Which comes first: half and half, by the device’s own chance and by nobody's choice. */
export const tossed = (): 'A' | 'B' => ((crypto.getRandomValues(new Uint8Array(1))[0] ?? 0) < 128 ? 'A' : 'B');
