import pg from 'pg';
import type { Db } from '../db/pool';
import { refuse } from '../http/problem';

/** One movement of a part: how many more lie there, and how many more of them are set aside. */
export interface Move {
  /** The sender's, so that sending twice moves once. */
  id: string;
  part: string;
  kind: 'booked-in' | 'counted' | 'reserved' | 'released' | 'fitted' | 'returned';
  onHand: number;
  held: number;
  need?: string;
  order?: string;
  words?: string;
  by?: string;
}

const SAYS: Readonly<Record<string, string>> = {
  part_not_given_twice: 'There are not so many free: they are set aside for other jobs.',
  part_not_under_nothing: 'There are not so many of it.',
};

/** Writes a movement down. False: it stands there already. Throws 409 where there are not so many, 404 for no such part. */
export async function move(db: Db, m: Move): Promise<boolean> {
  try {
    const { rowCount } = await db.query(
      `INSERT INTO part_move (id, part_id, kind, on_hand, held, need_id, order_id, words, account_id)
       SELECT $1, $2, $3, $4, $5, $6, $7, $8, $9 WHERE NOT EXISTS (SELECT 1 FROM part_move WHERE id = $1)`,
      [
        m.id,
        m.part,
        m.kind,
        m.onHand,
        m.held,
        m.need ?? null,
        m.order ?? null,
        m.words ?? null,
        m.by ?? null,
      ],
    );
    return rowCount === 1;
  } catch (error) {
    if (!(error instanceof pg.DatabaseError)) throw error;
    const says = SAYS[error.constraint ?? ''];
    if (says) throw refuse(409, says);
    if (error.constraint === 'part_move_part_id_fkey') throw refuse(404, 'No such part.');
    if (error.constraint === 'part_move_account_id_fkey') throw refuse(400, 'by names nobody on the books.');
    throw error;
  }
}

/** Writes a count down: so many lie there now. Throws 409 where more are set aside than that. */
export async function count(
  db: Db,
  { id, part, there, words, by }: { id: string; part: string; there: number; words?: string; by?: string },
): Promise<void> {
  // Nobody moves it between the look and the line.
  const known = await db.query('SELECT 1 FROM part WHERE id = $1 FOR NO KEY UPDATE', [part]);
  if (known.rowCount === 0) throw refuse(404, 'No such part.');
  const { rows } = await db.query<{ on_hand: number; held: number }>(
    'SELECT on_hand, held FROM part_stock WHERE part_id = $1',
    [part],
  );
  const { on_hand, held } = rows[0]!;
  if (there < held)
    throw refuse(409, `${held} are set aside for jobs: release one before you count ${there}.`);
  await move(db, {
    id,
    part,
    kind: 'counted',
    onHand: there - on_hand,
    held: 0,
    ...(words && { words }),
    ...(by && { by }),
  });
}
