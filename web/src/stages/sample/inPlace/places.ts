import type { StoredGround, StoredOutline, StoredPit, StoredSample, StoredSpot } from '@riffle/contract';
import { acrossOf, centreLine, type GradedPlace } from '@riffle/core';
import { gradeOf, samplesBySpot, type GroundColors } from '../../../ribbon/spotGrades.ts';

export interface Corner {
  readonly x_m: number;
  readonly y_m: number;
}

/** Which samples count: all, or the ones whose depth lies in a stretch. */
export interface DepthWindow {
  readonly from_m: number;
  readonly to_m: number;
}

export interface PlacedSpot extends GradedPlace {
  readonly spot: StoredSpot;
}

/**
 * Sampled spots on the ground pulled straight: x along it, y across, positive to the left. A blank counts as 0. Pay and cover are those of the spot's own pit
 * where it has one, else what the person says of the ground.
 */
export function placesOf(
  ground: StoredGround,
  spots: readonly StoredSpot[],
  samples: readonly StoredSample[],
  pits: readonly StoredPit[],
  colors: GroundColors,
  window: DepthWindow | null,
  pay_m: number,
  cover_m: number,
): PlacedSpot[] {
  const counted = window
    ? samples.filter((s) => s.depth_m >= window.from_m - 1e-9 && s.depth_m <= window.to_m + 1e-9)
    : samples;
  const bySpot = samplesBySpot(counted);
  return spots.flatMap((spot): PlacedSpot[] => {
    const mine = bySpot.get(spot.id);
    const grade = mine && gradeOf(mine, ground.swell_percent, colors);
    if (!grade || grade.kind === 'coarse only') return [];
    const pit = pits.find((p) => p.spotId === spot.id && p.layers.some((l) => l.pay));
    const first = pit?.layers.findIndex((l) => l.pay) ?? -1;
    const sum = (layers: StoredPit['layers']): number => layers.reduce((t, l) => t + l.thickness_m, 0);
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
export function outlineOnGround(ground: StoredGround, outline: StoredOutline): Corner[] | null {
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
