import {
  CAUSE_IDS,
  CHECK_IDS,
  COMPLAINT_IDS,
  OUTCOMES,
  PART_IDS,
  REMEDY_IDS,
  SURENESS,
  type CheckId,
} from '@rusty-wren/core/knowledge';
import {
  BEHIND_ANSWERS,
  ENTRY_KINDS,
  HEARD_BY,
  PROVED_STEPS,
  STAGES,
  START_OUTCOMES,
  START_STATES,
  type Bodies,
  type EntryKind,
} from '@rusty-wren/core/log';
import { READING_FIELD } from '@rusty-wren/core/reading';
import { MOST_TRACK, SCREWS } from '@rusty-wren/core/tuning';
import Joi from 'joi';
import { besidesTheFigures, hasItsResult, historySchema, pullsSchema, takesPulls } from './bench';

/** An entry as a client sends it: the server gives it its order. */
export type NewEntry = {
  [K in EntryKind]: { id: string; notedAt: string; by?: string; strikes?: string; kind: K; body: Bodies[K] };
}[EntryKind];

export const uuid = Joi.string().guid({ version: ['uuidv4', 'uuidv7'] });

const oneOf = (ids: readonly string[]): Joi.StringSchema => Joi.string().valid(...ids);
const text = (max: number): Joi.StringSchema => Joi.string().trim().min(1).max(max);

const numbers = (min: number, max: number, count: number): Joi.ArraySchema =>
  Joi.array().items(Joi.number().min(min).max(max)).min(1).max(count);

const reading = Joi.object({
  psi: numbers(0, 400, 30),
  mm: numbers(-5, 50, 4),
  rpm: numbers(0, 25_000, 60),
  ...besidesTheFigures,
}).or('psi', 'mm', 'rpm', 'turns', 'trace');

const finding = Joi.object({
  check: oneOf(CHECK_IDS).required(),
  result: Joi.string(),
  reading,
  sureness: oneOf(SURENESS).required(),
  pulls: pullsSchema,
  note: text(1000),
})
  .or('result', 'reading')
  .custom(hasItsResult)
  .custom(takesPulls)
  .custom((body: { check: CheckId; reading?: object }, helpers) => {
    const field = READING_FIELD[body.check];
    if (body.reading && (field === undefined || !(field in body.reading))) {
      return helpers.message({
        custom: `{{#label}}: ${body.check} ${field ? `is read in ${field}` : 'takes no reading'}`,
      });
    }
    return body;
  });

const tray = Joi.object({ part: oneOf(PART_IDS), thing: text(120) }).xor('part', 'thing');

const track = Joi.array()
  .items(
    Joi.array()
      .ordered(
        Joi.number().min(0).max(600).required(),
        Joi.number().min(0).max(25_000).required(),
        Joi.number().min(0).max(1).required(),
      )
      .length(3),
  )
  .min(1)
  .max(MOST_TRACK);

const BODIES: Readonly<Record<EntryKind, Joi.ObjectSchema>> = {
  complaint: Joi.object({ complaint: oneOf(COMPLAINT_IDS).required(), words: text(500) }),
  history: Joi.object({ answers: historySchema.min(1).required() }),
  finding,
  'took-off': tray,
  'put-back': tray,
  repair: Joi.object({
    cause: oneOf(CAUSE_IDS).required(),
    remedy: oneOf(REMEDY_IDS),
    outcome: oneOf(OUTCOMES).required(),
    note: text(1000),
  }),
  verdict: Joi.object({
    settles: oneOf(CAUSE_IDS),
    remedy: oneOf(REMEDY_IDS).when('settles', { is: Joi.exist(), otherwise: Joi.forbidden() }),
    behind: oneOf(CAUSE_IDS),
    answer: oneOf(BEHIND_ANSWERS).when('behind', {
      is: Joi.exist(),
      then: Joi.required(),
      otherwise: Joi.forbidden(),
    }),
    words: text(1000),
  }).xor('settles', 'behind'),
  can: Joi.object({ job: uuid.required(), shared: Joi.boolean().required() }),
  note: Joi.object({ text: text(2000).required() }),
  'hazard-passed': Joi.object({ words: text(500).required() }),
  screw: Joi.object({
    screw: oneOf(SCREWS).required(),
    // Four turns, by sixteenths.
    eighths: Joi.number().min(-32).max(32).multiple(0.5).invalid(0).required(),
    trial: Joi.boolean().valid(true),
    why: text(300),
  }),
  heard: Joi.object({
    track: track.required(),
    seconds: Joi.number().min(0).max(600).required(),
    by: oneOf(HEARD_BY).required(),
  }),
  start: Joi.object({
    state: oneOf(START_STATES).required(),
    pulls: pullsSchema.required(),
    outcome: oneOf(START_OUTCOMES).required(),
    drill: text(500),
  }),
  proved: Joi.object({ step: oneOf(PROVED_STEPS).required() }),
  stage: Joi.object({ stage: oneOf(STAGES).required(), waitingFor: text(200), reason: text(1000) }),
  strike: Joi.object({ reason: text(500).required() }),
};

/** One entry of the log, with the body its kind asks for. Unknown kinds are refused. */
export const entrySchema = Joi.object({
  id: uuid.required(),
  notedAt: Joi.string().isoDate().required(),
  by: uuid,
  kind: oneOf(ENTRY_KINDS).required(),
  strikes: uuid.when('kind', { is: 'strike', then: Joi.required(), otherwise: Joi.forbidden() }),
  body: Joi.object()
    .required()
    .when('kind', {
      switch: ENTRY_KINDS.map((kind) => ({ is: kind, then: BODIES[kind] })),
    }),
});

/** A batch of entries for one job. */
export const entriesSchema = Joi.object({
  entries: Joi.array().items(entrySchema).min(1).max(200).required(),
}).required();
