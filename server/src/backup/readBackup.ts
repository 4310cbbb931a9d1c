import { createHash } from 'node:crypto';
import type { Readable } from 'node:stream';
import { crc32 } from 'node:zlib';
import yauzl, { type Entry as ZipEntry, type ZipFile } from 'yauzl';
import { BadBackup, FORMAT_VERSION, MANIFEST, Manifest, type TellProgress } from './format.ts';

/** A backup of which every byte was held against its sum. */
export interface OpenBackup {
  readonly schema: string;
  readonly entries: Manifest['entries'];
  readonly records: number;
  /** The lines of an entry, a few thousand characters to a few megabytes at a time. */
  lines(name: string): AsyncGenerator<string[]>;
  /** An entry whole; for those of a bounded size. */
  bytes(name: string): Promise<Buffer>;
  close(): void;
}

/** A manifest of two million entries would be some 250 MB; a ground's whole line is under 10 MB. */
const MOST_MANIFEST_BYTES = 512 * 1024 * 1024;
const MOST_LINE_CHARS = 64 * 1024 * 1024;

/**
 * Opens a backup and reads it through once, holding each entry against the manifest.
 * @throws BadBackup saying what is wrong with it
 */
export async function openBackup(path: string, tell: TellProgress): Promise<OpenBackup> {
  let zip: ZipFile;
  try {
    zip = await yauzl.openPromise(path, { autoClose: false, lazyEntries: true });
  } catch {
    throw new BadBackup('This is not a Riffle backup: it is no zip file, or its end is missing.');
  }
  try {
    const found = await entriesOf(zip);
    const manifest = await manifestOf(zip, found);
    compareNames(manifest, found);
    let done = 0;
    for (const entry of manifest.entries) {
      await checkEntry(zip, found.get(entry.name) as ZipEntry, entry);
      tell({ done: ++done, of: manifest.entries.length });
    }
    const open = (name: string): Promise<Readable> => zip.openReadStreamPromise(found.get(name) as ZipEntry);
    return {
      schema: manifest.schema,
      entries: manifest.entries,
      records: manifest.entries.reduce((sum, e) => sum + e.records, 0),
      lines: async function* (name) {
        yield* linesOf(await open(name));
      },
      bytes: async (name) => gathered(await open(name), Infinity),
      close: () => zip.close(),
    };
  } catch (error) {
    zip.close();
    throw error;
  }
}

async function entriesOf(zip: ZipFile): Promise<Map<string, ZipEntry>> {
  const found = new Map<string, ZipEntry>();
  try {
    for await (const entry of zip.eachEntry()) {
      if (found.has(entry.fileName)) throw new BadBackup(`${entry.fileName} is in it twice.`);
      found.set(entry.fileName, entry);
    }
  } catch (error) {
    if (error instanceof BadBackup) throw error;
    throw new BadBackup('The list of what the zip holds is damaged.');
  }
  return found;
}

async function manifestOf(zip: ZipFile, found: ReadonlyMap<string, ZipEntry>): Promise<Manifest> {
  const entry = found.get(MANIFEST);
  if (!entry) throw new BadBackup(`This is not a Riffle backup: it holds no ${MANIFEST}.`);
  let read: unknown;
  try {
    const bytes = await gathered(await zip.openReadStreamPromise(entry), MOST_MANIFEST_BYTES);
    // The other entries are held against the manifest, and it against the sum that the zip itself keeps.
    if (crc32(bytes) !== entry.crc32) throw new Error('its sum is another');
    read = JSON.parse(bytes.toString('utf8'));
  } catch {
    throw new BadBackup(`${MANIFEST} is damaged.`);
  }
  const manifest = Manifest.safeParse(read);
  if (!manifest.success) throw new BadBackup(`${MANIFEST} is not that of a Riffle backup, or is damaged.`);
  if (manifest.data.version > FORMAT_VERSION)
    throw new BadBackup('This backup is from a newer Riffle. Bring this Riffle up to date first.');
  return manifest.data;
}

function compareNames(manifest: Manifest, found: ReadonlyMap<string, ZipEntry>): void {
  const named = new Set(manifest.entries.map((e) => e.name));
  if (named.size !== manifest.entries.length) throw new BadBackup(`${MANIFEST} names an entry twice.`);
  for (const name of named) if (!found.has(name)) throw new BadBackup(`${name} is missing.`);
  for (const name of found.keys())
    if (name !== MANIFEST && !named.has(name)) throw new BadBackup(`${name} does not belong to this backup.`);
}

async function checkEntry(zip: ZipFile, entry: ZipEntry, said: Manifest['entries'][number]): Promise<void> {
  const damaged = new BadBackup(`${said.name} is damaged: it is not what was written.`);
  if (entry.uncompressedSize !== said.bytes) throw damaged;
  const sum = createHash('sha256');
  let records = 0;
  try {
    for await (const chunk of await zip.openReadStreamPromise(entry)) {
      const bytes = chunk as Buffer;
      sum.update(bytes);
      for (let at = bytes.indexOf(10); at >= 0; at = bytes.indexOf(10, at + 1)) records++;
    }
  } catch {
    throw damaged;
  }
  if (sum.digest('hex') !== said.sha256) throw damaged;
  if (said.name.endsWith('.jsonl') && records !== said.records) throw damaged;
}

async function gathered(stream: Readable, most: number): Promise<Buffer> {
  const chunks: Buffer[] = [];
  let bytes = 0;
  for await (const chunk of stream) {
    bytes += (chunk as Buffer).length;
    if (bytes > most) throw new Error('larger than it may be');
    chunks.push(chunk as Buffer);
  }
  return Buffer.concat(chunks);
}

/** Lines as they come, never half a one. */
async function* linesOf(stream: Readable): AsyncGenerator<string[]> {
  let rest = '';
  stream.setEncoding('utf8');
  for await (const chunk of stream) {
    const lines = (rest + (chunk as string)).split('\n');
    rest = lines.pop() ?? '';
    if (rest.length > MOST_LINE_CHARS) throw new BadBackup('A line is longer than any record.');
    if (lines.length > 0) yield lines;
  }
  if (rest !== '') yield [rest];
}
