import type { StoredSample, StoredSpot } from '@riffle/contract';
import { COLOR_CLASSES, type Position } from '@riffle/core';
import Papa from 'papaparse';

/** What of the place goes into a table of samples. */
export interface TableGiven {
  readonly spotName: (spot: StoredSpot) => string;
  readonly give: (at: Position) => readonly [number, number] | null;
  /** Where along the ground each is from. */
  readonly withDistance: boolean;
  /** Words of the person's own, which may name places: layer, remarks, who panned. */
  readonly withRemarks: boolean;
}
export const ALL_GIVEN: TableGiven = {
  spotName: (spot) => spot.name,
  give: ([lon, lat]) => [lon, lat],
  withDistance: true,
  withRemarks: true,
};

/** What is told of a sample, units in the names. */
function told(s: StoredSample, spot: StoredSpot | undefined, { spotName, withDistance, withRemarks }: TableGiven) {
  return {
    spot: spot ? spotName(spot) : '',
    ...(withDistance && {
      distance_m: spot?.distance_m ?? null,
      across_m: spot ? (spot.bank === 'right' ? -spot.offset_m : spot.offset_m) : null,
    }),
    date: s.takenAt,
    depth_m: s.depth_m,
    depth_as_typed: `${s.depthEntered.text} ${s.depthEntered.unit}`,
    volume_L: s.volume_L,
    volume_as_typed: `${s.volumeEntered.text} ${s.volumeEntered.unit}`,
    volume_state: s.volumeState,
    ...Object.fromEntries(COLOR_CLASSES.map((c) => [`colors ${c}`, s.counts[c]])),
    'black sand': s.blackSand,
    gold_mg: s.gold_mg,
    ...(withRemarks && { layer: s.layer, panner: s.panner, note: s.note }),
  };
}

/** Samples as CSV (RFC 4180); no position but the distance along the ground, and that only where it is given. */
export function samplesAsCsv(
  samples: readonly StoredSample[],
  spots: readonly StoredSpot[],
  given: TableGiven = ALL_GIVEN,
): string {
  const spotOf = new Map(spots.map((s) => [s.id, s]));
  return Papa.unparse(
    samples.map((s) => told(s, spotOf.get(s.spotId), given)),
    { escapeFormulae: true },
  );
}

/** Samples as GeoJSON (RFC 7946), a point for each whose spot has a position that is given. */
export function samplesAsGeoJson(
  samples: readonly StoredSample[],
  spots: readonly StoredSpot[],
  given: TableGiven = ALL_GIVEN,
): string {
  const spotOf = new Map(spots.map((s) => [s.id, s]));
  const features = samples.map((s) => {
    const spot = spotOf.get(s.spotId);
    const at = spot?.position && given.give(spot.position);
    return {
      type: 'Feature',
      geometry: at ? { type: 'Point', coordinates: at } : null,
      properties: told(s, spot, given),
    };
  });
  return JSON.stringify({ type: 'FeatureCollection', features });
}
