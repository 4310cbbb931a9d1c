// A private PostgreSQL cluster on loopback: one code path for root, an ordinary user and the tests.
import { spawn, spawnSync } from 'node:child_process';
import { chmodSync, chownSync, existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';

const DEBIAN_BINARIES = '/usr/lib/postgresql';

/** Folder of initdb and postgres: PG_BIN, or the newest of Debian's. Null when there is none. */
export function postgresBin() {
  if (process.env.PG_BIN) return process.env.PG_BIN;
  if (!existsSync(DEBIAN_BINARIES)) return null;
  const versions = readdirSync(DEBIAN_BINARIES)
    .filter((v) => existsSync(join(DEBIAN_BINARIES, v, 'bin', 'initdb')))
    .sort((a, b) => Number(b) - Number(a));
  return versions[0] ? join(DEBIAN_BINARIES, versions[0], 'bin') : null;
}

export async function freePort() {
  return new Promise((resolve, reject) => {
    const probe = createServer()
      .once('error', reject)
      .listen(0, '127.0.0.1', () => {
        const { port } = probe.address();
        probe.close(() => resolve(port));
      });
  });
}

/**
 * PostgreSQL refuses to run as root. Root therefore lends it the postgres account, or, where that account cannot reach
 * the folder (below /root, say), a user namespace. `--pdeathsig INT` stops the cluster with whoever started it, even by kill -9.
 */
function unprivileged(dir) {
  const dieWithParent = ['--pdeathsig', 'INT', '--'];
  if (process.getuid() !== 0) return { prefix: ['setpriv', ...dieWithParent] };
  const id = (flag) => Number(spawnSync('id', [flag, 'postgres'], { encoding: 'utf8' }).stdout);
  const uid = id('-u');
  const gid = id('-g');
  const as = ['setpriv', `--reuid=${uid}`, `--regid=${gid}`, '--clear-groups'];
  if (uid && spawnSync(as[0], [...as.slice(1), 'test', '-x', dir]).status === 0)
    return { uid, gid, prefix: [...as, ...dieWithParent] };
  const namespace = ['unshare', '--user', '--map-user=1000', '--map-group=1000', '--'];
  if (spawnSync(namespace[0], [...namespace.slice(1), 'true']).status === 0)
    return { prefix: [...namespace, 'setpriv', ...dieWithParent] };
  throw new Error(
    'PostgreSQL does not run as root, and neither the postgres account nor a user namespace can be used here. Start Riffle as an ordinary user.',
  );
}

/**
 * Starts the cluster in `dir` (made the first time). `throwaway` trades safety for speed: tests only.
 * @returns {Promise<{url: string, port: number, stop: () => Promise<void>}>}
 */
export async function startCluster(dir, { throwaway = false } = {}) {
  const bin = postgresBin();
  mkdirSync(dir, { recursive: true });
  chmodSync(dir, 0o755);
  const data = join(dir, 'data');
  // A data folder keeps the owner it was made with.
  const modeFile = join(dir, 'owner.json');
  const who = existsSync(modeFile) ? JSON.parse(readFileSync(modeFile, 'utf8')) : unprivileged(dir);
  const run = { cwd: '/', env: { PATH: process.env.PATH, LC_ALL: 'C.UTF-8' } };

  if (!existsSync(join(data, 'PG_VERSION'))) {
    rmSync(data, { recursive: true, force: true });
    mkdirSync(data, { mode: 0o700 });
    if (who.uid) chownSync(data, who.uid, who.gid);
    const [command, ...args] = [
      ...who.prefix,
      join(bin, 'initdb'),
      '-D',
      data,
      '-U',
      'riffle',
      '-A',
      'trust',
      '-E',
      'UTF8',
      '--locale=C.UTF-8',
      '--no-instructions',
      ...(throwaway ? ['--no-sync'] : []),
    ];
    const made = spawnSync(command, args, { ...run, encoding: 'utf8' });
    if (made.status !== 0) throw new Error(`The database could not be made in ${data}:\n${made.stderr || made.stdout}`);
    writeFileSync(modeFile, JSON.stringify(who));
  }
  dropStalePidFile(data);

  const port = await freePort();
  const fast = throwaway ? ['-c', 'fsync=off', '-c', 'synchronous_commit=off', '-c', 'full_page_writes=off'] : [];
  const [command, ...args] = [
    ...who.prefix,
    join(bin, 'postgres'),
    '-D',
    data,
    '-c',
    'listen_addresses=127.0.0.1',
    '-c',
    `port=${port}`,
    '-c',
    'unix_socket_directories=',
    ...fast,
  ];
  const child = spawn(command, args, { ...run, stdio: ['ignore', 'ignore', 'pipe'] });
  let said = '';
  child.stderr.on('data', (chunk) => {
    said = (said + chunk).slice(-4000);
  });
  const ended = new Promise((resolve) => child.once('exit', resolve));

  const url = `postgres://riffle@127.0.0.1:${port}/postgres`;
  await untilReady(url, child, () => said);
  return {
    url,
    port,
    stop: async () => {
      child.kill('SIGINT');
      await ended;
    },
  };
}

/** After kill -9 of everything a pid file stays behind. It is dropped unless its process really is this cluster. */
function dropStalePidFile(data) {
  const file = join(data, 'postmaster.pid');
  if (!existsSync(file)) return;
  const pid = readFileSync(file, 'utf8').split('\n')[0];
  let commandLine = '';
  try {
    commandLine = readFileSync(`/proc/${pid}/cmdline`, 'utf8');
  } catch {
    /* no such process */
  }
  if (commandLine.includes(data))
    throw new Error(
      `The database in ${data} is in use by process ${pid}. Stop that first, or set RIFFLE_HOME to another folder.`,
    );
  rmSync(file);
}

async function untilReady(url, child, said) {
  const { default: pg } = await import('pg');
  for (const giveUp = Date.now() + 30_000; ;) {
    if (child.exitCode !== null) throw new Error(`PostgreSQL did not start:\n${said()}`);
    const client = new pg.Client({ connectionString: url });
    client.on('error', () => {});
    try {
      await client.connect();
      await client.end();
      return;
    } catch (error) {
      await client.end().catch(() => {});
      if (Date.now() > giveUp) throw error;
      await sleep(25);
    }
  }
}
