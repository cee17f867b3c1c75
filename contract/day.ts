import type { Paces } from '@rusty-wren/core/learning';
import type { Hours, Slot } from '@rusty-wren/core/schedule';
import Joi from 'joi';
import { day, instant, uuid } from './wire';

/** Work that somebody has put with somebody, from a moment on. */
export interface DayPin {
  task: string;
  jobId: string;
  account: string;
  from: string;
}

/** A plan as it was worked out for some work: its times are minutes since `zero`. */
export interface KeptPlan {
  key: string;
  zero: string;
  slots: Slot[];
}

/** How many machines find room at once: in the bath (none: the shop has no bath), and in spots outdoors. */
export interface DayRooms {
  bath: number;
  outdoors: number;
}

/** What the day is planned by, beside the jobs. */
export interface Day {
  /** Whose hours were said, by account; the others' are the usual ones. */
  hours: { account: string; hours: Hours }[];
  pins: DayPin[];
  rooms: DayRooms;
  /** How much longer things take here, and in whose hands; absent where they take as long as the trade says. */
  paces?: Paces;
  plan: KeptPlan | null;
}

const minute = Joi.number()
  .integer()
  .min(0)
  .max(24 * 60);

export const hoursSchema = Joi.object({
  week: Joi.array()
    .items(
      Joi.object({
        day: Joi.number().integer().min(0).max(6).required(),
        from: minute.required(),
        to: minute.required(),
      }).custom((h: { from: number; to: number }, helpers) =>
        h.from < h.to ? h : helpers.message({ custom: '{{#label}} ends before it begins' }),
      ),
    )
    .max(28)
    .required(),
  off: Joi.array().items(day).max(200).unique().required(),
}).required();

export const roomsSchema = Joi.object({
  bath: Joi.number().integer().min(0).max(20).required(),
  outdoors: Joi.number().integer().min(1).max(20).required(),
}).required();

export const pinSchema = Joi.object({
  task: Joi.string().min(1).max(80).required(),
  jobId: uuid.required(),
  account: uuid.required(),
  from: instant.required(),
}).required();

/** A year of minutes. */
const MOST_MINUTES = 366 * 24 * 60;
const at = Joi.number().min(-MOST_MINUTES).max(MOST_MINUTES).required();

export const planSchema = Joi.object({
  key: Joi.string().min(1).max(64).required(),
  zero: instant.required(),
  slots: Joi.array()
    .items(
      Joi.object({
        task: Joi.string().min(1).max(80).required(),
        crew: Joi.string().max(60).allow(null).required(),
        start: at,
        end: at,
      }),
    )
    .max(3000)
    .required(),
}).required();
