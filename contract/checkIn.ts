import { MACHINE_KINDS } from '@rusty-wren/core/machine';
import Joi from 'joi';
import { entrySchema } from './entries';
import { day, uuid } from './wire';

const text = (max: number): Joi.StringSchema => Joi.string().trim().min(1).max(max);
const known = Joi.object({ id: uuid.required() });

/** The fields of a check-in that are typed, as page and server take them. */
export const checkInFields = {
  owner: text(120),
  kind: Joi.string().valid(...MACHINE_KINDS),
  maker: text(60),
  model: text(60),
  serial: text(60),
  displacementCc: Joi.number().min(10).max(200),
  fault: text(500),
} as const;

export const checkInSchema = Joi.object({
  jobId: uuid.required(),
  customer: Joi.alternatives()
    .conditional(Joi.object({ id: Joi.exist() }).unknown(), {
      then: known,
      otherwise: Joi.object({ name: checkInFields.owner.required(), circle: text(80), phone: text(40) }),
    })
    .required(),
  machine: Joi.alternatives()
    .conditional(Joi.object({ id: Joi.exist() }).unknown(), {
      then: known,
      otherwise: Joi.object({
        kind: checkInFields.kind.required(),
        maker: checkInFields.maker.required(),
        model: checkInFields.model.required(),
        serial: checkInFields.serial,
        displacementCc: checkInFields.displacementCc,
      }),
    })
    .required(),
  promisedFor: day,
  entries: Joi.array().items(entrySchema).min(1).max(100).required(),
}).required();
