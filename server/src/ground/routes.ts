import {
  FileChoices,
  FileDecisions,
  FIRST_ID,
  Ground,
  GroundFile,
  Id,
  NewLine,
  Problem,
  SPOT_KINDS,
  TEXTS,
  StoredGround,
  type Spot,
} from '@riffle/contract';
import { centreLine, thinLine } from '@riffle/core';
import type { FastifyInstance } from 'fastify';
import type { ZodTypeProvider } from 'fastify-type-provider-zod';
import type pg from 'pg';
import { v7 as uuidv7 } from 'uuid';
import { z } from 'zod';
import { inTransaction, type Db } from '../db/pool.ts';
import { Refusal } from '../http/problems.ts';
import { recordRoutes } from '../http/recordRoutes.ts';
import { groundAsGeoJson, insertGroundRecords } from './groundGeoJson.ts';
import { findLine, grounds, insertGroundWithLine, MOST_SPOTS, spots, writeLine } from './queries.ts';
import type { WorkPool } from '../work/workPool.ts';
import type { ReadGround } from './readGroundFile.ts';

/** Largest file read: a track of 100 000 points with times is about 15 MB. */
export const LARGEST_FILE_BYTES = 32 * 1024 * 1024;

export function groundRoutes(scope: FastifyInstance, pool: pg.Pool, work: WorkPool): void {
  const app = scope.withTypeProvider<ZodTypeProvider>();
  // Files come as their own bytes, whatever the browser calls them.
  app.addContentTypeParser(
    ['application/gpx+xml', 'application/geo+json', 'application/xml', 'text/xml', 'application/octet-stream'],
    { parseAs: 'buffer', bodyLimit: LARGEST_FILE_BYTES },
    (_request, body, done) => done(null, body),
  );

  recordRoutes(app, pool, grounds);
  recordRoutes(app, pool, spots);

  app.post(
    '/ground-files',
    {
      bodyLimit: LARGEST_FILE_BYTES,
      schema: {
        tags: ['grounds'],
        summary:
          'Reads a GPX, KML, KMZ or GeoJSON file, a log of NMEA 0183 or a table, and says what it holds. Stores nothing.',
        querystring: FileChoices,
        response: { 200: GroundFile, '4xx': Problem },
      },
    },
    (request) => work.run('groundFileTold', { bytes: fileBytes(request.body), choices: request.query }),
  );

  app.put(
    '/grounds/:id/from-file',
    {
      bodyLimit: LARGEST_FILE_BYTES,
      schema: {
        tags: ['grounds'],
        summary: 'Makes a ground, its line and its spots from a file, all or nothing.',
        params: z.object({ id: Id }),
        querystring: FileDecisions,
        response: { 200: StoredGround, 201: StoredGround, '4xx': Problem },
      },
    },
    async (request, reply) => {
      const { id } = request.params;
      const read = await work.run('groundFile', { bytes: fileBytes(request.body), choices: request.query });
      const stored = await inTransaction(pool, async (db) => {
        const footFirst = request.query.flow === 'against' ? [...read.points] : [...read.points].reverse();
        const { name, kind, flow, timeZone = null } = request.query;
        const ground = await groundOf(db, request.crewId, read, { id, name, kind, timeZone });
        const made = await insertGroundWithLine(db, request.crewId, ground, footFirst, thinLine(footFirst, 0.5, 2000));
        if (!made) return null;
        if (read.records.length === 0)
          await spots.insertMany(db, request.crewId, spotsOf(read, id, flow, request.query.spotKinds.split(',')));
        else await insertGroundRecords(db, request.crewId, ground, read.records, flow !== read.flow);
        return made;
      });
      // The same id again: the file had landed and its answer was lost.
      return reply
        .code(stored ? 201 : 200)
        .send(stored ?? StoredGround.parse(await grounds.find(pool, request.crewId, id)));
    },
  );

  app.put(
    '/grounds/:id/line',
    {
      schema: {
        tags: ['grounds'],
        summary: 'Draws the line of a ground anew, foot first. Spots with a position move along it.',
        params: z.object({ id: Id }),
        body: NewLine,
        response: { 200: StoredGround, '4xx': Problem },
      },
    },
    async (request) => {
      const { id } = request.params;
      const { line, baseVersion } = request.body;
      const centre = centreLine(line);
      const written = await inTransaction(pool, async (db) => {
        const made = await writeLine(
          db,
          request.crewId,
          id,
          line,
          thinLine(line, 0.5, 2000),
          centre.length_m,
          baseVersion,
        );
        if (!made) return null;
        for (const spot of await spots.list(db, request.crewId, id, FIRST_ID, MOST_SPOTS)) {
          const at = spot.position
            ? centre.locate(spot.position)
            : { distance_m: Math.min(spot.distance_m, centre.length_m) };
          if (at.distance_m !== spot.distance_m)
            await spots.write(db, request.crewId, { ...spot, ...at }, spot.version);
        }
        return made;
      });
      if (written) return written;
      const current = await grounds.find(pool, request.crewId, id);
      if (!current) throw new Refusal('NOT_FOUND', 'That ground is not in the book.');
      throw new Refusal(
        'CHANGED',
        'Someone changed this ground after you opened it. Look at theirs, then draw again.',
        undefined,
        { current },
      );
    },
  );

  app.get(
    '/grounds/:id/ground.geojson',
    {
      schema: {
        tags: ['grounds'],
        summary:
          'The ground with its line and all its records as GeoJSON (RFC 7946); brought in again, it is the same ground. Gives the place away: see what is shared.',
        params: z.object({ id: Id }),
        response: { 200: z.unknown(), '4xx': Problem },
      },
    },
    async (request, reply) => {
      const ground = await grounds.find(pool, request.crewId, request.params.id);
      if (!ground) throw new Refusal('NOT_FOUND', 'That ground is not in the book.');
      const line = await findLine(pool, request.crewId, ground.id);
      if (!line)
        throw new Refusal('NO_LINE', 'This ground was typed by name and length: it has no line to write into a file.');
      return reply
        .header('content-type', 'application/geo+json')
        .header('content-disposition', `attachment; filename="${fileName(ground.name)}.geojson"`)
        .serializer(JSON.stringify)
        .send(await groundAsGeoJson(pool, request.crewId, ground, line));
    },
  );
}

const fileBytes = (body: unknown): Uint8Array => {
  if (body instanceof Uint8Array) return body;
  throw new Refusal('FILE_UNREADABLE', 'Send the file itself, as application/gpx+xml or application/octet-stream.');
};

export const fileName = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '') || 'ground';

/** @param asked what a person said of each way point, by its place in the file; left out, as its name has it */
function spotsOf(
  read: ReadGround,
  groundId: string,
  flow: 'as drawn' | 'against',
  asked: readonly (string | undefined)[],
): Spot[] {
  const line = centreLine(flow === 'against' ? read.line : [...read.line].reverse());
  return read.spots.map((s, i) => {
    const at = line.locate(s.position);
    const { note } = read.properties[i] ?? {};
    return {
      id: uuidv7(),
      groundId,
      deleted: false,
      name: s.name,
      kind: SPOT_KINDS.find((k) => k === asked[i]) ?? s.kind,
      ...at,
      position: [s.position[0], s.position[1]],
      note: typeof note === 'string' ? note.slice(0, TEXTS.note.longest) : '',
      worksBelow_m: null,
      worksBelowEntered: null,
      samplePlanId: null,
    };
  });
}

/** The ground a file tells of. What only Riffle's own exports state is taken where it can be kept. */
async function groundOf(
  db: Db,
  crewId: string,
  read: ReadGround,
  decided: Pick<Ground, 'id' | 'name' | 'kind' | 'timeZone'>,
): Promise<Ground> {
  const { length_m, swell_percent, note } = read;
  const bare: Ground = {
    tide: null,
    faceSlope: null,
    faceSlopeEntered: null,
    profile: [],
    lookedAt: [],
    joins: null,
    fedBy: null,
    catchment_m2: null,
    catchmentEntered: null,
    ...decided,
    length_m,
    swell_percent,
    note,
    deleted: false,
  };
  const told = Ground.safeParse({ ...bare, ...factsTold(read.told, Object.keys(bare)) });
  const ground = told.success ? told.data : bare;
  // The creek it runs into may not be in this book.
  const into = ground.joins && (await grounds.find(db, crewId, ground.joins.groundId));
  return into ? ground : { ...ground, joins: null };
}

/** Fields of a ground that a file tells of and the person did not decide. */
const factsTold = (told: Readonly<Record<string, unknown>>, fields: readonly string[]): Record<string, unknown> =>
  Object.fromEntries(
    Object.entries(told).filter(([f, v]) => fields.includes(f) && !DECIDED.has(f) && v !== null && v !== undefined),
  );
const DECIDED: ReadonlySet<string> = new Set(['id', 'deleted', 'name', 'kind', 'length_m', 'swell_percent', 'note']);
