import { CAUSE_IDS } from '@rusty-wren/core/knowledge';
import type { Learnt, LearntMinutes, Tallies } from '@rusty-wren/core/learning';
import Joi from 'joi';
import { uuid } from './wire';

/** Another shop whose jobs count here. */
export interface ShopElsewhere {
  shop: string;
  name: string;
  /** Hundredths of a job that one of theirs counts. */
  weight: number;
  /** How many jobs they were. */
  jobs: number;
  at: string;
}

/** What was learnt, and whether it counts. */
export interface LearntState {
  counts: boolean;
  learnt: Learnt;
  minutes: LearntMinutes;
  elsewhere: ShopElsewhere[];
}

/** What goes from shop to shop: counts, of nobody. */
export interface LearntFile {
  format: 'rusty-wren-learnt/1';
  /** Who it is from: taken in again, it takes its own place. */
  shop: string;
  tallies: Tallies;
}

/** A file of another shop, with its name here and what a job of theirs counts, hundredths. */
export interface TakenIn {
  name: string;
  weight: number;
  file: LearntFile;
}

const MOST_THOUSANDTHS = 1e12;
const MOST_MACHINES = 5000;
const count = Joi.number().integer().min(0).max(MOST_THOUSANDTHS);
const byCause = Joi.object().pattern(Joi.string().valid(...CAUSE_IDS), count);
const tally = { counts: count.required(), found: byCause.required(), expected: byCause.required() };
const named = (of: Joi.Schema): Joi.Schema =>
  Joi.object().pattern(Joi.string().max(160), of).max(MOST_MACHINES);

export const learntFileSchema = Joi.object({
  format: Joi.string().valid('rusty-wren-learnt/1').required(),
  shop: uuid.required(),
  tallies: Joi.object({
    groups: named(Joi.object(tally)).required(),
    models: named(Joi.object({ ...tally, group: Joi.string().max(80).required() })).required(),
  }).required(),
});

export const takenInSchema = Joi.object({
  name: Joi.string().trim().max(80).required(),
  weight: Joi.number().integer().min(1).max(100).required(),
  file: learntFileSchema.required(),
}).required();

export const countsSchema = Joi.object({ counts: Joi.boolean().required() }).required();
