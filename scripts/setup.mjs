// What a bare Debian machine lacks: npm packages, PostgreSQL, Chromium. Runs before anything is installed: Node's own modules only.
import { spawnSync } from 'node:child_process';
import { cpSync, existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { postgresBin } from './cluster.mjs';

export const root = resolve(dirname(fileURLToPath(import.meta.url)), '..');
export const home = resolve(process.env.RIFFLE_HOME ?? join(root, '.riffle'));
export const CHROMIUM = process.env.CHROMIUM_PATH ?? '/usr/bin/chromium';
/** The same without what a window needs: end-to-end tests take a fifth less time in it. It sends nothing in the background. */
export const HEADLESS_SHELL = process.env.CHROMIUM_PATH ?? '/usr/bin/chromium-headless-shell';

/** Ends with a message a person can act on, not a stack. */
export function giveUp(message) {
  console.error(`\n${message}\n`);
  process.exit(1);
}

export function run(command, args, options = {}) {
  return spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options }).status ?? 1;
}

/**
 * What `npm start` runs, as arguments to Node, so that benchmarks and soak run the same. Left to itself Node keeps its heap
 * so small that under load it is swept whole more than once a second, and everybody waits some 50 ms each time.
 */
export const START = JSON.parse(readFileSync(join(root, 'package.json'), 'utf8'))
  .scripts.start.split(' ')
  .slice(1);

/** npm packages as the lock file has them; again whenever the lock is newer than what is installed. */
export function ensurePackages() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major !== 20 || minor < 19)
    giveUp(`Riffle needs Node 20.19 or later in the 20 line; this is ${process.versions.node}.`);
  const installed = join(root, 'node_modules', '.package-lock.json');
  if (existsSync(installed) && statSync(installed).mtimeMs >= statSync(join(root, 'package-lock.json')).mtimeMs) return;
  console.log('Installing the npm packages (once) ...');
  if (run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error']) !== 0)
    giveUp('The npm packages could not be installed. Check the network and start again.');
}

export function ensurePostgres(found = postgresBin()) {
  if (found) return;
  if (process.getuid() === 0) {
    // Debian would otherwise make and start a cluster of its own, which Riffle has no use for.
    const policy = '/etc/postgresql-common/createcluster.conf';
    if (!existsSync(policy)) {
      mkdirSync(dirname(policy), { recursive: true });
      writeFileSync(policy, 'create_main_cluster = false\n');
    }
  }
  fromDebian('PostgreSQL', ['postgresql']);
}

export function ensureChromium() {
  const missing = Object.entries({ chromium: CHROMIUM, 'chromium-headless-shell': HEADLESS_SHELL })
    .filter(([, program]) => !existsSync(program))
    .map(([debian]) => debian);
  if (missing.length > 0) fromDebian('Chromium', missing);
}

/** The published schemas of GPX 1.1 (Topografix) and KML 2.2 (OGC 07-147r2), as they lie in a package of Debian that itself is not installed. */
const SCHEMAS = join(root, 'node_modules/.cache/schemas');
const SCHEMAS_PACKAGE = 'pytrainer';

/** Outside readers and schemas that the tests hold Riffle's files against. Whoever may not install them tests without. */
export function ensureReaders() {
  const missing = Object.entries({
    ogrinfo: 'gdal-bin',
    gpsbabel: 'gpsbabel',
    xmllint: 'libxml2-utils',
    unzip: 'unzip',
  })
    .filter(([program]) => !existsSync(join('/usr/bin', program)))
    .map(([, debian]) => debian);
  if (missing.length > 0) {
    if (process.getuid() === 0) fromDebian('readers of other programs’ files', missing);
    else console.log(`Tested without ${missing.join(', ')}, which are not installed.`);
  }
  ensureSchemas();
}

function ensureSchemas() {
  if (existsSync(SCHEMAS)) return;
  const apart = mkdtempSync(join(tmpdir(), 'riffle-schemas-'));
  const apt = (...args) => run('apt-get', ['-qq', '-o', 'APT::Sandbox::User=root', ...args], { cwd: apart }) === 0;
  const isHere =
    apt('download', SCHEMAS_PACKAGE) || (process.getuid() === 0 && apt('update') && apt('download', SCHEMAS_PACKAGE));
  if (isHere && run('sh', ['-c', 'dpkg -x *.deb .'], { cwd: apart }) === 0)
    cpSync(join(apart, 'usr/share/pytrainer/schemas'), SCHEMAS, { recursive: true });
  else console.log('Tested without the schemas of GPX and KML, which could not be had from Debian.');
  rmSync(apart, { recursive: true });
}

function fromDebian(what, packages) {
  const command = `apt-get install -y --no-install-recommends ${packages.join(' ')}`;
  if (process.getuid() !== 0)
    giveUp(`${what} is not installed. Install it once with:\n\n  sudo ${command}\n\nthen start again.`);
  console.log(`Installing ${what} from Debian (once) ...`);
  const options = { env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } };
  const apt = (...args) =>
    run('apt-get', ['-qq', '-o', 'DPkg::Lock::Timeout=300', '-o', 'Dpkg::Options::=--force-confold', ...args], options);
  apt('update');
  if (apt('install', '-y', '--no-install-recommends', ...packages) !== 0)
    giveUp(`${what} could not be installed. Run: ${command}`);
}
