import { FAMILY_IDS, type Pace } from '@rusty-wren/core/knowledge';
import { MACHINE_KINDS } from '@rusty-wren/core/machine';
import {
  BOOK_IDS,
  MOST_CENTS,
  MOST_WAIT_DAYS,
  RULE_FIELDS,
  type PriceLine,
  type ShopRules,
} from '@rusty-wren/core/worth';
import Joi from 'joi';

/** What the shop goes by: its rules, and its price book. */
export interface Shop {
  rules: ShopRules;
  book: PriceLine[];
  /** How much longer things take in this shop than the trade says, whoever does them; absent where they do not differ, or do not count. */
  pace?: Pace;
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
  // Rules kept by an older program have neither.
  shopName: Joi.string().trim().allow('').max(80).default(''),
  shopPhone: Joi.string().trim().allow('').max(40).default(''),
}).required();

/** What a line of the price book is for. */
const lineKey = {
  what: Joi.string()
    .valid(...BOOK_IDS)
    .required(),
  kind: Joi.string().valid(...MACHINE_KINDS),
  family: Joi.string().valid(...FAMILY_IDS),
  maker: text(60),
  model: text(60),
};

/** A line of the price book. */
export const priceLineSchema = Joi.object({
  ...lineKey,
  price: whole(0, MOST_CENTS).required(),
  cost: whole(0, MOST_CENTS),
  waitDays: whole(0, MOST_WAIT_DAYS).required(),
})
  .and('maker', 'model')
  .oxor('kind', 'family', 'model');

/** Lines that go into the book, each in place of the one for the same; one with its price taken out goes. */
export const bookSchema = Joi.object({
  lines: Joi.array().items(priceLineSchema).max(2000).required(),
  gone: Joi.array().items(Joi.object(lineKey)).max(2000),
}).required();

/** What is taken out of the book. */
export type PriceLineKey = Pick<PriceLine, 'what' | 'kind' | 'family' | 'maker' | 'model'>;
