import type pg from 'pg';
import { wordsIn } from '../cards/card';
import { project } from '../cards/project';
import { refuse } from '../http/problem';

/** What stands where an owner's name stood. */
const OWNER = 'the owner';
/** A shorter part of a name is anybody's word. */
const LEAST_LETTERS = 3;

const escaped = (text: string): string => text.replaceAll(/[.*+?^${}()|[\]\\]/g, String.raw`\$&`);

/**
 * What takes an owner's details out of a text: their whole name and their phone however they are written, and each part of the
 * name as a word with a capital.
 */
export function withoutOwner(name: string, phone: string | null): (text: string) => string {
  const whole = [name, phone]
    .flatMap((one) => (one && one.trim().length >= LEAST_LETTERS ? [one.trim()] : []))
    .map((one) => escaped(one).replaceAll(/\s+/g, String.raw`\s+`));
  const parts = name
    .split(/[^\p{L}]+/u)
    .filter((part) => part.length >= LEAST_LETTERS && /^\p{Lu}/u.test(part));
  const patterns = [
    ...(whole.length > 0
      ? [new RegExp(String.raw`(?<![\p{L}\p{N}])(?:${whole.join('|')})(?![\p{L}\p{N}])`, 'giu')]
      : []),
    ...(parts.length > 0
      ? [new RegExp(String.raw`(?<!\p{L})(?:${parts.map(escaped).join('|')})(?!\p{L})`, 'gu')]
      : []),
  ];
  return (text) => patterns.reduce((was, pattern) => was.replaceAll(pattern, OWNER), text);
}

/** What is no text: a term of the trade, an id, a hash, a moment. */
const TERM =
  /^(?:[a-z]+(?:-[a-z0-9]+)*|[0-9a-f]{64}|[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}|\d{4}-\d\d-\d\dT.*Z)$/;

/** A value with every text in it changed; its keys and terms stay. */
function withTexts(value: unknown, change: (text: string) => string): unknown {
  if (typeof value === 'string') return TERM.test(value) ? value : change(value);
  if (Array.isArray(value)) return value.map((one) => withTexts(one, change));
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([key, one]) => [key, withTexts(one, change)]));
}

/** What an entry says, without its owner: who decided is the owner, and their signature is not there. */
function withoutIn(kind: string, body: Record<string, unknown>, change: (text: string) => string): object {
  const said = withTexts(body, change) as Record<string, unknown>;
  if (kind !== 'decision') return said;
  const { signature: _, ...rest } = said;
  return { ...rest, by: OWNER };
}

/**
 * Takes an owner's name, circle, phone and signatures out, inside the caller's transaction: off the books, and out of every text
 * on the logs of their jobs. What was found and done on the machines stays. Returns the jobs whose logs were gone through. Throws
 * 404 for no such owner, 409 while a job of theirs is open, 400 where the name is not theirs.
 */
export async function forgetOwner(client: pg.PoolClient, id: string, name: string): Promise<string[]> {
  const { rows } = await client.query<{ name: string; circle: string | null; phone: string | null }>(
    'SELECT name, circle, phone FROM customer WHERE id = $1 AND forgotten_at IS NULL FOR UPDATE',
    [id],
  );
  const [owner] = rows;
  if (!owner) throw refuse(404, 'No such owner.');
  if (owner.name !== name) throw refuse(400, 'name is not the owner’s: nothing was taken out.');
  const jobs = await client.query<{ id: string; open: boolean }>(
    `SELECT j.id, k.stage <> 'closed' AS open FROM job j JOIN machine m ON m.id = j.machine_id
     JOIN job_card k ON k.job_id = j.id WHERE m.customer_id = $1 ORDER BY j.id FOR UPDATE OF j`,
    [id],
  );
  if (jobs.rows.some((job) => job.open)) throw refuse(409, 'A job of theirs is open: hand it back first.');
  const ids = jobs.rows.map((job) => job.id);
  const change = withoutOwner(owner.name, owner.phone);
  await client.query("SET LOCAL wren.forgetting = 'on'");
  const entries = await client.query<{ id: string; kind: string; body: Record<string, unknown> }>(
    'SELECT id, kind, body FROM bench_entry WHERE job_id = ANY($1)',
    [ids],
  );
  const signatures: string[] = [];
  for (const { id: entry, kind, body } of entries.rows) {
    if (kind === 'decision' && typeof body['signature'] === 'string') signatures.push(body['signature']);
    const said = withoutIn(kind, body, change);
    if (JSON.stringify(said) !== JSON.stringify(body))
      await client.query('UPDATE bench_entry SET body = $2 WHERE id = $1', [entry, JSON.stringify(said)]);
  }
  await client.query("SET LOCAL wren.forgetting = 'off'");
  await client.query('DELETE FROM job_attachment WHERE hash = ANY($1) AND job_id = ANY($2)', [
    signatures,
    ids,
  ]);
  await client.query(
    'DELETE FROM attachment a WHERE hash = ANY($1) AND NOT EXISTS (SELECT 1 FROM job_attachment j WHERE j.hash = a.hash)',
    [signatures],
  );
  await client.query(
    'UPDATE owner_link SET withdrawn_at = now() WHERE job_id = ANY($1) AND withdrawn_at IS NULL',
    [ids],
  );
  await client.query(
    "UPDATE customer SET name = 'Owner taken out', circle = NULL, phone = NULL, forgotten_at = now() WHERE id = $1",
    [id],
  );
  await project(client, ids);
  // What nobody is found by any more is not known as a word either.
  await client.query(
    `DELETE FROM word w WHERE w.word = ANY($1)
       AND NOT EXISTS (SELECT 1 FROM customer c WHERE c.words @@ to_tsquery('simple', quote_literal(w.word)))
       AND NOT EXISTS (SELECT 1 FROM job_card k WHERE k.lexemes @@ to_tsquery('simple', quote_literal(w.word)))`,
    [wordsIn([owner.name, owner.circle ?? '', owner.phone ?? ''])],
  );
  return ids;
}
