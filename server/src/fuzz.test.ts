import { beforeAll, expect, jest, test } from '@jest/globals';
import { seededRandom } from '@riffle/core';
import { corranWrites } from '@riffle/demo';
import { v7 as uuidv7 } from 'uuid';
import { changed, pick, valueFor, type Fuzz, type Schema } from '../test/fuzz.ts';
import {
  newAttachment,
  newDaySheet,
  newForecast,
  newLift,
  newLook,
  newLot,
  newSamplePlan,
  newSweep,
} from '../test/records.ts';
import { SUM_CALLS } from '../test/sumCalls.ts';
import { loadCorran, useTestServer } from '../test/testServer.ts';

// So many requests for each route, from one seed: a fault found here is found again. FUZZ_REQUESTS and FUZZ_SEED look farther;
// FUZZ_PART, 2/3 for the second of three, leaves routes to other processes.
const REQUESTS = Number(process.env['FUZZ_REQUESTS'] ?? 24);
const SEED = Number(process.env['FUZZ_SEED'] ?? 20_261_126);
const [PART, PARTS] = (process.env['FUZZ_PART'] ?? '1/1').split('/').map(Number) as [number, number];
jest.setTimeout(60_000 + REQUESTS * 10_000);

interface Operation {
  readonly parameters?: readonly { readonly name: string; readonly in: string; readonly schema: Schema }[];
  readonly requestBody?: { readonly content: Readonly<Record<string, { readonly schema: Schema }>> };
}
interface Request {
  readonly url: string;
  readonly type?: string | undefined;
  readonly body?: unknown;
}
/** Bodies for calls that take a file: begun rightly, broken off, or nothing of the kind. */
const FILES = [
  '',
  '{}',
  '{"type":"FeatureCollection","features":[]}',
  '{"type":"LineString","coordinates":[[0,0],["a",null],[1e99,2]]}',
  '<gpx/>',
  '<gpx><trk><trkseg><trkpt lat="46.5" lon="x"/><trkpt/></trkseg></trk></gpx>',
  '<gpx><trk><name>a\u0001</name>',
  '<a><b></a>',
  '{"row":1,"sample":{}}\n{"spot":null}\nnot json',
  '{"row":1e99}',
  '\u0000\ufffd',
];
const TYPES = ['application/octet-stream', 'application/x-ndjson', 'image/jpeg', 'application/json', 'text/xml'];
const UUID = /[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}/;

// No limit on how often: what is sent away at the door fuzzes nothing behind it.
const server = useTestServer({ rate: Number.MAX_SAFE_INTEGER });
/** Right requests by route: what the demo wrote, and a call of every sum. */
const right = new Map<string, Request[]>();
/** What is in the book, by where it stands: ids of grounds, of spots ... */
const idsOf = new Map<string, string[]>();
/** One name for a path of the document and for an address of it. */
const routeOf = (method: string, path: string): string =>
  `${method.toUpperCase()} ${path
    .replace(/\?.*/, '')
    .replace(/\{\w+\}/g, '*')
    .replace(UUID, '*')}`;
const add = <K, V>(to: Map<K, V[]>, key: K, value: V): void => void to.set(key, [...(to.get(key) ?? []), value]);

beforeAll(async () => {
  await loadCorran(server);
  for (const { method, url, body, type } of corranWrites()) {
    const sent = type === 'application/json' ? (JSON.parse(body) as unknown) : body;
    add(right, routeOf(method, `/api/v1${url}`), { url: `/api/v1${url}`, type, body: sent });
    const [, kind = '', id = ''] = url.split(/[/?]/);
    if ((idsOf.get(kind)?.length ?? 0) < 5) add(idsOf, kind, id);
  }
  const [groundId = '', spotId = '', setupId = '', runId = ''] = ['grounds', 'spots', 'setups', 'runs'].map(
    (kind) => idsOf.get(kind)?.[0],
  );
  // What the demo writes none of, or only by one who changes it.
  const first = {
    attachments: newAttachment(groundId, spotId),
    'day-sheets': newDaySheet(groundId),
    forecasts: newForecast(groundId, setupId, [runId]),
    lifts: newLift(groundId, [runId]),
    looks: newLook(groundId, spotId),
    lots: newLot(groundId, spotId),
    'sample-plans': newSamplePlan(groundId),
    sweeps: newSweep(groundId, spotId),
  };
  for (const [kind, record] of Object.entries(first)) {
    const url = `/api/v1/${kind}/${record.id}`;
    add(right, routeOf('put', url), { url, type: 'application/json', body: record });
  }
  for (const [name, [body]] of Object.entries(SUM_CALLS))
    add(right, `POST /api/v1/sums/${name}`, { url: `/api/v1/sums/${name}`, type: 'application/json', body });
});

test('no request, right or wrong, brings the server to a fault', async () => {
  const document = server.app.swagger() as unknown as {
    paths: Record<string, Record<string, Operation>>;
    components?: { schemas?: Record<string, Schema> };
  };
  const schemas = document.components?.schemas ?? {};
  const ids = [...idsOf.values()].flat();
  const faults: string[] = [];
  const answers = new Map<string, Map<number, number>>();
  let place = 0;
  for (const [path, operations] of Object.entries(document.paths)) {
    for (const [method, operation] of Object.entries(operations)) {
      // Each route draws its own numbers, so that they are the same whoever else is asked.
      const random = seededRandom(SEED + place);
      if (place++ % PARTS !== PART - 1) continue;
      // Sums are in no book, and some right ones take half a second: a right call is begun from seldom.
      const every = path.includes('/sums/') ? 40 : 4;
      const begun = right.get(routeOf(method, path)) ?? [];
      const counts = new Map<number, number>();
      answers.set(`${method.toUpperCase()} ${path}`, counts);
      for (let i = 0; i < REQUESTS; i++) {
        // Every other request breaks nothing on purpose, so that what lies behind the schema is reached too.
        const fuzz: Fuzz = { random, schemas, ids, wrong: i % 2 === 0 ? 0 : 0.25 };
        const { url, type, body } =
          begun.length > 0 && i % every < 2
            ? again(pick(begun, random), operation, fuzz)
            : drawn(method, path, operation, i, fuzz);
        const {
          statusCode,
          body: says,
          headers,
        } = await server.app.inject({
          method: method.toUpperCase() as 'GET',
          url,
          headers: { host: 'localhost:4200', ...(type && { 'content-type': type }) },
          ...(type && { payload: typeof body === 'string' ? body : JSON.stringify(body) }),
        });
        counts.set(statusCode, (counts.get(statusCode) ?? 0) + 1);
        if (statusCode >= 500)
          faults.push(`${method} ${url}: ${statusCode} ${says} for ${JSON.stringify(body)}`.slice(0, 600));
        if (statusCode >= 400) expect(headers['content-type']).toMatch(/problem\+json/);
      }
    }
  }
  expect(faults).toEqual([]);
  const all = [...answers.values()];
  expect(all.length).toBeGreaterThan(100 / PARTS);
  expect(all.some((counts) => counts.has(429))).toBe(false);
  // Knowing the schemas, most routes are reached behind them.
  expect(all.filter((counts) => [...counts.keys()].some((code) => code < 300)).length / all.length).toBeGreaterThan(
    0.8,
  );
});

/** A request after the document alone. */
function drawn(method: string, path: string, operation: Operation, i: number, fuzz: Fuzz): Request {
  let url = path;
  const query: string[] = [];
  let id = '';
  for (const p of operation.parameters ?? []) {
    // Ids of the kind that stands before them; a list of grounds is a text to the document.
    const kind = p.name === 'grounds' ? 'grounds' : new RegExp(`(\\w[\\w-]*)/{${p.name}}`).exec(path)?.[1];
    const known = idsOf.get(kind ?? '');
    const value = known && fuzz.random() < 0.6 ? pick(known, fuzz.random) : valueFor(p.schema, fuzz);
    const text = encoded(typeof value === 'string' ? value : JSON.stringify(value));
    if (p.in === 'path') url = url.replace(`{${p.name}}`, text);
    else if (p.in === 'query') query.push(`${p.name}=${text}`);
    if (p.name === 'id' && typeof value === 'string') id = value;
  }
  if (query.length > 0) url += `?${query.join('&')}`;
  const schema = operation.requestBody?.content['application/json']?.schema;
  if (schema) {
    const body = valueFor(schema, fuzz);
    // A record under its own id; every fourth under another.
    if (typeof body === 'object' && body !== null && 'id' in body && i % 4 !== 3) body.id = id;
    return { url, type: 'application/json', body };
  }
  return method === 'get' ? { url } : { url, type: TYPES[i % TYPES.length], body: FILES[i % FILES.length] };
}

/** A request the demo made, once more: some of its parts drawn anew, as a new record or a change of its own. */
function again({ url, type, body }: Request, operation: Operation, fuzz: Fuzz): Request {
  const schema = operation.requestBody?.content['application/json']?.schema;
  const sent = schema ? changed(body, schema, fuzz) : body;
  if (typeof sent !== 'object' || sent === null || !('id' in sent)) return { url, type, body: sent };
  const id = fuzz.random() < 0.7 ? uuidv7() : (UUID.exec(url)?.[0] ?? '');
  return { url: url.replace(UUID, id), type, body: { ...sent, id, baseVersion: pick([0, 0, 1, 2], fuzz.random) } };
}

/** As a script that knows no better would write it into an address: half signs become what a browser makes of them. */
function encoded(text: string): string {
  try {
    return encodeURIComponent(text);
  } catch {
    return '%ed%a0%80';
  }
}
