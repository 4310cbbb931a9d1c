// npm run backup [-- FILE]: all that the book of this home holds, in one file. npm run restore -- FILE: such a file into an
// empty book. Both ask the Riffle that runs in the home, or start one for as long as it takes.
import { spawn } from 'node:child_process';
import { createWriteStream, existsSync, openAsBlob, rmSync } from 'node:fs';
import { resolve } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { setTimeout as sleep } from 'node:timers/promises';
import { runningAt } from './running.mjs';
import { giveUp, home, root } from './setup.mjs';

const [what, file] = process.argv.slice(2);
if (what === 'restore' && !(file && existsSync(file)))
  giveUp(file ? `There is no ${file}.` : 'Say which file: npm run restore -- riffle-2026-05-01.zip');
if (what === 'backup' && file && existsSync(file)) giveUp(`${file} is there already; nothing is written over.`);

const riffle = runningAt(home) ? { address: runningAt(home), stop: async () => {} } : await startOne();
let failed = null;
try {
  await (what === 'restore' ? restore() : backUp());
} catch (error) {
  failed = error;
}
await riffle.stop();
if (failed) giveUp(failed.message);

async function backUp() {
  const { ended } = await through('POST', '/backups');
  if (ended.how !== 'made') throw new Error(ended.detail);
  const path = resolve(file ?? ended.name);
  const answer = await fetch(`${riffle.address}/api/v1/backups/${ended.name}`);
  try {
    await pipeline(Readable.fromWeb(answer.body), createWriteStream(path, { mode: 0o600, flags: 'wx' }));
  } catch (error) {
    // What was there before is not ours to take away.
    if (error.code !== 'EEXIST') rmSync(path, { force: true });
    throw error;
  }
  console.log(`All of the book is in ${path}`);
}

async function restore() {
  const { ended } = await through('POST', '/backups/restore', await openAsBlob(file, { type: 'application/zip' }));
  if (ended.how !== 'restored') throw new Error(ended.detail);
  console.log(`Restored: ${ended.records} records, ${ended.files} files.`);
}

/** Asks for it and tells how far it is until it is through. */
async function through(method, path, body) {
  let shelf = await call(method, path, body);
  for (let told = ''; shelf.work; shelf = await call('GET', '/backups')) {
    const { doing, done, of } = shelf.work;
    const words = `${doing} ${of === 0 ? 0 : Math.floor((10 * done) / of) * 10} %`;
    if (words !== told) console.log(words);
    told = words;
    await sleep(200);
  }
  return shelf;
}

async function call(method, path, body) {
  const answer = await fetch(`${riffle.address}/api/v1${path}`, {
    method,
    ...(body && { body, headers: { 'content-type': body.type }, duplex: 'half' }),
  });
  const said = await answer.json();
  if (!answer.ok) throw new Error(said.detail);
  return said;
}

/** A Riffle without the demo, on whatever port is free. */
async function startOne() {
  const child = spawn(process.execPath, ['scripts/start.mjs', '--empty'], {
    cwd: root,
    env: { ...process.env, PORT: '0' },
    stdio: ['ignore', 'inherit', 'inherit'],
  });
  const ended = new Promise((done) => child.once('exit', done));
  const stop = async () => {
    child.kill('SIGINT');
    await ended;
  };
  while (!runningAt(home)) {
    if (child.exitCode !== null) giveUp('Riffle did not start; see above.');
    await sleep(50);
  }
  return { address: runningAt(home), stop };
}
