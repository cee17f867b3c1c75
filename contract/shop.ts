import { MACHINE_KINDS } from '@rusty-wren/core/machine';
import { PRICED_IDS, RULE_FIELDS, type PriceLine, type ShopRules } from '@rusty-wren/core/worth';
import Joi from 'joi';

/** No price of this trade is higher, in cents. */
export const MOST_CENTS = 10_000_00;

/** What the shop goes by: its rules, and its price book. */
export interface Shop {
  rules: ShopRules;
  book: PriceLine[];
}

const text = (max: number): Joi.StringSchema => Joi.string().trim().min(1).max(max);
const whole = (min: number, max: number): Joi.NumberSchema => Joi.number().integer().min(min).max(max);

/** The shop's rules, all of them. */
export const rulesSchema = Joi.object({
  ...Object.fromEntries(RULE_FIELDS.map((f) => [f.name, whole(f.min, f.max).required()])),
  currency: Joi.string()
    .pattern(/^[A-Z]{3}$/)
    .required()
    .messages({ 'string.pattern.base': '{{#label}} is three capital letters' }),
  feeCredited: Joi.boolean().required(),
  foot: Joi.string().trim().allow('').max(1000).required(),
}).required();

/** A line of the price book. */
export const priceLineSchema = Joi.object({
  what: Joi.string()
    .valid(...PRICED_IDS, 'like')
    .required(),
  kind: Joi.string().valid(...MACHINE_KINDS),
  maker: text(60),
  model: text(60),
  price: whole(0, MOST_CENTS).required(),
  cost: whole(0, MOST_CENTS),
  waitDays: whole(0, 365).required(),
})
  .and('maker', 'model')
  .oxor('kind', 'model');

/** Lines that go into the book, each in place of the one for the same; one with its price taken out goes. */
export const bookSchema = Joi.object({
  lines: Joi.array().items(priceLineSchema).max(2000).required(),
  gone: Joi.array()
    .items(
      Joi.object({
        what: Joi.string()
          .valid(...PRICED_IDS, 'like')
          .required(),
        kind: Joi.string().valid(...MACHINE_KINDS),
        maker: text(60),
        model: text(60),
      }),
    )
    .max(2000),
}).required();

/** What is taken out of the book. */
export type PriceLineKey = Pick<PriceLine, 'what' | 'kind' | 'maker' | 'model'>;
