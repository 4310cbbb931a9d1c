import type { StoredSample, StoredSpot } from '@riffle/contract';
import { COLOR_CLASSES } from '@riffle/core';
import Papa from 'papaparse';

/** Samples as CSV (RFC 4180), units in the headers; no position but the distance along the ground, and that only when asked for. */
export function samplesAsCsv(
  samples: readonly StoredSample[],
  spots: readonly StoredSpot[],
  withDistance: boolean,
): string {
  const spotOf = new Map(spots.map((s) => [s.id, s]));
  return Papa.unparse(
    samples.map((s) => {
      const spot = spotOf.get(s.spotId);
      return {
        spot: spot?.name ?? '',
        ...(withDistance && {
          distance_m: spot?.distance_m ?? '',
          across_m: spot ? (spot.bank === 'right' ? -spot.offset_m : spot.offset_m) : '',
        }),
        date: s.takenAt,
        depth_m: s.depth_m,
        depth_as_typed: `${s.depthEntered.text} ${s.depthEntered.unit}`,
        volume_L: s.volume_L,
        volume_as_typed: `${s.volumeEntered.text} ${s.volumeEntered.unit}`,
        volume_state: s.volumeState,
        ...Object.fromEntries(COLOR_CLASSES.map((c) => [`colors ${c}`, s.counts[c]])),
        'black sand': s.blackSand,
        gold_mg: s.gold_mg ?? '',
        layer: s.layer,
        panner: s.panner,
        note: s.note,
      };
    }),
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
      properties: {
        spot: spot?.name ?? '',
        date: s.takenAt,
        depth_m: s.depth_m,
        volume_L: s.volume_L,
        volume_state: s.volumeState,
        ...Object.fromEntries(COLOR_CLASSES.map((c) => [`colors ${c}`, s.counts[c]])),
        gold_mg: s.gold_mg,
        layer: s.layer,
        note: s.note,
      },
    };
  });
  return JSON.stringify({ type: 'FeatureCollection', features });
}
