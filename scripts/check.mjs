// npm run check: format, types, lint, the arrows between rooms, the lock file. Exit code 0 when all hold.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { ensurePackages, root, run } from './setup.mjs';

const CHECKS = [
  [
    'format (npm run format mends it)',
    () => run('npx', ['--no-install', 'prettier', '--check', '--log-level', 'warn', '.']) === 0,
  ],
  // Forced: without `composite` a build does not see that a package it imports has changed.
  ['types', () => run('npx', ['--no-install', 'tsc', '-b', '--force']) === 0],
  ['lint', () => run('npx', ['--no-install', 'eslint', '--max-warnings=0', '.']) === 0],
  [
    'arrows between rooms',
    () =>
      run('npx', [
        '--no-install',
        'depcruise',
        '--config',
        'dependency-rules.cjs',
        'core/src',
        'contract/src',
        'demo/src',
        'server/src',
        'web/src',
      ]) === 0,
  ],
  [
    'no registry host in the lock file',
    () => !/"resolved": "https?:/.test(readFileSync(join(root, 'package-lock.json'), 'utf8')),
  ],
];

export function check() {
  ensurePackages();
  return CHECKS.map(([name, holds]) => {
    const ok = holds();
    console.log(`${ok ? 'ok    ' : 'FAILED'} ${name}`);
    return ok;
  });
}

if (import.meta.url === pathToFileURL(process.argv[1]).href) process.exit(check().every(Boolean) ? 0 : 1);
