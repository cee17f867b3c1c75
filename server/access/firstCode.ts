import { timingSafeEqual } from 'node:crypto';
import type { Db } from '../db/pool';
import { digitsByChance } from './secret';

/** Of nobody on the books: whose tries at the code are counted. */
export const FIRST_LEAD = '00000000-0000-4000-8000-000000000000';
const DIGITS = 8;

/** The code that the first lead is made with, the same in every process for as long as nobody leads the shop. */
export async function firstCode(db: Db): Promise<string> {
  await db.query('INSERT INTO first_lead_code (code) VALUES ($1) ON CONFLICT DO NOTHING', [
    digitsByChance(DIGITS),
  ]);
  const { rows } = await db.query<{ code: string }>('SELECT code FROM first_lead_code');
  return rows[0]!.code;
}

/** Whether this is that code, however it is spaced. */
export async function isFirstCode(db: Db, typed: string): Promise<boolean> {
  const said = Buffer.from(typed.replaceAll(/\s/g, '').padEnd(DIGITS, '-'));
  const { rows } = await db.query<{ code: string }>('SELECT code FROM first_lead_code');
  const code = Buffer.from(rows[0]?.code ?? '');
  return said.length === code.length && timingSafeEqual(said, code);
}

/** The shop has a lead: the code opens nothing any more. */
export const forgetFirstCode = (db: Db): Promise<unknown> => db.query('DELETE FROM first_lead_code');
