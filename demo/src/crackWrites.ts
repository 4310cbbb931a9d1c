import { PLAIN_PAN, type Pit, type Sample } from '@riffle/contract';
import { bankVolume_L, CONTAINERS, DEFAULT_SWELL_PERCENT, poissonDraw, seededRandom } from '@riffle/core';
import { entered, type Book } from './book.ts';
import { TRUE_COLOR_MG } from './truth.ts';

interface TrueCrack {
  readonly name: string;
  readonly day: number;
  readonly width_mm: number;
  readonly length_m: number;
  readonly depth_m: number;
  readonly strike: 'across the flow' | 'slantwise' | 'along the flow';
  readonly rock: 'rings hard' | 'dull knock' | 'rotten, still standing';
  readonly state: 'part cleaned' | 'cleaned out';
  /** mg/L of its fill, in the bank. */
  readonly grade_mg_L: number;
  readonly pans: number;
  readonly note: string;
}

/** A ledge swept crack by crack: the one across the flow pays, the one along it does not. */
const CRACKS: readonly TrueCrack[] = [
  {
    name: 'Crack 1',
    day: 95,
    width_mm: 25,
    length_m: 2.4,
    depth_m: 0.22,
    strike: 'across the flow',
    rock: 'rotten, still standing',
    state: 'cleaned out',
    grade_mg_L: 2.6,
    pans: 2,
    note: 'Rotten to the bottom, clay scraped.',
  },
  {
    name: 'Crack 2',
    day: 95,
    width_mm: 15,
    length_m: 1.8,
    depth_m: 0.15,
    strike: 'slantwise',
    rock: 'dull knock',
    state: 'cleaned out',
    grade_mg_L: 1.1,
    pans: 1,
    note: '',
  },
  {
    name: 'Crack 3',
    day: 96,
    width_mm: 40,
    length_m: 3,
    depth_m: 0.3,
    strike: 'across the flow',
    rock: 'rotten, still standing',
    state: 'part cleaned',
    grade_mg_L: 3.4,
    pans: 3,
    note: 'Slab too heavy for one: bring the long bar.',
  },
  {
    name: 'Crack 4',
    day: 96,
    width_mm: 30,
    length_m: 4,
    depth_m: 0.2,
    strike: 'along the flow',
    rock: 'rings hard',
    state: 'cleaned out',
    grade_mg_L: 0.05,
    pans: 2,
    note: '',
  },
];

/** The cracks of a ledge, each with its own pans. */
export function crackWrites({ put, nextId, onDay }: Book, groundId: string, spotId: string): void {
  const random = seededRandom(1852);
  const sizes = [0.25, 0.45, 0.3];
  for (const c of CRACKS) {
    const pit: Pit = {
      id: nextId(c.day),
      deleted: false,
      groundId,
      spotId,
      name: c.name,
      dugAt: onDay(c.day),
      planned: '',
      length_m: c.length_m,
      lengthEntered: entered(String(c.length_m), 'm'),
      width_m: 0.3,
      widthEntered: entered('0.3', 'm'),
      batter: 0,
      layers: [],
      bottom: 'bedrock, cracked',
      waterAt_m: null,
      crevice: {
        width_m: c.width_mm / 1000,
        length_m: c.length_m,
        depth_m: c.depth_m,
        strike: c.strike,
        rock: c.rock,
        state: c.state,
      },
      filledIn: false,
      putBack: false,
      note: c.note,
    };
    put('pits', pit);
    const volume_L = c.pans * CONTAINERS.pan;
    const bank_L = bankVolume_L(volume_L, DEFAULT_SWELL_PERCENT);
    const [a, b, d] = TRUE_COLOR_MG.map((mg, i) => poissonDraw((c.grade_mg_L * (sizes[i] ?? 0) * bank_L) / mg, random));
    const pan: Sample = {
      id: nextId(c.day),
      deleted: false,
      groundId,
      spotId,
      takenAt: onDay(c.day),
      depth_m: c.depth_m,
      depthEntered: entered(String(c.depth_m), 'm'),
      volume_L,
      volumeEntered: entered(`${c.pans} pans`, 'pan'),
      volumeState: 'loose',
      counts: { '+10': 0, '10-20': a ?? 0, '20-40': b ?? 0, '-40': d ?? 0 },
      blackSand: 2,
      gold_mg: null,
      goldEntered: null,
      ...PLAIN_PAN,
      pitId: pit.id,
      way: 'dry',
      note: '',
    };
    put('samples', pan);
  }
}
