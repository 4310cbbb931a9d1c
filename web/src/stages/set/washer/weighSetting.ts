import {
  adviseWasher,
  measureWasher,
  seeWasher,
  washerWindow,
  weighPasses,
  weighWasher,
  type PassWorth,
  type SeenAtWasher,
  type WasherEvidence,
  type WasherLever,
  type WasherParameters,
  type WasherSetting,
  type WasherWindow,
  type WeighedPass,
  type WeighedWasher,
} from '@riffle/core';

/** A setting of a dry washer to be weighed, and what is known besides. */
export interface WasherProblem {
  readonly setting: WasherSetting;
  /** Screens the crew owns. */
  readonly screens_m: readonly number[];
  readonly seen: SeenAtWasher;
  readonly evidence: readonly WasherEvidence[];
  /** Null: nobody said what gold and an hour are worth. */
  readonly worth: PassWorth | null;
}

/** A setting weighed over all draws, as the page needs it. */
export type WasherWeighed = Omit<WeighedWasher, 'solved'>;
export interface WasherVerdict {
  readonly now: WasherWeighed;
  /** What is seen may be seen at a washer as entered. */
  readonly fits: boolean;
  /** Pieces of evidence that moved the draws. */
  readonly measures: number;
  readonly passes: readonly WeighedPass[];
  readonly advice:
    | { readonly kind: 'leave' }
    | { readonly kind: 'limited'; readonly by: 'air' | 'gold' }
    | {
        readonly kind: 'change';
        readonly lever: WasherLever;
        readonly setting: WasherSetting;
        readonly after: WasherWeighed;
      };
}
export interface WasherStep {
  readonly done: number;
  readonly verdict: WasherVerdict | null;
  readonly window: WasherWindow | null;
}
export interface WasherResult {
  readonly verdict: WasherVerdict;
  readonly window: WasherWindow;
}

/** Passes weighed: nobody runs gravel more often. */
export const PASSES = 4;
/** Cells of the window, and draws of it: first soon, then fine. */
const COARSE = { columns: 20, rows: 12, draws: 48 };
const FINE = { columns: 40, rows: 24, draws: 128 };
/** What the window spans: the drive's speed as times the set one, and pitch. Common practice, no source. */
const SPANS = { times: [0.35, 2.5], slope: [0.04, 0.4], beyond: 1.1 } as const;

/** A washer is measured once for the same evidence. */
let known: { readonly key: string; readonly washers: readonly WasherParameters[] } | null = null;
function washersBy(evidence: readonly WasherEvidence[]): readonly WasherParameters[] {
  const key = JSON.stringify(evidence);
  if (known?.key !== key) known = { key, washers: measureWasher(evidence).washers };
  return known.washers;
}

/** Weighs a setting, says what to change, and draws the window it works in, by steps. */
export function* weighSetting(problem: WasherProblem): Generator<WasherStep, WasherResult> {
  const { setting, screens_m, seen, evidence, worth } = problem;
  const { washers, fits } = seeWasher(setting, washersBy(evidence), seen);
  const found = adviseWasher(setting, washers, screens_m);
  const verdict: WasherVerdict = {
    now: withoutDraws(weighWasher(setting, washers)),
    fits,
    measures: evidence.length,
    passes: weighPasses(setting, washers, PASSES, worth),
    advice:
      found.kind === 'change'
        ? { kind: 'change', lever: found.lever, setting: found.setting, after: withoutDraws(found.after) }
        : found.kind === 'limited'
          ? { kind: 'limited', by: found.by }
          : { kind: 'leave' },
  };
  yield { done: 0.1, verdict, window: null };
  const times = found.kind === 'change' && found.lever.kind === 'air' ? found.lever.times : 1;
  const span = {
    times: [SPANS.times[0], Math.max(SPANS.times[1], SPANS.beyond * times)],
    slope: [SPANS.slope[0], Math.max(SPANS.slope[1], setting.slope)],
  } as const;
  const asked = (of: { columns: number; rows: number; draws: number }) =>
    washerWindow(setting, someOf(washers, of.draws), { ...of, ...span });
  const coarse = yield* toItsEnd(asked(COARSE), (done) => ({ done: 0.1 + 0.1 * done, verdict, window: null }));
  const window = yield* toItsEnd(asked(FINE), (done) => ({ done: 0.2 + 0.8 * done, verdict, window: coarse }));
  return { verdict, window };
}

const withoutDraws = ({ solved: _, ...rest }: WeighedWasher): WasherWeighed => rest;
/** Evenly over all draws: measured ones come in the order of what they were drawn from. */
const someOf = <T>(all: readonly T[], count: number): T[] =>
  Array.from({ length: Math.min(count, all.length) }, (_, i) => all[Math.floor(((i + 0.5) * all.length) / count)] as T);

function* toItsEnd(
  steps: Generator<number, WasherWindow>,
  said: (done: number) => WasherStep,
): Generator<WasherStep, WasherWindow> {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    yield said(step.value);
  }
}
