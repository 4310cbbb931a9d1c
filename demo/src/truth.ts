import type { FedBy, SignKindName } from '@riffle/core';

/**
 * The simulated truth of the invented island Corran: where the gold really lies. Everything in the demo's book is drawn
 * from it, so that what Riffle estimates can be held against what is so. All of it is made up.
 */

/** A place on a creek's line, with its true grade in mg/L of bank ground and the share of that gold by size class. */
export interface TrueSpot {
  readonly name: string;
  readonly kind:
    | 'bar'
    | 'inside bend'
    | 'boulder lee'
    | 'bedrock'
    | 'crevice'
    | 'undercut'
    | 'bench'
    | 'draw mouth'
    | 'cut bank'
    | 'other';
  readonly distance_m: number;
  readonly bank: 'left' | 'right' | 'mid';
  readonly offset_m: number;
  readonly grade_mg_L: number;
  readonly note: string;
  /** Depth of cover and pans taken in each visit. */
  readonly visits: readonly {
    readonly day: number;
    readonly depth_m: number;
    readonly pans: number;
    readonly note?: string;
  }[];
}

/** Something seen on the ground that speaks for or against a place. */
export interface TrueSign {
  readonly kind: SignKindName | 'own word';
  readonly distance_m: number;
  readonly bank: 'left' | 'right' | 'mid';
  readonly day: number;
  readonly note?: string;
  readonly size_mm?: number;
  readonly cover_m?: number;
  readonly comeBackWith?: string;
  readonly weight?: number;
  readonly traits?: Readonly<Record<string, string>>;
}

export interface TrueGround {
  readonly key: string;
  readonly name: string;
  readonly kind: 'creek' | 'beach' | 'wash' | 'bench';
  readonly fedBy?: FedBy;
  readonly catchment_ha?: number;
  /** Foot of the line. */
  readonly foot: readonly [lon: number, lat: number];
  /** Compass bearing up the line, degrees, its bends (amplitude m, wavelength m) and fall. */
  readonly bearing_deg: number;
  readonly length_m: number;
  readonly bend_m: number;
  readonly wave_m: number;
  readonly fall: number;
  /** Steps of bedrock in the bed. */
  readonly steps: readonly { readonly distance_m: number; readonly rise_m: number }[];
  /** Share of gold weight in classes 10-20, 20-40, -40. */
  readonly sizes: readonly [number, number, number];
  readonly spots: readonly TrueSpot[];
  readonly signs: readonly TrueSign[];
  /** What the crew wrote down about being allowed there. All invented. */
  readonly permissions: readonly {
    readonly name: string;
    readonly kind: 'claim' | 'permit' | 'closed season';
    readonly from: string | null;
    readonly to: string | null;
    readonly everyYear: boolean;
  }[];
  /** The draw's mouth on the creek it runs into. */
  readonly joins?: { readonly key: string; readonly distance_m: number; readonly bank: 'left' | 'right' };
  /** Shapes drawn on the map: corners as distance along, offset and bank. */
  readonly outlines?: readonly {
    readonly name: string;
    readonly kind: 'bar' | 'bench' | 'claim';
    readonly holder?: 'ours' | 'by leave' | 'not ours';
    readonly height_m: number | null;
    readonly corners: readonly (readonly [distance_m: number, offset_m: number, bank: 'left' | 'right'])[];
  }[];
  /** A beach's tide, invented: amplitudes and Greenwich phase lags, and the level below which its sand can be worked. */
  readonly tide?: {
    readonly meanLevel_m: number;
    readonly workBelow_m: number;
    /** Of the way round the point, and what is left over before the water. */
    readonly wayBelow_m: number;
    readonly margin_min: number;
    readonly constituents: {
      readonly name: 'M2' | 'S2' | 'N2' | 'K1' | 'O1';
      readonly amplitude_m: number;
      readonly phase_deg: number;
    }[];
  };
  /** The river at the stake: level in cm by day; a flood is a peak. */
  readonly river: readonly { readonly day: number; readonly level_cm: number; readonly flood?: true }[];
}

/** Weights of one color in that truth, mg: flakes about a quarter as thick as wide. */
export const TRUE_COLOR_MG = [6, 0.75, 0.085] as const;

/** One day at the box. Recovery is the share of the fed gold the box keeps; `spread_m` how far down it lies. */
export interface TrueRun {
  readonly ground: string;
  readonly day: number;
  readonly rig: 'short' | 'long';
  readonly pitch_in_ft: string;
  readonly flow: string;
  readonly stone: string;
  readonly buckets: readonly (readonly [spot: string, count: number])[];
  readonly minutesEach: number;
  readonly recovery: number;
  readonly spread_m: number;
  readonly rinsed: 'yes' | 'no';
  readonly weighed: boolean;
  readonly note: string;
}
