import type { StoredGround, StoredOutline } from '@riffle/contract';
import { centreLine, type Bank } from '@riffle/core';

/** A bar or bench as the ribbon shows it: from where to where, on which bank, how high above the water. */
export interface Strip {
  readonly id: string;
  readonly name: string;
  readonly kind: StoredOutline['kind'];
  readonly from_m: number;
  readonly to_m: number;
  readonly bank: Bank;
  readonly height_m: number | null;
}

/** Bars and benches drawn on the map, pulled straight along the line. Empty for a ground without a line. */
export function outlineStrips(ground: Pick<StoredGround, 'line'>, outlines: readonly StoredOutline[]): Strip[] {
  if (!ground.line) return [];
  const centre = centreLine(ground.line);
  return outlines
    .filter((o) => o.kind === 'bar' || o.kind === 'bench')
    .map((o) => {
      const found = o.points.map((p) => centre.locate(p));
      const distances = found.map((f) => f.distance_m);
      // The bank that most corners lie on: a bar may reach across the thread of the stream.
      const left = found.filter((f) => f.bank === 'left').length;
      const right = found.filter((f) => f.bank === 'right').length;
      return {
        id: o.id,
        name: o.name,
        kind: o.kind,
        from_m: Math.min(...distances),
        to_m: Math.max(...distances),
        bank: left >= right ? 'left' : 'right',
        height_m: o.height_m,
      };
    });
}
