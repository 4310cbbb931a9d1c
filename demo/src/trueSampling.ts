import type { Material } from '@riffle/core';

/** The sampling side of the simulated truth: pits, the grid on the bench, and what the crew's pans and hands are really like. All made up. */

export interface TruePit {
  readonly spot: string;
  readonly day: number;
  readonly name: string;
  readonly length_m: number;
  readonly width_m: number;
  readonly layers: readonly {
    readonly thickness_m: number;
    readonly material: Material;
    readonly color: string;
    readonly firmness: 'loose' | 'firm' | 'rings hard';
    readonly clay: number;
    readonly iron: boolean;
    readonly cobbles_percent: number;
    readonly pay: boolean;
    readonly black_percent?: number;
  }[];
  readonly bottom: 'bedrock, rotten' | 'bedrock, cracked' | 'clay' | 'not reached' | 'false bottom';
  readonly waterAt_m: number | null;
  readonly filledIn: boolean;
  /** The visit of the spot that panned its pay. */
  readonly panned: number;
}
const layer = (
  thickness_m: number,
  material: Material,
  color: string,
  firmness: 'loose' | 'firm' | 'rings hard',
  cobbles_percent: number,
  some: { clay?: number; iron?: boolean; pay?: boolean; black_percent?: number } = {},
): TruePit['layers'][number] => ({
  thickness_m,
  material,
  color,
  firmness,
  cobbles_percent,
  clay: some.clay ?? 0,
  iron: some.iron ?? false,
  pay: some.pay ?? false,
  ...(some.black_percent !== undefined && { black_percent: some.black_percent }),
});

export const PITS: readonly TruePit[] = [
  // The strand: black-sand seams under what the swell laid on them.
  {
    spot: 'Creek mouth',
    day: 75,
    name: 'Mouth cut',
    length_m: 0.6,
    width_m: 0.5,
    layers: [
      layer(0.06, 'sand', 'buff', 'loose', 0),
      layer(0.06, 'black sand', '', 'firm', 0, { iron: true, pay: true, black_percent: 70 }),
    ],
    bottom: 'not reached',
    waterAt_m: null,
    filledIn: true,
    panned: 0,
  },
  {
    spot: 'Cut berm',
    day: 75,
    name: 'Berm toe',
    length_m: 0.8,
    width_m: 0.6,
    layers: [
      layer(0.12, 'sand', 'buff', 'loose', 0),
      layer(0.05, 'black sand', '', 'firm', 0, { iron: true, pay: true, black_percent: 85 }),
    ],
    bottom: 'not reached',
    waterAt_m: null,
    filledIn: true,
    panned: 0,
  },
  {
    spot: 'Clay false bottom',
    day: 76,
    name: 'On the clay',
    length_m: 0.6,
    width_m: 0.6,
    layers: [
      layer(0.27, 'sand', 'buff', 'loose', 5),
      layer(0.04, 'black sand', '', 'firm', 0, { iron: true, pay: true, black_percent: 55 }),
    ],
    bottom: 'false bottom',
    waterAt_m: 0.3,
    filledIn: true,
    panned: 0,
  },
  {
    spot: 'Heron Bend',
    day: 34,
    name: 'Pit 1',
    length_m: 1,
    width_m: 0.9,
    layers: [
      layer(0.22, 'silt', 'brown', 'loose', 0),
      layer(0.3, 'gravel', 'gray', 'loose', 20),
      layer(0.12, 'gravel', 'gray', 'firm', 25, { pay: true }),
    ],
    bottom: 'not reached',
    waterAt_m: 0.58,
    filledIn: true,
    panned: 1,
  },
  {
    spot: 'Otter bar',
    day: 13,
    name: 'Pit 2',
    length_m: 1,
    width_m: 0.8,
    layers: [
      layer(0.34, 'silt', 'brown', 'loose', 0),
      layer(0.45, 'gravel', 'gray', 'loose', 30),
      layer(0.22, 'iron gravel', 'rust', 'firm', 25, { iron: true, pay: true }),
      layer(0.1, 'clay', 'red', 'rings hard', 5, { clay: 3 }),
    ],
    bottom: 'bedrock, rotten',
    waterAt_m: 0.93,
    filledIn: true,
    panned: 1,
  },
  {
    spot: 'Otter undercut',
    day: 13,
    name: 'Pit 3',
    length_m: 1.2,
    width_m: 0.6,
    layers: [
      layer(0.2, 'sod', 'dark', 'loose', 0),
      layer(0.62, 'silt', 'brown', 'loose', 0),
      layer(0.3, 'gravel', 'gray', 'loose', 35),
      layer(0.18, 'iron gravel', 'rust', 'firm', 30, { iron: true, pay: true }),
    ],
    bottom: 'bedrock, cracked',
    waterAt_m: null,
    filledIn: true,
    panned: 0,
  },
];

/** The bench's old channel winds through it: true grade of the pay layer, mg/L, by distance along and out to the left. */
export const benchGrade_mg_L = (distance_m: number, across_m: number): number =>
  0.02 + 0.9 * Math.exp(-(((across_m - 14 - 6 * Math.sin(distance_m / 48)) / 6) ** 2));
/** The grid that was sampled there: rows every so far along, points across from the line. */
export const BENCH_GRID = {
  name: 'Bench grid',
  code: 'K',
  rows_m: [20, 38, 56, 74, 92, 110, 128, 146, 164, 182],
  across_m: [3, 8, 13, 18, 23, 28],
  depth_m: 0.9,
  pans: 3,
  day: 68,
  pay_m: 0.35,
} as const;
/** How much the gold of one pan differs from the next at one place, beyond the luck of the count. */
export const TRUE_SCATTER = 0.35;

/** A traverse across the bench that was never finished: what came in of it, by bag. */
export const TRAVERSE = {
  name: 'West traverse',
  code: 'T',
  distance_m: 137,
  across_m: [2, 5, 8, 11, 14, 17, 20, 23, 26],
  depth_m: 0.6,
  day: 86,
  panned: [1, 2, 3, 4, 5],
  waiting: [7, 8],
} as const;

export const TRUE_CONTAINERS = [
  { name: 'pan', volume_L: 4.75, text: '4.75', unit: 'kg', way: 'weight of water' },
  { name: 'bucket', volume_L: 18.927, text: '5', unit: 'gal', way: 'said' },
  { name: 'coffee can', volume_L: 0.95, text: '0.95', unit: 'L', way: 'litres poured' },
] as const;
/** What each panner really keeps, and the practice pans they made. */
export const TRUE_HANDS = [
  { panner: 'Mara', keeps: 0.9, pans: 4 },
  { panner: 'Odd', keeps: 0.7, pans: 3 },
] as const;

/** A bucket of the Otter bar's gravel screened, kg: what stayed on each, and what went through. */
export const SCREENED = {
  spot: 'Otter bar',
  day: 14,
  screens: [
    ['1/2 in', 8.4],
    ['1/4 in', 5.1],
    ['No. 8', 4.6],
    ['No. 20', 3.9],
    ['No. 50', 3.2],
  ],
  through: 2.1,
  wentIn: 27.6,
} as const;
