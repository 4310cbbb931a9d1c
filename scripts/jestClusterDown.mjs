import { rmSync } from 'node:fs';

export default async function clusterDown() {
  const { cluster, dir } = globalThis.riffleCluster;
  await cluster.stop();
  rmSync(dir, { recursive: true, force: true });
}
