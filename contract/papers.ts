import { CHOICE_IDS } from '@rusty-wren/core/knowledge';
import { PAPER_KINDS, paperHash, type Block } from '@rusty-wren/core/log';
import { MOST_CENTS } from '@rusty-wren/core/worth';
import Joi from 'joi';
import { MOST_SIDE, PHOTO_HASH } from './photos';

const line = (max: number): Joi.StringSchema => Joi.string().min(1).max(max).required();
const said = {
  text: line(1000),
  from: Joi.array().items(Joi.string().max(60)).max(200).required(),
};
const items = Joi.array().items(Joi.object(said)).max(200).required();
const side = Joi.number().integer().min(1).max(MOST_SIDE).required();
const share = Joi.number().min(0).max(1).required();

const BLOCKS: Readonly<Record<Block['is'], Joi.SchemaMap>> = {
  heading: { text: line(200) },
  text: said,
  list: { items },
  choice: {
    choice: Joi.string()
      .valid(...CHOICE_IDS)
      .required(),
    name: line(80),
    price: line(80),
    upTo: Joi.number().integer().min(0).max(MOST_CENTS),
    days: line(80),
    items,
  },
  photo: {
    hash: Joi.string().pattern(PHOTO_HASH).required(),
    width: side,
    height: side,
    text: Joi.string().allow('').max(300).required(),
    pins: Joi.array()
      .items(Joi.object({ x: share, y: share, words: line(120) }))
      .max(20)
      .required(),
  },
  code: {
    url: Joi.string()
      .uri({ scheme: ['http', 'https'] })
      .max(300)
      .required(),
    text: line(200),
  },
  large: { text: line(60) },
  sign: { text: line(200) },
};
const KINDS = Object.keys(BLOCKS) as Block['is'][];
const isOf = (is: Block['is']): Joi.ObjectSchema => Joi.object({ is: Joi.string(), ...BLOCKS[is] });

const block = Joi.object({
  is: Joi.string()
    .valid(...KINDS)
    .required(),
})
  .unknown()
  .when('.is', { switch: KINDS.map((is) => ({ is, then: isOf(is) })) });

/** A paper as it is given: its hash is of just what stands on it. */
export const paperSchema = Joi.object({
  paper: Joi.string()
    .valid(...PAPER_KINDS)
    .required(),
  title: line(300),
  blocks: Joi.array().items(block).max(120).required(),
  hash: Joi.string().required(),
}).custom((body: { title: string; blocks: readonly Block[]; hash: string }, helpers) =>
  body.hash === paperHash(body)
    ? body
    : helpers.message({ custom: '{{#label}}.hash is not of what stands on the paper' }),
);
