import { toldDepth_m } from './adviseBox.ts';
import { BLACK_SAND_FULL, fullAfter_m3 } from './cleanUpAfter.ts';
import { boxLength_m, solveBox, type BoxSetting } from './solveBox.ts';
import { chanceSeen, type Seen } from './symptoms.ts';
import { weighBox, type DrawnBoxes } from './weighBox.ts';

/** What may be wrong with a box that was set as it is entered. Common practice, no source. */
export const FAULT_IDS = ['too slow', 'too fast', 'overfed', 'out of level', 'full', 'coarse', 'none'] as const;
export type FaultId = (typeof FAULT_IDS)[number];

/** One fault, how likely it is beside the others, and what takes it away. */
export interface Fault {
  readonly fault: FaultId;
  readonly chance: number;
  /** Of a box that runs too slow or too fast: head to lift, or water to let in, as a first step; negative to take away, m. */
  readonly head_m: number | null;
  readonly water_m: number | null;
}

/** How far off such a box is, as factors: a little first, then much. Stated assumptions. */
const SLOWER = [0.65, 0.5] as const;
const FASTER = [1.6, 2.3] as const;
const OVERFED = [1.4, 2.2] as const;
const TILTED = [0.25, 0.5] as const;
const COARSER = [1.7, 2.3] as const;
/** Draws each is tried on. */
const TRIED = 64;

interface Variant {
  readonly fault: FaultId;
  readonly setting: BoxSetting;
  /** Fed over what the drawn box takes; null: as it is set. */
  readonly overfed: number | null;
  readonly full: boolean;
  readonly head_m: number | null;
  readonly water_m: number | null;
}

/**
 * What may be behind what is seen, by Bayes over the faults of the trade: each is laid on the box as it is entered, in two degrees, over a share of the draws,
 * and weighed by how likely it makes what is seen; all are alike likely beforehand: who asks has seen something. The likeliest first; they sum to 1.
 * @param fed_m3 loose gravel fed since the last clean-up
 * @throws OutOfRange as `solveBox`
 */
export function faultsOf(setting: BoxSetting, drawn: DrawnBoxes, seen: Seen, fed_m3 = 0): Fault[] {
  const depth_m = toldDepth_m(setting, weighBox(setting, drawn));
  const step = Math.max(1, Math.floor(drawn.boxes.length / TRIED));
  // Fed as the box as entered would be: nobody feeds slower for a fault that he does not know of.
  const some = drawn.boxes.flatMap((box, d) =>
    d % step === 0 ? [{ box, d, entered: solveBox(setting, box, drawn.settling[d]) }] : [],
  );
  const weighed = variantsOf(setting, depth_m).map((variant) => {
    const likely = some.reduce((sum, { box, d, entered }) => {
      const feed_m3_s = variant.overfed === null ? entered.pace_m3_s : entered.capacity_m3_s * variant.overfed;
      const asFed = { ...variant.setting, feed_m3_s };
      const solved = solveBox(asFed, box, drawn.settling[d]);
      const fed = variant.full ? fullAfter_m3(asFed, box, solved, BLACK_SAND_FULL) : fed_m3;
      return sum + (drawn.weights[d] ?? 0) * chanceSeen({ setting: asFed, box, solved, fed_m3: fed }, seen);
    }, 0);
    return { variant, likely };
  });
  const byFault = FAULT_IDS.map((fault) => {
    const mine = weighed.filter((w) => w.variant.fault === fault);
    const best = mine.reduce((a, b) => (b.likely > a.likely ? b : a));
    return { best, likely: mine.reduce((sum, w) => sum + w.likely, 0) / mine.length, fault };
  });
  const all = byFault.reduce((sum, f) => sum + f.likely, 0);
  return byFault
    .map(({ fault, likely, best }): Fault => ({
      fault,
      chance: likely / all,
      head_m: best.variant.head_m,
      water_m: best.variant.water_m,
    }))
    .sort((a, b) => b.chance - a.chance);
}

/** Each fault in its degrees, laid on a setting. */
function variantsOf(setting: BoxSetting, depth_m: number): Variant[] {
  const as = (fault: FaultId, some: Partial<BoxSetting> = {}, more: Partial<Variant> = {}): Variant => ({
    fault,
    setting: { ...setting, ...some },
    overfed: null,
    full: false,
    head_m: null,
    water_m: null,
    ...more,
  });
  const off = (fault: FaultId, degrees: readonly number[]): Variant[] => {
    // A first step: half of what the lesser degree is off by. Who takes it looks again.
    const step = (1 - (degrees[0] ?? 1)) / 2;
    const change = { head_m: setting.slope * step * boxLength_m(setting.sections), water_m: depth_m * step };
    return degrees.flatMap((times) => [
      as(fault, { slope: Math.min(0.4, Math.max(0.002, setting.slope * times)) }, change),
      as(fault, { water: { known: 'depth', depth_m: depth_m * times } }, change),
    ]);
  };
  return [
    ...off('too slow', SLOWER),
    ...off('too fast', FASTER),
    ...OVERFED.map((overfed) => as('overfed', {}, { overfed })),
    ...TILTED.map((share) => as('out of level', { crossFall_m: share * depth_m })),
    as('full', {}, { full: true }),
    ...COARSER.map((times) => as('coarse', { stone_m: setting.stone_m * times })),
    as('none'),
  ];
}
