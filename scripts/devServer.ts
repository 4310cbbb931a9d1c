import { join } from 'node:path';
import { startServer } from '../server/src/main.ts';

const { DATABASE_URL = '', DATABASE_OWNER_URL = DATABASE_URL, API_PORT = '0' } = process.env;
await startServer({
  databaseUrl: DATABASE_URL,
  ownerUrl: DATABASE_OWNER_URL,
  migrationsDir: join(import.meta.dirname, '../server/migrations'),
  ports: [Number(API_PORT)],
  demo: 'of today',
});
