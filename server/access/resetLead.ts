import { SECRET, secretProblem } from '@rusty-wren/contract';
import type { Pool } from '../db/pool';
import { deedHere } from './audit';
import { digitsByChance, hashOfSecret } from './secret';
import { end } from './sessions';
import { forgetTries } from './tries';

/** A PIN that nobody tries first. */
function newPin(): string {
  for (;;) {
    const pin = digitsByChance(SECRET.pin);
    if (secretProblem(pin) === null) return pin;
  }
}

/**
 * Gives a lead who cannot get in a new PIN, on the machine the shop runs on; their devices are signed out. Returns the PIN. Throws
 * where nobody of that name leads the shop.
 */
export async function resetLead(pool: Pool, name: string): Promise<string> {
  const pin = newPin();
  const kept = await hashOfSecret(pin);
  await deedHere(pool, async (db, note) => {
    const { rows } = await db.query<{ id: string }>(
      `UPDATE account SET secret = $2, demo_pin = NULL
       WHERE lower(name) = lower($1) AND role = 'lead' AND left_at IS NULL RETURNING id`,
      [name, kept],
    );
    const [lead] = rows;
    if (!lead) throw new Error(`${name} does not lead this shop.`);
    await end(db, { account: lead.id });
    await forgetTries(db, lead.id);
    await note('secret-set', { person: lead.id });
  });
  return pin;
}
