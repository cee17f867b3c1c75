import {
  checkInFields,
  logFromCaseFile,
  parseCaseFile,
  type CheckIn,
  type CustomerWithMachines,
} from '@rusty-wren/contract';
import { makeEntry, type Noted } from '@rusty-wren/core/log';
import type { ComplaintId, History, HowOften, SaidDone } from '@rusty-wren/core/knowledge';
import type { MachineKind } from '@rusty-wren/core/machine';
import { figureIn } from '@rusty-wren/core/units';
import { distance } from 'fastest-levenshtein';
import Joi from 'joi';
import { v5 as idWithin } from 'uuid';

/** A check-in as it is being filled in. */
export interface Draft {
  ownerName: string;
  ownerId: string | null;
  /** Somebody said that this is nobody on the books, though the name is near. */
  ownerIsNew: boolean;
  machineId: string | null;
  kind: MachineKind | null;
  maker: string;
  model: string;
  serial: string;
  cc: string;
  complaints: ComplaintId[];
  /** How often it does them, where somebody said. */
  often?: Partial<Record<ComplaintId, HowOften>>;
  words: string;
  history: History;
  /** Work that is said to have been done before. */
  saidDone: SaidDone[];
  safety: 'sound' | 'fault' | null;
  fault: string;
  promised: string;
  /** Findings, repairs and the tray of a case file, to go on the log as they stand. */
  carried: CarriedEntry[];
}

/** What a case file brings besides machine, history and complaints. */
export type CarriedEntry = Exclude<
  ReturnType<typeof logFromCaseFile>[number],
  { kind: 'complaint' } | { kind: 'history' } | { kind: 'said-done' }
>;

/** What of a case file stands in fields of the page. */
const ON_THE_PAGE: ReadonlySet<string> = new Set(['complaint', 'history', 'said-done']);

/** A draft with what a case file says put in; what is not in the file stays. Throws CaseFileError on a bad file. */
export function withCaseFile(d: Draft, text: string): Draft {
  const file = parseCaseFile(text);
  const bodies = logFromCaseFile(file);
  const said = bodies.flatMap((b) => (b.kind === 'complaint' ? [b.body] : []));
  const complaints = said.map((b) => b.complaint);
  return {
    ...d,
    machineId: null,
    kind: file.machine.kind,
    cc: file.machine.displacementCc === undefined ? '' : String(file.machine.displacementCc),
    complaints: [...new Set(complaints)],
    often: Object.fromEntries(said.flatMap((b) => (b.often ? [[b.complaint, b.often]] : []))),
    history: file.history ?? {},
    saidDone: bodies.flatMap((b) => (b.kind === 'said-done' ? [b.body] : [])),
    carried: bodies.filter((b): b is CarriedEntry => !ON_THE_PAGE.has(b.kind)),
  };
}

export const EMPTY: Draft = {
  ownerName: '',
  ownerId: null,
  ownerIsNew: false,
  machineId: null,
  kind: null,
  maker: '',
  model: '',
  serial: '',
  cc: '',
  complaints: [],
  words: '',
  history: {},
  saidDone: [],
  safety: null,
  fault: '',
  promised: '',
  carried: [],
};

const says = (field: Joi.Schema, problem: string): Joi.Schema => field.messages({ '*': problem });
const saysOr = (field: Joi.Schema, problem: string, long: string): Joi.Schema =>
  field.messages({ '*': problem, 'string.max': long });
/** A field of a machine that is not on the books yet. */
const ifNew = (field: Joi.Schema): Joi.Schema =>
  Joi.when('machineId', { is: Joi.string().required(), then: Joi.any(), otherwise: field });

/** The displacement that was written, cc; null where it is no number, or may be two. */
const ccIn = (text: string): number | null => {
  const value = figureIn(text, { min: 10, max: 200 });
  return typeof value === 'number' ? value : null;
};

const displacement = Joi.string()
  .allow('')
  .custom((text: string, helpers) => {
    const { error } = checkInFields.displacementCc.validate(ccIn(text) ?? text, { convert: false });
    return text.trim() && error ? helpers.error('any.invalid') : text;
  });

/** What a check-in is judged with besides itself: the owners on the books. */
export interface OnTheBooks {
  owners: readonly string[];
}

/** An owner whose name differs from what is written by a slip of the hand, or by nothing; null when there is none. */
export function nearOwner(written: string, owners: readonly string[]): string | null {
  const plain = (name: string): string => name.toLowerCase().replace(/[^\p{L}\p{N}]/gu, '');
  const wanted = plain(written);
  if (wanted.length < 3) return null;
  return owners.find((name) => distance(plain(name), wanted) <= SLIPS) ?? null;
}
/** Letters that may be wrong in a name before it is another. */
const SLIPS = 2;

const notNearAnybody: Joi.CustomValidator<string> = (name, helpers) => {
  const { owners = [] } = (helpers.prefs.context ?? {}) as Partial<OnTheBooks>;
  const near = nearOwner(name, owners);
  return near ? helpers.error('owner.near', { near }) : name;
};

/** A check-in as the page takes it: the fields the server checks, each with its own sentence. */
export const draftSchema = Joi.object<Draft>({
  ownerName: Joi.when('ownerId', {
    is: Joi.string().required(),
    then: Joi.any(),
    otherwise: checkInFields.owner
      .required()
      .when('ownerIsNew', { is: false, then: Joi.custom(notNearAnybody) })
      .messages({
        '*': 'Owner: whose is it?',
        'string.max': 'Owner: 120 letters at most.',
        'owner.near': 'Owner: is it {{#near}}? Pick them, or say it is somebody else.',
      }),
  }),
  kind: ifNew(says(checkInFields.kind.required(), 'Machine: pick its kind.')),
  maker: ifNew(
    saysOr(checkInFields.maker.required(), 'Maker: not written yet.', 'Maker: 60 letters at most.'),
  ),
  model: ifNew(
    saysOr(checkInFields.model.required(), 'Model: not written yet.', 'Model: 60 letters at most.'),
  ),
  cc: ifNew(says(displacement, 'Displacement: a number from 10 to 200 cc.')),
  serial: says(Joi.string().allow('').max(60), 'Serial: 60 letters at most.'),
  words: says(Joi.string().allow('').max(500), 'In their words: 500 letters at most.'),
  history: says(
    Joi.object({ alreadyTried: Joi.string().allow('').max(500) }).unknown(),
    'Tried besides: 500 letters at most.',
  ),
  complaints: says(Joi.array().min(1), 'Complaint: pick at least one shape.'),
  fault: Joi.when('safety', {
    is: 'fault',
    then: saysOr(checkInFields.fault.required(), 'Safety: name the fault.', 'Safety: 500 letters at most.'),
    otherwise: Joi.any(),
  }),
}).unknown();

/** What keeps a draft from being checked in, one sentence a field; empty when nothing does. */
export function problemsOf(d: Draft, books: OnTheBooks = { owners: [] }): string[] {
  const { error } = draftSchema.validate(d, { abortEarly: false, context: books });
  return error ? [...new Set(error.details.map((detail) => detail.message))] : [];
}

/** The request a whole draft makes. `now` is ISO 8601. Throws on a draft that still has problems. */
export function checkInOf(d: Draft, jobId: string, by: string | null, now: string): CheckIn {
  const problem = problemsOf(d)[0];
  if (problem) throw new Error(problem);
  const entries: Noted[] = d.complaints.map((complaint, i) => ({
    kind: 'complaint',
    body: {
      complaint,
      ...(i === 0 && d.words.trim() && { words: d.words.trim() }),
      ...(d.often?.[complaint] && { often: d.often[complaint] }),
    },
  }));
  const answers: History = { ...d.history };
  if (answers.alreadyTried !== undefined) answers.alreadyTried = answers.alreadyTried.trim();
  if (!answers.alreadyTried) delete answers.alreadyTried;
  if (Object.keys(answers).length > 0) entries.push({ kind: 'history', body: { answers } });
  entries.push(...d.saidDone.map((body) => ({ kind: 'said-done', body }) as const));
  if (d.safety) {
    entries.push({
      kind: 'finding',
      body: {
        check: 'safety-walkround',
        result: d.safety,
        sureness: 'sure',
        ...(d.safety === 'fault' && { note: d.fault.trim() }),
      },
    });
  }
  entries.push(...d.carried);
  return {
    jobId,
    customer: d.ownerId ? { id: d.ownerId } : { name: d.ownerName.trim() },
    machine:
      d.machineId || !d.kind
        ? { id: d.machineId ?? '' }
        : {
            kind: d.kind,
            maker: d.maker.trim(),
            model: d.model.trim(),
            ...(d.serial.trim() && { serial: d.serial.trim() }),
            ...(d.cc.trim() && { displacementCc: ccIn(d.cc) ?? 0 }),
          },
    ...(d.promised && { promisedFor: d.promised }),
    // The same at every try: what is sent again after a lost answer is not noted twice.
    entries: entries.map((noted, n) =>
      makeEntry(noted, { id: idWithin(JSON.stringify([n, noted]), jobId), notedAt: now, by }),
    ),
  };
}

/** Owners whose name holds what is being written, or nearly, the nearest first, at most `most`. */
export function matchingOwners(
  customers: readonly CustomerWithMachines[],
  written: string,
  most: number,
): CustomerWithMachines[] {
  const wanted = written.trim().toLowerCase();
  const holds = customers
    .filter((c) => c.name.toLowerCase().includes(wanted))
    .sort(
      (x, y) =>
        Number(y.name.toLowerCase().startsWith(wanted)) - Number(x.name.toLowerCase().startsWith(wanted)),
    );
  const near = nearOwner(
    written,
    customers.map((c) => c.name),
  );
  return [...customers.filter((c) => c.name === near), ...holds.filter((c) => c.name !== near)].slice(
    0,
    most,
  );
}
