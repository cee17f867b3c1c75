import { FAMILY_IDS, LAYER_IDS } from '@rusty-wren/core/knowledge';
import { MACHINE_KINDS } from '@rusty-wren/core/machine';
import { PART_USES, type Need, type Part, type PartUse, type Stocked } from '@rusty-wren/core/parts';
import { MOST_CENTS, MOST_WAIT_DAYS } from '@rusty-wren/core/worth';
import Joi from 'joi';
import { day, uuid } from './wire';

/** Parts on their way. */
export interface PartOrder {
  id: string;
  part: string;
  count: number;
  source: string;
  expected: string | null;
  orderedAt: string;
}

/** A part for an open job, and whose. */
export interface NeedOfJob extends Need {
  tag: number;
  owner: string;
  machine: string;
  promisedFor: string | null;
}

/** How many of a part were fitted lately. */
export interface PartUsed {
  part: string;
  used: number;
}

/** The drawer, what is on its way to it, and what jobs have of it. */
export interface Drawer {
  parts: Stocked[];
  orders: PartOrder[];
  needs: NeedOfJob[];
  used: PartUsed[];
}

/** Uses of parts are counted over so many days. */
export const USED_DAYS = 365;

const text = (max: number): Joi.StringSchema => Joi.string().trim().min(1).max(max);
const whole = (min: number, max: number): Joi.NumberSchema => Joi.number().integer().min(min).max(max);
const MOST_COUNT = 10_000;

const fit = Joi.object({
  maker: text(60),
  model: text(60),
  family: Joi.string().valid(...FAMILY_IDS),
  kind: Joi.string().valid(...MACHINE_KINDS),
})
  .and('maker', 'model')
  .xor('model', 'family', 'kind');

const source = Joi.object({
  name: text(80).required(),
  waitDays: whole(0, MOST_WAIT_DAYS).required(),
  cost: whole(0, MOST_CENTS),
});

const partSchema = Joi.object({
  id: uuid.required(),
  name: text(120).required(),
  code: text(60),
  uses: Joi.array()
    .items(Joi.string().valid(...PART_USES))
    .max(60)
    .required(),
  fits: Joi.array().items(fit).max(60).required(),
  holds: Joi.array()
    .items(Joi.string().valid(...LAYER_IDS))
    .max(40)
    .required(),
  shelf: text(40),
  least: whole(0, 100_000).required(),
  price: whole(0, MOST_CENTS).required(),
  cost: whole(0, MOST_CENTS),
  sources: Joi.array().items(source).max(12).unique('name').required(),
  instead: Joi.array()
    .items(Joi.object({ part: uuid.required(), condition: text(300).required() }))
    .max(12)
    .unique('part')
    .required(),
  donor: Joi.object({ tag: whole(1, 10_000_000).required(), condition: text(120).required() }),
});

/** Parts for the catalogue, each new or in place of the one with its id, and how many of them were counted; all or none. */
export interface PartsIn {
  parts: Part[];
  counted?: { id: string; part: string; count: number }[];
}
export const partsSchema = Joi.object({
  parts: Joi.array().items(partSchema).max(1000).unique('id').required(),
  counted: Joi.array()
    .items(Joi.object({ id: uuid.required(), part: uuid.required(), count: whole(0, 100_000).required() }))
    .max(1000),
}).required();

/** A part of a job is seen to: taken from the drawer, or put on the order list. */
export interface NeedIn {
  id: string;
  use?: PartUse;
  name: string;
  part?: string;
  count: number;
  do: 'reserve' | 'to-order';
  source?: string;
}
export const needSchema = Joi.object({
  id: uuid.required(),
  use: Joi.string().valid(...PART_USES),
  name: text(120).required(),
  part: uuid,
  count: whole(1, 100).required(),
  do: Joi.string().valid('reserve', 'to-order').required(),
  source: text(80),
})
  .when('.do', { is: 'reserve', then: Joi.object({ part: uuid.required() }) })
  .required();

export const NEED_ACTS = ['reserve', 'release', 'fit', 'return', 'drop', 'name'] as const;
/** What is done with a part for a job. */
export type NeedAct = (typeof NEED_ACTS)[number];
export const needActSchema = Joi.object({
  id: uuid.required(),
  by: uuid,
  /** Which part it is after all. */
  part: uuid,
}).required();

/** Orders as they go out: each with the needs it is for. */
export interface OrdersIn {
  orders: { id: string; part: string; count: number; source: string; expected?: string; needs: string[] }[];
}
export const ordersSchema = Joi.object({
  orders: Joi.array()
    .items(
      Joi.object({
        id: uuid.required(),
        part: uuid.required(),
        count: whole(1, MOST_COUNT).required(),
        source: Joi.string().trim().allow('').max(80).required(),
        expected: day,
        needs: Joi.array().items(uuid).max(100).required(),
      }),
    )
    .min(1)
    .max(200)
    .unique('id')
    .required(),
}).required();

/** What came: by its order, or by what a scanner typed. `id`: of the movement, so that sending it twice books it in once. */
export const bookInSchema = Joi.object({
  id: uuid.required(),
  order: uuid,
  code: text(60),
  part: uuid,
  count: whole(1, MOST_COUNT),
  by: uuid,
})
  .xor('order', 'code', 'part')
  .required();

/** What was booked in, and which jobs are on their hooks again by it. */
export interface BookedIn {
  part: string;
  count: number;
  jobs: { jobId: string; tag: number; owner: string }[];
}

/** A count of what lies there. */
export const countSchema = Joi.object({
  id: uuid.required(),
  count: whole(0, 100_000).required(),
  words: text(300),
  by: uuid,
}).required();
