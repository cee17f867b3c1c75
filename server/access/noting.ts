import { isAtLeast, mayNote, type NewEntry } from '@rusty-wren/contract';
import type { Db } from '../db/pool';
import { refuse } from '../http/problem';
import type { Session } from './sessions';

/** In whose name something is, and who had the device in hand when it was sent. */
export interface Signed {
  by: string;
  sentBy: string;
}

/** Why something noted in somebody's name is not taken. */
const NOT_HERE = 'by names somebody who has not signed in on this device today.';

/**
 * Something as it is noted: by whoever it says, where they have proved on this device today who they are, else by whoever has it in
 * hand; and who sent it. Throws 400 where it says somebody else.
 */
export function signed<T extends { by?: string }>({ account, hands }: Session, body: T): T & Signed {
  if (body.by !== undefined && !hands.includes(body.by)) throw refuse(400, NOT_HERE);
  return { ...body, by: body.by ?? account.id, sentBy: account.id };
}

/** Why somebody may not note this, naming the field; null where they may. At check-in the counter walks round the machine too. */
export async function problemOfNoting(
  db: Db,
  session: Session,
  entry: NewEntry,
  { atCheckIn = false } = {},
): Promise<string | null> {
  if (entry.by !== undefined && !session.hands.includes(entry.by)) return NOT_HERE;
  const walked = atCheckIn && entry.kind === 'finding' && entry.body.check === 'safety-walkround';
  const { role } = session.account;
  if (!mayNote(role, entry.kind) && !walked) return `kind ${entry.kind} is for technicians.`;
  if (isAtLeast(role, 'technician') || entry.strikes === undefined) return null;
  const { rows } = await db.query<{ kind: NewEntry['kind'] }>('SELECT kind FROM bench_entry WHERE id = $1', [
    entry.strikes,
  ]);
  return rows[0] && !mayNote(role, rows[0].kind) ? 'strikes names an entry that is for technicians.' : null;
}

/** Entries as they are noted, all of them. Throws 400 naming the first that may not be, and why. */
export async function allSigned(
  db: Db,
  session: Session,
  entries: readonly NewEntry[],
  where: { atCheckIn?: boolean } = {},
): Promise<NewEntry[]> {
  for (const [at, entry] of entries.entries()) {
    const problem = await problemOfNoting(db, session, entry, where);
    if (problem) throw refuse(400, `entries[${at}].${problem}`);
  }
  return entries.map((entry) => signed(session, entry));
}
