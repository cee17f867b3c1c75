import {
  causeOf,
  causesPutRight,
  checkOf,
  CAUSE_IDS,
  putRightBy,
  resultOf,
  seenAs,
  type CauseId,
} from '../../knowledge';
import type { Entry } from '../../log';
import type { MachineFacts } from '../../machine';
import { judgeReading } from '../../reading';

/**
 * What a careful reader of the log would say of one fault, by rules of their own: they do not ask the program. `unsure`: more than one
 * thing may be said; the audit says nothing then.
 */
export type Reader = 'sound' | 'standing' | 'mended' | 'asked' | 'unsure';

const resultIn = (e: Extract<Entry, { kind: 'finding' }>, machine: MachineFacts): string | null => {
  const { check, result, reading } = e.body;
  if (result !== undefined) return result;
  const judged = reading && judgeReading(check, reading, machine);
  return judged && 'result' in judged && judged.sureness === 'sure' ? judged.result : null;
};

/** Entries nobody struck, repairs where they were done. */
export function unstruckIn(entries: readonly Entry[]): Entry[] {
  const struck = new Set<string>();
  for (const e of [...entries].reverse())
    if (e.kind === 'strike' && e.strikes && !struck.has(e.id)) struck.add(e.strikes);
  const live = entries.filter((e) => !struck.has(e.id) && e.kind !== 'strike');
  for (const e of [...live]) {
    if (e.kind !== 'repair' || !('cause' in e.body) || !e.body.before) continue;
    const target = live.findIndex((o) => o.id === (e.body as { before?: string }).before);
    const at = live.indexOf(e);
    if (target < 0 || target > at) continue;
    live.splice(at, 1);
    live.splice(target, 0, e);
  }
  return live;
}

/** Reads a log for every fault of the list. */
export function readerOf(entries: readonly Entry[], machine: MachineFacts): Map<CauseId, Reader> {
  const live = unstruckIn(entries);
  const says = new Map<CauseId, Reader>();
  const seenBy = new Map<CauseId, string>();
  const soundBy = new Map<CauseId, string>();
  const settled = new Set<CauseId>();
  for (const e of live) {
    if (e.kind === 'verdict' && 'settles' in e.body) settled.add(e.body.settles);
    if (e.kind === 'start' && e.body.outcome !== 'runs') for (const c of says.keys()) says.set(c, 'unsure');
    if (e.kind === 'repair' && 'cause' in e.body) {
      const { cause, remedy, outcome } = e.body;
      for (const c of causesPutRight(cause, remedy)) {
        const was = says.get(c);
        // A part that was seen sound is never a fault that was mended.
        if (was === 'sound') continue;
        const sure = was === 'standing' || (!remedy && was !== 'asked');
        says.set(c, sure && (outcome === 'cured' || outcome === 'better') ? 'mended' : 'unsure');
      }
      continue;
    }
    if (e.kind !== 'finding') continue;
    const result = resultIn(e, machine);
    const { check, sureness } = e.body;
    for (const c of putRightBy(check)) says.set(c, 'unsure');
    // The check was made again: what only it had shown is told anew.
    for (const [c, by] of seenBy) if (by === check && says.get(c) === 'standing') says.set(c, 'asked');
    if (result === null || sureness !== 'sure') {
      for (const [c, by] of seenBy) if (by === check) says.set(c, 'unsure');
      continue;
    }
    const faults = resultOf(check, result)?.soft ? [] : seenAs(check, result);
    if (faults.length === 1) {
      says.set(faults[0]!, 'standing');
      seenBy.set(faults[0]!, check);
      continue;
    }
    const [normal] = checkOf(check).results;
    if (result !== normal?.id || normal.soft) {
      for (const [c, by] of seenBy) if (by === check) says.set(c, 'unsure');
      // Looked at again, it no longer shows as sound: the later look counts.
      for (const [c, by] of soundBy) if (by === check && says.get(c) === 'sound') says.set(c, 'unsure');
      continue;
    }
    for (const c of CAUSE_IDS) {
      const { seen = {}, severalPlaces, hidden } = causeOf(c);
      if (!(check in seen) || severalPlaces || hidden) continue;
      const was = says.get(c);
      if (was === undefined) {
        says.set(c, 'sound');
        soundBy.set(c, check);
      } else if (was === 'standing' && seenBy.get(c) === check) says.set(c, 'asked');
    }
  }
  // Somebody said it was that, whatever was seen: nothing is to be held against the program.
  for (const c of settled) says.set(c, 'unsure');
  return says;
}
