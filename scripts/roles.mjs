// Who may do what in the private cluster, and the secrets they come in with.
import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** The superuser keeps the other two; the owner makes and changes tables; the server only reads and writes rows. */
export const ROLES = { superuser: 'riffle', owner: 'riffle_owner', server: 'riffle_server' };

/** The secrets kept in `dir`, made the first time; `set` gives the superuser its own before they are kept. */
export function secretsIn(dir, set) {
  const file = join(dir, 'secrets.json');
  if (existsSync(file)) return JSON.parse(readFileSync(file, 'utf8'));
  const secrets = Object.fromEntries(Object.keys(ROLES).map((role) => [role, randomBytes(24).toString('hex')]));
  set(secrets.superuser);
  writeFileSync(`${file}.new`, JSON.stringify(secrets), { mode: 0o600 });
  renameSync(`${file}.new`, file);
  return secrets;
}

/** Makes the owner and the server in a database, and hands the owner what an earlier Riffle made there as superuser. */
export async function prepareRoles(superUrl, secrets) {
  const { default: pg } = await import('pg');
  const client = new pg.Client({ connectionString: superUrl });
  await client.connect();
  try {
    await client.query(`
      do $$ begin
        if not exists (select from pg_roles where rolname = '${ROLES.owner}') then
          create role ${ROLES.owner} login password '${secrets.owner}' connection limit 5;
        end if;
        if not exists (select from pg_roles where rolname = '${ROLES.server}') then
          create role ${ROLES.server} login password '${secrets.server}';
        end if;
      end $$;
      alter schema public owner to ${ROLES.owner};
      revoke all on schema public from public;
      grant usage on schema public to ${ROLES.server};
      grant select, insert, update, delete on all tables in schema public to ${ROLES.server};
      alter default privileges for role ${ROLES.owner} in schema public
        grant select, insert, update, delete on tables to ${ROLES.server};
      do $$ declare one record; begin
        for one in select c.oid::regclass as name from pg_class c
          where c.relnamespace = 'public'::regnamespace and c.relkind in ('r', 'v') and c.relowner <> '${ROLES.owner}'::regrole
        loop execute format('alter table %s owner to ${ROLES.owner}', one.name); end loop;
        for one in select p.oid::regprocedure as name from pg_proc p
          where p.pronamespace = 'public'::regnamespace and p.proowner <> '${ROLES.owner}'::regrole
        loop execute format('alter routine %s owner to ${ROLES.owner}', one.name); end loop;
      end $$;`);
    const { rows } = await client.query('select current_database() as name');
    await client.query(`grant create on database "${rows[0].name}" to ${ROLES.owner}`);
  } finally {
    await client.end();
  }
}
