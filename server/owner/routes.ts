import { randomUUID } from 'node:crypto';
import { faultyText, forgetSchema, problemOfEntry } from '@rusty-wren/contract';
import {
  makeEntry,
  readJob,
  saidByOwner,
  USES,
  type Block,
  type Entry,
  type NewEntry,
  type Picture,
} from '@rusty-wren/core/log';
import { Hono, type Context } from 'hono';
import { bodyLimit } from 'hono/body-limit';
import { inTransaction, type Db, type Pool } from '../db/pool';
import { atMost } from '../http/guard';
import { deed } from '../access/audit';
import { checkedBody, pathId, refuse } from '../http/problem';
import { readLog } from '../jobs/log';
import { appendEntries } from '../jobs/note';
import type { Announcer } from '../stream/announcer';
import { forgetOwner } from './forget';
import { cardPage, type SaidSoFar } from './cardPage';
import { answered, heldOpen, openedBy, openLink, withdrawLink, type Opened } from './links';
import { answeredPage, gonePage, reportPage, type Typed } from './page';

/** Opening and withdrawing a report's page, from the bench. */
export const ownerLinkRoutes = (pool: Pool): Hono =>
  new Hono()
    .post('/jobs/:id/papers/:entry/link', async (c) =>
      c.json(await openLink(pool, pathId(c, 'id'), pathId(c, 'entry', 'paper')), 201),
    )
    .delete('/jobs/:id/papers/:entry/link', async (c) => {
      await withdrawLink(pool, pathId(c, 'id'), pathId(c, 'entry', 'paper'));
      return c.json({ withdrawn: true });
    });

/** Taking an owner's details out, by the lead. */
export const forgetRoutes = (pool: Pool, announcer: Announcer): Hono =>
  new Hono().post('/owners/:id/forget', async (c) => {
    const id = pathId(c, 'id');
    const { name } = await checkedBody<{ name: string }>(c, forgetSchema);
    const jobs = await deed(pool, c, async (client, note) => {
      const gone = await forgetOwner(client, id, name);
      await note('owner-forgotten', { jobs: gone.length });
      return gone;
    });
    // Every bench fetches what it shows anew.
    await announcer.gap();
    return c.json({ jobs: jobs.length });
  });

/** Nobody reads and answers a report more often than that. */
const MOST_REQUESTS = 60;
const MOST_BYTES = 8 * 1024;

const gone = (c: Context): Response | Promise<Response> => c.html(gonePage(), 404);

/** A job as its log has it; nothing of the machine is asked of the fold here. */
const pictureOf = async (db: Db, jobId: string): Promise<Picture> =>
  readJob(await readLog(db, jobId), { kind: 'chainsaw' });

/** What was typed, by name, as text; what is no text counts as nothing. */
async function textsIn(c: Context): Promise<(name: string) => string> {
  const body: Record<string, unknown> = await c.req.parseBody().catch(() => ({}));
  return (name) => {
    const value = body[name];
    return typeof value === 'string' ? value.trim() : '';
  };
}

/** What came of an owner's answer: what it added to the log, or what is wrong with it; null where the page is over. */
type Taken = { added: Entry[] } | { problem: string; said: SaidSoFar } | null;

/** Takes what an owner says on the page of their card; the page again with one sentence where it could not be taken. */
async function takeHowItGoes(
  c: Context,
  { pool, announcer, token, opened }: { pool: Pool; announcer: Announcer; token: string; opened: Opened },
): Promise<Response> {
  const { jobId, paper } = opened;
  const text = await textsIn(c);
  const taken = await inTransaction(pool, async (client): Promise<Taken> => {
    if (!(await heldOpen(client, token))) return null;
    const said = await pictureOf(client, jobId);
    const uses = USES.find((n) => String(n) === text('uses'));
    const again = said.complaints.find((x) => x.complaint === text('again'))?.complaint ?? null;
    const words = text('words');
    const later = said.atOwners.some((s) => s.again || (uses !== undefined && s.uses >= uses));
    // Said before, or the machine is back on the bench: the page tells.
    if (said.stage !== 'closed' || later) return { added: [] };
    if (uses === undefined || (text('again') !== '' && again === null))
      return { said, problem: 'Tap one of the answers.' };
    if (faultyText({ words })) return { said, problem: 'There is a character in it that no text has.' };
    const entries = saidByOwner({ uses, again, ...(words && { words }) }).map((noted) =>
      makeEntry(noted, { id: randomUUID(), notedAt: new Date().toISOString() }),
    );
    if (entries.some((e) => problemOfEntry(e) !== null))
      return { said, problem: 'What you saw may have 500 letters.' };
    return { added: await appendEntries(client, jobId, entries) };
  });
  if (!taken) return gone(c);
  if ('problem' in taken) return c.html(cardPage(paper, taken.said, { token, problem: taken.problem }), 400);
  if (taken.added.length > 0) announcer.grew(jobId, taken.added);
  return c.redirect(`/owner/${token}`, 303);
}

/** What was typed on a report. */
async function typedIn(c: Context): Promise<Typed> {
  const text = await textsIn(c);
  return { choice: text('choice'), name: text('name'), words: text('words') };
}

type Offered = Extract<Block, { is: 'choice' }>;

/** The decision an owner has typed, or one sentence on what is missing. */
function decisionIn(
  typed: Typed,
  paper: { entryId: string; offered: readonly Offered[] },
): { entry: NewEntry } | { problem: string } {
  const taken = paper.offered.find((o) => o.choice === typed.choice);
  if (!taken) return { problem: 'Pick one of the choices.' };
  if (!typed.name) return { problem: 'Write your name under it.' };
  if (faultyText({ typed })) return { problem: 'There is a character in it that no text has.' };
  const entry = makeEntry(
    {
      kind: 'decision',
      body: {
        choice: taken.choice,
        by: typed.name,
        how: 'page',
        ...(taken.upTo !== undefined && { price: taken.upTo }),
        paper: paper.entryId,
        ...(typed.words && { words: typed.words }),
      },
    },
    { id: randomUUID(), notedAt: new Date().toISOString() },
  );
  const problem = problemOfEntry(entry);
  return problem ? { problem: 'Your name may have 120 letters, and what else you write 500.' } : { entry };
}

/** The owner's page: one report by an unguessable link, answered without any script. */
export function ownerRoutes(pool: Pool, announcer: Announcer, mostRequests = MOST_REQUESTS): Hono {
  const tooLarge = (): Promise<never> => Promise.reject(refuse(413, 'That is too much to send.'));
  return new Hono()
    .use('*', atMost(mostRequests))
    .use('*', async (c, next) => {
      await next();
      c.header('Cache-Control', 'no-store');
      c.header('X-Robots-Tag', 'noindex, nofollow');
    })
    .get('/:token', async (c) => {
      const token = c.req.param('token');
      const opened = await openedBy(pool, token);
      if (!opened) return gone(c);
      if (opened.paper.paper === 'card')
        return c.html(cardPage(opened.paper, await pictureOf(pool, opened.jobId), { token }));
      return opened.answeredAt
        ? c.html(answeredPage(opened.paper, (await pictureOf(pool, opened.jobId)).decision))
        : c.html(reportPage(opened.paper, { token }));
    })
    .post('/:token', bodyLimit({ maxSize: MOST_BYTES, onError: tooLarge }), async (c) => {
      const token = c.req.param('token');
      const opened = await openedBy(pool, token);
      if (!opened) return gone(c);
      if (opened.paper.paper === 'card') return takeHowItGoes(c, { pool, announcer, token, opened });
      const { paper, jobId } = opened;
      const typed = await typedIn(c);
      const offered = paper.blocks.filter((b) => b.is === 'choice');
      const read = decisionIn(typed, { entryId: paper.entryId, offered });
      if ('problem' in read) return c.html(reportPage(paper, { token, problem: read.problem, typed }), 400);
      // Taken once: two at the same moment cannot both be.
      const added = await inTransaction(pool, async (client) =>
        (await answered(client, token)) ? appendEntries(client, jobId, [read.entry]) : [],
      );
      if (added.length > 0) announcer.grew(jobId, added);
      return c.redirect(`/owner/${token}`, 303);
    })
    .get('/:token/photos/:hash', async (c) => {
      const opened = await openedBy(pool, c.req.param('token'));
      const hash = c.req.param('hash');
      const shown = opened?.paper.blocks.some((b) => b.is === 'photo' && b.hash === hash);
      if (!opened || !shown) return gone(c);
      const { rows } = await pool.query<{ type: string; bytes: Buffer }>(
        'SELECT type, bytes FROM attachment WHERE hash = $1',
        [hash],
      );
      const photo = rows[0];
      return photo ? c.body(new Uint8Array(photo.bytes), 200, { 'Content-Type': photo.type }) : gone(c);
    })
    .all('*', gone);
}
