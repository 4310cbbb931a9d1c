import type { FlowDirection, Position } from '@riffle/core';

/** A file as read, nothing judged yet. Lines and places stand as drawn. */
export interface RawGroundFile {
  readonly format: 'GPX' | 'KML' | 'GeoJSON' | 'NMEA';
  readonly lines: readonly { readonly name: string; readonly points: readonly Position[] }[];
  readonly places: readonly {
    readonly name: string;
    readonly position: Position;
    readonly properties: Readonly<Record<string, unknown>>;
  }[];
  readonly name: string;
  readonly kind: unknown;
  readonly swell_percent: unknown;
  readonly note: unknown;
  /** Direction of flow where the file states it (Riffle's own exports do). */
  readonly flow: FlowDirection;
}

/** What only Riffle's own exports state. */
export const UNTOLD = { kind: 'creek', swell_percent: null, note: null, flow: 'unknown' } as const;
