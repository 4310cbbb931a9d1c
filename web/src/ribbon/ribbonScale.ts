/** Metres along the ground to px across the drawing and back; upstream lies to the left. */
export interface RibbonScale {
  readonly from_m: number;
  readonly to_m: number;
  readonly px_per_m: number;
  readonly x: (distance_m: number) => number;
  readonly distanceAt: (px: number) => number;
  readonly inSight: (place: { readonly distance_m: number }) => boolean;
}

/** What stands at the very edge of a drawing is on it, px. */
const EDGE_PX = 2;

/** Spreads a stretch of ground over the drawing from `left` to `right`, its foot at the right. */
export function ribbonScale(from_m: number, to_m: number, left: number, right: number): RibbonScale {
  const px_per_m = (right - left) / (to_m - from_m);
  return {
    from_m,
    to_m,
    px_per_m,
    x: (d) => right - (d - from_m) * px_per_m,
    distanceAt: (px) => from_m + (right - px) / px_per_m,
    inSight: ({ distance_m }) => distance_m >= from_m - EDGE_PX / px_per_m && distance_m <= to_m + EDGE_PX / px_per_m,
  };
}
