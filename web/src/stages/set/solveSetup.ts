import {
  boxWindow,
  catchCurves,
  drawnBoxes,
  faultsOf,
  measureBox,
  remedyFor,
  seeBox,
  toldDepth_m,
  weighBox,
  type BoxAdvice,
  type BoxEvidence,
  type BoxSetting,
  type BoxWindow,
  type CatchCurve,
  type Fault,
  type DrawnBoxes,
  type Lever,
  type MeasuredBox,
  type Reach,
  type Seen,
  type WeighedBox,
} from '@riffle/core';

/** A setting to be weighed, and what may be changed about it. */
export interface SetProblem {
  readonly setting: BoxSetting;
  readonly reach: Reach;
  /** What is seen at it; nothing: nobody looked. */
  readonly seen: Seen;
  /** What was measured at this box before. */
  readonly evidence: readonly BoxEvidence[];
  /** Loose gravel fed through it since it was cleaned up. */
  readonly fed_m3: number;
}

/** A setting weighed over all draws, as the page needs it. */
export type Weighed = Omit<WeighedBox, 'solved'> & {
  readonly curves: readonly CatchCurve[];
  /** The middle draw's water in the told section, m. */
  readonly depth_m: number;
};
export interface SetVerdictFound {
  readonly now: Weighed;
  /** What is seen may be seen at a box as entered, and what may be behind it. */
  readonly fits: boolean;
  readonly faults: readonly Fault[];
  /** What measuring made of the box; null where nobody measured it. */
  readonly measured: Omit<MeasuredBox, 'boxes'> | null;
  readonly advice:
    | { readonly kind: 'leave' }
    | { readonly kind: 'limited'; readonly by: 'stones' | 'feed' | 'gold' }
    | {
        readonly kind: 'change';
        readonly levers: readonly Lever[];
        readonly setting: BoxSetting;
        readonly after: Weighed;
      };
}
/** Word on the way: first what to do, then a coarse window, then the fine one. */
export interface SetStep {
  readonly done: number;
  readonly verdict: SetVerdictFound | null;
  readonly window: BoxWindow | null;
}
export interface SetResult {
  readonly verdict: SetVerdictFound;
  readonly window: BoxWindow;
}

const COARSE = { slopes: 24, depths: 16 };
const FINE = { slopes: 60, depths: 40 };
/** The window spans at least pitches to 1.25 in/ft and water to 45 mm, and half again what is set. Common practice, no source. */
const SPANS = { slope: 1.25 / 12, depth_m: 0.045, beyond: 1.5 };

/** Draws are worked out once for the same gold in the same water. */
let kept: { readonly key: string; readonly drawn: DrawnBoxes } | null = null;
function drawnFor({ gold, temperature_C }: BoxSetting, evidence: readonly BoxEvidence[]): DrawnBoxes {
  const key = JSON.stringify([gold, temperature_C, evidence]);
  if (kept?.key !== key) kept = { key, drawn: drawnBoxes(gold, temperature_C, measuredBy(evidence).boxes) };
  return kept.drawn;
}
/** And the box is measured once for the same evidence. */
let known: { readonly key: string; readonly measured: MeasuredBox } | null = null;
function measuredBy(evidence: readonly BoxEvidence[]): MeasuredBox {
  const key = JSON.stringify(evidence);
  if (known?.key !== key) known = { key, measured: measureBox(evidence) };
  return known.measured;
}

/** Weighs a setting, says what to change, and draws the window it works in, by steps. */
export function* solveSetup({ setting, reach, seen, evidence, fed_m3 }: SetProblem): Generator<SetStep, SetResult> {
  const box = seeBox(setting, drawnFor(setting, evidence), seen, fed_m3);
  const { drawn } = box;
  const asWeighed = (of: BoxSetting, weighed: WeighedBox): Weighed => {
    const { solved: _, ...rest } = weighed;
    return { ...rest, curves: catchCurves(of, weighed, drawn.weights), depth_m: toldDepth_m(of, weighed) };
  };
  const now = asWeighed(setting, weighBox(setting, drawn));
  const found: BoxAdvice = remedyFor(setting, box, seen, reach);
  const verdict: SetVerdictFound = {
    now,
    fits: box.fits,
    faults: Object.keys(seen).length === 0 ? [] : faultsOf(setting, drawnFor(setting, evidence), seen, fed_m3),
    measured: evidence.length > 0 ? withoutBoxes(measuredBy(evidence)) : null,
    advice:
      found.kind === 'change'
        ? { ...found, after: asWeighed(found.setting, found.after) }
        : found.kind === 'limited'
          ? { kind: 'limited', by: found.by }
          : { kind: 'leave' },
  };
  yield { done: 0.1, verdict, window: null };
  const after = verdict.advice.kind === 'change' ? verdict.advice : null;
  const span = {
    slope: [0.008, Math.max(SPANS.slope, SPANS.beyond * Math.max(setting.slope, after?.setting.slope ?? 0))],
    depth_m: [0.004, Math.max(SPANS.depth_m, SPANS.beyond * Math.max(now.depth_m, after?.after.depth_m ?? 0))],
  } as const;
  const coarse = yield* windowSteps(boxWindow(setting, drawn, { ...COARSE, ...span }), (done) => ({
    done: 0.1 + 0.1 * done,
    verdict,
    window: null,
  }));
  const window = yield* windowSteps(boxWindow(setting, drawn, { ...FINE, ...span }), (done) => ({
    done: 0.2 + 0.8 * done,
    verdict,
    window: coarse,
  }));
  return { verdict, window };
}

const withoutBoxes = ({ boxes: _, ...rest }: MeasuredBox): Omit<MeasuredBox, 'boxes'> => rest;

/** A window to its end, each of its steps said in the words of the whole work. */
function* windowSteps(
  steps: Generator<number, BoxWindow>,
  said: (done: number) => SetStep,
): Generator<SetStep, BoxWindow> {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    yield said(step.value);
  }
}
