import { FIRST_ID } from '@riffle/contract';
import type { FastifyRequest } from 'fastify';
import type pg from 'pg';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { DatabaseWatch } from '../db/watch.ts';
import type { Kept, RecordKind, Sent } from '../db/recordKind.ts';
import { firstGround, grounds, spots } from '../ground/queries.ts';
import { gaugeReadings, signs, swellReadings } from '../read/queries.ts';
import { samples } from '../sample/queries.ts';

/** Where the built page takes what the document brings; `web/src/api/opening.ts` reads it. */
const PLACE = '<!--opening-->';
/** A longer list is asked for by the page itself, in pages: the document must not grow with the book. */
const MOST_BROUGHT = 400;

/** A list as the page keeps it: a kind's path, its ground (empty: the crew's), its records, all as JSON. */
const asBrought = (kind: string, groundId: string, items: string): string =>
  `{"kind":"${kind}","groundId":"${groundId}","items":${items}}`;

/**
 * The page with whose book it is and the lists its first view needs, so that nothing waits for a second answer:
 * the grounds, and of the ground that will open (in the address, worked last, or the first) spots, samples, signs and the
 * readings of its river or sea, which stand at the head of the page.
 * What is too long, or cannot be read now, is left out; the page then asks for it.
 */
export function openingDocument(
  pool: pg.Pool,
  webDir: string,
  database: DatabaseWatch,
): (request: FastifyRequest) => Promise<string> {
  const [head = '', rest = ''] = readFileSync(join(webDir, 'index.html'), 'utf8').split(PLACE);
  return async (request) => {
    const lists = database.isUp() ? await listsOf(pool, request).catch(() => []) : [];
    // "<" would end the script early; as an escape it is the same JSON.
    const opening = `{"crewId":"${request.crewId}","lists":[${lists.join()}]}`.replaceAll('<', '\\u003c');
    return `${head}<script id="opening" type="application/json">${opening}</script>${rest}`;
  };
}

async function listsOf(pool: pg.Pool, request: FastifyRequest): Promise<string[]> {
  const list = async (
    kind: Pick<RecordKind<Sent, Kept>, 'path' | 'page'>,
    groundId: string | null,
  ): Promise<string[]> => {
    const { items, count } = await kind.page(pool, request.crewId, groundId, FIRST_ID, MOST_BROUGHT + 1);
    return count > MOST_BROUGHT ? [] : [asBrought(kind.path, groundId ?? '', items)];
  };
  const open = groundNamed(request) ?? (await firstGround(pool, request.crewId));
  const ofGround =
    open === null ? [] : [spots, samples, signs, gaugeReadings, swellReadings].map((kind) => list(kind, open));
  return (await Promise.all([list(grounds, null), ...ofGround])).flat();
}

const UUID = '[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}';

/** The ground in the address, or the one this device worked last. */
function groundNamed({ url, headers }: FastifyRequest): string | undefined {
  const inAddress = new RegExp(`^/g/(${UUID})(?:/|$|\\?)`).exec(url)?.[1];
  return inAddress ?? new RegExp(`(?:^|; )riffle-ground=(${UUID})(?:;|$)`).exec(headers.cookie ?? '')?.[1];
}
