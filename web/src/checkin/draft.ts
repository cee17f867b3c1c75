import {
  logFromCaseFile,
  parseCaseFile,
  type CheckIn,
  type CustomerWithMachines,
} from '@rusty-wren/contract';
import { makeEntry, type Noted } from '@rusty-wren/core/log';
import type { ComplaintId, History } from '@rusty-wren/core/knowledge';
import type { MachineKind } from '@rusty-wren/core/machine';
import { v4 as uuid } from 'uuid';

/** A check-in as it is being filled in. */
export interface Draft {
  ownerName: string;
  ownerId: string | null;
  machineId: string | null;
  kind: MachineKind | null;
  maker: string;
  model: string;
  serial: string;
  cc: string;
  complaints: ComplaintId[];
  words: string;
  history: History;
  safety: 'sound' | 'fault' | null;
  fault: string;
  promised: string;
  /** Findings, repairs and the tray of a case file, to go on the log as they stand. */
  carried: CarriedEntry[];
}

/** What a case file brings besides machine, history and complaints. */
export type CarriedEntry = Exclude<
  ReturnType<typeof logFromCaseFile>[number],
  { kind: 'complaint' } | { kind: 'history' }
>;

/** A draft with what a case file says put in; what is not in the file stays. Throws CaseFileError on a bad file. */
export function withCaseFile(d: Draft, text: string): Draft {
  const file = parseCaseFile(text);
  const bodies = logFromCaseFile(file);
  const complaints = bodies.flatMap((b) => (b.kind === 'complaint' ? [b.body.complaint] : []));
  return {
    ...d,
    machineId: null,
    kind: file.machine.kind,
    cc: file.machine.displacementCc === undefined ? '' : String(file.machine.displacementCc),
    complaints: [...new Set(complaints)],
    history: file.history ?? {},
    carried: bodies.filter((b): b is CarriedEntry => b.kind !== 'complaint' && b.kind !== 'history'),
  };
}

export const EMPTY: Draft = {
  ownerName: '',
  ownerId: null,
  machineId: null,
  kind: null,
  maker: '',
  model: '',
  serial: '',
  cc: '',
  complaints: [],
  words: '',
  history: {},
  safety: null,
  fault: '',
  promised: '',
  carried: [],
};

/** What keeps a draft from being hung up, one sentence a field; empty when nothing does. */
export function problemsOf(d: Draft): string[] {
  const problems: string[] = [];
  if (!d.ownerId && !d.ownerName.trim()) problems.push('Owner: whose is it?');
  if (!d.machineId) {
    if (!d.kind) problems.push('Machine: pick its kind.');
    if (!d.maker.trim()) problems.push('Maker: not written yet.');
    if (!d.model.trim()) problems.push('Model: not written yet.');
    const cc = Number(d.cc.replace(',', '.'));
    if (d.cc.trim() && !(cc >= 10 && cc <= 200)) problems.push('Displacement: a number from 10 to 200 cc.');
  }
  if (d.complaints.length === 0) problems.push('Complaint: pick at least one shape.');
  if (d.safety === 'fault' && !d.fault.trim()) problems.push('Safety: name the fault.');
  return problems;
}

/** The request a whole draft makes. `now` is ISO 8601. Throws on a draft that still has problems. */
export function checkInOf(d: Draft, jobId: string, by: string | null, now: string): CheckIn {
  const problem = problemsOf(d)[0];
  if (problem) throw new Error(problem);
  const entries: Noted[] = d.complaints.map((complaint, i) => ({
    kind: 'complaint',
    body: { complaint, ...(i === 0 && d.words.trim() && { words: d.words.trim() }) },
  }));
  const answers: History = { ...d.history };
  if (answers.alreadyTried !== undefined) answers.alreadyTried = answers.alreadyTried.trim();
  if (!answers.alreadyTried) delete answers.alreadyTried;
  if (Object.keys(answers).length > 0) entries.push({ kind: 'history', body: { answers } });
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
            ...(d.cc.trim() && { displacementCc: Number(d.cc.replace(',', '.')) }),
          },
    ...(d.promised && { promisedFor: d.promised }),
    entries: entries.map((noted) => makeEntry(noted, { id: uuid(), notedAt: now, by })),
  };
}

/** Owners whose name holds what is being written, best first, at most `most`. */
export function matchingOwners(
  customers: readonly CustomerWithMachines[],
  written: string,
  most: number,
): CustomerWithMachines[] {
  const wanted = written.trim().toLowerCase();
  return customers
    .filter((c) => c.name.toLowerCase().includes(wanted))
    .sort(
      (x, y) =>
        Number(y.name.toLowerCase().startsWith(wanted)) - Number(x.name.toLowerCase().startsWith(wanted)),
    )
    .slice(0, most);
}
