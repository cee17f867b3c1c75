import { CAUSE_IDS, type CauseId } from '@rusty-wren/core/knowledge';
import { PRESSURE_CHECKS, type PressureCheck } from '@rusty-wren/core/pressure';
import Joi from 'joi';

export const FEED_UNITS = ['psi', 'bar', 'kPa', 'inHg', 'rpm'] as const;

/** One reading of an instrument: a line of the feed. */
export interface FeedLine {
  /** Seconds on the instrument's own clock. */
  t: number;
  /** Which instrument: a name of its own, the same for all its lines. */
  channel: string;
  value: number;
  unit: (typeof FEED_UNITS)[number];
  /** Made by a stand-in, not by an instrument. */
  simulated?: boolean;
}

export const feedLineSchema = Joi.object({
  t: Joi.number().min(0).max(1e9).required(),
  channel: Joi.string()
    .pattern(/^[a-z0-9][a-z0-9-]{0,39}$/)
    .required()
    .messages({ 'string.pattern.base': '{{#label}} must be small letters, digits and dashes, at most 40' }),
  value: Joi.number().min(-2000).max(30_000).required(),
  unit: Joi.string()
    .valid(...FEED_UNITS)
    .required(),
  simulated: Joi.boolean(),
});

/** What a stand-in instrument is to show. The same seed shows the same. */
export type StandIn =
  | { instrument: 'pump'; check: PressureCheck; leakTimes: number; seed: number; faster?: number }
  | { instrument: 'compression'; plateauPsi: number; seed: number; faster?: number }
  | { instrument: 'tachometer'; rpm: number; fault?: CauseId; seed: number; faster?: number };

const seed = Joi.number().integer().min(0).max(2_147_483_647).required();
/** Times faster than life, for demonstration. */
const faster = Joi.number().min(1).max(50);

export const standInSchema = Joi.object({
  instrument: Joi.string().valid('pump', 'compression', 'tachometer').required(),
  check: Joi.string().valid(...PRESSURE_CHECKS),
  leakTimes: Joi.number().min(0).max(200),
  plateauPsi: Joi.number().min(20).max(220),
  rpm: Joi.number().min(1500).max(15_000),
  /** What is wrong with the engine it stands at. */
  fault: Joi.string().valid(...CAUSE_IDS),
  seed,
  faster,
})
  .when(Joi.object({ instrument: 'pump' }).unknown(), {
    then: Joi.object({
      check: Joi.required(),
      leakTimes: Joi.required(),
      plateauPsi: Joi.forbidden(),
      rpm: Joi.forbidden(),
      fault: Joi.forbidden(),
    }),
  })
  .when(Joi.object({ instrument: 'compression' }).unknown(), {
    then: Joi.object({
      plateauPsi: Joi.required(),
      check: Joi.forbidden(),
      leakTimes: Joi.forbidden(),
      rpm: Joi.forbidden(),
      fault: Joi.forbidden(),
    }),
  })
  .when(Joi.object({ instrument: 'tachometer' }).unknown(), {
    then: Joi.object({
      rpm: Joi.required(),
      check: Joi.forbidden(),
      leakTimes: Joi.forbidden(),
      plateauPsi: Joi.forbidden(),
    }),
  });
