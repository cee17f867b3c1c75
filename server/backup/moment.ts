import Joi from 'joi';

/** What was written of a shop, by whichever way: when, by which program, and how much. */
export interface Moment {
  /** ISO 8601. */
  at: string;
  /** The migrations its database had had. */
  migrations: string[];
  /** Rows of each table at that moment. */
  rows: Record<string, number>;
}

/** The fields of it, to be checked before anything is taken in. */
export const momentFields = {
  at: Joi.string().isoDate().required(),
  migrations: Joi.array().items(Joi.string()).min(1).required(),
  rows: Joi.object().pattern(Joi.string(), Joi.number().integer().min(0)).required(),
};

/** What a text says as JSON; null where it is none. */
export function jsonIn(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
