import { beforeAll, expect, jest, test } from '@jest/globals';
import { seededRandom } from '@riffle/core';
import { firstRecords } from '../test/records.ts';
import { valueFor, type Fuzz, type Schema } from '../test/fuzz.ts';
import { useTestServer } from '../test/testServer.ts';

// So many requests for each route, from one seed: a fault found here is found again. FUZZ_REQUESTS and FUZZ_SEED look farther;
// FUZZ_PART, 2/3 for the second of three, leaves routes to other processes.
const REQUESTS = Number(process.env['FUZZ_REQUESTS'] ?? 24);
const SEED = Number(process.env['FUZZ_SEED'] ?? 20_261_126);
const [PART, PARTS] = (process.env['FUZZ_PART'] ?? '1/1').split('/').map(Number) as [number, number];
jest.setTimeout(30_000 + REQUESTS * 10_000);

const server = useTestServer();
const ids: string[] = [];
beforeAll(async () => {
  for (const [kind, record] of Object.entries(firstRecords())) {
    expect((await server.call('PUT', `/${kind}/${record.id}`, record)).statusCode).toBe(201);
    ids.push(record.id);
  }
});

interface Operation {
  readonly parameters?: readonly { readonly name: string; readonly in: string; readonly schema: Schema }[];
  readonly requestBody?: { readonly content: Readonly<Record<string, { readonly schema: Schema }>> };
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

test('no request, right or wrong, brings the server to a fault', async () => {
  const document = server.app.swagger() as unknown as {
    paths: Record<string, Record<string, Operation>>;
    components?: { schemas?: Record<string, Schema> };
  };
  const schemas = document.components?.schemas ?? {};
  const faults: string[] = [];
  const accepted = new Map<string, number>();
  let routes = 0;
  let place = 0;
  for (const [path, operations] of Object.entries(document.paths)) {
    for (const [method, { parameters = [], requestBody }] of Object.entries(operations)) {
      // Each route draws its own numbers, so that they are the same whoever else is asked.
      const random = seededRandom(SEED + place);
      if (place++ % PARTS !== PART - 1) continue;
      routes++;
      const route = `${method.toUpperCase()} ${path}`;
      for (let i = 0; i < REQUESTS; i++) {
        // Every other request breaks nothing on purpose, so that what lies behind the schema is reached too.
        const fuzz: Fuzz = { random, schemas, ids, wrong: i % 2 === 0 ? 0 : 0.25 };
        let url = path;
        const query: string[] = [];
        let id = '';
        for (const p of parameters) {
          const value = valueFor(p.schema, fuzz);
          const text = encoded(typeof value === 'string' ? value : JSON.stringify(value));
          if (p.in === 'path') url = url.replace(`{${p.name}}`, text);
          else if (p.in === 'query') query.push(`${p.name}=${text}`);
          if (p.name === 'id' && typeof value === 'string') id = value;
        }
        const schema = requestBody?.content['application/json']?.schema;
        const body = schema ? valueFor(schema, fuzz) : undefined;
        // A record under its own id; every fourth under another.
        if (typeof body === 'object' && body !== null && 'id' in body && i % 4 !== 3) body.id = id;
        const isFile = !schema && method !== 'get';
        const answer = await server.app.inject({
          method: method.toUpperCase() as 'GET',
          url: `${url}${query.length > 0 ? `?${query.join('&')}` : ''}`,
          headers: {
            host: 'localhost:4200',
            ...(isFile && { 'content-type': TYPES[i % TYPES.length] as string }),
            ...(schema && { 'content-type': 'application/json' }),
          },
          ...(isFile && { payload: FILES[i % FILES.length] as string }),
          ...(schema && { payload: JSON.stringify(body) }),
        });
        if (answer.statusCode >= 500)
          faults.push(`${route}: ${answer.statusCode} ${answer.body} for ${JSON.stringify(body)}`);
        if (answer.statusCode < 300) accepted.set(route, (accepted.get(route) ?? 0) + 1);
        if (answer.statusCode >= 400) expect(answer.headers['content-type']).toMatch(/problem\+json/);
      }
    }
  }
  expect(faults.map((f) => f.slice(0, 600))).toEqual([]);
  expect(routes).toBeGreaterThan(100 / PARTS);
  // Knowing the schemas, most routes are reached behind them.
  expect(accepted.size / routes).toBeGreaterThan(0.5);
});

/** As a script that knows no better would write it into an address: half signs become what a browser makes of them. */
function encoded(text: string): string {
  try {
    return encodeURIComponent(text);
  } catch {
    return '%ed%a0%80';
  }
}
