import {
  checkOf,
  countProblem,
  FAILS_WHEN_IDS,
  MOST_COUNTED,
  OFTEN_SAID_IDS,
  PRIOR_WORK_IDS,
  SAID_BY,
  SAID_EFFECTS,
  SPAN_IDS,
  type CheckId,
  type Counted,
} from '@rusty-wren/core/knowledge';
import { MOST_POINTS } from '@rusty-wren/core/pressure';
import { SHOWN_IN } from '@rusty-wren/core/reading';
import { PRESSURE_UNITS } from '@rusty-wren/core/units';
import Joi from 'joi';

/** What a gauge, a feeler and a tachometer can show, and how many figures one reading may have: alike everywhere. */
const FIGURES = {
  psi: { min: 0, max: 400, count: 30 },
  mm: { min: -5, max: 50, count: 4 },
  rpm: { min: 0, max: 25_000, count: 60 },
} as const;

/** A reading's figures, as a log holds them: a list. */
export const figures = (of: keyof typeof FIGURES): Joi.ArraySchema => {
  const { min, max, count } = FIGURES[of];
  return Joi.array().items(Joi.number().min(min).max(max)).min(1).max(count);
};

/** The same in a case file, where one figure needs no list. */
const figureOrList = (of: keyof typeof FIGURES): Joi.AlternativesSchema =>
  Joi.alternatives(Joi.number().min(FIGURES[of].min).max(FIGURES[of].max), figures(of));

/** A gauge watched over time: at most as many readings as a table may have. */
const trace = Joi.object({
  unit: Joi.string()
    .valid(...PRESSURE_UNITS)
    .required(),
  points: Joi.array()
    .items(
      Joi.array()
        .ordered(Joi.number().min(0).max(7200).required(), Joi.number().min(0).max(2000).required())
        .length(2),
    )
    .min(1)
    .max(MOST_POINTS)
    .required(),
  strokes: Joi.number().min(0.1).max(500),
  strokeMl: Joi.number().min(0.1).max(200),
  volumeMl: Joi.number().min(0.5).max(20_000),
  altitudeM: Joi.number().min(-450).max(6000),
  simulated: Joi.boolean(),
});

/** What a reading may say besides its figures, the screws and the watched gauge, alike in the log and in case files. */
export const besidesTheFigures = {
  decompressor: Joi.string().valid('open', 'closed', 'none'),
  altitudeM: Joi.number().min(-450).max(6000),
  throttle: Joi.string().valid('open', 'shut'),
  contact: Joi.string().valid('quiet', 'scrape'),
  engine: Joi.string().valid('warm', 'cold'),
  hoseMl: Joi.number().min(0).max(100),
  floorPsi: Joi.number().min(20).max(250),
  dryPsi: Joi.number().min(1).max(400),
  in: Joi.string().valid(...SHOWN_IN),
  confirmed: Joi.boolean(),
  simulated: Joi.boolean(),
  turns: Joi.object({ L: Joi.number().min(0).max(12), H: Joi.number().min(0).max(12) }).min(1),
  trace,
} as const;

/** The raw readings a finding may carry instead of a picked result. */
export const readingKeys = {
  psi: figureOrList('psi'),
  ...besidesTheFigures,
  mm: figureOrList('mm'),
  rpm: figureOrList('rpm'),
} as const;

/** A check's result must be one it can have; the message names those it can. */
export function hasItsResult<T extends { check: CheckId; result?: string }>(
  finding: T,
  helpers: Joi.CustomHelpers,
): T | Joi.ErrorReport {
  const known = checkOf(finding.check).results.map((r) => r.id);
  if (finding.result === undefined || known.includes(finding.result)) return finding;
  return helpers.message({
    custom: `{{#label}}: "${finding.result}" is not a result of ${finding.check} (${known.join(', ')})`,
  });
}

/** Pulls of the cord made just before a check. */
export const pullsSchema = Joi.number().integer().min(0).max(200);

/** So many of so many, `least` at the least. */
const counted = (least: 0 | 1): Joi.ObjectSchema =>
  Joi.object({
    of: Joi.number().integer().min(1).max(MOST_COUNTED).required(),
    failed: Joi.number().integer().min(least).max(Joi.ref('of')).required(),
  });

/** How often a check failed of how often it was made. */
export const triesSchema = counted(0);

/** A count is noted where it says something, and agrees with the result. */
export function takesCounts<T extends { check: CheckId; result?: string; counts?: Counted }>(
  finding: T,
  helpers: Joi.CustomHelpers,
): T | Joi.ErrorReport {
  const problem = finding.counts && countProblem(checkOf(finding.check), finding.result, finding.counts);
  return problem ? helpers.message({ custom: `{{#label}}.counts: ${problem}` }) : finding;
}

/** Pulls are noted where long pulling changes what is seen. */
export function takesPulls<T extends { check: CheckId; pulls?: number }>(
  finding: T,
  helpers: Joi.CustomHelpers,
): T | Joi.ErrorReport {
  if (finding.pulls === undefined || checkOf(finding.check).results.some((r) => r.fromPulling))
    return finding;
  return helpers.message({ custom: `{{#label}}: pulls make no difference to ${finding.check}` });
}

/** How often it does it: as it is said, or so many of so many tries. */
export const oftenSchema = Joi.alternatives(
  Joi.object({
    said: Joi.string()
      .valid(...OFTEN_SAID_IDS)
      .required(),
  }),
  counted(1),
);

/** History answers: every one may be missing, none may be made up. */
export const historySchema = Joi.object({
  monthsStored: Joi.number().min(0).max(600),
  fuelAgeMonths: Joi.number().min(0).max(600),
  storedSaid: Joi.string().valid(...SPAN_IDS),
  fuelSaid: Joi.string().valid(...SPAN_IDS),
  mixedBy: Joi.string().valid('owner', 'shop', 'canned', 'unknown'),
  stopped: Joi.string().valid('suddenly', 'gradually', 'no-restart-after-rest'),
  failsWhen: Joi.string().valid(...FAILS_WHEN_IDS),
  comesAndGoes: Joi.boolean(),
  openedBefore: Joi.string().valid('yes', 'no', 'unknown'),
  lightUse: Joi.boolean(),
  dailyUse: Joi.boolean(),
  sharedCan: Joi.boolean(),
  tunedAltitudeM: Joi.number().min(-400).max(5000),
  workAltitudeM: Joi.number().min(-400).max(5000),
  alreadyTried: Joi.string().max(500),
});

/** What is told of work done before, beside which work. */
const saidOfWork = {
  by: Joi.string().valid(...SAID_BY),
  monthsAgo: Joi.number().min(0).max(600),
  effect: Joi.string().valid(...SAID_EFFECTS),
};
const priorWork = Joi.string()
  .valid(...PRIOR_WORK_IDS)
  .required();
/** Work said to have been done before, as an entry and as a line of a case file. */
export const saidDoneSchema = Joi.object({ work: priorWork, ...saidOfWork });
export const saidDoneLine = Joi.object({ saidDone: priorWork, ...saidOfWork });
