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
  /** The river at the stake: level in cm by day; a flood is a peak. */
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
  readonly river: readonly { readonly day: number; readonly level_cm: number; readonly flood?: true }[];
}

/** Weights of one color in that truth, mg: flakes about a quarter as thick as wide. */
export const TRUE_COLOR_MG = [6, 0.75, 0.085] as const;

const spot = (
  name: string,
  kind: TrueSpot['kind'],
  distance_m: number,
  bank: TrueSpot['bank'],
  offset_m: number,
  grade_mg_L: number,
  note: string,
  ...visits: TrueSpot['visits'][number][]
): TrueSpot => ({ name, kind, distance_m, bank, offset_m, grade_mg_L, note, visits });

export const CORRAN: readonly TrueGround[] = [
  {
    key: 'halloway',
    name: 'Halloway Creek',
    kind: 'creek',
    fedBy: 'quartz veins',
    catchment_ha: 640,
    foot: [-33.012, 46.498],
    bearing_deg: 285,
    length_m: 1200,
    bend_m: 34,
    wave_m: 240,
    fall: 0.018,
    steps: [
      { distance_m: 215, rise_m: 1.4 },
      { distance_m: 652, rise_m: 3.2 },
      { distance_m: 950, rise_m: 2.1 },
    ],
    sizes: [0.12, 0.48, 0.4],
    spots: [
      spot('Ford', 'bar', 85, 'right', 6, 0.01, 'Where the track crosses. Turned over by others.', {
        day: 4,
        depth_m: 0.2,
        pans: 2,
      }),
      spot(
        'Alder bar',
        'bar',
        178,
        'left',
        5,
        0.03,
        '',
        { day: 4, depth_m: 0.3, pans: 2 },
        { day: 33, depth_m: 0.5, pans: 3 },
      ),
      spot('Cedar Bend', 'inside bend', 292, 'right', 7, 0, 'Looks right; blank on top.', {
        day: 5,
        depth_m: 0.2,
        pans: 2,
      }),
      spot('Heron Bend tail', 'bar', 372, 'left', 4, 0.05, '', { day: 5, depth_m: 0.3, pans: 2 }),
      spot(
        'Heron Bend',
        'inside bend',
        438,
        'right',
        6,
        0.09,
        'Gravel seam under silt.',
        { day: 6, depth_m: 0.4, pans: 3 },
        { day: 34, depth_m: 0.5, pans: 2 },
      ),
      spot('Two Boulders', 'boulder lee', 474, 'mid', 0, 0.16, 'Lee of the pair.', { day: 6, depth_m: 0.3, pans: 2 }),
      spot(
        'Otter bar',
        'bar',
        522,
        'right',
        5,
        0.42,
        'Below Otter Bend. Bedrock shows at the edge.',
        { day: 12, depth_m: 0.4, pans: 3, note: 'Iron-stained gravel from 0.3 m.' },
        { day: 13, depth_m: 0.8, pans: 4, note: 'On the clay.' },
      ),
      spot('Otter undercut', 'undercut', 592, 'left', 7, 0.3, 'Dig below the lip only; the bank stays.', {
        day: 13,
        depth_m: 0.3,
        pans: 3,
      }),
      spot('Slate step', 'bedrock', 648, 'mid', 0, 0.12, 'Cracks across the flow.', { day: 20, depth_m: 0.2, pans: 2 }),
      spot(
        'Kettle Bend',
        'inside bend',
        704,
        'left',
        8,
        0,
        'Blank. See the second try.',
        { day: 20, depth_m: 0.3, pans: 2 },
        { day: 47, depth_m: 0.3, pans: 2, note: 'Tried again by mistake: nobody had written down the first blank.' },
      ),
      spot('Long riffle', 'bar', 772, 'right', 4, 0.05, '', { day: 21, depth_m: 0.3, pans: 2 }),
      spot('Sixpence mouth', 'draw mouth', 893, 'left', 6, 0.08, 'Sixpence Draw joins here.', {
        day: 21,
        depth_m: 0.3,
        pans: 3,
      }),
      spot('Slate Bend', 'crevice', 1012, 'right', 3, 0.004, '', { day: 28, depth_m: 0.2, pans: 2 }),
      spot('Upper Bend', 'inside bend', 1128, 'left', 7, 0, '', { day: 28, depth_m: 0.3, pans: 2 }),
    ],
    signs: [
      { kind: 'bedrock', distance_m: 526, bank: 'right', day: 12, note: 'Shows at the edge of the bar.' },
      { kind: 'black sand', distance_m: 518, bank: 'right', day: 12 },
      { kind: 'boulder lee', distance_m: 558, bank: 'right', day: 13, note: 'Two boulders, deep water behind.' },
      { kind: 'inside bend', distance_m: 562, bank: 'right', day: 13 },
      {
        kind: 'bedrock',
        distance_m: 566,
        bank: 'right',
        day: 13,
        note: 'Dull knock under the gravel.',
        traits: { soundness: 'dull knock' },
      },
      { kind: 'inside bend', distance_m: 595, bank: 'left', day: 13 },
      {
        kind: 'crevice',
        distance_m: 648,
        bank: 'mid',
        day: 20,
        note: 'Cracks lie across the flow.',
        traits: { strike: 'across the flow', depth: 'a hand' },
      },
      { kind: 'turned over', distance_m: 88, bank: 'right', day: 4, note: 'Old tailings on both sides of the track.' },
      { kind: 'boulder lee', distance_m: 470, bank: 'mid', day: 6 },
      { kind: 'float', distance_m: 240, bank: 'mid', day: 5, size_mm: 8 },
      { kind: 'float', distance_m: 468, bank: 'right', day: 6, size_mm: 12 },
      { kind: 'float', distance_m: 648, bank: 'right', day: 20, size_mm: 20 },
      { kind: 'stained float', distance_m: 760, bank: 'left', day: 21, size_mm: 34 },
      {
        kind: 'stained float',
        distance_m: 890,
        bank: 'left',
        day: 21,
        size_mm: 60,
        note: 'Rough, dark cavities.',
        traits: { wear: 'sharp-edged', pits: 'dark-filled' },
      },
      {
        kind: 'undercut',
        distance_m: 836,
        bank: 'right',
        day: 21,
        cover_m: 1.6,
        comeBackWith: 'two hands and a low river',
        note: 'Gravel seam under silt, too deep to strip alone.',
      },
      { kind: 'lead or iron', distance_m: 896, bank: 'left', day: 21, note: 'Three lead shot in one pan.' },
      { kind: 'own word', distance_m: 704, bank: 'left', day: 47, weight: -1, note: 'Blank twice; leave it.' },
    ],
    outlines: [
      {
        name: 'Old terrace',
        kind: 'bench',
        height_m: 3.5,
        corners: [
          [640, 14, 'left'],
          [770, 12, 'left'],
          [765, 34, 'left'],
          [650, 36, 'left'],
        ],
      },
      {
        name: 'Otter bar',
        kind: 'bar',
        height_m: null,
        corners: [
          [495, 1.5, 'right'],
          [552, 1.5, 'right'],
          [545, 8, 'right'],
          [505, 9, 'right'],
        ],
      },
      {
        name: 'Claim Halloway 3',
        kind: 'claim',
        holder: 'ours',
        height_m: null,
        corners: [
          [330, 60, 'right'],
          [330, 60, 'left'],
          [800, 60, 'left'],
          [800, 60, 'right'],
        ],
      },
      {
        name: 'Halloway 4',
        kind: 'claim',
        holder: 'not ours',
        height_m: null,
        corners: [
          [930, 60, 'right'],
          [930, 60, 'left'],
          [1080, 60, 'left'],
          [1080, 60, 'right'],
        ],
      },
    ],
    permissions: [
      { name: 'Claim Halloway 3', kind: 'claim', from: '2025-03-01', to: null, everyYear: false },
      { name: 'Trout spawn', kind: 'closed season', from: '2026-01-10', to: '2026-03-31', everyYear: true },
    ],
    river: [
      { day: 0, level_cm: 62 },
      { day: 4, level_cm: 55 },
      { day: 12, level_cm: 47 },
      { day: 20, level_cm: 43 },
      { day: 25, level_cm: 120, flood: true },
      { day: 26, level_cm: 78 },
      { day: 33, level_cm: 50 },
      { day: 47, level_cm: 41 },
      { day: 60, level_cm: 38 },
      { day: 84, level_cm: 35 },
      { day: 97, level_cm: 36 },
      { day: 104, level_cm: 34 },
    ],
  },
  {
    key: 'bench',
    name: 'Tin Kettle Bench',
    kind: 'bench',
    foot: [-33.0185, 46.5012],
    bearing_deg: 280,
    length_m: 210,
    bend_m: 4,
    wave_m: 180,
    fall: 0.012,
    steps: [],
    sizes: [0.25, 0.5, 0.25],
    spots: [
      spot('East cut', 'bench', 40, 'left', 9, 0.15, 'Old channel, 4 m above the creek.', {
        day: 60,
        depth_m: 0.6,
        pans: 3,
      }),
      spot(
        'Rotten slate',
        'bedrock',
        96,
        'left',
        12,
        0.55,
        'Decayed bedrock that still stands: nobody cleaned it.',
        { day: 61, depth_m: 0.9, pans: 3 },
        { day: 62, depth_m: 1, pans: 4 },
      ),
      spot('Old workings', 'bench', 150, 'right', 6, 0.05, 'Hand-stacked stones; virgin strip beside them.', {
        day: 61,
        depth_m: 0.5,
        pans: 2,
      }),
    ],
    signs: [
      { kind: 'bedrock', distance_m: 98, bank: 'left', day: 61 },
      { kind: 'old workings', distance_m: 146, bank: 'right', day: 61 },
      { kind: 'bench', distance_m: 120, bank: 'left', day: 61, cover_m: 0.8, note: 'Virgin strip beside the stones.' },
    ],
    permissions: [],
    river: [],
  },
  {
    key: 'strand',
    name: 'Saltgrass Strand',
    kind: 'beach',
    foot: [-32.992, 46.492],
    bearing_deg: 10,
    length_m: 820,
    bend_m: 12,
    wave_m: 700,
    fall: 0.001,
    steps: [],
    sizes: [0, 0.06, 0.94],
    spots: [
      spot('Creek mouth', 'draw mouth', 120, 'left', 14, 0.2, 'Black sand after the storm.', {
        day: 75,
        depth_m: 0.1,
        pans: 3,
      }),
      spot('Cut berm', 'cut bank', 380, 'left', 22, 0.35, 'Seam at the toe of the cut berm.', {
        day: 75,
        depth_m: 0.15,
        pans: 4,
        note: 'Gold too fine to feel.',
      }),
      spot('Clay false bottom', 'other', 610, 'left', 18, 0.06, '', { day: 76, depth_m: 0.3, pans: 3 }),
    ],
    signs: [
      {
        kind: 'black sand',
        distance_m: 384,
        bank: 'left',
        day: 75,
        traits: { amount: 'a seam' },
        note: 'Seam a hand thick at the toe of the berm.',
      },
      { kind: 'clay seam', distance_m: 606, bank: 'left', day: 76 },
      { kind: 'black sand', distance_m: 705, bank: 'left', day: 76 },
    ],
    permissions: [],
    tide: {
      meanLevel_m: 1.1,
      workBelow_m: 1.2,
      wayBelow_m: 1.5,
      margin_min: 30,
      constituents: [
        { name: 'M2', amplitude_m: 0.62, phase_deg: 48 },
        { name: 'S2', amplitude_m: 0.22, phase_deg: 71 },
        { name: 'N2', amplitude_m: 0.13, phase_deg: 31 },
        { name: 'K1', amplitude_m: 0.06, phase_deg: 142 },
        { name: 'O1', amplitude_m: 0.04, phase_deg: 96 },
      ],
    },
    river: [],
  },
  {
    key: 'wash',
    name: 'Dry Harrier Wash',
    kind: 'wash',
    foot: [-33.031, 46.508],
    bearing_deg: 330,
    length_m: 1500,
    bend_m: 26,
    wave_m: 330,
    fall: 0.035,
    steps: [
      { distance_m: 310, rise_m: 2.5 },
      { distance_m: 715, rise_m: 1.6 },
    ],
    sizes: [0.3, 0.5, 0.2],
    spots: [
      spot('Ledge', 'bedrock', 310, 'mid', 0, 0.12, 'Ledge across the wash.', { day: 90, depth_m: 0.4, pans: 2 }),
      spot('Caliche step', 'other', 720, 'right', 5, 0.25, 'Underside of boulders on hardpan.', {
        day: 90,
        depth_m: 0.3,
        pans: 3,
      }),
      spot('Harrier fork', 'draw mouth', 1180, 'left', 6, 0, '', { day: 91, depth_m: 0.3, pans: 2 }),
    ],
    signs: [
      { kind: 'clay seam', distance_m: 722, bank: 'right', day: 90, note: 'Caliche.' },
      { kind: 'boulder lee', distance_m: 716, bank: 'right', day: 90 },
      { kind: 'bedrock', distance_m: 930, bank: 'mid', day: 91, note: 'A second ledge.' },
    ],
    permissions: [],
    river: [],
  },
  {
    key: 'sixpence',
    name: 'Sixpence Draw',
    kind: 'creek',
    fedBy: 'quartz veins',
    catchment_ha: 38,
    foot: [-33.02115, 46.4999],
    bearing_deg: 16,
    length_m: 380,
    bend_m: 9,
    wave_m: 120,
    fall: 0.085,
    steps: [{ distance_m: 140, rise_m: 2.2 }],
    sizes: [0.2, 0.5, 0.3],
    joins: { key: 'halloway', distance_m: 893, bank: 'left' },
    spots: [],
    signs: [
      {
        kind: 'stained float',
        distance_m: 40,
        bank: 'mid',
        day: 21,
        size_mm: 70,
        traits: { wear: 'edges worn', stain: 'dark' },
      },
      {
        kind: 'stained float',
        distance_m: 150,
        bank: 'mid',
        day: 28,
        size_mm: 110,
        traits: { wear: 'sharp-edged', pits: 'dark-filled' },
      },
      {
        kind: 'bedrock',
        distance_m: 142,
        bank: 'mid',
        day: 28,
        note: 'A ledge across the draw.',
        traits: { roughness: 'ribbed across' },
      },
      { kind: 'boulder lee', distance_m: 96, bank: 'right', day: 28 },
    ],
    permissions: [],
    river: [],
  },
];

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

export const RUNS: readonly TrueRun[] = [
  {
    ground: 'halloway',
    day: 15,
    rig: 'short',
    pitch_in_ft: '1/2',
    flow: '3 L/s',
    stone: '1/2 in',
    buckets: [['Otter bar', 9]],
    minutesEach: 12,
    recovery: 0.9,
    spread_m: 0.16,
    rinsed: 'yes',
    weighed: true,
    note: 'First day at Otter bar.',
  },
  {
    ground: 'halloway',
    day: 22,
    rig: 'short',
    pitch_in_ft: '3/4',
    flow: '3.2 L/s',
    stone: '1/2 in',
    buckets: [['Otter bar', 16]],
    minutesEach: 9,
    recovery: 0.92,
    spread_m: 0.18,
    rinsed: 'yes',
    weighed: true,
    note: '',
  },
  {
    ground: 'halloway',
    day: 23,
    rig: 'short',
    pitch_in_ft: '3/4',
    flow: '3.2 L/s',
    stone: '1/2 in',
    buckets: [['Otter bar', 34]],
    minutesEach: 3.5,
    recovery: 0.55,
    spread_m: 0.9,
    rinsed: 'no',
    weighed: true,
    note: 'In a hurry: overfed, sand packed hard in the riffles.',
  },
  {
    ground: 'halloway',
    day: 36,
    rig: 'short',
    pitch_in_ft: '3/4',
    flow: '2.8 L/s',
    stone: '1/2 in',
    buckets: [
      ['Heron Bend', 7],
      ['Two Boulders', 6],
    ],
    minutesEach: 10,
    recovery: 0.9,
    spread_m: 0.18,
    rinsed: 'yes',
    weighed: true,
    note: 'Buckets from two holes through one box.',
  },
  {
    ground: 'halloway',
    day: 49,
    rig: 'long',
    pitch_in_ft: '1 1/2',
    flow: '6 L/s',
    stone: '3/4 in',
    buckets: [['Otter undercut', 22]],
    minutesEach: 6,
    recovery: 0.7,
    spread_m: 0.55,
    rinsed: 'yes',
    weighed: true,
    note: 'Box far too steep; riffles scoured clean.',
  },
  {
    ground: 'halloway',
    day: 55,
    rig: 'long',
    pitch_in_ft: '3/4',
    flow: '5.5 L/s',
    stone: '1/2 in',
    buckets: [['Otter undercut', 20]],
    minutesEach: 7,
    recovery: 0.93,
    spread_m: 0.24,
    rinsed: 'yes',
    weighed: true,
    note: '',
  },
  {
    ground: 'bench',
    day: 64,
    rig: 'short',
    pitch_in_ft: '3/4',
    flow: '3 L/s',
    stone: '1/2 in',
    buckets: [['Rotten slate', 12]],
    minutesEach: 13,
    recovery: 0.9,
    spread_m: 0.15,
    rinsed: 'yes',
    weighed: true,
    note: 'Carried down to the creek.',
  },
  {
    ground: 'bench',
    day: 66,
    rig: 'short',
    pitch_in_ft: '3/4',
    flow: '3 L/s',
    stone: '1/2 in',
    buckets: [['Rotten slate', 14]],
    minutesEach: 12,
    recovery: 0.9,
    spread_m: 0.16,
    rinsed: 'yes',
    weighed: true,
    note: '',
  },
  {
    ground: 'strand',
    day: 78,
    rig: 'long',
    pitch_in_ft: '1/2',
    flow: '4 L/s',
    stone: '1/4 in',
    buckets: [['Cut berm', 26]],
    minutesEach: 5,
    recovery: 0.75,
    spread_m: 0.45,
    rinsed: 'yes',
    weighed: true,
    note: 'Between tides.',
  },
  {
    ground: 'halloway',
    day: 97,
    rig: 'short',
    pitch_in_ft: '3/4',
    flow: '2.6 L/s',
    stone: '1/2 in',
    buckets: [['Otter bar', 13]],
    minutesEach: 10,
    recovery: 0.91,
    spread_m: 0.17,
    rinsed: 'yes',
    weighed: true,
    note: 'Low water.',
  },
  {
    ground: 'halloway',
    day: 104,
    rig: 'short',
    pitch_in_ft: '3/4',
    flow: '2.6 L/s',
    stone: '1/2 in',
    buckets: [['Otter bar', 11]],
    minutesEach: 11,
    recovery: 0.91,
    spread_m: 0.17,
    rinsed: 'yes',
    weighed: false,
    note: 'Concentrate taken home, not weighed yet.',
  },
];
