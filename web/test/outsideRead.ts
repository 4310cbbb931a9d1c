import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

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
