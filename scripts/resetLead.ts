import { randomInt } from 'node:crypto';
import { secretProblem } from '@rusty-wren/contract';
import { hashOfSecret } from '../server/access/secret';
import { end } from '../server/access/sessions';
import { forgetTries } from '../server/access/tries';
import { connect, inTransaction } from '../server/db/pool';
import { startPostgres } from './postgres.mjs';

/**
 * Gives a lead who cannot get in a new PIN, on the machine the shop runs on: `npm run reset-lead -- NAME`. Their devices are signed
 * out, and it is written down.
 */
const name = process.argv.slice(2).join(' ').trim();
if (!name) {
  console.error('npm run reset-lead -- NAME');
  process.exit(2);
}

/** Six digits that nobody tries first. */
function newPin(): string {
  for (;;) {
    const pin = String(randomInt(1_000_000)).padStart(6, '0');
    if (secretProblem(pin) === null) return pin;
  }
}

const given = process.env['DATABASE_URL'];
const cluster = given ? null : await startPostgres('demo-db');
const url = given ?? cluster?.url;
const pool = url ? connect(url) : null;
try {
  if (!pool) throw new Error('no database.');
  const pin = newPin();
  const kept = await hashOfSecret(pin);
  await inTransaction(pool, async (db) => {
    const { rows } = await db.query<{ id: string }>(
      `UPDATE account SET secret = $2, demo_pin = NULL
       WHERE lower(name) = lower($1) AND role = 'lead' AND left_at IS NULL RETURNING id`,
      [name, kept],
    );
    const [lead] = rows;
    if (!lead) throw new Error(`${name} does not lead this shop.`);
    await end(db, { account: lead.id });
    await forgetTries(db, lead.id);
    await db.query(
      `INSERT INTO audit (address, what, about) VALUES ('this machine', 'secret-set', jsonb_build_object('person', $1::text))`,
      [lead.id],
    );
  });
  console.log(`${name} signs in with ${pin} now; take another then.`);
} catch (error) {
  console.error((error as Error).message);
  process.exitCode = 1;
} finally {
  await pool?.end();
  if (cluster && !cluster.ranAlready) cluster.stop();
}
