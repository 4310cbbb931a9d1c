import { PLAIN_PAN, type Jar, type Pit, type Sample, type Sign, type Spot, type SwellReading } from '@riffle/contract';
import { bankVolume_L, CONTAINERS, DEFAULT_SWELL_PERCENT, poissonDraw, seededRandom } from '@riffle/core';
import { DAY_MS, entered, type Book } from './book.ts';
import { TRUE_COLOR_MG } from './truth.ts';

const HOUR_MS = 3_600_000;

/** The strand's face, by a level laid on a board. */
export const TRUE_FACE = { slope: 0.09, entered: entered('9', '%') };

/** Its sea: days of the season, heights in m, periods in s; storms at their height, and what was seen of the berm. */
const SEA: readonly { day: number; height_m: number; period_s: number; storm?: true; cut_m?: number; note?: string }[] =
  [
    { day: 3, height_m: 1.1, period_s: 8 },
    { day: 11, height_m: 0.8, period_s: 7 },
    { day: 19, height_m: 1.3, period_s: 9 },
    { day: 20.6, height_m: 3.3, period_s: 11, storm: true, cut_m: 0.7, note: 'Step as high as a knee, all along.' },
    { day: 29, height_m: 1, period_s: 8 },
    { day: 41, height_m: 0.9, period_s: 7 },
    // At neaps, and short: it made foam and left the berm alone.
    { day: 53.3, height_m: 2.1, period_s: 7, storm: true, cut_m: 0, note: 'All noise: the berm stands.' },
    { day: 62, height_m: 1.2, period_s: 9 },
    { day: 66, height_m: 0.7, period_s: 7 },
    {
      day: 72.4,
      height_m: 3.9,
      period_s: 12,
      storm: true,
      cut_m: 1.1,
      note: 'Black streaks at the toe the morning after.',
    },
    { day: 75, height_m: 1.2, period_s: 8 },
    { day: 84, height_m: 0.9, period_s: 8 },
    // Nobody was down there since: what it did has to be worked out.
    { day: 97.2, height_m: 3.1, period_s: 12, storm: true },
    { day: 101, height_m: 1.4, period_s: 9 },
    { day: 104.5, height_m: 1.6, period_s: 10 },
  ];

/** Heights by a level from the tide board, m above the table's zero. */
const HEIGHTS: readonly { kind: Sign['kind']; distance_m: number; height_m: number; day: number; note: string }[] = [
  { kind: 'berm toe', distance_m: 60, height_m: 3.1, day: 66, note: '' },
  { kind: 'berm toe', distance_m: 302, height_m: 3.3, day: 66, note: '' },
  { kind: 'berm toe', distance_m: 470, height_m: 3.2, day: 66, note: 'Lowest in the middle of the bay.' },
  { kind: 'berm toe', distance_m: 715, height_m: 3.5, day: 66, note: '' },
  { kind: 'draw mouth', distance_m: 118, height_m: 2.4, day: 75, note: 'Where the creek leaves the berm.' },
  {
    kind: 'clay seam',
    distance_m: 640,
    height_m: 1.3,
    day: 76,
    note: 'False bottom, bare for an hour at low springs.',
  },
];

interface Place {
  readonly name: string;
  readonly kind: Spot['kind'];
  readonly distance_m: number;
  readonly offset_m: number;
  readonly worksBelow_m: number | null;
  readonly note: string;
  readonly day: number;
  readonly grade_mg_L: number;
  readonly pans: number;
  readonly cover_m: number;
  readonly seam_m: number;
  readonly black_percent: number;
  readonly says: string;
}
/** Places of the storm season. The blank at Gull step was panned before the storm of day 72 laid it anew, and nobody went back: a mistake worth finding. */
const PLACES: readonly Place[] = [
  {
    name: 'Gull step',
    kind: 'cut bank',
    distance_m: 300,
    offset_m: 24,
    worksBelow_m: null,
    note: 'Toe of the berm, under driftwood.',
    day: 66,
    grade_mg_L: 0,
    pans: 3,
    cover_m: 0.2,
    seam_m: 0.03,
    black_percent: 15,
    says: 'Nothing. Crossed off.',
  },
  {
    name: 'North seam',
    kind: 'cut bank',
    distance_m: 712,
    offset_m: 20,
    worksBelow_m: null,
    note: 'Seam runs on under the cliff.',
    day: 77,
    grade_mg_L: 0.5,
    pans: 3,
    cover_m: 0.16,
    seam_m: 0.08,
    black_percent: 75,
    says: '',
  },
  {
    name: 'Low clay',
    kind: 'other',
    distance_m: 640,
    offset_m: 4,
    worksBelow_m: 0.9,
    note: 'Only at low springs.',
    day: 77,
    grade_mg_L: 0.28,
    pans: 2,
    cover_m: 0.05,
    seam_m: 0.03,
    black_percent: 60,
    says: '',
  },
];
const SIZES = [0, 0.06, 0.94];

/** A beach's season of storms: its sea, its heights, and what was dug at the toe of the berm between them. */
export function shoreWrites(
  { put, nextId, season_ms }: Book,
  groundId: string,
  positionAt: (distance_m: number, offset_m: number) => [number, number],
): void {
  // Its own stream: what is drawn for it leaves the rest of the season as it is.
  const random = seededRandom(1867);
  const iso = (day: number): string => new Date(season_ms + day * DAY_MS).toISOString();
  for (const s of SEA) {
    const reading: SwellReading = {
      id: nextId(s.day),
      deleted: false,
      groundId,
      readAt: iso(s.day),
      height_m: s.height_m,
      heightEntered: entered(String(s.height_m), 'm'),
      period_s: s.period_s,
      isStorm: s.storm ?? false,
      cut_m: s.cut_m ?? null,
      cutEntered: s.cut_m === undefined ? null : entered(String(s.cut_m), 'm'),
      note: s.note ?? '',
    };
    put('swell-readings', reading);
  }
  for (const h of HEIGHTS) {
    const sign: Sign = {
      id: nextId(h.day),
      deleted: false,
      groundId,
      kind: h.kind,
      distance_m: h.distance_m,
      bank: 'left',
      offset_m: 18,
      position: positionAt(h.distance_m, 18),
      seenAt: iso(h.day + 0.1),
      size_mm: null,
      sizeEntered: null,
      height_m: h.height_m,
      heightEntered: entered(String(h.height_m), 'm'),
      cover_m: null,
      coverEntered: null,
      weight: null,
      traits: {},
      comeBackWith: '',
      note: h.note,
    };
    put('signs', sign);
  }
  for (const p of PLACES) {
    const spot: Spot = {
      id: nextId(p.day),
      deleted: false,
      groundId,
      name: p.name,
      kind: p.kind,
      distance_m: p.distance_m,
      bank: 'left',
      offset_m: p.offset_m,
      position: positionAt(p.distance_m, p.offset_m),
      worksBelow_m: p.worksBelow_m,
      worksBelowEntered: p.worksBelow_m === null ? null : entered(String(p.worksBelow_m), 'm'),
      samplePlanId: null,
      note: p.note,
    };
    put('spots', spot);
    const pit = pitAt(p, groundId, spot.id, nextId, iso(p.day + 0.15));
    put('pits', pit);
    put('samples', panOf(p, groundId, spot.id, pit, nextId(p.day), iso(p.day + 0.15 + 2 * (HOUR_MS / DAY_MS)), random));
  }
  put('jars', jarOf(groundId, nextId(79), iso(79.5)));
}

/** Two thirds of a bucket of the strand's black sand, over the finishing sluice. */
const jarOf = (groundId: string, id: string, madeAt: string): Jar => ({
  id,
  deleted: false,
  groundId,
  name: 'Strand, minus 30',
  madeAt,
  coarsest_mm: 0.6,
  finest_mm: 0.15,
  volume_L: 12,
  volumeEntered: entered('12', 'L'),
  way: 'finishing sluice',
  state: 'washed',
  floor: null,
  sluice: {
    riffle_m: 0.006,
    riffleEntered: entered('6', 'mm'),
    spacing_m: 0.075,
    spacingEntered: entered('75', 'mm'),
    riffles: 12,
    width_m: 0.25,
    widthEntered: entered('25', 'cm'),
    slope: 0.08,
    pitchEntered: entered('8', '%'),
    depth_m: 0.016,
    depthEntered: entered('16', 'mm'),
    blackShare: 0.7,
    took_s: 5400,
  },
  spoons: [],
  magnet: null,
  gold_mg: null,
  goldEntered: null,
  note: 'Sorted by the sea already.',
});

const pitAt = (p: Place, groundId: string, spotId: string, nextId: Book['nextId'], dugAt: string): Pit => ({
  id: nextId(p.day),
  deleted: false,
  groundId,
  spotId,
  name: p.name,
  dugAt,
  planned: '',
  length_m: 0.6,
  lengthEntered: entered('0.6', 'm'),
  width_m: 0.5,
  widthEntered: entered('0.5', 'm'),
  batter: 0,
  layers: [
    {
      id: nextId(p.day),
      thickness_m: p.cover_m,
      thicknessEntered: entered(String(p.cover_m), 'm'),
      material: 'sand',
      color: 'buff',
      firmness: 'loose',
      moisture: 'moist',
      clay: 0,
      iron: false,
      blackSand_percent: null,
      cobbles_percent: 0,
      pay: false,
      note: '',
    },
    {
      id: nextId(p.day),
      thickness_m: p.seam_m,
      thicknessEntered: entered(String(p.seam_m), 'm'),
      material: 'black sand',
      color: '',
      firmness: 'firm',
      moisture: 'moist',
      clay: 0,
      iron: true,
      blackSand_percent: p.black_percent,
      cobbles_percent: 0,
      pay: true,
      note: '',
    },
  ],
  bottom: p.worksBelow_m !== null ? 'false bottom' : 'not reached',
  waterAt_m: null,
  crevice: null,
  filledIn: true,
  putBack: true,
  note: '',
});

function panOf(
  p: Place,
  groundId: string,
  spotId: string,
  pit: Pit,
  id: string,
  takenAt: string,
  random: ReturnType<typeof seededRandom>,
): Sample {
  const volume_L = p.pans * CONTAINERS.pan;
  const bank_L = bankVolume_L(volume_L, DEFAULT_SWELL_PERCENT);
  const [a = 0, b = 0, c = 0] = TRUE_COLOR_MG.map((mg, i) =>
    poissonDraw((p.grade_mg_L * (SIZES[i] ?? 0) * bank_L) / mg, random),
  );
  const pay = pit.layers.find((l) => l.pay);
  const depth_m = p.cover_m + p.seam_m;
  return {
    id,
    deleted: false,
    groundId,
    spotId,
    takenAt,
    depth_m,
    depthEntered: entered(depth_m.toFixed(2), 'm'),
    volume_L,
    volumeEntered: entered(`${p.pans} pans`, 'pan'),
    volumeState: 'loose',
    counts: { '+10': 0, '10-20': a, '20-40': b, '-40': c },
    blackSand: p.black_percent > 50 ? 4 : 2,
    gold_mg: null,
    goldEntered: null,
    ...PLAIN_PAN,
    pitId: pit.id,
    layerId: pay?.id ?? null,
    layer: 'black sand',
    note: p.says,
  };
}
