import { createHash } from 'node:crypto';
import {
  FIRST_ID,
  FIRST_LISTS,
  isPartOf,
  listsOfPage,
  pageAt,
  type StoredGround,
  type StoredPit,
  type StoredSample,
  type StoredSign,
  type StoredSpot,
} from '@riffle/contract';
import { gradeSpots, groundColors, localDay, readingVerdict, USUAL_PAYS_MG_L, USUAL_SCHOOL } from '@riffle/core';
import type { FastifyRequest } from 'fastify';
import type pg from 'pg';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { DatabaseWatch } from '../db/watch.ts';
import type { Kept, RecordKind, Sent } from '../db/recordKind.ts';
import { EVERY_KIND } from '../db/everyKind.ts';
import { firstGround, grounds } from '../ground/queries.ts';
import type { PannedGrounds } from '../sample/pannedGrounds.ts';
import { samples } from '../sample/queries.ts';

/** Where the built page takes what the document brings; `web/src/api/opening.ts` reads it. */
const PLACE = '<!--opening-->';
/** A longer list is asked for by the page itself, in pages: the document must not grow with the book. */
const MOST_BROUGHT = 400;

type ListedKind = Pick<RecordKind<Sent, Kept>, 'page' | 'ofGround'>;
const KINDS: ReadonlyMap<string, ListedKind> = new Map<string, ListedKind>(EVERY_KIND.map((kind) => [kind.path, kind]));

/** A list as the page keeps it: a kind's path, its ground (empty: the crew's), its records, all as JSON. */
const asBrought = (kind: string, groundId: string, items: string): string =>
  `{"kind":"${kind}","groundId":"${groundId}","items":${items}}`;

/**
 * The page with whose book it is, the scripts of its screen and the lists its first view needs, so that nothing waits for a
 * second answer: the grounds, and of the ground that will open (in the address, worked last, or the first) what every page
 * begins with and what this one does. Its first word comes with them.
 * Of samples that are too many it brings what they come to, where that was worked out before. What else is too long, or
 * cannot be read now, is left out; the page then asks for it.
 */
export function openingDocument(
  pool: pg.Pool,
  webDir: string,
  database: DatabaseWatch,
  panned: PannedGrounds,
): (request: FastifyRequest) => Promise<string> {
  const [page = '', rest = ''] = readFileSync(join(webDir, 'index.html'), 'utf8').split(PLACE);
  const [head, body] = page.split('</head>');
  const pages = JSON.parse(readFileSync(join(webDir, 'pages.json'), 'utf8')) as readonly PageFiles[];
  return async (request) => {
    const { ground, lists } = database.isUp() ? await listsOf(pool, request).catch(() => NOTHING) : NOTHING;
    const told = ground !== null && !lists.has(samples.path) ? await toldOf(panned, request.crewId, ground) : 'null';
    const brought = [...lists].map(([kind, { groundId, items }]) => asBrought(kind, groundId, items));
    // "<" would end the script early; as an escape it is the same JSON.
    const opening =
      `{"crewId":"${request.crewId}","lists":[${brought.join()}],"says":${firstWord(ground, lists)},"panned":${told}}`.replaceAll(
        '<',
        '\\u003c',
      );
    return `${head}${linksFor(pages, request.url)}</head>${body}<script id="opening" type="application/json">${opening}</script>${rest}`;
  };
}

/** The scripts that the page at an address of a ground begins with: "sample/bags", or "sample/*" with all below it. The build writes them. */
interface PageFiles {
  readonly at: string;
  readonly files: readonly string[];
}

/** Sends for the scripts of the page at this address together with those of the frame around it. */
function linksFor(pages: readonly PageFiles[], url: string): string {
  const page = pageOf(url);
  const files = pages.filter((p) => isPartOf(page, p.at)).flatMap((p) => p.files);
  return [...new Set(files)].map((f) => `<link rel="modulepreload" crossorigin href="/${f}">`).join('');
}

/** What the pans of a ground come to whose samples are too many to be brought, by the usual school; "null" where that is not at hand. */
async function toldOf(panned: PannedGrounds, crewId: string, groundId: string): Promise<string> {
  const told = await panned.atHand(crewId, groundId, USUAL_SCHOOL).catch(() => null);
  return told === null ? 'null' : `{"groundId":"${groundId}","school":"${USUAL_SCHOOL}","told":${told}}`;
}

/** A list as it is brought: of one ground, or of the crew (no ground). */
interface Brought {
  readonly groundId: string;
  /** Its records, as JSON. */
  readonly items: string;
}
/** Lists by the path of their kind. */
type Lists = ReadonlyMap<string, Brought>;
const NOTHING = { ground: null, lists: new Map<string, Brought>() } as const;

async function listsOf(pool: pg.Pool, request: FastifyRequest): Promise<{ ground: string | null; lists: Lists }> {
  const list = async (path: string, groundId: string | null): Promise<[string, Brought][]> => {
    const kind = KINDS.get(path);
    if (!kind) return [];
    const { items, count } = await kind.page(pool, request.crewId, groundId, FIRST_ID, MOST_BROUGHT + 1);
    return count > MOST_BROUGHT ? [] : [[path, { groundId: kind.ofGround ? (groundId ?? '') : '', items }]];
  };
  const ground = groundNamed(request) ?? (await firstGround(pool, request.crewId));
  const ofGround = ground === null ? [] : [...FIRST_LISTS, ...listsOfPage(pageOf(request.url))];
  const lists = await Promise.all([list(grounds.path, null), ...ofGround.map((path) => list(path, ground))]);
  return { ground, lists: new Map(lists.flat()) };
}

/** So many pans are graded in 25 ms or less; what more of them say the page finds itself, for no other answer must wait for it. */
const MOST_GRADED = 100;

/** What the pans of a ground say, with the lists it was said of. */
interface Verdict {
  readonly of: string;
  readonly timeZone: string | null;
  readonly json: string;
}
/** The verdicts of so many grounds are held: as long as their lists say the same, they are not worked out again. */
const MOST_HELD = 50;
const held = new Map<string, Verdict>();

/**
 * What the pans brought say of their ground, as JSON, by the usual preferences: what the page would find itself, which
 * costs a slow phone a third of a second before its first word. "null" where it is not told.
 */
function firstWord(groundId: string | null, lists: Lists): string {
  const verdict = groundId === null ? null : verdictOf(groundId, lists);
  if (!verdict) return 'null';
  // Where the ground has no zone of its own, the day is the device's to say.
  const today = verdict.timeZone && localDay(new Date(), verdict.timeZone);
  const restsOn = JSON.stringify({ groundId, today, pays_mg_L: USUAL_PAYS_MG_L, school: USUAL_SCHOOL });
  return `${restsOn.slice(0, -1)},"verdict":${verdict.json}}`;
}

function verdictOf(groundId: string, lists: Lists): Verdict | null {
  const restsOn = ['grounds', 'spots', 'samples', 'pits', 'signs'].map((kind) => lists.get(kind)?.items);
  if (restsOn.includes(undefined)) return null;
  const of = createHash('sha1').update(restsOn.join()).digest('base64');
  const known = held.get(groundId);
  if (known?.of === of) return known;
  // A list holds what was taken out too, for devices that still keep it.
  const [grounds, spots, samples, pits, signs] = restsOn.map((items) =>
    (JSON.parse(items ?? '[]') as { readonly deleted: boolean }[]).filter((r) => !r.deleted),
  ) as unknown as [StoredGround[], StoredSpot[], StoredSample[], StoredPit[], StoredSign[]];
  const ground = grounds.find((g) => g.id === groundId);
  if (!ground || samples.length > MOST_GRADED) return null;
  const { swell_percent, timeZone } = ground;
  const { grades } = gradeSpots(samples, swell_percent, groundColors(samples, swell_percent, USUAL_SCHOOL), pits);
  const marked = new Set(spots.map((s) => s.id));
  const says = readingVerdict(grades, marked, null, USUAL_PAYS_MG_L, signs.length > 0);
  const verdict = { of, timeZone, json: JSON.stringify(says) };
  if (held.size >= MOST_HELD) held.clear();
  held.set(groundId, verdict);
  return verdict;
}

const pageOf = (url: string): string => pageAt(url.replace(/[?#].*$/, ''));

const UUID = '[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}';

/** The ground in the address, or the one this device worked last. */
function groundNamed({ url, headers }: FastifyRequest): string | undefined {
  const inAddress = new RegExp(`^/g/(${UUID})(?:/|$|\\?)`).exec(url)?.[1];
  return inAddress ?? new RegExp(`(?:^|; )riffle-ground=(${UUID})(?:;|$)`).exec(headers.cookie ?? '')?.[1];
}
