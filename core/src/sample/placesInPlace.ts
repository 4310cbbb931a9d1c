import { acrossOf } from './layOut.ts';
import { centreLine, type Bank } from '../ground/centreLine.ts';
import type { Position } from '../ground/localPlane.ts';
import { gradeOf, samplesBySpot, type GroundColors, type SpotPan } from './groundColors.ts';
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

/** A spot on the ground's line. */
export interface LineSpot {
  readonly id: string;
  readonly distance_m: number;
  readonly bank: Bank;
  readonly offset_m: number;
}
/** A pit with its layers from the top down. */
export interface SpotPit {
  readonly spotId: string;
  readonly layers: readonly { readonly thickness_m: number; readonly pay: boolean }[];
}

/**
 * Sampled spots on the ground pulled straight: x along it, y across, positive to the left. A blank counts as 0. Pay and cover are those of the spot's own pit
 * where it has one, else what the person says of the ground.
 */
export function placesOf<Spot extends LineSpot>(
  ground: { readonly swell_percent: number },
  spots: readonly Spot[],
  samples: readonly (SpotPan & { readonly depth_m: number })[],
  pits: readonly SpotPit[],
  colors: GroundColors,
  window: DepthWindow | null,
  pay_m: number,
  cover_m: number,
): PlacedSpot<Spot>[] {
  const counted = window
    ? samples.filter((s) => s.depth_m >= window.from_m - 1e-9 && s.depth_m <= window.to_m + 1e-9)
    : samples;
  const bySpot = samplesBySpot(counted);
  return spots.flatMap((spot): PlacedSpot<Spot>[] => {
    const mine = bySpot.get(spot.id);
    const grade = mine && gradeOf(mine, ground.swell_percent, colors);
    if (!grade || grade.kind === 'coarse only') return [];
    const pit = pits.find((p) => p.spotId === spot.id && p.layers.some((l) => l.pay));
    const first = pit?.layers.findIndex((l) => l.pay) ?? -1;
    const sum = (layers: SpotPit['layers']): number => layers.reduce((t, l) => t + l.thickness_m, 0);
    return [
      {
        spot,
        x_m: spot.distance_m,
        y_m: acrossOf(spot.bank, spot.offset_m),
        grade_mg_L: grade.kind === 'band' ? grade.grade_mg_L : 0,
        pay_m: pit ? sum(pit.layers.slice(first, pit.layers.findLastIndex((l) => l.pay) + 1)) : pay_m,
        cover_m: pit ? sum(pit.layers.slice(0, first)) : cover_m,
      },
    ];
  });
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

/** Places within a quarter of the outline's length about its box: those that may say something of the ground inside. Common practice, no source. */
export function withinReach<P extends Corner>(places: readonly P[], outline: readonly Corner[]): P[] {
  const [xs, ys] = [outline.map((p) => p.x_m), outline.map((p) => p.y_m)];
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const reach = Math.max(x1 - x0, y1 - y0) / 4;
  return places.filter((p) => p.x_m >= x0 - reach && p.x_m <= x1 + reach && p.y_m >= y0 - reach && p.y_m <= y1 + reach);
}
