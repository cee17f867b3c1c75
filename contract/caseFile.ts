import type {
  CauseId,
  CheckId,
  ComplaintId,
  Counted,
  History,
  HowOften,
  PartId,
  RemedyId,
  PriorWorkId,
  RepairOutcome,
  SaidDone,
  Sureness,
} from '@rusty-wren/core/knowledge';
import type { MachineFacts } from '@rusty-wren/core/machine';
import {
  actedOn,
  takeIn,
  withGoing,
  type Case,
  type Diagnosis,
  type Evidence,
} from '@rusty-wren/core/diagnosis';
import type { Bodies, Picture } from '@rusty-wren/core/log';
import { judgeReading, type Reading } from '@rusty-wren/core/reading';

export const CASE_FORMAT = 'rusty-wren-case/1';

type LogLine =
  | { complaint: ComplaintId; often?: HowOften }
  | ({
      check: CheckId;
      result?: string;
      sureness?: Sureness;
      counts?: Counted;
      pulls?: number;
      note?: string;
      psi?: number | number[];
      mm?: number | number[];
      rpm?: number | number[];
    } & Omit<Reading, 'psi' | 'mm' | 'rpm'>)
  | { repair: CauseId; remedy?: RemedyId; outcome: RepairOutcome }
  | ({ saidDone: PriorWorkId } & Omit<SaidDone, 'work'>)
  | { tookOff: PartId }
  | { putBack: PartId };

export interface CaseFile {
  format: typeof CASE_FORMAT;
  /** What is the machine's own: the school its bench begins from is not. */
  machine: Omit<MachineFacts, 'baselineTurns'>;
  history?: History;
  log: LogLine[];
}

const listed = (value: number | number[] | undefined): readonly number[] | undefined =>
  value === undefined ? undefined : Array.isArray(value) ? value : [value];

/** A repair as a bench log holds it. */
const repairIn = ({
  repair,
  remedy,
  outcome,
}: Extract<LogLine, { repair: CauseId }>): Extract<Bodies['repair'], { cause: CauseId }> => ({
  cause: repair,
  ...(remedy && { remedy }),
  outcome,
});

const saidIn = ({ saidDone: work, ...rest }: Extract<LogLine, { saidDone: PriorWorkId }>): SaidDone => ({
  work,
  ...rest,
});

/** The engine's case from a case file: later checks supersede earlier ones, readings are judged. */
export function caseFromFile(file: CaseFile): { case: Case; refused: CheckId[] } {
  let evidence: Evidence[] = [];
  const off = new Set<PartId>();
  const refused: CheckId[] = [];
  file.log.forEach((line, i) => {
    const ref = `log[${i}]`;
    if ('complaint' in line) evidence = takeIn(evidence, { ref, kind: 'complaint', ...line });
    else if ('saidDone' in line) evidence = takeIn(evidence, { ref, kind: 'said-done', ...saidIn(line) });
    else if ('repair' in line) evidence = takeIn(evidence, { ref, kind: 'repair', ...repairIn(line) });
    else if ('tookOff' in line) off.add(line.tookOff);
    else if ('putBack' in line) off.delete(line.putBack);
    else {
      const { check, counts, pulls } = line;
      let { result, sureness = 'sure' } = line;
      if (result === undefined) {
        const judged = judgeReading(
          check,
          { ...line, psi: listed(line.psi), mm: listed(line.mm), rpm: listed(line.rpm) },
          file.machine,
        );
        if ('refused' in judged) {
          refused.push(check);
          return;
        }
        result = judged.result;
        sureness = line.sureness ?? judged.sureness;
      }
      evidence = takeIn(evidence, {
        ref,
        kind: 'finding',
        check,
        result,
        sureness,
        ...(counts && { counts }),
        ...(pulls !== undefined && { pulls }),
      });
    }
  });
  const history = withGoing(file.history ?? {}, evidence);
  return { case: { machine: file.machine, history, evidence, off: [...off] }, refused };
}

type CarriedKind = 'complaint' | 'history' | 'said-done' | 'finding' | 'took-off' | 'put-back' | 'repair';
/** A body of the bench log that a case file can carry. */
type Carried = {
  [K in CarriedKind]: { kind: K; body: Bodies[K] };
}[CarriedKind];

/**
 * A job as a case file: everything that still counts, in order. What the format has no word for (notes, verdicts, loose
 * things in the tray, where the job hangs) stays behind.
 */
export function caseFileOf(picture: Picture): CaseFile {
  const log = picture.trail.flatMap(({ entry, state }): LogLine[] => {
    if (state !== 'live') return [];
    switch (entry.kind) {
      case 'complaint':
        return [{ complaint: entry.body.complaint, ...(entry.body.often && { often: entry.body.often }) }];
      case 'finding': {
        const { check, result, reading, sureness, counts, pulls, note } = entry.body;
        return [
          {
            check,
            ...(result !== undefined && { result }),
            ...(reading as object),
            ...(sureness !== 'sure' && { sureness }),
            ...(counts && { counts }),
            ...(pulls !== undefined && { pulls }),
            ...(note && { note }),
          } as LogLine,
        ];
      }
      case 'said-done': {
        const { work: saidDone, ...rest } = entry.body;
        return [{ saidDone, ...rest }];
      }
      case 'repair': {
        if (!('cause' in entry.body)) return [];
        const { cause, remedy, outcome } = entry.body;
        return [{ repair: cause, ...(remedy && { remedy }), outcome }];
      }
      case 'took-off':
        return 'part' in entry.body ? [{ tookOff: entry.body.part }] : [];
      case 'put-back':
        return 'part' in entry.body ? [{ putBack: entry.body.part }] : [];
      default:
        return [];
    }
  });
  const history = Object.keys(picture.history).length > 0 ? { history: picture.history } : {};
  const { baselineTurns: _school, ...machine } = picture.machine;
  return { format: CASE_FORMAT, machine, ...history, log };
}

/** A case file as bodies for a bench log, in order: what `caseFileOf` wrote comes back as it was. */
export function logFromCaseFile(file: CaseFile): Carried[] {
  const history = file.history && Object.keys(file.history).length > 0 ? file.history : null;
  return [
    ...(history ? [{ kind: 'history', body: { answers: history } } as const] : []),
    ...file.log.map((line): Carried => {
      if ('complaint' in line) return { kind: 'complaint', body: line };
      if ('saidDone' in line) return { kind: 'said-done', body: saidIn(line) };
      if ('repair' in line) return { kind: 'repair', body: repairIn(line) };
      if ('tookOff' in line) return { kind: 'took-off', body: { part: line.tookOff } };
      if ('putBack' in line) return { kind: 'put-back', body: { part: line.putBack } };
      const { check, result, sureness = 'sure', counts, pulls, note, psi, mm, rpm, ...rest } = line;
      const figures = { psi: listed(psi), mm: listed(mm), rpm: listed(rpm) };
      const reading = {
        ...Object.fromEntries(Object.entries(figures).filter(([, v]) => v !== undefined)),
        ...rest,
      };
      const read = Object.keys(reading).some((key) => key in figures || key === 'turns' || key === 'trace');
      return {
        kind: 'finding',
        body: {
          check,
          ...(result !== undefined && { result }),
          ...(read && { reading }),
          sureness,
          ...(counts && { counts }),
          ...(pulls !== undefined && { pulls }),
          ...(note?.trim() && { note: note.trim() }),
        },
      };
    }),
  ];
}

const round = (x: number): number => Math.round(x * 1e4) / 1e4;

/** What the case-file command prints for one case. */
export function caseReport(c: Case, d: Diagnosis, refused: readonly CheckId[]): object {
  const byRef = new Map(c.evidence.map((e) => [e.ref, e]));
  const check = (ref: string): CheckId[] => {
    const e = byRef.get(ref);
    return e?.kind === 'finding' ? [e.check] : [];
  };
  return {
    found: d.found.map(({ cause, state, explains }) => ({ cause, state, explains })),
    suspects: d.suspects.map((s) => ({
      cause: s.cause,
      probability: round(s.probability),
      explains: s.explains,
    })),
    next: d.next.map((n) => ({ check: n.check, minutes: round(n.minutes), value: round(n.net) })),
    stop: d.stop && { why: d.stop.why, causes: actedOn(d.stop) },
    unexplained: d.unexplained.flatMap((e) =>
      e.kind === 'finding' ? [{ check: e.check, result: e.result }] : [],
    ),
    repeat: [...refused, ...d.repeat.flatMap((m) => check(m.ref))].map((c) => ({ check: c })),
    behind: d.behind.map((b) => b.cause),
  };
}
