import { DENSITY_KG_M3 } from '../grains/constants.ts';
import { fergusonChurch_m_s } from '../grains/fergusonChurch.ts';
import { richardsonZakiExponent } from '../grains/richardsonZaki.ts';
import { freshWater, type Water } from '../grains/water.ts';
import { requirePositive, requireWithin } from '../outOfRange.ts';
import type { BoxParameters } from './boxParameters.ts';
import { catchRate_per_m, caughtBySection, chanceToStay } from './catchAlong.ts';
import { feedCapacity, PRUDENT_SHARE, SOLID_SHARE_LOOSE, type FeedCapacity } from './feed.ts';
import { floorFlowAtDepth, floorFlowAtRate, type FloorFlow } from './floorFlow.ts';
import { drawnShares, flakeSettles, TILT_AT_M, type GoldShare, type Settling } from './goldMix.ts';
import { liningOf, type LiningId, type OwnLining } from './linings.ts';
import { stonesClear, type StonesClear } from './stonesClear.ts';

/** A stretch of the box with one lining, from the head down. */
export interface LinedSection {
  readonly lining: LiningId;
  /** The crew's own in its place; left out or null: the known one. */
  readonly own?: OwnLining | null;
  readonly width_m: number;
  readonly length_m: number;
  /** Drop at its head below the section before, m. */
  readonly step_m: number;
}

/** A box set in water, and what is fed to it. */
export interface BoxSetting {
  readonly sections: readonly LinedSection[];
  /** Drop over length. */
  readonly slope: number;
  /** Depth over the lining of the longest section, or the flow. */
  readonly water:
    { readonly known: 'depth'; readonly depth_m: number } | { readonly known: 'flow'; readonly flow_m3_s: number };
  /** Largest stone fed: the screen used. */
  readonly stone_m: number;
  /** How much one side lies deeper than the other, m. */
  readonly crossFall_m: number;
  readonly temperature_C: number;
  /** Loose gravel fed, m3/s; null: at the pace advised. */
  readonly feed_m3_s: number | null;
  /** What the crew can bring, loose, m3/s. */
  readonly crew_m3_s: number;
  /** Median size of the gravel below that screen, m, where it was screened; null: a quarter of the screen. */
  readonly median_m: number | null;
  /** Sizes of the gold. */
  readonly gold: readonly GoldShare[];
}

/** Ten buckets of 18.9 L an hour: what one person brings who digs, carries and feeds. Stated assumption. */
export const USUAL_CREW_M3_S = (10 * 0.0189) / 3600;

/** One section of a solved box. */
export interface SolvedSection {
  readonly flow: FloorFlow;
  readonly stones: StonesClear;
  readonly feed: FeedCapacity;
  /** Of the gold fed, by size as in the setting's gold. */
  readonly caught: readonly number[];
  readonly rate_per_m: readonly number[];
  /** Catch of black sand, per metre. */
  readonly heavyRate_per_m: number;
}

/** What one box, drawn, does at a setting. */
export interface SolvedBox {
  readonly sections: readonly SolvedSection[];
  /** The worst of all sections. */
  readonly stones: StonesClear;
  readonly clears: boolean;
  /** Its stones clear, and it is not fed more than it takes: else it packs. */
  readonly runs: boolean;
  readonly capacity_m3_s: number;
  /** Feed it gets: as typed, or what the crew brings, at most the prudent share of its capacity. */
  readonly pace_m3_s: number;
  readonly load: number;
  /** Share of each size held, and of all gold by weight. */
  readonly held: readonly number[];
  readonly heldOfMix: number;
}

/** A box drawn with a hand's errors still has so much water and pitch. */
export const LEAST_WATER_M = 0.001;
export const LEAST_SLOPE = 0.001;
/** The median of a feed is never above this of its screen. Stated assumption. */
export const MOST_OF_SCREEN = 0.6;
/** Black sand as it comes: its size and its mineral. Stated assumption. */
export const BLACK_SAND_M = 0.0003;

/** The section whose water is meant when one depth is told: the longest. */
export const toldSection = (sections: readonly LinedSection[]): number =>
  sections.reduce((best, s, i) => (s.length_m > (sections[best]?.length_m ?? 0) ? i : best), 0);

export const boxLength_m = (sections: readonly Pick<LinedSection, 'length_m'>[]): number =>
  sections.reduce((sum, s) => sum + s.length_m, 0);

/** @throws OutOfRange for what is no box: width 0.05-2 m, length 0.2-10 m, slope 0.2-40 %, no section */
export function requireBox({ sections, slope, stone_m, water }: BoxSetting): void {
  requirePositive('sections', sections.length);
  for (const s of sections) requireWithin('width_m', s.width_m, 0.05, 2, 'm');
  requireWithin('length_m', boxLength_m(sections), 0.2, 10, 'm');
  requireWithin('slope', slope, 0.002, 0.4);
  requirePositive('stone_m', stone_m, 'm');
  if (water.known === 'depth') requirePositive('depth_m', water.depth_m, 'm');
  else requirePositive('flow_m3_s', water.flow_m3_s, 'm3/s');
}

/** Settling of gold and black sand for one draw: worked out once for all settings in water of that temperature. */
export interface DrawnSettling {
  readonly gold: readonly Settling[];
  readonly heavy: Settling;
}
export function settlingOf(gold: readonly GoldShare[], box: BoxParameters, water: Water): DrawnSettling {
  const heavy_m_s = fergusonChurch_m_s(BLACK_SAND_M, DENSITY_KG_M3.magnetite, water);
  return {
    gold: gold.map((g) => flakeSettles(g.size_m, box, water)),
    heavy: {
      alone_m_s: heavy_m_s,
      crowding: richardsonZakiExponent((heavy_m_s * BLACK_SAND_M) / water.kinematicViscosity_m2_s),
    },
  };
}

/**
 * Water, stones, feed and catch of one drawn box: the readable form, which `boxWindow` follows in arrays. Sections share the flow; each runs at its own
 * depth. A cross fall is two halves with a depth of their own.
 */
export function solveBox(
  setting: BoxSetting,
  box: BoxParameters,
  settling: DrawnSettling = settlingOf(setting.gold, box, freshWater(setting.temperature_C)),
): SolvedBox {
  requireBox(setting);
  const { sections, stone_m, feed_m3_s, crew_m3_s, gold } = setting;
  const slope = Math.max(LEAST_SLOPE, setting.slope + box.headError_m / boxLength_m(sections));
  const sides = setting.crossFall_m > 0 ? [setting.crossFall_m / 4, -setting.crossFall_m / 4] : [0];
  const halves = sides.map((deeper_m) => {
    const flows = flowsAlong(setting, box, slope, deeper_m);
    const median_m = (setting.median_m === null ? stone_m : 4 * setting.median_m) * box.medianOfScreen;
    return flows.map((flow, i) => ({
      flow,
      stones: stonesClear(flow, stone_m, Math.min(median_m, MOST_OF_SCREEN * stone_m), box),
      feed: feedCapacity(
        flow,
        (sections[i] as LinedSection).width_m,
        Math.min(median_m, MOST_OF_SCREEN * stone_m),
        box,
      ),
    }));
  });
  const weights = halves.map(
    (half) => (half[0]?.flow.flow_m3_s ?? 0) / sum(halves.map((h) => h[0]?.flow.flow_m3_s ?? 0)),
  );
  const capacity_m3_s = Math.min(
    ...sections.map((_, i) => sum(halves.map((half) => (half[i]?.feed.capacity_m3_s ?? 0) / halves.length))),
  );
  const pace_m3_s = feed_m3_s ?? Math.min(crew_m3_s, PRUDENT_SHARE * capacity_m3_s);
  const load = capacity_m3_s > 0 ? pace_m3_s / capacity_m3_s : pace_m3_s > 0 ? Infinity : 0;
  const moving_m3_s = SOLID_SHARE_LOOSE * Math.min(pace_m3_s, capacity_m3_s);
  const caughtIn = halves.map((half) => {
    const flow_m3_s = half[0]?.flow.flow_m3_s ?? 0;
    const thinning = flow_m3_s / (moving_m3_s + flow_m3_s);
    const rate = (i: number, size_m: number, s: Settling, density_kg_m3: number): number => {
      const { flow } = half[i] as (typeof half)[number];
      const washing = { bedShear_Pa: flow.bedShear_Pa, load: Math.min(load, 1e6), stone_m };
      const lining = liningOf(sections[i] as LinedSection);
      const stays = chanceToStay(size_m, lining, washing, box, density_kg_m3);
      return catchRate_per_m(stays, s.alone_m_s * thinning ** s.crowding, flow.flowPerWidth_m2_s);
    };
    const rates = gold.map((g, k) =>
      sections.map((section, i) => ({
        length_m: section.length_m,
        rate_per_m:
          rate(i, g.size_m, settling.gold[k] as Settling, DENSITY_KG_M3.placerGold) *
          (g.size_m / TILT_AT_M) ** box.tilt,
      })),
    );
    return {
      rates,
      caught: rates.map((r) => caughtBySection(r).caught),
      heavy: sections.map((_, i) => rate(i, BLACK_SAND_M, settling.heavy, DENSITY_KG_M3.magnetite)),
    };
  });
  const weighed = (of: (half: (typeof caughtIn)[number]) => number): number =>
    sum(caughtIn.map((half, n) => (weights[n] ?? 0) * of(half)));
  const solved = sections.map((_, i): SolvedSection => {
    const there = halves.map((half) => half[i] as (typeof half)[number]);
    return {
      flow: (there[0] as (typeof there)[number]).flow,
      stones: worst(there.map((t) => t.stones)),
      feed: (there[0] as (typeof there)[number]).feed,
      caught: gold.map((_g, k) => weighed((half) => half.caught[k]?.[i] ?? 0)),
      rate_per_m: gold.map((_g, k) => weighed((half) => half.rates[k]?.[i]?.rate_per_m ?? 0)),
      heavyRate_per_m: weighed((half) => half.heavy[i] ?? 0),
    };
  });
  const stones = worst(solved.map((s) => s.stones));
  const held = gold.map((_, k) => sum(solved.map((s) => s.caught[k] ?? 0)));
  const shares = drawnShares(gold, box);
  return {
    sections: solved,
    stones,
    clears: stones.least >= 1,
    runs: stones.least >= 1 && load <= 1,
    capacity_m3_s,
    pace_m3_s,
    load,
    held,
    heldOfMix: sum(held.map((h, k) => h * (shares[k] ?? 0))),
  };
}
const sum = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0);
const worst = (all: readonly StonesClear[]): StonesClear =>
  all.reduce((a, b) => (b.least < a.least ? b : a), { inFeed: Infinity, onFloor: Infinity, least: Infinity });

/** The flow in each section: by its depth in the told one, from there on by what that carries. */
function flowsAlong(
  { sections, water }: BoxSetting,
  box: BoxParameters,
  slope: number,
  deeper_m: number,
): readonly FloorFlow[] {
  const floorOf = (s: LinedSection) => ({
    width_m: s.width_m,
    roughness_m: liningOf(s).roughness_m * box.roughness,
  });
  const told = toldSection(sections);
  const here = sections[told] as LinedSection;
  const depth_m =
    water.known === 'depth'
      ? water.depth_m + box.depthError_m
      : floorFlowAtRate(floorOf(here), slope, water.flow_m3_s).depth_m;
  const first = floorFlowAtDepth(floorOf(here), slope, Math.max(LEAST_WATER_M, depth_m + deeper_m));
  return sections.map((s, i) => {
    const like = i === told || (s.width_m === here.width_m && floorOf(s).roughness_m === floorOf(here).roughness_m);
    return like ? first : floorFlowAtRate(floorOf(s), slope, first.flow_m3_s);
  });
}
