import { randomUUID } from 'node:crypto';
import {
  clearMessage,
  faultyText,
  feedLineSchema,
  standInSchema,
  type FeedLine,
  type StandIn,
} from '@rusty-wren/contract';
import { Hono } from 'hono';
import type { Pool } from '../db/pool';
import { checkedBody, refuse } from '../http/problem';
import type { Changes } from '../stream/changes';
import { eventStream } from '../stream/events';
import { play, readingsOf } from './standIn';

const MOST_LINES = 2000;
/** PostgreSQL carries 8,000 bytes in one notice. */
const LINES_A_NOTICE = 40;

/** Every line of a body as a reading. Throws a 400 naming the line, the field and the reason. */
function linesOf(body: string): FeedLine[] {
  const texts = body.split('\n').filter((text) => text.trim());
  if (texts.length === 0) throw refuse(400, 'The feed is empty: send one JSON object a line.');
  if (texts.length > MOST_LINES)
    throw refuse(400, `The feed has ${texts.length} lines; send at most ${MOST_LINES} at once.`);
  return texts.map((text, i) => {
    let line: unknown;
    try {
      line = JSON.parse(text);
    } catch {
      throw refuse(400, `Line ${i + 1} is not JSON.`);
    }
    const faulty = faultyText(line);
    if (faulty) throw refuse(400, `Line ${i + 1}: ${faulty} holds a character that no text has.`);
    const { error } = feedLineSchema.validate(line, { convert: false });
    if (error) throw refuse(400, `Line ${i + 1}: ${clearMessage(error)}.`);
    return line as FeedLine;
  });
}

/** Tells every process of these readings; each passes them on to whoever listens there. Nothing is kept. */
async function announce(pool: Pool, lines: readonly FeedLine[]): Promise<void> {
  for (let from = 0; from < lines.length; from += LINES_A_NOTICE) {
    const batch = JSON.stringify(lines.slice(from, from + LINES_A_NOTICE));
    await pool.query("SELECT pg_notify('instrument_feed', $1)", [batch]);
  }
}

/** The instrument feed: lines in, server-sent events out, and stand-ins that feed it. */
export function feedRoutes(pool: Pool, changes: Changes): Hono {
  return new Hono()
    .post('/', async (c) => {
      const lines = linesOf(await c.req.text());
      await announce(pool, lines);
      return c.json({ taken: lines.length });
    })
    .post('/stand-in', async (c) => {
      const standIn = await checkedBody<StandIn>(c, standInSchema);
      const channel = `stand-in-${standIn.instrument}-${randomUUID().slice(0, 8)}`;
      play(readingsOf(standIn, channel), standIn.faster ?? 1, (due) => announce(pool, due));
      return c.json({ channel }, 201);
    })
    .get('/', (c) => eventStream(c, changes, (push) => changes.hearFeed((lines) => push('readings', lines))));
}
