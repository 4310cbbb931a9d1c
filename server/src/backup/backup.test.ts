import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { BackupShelf, Problem } from '@riffle/contract';
import { spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable, Writable } from 'node:stream';
import { fileURLToPath } from 'node:url';
import yauzl from 'yauzl';
import { ZipFile } from 'yazl';
import { newAttachment, newGround, newSample, newSpot } from '../../test/records.ts';
import { loadCorran, useTestServer, type TestServer } from '../../test/testServer.ts';
import { EVERY_KIND } from '../db/everyKind.ts';
import { migrate } from '../db/migrate.ts';
import { spots } from '../ground/queries.ts';
import { MANIFEST, type Manifest } from './format.ts';
import { openShelf, type Shelf } from './shelf.ts';
import { crewTables, isEmpty } from './tables.ts';
import { writeBackup } from './writeBackup.ts';

const MIGRATIONS = fileURLToPath(new URL('../../migrations', import.meta.url));
const PNG = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
);

const dir = mkdtempSync(join(tmpdir(), 'riffle-backup-'));
afterAll(() => rmSync(dir, { recursive: true, force: true }));

const shelves = new Map<TestServer, Shelf>();
/** A server whose book starts empty, with a shelf. */
function useServerWithShelf(migrationsDir = MIGRATIONS): TestServer {
  const server = useTestServer({ shelfOf: () => shelves.get(server) as Shelf });
  beforeAll(() => {
    const { pool, crewId, ownerUrl } = server;
    const mine = mkdtempSync(join(dir, 'shelf-'));
    const onFault = (error: unknown): never => {
      throw error;
    };
    shelves.set(server, openShelf({ pool, crewId, ownerUrl, migrationsDir, dir: mine, onFault }));
  });
  afterAll(() => shelves.get(server)?.close());
  return server;
}

async function taken(server: TestServer): Promise<Buffer> {
  const chunks: Buffer[] = [];
  const to = new Writable({
    write(chunk: Buffer, _encoding, next) {
      chunks.push(chunk);
      next();
    },
  });
  await writeBackup(server.pool, server.crewId, to, () => undefined);
  return Buffer.concat(chunks);
}

/** As a person does it: sends the file and looks until it is through. */
async function restoredFrom(server: TestServer, file: Buffer): Promise<BackupShelf> {
  const answer = await server.call('POST', '/backups/restore', file, { 'content-type': 'application/zip' });
  expect([answer.statusCode, answer.body]).toEqual([202, expect.any(String)]);
  return untilThrough(server);
}
async function untilThrough(server: TestServer): Promise<BackupShelf> {
  for (;;) {
    const shelf = (await server.call('GET', '/backups')).json<BackupShelf>();
    if (shelf.work === null) return shelf;
    await new Promise((resolve) => setTimeout(resolve, 5));
  }
}
const refusedWith = (shelf: BackupShelf): string | null => (shelf.ended?.how === 'refused' ? shelf.ended.detail : null);

async function all({ each }: (typeof EVERY_KIND)[number], { pool, crewId }: TestServer): Promise<unknown[]> {
  const client = await pool.connect();
  const records = [];
  for await (const record of each(client, crewId)) records.push(record);
  client.release();
  return records.sort((a, b) => a.id.localeCompare(b.id));
}

async function unzipped(file: Buffer): Promise<Map<string, Buffer>> {
  const zip = await yauzl.fromBufferPromise(file, { lazyEntries: true });
  const entries = new Map<string, Buffer>();
  for await (const entry of zip.eachEntry())
    entries.set(entry.fileName, Buffer.concat((await (await zip.openReadStreamPromise(entry)).toArray()) as Buffer[]));
  return entries;
}
async function zipped(entries: ReadonlyMap<string, Buffer>): Promise<Buffer> {
  const zip = new ZipFile();
  for (const [name, bytes] of entries) zip.addBuffer(bytes, name);
  zip.end();
  return Buffer.concat((await Readable.from(zip.outputStream).toArray()) as Buffer[]);
}

const full = useServerWithShelf();
const empty = useServerWithShelf();
let file: Buffer;

beforeAll(async () => {
  await loadCorran(full);
  const ground = newGround({ name: 'Näve “gulch”, 金\n', note: 'a\\b\t{"c": 1}' });
  const spot = newSpot(ground.id);
  const sample = newSample(ground.id, spot.id);
  const picture = newAttachment(ground.id, spot.id);
  const put = async (path: string, record: unknown, type = 'application/json'): Promise<void> =>
    expect((await full.call('PUT', path, record, { 'content-type': type })).statusCode).toBeLessThan(300);
  await put(`/grounds/${ground.id}`, ground);
  await put(`/spots/${spot.id}`, spot);
  await put(`/samples/${sample.id}`, {
    ...sample,
    depth_m: 0.1 + 0.2,
    gold_mg: 12.5,
    goldEntered: { text: '12.50', unit: 'mg' },
  });
  await put(`/attachments/${picture.id}`, picture);
  await put(`/attachments/${picture.id}/file`, PNG, 'image/png');
  file = await taken(full);
});

describe('a backup', () => {
  test('holds a line for every row of every table of the crew, and every file', async () => {
    const entries = await unzipped(file);
    const { rows } = await full.pool.query<{ table: string }>(
      `select table_name as table from information_schema.columns where column_name = 'crew_id' and table_schema = 'public'`,
    );
    const tables = rows.map((r) => r.table).filter((t) => t !== 'attachment_file');
    expect([...entries.keys()].filter((n) => n.startsWith('tables/')).sort()).toEqual(
      [...tables, 'crew'].map((t) => `tables/${t}.jsonl`).sort(),
    );
    for (const table of tables) {
      const counted = await full.pool.query<{ n: number }>(`select count(*) as n from ${table}`);
      const lines = entries.get(`tables/${table}.jsonl`)?.toString('utf8').split('\n').filter(Boolean) ?? [];
      expect([table, lines.length]).toEqual([table, counted.rows[0]?.n]);
    }
    expect([...entries].filter(([name]) => name.startsWith('files/')).map(([, bytes]) => bytes)).toEqual([PNG]);
    expect(file.includes(full.crewId)).toBe(false);
    expect([...entries.values()].every((bytes) => !bytes.includes(full.crewId))).toBe(true);
  });

  test('opens in an outside reader', () => {
    const path = join(dir, 'outside.zip');
    writeFileSync(path, file);
    const read = spawnSync('unzip', ['-t', path], { encoding: 'utf8' });
    if (read.error) return; // Not on every machine; on those that check every change it is.
    expect([read.status, read.stdout]).toEqual([0, expect.stringContaining('No errors detected')]);
  });

  test('of an unchanged book is the same to the byte', async () => expect((await taken(full)).equals(file)).toBe(true));

  test('is made on request, lies ready under its name, and is the same', async () => {
    expect((await full.call('POST', '/backups')).statusCode).toBe(202);
    const shelf = await untilThrough(full);
    expect(shelf).toMatchObject({
      isEmpty: false,
      ended: { how: 'made' },
      kept: [{ daily: false, bytes: file.length }],
    });
    const { name = '' } = shelf.kept[0] ?? {};
    const back = await full.call('GET', `/backups/${name}`);
    expect(back.headers['content-type']).toBe('application/zip');
    expect(back.rawPayload.equals(file)).toBe(true);
  });

  test.each(['riffle-2026-01-01.zip', '..%2f..%2fsecrets.json', 'arrived.unfinished'])(
    'there is none called %s',
    async (name) => expect((await full.call('GET', `/backups/${name}`)).statusCode).toBe(404),
  );
});

describe('restoring', () => {
  test('into a book that holds something is refused, and changes nothing', async () => {
    const answer = await full.call('POST', '/backups/restore', file, { 'content-type': 'application/zip' });
    expect([answer.statusCode, answer.json<Problem>().code]).toEqual([409, 'NOT_EMPTY']);
    expect((await taken(full)).equals(file)).toBe(true);
  });
  test('what is no zip is not taken', async () =>
    expect((await empty.call('POST', '/backups/restore', { a: 1 })).statusCode).toBe(415));

  const without = (entries: Map<string, Buffer>, name: string): Map<string, Buffer> => {
    entries.delete(name);
    return entries;
  };
  const withManifest = (entries: Map<string, Buffer>, change: (m: Manifest) => Manifest): Map<string, Buffer> =>
    entries.set(MANIFEST, Buffer.from(JSON.stringify(change(JSON.parse(String(entries.get(MANIFEST))) as Manifest))));
  const broken: [string, (entries: Map<string, Buffer>) => Map<string, Buffer>, RegExp][] = [
    ['a table missing', (e) => without(e, 'tables/sample.jsonl'), /tables\/sample\.jsonl is missing/],
    ['the manifest missing', (e) => without(e, MANIFEST), /holds no manifest\.json/],
    ['a manifest that is none', (e) => e.set(MANIFEST, Buffer.from('{"format": "x"}')), /not that of a Riffle backup/],
    ['half a manifest', (e) => e.set(MANIFEST, Buffer.from('{"for')), /manifest\.json is damaged/],
    ['something more in it', (e) => e.set('tables/x.jsonl', PNG), /x\.jsonl does not belong/],
    ['a newer form', (e) => withManifest(e, (m) => ({ ...m, version: 2 })), /newer Riffle/],
    ['newer rows', (e) => withManifest(e, (m) => ({ ...m, schema: '999_later' })), /newer Riffle \(999_later/],
    ['unknown rows', (e) => withManifest(e, (m) => ({ ...m, schema: '001_other' })), /does not know how 001_other/],
    [
      'a line changed by hand',
      (e) => e.set('tables/rig.jsonl', Buffer.from(String(e.get('tables/rig.jsonl')).replace('"name"', '"nome"'))),
      /tables\/rig\.jsonl is damaged/,
    ],
  ];
  test.each(broken)('%s: refused whole, with what is wrong', async (_name, change, says) => {
    expect(refusedWith(await restoredFrom(empty, await zipped(change(await unzipped(file)))))).toMatch(says);
    expect(await isEmpty(empty.pool, empty.crewId)).toBe(true);
  });

  /** As someone would who makes a file of his own, sums and all. */
  const forged = async (table: string, change: (text: string) => string): Promise<Buffer> => {
    const entries = await unzipped(file);
    const name = `tables/${table}.jsonl`;
    const bytes = Buffer.from(change(String(entries.get(name))));
    const { createHash } = await import('node:crypto');
    const sha256 = createHash('sha256').update(bytes).digest('hex');
    const records = String(bytes).split('\n').length - 1;
    withManifest(entries.set(name, bytes), (m) => ({
      ...m,
      entries: m.entries.map((e) => (e.name === name ? { name, bytes: bytes.length, sha256, records } : e)),
    }));
    return zipped(entries);
  };
  test.each([
    [
      'sample',
      (text: string) => text.replace(/"colors_20_40": \d+/, '"colors_20_40": -1'),
      /tables\/sample.jsonl cannot be kept/,
    ],
    ['spot', () => '', /cannot be kept: .*spot/],
    [
      'pit',
      (text: string) => text.replace(/"bottom": "[^"]*"/, '"bottom": "lava"'),
      /cannot be kept|not what Riffle keeps/,
    ],
    ['ground', (text: string) => text.replace(/"profile": \[[^\n]*?\]/, '"profile": 7'), /not what Riffle keeps/],
    [
      'run_event',
      (text: string) => text.replace('"fullness": null', `"fullness": "${'x'.repeat(5000)}"`),
      /not what Riffle keeps/,
    ],
    ['rig', () => '{{{\n', /cannot be kept/],
  ] as const)('a forged %s is refused whole', async (table, change, says) => {
    expect(refusedWith(await restoredFrom(empty, await forged(table, change)))).toMatch(says);
    expect(await isEmpty(empty.pool, empty.crewId)).toBe(true);
  });

  test('a bit that fell over in what it holds, or an end that is missing: refused whole', async () => {
    const zip = await yauzl.fromBufferPromise(file, { lazyEntries: true });
    let nth = 0;
    for await (const { compressedSize, ...entry } of zip.eachEntry()) {
      if (compressedSize < 2) continue;
      const { fileDataStart } = await zip.readLocalFileHeaderPromise(entry as yauzl.Entry, { minimal: true });
      // Not in the last byte, of which not every bit is used.
      const at = fileDataStart + Math.floor(((compressedSize - 1) * (nth++ % 7)) / 7);
      const damaged = Buffer.from(file);
      damaged[at] = (damaged[at] ?? 0) ^ (1 << (nth % 8));
      expect([entry.fileName, refusedWith(await restoredFrom(empty, damaged))]).toEqual([
        entry.fileName,
        expect.stringContaining('damaged'),
      ]);
    }
    expect(nth).toBeGreaterThan(20);
    expect(await isEmpty(empty.pool, empty.crewId)).toBe(true);
    for (const length of [0, 1, 1000, file.length >> 1, file.length - 1])
      expect(refusedWith(await restoredFrom(empty, file.subarray(0, length)))).toMatch(/not a Riffle backup/);
  }, 300_000);

  test('gives the same book to another crew: each record, each file, and the same backup to the byte', async () => {
    const shelf = await restoredFrom(empty, file);
    expect(shelf).toMatchObject({ isEmpty: false, ended: { how: 'restored', files: 1 } });
    for (const kind of EVERY_KIND) expect(await all(kind, empty)).toEqual(await all(kind, full));
    expect((await taken(empty)).equals(file)).toBe(true);
    // Nothing of what arrived is left lying about.
    expect(readdirSync(dir, { recursive: true }).filter((f) => String(f).includes('unfinished'))).toEqual([]);
  });
});

describe('an older backup', () => {
  // Tomorrow's Riffle: a column more, and what was in another moved into it.
  const later = join(dir, 'migrations');
  cpSync(MIGRATIONS, later, { recursive: true });
  writeFileSync(
    join(later, '999_later.sql'),
    `alter table ground add column river text not null default '';
     update ground set river = note, note = '';`,
  );
  const newer = useServerWithShelf(later);
  beforeAll(() => migrate(newer.ownerUrl, later));

  test('is brought up to date by the migrations since', async () => {
    const shelf = await restoredFrom(newer, file);
    expect([refusedWith(shelf), shelf.ended?.how]).toEqual([null, 'restored']);
    const notes = async (server: TestServer, column: string): Promise<unknown[]> =>
      (await server.pool.query<{ text: string }>(`select ${column} as text from ground order by id`)).rows;
    expect(await notes(newer, 'river')).toEqual(await notes(full, 'note'));
    expect((await newer.pool.query(`select 1 from ground where note <> ''`)).rowCount).toBe(0);
    for (const table of [...(await crewTables(full.pool)).map((t) => t.name), 'attachment_file'])
      expect([table, (await newer.pool.query(`select 1 from ${table}`)).rowCount]).toEqual([
        table,
        (await full.pool.query(`select 1 from ${table}`)).rowCount,
      ]);
    const schemas = await newer.pool.query(`select nspname from pg_namespace where nspname like 'restoring%'`);
    expect(schemas.rows).toEqual([]);
    // What it is now goes back into the same Riffle as it came.
    expect((await unzipped(await taken(newer))).size).toBe((await unzipped(file)).size);
  });
});

describe('a backup of more than a handful', () => {
  const large = useServerWithShelf();
  test('given up in the midst, as Riffle is stopped: nothing lies ready, nothing breaks, and the next is whole', async () => {
    const mine = join(dir, 'stopped');
    const { pool, crewId, ownerUrl } = large;
    const ground = newGround();
    expect((await large.call('PUT', `/grounds/${ground.id}`, ground)).statusCode).toBe(201);
    // So many that it can be stopped on the way.
    await spots.insertMany(
      pool,
      crewId,
      Array.from({ length: 20_000 }, (_, i) => newSpot(ground.id, { name: `Spot ${i}` })),
    );
    const ended: unknown[] = [];
    const onFault = (error: unknown): void => void ended.push(error);
    const shelf = openShelf({ pool, crewId, ownerUrl, migrationsDir: MIGRATIONS, dir: mine, onFault });
    await shelf.make();
    while (((await shelf.look()).work?.done ?? 0) < 500) await new Promise((resolve) => setImmediate(resolve));
    await shelf.close();
    const now = await shelf.look();
    expect([now.kept, now.work, now.ended, ended]).toEqual([
      [],
      null,
      { how: 'refused', detail: 'Riffle was stopped meanwhile. Nothing was changed.' },
      [],
    ]);
    const next = openShelf({ pool, crewId, ownerUrl, migrationsDir: MIGRATIONS, dir: mine, onFault });
    await next.makeDaily(new Date('2026-07-01T12:00:00Z'));
    expect((await next.look()).kept.map((b) => b.name)).toEqual(['riffle-2026-07-01.zip']);
    expect(readFileSync(join(mine, 'riffle-2026-07-01.zip')).equals(await taken(large))).toBe(true);
    await next.close();
  });
});

describe('the backup of the day', () => {
  const server = useServerWithShelf();
  const dayOf = (n: number): Date => new Date(Date.UTC(2026, 4, n, 9));

  test('is made once a day, seven are kept, and those asked for stay', async () => {
    const shelf = shelves.get(server) as Shelf;
    await shelf.makeDaily(dayOf(1));
    expect((await shelf.look()).kept).toEqual([]); // Nothing to keep yet.
    const ground = newGround();
    await server.call('PUT', `/grounds/${ground.id}`, ground);
    await server.call('POST', '/backups');
    await untilThrough(server);
    for (const day of [1, 1, 2, 3, 4, 5, 5, 6, 7, 8, 9]) await shelf.makeDaily(dayOf(day));
    const { kept } = await shelf.look();
    expect(kept.filter((b) => !b.daily)).toHaveLength(1);
    expect(
      kept
        .filter((b) => b.daily)
        .map((b) => b.name)
        .sort(),
    ).toEqual([3, 4, 5, 6, 7, 8, 9].map((n) => `riffle-2026-05-0${n}.zip`));
  });
});
