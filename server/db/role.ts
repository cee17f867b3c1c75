import pg from 'pg';
import { withClient } from './pool';

/** What is only ever added to: who works here has no right to change it, and the owner is stopped by triggers. */
const ONLY_ADDED_TO =
  'bench_entry, audit, part_move, spec_card, shop_rules, price_line, own_order, learning, backup_run';
/** PostgreSQL's codes: the role is there already, made by another process at the same moment included. */
const THERE: readonly (string | undefined)[] = ['42710', '23505'];

/** Makes a role that can sign in and nothing else, or gives it this password where it has another. */
async function makeRole(client: pg.ClientBase, app: string, role: string, password: string): Promise<void> {
  const [name, secret] = [pg.escapeIdentifier(role), pg.escapeLiteral(password)];
  const { rowCount } = await client.query('SELECT 1 FROM pg_roles WHERE rolname = $1', [role]);
  if (!rowCount)
    await client
      .query(`CREATE ROLE ${name} LOGIN NOSUPERUSER NOCREATEDB NOCREATEROLE NOREPLICATION PASSWORD ${secret}`)
      .catch((error: unknown) => {
        if (!(error instanceof pg.DatabaseError && THERE.includes(error.code))) throw error;
      });
  const signsIn = await withClient(app, () => Promise.resolve(true)).catch((error: unknown) => {
    if (error instanceof pg.DatabaseError && error.code === '28P01') return false;
    throw error;
  });
  if (!signsIn) await client.query(`ALTER ROLE ${name} PASSWORD ${secret}`);
}

/**
 * Makes whom the app works as, where it is not there yet, and gives it what it needs of a migrated database and no more: rows, no
 * tables; of what is only ever added to nothing but adding, and the words of an entry, which their trigger lets nobody change but to
 * take an owner's details out. `owner`, `app`: the database's address as each of them.
 */
export async function prepareRole(owner: string, app: string): Promise<void> {
  const { username, password } = new URL(app);
  const role = decodeURIComponent(username);
  await withClient(owner, async (client) => {
    const { rows } = await client.query<{ may: boolean; same: boolean }>(
      'SELECT rolsuper OR rolcreaterole AS may, rolname = $1 AS same FROM pg_roles WHERE rolname = current_user',
      [role],
    );
    if (rows[0]?.same) return;
    // On a server of somebody's own they have made it themselves.
    if (rows[0]?.may) await makeRole(client, app, role, decodeURIComponent(password));
    const who = pg.escapeIdentifier(role);
    // One process at a time: two that start together would meet in the same rows of PostgreSQL's own tables.
    await client.query(`
      BEGIN;
      LOCK TABLE migration IN SHARE ROW EXCLUSIVE MODE;
      REVOKE CREATE ON SCHEMA public FROM PUBLIC;
      GRANT USAGE ON SCHEMA public TO ${who};
      REVOKE ALL ON ALL TABLES IN SCHEMA public FROM ${who};
      GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA public TO ${who};
      GRANT USAGE, SELECT ON ALL SEQUENCES IN SCHEMA public TO ${who};
      REVOKE INSERT, UPDATE, DELETE ON migration FROM ${who};
      REVOKE UPDATE, DELETE ON ${ONLY_ADDED_TO} FROM ${who};
      GRANT UPDATE (body) ON bench_entry TO ${who};
      COMMIT`);
  });
}
