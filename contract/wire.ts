import Joi from 'joi';

/** An id as both sides write it: lower case, hyphens, nothing round it. Joi's own `guid` takes brackets and braces too. */
export const uuid = Joi.string()
  .pattern(/^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/)
  .messages({ 'string.pattern.base': '{{#label}} must be a valid GUID' });

const DAY = /^(\d{4})-(\d{2})-(\d{2})$/;
const INSTANT = /^(\d{4}-\d{2}-\d{2})T(\d{2}):(\d{2}):(\d{2})(?:\.\d{1,6})?(?:Z|[+-](\d{2}):(\d{2}))$/;

/** Whether a text is a day that the calendar has, from 1900 to 2199: `2026-02-30` is none. */
export function isDay(value: string): boolean {
  const [, year, month, day] = (DAY.exec(value) ?? []).map(Number);
  if (year === undefined || month === undefined || day === undefined) return false;
  if (year < 1900 || year > 2199 || month < 1 || month > 12) return false;
  return day >= 1 && day <= new Date(Date.UTC(year, month, 0)).getUTCDate();
}

/** Whether a text is a moment: a day, a time of it to the second or finer, and `Z` or an offset up to 14 hours. */
export function isInstant(value: string): boolean {
  const [, day, h, m, s, offsetH, offsetM] = INSTANT.exec(value) ?? [];
  if (!day || !isDay(day)) return false;
  if (Number(h) > 23 || Number(m) > 59 || Number(s) > 59) return false;
  const offset = Number(offsetH ?? 0) * 60 + Number(offsetM ?? 0);
  return Number(offsetM ?? 0) < 60 && offset <= 14 * 60;
}

const checked =
  (is: (value: string) => boolean, says: string) =>
  (value: string, helpers: Joi.CustomHelpers): string | Joi.ErrorReport =>
    is(value) ? value : helpers.message({ custom: `{{#label}} must be ${says}` });

/** A day of the calendar, `2026-05-04`. */
export const day = Joi.string().custom(checked(isDay, 'a day, written like 2026-05-04'));
/** A moment, `2026-05-04T10:00:00.000Z`. */
export const instant = Joi.string().custom(checked(isInstant, 'a moment, written like 2026-05-04T10:00:00Z'));

/**
 * Where in a value a text stands that no database keeps: with a NUL in it, or half of a pair of surrogates; null where
 * there is none. The path as in `entries[0].body.text`; keys are looked at too.
 *
 * @example faultyText({ a: ['x', 'y\0'] }) // 'a[1]'
 */
export function faultyText(value: unknown, path = ''): string | null {
  if (typeof value === 'string')
    return value.includes('\0') || !isWellFormed(value) ? path || 'the body' : null;
  if (Array.isArray(value)) {
    for (const [i, one] of value.entries()) {
      const found = faultyText(one, `${path}[${i}]`);
      if (found) return found;
    }
    return null;
  }
  if (typeof value !== 'object' || value === null) return null;
  for (const [key, one] of Object.entries(value)) {
    if (key.includes('\0') || !isWellFormed(key)) return `a name in ${path || 'the body'}`;
    const found = faultyText(one, path ? `${path}.${key}` : key);
    if (found) return found;
  }
  return null;
}

/** No half of a surrogate pair stands alone. */
const LONE = /[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/;
const isWellFormed = (text: string): boolean => !LONE.test(text);
