import { acrossOf } from './layOut.ts';
import { centreLine, type Bank } from '../ground/centreLine.ts';
import type { Position } from '../ground/localPlane.ts';
import { samplesBySpot, type GroundColors, type SpotPan } from './groundColors.ts';
import { gradeHole } from './hole.ts';
import { nearestOf } from './nearest.ts';
import { beliefMean_mg_L, type GradeBelief } from './gradeBelief.ts';
import { holeOfPay } from './pitGrades.ts';
import { poolGround, type GroundGrades, type SpotEvidence } from './poolGround.ts';
import type { GradedPlace } from './groundInPlace.ts';

export interface Corner {
  readonly x_m: number;
  readonly y_m: number;
}

/** Which samples count: all, or the ones whose depth lies in a stretch. */
export interface DepthWindow {
  readonly from_m: number;
  readonly to_m: number;
}

export interface PlacedSpot<Spot> extends GradedPlace {
  readonly spot: Spot;
}
/** The sampled spots of a ground as they are mapped. */
export interface PlacedGround<Spot> {
  readonly places: readonly PlacedSpot<Spot>[];
  /** What they say together; null without any. */
  readonly together: GroundGrades | null;
  /** How unsure what they share is (see `commonLogSd`). */
  readonly commonLogSd: number;
  /** Where the thickness is from, where a spot has no pit of its own; 'not known': 1 m stands for it, and gold is to be said for each metre. */
  readonly thickness: 'said' | 'pits' | 'not known';
  /** Is the cover said, or dug through somewhere? Where it is not, no cover is mapped and none is to be claimed. */
  readonly coverKnown: boolean;
}

/** A spot on the ground's line. */
export interface LineSpot {
  readonly id: string;
  readonly distance_m: number;
  readonly bank: Bank;
  readonly offset_m: number;
}
/** A pit with its layers from the top down. */
export interface SpotPit {
  readonly id: string;
  readonly spotId: string;
  readonly layers: readonly { readonly id: string; readonly thickness_m: number; readonly pay: boolean }[];
}

/**
 * Sampled spots on the ground pulled straight: x along it, y across, positive to the left. Grades are what is believed of each
 * spot beside the others. Pay and cover are those of its own pit, else what the person says, else the mean of the ground's pits.
 */
export function placesOf<Spot extends LineSpot>(
  ground: { readonly swell_percent: number },
  spots: readonly Spot[],
  samples: readonly SpotPan[],
  pits: readonly SpotPit[],
  colors: GroundColors,
  window: DepthWindow | null,
  pay_m: number | null,
  cover_m: number | null,
): PlacedGround<Spot> {
  const counted = window
    ? samples.filter((s) => s.depth_m >= window.from_m - 1e-9 && s.depth_m <= window.to_m + 1e-9)
    : samples;
  const bySpot = samplesBySpot(counted);
  const thick = payAndCover(pits, pay_m, cover_m);
  const placed = spots.flatMap((spot): (PlacedSpot<Spot> & { evidence: SpotEvidence })[] => {
    const mine = bySpot.get(spot.id);
    if (!mine) return [];
    const pit = pits.find((p) => p.spotId === spot.id && p.layers.some((l) => l.pay));
    const ofPay = pit ? mine.filter((s) => pit.layers.some((l) => l.pay && l.id === s.layerId)) : [];
    const hole =
      pit && ofPay.length > 0
        ? holeOfPay(pit, ofPay, ground.swell_percent, colors)
        : gradeHole(mine, [], ground.swell_percent, colors, { toTheBottom: true });
    if (hole.grade.kind === 'coarse only') return [];
    const here = pit ? layersOf(pit) : thick;
    return [
      {
        spot,
        x_m: spot.distance_m,
        y_m: acrossOf(spot.bank, spot.offset_m),
        evidence: hole.evidence,
        grade_mg_L: 0,
        pay_m: here.pay_m,
        cover_m: here.cover_m,
      },
    ];
  });
  const { beliefs, ground: together } = poolGround(placed.map((p) => p.evidence));
  return {
    together,
    thickness: thick.from,
    coverKnown: thick.coverKnown,
    commonLogSd: Math.sqrt(
      placed.reduce((sum, p) => sum + p.evidence.commonLogSd ** 2, 0) / Math.max(1, placed.length),
    ),
    // Few colors make a pan look richer or poorer than its ground: what is mapped is what is believed of each with the others in mind.
    places: placed.map(({ evidence: _evidence, ...place }, i) => {
      const belief = beliefs[i] as GradeBelief;
      const grade_mg_L = beliefMean_mg_L(belief);
      return { ...place, grade_mg_L, variance: grade_mg_L ** 2 / belief.shape };
    }),
  };
}

/** How thick the pay of a pit is, from its first such layer to its last, and what lies above. */
function layersOf({ layers }: SpotPit): { readonly pay_m: number; readonly cover_m: number } {
  const first = layers.findIndex((l) => l.pay);
  const sum = (some: SpotPit['layers']): number => some.reduce((t, l) => t + l.thickness_m, 0);
  return {
    pay_m: sum(layers.slice(first, layers.findLastIndex((l) => l.pay) + 1)),
    cover_m: sum(layers.slice(0, first)),
  };
}

/** Pay and cover where no pit of a spot says: what the person says, else the mean of the ground's pits; neither: not known. */
function payAndCover(
  pits: readonly SpotPit[],
  pay_m: number | null,
  cover_m: number | null,
): { pay_m: number; cover_m: number; from: PlacedGround<LineSpot>['thickness']; coverKnown: boolean } {
  const dug = pits.filter((p) => p.layers.some((l) => l.pay)).map(layersOf);
  const mean = (of: (p: (typeof dug)[number]) => number): number => dug.reduce((sum, p) => sum + of(p), 0) / dug.length;
  return {
    // A metre stands for a thickness nobody knows.
    pay_m: pay_m ?? (dug.length > 0 ? mean((p) => p.pay_m) : 1),
    from: pay_m !== null ? 'said' : dug.length > 0 ? 'pits' : 'not known',
    cover_m: cover_m ?? (dug.length > 0 ? mean((p) => p.cover_m) : 0),
    coverKnown: cover_m !== null || dug.length > 0,
  };
}

/** A shape of the map on the ground pulled straight. */
export function outlineOnGround(
  ground: { readonly line: readonly Position[] | null },
  outline: { readonly points: readonly Position[] },
): Corner[] | null {
  if (!ground.line) return null;
  const centre = centreLine(ground.line);
  return outline.points.map((p) => {
    const at = centre.locate(p);
    return { x_m: at.distance_m, y_m: acrossOf(at.bank, at.offset_m) };
  });
}

/** The box about the samples and half their usual spacing around it. */
export function boxAbout(places: readonly Corner[]): Corner[] | null {
  if (places.length < 2) return null;
  const [xs, ys] = [places.map((p) => p.x_m), places.map((p) => p.y_m)];
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const edge = Math.max(0.5, Math.sqrt((Math.max(x1 - x0, 1) * Math.max(y1 - y0, 1)) / places.length) / 2);
  return [
    { x_m: x0 - edge, y_m: y0 - edge },
    { x_m: x1 + edge, y_m: y0 - edge },
    { x_m: x1 + edge, y_m: y1 + edge },
    { x_m: x0 - edge, y_m: y1 + edge },
  ];
}

/** Half the usual spacing, and this much more: the middle of four samples of a net lies 1.41 times as far as that of two. */
const BEYOND = 1.6;
/**
 * How far a sample speaks for the ground about it, across it, where nobody drew an outline: as far as samples are alike (the range of the variogram), but
 * no farther than a little over half the way to the next, as far samples usually lie apart.
 */
export function reachOf(
  places: readonly Corner[],
  streak: number,
  variogram: { readonly range_m: number } | null,
): number {
  const points = places.map((p) => ({ x_m: p.x_m / streak, y_m: p.y_m, value: 0 }));
  const near = points.length > 1 ? nearestOf(points) : null;
  const gaps = points
    .flatMap((p) => {
      const other = near?.(p.x_m, p.y_m, 2).map((k) => points[k] as (typeof points)[number]);
      return other?.map((q) => Math.hypot(q.x_m - p.x_m, q.y_m - p.y_m)).filter((gap) => gap > 0) ?? [];
    })
    .sort((a, b) => a - b);
  const half_m = (BEYOND * (gaps[Math.floor(0.75 * (gaps.length - 1))] ?? 2)) / 2;
  return Math.max(0.5, variogram ? Math.min(half_m, variogram.range_m) : half_m);
}

/** Places within a quarter of the outline's length about its box: those that may say something of the ground inside. Common practice, no source. */
export function withinReach<P extends Corner>(places: readonly P[], outline: readonly Corner[]): P[] {
  const [xs, ys] = [outline.map((p) => p.x_m), outline.map((p) => p.y_m)];
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const reach = Math.max(x1 - x0, y1 - y0) / 4;
  return places.filter((p) => p.x_m >= x0 - reach && p.x_m <= x1 + reach && p.y_m >= y0 - reach && p.y_m <= y1 + reach);
}
