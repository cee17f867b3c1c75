import type { KeptPlan } from '@rusty-wren/contract';
import ical, { type ICalCalendar } from 'ical-generator';
import type { Db } from '../db/pool';
import { refuse } from '../http/problem';
import { hashOfToken, isToken, newToken } from '../http/token';

/** Opens somebody's calendar, in a transaction; the address it had goes. The token is told once and kept nowhere. */
export async function openCalendar(db: Db, account: string): Promise<{ token: string }> {
  const known = await db.query('SELECT 1 FROM account WHERE id = $1 AND left_at IS NULL FOR UPDATE', [
    account,
  ]);
  if (known.rowCount === 0) throw refuse(404, 'Nobody on the books has that id.');
  await closeCalendar(db, account);
  const token = newToken();
  await db.query('INSERT INTO calendar_link (token_hash, account_id) VALUES ($1, $2)', [
    hashOfToken(token),
    account,
  ]);
  return { token };
}

/** Takes somebody's calendar back; harmless where there is none. */
export const closeCalendar = (db: Db, account: string): Promise<unknown> =>
  db.query('UPDATE calendar_link SET withdrawn_at = now() WHERE account_id = $1 AND withdrawn_at IS NULL', [
    account,
  ]);

interface JobRow {
  id: string;
  tag: number;
  owner: string;
  maker: string;
  model: string;
  promised_for: string | null;
}

const DOES: Readonly<Record<string, string>> = {
  look: 'find what is wrong',
  strip: 'take the carburettor apart',
  mend: 'mend',
  together: 'put together',
  prove: 'prove',
  'cold-start': 'cold start',
  close: 'write up',
};
const MINUTE_MS = 60_000;

/** Words that go on a line of the file: a break in them would begin another. */
const onALine = (words: string): string => words.replaceAll(/\p{C}+/gu, ' ').trim();

/** Work as the last plan has it for one technician, and what was promised, as a calendar, and whose; null for a token that opens none. */
export async function calendarOf(
  db: Db,
  token: string,
): Promise<{ calendar: ICalCalendar; account: string } | null> {
  if (!isToken(token)) return null;
  const { rows } = await db.query<{ id: string; name: string }>(
    `SELECT a.id, a.name FROM calendar_link l JOIN account a ON a.id = l.account_id
     WHERE l.token_hash = $1 AND l.withdrawn_at IS NULL AND a.left_at IS NULL`,
    [hashOfToken(token)],
  );
  const who = rows[0];
  if (!who) return null;
  const plan = await db.query<{ zero: Date; slots: KeptPlan['slots'] }>(
    'SELECT zero, slots FROM day_plan ORDER BY n DESC LIMIT 1',
  );
  const { zero, slots = [] } = plan.rows[0] ?? {};
  const mine = slots.filter((s) => s.crew === who.id);
  const ids = [...new Set(slots.map((s) => s.task.slice(0, s.task.indexOf(' '))))].filter((id) =>
    /^[0-9a-f-]{36}$/.test(id),
  );
  const jobs = await db.query<JobRow>(
    `SELECT j.id, j.tag, c.name AS owner, m.maker, m.model, j.promised_for FROM job j
     JOIN machine m ON m.id = j.machine_id JOIN customer c ON c.id = m.customer_id WHERE j.id = ANY($1)`,
    [ids],
  );
  const byId = new Map(jobs.rows.map((j) => [j.id, j]));
  const calendar = ical({ name: onALine(`Bench, ${who.name}`), ttl: 15 * 60 });
  for (const { task, start, end } of mine) {
    const at = task.indexOf(' ');
    const job = byId.get(task.slice(0, at));
    if (!job || !zero) continue;
    calendar.createEvent({
      id: onALine(`${task.replace(' ', '-')}@bench`),
      start: new Date(zero.getTime() + start * MINUTE_MS),
      end: new Date(zero.getTime() + end * MINUTE_MS),
      summary: onALine(
        `${job.tag} ${job.maker} ${job.model}: ${DOES[task.slice(at + 1)] ?? task.slice(at + 1)}`,
      ),
      description: onALine(job.owner),
    });
  }
  for (const job of jobs.rows)
    if (job.promised_for)
      calendar.createEvent({
        id: `${job.id}-promised@bench`,
        start: new Date(`${job.promised_for}T00:00:00`),
        allDay: true,
        summary: onALine(`${job.tag} promised: ${job.owner}`),
      });
  return { calendar, account: who.id };
}
