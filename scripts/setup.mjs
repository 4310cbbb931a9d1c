// What a bare Debian machine lacks: npm packages, PostgreSQL, Chromium. Runs before anything is installed: Node's own modules only.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { postgresBin } from './cluster.mjs';

export const root = resolve(dirname(fileURLToPath(import.meta.url)), '..');
export const home = resolve(process.env.RIFFLE_HOME ?? join(root, '.riffle'));
export const CHROMIUM = process.env.CHROMIUM_PATH ?? '/usr/bin/chromium';

/** Ends with a message a person can act on, not a stack. */
export function giveUp(message) {
  console.error(`\n${message}\n`);
  process.exit(1);
}

export function run(command, args, options = {}) {
  return spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options }).status ?? 1;
}

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
  if (!existsSync(CHROMIUM)) fromDebian('Chromium', ['chromium']);
}

/** Outside readers that the tests open Riffle's files with. Whoever may not install them tests without. */
export function ensureReaders() {
  const missing = Object.entries({
    ogrinfo: 'gdal-bin',
    gpsbabel: 'gpsbabel',
    xmllint: 'libxml2-utils',
    unzip: 'unzip',
  })
    .filter(([program]) => !existsSync(join('/usr/bin', program)))
    .map(([, debian]) => debian);
  if (missing.length === 0) return;
  if (process.getuid() === 0) fromDebian('readers of other programs’ files', missing);
  else console.log(`Tested without ${missing.join(', ')}, which are not installed.`);
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
