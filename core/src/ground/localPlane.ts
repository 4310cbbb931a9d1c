import { requireWithin } from '../outOfRange.ts';

/** Longitude and latitude in degrees (WGS 84), then height in metres when it is known (GeoJSON's order). */
export type Position = readonly [lon: number, lat: number, ...ele_m: number[]];

/** Metres east and north of an origin. */
export interface PlanePoint {
  readonly x_m: number;
  readonly y_m: number;
}

const SEMI_MAJOR_M = 6_378_137;
const ECCENTRICITY_2 = 0.00669437999014;

/**
 * A flat map around an origin: metres per degree from the WGS 84 radii of curvature there
 * (M = a(1-e^2)/W^3 north, N = a/W east, W^2 = 1 - e^2 sin^2 lat; Torge 2001, Geodesy, eq. 4.20).
 * Good to about 1 part in 10 000 over 20 km, which is all a ground needs.
 */
export function localPlane([lon0, lat0]: Position): {
  toPlane: (p: Position) => PlanePoint;
  toPosition: (p: PlanePoint) => [number, number];
} {
  requireWithin('latitude', lat0, -89, 89, '°');
  const rad = Math.PI / 180;
  const w2 = 1 - ECCENTRICITY_2 * Math.sin(lat0 * rad) ** 2;
  const perDegreeNorth = ((SEMI_MAJOR_M * (1 - ECCENTRICITY_2)) / w2 ** 1.5) * rad;
  const perDegreeEast = (SEMI_MAJOR_M / Math.sqrt(w2)) * Math.cos(lat0 * rad) * rad;
  return {
    // The shorter way round, so that a creek across the antimeridian stays one creek.
    toPlane: ([lon, lat]) => ({
      x_m: (((((lon - lon0 + 540) % 360) + 360) % 360) - 180) * perDegreeEast,
      y_m: (lat - lat0) * perDegreeNorth,
    }),
    toPosition: ({ x_m, y_m }) => [lon0 + x_m / perDegreeEast, lat0 + y_m / perDegreeNorth],
  };
}
