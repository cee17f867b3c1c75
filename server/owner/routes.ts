import { randomUUID } from 'node:crypto';
import { faultyText, forgetSchema, problemOfEntry } from '@rusty-wren/contract';
import { makeEntry, readJob, type Block, type Decision, type NewEntry } from '@rusty-wren/core/log';
import { Hono, type Context } from 'hono';
import { bodyLimit } from 'hono/body-limit';
import { inTransaction, type Pool } from '../db/pool';
import { atMost } from '../http/guard';
import { deed } from '../access/audit';
import { checkedBody, pathId, refuse } from '../http/problem';
import { readLog } from '../jobs/log';
import { appendEntries } from '../jobs/note';
import type { Announcer } from '../stream/announcer';
import { forgetOwner } from './forget';
import { answered, openedBy, openLink, withdrawLink } from './links';
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

/** What was decided on a job, as its log has it. */
async function decisionOf(pool: Pool, jobId: string): Promise<Decision | null> {
  const log = await readLog(pool, jobId);
  // Nothing of the machine is asked of the fold here.
  return readJob(log, { kind: 'chainsaw' }).decision;
}

/** What was typed, as text; what is no text counts as nothing. */
async function typedIn(c: Context): Promise<Typed> {
  const body = await c.req.parseBody().catch(() => ({}) as Record<string, unknown>);
  const text = (name: string): string => {
    const value = (body as Record<string, unknown>)[name];
    return typeof value === 'string' ? value.trim() : '';
  };
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
      return opened.answeredAt
        ? c.html(answeredPage(opened.paper, await decisionOf(pool, opened.jobId)))
        : c.html(reportPage(opened.paper, { token }));
    })
    .post('/:token', bodyLimit({ maxSize: MOST_BYTES, onError: tooLarge }), async (c) => {
      const token = c.req.param('token');
      const opened = await openedBy(pool, token);
      if (!opened) return gone(c);
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
