import { clearMessage } from '@rusty-wren/contract';
import type { Context } from 'hono';
import { HTTPException } from 'hono/http-exception';
import type Joi from 'joi';

/** A refusal with one clear sentence. */
export const refuse = (status: 400 | 404 | 409, message: string): HTTPException =>
  new HTTPException(status, { message });

/** The request's JSON body, checked against the schema. Throws a 400 naming the field and the reason. */
export async function checkedBody<T>(c: Context, schema: Joi.ObjectSchema): Promise<T> {
  let body: unknown;
  try {
    body = await c.req.json();
  } catch {
    throw refuse(400, 'The body is not JSON.');
  }
  const { error, value } = schema.validate(body, { convert: false });
  if (error) throw refuse(400, `${clearMessage(error)}.`);
  return value as T;
}

const UUID = /^[0-9a-f]{8}-(?:[0-9a-f]{4}-){3}[0-9a-f]{12}$/i;

/** A uuid from the path. Throws a 404 when it is none: there can be no such job. */
export function pathId(c: Context, name: string): string {
  const value = c.req.param(name) ?? '';
  if (!UUID.test(value)) throw refuse(404, 'No such job.');
  return value;
}
