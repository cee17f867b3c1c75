import Joi from 'joi';
import { ROLES, SECRET, secretProblem } from './access';
import { uuid } from './wire';

const name = Joi.string().trim().min(1).max(120);
/** Whatever was typed where a secret is asked for. */
const typed = Joi.string().max(SECRET.most);
const secret = Joi.string()
  .max(1000)
  .custom((value: string, helpers) => {
    const problem = secretProblem(value);
    return problem ? helpers.message({ custom: `{{#label}} ${problem.replace(/\.$/, '')}` }) : value;
  });
const role = Joi.string().valid(...ROLES);

export const signInSchema = Joi.object({ account: uuid.required(), secret: typed.required() }).required();
export const handSchema = Joi.object({ account: uuid.required() }).required();
export const firstSchema = Joi.object({
  code: Joi.string().trim().max(20).required(),
  name: name.required(),
  secret: secret.required(),
}).required();
export const ownSecretSchema = Joi.object({ old: typed.required(), secret: secret.required() }).required();
export const newPersonSchema = Joi.object({
  id: uuid.required(),
  name: name.required(),
  role: role.required(),
  secret: secret.required(),
}).required();
export const personSchema = Joi.object({ role, left: Joi.boolean(), secret })
  .or('role', 'left', 'secret')
  .required();
/** Whose details are taken out: their name once more, so that it is nobody else's. */
export const forgetSchema = Joi.object({ name: Joi.string().max(120).required() }).required();
export const instrumentSchema = Joi.object({
  id: uuid.required(),
  name: Joi.string().trim().min(1).max(80).required(),
}).required();
