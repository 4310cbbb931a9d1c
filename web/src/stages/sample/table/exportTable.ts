import type { StoredSample, StoredSpot } from '@riffle/contract';
import { COLOR_CLASSES } from '@riffle/core';
import Papa from 'papaparse';

/** What is told of a sample, units in the names. `withDistance`: where along the ground it is from, too. */
function told(s: StoredSample, spot: StoredSpot | undefined, withDistance: boolean) {
  return {
    spot: spot?.name ?? '',
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
    layer: s.layer,
    panner: s.panner,
    note: s.note,
  };
}

/** Samples as CSV (RFC 4180); no position but the distance along the ground, and that only when asked for. */
export function samplesAsCsv(
  samples: readonly StoredSample[],
  spots: readonly StoredSpot[],
  withDistance: boolean,
): string {
  const spotOf = new Map(spots.map((s) => [s.id, s]));
  return Papa.unparse(
    samples.map((s) => told(s, spotOf.get(s.spotId), withDistance)),
    { escapeFormulae: true },
  );
}

/** Samples as GeoJSON (RFC 7946), a point for each whose spot has a position. It gives every place away. */
export function samplesAsGeoJson(samples: readonly StoredSample[], spots: readonly StoredSpot[]): string {
  const spotOf = new Map(spots.map((s) => [s.id, s]));
  const features = samples.map((s) => {
    const spot = spotOf.get(s.spotId);
    return {
      type: 'Feature',
      geometry: spot?.position ? { type: 'Point', coordinates: spot.position } : null,
      properties: told(s, spot, true),
    };
  });
  return JSON.stringify({ type: 'FeatureCollection', features });
}
