import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

/**
 * What another program says to a file of ours, given after its arguments; nothing where this machine has no such program.
 * @throws Error with its complaint when it cannot read the file
 */
export function outsideRead(name: string, content: string, program: string, args: readonly string[]): string {
  const dir = mkdtempSync(join(tmpdir(), 'riffle-outside-'));
  writeFileSync(join(dir, name), content);
  const read = spawnSync(program, [...args, join(dir, name)], { encoding: 'utf8' });
  rmSync(dir, { recursive: true });
  if (read.error) return '';
  if (read.status !== 0 || /error/i.test(read.stderr)) throw new Error(`${program}: ${read.stderr}`);
  return read.stdout;
}

/** Published schemas by the format they are of; `scripts/setup.mjs` says where they come from. */
const SCHEMAS = { gpx: 'Topografix_gpx11.xsd', kml: 'ogckml22.xsd' };

/**
 * Holds a file against the published schema of its format; does nothing where this machine has no such schema or no xmllint.
 * @throws Error with what the schema does not allow
 */
export function heldToSchema(format: keyof typeof SCHEMAS, content: string): void {
  const schema = fileURLToPath(new URL(`../../node_modules/.cache/schemas/${SCHEMAS[format]}`, import.meta.url));
  if (existsSync(schema)) outsideRead(`file.${format}`, content, 'xmllint', ['--noout', '--nonet', '--schema', schema]);
}
