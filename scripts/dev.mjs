// npm run dev: the interface rebuilt as you type (Vite), the server restarted on change (tsx), the demo in a cluster of its own.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { freePort, startCluster } from './cluster.mjs';
import { ensurePackages, ensurePostgres, home, root } from './setup.mjs';

ensurePackages();
ensurePostgres();
const cluster = await startCluster(join(home, 'dev-postgres'));
const apiPort = await freePort();
const env = {
  ...process.env,
  DATABASE_URL: cluster.url,
  DATABASE_OWNER_URL: cluster.ownerUrl,
  API_PORT: String(apiPort),
  API_URL: `http://127.0.0.1:${apiPort}`,
};
const children = [
  spawn('npx', ['--no-install', 'tsx', 'watch', '--clear-screen=false', 'scripts/devServer.ts'], {
    cwd: root,
    stdio: 'inherit',
    env,
  }),
  spawn('npx', ['--no-install', 'vite', 'web'], { cwd: root, stdio: 'inherit', env }),
];
for (const signal of ['SIGINT', 'SIGTERM']) {
  process.on(signal, async () => {
    children.forEach((c) => c.kill('SIGTERM'));
    await cluster.stop();
    process.exit(0);
  });
}
