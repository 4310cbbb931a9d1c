import {
  PLAIN_PAN,
  type Cleanup,
  type GaugeReading,
  type Ground,
  type LoggedEvent,
  type Outline,
  type Permission,
  type Rig,
  type Run,
  type Sample,
  type Setup,
  type Sign,
  type Spot,
} from '@riffle/contract';
import {
  centreLine,
  CONTAINERS,
  convert,
  bankVolume_L,
  DEFAULT_SWELL_PERCENT,
  localPlane,
  parseQuantity,
  poissonDraw,
  seededRandom,
  type Position,
  type Random,
} from '@riffle/core';
import { benchWrites, handsWrites, pitsAt, screeningWrite } from './samplingWrites.ts';
import { crackWrites } from './crackWrites.ts';
import { dryWrites, jarWrites } from './dryWrites.ts';
import { crewWrites } from './crewWrites.ts';
import { shoreWrites, TRUE_FACE } from './shoreWrites.ts';
import { trialWrites } from './trialWrites.ts';
import { SCREENED } from './trueSampling.ts';
import { CORRAN, RUNS, TRUE_COLOR_MG, type TrueGround, type TrueRun, type TrueSpot } from './truth.ts';

/** One call to the API, in the order they must be made. */
export interface DemoWrite {
  readonly method: 'PUT' | 'POST';
  readonly url: string;
  readonly body: string;
  readonly type: string;
}

/** The clocks of the island; nowhere else are they called so. */
const CORRAN_TIME_ZONE = 'Etc/GMT+2';
/** First day of the season as pictures and tests have it. */
const USUAL_SEASON = Date.UTC(2026, 3, 14, 8);
const DAY_MS = 86_400_000;
/** The last day of the season, counted from its first. */
const LAST_DAY = 104;
const YEAR_DAYS = 365;
/** Of last year's visits and runs so many are in the book: enough that last year means something. */
const [VISITED_LAST_YEAR, RUNS_LAST_YEAR] = [6, 4];

/** The first day of a season that ended the day before this moment. */
export const seasonEndedBefore = (now_ms: number): number =>
  Math.floor(now_ms / DAY_MS) * DAY_MS - (LAST_DAY + 1) * DAY_MS + 8 * 3.6e6;
const BUCKET = { text: '5 gal', unit: 'gal' } as const;
const PAN_L = CONTAINERS.pan;

/** The end of an id, as 18 hexadecimal digits. */
type IdEnd = (count: number) => string;
const counted: IdEnd = (count) => count.toString(16).padStart(18, '0');

/** A stretch of a box, in the units its builder thinks in. */
const section = (lining: Rig['sections'][number]['lining'], width_in: number, length_ft: number, step_in = 0) => ({
  lining,
  own: null,
  width_m: convert('length', width_in, 'in', 'm'),
  widthEntered: { text: `${width_in} in`, unit: 'in' },
  length_m: convert('length', length_ft, 'ft', 'm'),
  lengthEntered: { text: `${length_ft} ft`, unit: 'ft' },
  step_m: convert('length', step_in, 'in', 'm'),
  stepEntered: step_in > 0 ? { text: `${step_in} in`, unit: 'in' } : null,
});

interface CorranOptions {
  readonly seed?: number;
  /** The ends of ids: counted, or by chance where it is loaded for people, so that nobody knows the address of a record beforehand. */
  readonly idEnd?: IdEnd;
  /** The first day of the season, ms since 1970; for people the one of `seasonEndedBefore`. */
  readonly season_ms?: number;
  /** With some of the year before, so that last year means something. */
  readonly withLastYear?: boolean;
}

/** A season on Corran as calls to the API; the same every time for the same options. */
export function corranWrites({
  seed = 4684,
  idEnd = counted,
  season_ms = USUAL_SEASON,
  withLastYear = false,
}: CorranOptions = {}): DemoWrite[] {
  const random = seededRandom(seed);
  const nextId = idMaker(idEnd, season_ms);
  const writes: DemoWrite[] = [];
  const put = (path: string, record: { id: string }, baseVersion = 0): void => {
    writes.push({
      method: 'PUT',
      url: `/${path}/${record.id}`,
      body: JSON.stringify({ ...record, baseVersion }),
      type: 'application/json',
    });
  };
  // Its own stream: what is drawn for it leaves the rest of the season as it is.
  const sampling = seededRandom(seed + 1);
  const lastYear = seededRandom(seed + 2);
  const onDay = (day: number): string => new Date(season_ms + day * DAY_MS + 4 * 3.6e6).toISOString();
  // Notes have days, told in the truth by the usual season's calendar.
  const noteDay = (day: string | null): string | null =>
    day && new Date(Date.parse(day) + season_ms - USUAL_SEASON).toISOString().slice(0, 10);
  const lay = ({
    plan,
    spots,
    lots,
  }: {
    plan: { id: string };
    spots: readonly object[];
    lots: readonly object[];
  }): void => {
    const fresh = (r: object): object => ({ ...r, baseVersion: 0 });
    writes.push({
      method: 'PUT',
      url: `/sample-plans/${plan.id}/laid-out`,
      body: JSON.stringify({ plan: fresh(plan), spots: spots.map(fresh), lots: lots.map(fresh) }),
      type: 'application/json',
    });
  };
  const groundIds = new Map<string, string>();

  const rigs: Record<TrueRun['rig'], Rig> = {
    short: {
      id: nextId(0),
      deleted: false,
      name: 'Short Ten',
      sections: [section('riffles', 10, 4)],
      leakPoints: ['hose joint', 'under the head riffle'],
      washer: null,
      note: 'Raised riffles on carpet, carried in.',
    },
    long: {
      id: nextId(0),
      deleted: false,
      name: 'Long Twelve',
      sections: [section('expanded', 12, 3), section('expanded', 12, 3, 1)],
      leakPoints: ['the bolted joint', 'lip of the flare', 'under the carpet'],
      washer: null,
      note: 'Two sections, bolted.',
    },
  };
  Object.values(rigs).forEach((rig) => put('rigs', rig));
  handsWrites(put, nextId, onDay, sampling);

  for (const ground of CORRAN) {
    const groundId = nextId(0);
    groundIds.set(ground.key, groundId);
    const line = drawLine(ground);
    const query = `name=${encodeURIComponent(ground.name)}&kind=${ground.kind}&flow=against&timeZone=${encodeURIComponent(CORRAN_TIME_ZONE)}`;
    writes.push({
      method: 'PUT',
      url: `/grounds/${groundId}/from-file?${query}`,
      type: 'application/geo+json',
      body: JSON.stringify({
        type: 'FeatureCollection',
        features: [
          { type: 'Feature', properties: { name: ground.name }, geometry: { type: 'LineString', coordinates: line } },
        ],
      }),
    });

    const centre = centreLine(line);
    const mouth = ground.joins && {
      groundId: groundIds.get(ground.joins.key) ?? '',
      distance_m: ground.joins.distance_m,
      bank: ground.joins.bank,
    };
    if (mouth || ground.tide || ground.fedBy) {
      const whole: Ground = {
        id: groundId,
        deleted: false,
        name: ground.name,
        kind: ground.kind,
        length_m: centre.length_m,
        swell_percent: DEFAULT_SWELL_PERCENT,
        timeZone: CORRAN_TIME_ZONE,
        fedBy: ground.fedBy ?? null,
        catchment_m2: ground.catchment_ha ? ground.catchment_ha * 10_000 : null,
        catchmentEntered: ground.catchment_ha ? { text: String(ground.catchment_ha), unit: 'ha' } : null,
        note: '',
        tide: ground.tide ?? null,
        faceSlope: ground.tide ? TRUE_FACE.slope : null,
        faceSlopeEntered: ground.tide ? TRUE_FACE.entered : null,
        profile: [],
        lookedAt: [],
        joins: mouth ?? null,
      };
      put('grounds', whole, 1);
    }
    const spotIds = new Map<string, string>();
    for (const s of ground.spots) {
      const spot: Spot = {
        id: nextId(s.visits[0]?.day ?? 0),
        deleted: false,
        groundId,
        name: s.name,
        kind: s.kind,
        distance_m: s.distance_m,
        bank: s.bank,
        offset_m: s.offset_m,
        position: centre.positionAt(s.distance_m, s.offset_m, s.bank),
        ...workable(ground, s),
        samplePlanId: null,
        note: s.note,
      };
      spotIds.set(s.name, spot.id);
      put('spots', spot);
      const pits = pitsAt(s.name, groundId, spot.id, onDay, nextId);
      for (const { pit } of pits) put('pits', pit);
      s.visits.forEach((visit, i) => {
        const dug = pits.find((p) => p.panned === i);
        put('samples', {
          ...takeSample(ground, s, visit, groundId, spot.id, nextId(visit.day), season_ms, random),
          ...(dug && { pitId: dug.pit.id, ...dug.layer }),
        });
      });
      const [first] = s.visits;
      if (withLastYear && first && ground.spots.indexOf(s) < VISITED_LAST_YEAR) {
        const visit = { ...first, day: first.day - YEAR_DAYS };
        put('samples', takeSample(ground, s, visit, groundId, spot.id, nextId(visit.day), season_ms, lastYear));
      }
      if (s.name === SCREENED.spot) screeningWrite(put, nextId, onDay, groundId, spot.id);
    }
    for (const s of ground.signs) {
      const sign: Sign = {
        id: nextId(s.day),
        deleted: false,
        groundId,
        kind: s.kind,
        distance_m: s.distance_m,
        bank: s.bank,
        offset_m: s.bank === 'mid' ? 0 : 6,
        position: centre.positionAt(s.distance_m, s.bank === 'mid' ? 0 : 6, s.bank),
        seenAt: new Date(season_ms + s.day * DAY_MS).toISOString(),
        size_mm: s.size_mm ?? null,
        sizeEntered: s.size_mm === undefined ? null : { text: String(s.size_mm), unit: 'mm' },
        cover_m: s.cover_m ?? null,
        height_m: null,
        heightEntered: null,
        coverEntered: s.cover_m === undefined ? null : { text: String(s.cover_m), unit: 'm' },
        weight: s.weight ?? null,
        comeBackWith: s.comeBackWith ?? '',
        note: s.note ?? '',
        traits: s.traits ?? {},
      };
      put('signs', sign);
    }
    const before = withLastYear ? ground.river.map((r) => ({ ...r, day: r.day - YEAR_DAYS })) : [];
    for (const r of [...before, ...ground.river]) {
      const reading: GaugeReading = {
        id: nextId(r.day),
        deleted: false,
        groundId,
        readAt: new Date(season_ms + r.day * DAY_MS).toISOString(),
        level_m: r.level_cm / 100,
        levelEntered: { text: String(r.level_cm), unit: 'cm' },
        isFlood: r.flood ?? false,
        note: '',
      };
      put('gauge-readings', reading);
    }
    const noteIds = new Map<string, string>();
    for (const p of ground.permissions) {
      const permission: Permission = {
        id: nextId(0),
        deleted: false,
        groundId,
        note: '',
        ...p,
        from: noteDay(p.from),
        to: noteDay(p.to),
      };
      noteIds.set(p.name, permission.id);
      put('permissions', permission);
    }
    for (const { corners, holder = null, ...shape } of ground.outlines ?? []) {
      const outline: Outline = {
        id: nextId(0),
        deleted: false,
        groundId,
        ...shape,
        points: corners.map(([d, o, b]) => centre.positionAt(d, o, b)),
        holder,
        // A claim goes by the note of its name.
        permissionId: shape.kind === 'claim' ? (noteIds.get(shape.name) ?? null) : null,
        note: '',
      };
      put('outlines', outline);
    }
    if (ground.key === 'wash')
      dryWrites({
        put,
        post: (url, body) =>
          void writes.push({ method: 'POST', url, body: JSON.stringify(body), type: 'application/json' }),
        nextId,
        season_ms,
        groundId,
        spotIds,
      });
    if (ground.key === 'strand')
      shoreWrites({ put, nextId, season_ms, groundId, positionAt: (d, o) => centre.positionAt(d, o, 'left') });
    if (ground.key === 'wash') crackWrites(put, nextId, onDay, groundId, spotIds.get('Ledge') ?? '');
    if (ground.key === 'wash') jarWrites({ put, nextId, season_ms, groundId });
    if (ground.key === 'bench') benchWrites(lay, put, nextId, onDay, groundId, centre, ground.sizes, sampling);
    const runs = RUNS.filter((r) => r.ground === ground.key);
    if (withLastYear)
      for (const run of runs.filter((r) => r.weighed).slice(0, RUNS_LAST_YEAR)) {
        const then = { ...run, day: run.day - YEAR_DAYS, note: '' };
        writes.push(...runDay(then, ground, groundId, rigs[run.rig], spotIds, nextId, season_ms, lastYear));
      }
    for (const run of runs)
      writes.push(...runDay(run, ground, groundId, rigs[run.rig], spotIds, nextId, season_ms, random));
  }
  trialWrites(put, nextId, groundIds.get('halloway') ?? '', onDay);
  crewWrites(put, nextId, groundIds.get('halloway') ?? '', onDay, {
    bucket_L: CONTAINERS.bucket,
    bucketEntered: BUCKET,
  });
  return writes;
}

/** On the wet creek what lies in or beside the water is out of reach once the river is up. */
function workable(g: TrueGround, s: TrueSpot): Pick<Spot, 'worksBelow_m' | 'worksBelowEntered'> {
  const level_cm = g.river.length === 0 ? null : s.bank === 'mid' ? 45 : s.offset_m <= 6 ? 60 : null;
  return {
    worksBelow_m: level_cm === null ? null : level_cm / 100,
    worksBelowEntered: level_cm === null ? null : { text: String(level_cm), unit: 'cm' },
  };
}

/** UUIDs of version 7 from the season's days and a counter: in order, and the same every time. */
function idMaker(idEnd: IdEnd, season_ms: number): (day: number) => string {
  let count = 0;
  return (day) => {
    count++;
    const time = (season_ms + day * DAY_MS + count).toString(16).padStart(12, '0');
    const end = idEnd(count);
    return `${time.slice(0, 8)}-${time.slice(8)}-7${end.slice(0, 3)}-8${end.slice(3, 6)}-${end.slice(6)}`;
  };
}

/** A meandering line from the foot up, a point every 4 m or so, with heights. */
function drawLine(g: TrueGround): Position[] {
  const plane = localPlane(g.foot);
  const bearing = (g.bearing_deg * Math.PI) / 180;
  // Meanders make the line longer than its axis: walk the axis until the line is long enough.
  const points: Position[] = [];
  let walked = 0;
  let before: { x_m: number; y_m: number } | null = null;
  for (let along = 0; walked < g.length_m; along += 3.5) {
    const side =
      g.bend_m * Math.sin((2 * Math.PI * along) / g.wave_m) +
      0.35 * g.bend_m * Math.sin((2 * Math.PI * along) / (0.61 * g.wave_m) + 1);
    const at = {
      x_m: along * Math.sin(bearing) + side * Math.cos(bearing),
      y_m: along * Math.cos(bearing) - side * Math.sin(bearing),
    };
    walked += before ? Math.hypot(at.x_m - before.x_m, at.y_m - before.y_m) : 0;
    const [lon, lat] = plane.toPosition(at);
    points.push([lon, lat, 12 + bedHeight_m(g, walked)]);
    before = at;
  }
  return points;
}

/** Height of the bed above the foot: an even fall, pools and riffles on it, and a step of bedrock where the truth has one. */
function bedHeight_m(g: TrueGround, distance_m: number): number {
  const pools = 0.18 * g.wave_m * g.fall * Math.sin((2 * Math.PI * distance_m) / (0.5 * g.wave_m));
  const steps = g.steps.reduce((sum, s) => sum + s.rise_m / (1 + Math.exp((s.distance_m - distance_m) / 6)), 0);
  return distance_m * g.fall + pools + steps;
}

function takeSample(
  g: TrueGround,
  s: TrueSpot,
  visit: TrueSpot['visits'][number],
  groundId: string,
  spotId: string,
  id: string,
  season_ms: number,
  random: Random,
): Sample {
  const volume_L = visit.pans * PAN_L;
  const bank_L = bankVolume_L(volume_L, DEFAULT_SWELL_PERCENT);
  const colors = TRUE_COLOR_MG.map((mg, i) => poissonDraw((s.grade_mg_L * (g.sizes[i] ?? 0) * bank_L) / mg, random));
  return {
    id,
    deleted: false,
    groundId,
    spotId,
    takenAt: new Date(season_ms + visit.day * DAY_MS + 3.6e6 * (1 + 4 * random())).toISOString(),
    depth_m: visit.depth_m,
    depthEntered: { text: `${visit.depth_m}`, unit: 'm' },
    volume_L,
    volumeEntered: { text: `${visit.pans} pans`, unit: 'pan' },
    volumeState: 'loose',
    counts: { '+10': 0, '10-20': colors[0] ?? 0, '20-40': colors[1] ?? 0, '-40': colors[2] ?? 0 },
    blackSand: Math.min(4, Math.floor((g.kind === 'beach' ? 3 : 1) + 2 * random())),
    gold_mg: null,
    goldEntered: null,
    ...PLAIN_PAN,
    note: visit.note ?? '',
  };
}

function runDay(
  r: TrueRun,
  g: TrueGround,
  groundId: string,
  rig: Rig,
  spotIds: ReadonlyMap<string, string>,
  nextId: (day: number) => string,
  season_ms: number,
  random: Random,
): DemoWrite[] {
  const start = season_ms + r.day * DAY_MS + 1.5 * 3.6e6;
  const iso = (ms: number): string => new Date(ms).toISOString();
  const amount = (kind: 'flow' | 'length', typed: string, to: string): number => {
    const parsed = parseQuantity(kind, typed, to);
    if (!parsed.ok) throw new Error(parsed.problem);
    return convert(kind, parsed.value, parsed.unit, to);
  };
  const pitch = parseQuantity('pitch', r.pitch_in_ft, 'in/ft');
  const slope = pitch.ok ? pitch.value / 12 : NaN;
  const firstSpot = spotIds.get(r.buckets[0]?.[0] ?? '') ?? '';
  const bucket_L = CONTAINERS.bucket;
  const setup: Setup = {
    id: nextId(r.day),
    deleted: false,
    groundId,
    rigId: rig.id,
    spotId: firstSpot,
    setAt: iso(start - 1.2e6),
    slope,
    pitchEntered: { text: `${r.pitch_in_ft} in/ft`, unit: 'in/ft' },
    depth_m: null,
    depthEntered: null,
    flow_m3_s: amount('flow', r.flow, 'm3/s'),
    flowEntered: { text: r.flow, unit: 'L/s' },
    air: null,
    stone_m: amount('length', r.stone, 'm'),
    stoneEntered: { text: r.stone, unit: 'in' },
    temperature_C: 9,
    scoop_L: CONTAINERS.scoop,
    scoopEntered: { text: '1 scoop', unit: 'scoop' },
    bucket_L,
    bucketEntered: BUCKET,
    note: r.note,
  };
  const run: Run = {
    id: nextId(r.day),
    deleted: false,
    groundId,
    setupId: setup.id,
    spotId: firstSpot,
    startedAt: iso(start),
    bucket_L,
    bucketEntered: BUCKET,
    // The long box takes two: one digs and carries, one feeds.
    people: r.rig === 'long' ? 2 : 1,
    who: r.rig === 'long' ? 'Mara, Odd' : 'Mara',
    layer: '',
    fuel_L: null,
    fuelEntered: null,
    note: '',
  };

  let clock = start;
  let trueGold_mg = 0;
  const events: LoggedEvent[] = [];
  for (const [spotName, count] of r.buckets) {
    const grade = g.spots.find((s) => s.name === spotName)?.grade_mg_L ?? 0;
    for (let i = 0; i < count; i++) {
      clock += r.minutesEach * 60_000 * (0.75 + 0.5 * random());
      const part =
        random() < 0.12 ? ({ fullness: '2/3', share: 2 / 3 } as const) : ({ fullness: 'full', share: 1 } as const);
      const volume_L = bucket_L * part.share;
      trueGold_mg += grade * bankVolume_L(volume_L, DEFAULT_SWELL_PERCENT);
      events.push({
        id: nextId(r.day),
        kind: 'bucket',
        at: iso(clock),
        spotId: spotIds.get(spotName) ?? null,
        volume_L,
        fullness: part.fullness,
        undoes: null,
        deviceId: null,
        deviceCount: null,
        by: null,
      });
    }
  }
  clock += 4 * 60_000;
  events.push({
    id: nextId(r.day),
    kind: 'stop',
    at: iso(clock),
    spotId: null,
    volume_L: null,
    fullness: null,
    undoes: null,
    deviceId: null,
    deviceCount: null,
    by: null,
  });

  const put = (path: string, record: { id: string }): DemoWrite => ({
    method: 'PUT',
    url: `/${path}/${record.id}`,
    body: JSON.stringify({ ...record, baseVersion: 0 }),
    type: 'application/json',
  });
  const writes = [
    put('setups', setup),
    put('runs', run),
    {
      method: 'POST' as const,
      url: `/runs/${run.id}/events`,
      body: JSON.stringify({ events }),
      type: 'application/json',
    },
  ];
  return r.weighed
    ? [...writes, put('cleanups', cleanUp(r, rig, groundId, run.id, trueGold_mg, clock, nextId(r.day), random))]
    : writes;
}

function cleanUp(
  r: TrueRun,
  rig: Rig,
  groundId: string,
  runId: string,
  trueGold_mg: number,
  stopped_ms: number,
  id: string,
  random: Random,
): Cleanup {
  const length_m = rig.sections.reduce((sum, s) => sum + s.length_m, 0);
  const cuts = [0, 0.2, 0.5, length_m];
  const share = (a: number, b: number): number =>
    (Math.exp(-a / r.spread_m) - Math.exp(-b / r.spread_m)) / -Math.expm1(-length_m / r.spread_m);
  const names = ['head, 200 mm', 'middle', 'tail'];
  return {
    id,
    deleted: false,
    groundId,
    runIds: [runId],
    rinseOutOf: [],
    cleanedAt: new Date(stopped_ms + 2.4e6).toISOString(),
    sections: names.map((name, i) => {
      const [from_m, to_m] = [cuts[i] ?? 0, cuts[i + 1] ?? length_m];
      const gold_mg = Math.round(trueGold_mg * r.recovery * share(from_m, to_m) * (0.94 + 0.12 * random()) * 10) / 10;
      return {
        name,
        from_m,
        to_m,
        lining: rig.sections[0]?.lining ?? 'riffles',
        gold_mg,
        goldEntered: { text: `${gold_mg}`, unit: 'mg' },
        colors: null,
        bySize: [],
        weighing: null,
      };
    }),
    screens: [],
    blackSand_g: Math.round(180 + 400 * random()),
    blackSandEntered: null,
    // The box, and the panning down in the evening.
    worked_s: 2400 + 60 * (Math.round(stopped_ms / 60_000) % 40),
    rinsedClean: r.rinsed,
    note: r.note,
  };
}
