import {
  PLAIN_PAN,
  type Container,
  type Lot,
  type Pit,
  type Sample,
  type SamplePlan,
  type Screening,
  type Seeding,
  type Spot,
} from '@riffle/contract';
import {
  bankOf,
  bankVolume_L,
  CONTAINERS,
  DEFAULT_SWELL_PERCENT,
  gammaDraw,
  poissonDraw,
  sieveAperture_mm,
  type CentreLine,
  type Random,
} from '@riffle/core';
import { entered, type Book } from './book.ts';
import {
  BENCH_GRID,
  benchGrade_mg_L,
  PITS,
  SCREENED,
  TRAVERSE,
  TRUE_CONTAINERS,
  TRUE_HANDS,
  TRUE_SCATTER,
  type TruePit,
} from './trueSampling.ts';
import { TRUE_COLOR_MG } from './truth.ts';

/** The pits of a spot, before its samples: each with the visit that panned its pay. */
export function pitsAt(
  book: Book,
  spotName: string,
  groundId: string,
  spotId: string,
): { pit: Pit; panned: number; layer: { layerId: string | null; layer: string } }[] {
  return PITS.filter((p) => p.spot === spotName).map((p) => {
    const pit = pitRecord(p, groundId, spotId, book);
    const pay = pit.layers.find((l) => l.pay);
    return {
      pit,
      panned: p.panned,
      layer: { layerId: pay?.id ?? null, layer: pay ? `${pay.color} ${pay.material}`.trim() : '' },
    };
  });
}
const pitRecord = (p: TruePit, groundId: string, spotId: string, { onDay, nextId }: Book): Pit => ({
  id: nextId(p.day),
  deleted: false,
  groundId,
  spotId,
  name: p.name,
  dugAt: onDay(p.day),
  planned: '1 m square',
  length_m: p.length_m,
  lengthEntered: entered(`${p.length_m}`, 'm'),
  width_m: p.width_m,
  widthEntered: entered(`${p.width_m}`, 'm'),
  batter: 0,
  layers: p.layers.map(({ black_percent = null, ...l }) => ({
    ...l,
    id: nextId(p.day),
    thicknessEntered: entered(`${l.thickness_m}`, 'm'),
    moisture: 'moist',
    blackSand_percent: black_percent,
    note: '',
  })),
  bottom: p.bottom,
  waterAt_m: p.waterAt_m,
  crevice: null,
  filledIn: p.filledIn,
  putBack: p.filledIn,
  note: '',
});

/** What the crew measures with: their pans, and their hands as practice showed them. */
export function handsWrites({ put, nextId, onDay }: Book, random: Random): void {
  for (const c of TRUE_CONTAINERS) {
    const container: Container = {
      id: nextId(0),
      deleted: false,
      name: c.name,
      volume_L: c.volume_L,
      volumeEntered: entered(c.text, c.unit),
      way: c.way,
      note: '',
    };
    put('containers', container);
  }
  for (const h of TRUE_HANDS) {
    for (let i = 0; i < h.pans; i++) {
      const cameBack = Array.from({ length: 10 }, () => random() < h.keeps).filter(Boolean).length;
      const seeding: Seeding = {
        id: nextId(2),
        deleted: false,
        panner: h.panner,
        seededAt: onDay(2),
        size: i % 2 === 0 ? '20-40' : '-40',
        putIn: 10,
        cameBack,
        way: 'wet',
        note: '',
      };
      put('seedings', seeding);
    }
  }
}

export function screeningWrite({ put, nextId, onDay }: Book, groundId: string, spotId: string): void {
  const record: Screening = {
    id: nextId(SCREENED.day),
    deleted: false,
    groundId,
    spotId,
    lotId: null,
    screenedAt: onDay(SCREENED.day),
    measure: 'mass',
    way: 'wet',
    moisture_percent: 7,
    wentIn: SCREENED.wentIn,
    wentInEntered: entered(`${SCREENED.wentIn}`, 'kg'),
    screens: SCREENED.screens.map(([name, kept], i) => ({
      name,
      aperture_mm: sieveAperture_mm(name),
      shape: 'square',
      kept,
      keptEntered: entered(`${kept}`, 'kg'),
      colors: i < 3 ? 0 : null,
    })),
    through: SCREENED.through,
    throughEntered: entered(`${SCREENED.through}`, 'kg'),
    note: 'One bucket from the pay of pit 2.',
  };
  put('screenings', record);
}

/** The bench's grid, all of it panned, and the traverse that was left half done: a bag missing, two waiting. */
export function benchWrites(
  { put, call, nextId, onDay }: Book,
  groundId: string,
  centre: CentreLine,
  sizes: readonly [number, number, number],
  random: Random,
): void {
  const fresh = <R extends object>(record: R) => ({ ...record, baseVersion: 0 });
  const layOut = (plan: SamplePlan, made: readonly { readonly spot: Spot; readonly lot: Lot }[]): void =>
    call('PUT', `/sample-plans/${plan.id}/laid-out`, {
      plan: fresh(plan),
      spots: made.map((m) => fresh(m.spot)),
      lots: made.map((m) => fresh(m.lot)),
    });
  const bagEntered = entered(`${BENCH_GRID.pans}`, 'pan');
  const bag_L = BENCH_GRID.pans * CONTAINERS.pan;
  const plan = (name: string, pattern: SamplePlan['pattern'], day: number): SamplePlan => ({
    id: nextId(day),
    deleted: false,
    groundId,
    name,
    pattern,
    madeAt: onDay(day),
    bag_L,
    bagEntered,
    note: '',
  });
  const point = (p: SamplePlan, name: string, distance_m: number, across_m: number, day: number): Spot => {
    const { bank, offset_m } = bankOf(across_m);
    return {
      id: nextId(day),
      deleted: false,
      groundId,
      name,
      kind: 'bench',
      distance_m,
      bank,
      offset_m,
      position: centre.positionAt(distance_m, offset_m, bank),
      worksBelow_m: null,
      worksBelowEntered: null,
      samplePlanId: p.id,
      note: '',
    };
  };
  const bag = (p: SamplePlan, spot: Spot, tag: string, depth_m: number, state: Lot['state'], day: number): Lot => ({
    id: nextId(day),
    deleted: false,
    groundId,
    spotId: spot.id,
    tag,
    layer: '',
    volume_L: bag_L,
    volumeEntered: bagEntered,
    screen: '',
    takenAt: onDay(day),
    state,
    place: state === 'waiting' ? 'by the lower ford' : '',
    holder: state === 'waiting' ? 'Odd' : '',
    samplePlanId: p.id,
    fromDepth_m: 0,
    toDepth_m: depth_m,
    note: '',
  });
  const pan = (spot: Spot, lot: Lot, across_m: number, depth_m: number, day: number, weigh: boolean): Sample => {
    const bank_L = bankVolume_L(bag_L, DEFAULT_SWELL_PERCENT);
    const here_mg_L =
      benchGrade_mg_L(spot.distance_m, across_m) * gammaDraw(1 / TRUE_SCATTER ** 2, random) * TRUE_SCATTER ** 2;
    const [medium, fine, veryFine] = TRUE_COLOR_MG.map((mg, i) =>
      poissonDraw((here_mg_L * (sizes[i] ?? 0) * bank_L) / mg, random),
    ) as [number, number, number];
    const gold_mg =
      Math.round((medium * TRUE_COLOR_MG[0] + fine * TRUE_COLOR_MG[1] + veryFine * TRUE_COLOR_MG[2]) * 10) / 10;
    const weighed = weigh && gold_mg > 0;
    return {
      id: nextId(day),
      deleted: false,
      groundId,
      spotId: spot.id,
      takenAt: onDay(day),
      depth_m,
      depthEntered: entered(`${depth_m}`, 'm'),
      volume_L: bag_L,
      volumeEntered: bagEntered,
      volumeState: 'loose',
      counts: { '+10': 0, '10-20': medium, '20-40': fine, '-40': veryFine },
      blackSand: 1,
      gold_mg: weighed ? gold_mg : null,
      goldEntered: weighed ? entered(`${gold_mg}`, 'mg') : null,
      ...PLAIN_PAN,
      lotId: lot.id,
      panner: random() < 0.6 ? 'Mara' : 'Odd',
      note: '',
    };
  };

  const grid = plan(BENCH_GRID.name, 'grid', BENCH_GRID.day);
  const places = BENCH_GRID.rows_m.flatMap((distance_m, row) =>
    (row % 2 === 0 ? [...BENCH_GRID.across_m] : [...BENCH_GRID.across_m].reverse()).map((across_m) => ({
      distance_m,
      across_m,
    })),
  );
  const made = places.map(({ distance_m, across_m }, i) => {
    const spot = point(grid, `${BENCH_GRID.code} ${i + 1}`, distance_m, across_m, BENCH_GRID.day);
    return {
      spot,
      across_m,
      lot: bag(grid, spot, `${BENCH_GRID.code}-${i + 1}`, BENCH_GRID.depth_m, 'panned', BENCH_GRID.day),
    };
  });
  layOut(grid, made);
  made.forEach(({ spot, lot, across_m }, i) =>
    put('samples', pan(spot, lot, across_m, BENCH_GRID.depth_m, BENCH_GRID.day + 1 + Math.floor(i / 24), i % 7 === 3)),
  );

  const traverse = plan(TRAVERSE.name, 'traverse', TRAVERSE.day);
  const across = TRAVERSE.across_m.map((across_m, i) => {
    const spot = point(traverse, `${TRAVERSE.code} ${i + 1}`, TRAVERSE.distance_m, across_m, TRAVERSE.day);
    const n = i + 1;
    const state = (TRAVERSE.panned as readonly number[]).includes(n)
      ? 'panned'
      : (TRAVERSE.waiting as readonly number[]).includes(n)
        ? 'waiting'
        : 'planned';
    return { spot, across_m, lot: bag(traverse, spot, `${TRAVERSE.code}-${n}`, TRAVERSE.depth_m, state, TRAVERSE.day) };
  });
  layOut(traverse, across);
  for (const { spot, lot, across_m } of across)
    if (lot.state === 'panned') put('samples', pan(spot, lot, across_m, TRAVERSE.depth_m, TRAVERSE.day, false));
}
