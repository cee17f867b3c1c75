import {
  BULBS,
  CAUSE_IDS,
  CHECK_IDS,
  CHOICE_IDS,
  COMPLAINT_IDS,
  CONDITIONS,
  COVERS,
  IMPULSES,
  LAYER_IDS,
  LINE_ENDS,
  SCREW_SETS,
  THROATS,
  OUTCOMES,
  REPAIR_OUTCOMES,
  PART_IDS,
  PROVED_STEPS,
  REMEDY_IDS,
  RUN_IDS,
  SURENESS,
  TOLD_HOW,
  type CheckId,
} from '@rusty-wren/core/knowledge';
import {
  BEHIND_ANSWERS,
  BUILD_ORDERS,
  ENTRY_KINDS,
  FOUND_ANSWERS,
  SAFETY_ANSWERS,
  HEARD_BY,
  TALK_ABOUTS,
  PHOTO_TIMES,
  REBUILD_TICKS,
  RENEWALS,
  SCREW_OUTLINES,
  STAGES,
  USES,
  START_OUTCOMES,
  START_STATES,
  type Entry,
  type EntryKind,
  type NewEntry,
} from '@rusty-wren/core/log';
import { READING_FIELD } from '@rusty-wren/core/reading';
import { MOST_TRACK, SCREWS } from '@rusty-wren/core/tuning';
import { MOST_CENTS } from '@rusty-wren/core/worth';
import Joi from 'joi';
import { clearMessage } from './messages';
import { MOST_SIDE, PHOTO_HASH } from './photos';
import { paperSchema } from './papers';
import { instant, uuid } from './wire';
import {
  besidesTheFigures,
  triesSchema,
  figures,
  hasItsResult,
  historySchema,
  oftenSchema,
  pullsSchema,
  saidDoneSchema,
  takesCounts,
  takesPulls,
} from './bench';

/** What a job waits for is written in so many letters. */
export const MOST_WAITED_FOR = 200;

const oneOf = (ids: readonly string[]): Joi.StringSchema => Joi.string().valid(...ids);
const text = (max: number): Joi.StringSchema => Joi.string().trim().min(1).max(max);

/** A reading as it is noted. */
export const readingSchema = Joi.object({
  psi: figures('psi'),
  mm: figures('mm'),
  rpm: figures('rpm'),
  ...besidesTheFigures,
}).or('psi', 'mm', 'rpm', 'turns', 'trace');

const finding = Joi.object({
  check: oneOf(CHECK_IDS).required(),
  result: Joi.string(),
  reading: readingSchema,
  sureness: oneOf(SURENESS).required(),
  counts: triesSchema,
  pulls: pullsSchema,
  note: text(1000),
})
  .or('result', 'reading')
  .custom(hasItsResult)
  .custom(takesPulls)
  .custom(takesCounts)
  .custom((body: { check: CheckId; reading?: object }, helpers) => {
    const field = READING_FIELD[body.check];
    if (body.reading && (field === undefined || !(field in body.reading))) {
      return helpers.message({
        custom: `{{#label}}: ${body.check} ${field ? `is read in ${field}` : 'takes no reading'}`,
      });
    }
    return body;
  });

/** Whole cents. */
const cents = Joi.number().integer().min(0).max(MOST_CENTS);
const layer = oneOf(LAYER_IDS);
const thing = { part: oneOf(PART_IDS), layer, thing: text(120) };
/** What is said of a layer or a loose thing beside its name. */
const onlyWith = (what: string, schema: Joi.Schema): Joi.Schema =>
  schema.when(what, { is: Joi.exist(), otherwise: Joi.forbidden() });
const oneThing = (besides: Joi.SchemaMap = {}): Joi.ObjectSchema =>
  Joi.object({ ...thing, ...besides }).xor('part', 'layer', 'thing');
const side = Joi.number().integer().min(1).max(MOST_SIDE);
const share = Joi.number().min(0).max(1);
const stack = Joi.array()
  .items(oneOf([...LAYER_IDS, ...COVERS]))
  .unique()
  .max(LAYER_IDS.length + COVERS.length);

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
  complaint: Joi.object({ complaint: oneOf(COMPLAINT_IDS).required(), words: text(500), often: oftenSchema }),
  history: Joi.object({ answers: historySchema.min(1).required() }),
  'said-done': saidDoneSchema,
  finding,
  'took-off': oneThing({
    condition: onlyWith('layer', oneOf(CONDITIONS)),
    uncounted: onlyWith('layer', Joi.boolean().valid(true)),
    place: onlyWith('thing', text(80)),
    count: onlyWith('thing', Joi.number().integer().min(1).max(99)),
  }),
  'put-back': oneThing({
    renewed: onlyWith('layer', Joi.boolean().valid(true)),
    turns: onlyWith('layer', Joi.number().min(0).max(8).multiple(0.125)),
  }),
  'thrown-away': oneThing(),
  'left-off': oneThing({ words: text(500).required() }),
  condition: Joi.object({ layer: layer.required(), condition: oneOf(CONDITIONS).required() }),
  line: Joi.object({
    tag: text(60).required(),
    ends: Joi.array().items(oneOf(LINE_ENDS)).length(2).unique().required(),
    returns: Joi.boolean().valid(true),
    on: Joi.boolean().valid(true),
  }),
  carburettor: Joi.object({
    throat: oneOf(THROATS).required(),
    bulb: oneOf(BULBS).required(),
    screws: oneOf(SCREW_SETS),
    impulse: oneOf(IMPULSES),
    piston: Joi.boolean(),
    caps: Joi.boolean(),
    own: Joi.object({ pump: stack.required(), metering: stack.required() }),
  }),
  'rebuild-step': Joi.object({
    step: oneOf([...REBUILD_TICKS, 'renew', 'order']).required(),
    answer: Joi.when('step', {
      switch: [
        { is: 'renew', then: oneOf(RENEWALS).required() },
        { is: 'order', then: oneOf(BUILD_ORDERS).required() },
      ],
      otherwise: Joi.forbidden(),
    }),
  }),
  photo: Joi.object({
    hash: Joi.string().pattern(PHOTO_HASH).required(),
    width: side.required(),
    height: side.required(),
    of: Joi.object({ ...thing, entry: uuid }).xor('part', 'layer', 'thing', 'entry'),
    when: oneOf(PHOTO_TIMES),
    words: text(300),
    pins: Joi.array()
      .items(Joi.object({ x: share.required(), y: share.required(), words: text(120).required() }))
      .max(20),
  }),
  'screw-plan': Joi.object({
    of: oneThing().required(),
    on: Joi.object({ outline: oneOf(SCREW_OUTLINES), photo: Joi.string().pattern(PHOTO_HASH) })
      .xor('outline', 'photo')
      .required(),
    screws: Joi.array()
      .items(Joi.object({ x: share.required(), y: share.required(), kind: text(40).required() }))
      .min(1)
      .max(40)
      .required(),
  }),
  worth: Joi.object({ ageYears: Joi.number().min(0).max(80), like: cents }).or('ageYears', 'like'),
  'choice-set': Joi.object({
    choice: oneOf(CHOICE_IDS).required(),
    price: cents,
    days: Joi.number().integer().min(0).max(365),
    offered: Joi.boolean().valid(false),
    words: text(300),
  }),
  decision: Joi.object({
    choice: oneOf(CHOICE_IDS).required(),
    by: text(120).required(),
    how: oneOf(TOLD_HOW).required(),
    price: cents,
    words: text(500),
    paper: uuid,
    signature: Joi.string().pattern(PHOTO_HASH),
  }),
  paper: paperSchema,
  'tray-passed': Joi.object({ words: text(500).required() }),
  repair: Joi.object({
    cause: oneOf(CAUSE_IDS),
    other: text(200),
    remedy: oneOf(REMEDY_IDS).when('cause', { is: Joi.exist(), otherwise: Joi.forbidden() }),
    outcome: Joi.when('other', {
      is: Joi.exist(),
      then: oneOf(OUTCOMES).required(),
      otherwise: oneOf(REPAIR_OUTCOMES).required(),
    }),
    before: uuid.when('cause', { is: Joi.exist(), otherwise: Joi.forbidden() }),
    note: text(1000),
  }).xor('cause', 'other'),
  verdict: Joi.object({
    settles: oneOf(CAUSE_IDS),
    remedy: oneOf(REMEDY_IDS).when('settles', { is: Joi.exist(), otherwise: Joi.forbidden() }),
    behind: oneOf(CAUSE_IDS),
    answer: oneOf(BEHIND_ANSWERS).when('behind', {
      is: Joi.exist(),
      then: Joi.required(),
      otherwise: Joi.forbidden(),
    }),
    other: text(200),
    words: text(1000).when('other', { is: Joi.exist(), then: Joi.forbidden() }),
  }).xor('settles', 'behind', 'other'),
  answered: Joi.object({
    cause: oneOf(CAUSE_IDS),
    answer: oneOf(FOUND_ANSWERS).when('cause', {
      is: Joi.exist(),
      then: Joi.required(),
      otherwise: Joi.forbidden(),
    }),
    safety: oneOf(SAFETY_ANSWERS),
    words: text(500)
      .when('answer', { is: 'left', then: Joi.required() })
      .when('safety', { is: 'refused', then: Joi.required() }),
  }).xor('cause', 'safety'),
  can: Joi.object({ job: uuid.required(), shared: Joi.boolean().required() }),
  note: Joi.object({ text: text(2000).required(), about: oneOf(TALK_ABOUTS) }),
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
  proved: Joi.object({
    step: oneOf(PROVED_STEPS),
    enough: oneOf(RUN_IDS),
    sure: Joi.number().min(0).max(1),
  })
    .xor('step', 'enough')
    .and('enough', 'sure'),
  'at-owners': Joi.object({
    uses: Joi.valid(...USES).required(),
    again: Joi.boolean().required(),
    words: text(500),
  }),
  'swapped-back': Joi.object({
    of: uuid.required(),
    what: text(120).required(),
    again: Joi.boolean().required(),
  }),
  stage: Joi.object({
    stage: oneOf(STAGES).required(),
    waitingFor: text(MOST_WAITED_FOR),
    reason: text(1000),
  }),
  strike: Joi.object({ reason: text(500).required() }),
};

const COMMON = { id: uuid.required(), notedAt: instant.required(), by: uuid };

/** One entry of the log, with the body its kind asks for. Unknown kinds are refused. */
export const entrySchema = Joi.object({
  ...COMMON,
  kind: oneOf(ENTRY_KINDS).required(),
  strikes: uuid.when('kind', { is: 'strike', then: Joi.required(), otherwise: Joi.forbidden() }),
  body: Joi.object()
    .required()
    .when('kind', {
      switch: ENTRY_KINDS.map((kind) => ({ is: kind, then: BODIES[kind] })),
    }),
});

/** The same of each kind by itself: a quarter of the time, for many at once. */
const OF_KIND = new Map<unknown, Joi.ObjectSchema>(
  ENTRY_KINDS.map((kind) => [
    kind,
    Joi.object({
      ...COMMON,
      kind: Joi.string().required(),
      body: BODIES[kind].required(),
      ...(kind === 'strike' && { strikes: uuid.required() }),
    }).prefs({ convert: false }),
  ]),
);

/** What is wrong with an entry, in one sentence naming the field; null when nothing is. */
export function problemOfEntry(entry: object): string | null {
  const schema = OF_KIND.get((entry as { kind?: unknown }).kind) ?? entrySchema;
  const { error } = schema.validate(entry);
  return error ? `${clearMessage(error)}.` : null;
}

/** A batch of entries for one job: all are taken in, or none. */
export const entriesSchema = Joi.object({
  entries: Joi.array().items(entrySchema).min(1).max(200).required(),
}).required();

/** One entry on its way, and to which job. */
export interface Parcel {
  jobId: string;
  entry: NewEntry;
}

/** Parcels for any jobs in one go, each taken in or refused by itself: its entry is looked at once it is its turn. */
export const parcelsSchema = Joi.object({
  parcels: Joi.array()
    .items(Joi.object({ jobId: uuid.required(), entry: Joi.object().unknown().required() }))
    .min(1)
    .max(500)
    .required(),
}).required();

/** What became of the parcels of one go. */
export interface Delivery {
  /** The entries on the log now, with their order, by job. */
  stored: { jobId: string; entries: Entry[] }[];
  /** What was not taken in: which parcel, counted from 0, and one sentence why. */
  refused: { at: number; error: string }[];
}
