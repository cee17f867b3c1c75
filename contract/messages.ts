import type Joi from 'joi';

/** One clear sentence naming the field and the reason, from a Joi error. */
export function clearMessage(error: Joi.ValidationError): string {
  const first = error.details[0];
  if (!first) return 'the input is not valid';
  return first.message.replace(/^"value"/, 'the body').replaceAll('"', '');
}
