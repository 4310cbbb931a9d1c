import {
  drawnBoxes,
  faultsOf,
  loadUp,
  LININGS,
  normalDraw,
  solveBox,
  SYMPTOM_IDS,
  USUAL_CREW_M3_S,
  USUAL_MIX,
  type BoxParameters,
  type BoxSetting,
  type FaultId,
  type Random,
  type Seen,
  type SymptomId,
} from '@riffle/core';
import { Tally } from './tally.ts';

const KINDS = ['too slow', 'too fast', 'overfed', 'out of level', 'full', 'coarse'] as const;
/** One look in so many is wrong. */
const LOOKS_WRONG = 0.04;
const LENGTH_M = 1;
const STONE_M = 0.0127;

/**
 * Boxes set wrong in one way, and what is seen of it held against what is named first. The box and its water are Riffle's own, drawn wider than it draws
 * them; what shows and what does not goes by hard limits that differ from looker to looker, where Riffle takes soft ones.
 */
export function calibrateFaults(boxes: number, random: Random) {
  const first = new Tally('The fault named first for what is seen at a box set wrong', 'right in 70 %');
  const two = new Tally('The right fault among the first two', 'right in 90 %');
  const drawn = drawnBoxes(USUAL_MIX, 10);
  for (let n = 0; n < boxes;) {
    const kind = KINDS[n % KINDS.length] as (typeof KINDS)[number];
    const box = boxOf(random);
    const depth_m = 0.02 + 0.005 * random();
    const said: BoxSetting = {
      sections: [{ lining: 'riffles', width_m: 0.254, length_m: LENGTH_M, step_m: 0 }],
      slope: 0.04 + 0.012 * random(),
      water: { known: 'depth', depth_m },
      stone_m: STONE_M,
      crossFall_m: 0,
      temperature_C: 10,
      feed_m3_s: null,
      crew_m3_s: USUAL_CREW_M3_S,
      median_m: null,
      gold: USUAL_MIX,
    };
    const right = solveBox(said, box);
    // But for its fault it works.
    if (!right.runs || right.stones.least < 1.05 || right.heldOfMix < 0.7) continue;
    const real = setWrong(kind, said, depth_m, right.pace_m3_s, right.capacity_m3_s, random);
    const fed_m3 = kind === 'full' ? fedFull_m3(right.sections[0]?.heavyRate_per_m ?? 0, box.blackSand) : 0.02;
    const seen = lookedAt(real, box, fed_m3, random);
    // Nobody asks what is wrong with a box that shows nothing.
    if (!SYMPTOM_IDS.some((id) => id !== 'clears' && seen[id])) {
      first.silent++;
      continue;
    }
    n++;
    const named = faultsOf(said, drawn, seen, fed_m3).flatMap((f): FaultId[] => (f.fault === 'none' ? [] : [f.fault]));
    first.add(named[0] === kind);
    two.add(named.slice(0, 2).includes(kind));
  }
  return { first, two };
}

/** A box as it is: as Riffle draws it, with half again its spreads in what moves stones, and level. */
function boxOf(random: Random): BoxParameters {
  const times = (sd: number): number => Math.exp(sd * normalDraw(random));
  return {
    depthError_m: 0.0018 * normalDraw(random),
    headError_m: 0.0045 * normalDraw(random),
    roughness: times(0.25),
    medianOfScreen: Math.min(0.6, 0.25 * times(0.3)),
    spread: 6 * times(0.4),
    referenceShields: 0.036 * times(0.3),
    rolling: 0.61 * times(0.2),
    boxFactor: 1.8 * times(0.45),
    catchScale: times(0.5),
    tilt: 0.3 * normalDraw(random),
    csf: Math.min(0.8, Math.max(0.16, 0.3 * times(0.3))),
    settlingMix: random(),
    blackSand: 0.01 * times(0.8),
    levelError_m: 0,
    mixTilt: 0.3 * normalDraw(random),
  };
}

function setWrong(
  kind: (typeof KINDS)[number],
  said: BoxSetting,
  depth_m: number,
  feed_m3_s: number,
  capacity_m3_s: number,
  random: Random,
): BoxSetting {
  const fed: BoxSetting = { ...said, feed_m3_s };
  const [much, byPitch] = [random(), random() < 0.5];
  const off = (times: number): BoxSetting =>
    byPitch ? { ...fed, slope: said.slope * times } : { ...fed, water: { known: 'depth', depth_m: depth_m * times } };
  switch (kind) {
    case 'too slow':
      return off(0.4 + 0.25 * much);
    case 'too fast':
      return off(2 + 1.2 * much);
    case 'overfed':
      return { ...said, feed_m3_s: capacity_m3_s * (1.4 + 1.2 * much) };
    case 'out of level':
      return { ...fed, crossFall_m: 0.006 + 0.008 * much };
    case 'coarse':
      return { ...fed, stone_m: STONE_M * (1.7 + 0.8 * much) };
    case 'full':
      return fed;
  }
}

const headFill = (heavyRate_per_m: number, blackSand: number, fed_m3: number): number =>
  loadUp(
    [
      {
        length_m: LENGTH_M,
        width_m: 0.254,
        holds_kg_m2: LININGS.riffles.holds_kg_m2,
        heavyRate_per_m,
        goldRate_per_m: 0,
      },
    ],
    fed_m3 * 0.65 * 2650 * blackSand,
  )[0]?.fillAtHead ?? 0;

/** Gravel after which its head is nine tenths full, more or less. */
function fedFull_m3(heavyRate_per_m: number, blackSand: number): number {
  let fed_m3 = 0.02;
  while (fed_m3 < 50 && headFill(heavyRate_per_m, blackSand, fed_m3) < 0.9) fed_m3 *= 1.2;
  return fed_m3;
}

/** What a looker sees: each by a limit of his own, and now and then wrongly. */
function lookedAt(real: BoxSetting, box: BoxParameters, fed_m3: number, random: Random): Seen {
  const solved = solveBox(real, box);
  const [section] = solved.sections;
  if (!section) throw new Error('a box has a section');
  const { flow, heavyRate_per_m } = section;
  const about = (limit: number): number => limit * Math.exp(0.1 * normalDraw(random));
  const there: Readonly<Record<SymptomId, boolean>> = {
    'stones stall': solved.stones.least < about(1),
    clears: solved.stones.least > about(1.25),
    packs: solved.load > about(1),
    // Black sand is swept off a floor that pulls at it harder than some fifteen pascals.
    scoured: flow.bedShear_Pa > about(15),
    'fines low': (solved.held[1] ?? 1) < about(0.65),
    'one side': real.crossFall_m > about(0.12) * flow.depth_m,
    'mat black': headFill(heavyRate_per_m, box.blackSand, fed_m3) > about(0.75),
    'no V': flow.depth_m > about(1.02) * flow.criticalDepth_m,
  };
  return Object.fromEntries(SYMPTOM_IDS.map((id) => [id, random() < LOOKS_WRONG ? !there[id] : there[id]]));
}
