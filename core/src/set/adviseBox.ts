import { sweepBox, type BoxSweep, type Swept, type WaterColumns } from './boxSweep.ts';
import { PRUDENT_SHARE } from './feed.ts';
import { boxLength_m, toldSection, type BoxSetting } from './solveBox.ts';
import { weighBox, type DrawnBoxes, type WeighedBox } from './weighBox.ts';

/** One change of one thing. Heads and waters are signed changes; `from` and `to` are what is set on the box. */
export type Lever =
  | { readonly kind: 'head'; readonly head_m: number; readonly slope: number }
  | { readonly kind: 'water'; readonly water_m: number; readonly depth_m: number }
  | { readonly kind: 'screen'; readonly stone_m: number }
  | { readonly kind: 'slower'; readonly feed_m3_s: number }
  | { readonly kind: 'level'; readonly crossFall_m: number };

/** What the sentence says. */
export type BoxAdvice =
  | { readonly kind: 'leave'; readonly after: WeighedBox }
  | {
      readonly kind: 'change';
      readonly levers: readonly Lever[];
      readonly setting: BoxSetting;
      readonly after: WeighedBox;
    }
  /** Nothing that may be changed brings it to work: what limits it. */
  | { readonly kind: 'limited'; readonly by: 'stones' | 'feed' | 'gold'; readonly after: WeighedBox };

/** What the creek and the crew allow; what is left out is not limited. */
export interface Reach {
  readonly most_m3_s?: number;
  readonly steepestSlope?: number;
  /** Screens the crew owns, m; none: the screen stays. */
  readonly screens_m?: readonly number[];
}

/** A setting that works this often is left alone unless much is to be gained. */
export const WORKS_OFTEN = 0.8;
/** What a change must raise the gold an hour by: of a setting that works, and of one that does not; half or twice the screen more. */
const [RAISES_GOOD, RAISES_BAD, SCREEN_TIMES] = [1.5, 1.15, 1.25];
/** Nobody sets finer than this, m. */
const [HAND_HEAD_M, HAND_WATER_M] = [0.005, 0.002];
/** A box with more cross fall than this, or a tenth of its water, is leveled first. */
const LEVEL_WITHIN_M = 0.002;
/** Fed more than this of its capacity it is fed slower first. */
const FED_TOO_MUCH = 0.8;
/**
 * As good as the best: then the smaller change. Draws of one box scatter by more than a tenth, and a small move is a small mistake. Half or twice the screen counts as so many
 * steps of the hand.
 */
const AS_GOOD = 0.9;
const SCREEN_STEPS = 10;
/** A change of more steps than this is far from what is set. */
const FAR_STEPS = 10;
/** Steepest pitch advised: 2 in/ft. Steeper, the laws of feed are not stated and nobody works. */
const STEEPEST = 1 / 6;
const FLATTEST = 0.01;
/** Heads and waters looked at, in steps of the hand. */
const HEAD_STEPS = [1, 2, 3, 4, 5, 6, 8, 10, 12, 15, 20, 25, 30] as const;
const WATER_STEPS = [1, 2, 3, 4, 5, 6, 8, 10, 15, 20, 30] as const;
/** Of two changes at once, each in coarser steps. */
const PAIR_STEPS: readonly number[] = [2, 4, 6, 10, 15, 20, 30];

interface Tried {
  readonly levers: readonly Lever[];
  readonly setting: BoxSetting;
  readonly swept: Swept;
  readonly must: number;
  readonly steps: number;
}

/**
 * The cheapest change that brings most gold an hour, over water, head, screen, feed and level. The flow stays when the head is moved; the pitch when the
 * water is. The rules are the trade's, put in figures (stated assumptions): level first; slower where it is overfed; leave what works; water and
 * head in steps a hand can set; two changes only where no single small one does it.
 * @throws OutOfRange as `solveBox`
 */
export function adviseBox(setting: BoxSetting, drawn: DrawnBoxes, reach: Reach = {}): BoxAdvice {
  const after = (s: BoxSetting): WeighedBox => weighBox(s, drawn);
  const change = (levers: readonly Lever[], to: BoxSetting): BoxAdvice => ({
    kind: 'change',
    levers,
    setting: to,
    after: after(to),
  });
  const now = after(setting);
  const depth_m = toldDepth_m(setting, now);
  if (setting.crossFall_m > Math.max(LEVEL_WITHIN_M, depth_m / 10))
    return change([{ kind: 'level', crossFall_m: 0 }], { ...setting, crossFall_m: 0 });
  if (setting.feed_m3_s !== null && now.load.middle > FED_TOO_MUCH && now.capacity_m3_s.middle > 0) {
    const feed_m3_s = PRUDENT_SHARE * now.capacity_m3_s.middle;
    return change([{ kind: 'slower', feed_m3_s }], { ...setting, feed_m3_s });
  }

  const level = { ...setting, crossFall_m: 0 };
  const trial = trying(level, depth_m, drawn, reach);
  const at = trial.now;
  const works = at.works >= WORKS_OFTEN;
  const good = (t: Tried): boolean => t.swept.works >= WORKS_OFTEN;
  const better = (t: Tried): boolean => t.swept.gold_m3_s >= t.must * at.gold_m3_s && t.swept.works > 0.5;
  if (works) {
    const found = cheapest(trial.singles(RAISES_GOOD).filter((t) => good(t) && better(t)));
    return found ? change(found.levers, found.setting) : { kind: 'leave', after: now };
  }
  const singles = trial.singles(RAISES_BAD).filter(better);
  const single = cheapest(singles.filter(good));
  // One change that is far from what is set is no cheap one: two small ones may do as well.
  const pair =
    single && single.steps <= FAR_STEPS
      ? undefined
      : cheapest(trial.pairs(RAISES_BAD).filter((t) => good(t) && better(t) && t.steps < (single?.steps ?? Infinity)));
  const found = pair ?? single ?? cheapest(singles);
  if (found) return change(found.levers, found.setting);
  const stuck = now.solved.filter((s) => !s.clears).length / now.solved.length;
  return { kind: 'limited', by: stuck > 0.5 ? 'stones' : now.stalls > now.washesOut ? 'feed' : 'gold', after: now };
}

/** Depth in the told section: as set, or the middle of what the flow makes. */
export function toldDepth_m({ sections, water }: BoxSetting, weighed: WeighedBox): number {
  if (water.known === 'depth') return water.depth_m;
  const told = toldSection(sections);
  const depths = weighed.solved.map((s) => s.sections[told]?.flow.depth_m ?? 0).sort((a, b) => a - b);
  return depths[depths.length >> 1] ?? 0;
}

/** Of those within a tenth of the best, each by what it must raise, the smallest. */
function cheapest(tried: readonly Tried[]): Tried | undefined {
  const worth = (t: Tried): number => t.swept.gold_m3_s / t.must;
  const best = Math.max(...tried.map(worth));
  return tried.filter((t) => worth(t) >= AS_GOOD * best).sort((a, b) => a.steps - b.steps)[0];
}

/** Settings near this one, tried by the same draws. */
function trying(setting: BoxSetting, depth_m: number, drawn: DrawnBoxes, reach: Reach) {
  const length_m = boxLength_m(setting.sections);
  const steepest = Math.min(STEEPEST, reach.steepestSlope ?? STEEPEST);
  const screens = (reach.screens_m ?? []).filter((s) => Math.abs(s / setting.stone_m - 1) > 0.02);
  const sweeps = new Map<number, BoxSweep>();
  const sweepOf = (stone_m: number): BoxSweep => {
    const sweep = sweeps.get(stone_m) ?? sweepBox({ ...setting, stone_m }, drawn);
    sweeps.set(stone_m, sweep);
    return sweep;
  };
  const { water } = setting;
  const columnsOf = (sweep: BoxSweep): WaterColumns =>
    water.known === 'depth' ? sweep.atDepth(water.depth_m) : sweep.atFlow(water.flow_m3_s, setting.slope);
  const flowOf = (depth: number): number => {
    // The middle draw's flow; enough for what a creek gives.
    const sweep = sweepOf(setting.stone_m);
    const columns = sweep.atDepth(depth);
    const told = columns.depth_m.length / drawn.boxes.length;
    const width = setting.sections[0]?.width_m ?? 0;
    const flows = Array.from(
      { length: drawn.boxes.length },
      (_, d) => (columns.speedPerRootSlope[d * told] ?? 0) * (columns.depth_m[d * told] ?? 0) * width,
    ).sort((a, b) => a - b);
    return (flows[flows.length >> 1] ?? 0) * Math.sqrt(setting.slope);
  };
  const heads = HEAD_STEPS.flatMap((n) => [n, -n])
    .map((n) => ({ n, head_m: n * HAND_HEAD_M, slope: setting.slope + (n * HAND_HEAD_M) / length_m }))
    .filter((h) => h.slope >= FLATTEST && h.slope <= Math.max(steepest, h.n < 0 ? setting.slope : 0));
  const waters = WATER_STEPS.flatMap((n) => [n, -n])
    .map((n) => ({ n, water_m: n * HAND_WATER_M, depth_m: depth_m + n * HAND_WATER_M }))
    .filter(
      (w) =>
        w.depth_m >= 2 * HAND_WATER_M &&
        (w.n < 0 || reach.most_m3_s === undefined || flowOf(w.depth_m) <= reach.most_m3_s),
    );
  const try_ = (
    raises: number,
    head: (typeof heads)[number] | null,
    wet: (typeof waters)[number] | null,
    stone_m: number,
  ): Tried => {
    const sweep = sweepOf(stone_m);
    const slope = head?.slope ?? setting.slope;
    const before = wet ? sweep.atDepth(wet.depth_m) : columnsOf(sweep);
    const columns = head ? sweep.heldFlow(before, setting.slope, slope) : before;
    const levers: Lever[] = [];
    if (wet) levers.push({ kind: 'water', water_m: wet.water_m, depth_m: wet.depth_m });
    if (head) levers.push({ kind: 'head', head_m: head.head_m, slope });
    if (stone_m !== setting.stone_m) levers.push({ kind: 'screen', stone_m });
    return {
      levers,
      setting: {
        ...setting,
        slope,
        stone_m,
        water: waterAfter(setting, wet?.depth_m ?? null, head ? columns : null, drawn),
      },
      swept: sweep.weigh(columns, sweep.atSlope(slope)),
      must:
        raises *
        (stone_m === setting.stone_m ? 1 : SCREEN_TIMES ** Math.max(1, Math.abs(Math.log2(stone_m / setting.stone_m)))),
      steps:
        Math.abs(head?.n ?? 0) + Math.abs(wet?.n ?? 0) + SCREEN_STEPS * Math.abs(Math.log2(stone_m / setting.stone_m)),
    };
  };
  const here = sweepOf(setting.stone_m);
  return {
    now: here.weigh(columnsOf(here), here.atSlope(setting.slope)),
    singles: (raises: number): Tried[] => [
      ...heads.map((h) => try_(raises, h, null, setting.stone_m)),
      ...waters.map((w) => try_(raises, null, w, setting.stone_m)),
      ...screens.map((s) => try_(raises, null, null, s)),
    ],
    pairs: (raises: number): Tried[] => {
      const coarse = <T extends { readonly n: number }>(all: readonly T[]): T[] =>
        all.filter((t) => PAIR_STEPS.includes(Math.abs(t.n)));
      return [
        ...coarse(heads)
          .filter((h) => h.n > 0)
          .flatMap((h) =>
            coarse(waters)
              .filter((w) => w.n > 0)
              .map((w) => try_(raises, h, w, setting.stone_m)),
          ),
        ...screens.flatMap((s) => [
          ...coarse(heads).map((h) => try_(raises, h, null, s)),
          ...coarse(waters).map((w) => try_(raises, null, w, s)),
        ]),
      ];
    },
  };
}

/** How the water is told after a change: by flow where it was; else by the depth it then runs at, the middle draw's. */
function waterAfter(
  { water, sections }: BoxSetting,
  depth_m: number | null,
  moved: WaterColumns | null,
  drawn: DrawnBoxes,
): BoxSetting['water'] {
  if (moved === null) return depth_m === null ? water : { known: 'depth', depth_m };
  if (depth_m === null && water.known === 'flow') return water;
  const each = sections.length;
  const told = toldSection(sections);
  const depths = drawn.boxes.map((_, d) => moved.depth_m[d * each + told] ?? 0).sort((a, b) => a - b);
  return { known: 'depth', depth_m: depths[depths.length >> 1] ?? 0 };
}
