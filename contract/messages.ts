import type Joi from 'joi';

/** One clear sentence naming the field and the reason, from a Joi error. */
export function clearMessage(error: Joi.ValidationError): string {
  const first = error.details[0];
  if (!first) return 'the input is not valid';
  // Joi calls the whole thing "value", which may also be a field's own name.
  const message = first.path.length === 0 ? first.message.replace(/^"value"/, 'the body') : first.message;
  return message.replaceAll('"', '');
}
