import { adviseBox, toldDepth_m, type BoxAdvice, type Reach } from './adviseBox.ts';
import type { BoxParameters } from './boxParameters.ts';
import { PRUDENT_SHARE, SOLID_SHARE_LOOSE } from './feed.ts';
import { DENSITY_KG_M3 } from '../grains/constants.ts';
import { liningOf } from './linings.ts';
import { loadUp } from './loadUp.ts';
import { toldSection, type BoxSetting, type LinedSection, type SolvedBox } from './solveBox.ts';
import { hiddenShear_Pa } from './stonesClear.ts';
import { reweighed, weighBox, type DrawnBoxes } from './weighBox.ts';

/** What one sees standing at a box. Common practice, no source. */
export const SYMPTOM_IDS = [
  'stones stall',
  'clears',
  'packs',
  'scoured',
  'fines low',
  'one side',
  'mat black',
  'no V',
] as const;
export type SymptomId = (typeof SYMPTOM_IDS)[number];

/** What was looked for: seen, or looked for and not there. What is left out nobody looked for. */
export type Seen = Readonly<Partial<Record<SymptomId, boolean>>>;

/** The finest gold most creeks hold much of: what "fine" means of a box. */
const FINE_M = 0.0002;
/** Whatever is seen, it may be seen wrongly once in fifty times. Stated assumption. */
const [FLOOR, REST] = [0.02, 0.96];
/**
 * Fewer draws than this in effect, or what is seen so much less likely than by the toss of a coin for each of it: it does not fit the box as entered.
 * Stated assumptions.
 */
const [LEAST_DRAWS, LEAST_LIKELY] = [40, 0.1];

/** One drawn box as it stands, and what was fed to it since it was cleaned up. */
export interface DrawnCase {
  readonly setting: BoxSetting;
  readonly box: BoxParameters;
  readonly solved: SolvedBox;
  /** Gravel fed since the last clean-up, loose, m3. */
  readonly fed_m3: number;
}
/** How far each symptom is on, and over what width it comes and goes. Stated assumptions. */
const SYMPTOMS: Readonly<Record<SymptomId, { readonly x: (c: DrawnCase) => number; readonly width: number }>> = {
  'stones stall': { x: ({ solved }) => -Math.log(solved.stones.least), width: 0.2 },
  clears: { x: ({ solved }) => Math.log(solved.stones.least / 1.2), width: 0.2 },
  packs: { x: ({ solved }) => Math.log(Math.max(1e-6, Math.min(1e6, solved.load)) / 0.9), width: 0.25 },
  scoured: {
    x: ({ setting, box, solved }) => {
      const told = toldSection(setting.sections);
      const holds_Pa = hiddenShear_Pa(
        FINE_M,
        liningOf(setting.sections[told] as LinedSection).shelter_m,
        box.referenceShields,
        DENSITY_KG_M3.placerGold,
      );
      return Math.log((solved.sections[told]?.flow.bedShear_Pa ?? 0) / (0.5 * holds_Pa));
    },
    width: 0.35,
  },
  'fines low': {
    x: ({ setting, solved }) => {
      const fine = setting.gold.reduce(
        (best, g, k) => (Math.abs(g.size_m - FINE_M) < Math.abs((setting.gold[best]?.size_m ?? 1) - FINE_M) ? k : best),
        0,
      );
      return 0.7 - (solved.held[fine] ?? 1);
    },
    width: 0.15,
  },
  'one side': {
    x: ({ setting, box, solved }) => {
      const depth_m = solved.sections[toldSection(setting.sections)]?.flow.depth_m ?? 1;
      return Math.log(Math.max(1e-6, setting.crossFall_m + box.levelError_m) / (depth_m / 10));
    },
    width: 0.3,
  },
  'mat black': { x: (c) => headFill(c) - 0.7, width: 0.15 },
  'no V': {
    x: ({ setting, solved }) => {
      const flow = solved.sections[toldSection(setting.sections)]?.flow;
      return flow ? Math.log(flow.depth_m / flow.criticalDepth_m) : 0;
    },
    width: 0.1,
  },
};

/** How full of black sand the head of the box is after what was fed. */
function headFill({ setting, box, solved, fed_m3 }: DrawnCase): number {
  const fed_kg = fed_m3 * SOLID_SHARE_LOOSE * DENSITY_KG_M3.quartz * box.blackSand;
  const [head] = loadUp(
    setting.sections.map((s, i) => ({
      length_m: s.length_m,
      width_m: s.width_m,
      holds_kg_m2: liningOf(s).holds_kg_m2,
      heavyRate_per_m: solved.sections[i]?.heavyRate_per_m ?? 0,
      goldRate_per_m: 0,
    })),
    fed_kg,
  );
  return head?.fillAtHead ?? 0;
}

/** How likely all of what is seen, and not seen where it was looked for, is at one drawn box. */
export function chanceSeen(drawnCase: DrawnCase, seen: Seen): number {
  let all = 1;
  for (const [id, there] of Object.entries(seen) as [SymptomId, boolean][]) {
    const { x, width } = SYMPTOMS[id];
    const chance = 1 / (1 + Math.exp(-x(drawnCase) / width));
    all *= FLOOR + REST * (there ? chance : 1 - chance);
  }
  return all;
}

/** What may be behind it: a side that a number of the box lies on, and how likely that is by what was seen. */
export interface Cause {
  readonly input: keyof BoxParameters;
  /** Above or below what was believed. */
  readonly side: 'more' | 'less';
  /** By how many deviations of what was believed its middle moves. */
  readonly shift: number;
  readonly chance: number;
}

/** The same draws weighed by what is seen at the box. */
export interface SeenBox {
  readonly drawn: DrawnBoxes;
  /** Draws that still count, in effect (Kish 1965). */
  readonly effective: number;
  /** What is seen can be seen at a box as entered. */
  readonly fits: boolean;
  /** The likeliest first. */
  readonly causes: readonly Cause[];
}

/** A cause moves what is believed at least so far, in its own deviations. Stated assumption. */
const LEAST_SHIFT = 0.2;

/**
 * Weighs the draws by what is seen, each symptom as a logistic of how far it is on; what was looked for and is not there speaks as well.
 * Bayes by importance weights; symptoms given the draw are taken as independent.
 * @param fed_m3 loose gravel fed since the last clean-up
 */
export function seeBox(setting: BoxSetting, drawn: DrawnBoxes, seen: Seen, fed_m3 = 0): SeenBox {
  const { solved } = weighBox(setting, drawn);
  const weights = Float64Array.from(drawn.boxes, (box, d) => {
    return (drawn.weights[d] ?? 0) * chanceSeen({ setting, box, solved: solved[d] as SolvedBox, fed_m3 }, seen);
  });
  const sum = weights.reduce((a, b) => a + b, 0);
  const effective = sum ** 2 / weights.reduce((a, b) => a + b * b, 0);
  const shares = weights.map((w) => w / sum);
  return {
    drawn: reweighed(drawn, shares),
    effective,
    fits: effective >= LEAST_DRAWS && sum >= LEAST_LIKELY * 0.5 ** Object.keys(seen).length,
    causes: causesOf(drawn.boxes, shares),
  };
}

function causesOf(boxes: readonly BoxParameters[], weights: Float64Array): Cause[] {
  const inputs = Object.keys(boxes[0] ?? {}) as (keyof BoxParameters)[];
  return inputs
    .map((input): Cause => {
      const values = boxes.map((b) => b[input]);
      const sorted = [...values].sort((a, b) => a - b);
      const middle = sorted[sorted.length >> 1] ?? 0;
      const mean = values.reduce((a, b) => a + b, 0) / values.length;
      const sd = Math.sqrt(values.reduce((sum, v) => sum + (v - mean) ** 2, 0) / values.length);
      const shift = (values.reduce((sum, v, d) => sum + (weights[d] ?? 0) * v, 0) - mean) / (sd || 1);
      const above = values.reduce((sum, v, d) => sum + (v > middle ? (weights[d] ?? 0) : 0), 0);
      return { input, side: shift > 0 ? 'more' : 'less', shift, chance: shift > 0 ? above : 1 - above };
    })
    .filter((c) => Math.abs(c.shift) >= LEAST_SHIFT)
    .sort((a, b) => Math.abs(b.shift) - Math.abs(a.shift));
}

/** What to do about what is seen: of a box that packs feed slower first, of all else the change that the weighed draws ask for. */
export function remedyFor(setting: BoxSetting, { drawn }: SeenBox, seen: Seen, reach: Reach = {}): BoxAdvice {
  if (seen['one side'] && setting.crossFall_m === 0) {
    // Nobody measured it: a tenth of the water and more is what can be seen.
    const depth_m = toldDepth_m(setting, weighBox(setting, drawn));
    return adviseBox({ ...setting, crossFall_m: Math.max(0.004, depth_m / 5) }, drawn, reach);
  }
  if (!seen.packs) return adviseBox(setting, drawn, reach);
  const now = weighBox(setting, drawn);
  const feed_m3_s = Math.min(PRUDENT_SHARE * now.capacity_m3_s.middle, SLOWER * now.pace_m3_s.middle);
  if (!(feed_m3_s > 0)) return adviseBox(setting, drawn, reach);
  const slower = { ...setting, feed_m3_s };
  return {
    kind: 'change',
    levers: [{ kind: 'slower', feed_m3_s }],
    setting: slower,
    after: weighBox(slower, drawn),
  };
}
/** A box that packs is fed at least so much slower. Common practice, no source. */
const SLOWER = 0.75;
