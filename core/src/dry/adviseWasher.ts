import { WASHER_PRUDENT, type WasherSetting } from './solveWasher.ts';
import type { WasherParameters } from './washerParameters.ts';
import { weighWasher, type WeighedWasher } from './weighWasher.ts';

/** One change of one thing. */
export type WasherLever =
  | { readonly kind: 'dry' }
  | { readonly kind: 'slower'; readonly feed_m3_s: number }
  /** Puffs a minute, or the blower's speed, times so much: another pulley. */
  | { readonly kind: 'air'; readonly times: number }
  | { readonly kind: 'drop'; readonly drop_m: number; readonly slope: number }
  | { readonly kind: 'screen'; readonly screen_m: number };

export type WasherAdvice =
  | { readonly kind: 'leave'; readonly after: WeighedWasher }
  | {
      readonly kind: 'change';
      readonly lever: WasherLever;
      readonly setting: WasherSetting;
      readonly after: WeighedWasher;
    }
  /** Nothing that may be changed helps: what limits it. */
  | { readonly kind: 'limited'; readonly by: 'air' | 'gold'; readonly after: WeighedWasher };

/** A washer that works this often is left alone unless much is to be gained. */
export const WASHER_WORKS_OFTEN = 0.7;
/** What a change must raise the gold an hour by: of one that works, of one that does not; another screen more. */
const [RAISES_GOOD, RAISES_BAD, SCREEN_TIMES] = [1.5, 1.15, 1.25];
/** Feed so damp, in the middle, is dried before anything else if that brings 1.15 times. */
const DAMP = 0.75;
const FED_TOO_MUCH = 0.8;
/** Of changes within 3 % of the best the smallest is named. */
const AS_GOOD = 0.97;
/** Pulleys there are, and the steps in which a hand counts: 15 % of speed, 20 mm of drop; another screen is ten. */
const AIR_TIMES = [0.6, 0.7, 0.8, 0.87, 1.15, 1.3, 1.5, 1.75, 2, 2.3] as const;
const DROP_STEPS = [1, -1, 2, -2, 3, -3, 4, -4] as const;
const [STEP_LN, STEP_M, SCREEN_STEPS] = [Math.log(1.15), 0.02, 10];
const [FLATTEST, STEEPEST] = [0.04, 0.4];

/** The drive with its speed times so much; a fan's pressure goes with the square of it. */
export const driven = (setting: WasherSetting, times: number): WasherSetting => ({
  ...setting,
  drive:
    setting.drive.kind === 'bellows'
      ? { ...setting.drive, puffs_min: setting.drive.puffs_min * times }
      : {
          kind: 'blower',
          shutoff_Pa: setting.drive.shutoff_Pa * times ** 2,
          freeFlow_m3_s: setting.drive.freeFlow_m3_s * times,
        },
});

interface Tried {
  readonly lever: WasherLever;
  readonly setting: WasherSetting;
  readonly after: WeighedWasher;
  readonly must: number;
  readonly steps: number;
}

/**
 * The cheapest change that brings most gold an hour. The rules are the trade's, put in figures (stated assumptions): damp
 * feed is dried before all else; slower where it is overfed; what works is left alone; else pulley, pitch or screen.
 * @param screens_m screens the crew owns; none: the screen stays
 * @throws OutOfRange as `solveWasher`
 */
export function adviseWasher(
  setting: WasherSetting,
  washers: readonly WasherParameters[],
  screens_m: readonly number[] = [],
): WasherAdvice {
  const weigh = (s: WasherSetting): WeighedWasher => weighWasher(s, washers);
  const now = weigh(setting);
  const bone = { ...setting, moisture_percent: BONE_DRY_PERCENT };
  if (now.damp.middle < DAMP && setting.moisture_percent > BONE_DRY_PERCENT) {
    const after = weigh(bone);
    if (after.gold_m3_s > RAISES_BAD * now.gold_m3_s)
      return { kind: 'change', lever: { kind: 'dry' }, setting: bone, after };
  }
  if (setting.feed_m3_s !== null && now.load.middle > FED_TOO_MUCH && now.capacity_m3_s.middle > 0) {
    const feed_m3_s = WASHER_PRUDENT * now.capacity_m3_s.middle;
    const slower = { ...setting, feed_m3_s };
    return { kind: 'change', lever: { kind: 'slower', feed_m3_s }, setting: slower, after: weigh(slower) };
  }
  const works = now.works >= WASHER_WORKS_OFTEN;
  const raises = works ? RAISES_GOOD : RAISES_BAD;
  const tried = [...moves(setting, screens_m)]
    .map((m): Tried => ({ ...m, must: raises * m.must, after: weigh(m.setting) }))
    .filter(
      (t) =>
        t.after.gold_m3_s > t.must * now.gold_m3_s &&
        (works ? t.after.works >= WASHER_WORKS_OFTEN : t.after.works > now.works),
    );
  const worth = (t: Tried): number => t.after.gold_m3_s / t.must;
  const best = Math.max(0, ...tried.map(worth));
  const [found] = tried.filter((t) => worth(t) >= AS_GOOD * best).sort((a, b) => a.steps - b.steps);
  if (found) return { kind: 'change', lever: found.lever, setting: found.setting, after: found.after };
  if (works) return { kind: 'leave', after: now };
  return { kind: 'limited', by: now.tooLittle > now.blowsOut ? 'air' : 'gold', after: now };
}

/** Sand that dusts and runs through the fingers. Stated assumption. */
const BONE_DRY_PERCENT = 0.2;

function* moves(setting: WasherSetting, screens_m: readonly number[]): Generator<Omit<Tried, 'after'>> {
  for (const times of AIR_TIMES)
    yield {
      lever: { kind: 'air', times },
      setting: driven(setting, times),
      must: 1,
      steps: Math.abs(Math.log(times)) / STEP_LN,
    };
  for (const n of DROP_STEPS) {
    const slope = setting.slope + (n * STEP_M) / setting.length_m;
    if (slope < FLATTEST || slope > STEEPEST) continue;
    yield {
      lever: { kind: 'drop', drop_m: n * STEP_M, slope },
      setting: { ...setting, slope },
      must: 1,
      steps: Math.abs(n),
    };
  }
  for (const screen_m of screens_m)
    if (Math.abs(screen_m / setting.screen_m - 1) > 0.02)
      yield {
        lever: { kind: 'screen', screen_m },
        setting: { ...setting, screen_m },
        must: SCREEN_TIMES,
        steps: SCREEN_STEPS,
      };
}
