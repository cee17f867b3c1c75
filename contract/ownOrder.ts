import { CHECK_IDS } from '@rusty-wren/core/knowledge';
import Joi from 'joi';

export const ownOrderSchema = Joi.object({
  checks: Joi.array()
    .items(Joi.string().valid(...CHECK_IDS))
    .unique()
    .required(),
}).required();
