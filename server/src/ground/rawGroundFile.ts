import type { FlowDirection, Position } from '@riffle/core';

/** A file as read, nothing judged yet. Lines and places stand as drawn. */
export interface RawGroundFile {
  readonly format: 'GPX' | 'KML' | 'GeoJSON' | 'NMEA' | 'CSV';
  readonly lines: readonly RawLine[];
  readonly places: readonly {
    readonly name: string;
    readonly position: Position;
    readonly properties: Readonly<Record<string, unknown>>;
  }[];
  readonly name: string;
  readonly kind: unknown;
  readonly swell_percent: unknown;
  readonly note: unknown;
  /** What else is told of the ground, by the fields' own names. */
  readonly told: Readonly<Record<string, unknown>>;
  /** Direction of flow where the file states it (Riffle's own exports do). */
  readonly flow: FlowDirection;
  /** Records of the ground as Riffle's own exports hold them. */
  readonly records: readonly RawRecord[];
  /** Of a table: its columns, and which were taken. */
  readonly columns: TakenColumns | null;
}

/** What one name stands for: a receiver that lost the sky, or was switched off, leaves several segments. */
export interface RawLine {
  readonly name: string;
  readonly segments: readonly (readonly Position[])[];
}
export interface RawRecord {
  /** The kind's path segment under /api/v1. */
  readonly kind: string;
  readonly id: string;
  readonly fields: Readonly<Record<string, unknown>>;
}
export interface TakenColumns {
  readonly all: readonly string[];
  readonly latitude: string;
  readonly longitude: string;
  /** Rows with something in it are places too; null: none are. */
  readonly name: string | null;
}

/** What only Riffle's own exports state. */
export const UNTOLD = {
  kind: 'creek',
  swell_percent: null,
  note: null,
  told: {},
  flow: 'unknown',
  records: [],
  columns: null,
} as const;
