import {
  PLAIN_PAN,
  type GaugeReading,
  type Ground,
  type Outline,
  type Permission,
  type Sample,
  type Sign,
  type Spot,
} from '@riffle/contract';
import {
  bankVolume_L,
  centreLine,
  CONTAINERS,
  DEFAULT_SWELL_PERCENT,
  poissonDraw,
  type CentreLine,
  type Random,
} from '@riffle/core';
import { DAY_MS, entered, type Book } from './book.ts';
import { pitsAt, screeningWrite } from './samplingWrites.ts';
import { TRUE_FACE } from './shoreWrites.ts';
import { drawLine } from './trueLine.ts';
import { SCREENED } from './trueSampling.ts';
import { TRUE_COLOR_MG, type TrueGround, type TrueSign, type TrueSpot } from './truth.ts';

/** The clocks of the island; nowhere else are they called so. */
const CORRAN_TIME_ZONE = 'Etc/GMT+2';
/** So many of last year's visits are in the book. */
const VISITED_LAST_YEAR = 6;
export const YEAR_DAYS = 365;

/** A ground of the island in the book. */
export interface WrittenGround {
  readonly truth: TrueGround;
  readonly groundId: string;
  readonly centre: CentreLine;
  readonly spotIds: ReadonlyMap<string, string>;
}
interface GroundWrites {
  readonly truth: TrueGround;
  readonly withLastYear: boolean;
  /** What is drawn for last year leaves this season as it is. */
  readonly random: Random;
  readonly lastYear: Random;
  /** Grounds written before, by key. */
  readonly before: ReadonlyMap<string, WrittenGround>;
  /** The same day by the calendar of the book's season. */
  readonly noteDay: (day: string | null) => string | null;
}

/** A ground with its line, its spots and what was panned there, its signs, its river, and what is allowed on it. */
export function groundWrites(book: Book, given: GroundWrites): WrittenGround {
  const { truth, withLastYear, before, noteDay } = given;
  const groundId = book.nextId(0);
  const line = drawLine(truth);
  const query = `name=${encodeURIComponent(truth.name)}&kind=${truth.kind}&flow=against&timeZone=${encodeURIComponent(CORRAN_TIME_ZONE)}`;
  const geometry = { type: 'LineString', coordinates: line };
  book.call(
    'PUT',
    `/grounds/${groundId}/from-file?${query}`,
    { type: 'FeatureCollection', features: [{ type: 'Feature', properties: { name: truth.name }, geometry }] },
    'application/geo+json',
  );
  const centre = centreLine(line);
  if (truth.joins || truth.tide || truth.fedBy)
    book.put('grounds', wholeGround(truth, groundId, centre.length_m, before.get(truth.joins?.key ?? '')), 1);
  const spotIds = spotWrites(book, given, groundId, centre);
  for (const s of truth.signs) book.put('signs', signOf(s, groundId, centre, book));
  riverWrites(book, truth, groundId, withLastYear);
  allowedWrites(book, truth, groundId, centre, noteDay);
  return { truth, groundId, centre, spotIds };
}

const wholeGround = (g: TrueGround, id: string, length_m: number, joined: WrittenGround | undefined): Ground => ({
  id,
  deleted: false,
  name: g.name,
  kind: g.kind,
  length_m,
  swell_percent: DEFAULT_SWELL_PERCENT,
  timeZone: CORRAN_TIME_ZONE,
  fedBy: g.fedBy ?? null,
  catchment_m2: g.catchment_ha ? g.catchment_ha * 10_000 : null,
  catchmentEntered: g.catchment_ha ? entered(String(g.catchment_ha), 'ha') : null,
  note: '',
  tide: g.tide ?? null,
  faceSlope: g.tide ? TRUE_FACE.slope : null,
  faceSlopeEntered: g.tide ? TRUE_FACE.entered : null,
  profile: [],
  lookedAt: [],
  joins: g.joins ? { groundId: joined?.groundId ?? '', distance_m: g.joins.distance_m, bank: g.joins.bank } : null,
});

/** The spots with their pits and pans, in the order they were found; their ids by name. */
function spotWrites(
  book: Book,
  { truth, withLastYear, random, lastYear }: GroundWrites,
  groundId: string,
  centre: CentreLine,
): Map<string, string> {
  const spotIds = new Map<string, string>();
  truth.spots.forEach((s, nth) => {
    const spot: Spot = {
      id: book.nextId(s.visits[0]?.day ?? 0),
      deleted: false,
      groundId,
      name: s.name,
      kind: s.kind,
      distance_m: s.distance_m,
      bank: s.bank,
      offset_m: s.offset_m,
      position: centre.positionAt(s.distance_m, s.offset_m, s.bank),
      ...workable(truth, s),
      samplePlanId: null,
      note: s.note,
    };
    spotIds.set(s.name, spot.id);
    book.put('spots', spot);
    const pits = pitsAt(book, s.name, groundId, spot.id);
    for (const { pit } of pits) book.put('pits', pit);
    s.visits.forEach((visit, i) => {
      const dug = pits.find((p) => p.panned === i);
      book.put('samples', {
        ...takeSample(book, truth, s, visit, spot, random),
        ...(dug && { pitId: dug.pit.id, ...dug.layer }),
      });
    });
    const [first] = s.visits;
    if (withLastYear && first && nth < VISITED_LAST_YEAR)
      book.put('samples', takeSample(book, truth, s, { ...first, day: first.day - YEAR_DAYS }, spot, lastYear));
    if (s.name === SCREENED.spot) screeningWrite(book, groundId, spot.id);
  });
  return spotIds;
}

/** On the wet creek what lies in or beside the water is out of reach once the river is up. */
function workable(g: TrueGround, s: TrueSpot): Pick<Spot, 'worksBelow_m' | 'worksBelowEntered'> {
  const level_cm = g.river.length === 0 ? null : s.bank === 'mid' ? 45 : s.offset_m <= 6 ? 60 : null;
  return {
    worksBelow_m: level_cm === null ? null : level_cm / 100,
    worksBelowEntered: level_cm === null ? null : { text: String(level_cm), unit: 'cm' },
  };
}

function takeSample(
  book: Book,
  g: TrueGround,
  s: TrueSpot,
  visit: TrueSpot['visits'][number],
  spot: Spot,
  random: Random,
): Sample {
  const volume_L = visit.pans * CONTAINERS.pan;
  const bank_L = bankVolume_L(volume_L, DEFAULT_SWELL_PERCENT);
  const id = book.nextId(visit.day);
  const [medium, fine, veryFine] = TRUE_COLOR_MG.map((mg, i) =>
    poissonDraw((s.grade_mg_L * (g.sizes[i] ?? 0) * bank_L) / mg, random),
  ) as [number, number, number];
  return {
    id,
    deleted: false,
    groundId: spot.groundId,
    spotId: spot.id,
    takenAt: new Date(book.season_ms + visit.day * DAY_MS + 3.6e6 * (1 + 4 * random())).toISOString(),
    depth_m: visit.depth_m,
    depthEntered: entered(`${visit.depth_m}`, 'm'),
    volume_L,
    volumeEntered: entered(`${visit.pans} pans`, 'pan'),
    volumeState: 'loose',
    counts: { '+10': 0, '10-20': medium, '20-40': fine, '-40': veryFine },
    blackSand: Math.min(4, Math.floor((g.kind === 'beach' ? 3 : 1) + 2 * random())),
    gold_mg: null,
    goldEntered: null,
    ...PLAIN_PAN,
    note: visit.note ?? '',
  };
}

function signOf(s: TrueSign, groundId: string, centre: CentreLine, book: Book): Sign {
  const offset_m = s.bank === 'mid' ? 0 : 6;
  return {
    id: book.nextId(s.day),
    deleted: false,
    groundId,
    kind: s.kind,
    distance_m: s.distance_m,
    bank: s.bank,
    offset_m,
    position: centre.positionAt(s.distance_m, offset_m, s.bank),
    seenAt: new Date(book.season_ms + s.day * DAY_MS).toISOString(),
    size_mm: s.size_mm ?? null,
    sizeEntered: s.size_mm === undefined ? null : entered(String(s.size_mm), 'mm'),
    cover_m: s.cover_m ?? null,
    height_m: null,
    heightEntered: null,
    coverEntered: s.cover_m === undefined ? null : entered(String(s.cover_m), 'm'),
    weight: s.weight ?? null,
    comeBackWith: s.comeBackWith ?? '',
    note: s.note ?? '',
    traits: s.traits ?? {},
  };
}

function riverWrites(book: Book, { river }: TrueGround, groundId: string, withLastYear: boolean): void {
  const before = withLastYear ? river.map((r) => ({ ...r, day: r.day - YEAR_DAYS })) : [];
  for (const r of [...before, ...river]) {
    const reading: GaugeReading = {
      id: book.nextId(r.day),
      deleted: false,
      groundId,
      readAt: new Date(book.season_ms + r.day * DAY_MS).toISOString(),
      level_m: r.level_cm / 100,
      levelEntered: entered(String(r.level_cm), 'cm'),
      isFlood: r.flood ?? false,
      note: '',
    };
    book.put('gauge-readings', reading);
  }
}

/** Notes of who allows what, and the shapes drawn on the map, claims among them. */
function allowedWrites(
  book: Book,
  truth: TrueGround,
  groundId: string,
  centre: CentreLine,
  noteDay: GroundWrites['noteDay'],
): void {
  const noteIds = new Map<string, string>();
  for (const p of truth.permissions) {
    const permission: Permission = {
      id: book.nextId(0),
      deleted: false,
      groundId,
      note: '',
      ...p,
      from: noteDay(p.from),
      to: noteDay(p.to),
    };
    noteIds.set(p.name, permission.id);
    book.put('permissions', permission);
  }
  for (const { corners, holder = null, ...shape } of truth.outlines ?? []) {
    const outline: Outline = {
      id: book.nextId(0),
      deleted: false,
      groundId,
      ...shape,
      points: corners.map(([d, o, b]) => centre.positionAt(d, o, b)),
      holder,
      // A claim goes by the note of its name.
      permissionId: shape.kind === 'claim' ? (noteIds.get(shape.name) ?? null) : null,
      note: '',
    };
    book.put('outlines', outline);
  }
}
