import {
  CAUSE_IDS,
  CHECK_IDS,
  COMPLAINT_IDS,
  PART_IDS,
  REMEDY_IDS,
  REPAIR_OUTCOMES,
  SURENESS,
} from '@rusty-wren/core/knowledge';
import { MACHINE_KINDS } from '@rusty-wren/core/machine';
import Joi from 'joi';
import {
  triesSchema,
  hasItsResult,
  historySchema,
  oftenSchema,
  pullsSchema,
  readingKeys,
  saidDoneLine,
  takesCounts,
  takesPulls,
} from './bench';
import { CASE_FORMAT, type CaseFile } from './caseFile';
import { clearMessage } from './messages';
import { specFiguresSchema } from './specCard';

const id = (ids: readonly string[]): Joi.StringSchema =>
  Joi.string()
    .valid(...ids)
    .required();

const KEYS = ['complaint', 'check', 'repair', 'saidDone', 'tookOff', 'putBack'];

const findingLine = Joi.object({
  check: id(CHECK_IDS),
  result: Joi.string(),
  sureness: Joi.string().valid(...SURENESS),
  counts: triesSchema,
  pulls: pullsSchema,
  note: Joi.string().allow(''),
  ...readingKeys,
})
  .or('result', 'psi', 'mm', 'rpm', 'turns', 'trace')
  .custom(hasItsResult)
  .custom(takesPulls)
  .custom(takesCounts);

const logLine = Joi.object()
  .when(Joi.object({ complaint: Joi.exist() }).unknown(), {
    then: Joi.object({ complaint: id(COMPLAINT_IDS), often: oftenSchema }),
  })
  .when(Joi.object({ check: Joi.exist() }).unknown(), { then: findingLine })
  .when(Joi.object({ repair: Joi.exist() }).unknown(), {
    then: Joi.object({
      repair: id(CAUSE_IDS),
      remedy: Joi.string().valid(...REMEDY_IDS),
      outcome: id(REPAIR_OUTCOMES),
    }),
  })
  .when(Joi.object({ saidDone: Joi.exist() }).unknown(), { then: saidDoneLine })
  .when(Joi.object({ tookOff: Joi.exist() }).unknown(), { then: Joi.object({ tookOff: id(PART_IDS) }) })
  .when(Joi.object({ putBack: Joi.exist() }).unknown(), { then: Joi.object({ putBack: id(PART_IDS) }) })
  .custom((line: object, helpers) => {
    const named = KEYS.filter((key) => key in line);
    if (named.length === 1) return line;
    return helpers.message({ custom: `{{#label}} must name exactly one of ${KEYS.join(', ')}` });
  });

const caseFile = Joi.object({
  format: Joi.string().valid(CASE_FORMAT).required(),
  machine: Joi.object({
    kind: id(MACHINE_KINDS),
    displacementCc: Joi.number().positive().max(200),
    spec: specFiguresSchema,
    shopSqueezePsi: Joi.array().items(Joi.number().min(40).max(400)).max(500),
  }).required(),
  history: historySchema,
  log: Joi.array().items(logLine).max(2000).required(),
}).required();

export class CaseFileError extends Error {}

/** Parses a case file's text. Throws CaseFileError with one sentence naming the field and the reason. */
export function parseCaseFile(text: string): CaseFile {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch (error) {
    throw new CaseFileError(`is not JSON: ${(error as Error).message}`);
  }
  const { error, value } = caseFile.validate(data, { convert: false });
  if (error) throw new CaseFileError(clearMessage(error));
  return value as CaseFile;
}
