import { clearMessage, faultyText, uuid } from '@rusty-wren/contract';
import type { Context } from 'hono';
import { HTTPException } from 'hono/http-exception';
import type Joi from 'joi';
import pg from 'pg';
import { isAway } from '../db/pool';

type Status = 400 | 401 | 403 | 404 | 405 | 409 | 413 | 421 | 429 | 503;

/** A refusal with one clear sentence. */
export const refuse = (status: Status, message: string): HTTPException =>
  new HTTPException(status, { message });

/** Seconds after which it is worth asking again. */
const RETRY_AFTER_S = 2;

/** Any error as an answer: a refusal as it is, a database that is away as 503, data it will not have as 400 or 409. */
export function answerTo(error: Error, c: Context): Response {
  if (error instanceof HTTPException) {
    if (error.status === 429 || error.status === 503) c.header('Retry-After', String(RETRY_AFTER_S));
    return c.json({ error: error.message }, error.status);
  }
  if (isAway(error)) {
    // A deadlock or a lock that took too long is a fault of ours, or of a machine that is out of breath: it is told why.
    if (error instanceof pg.DatabaseError && /^(?:40|55|57014)/.test(error.code ?? ''))
      console.error(`${c.req.method} ${c.req.path}: ${error.code} ${error.message}`);
    c.header('Retry-After', String(RETRY_AFTER_S));
    return c.json({ error: 'The bench database does not answer now; nothing was changed.' }, 503);
  }
  if (error instanceof pg.DatabaseError && error.code?.startsWith('22'))
    return c.json({ error: 'The body holds something the database does not take.' }, 400);
  if (error instanceof pg.DatabaseError && error.code?.startsWith('23'))
    return c.json({ error: 'Something else on the books stands against it.' }, 409);
  console.error(error);
  return c.json({ error: 'The bench server met a fault and changed nothing.' }, 500);
}

/** Nothing that is sent here is nested deeper. */
const DEEPEST = 30;

/** Whether brackets of a text are nested deeper than anything sent here, before it is parsed: what walks it would run out of stack. */
function isTooDeep(text: string): boolean {
  let depth = 0;
  let quoted = false;
  for (let i = 0; i < text.length; i++) {
    const at = text[i];
    if (at === '"') quoted = !quoted;
    else if (quoted) i += at === '\\' ? 1 : 0;
    else if (at === '[' || at === '{') {
      if (++depth > DEEPEST) return true;
    } else if (at === ']' || at === '}') depth--;
  }
  return false;
}

/**
 * The request's JSON body, checked against the schema. Throws a 400 naming the field and the reason. `textsLater`: whoever
 * asks looks for faulty characters itself.
 */
export async function checkedBody<T>(
  c: Context,
  schema: Joi.ObjectSchema,
  { textsLater = false } = {},
): Promise<T> {
  const text = await c.req.text();
  if (isTooDeep(text)) throw refuse(400, `The body is nested deeper than ${DEEPEST}.`);
  let body: unknown;
  try {
    body = JSON.parse(text);
  } catch {
    throw refuse(400, 'The body is not JSON.');
  }
  const faulty = textsLater ? null : faultyText(body);
  if (faulty) throw refuse(400, `${faulty} holds a character that no text has.`);
  const { error, value } = schema.validate(body, { convert: false });
  if (error) throw refuse(400, `${clearMessage(error)}.`);
  return value as T;
}

/** A uuid from the path. Throws a 404 when it is none: there can be no such thing. `noun`: what it is the id of. */
export function pathId(c: Context, name: string, noun = 'job'): string {
  const value = c.req.param(name) ?? '';
  if (uuid.validate(value).error) throw refuse(404, `No such ${noun}.`);
  return value;
}
