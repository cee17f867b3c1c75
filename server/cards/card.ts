import { createHash } from 'node:crypto';
import { factsOf, type Job, type Machine, type RackTag } from '@rusty-wren/contract';
import { mattersIn, workThatHelped, type Account } from '@rusty-wren/core/account';
import { behaviourOf, causeOf, type Carburettor } from '@rusty-wren/core/knowledge';
import {
  coldStartDue,
  proofLeft,
  nameOfMend,
  phaseOf,
  readJob,
  type Entry,
  type Phase,
  type Picture,
} from '@rusty-wren/core/log';
import { judgeReading } from '@rusty-wren/core/reading';

/** Counted up whenever a card is worked out in another way: older ones are made anew. */
export const CARD_VERSION = 9;

/** What a job's log says to lists, as it is kept. `phase`: null where the engine has to be asked. */
export interface Says extends Pick<
  RackTag,
  | 'waitingFor'
  | 'complaints'
  | 'mended'
  | 'standing'
  | 'safety'
  | 'off'
  | 'inPieces'
  | 'hands'
  | 'coldStart'
  | 'proofLeft'
  | 'entryCount'
> {
  phase: Phase | null;
}

/** What the engine makes of a job, as it is kept. */
export interface Outlook extends Pick<RackTag, 'lead' | 'toFind'> {
  phase: Phase;
}

/** What besides the log a card depends on, in a few letters. */
export const factsKey = (machine: Machine): string =>
  createHash('sha256')
    .update(JSON.stringify(factsOf(machine)))
    .digest('base64url')
    .slice(0, 16);

/** What the outlook on a job is worked out from: its log, its model's figures, what was learnt, and the logs of jobs on the same can. */
export const outlookKey = (
  { seq, facts, odds }: { seq: number; facts: string; odds: string },
  mates: readonly { id: string; seq: number }[],
): string =>
  [CARD_VERSION, seq, facts, odds, ...mates.map((m) => `${m.id}:${m.seq}`).sort()].join(' ').slice(0, 1000);

/** What lists need of a job, from its log and the account of its work. */
export function saysOf(picture: Picture, account: Account, entryCount: number): Says {
  const phase = phaseOf(picture, { next: [], stop: null });
  return {
    waitingFor: picture.waitingFor,
    complaints: picture.complaints.map((c) => c.complaint),
    mended: workThatHelped(account),
    standing: mattersIn(account, 'standing').map((m) => m.cause),
    safety: account.safety.standing.map((f) => f.words),
    off: picture.off.length,
    inPieces: picture.off.some((item) => item.layer),
    hands: picture.hands,
    coldStart: picture.stage === 'closed' ? null : coldStartDue(picture.proof),
    proofLeft: picture.stage === 'closed' ? null : proofLeft(picture.proof),
    entryCount,
    // Nothing to check and nothing to act on: only so long as nobody has asked the engine.
    phase: phase.kind === 'settle' ? null : phase,
  };
}

/** A word in the log of somebody's hand is no longer than this, and so many tell what a job is about. */
const LONGEST_WORD = 40;
const MOST_WORDS = 400;

/** Single words in small letters, without accents, in the order they stand; each once. What is joined by marks counts apart and as one. */
export function wordsIn(texts: readonly string[]): string[] {
  const words = texts
    .join(' ')
    .normalize('NFKD')
    .replaceAll(/\p{M}/gu, '')
    .toLowerCase()
    .split(/\s+/)
    .flatMap((run) => {
      const parts = run.split(/[^\p{L}\p{N}]+/u).filter(Boolean);
      return parts.length > 1 ? [...parts, parts.join('')] : parts;
    });
  return [...new Set(words.filter((w) => w.length <= LONGEST_WORD))];
}

/** What a job can be found by: its tag, owner and machine, what it does, what was found and put right, and what was written of it. */
export function wordsOf(
  { tag, customer, machine }: Job,
  picture: Picture,
  { matters, acts, others }: Account,
): string[] {
  return wordsIn([
    String(tag),
    customer.name,
    customer.circle ?? '',
    customer.phone ?? '',
    machine.maker,
    machine.model,
    machine.serial ?? '',
    machine.kind.replaceAll('-', ' '),
    ...picture.complaints.map((c) => behaviourOf(c.complaint).label),
    ...acts.map((a) => nameOfMend(a.repair)),
    ...matters.map((m) => causeOf(m.cause).name),
    ...others.map((o) => o.words),
    ...picture.complaintWords,
    ...picture.notes.map((n) => n.text),
  ]).slice(0, MOST_WORDS);
}

/** The entries of a log that nobody has struck. */
function unstruck(entries: readonly Entry[]): Entry[] {
  const struck = new Set(entries.flatMap((e) => e.strikes ?? []));
  return entries.filter((e) => !struck.has(e.id));
}

/** A squeeze of a job as it is kept: psi at sea level. */
export interface Squeeze {
  entry: string;
  psi: number;
  sound: boolean;
  notedAt: string;
}

/** The squeezes that count in a log, those that were repeated among them, judged by the machine's class alone: its card or the shop's own band would be judging themselves. */
export function squeezesIn(
  entries: readonly Entry[],
  machine: Pick<Machine, 'kind' | 'displacementCc'>,
): Squeeze[] {
  return unstruck(entries).flatMap((e): Squeeze[] => {
    if (e.kind !== 'finding' || e.body.check !== 'compression-gauge') return [];
    const { reading } = e.body;
    if (!reading || !('psi' in reading)) return [];
    const judged = judgeReading('compression-gauge', reading, factsOf(machine));
    return 'refused' in judged
      ? []
      : [{ entry: e.id, psi: judged.value, sound: judged.result === 'good', notedAt: e.notedAt }];
  });
}

/** The carburettor as it was said last in a log and not struck. */
export function carburettorIn(entries: readonly Entry[]): { body: Carburettor; notedAt: string } | null {
  const last = unstruck(entries)
    .flatMap((e) => (e.kind === 'carburettor' ? [e] : []))
    .toSorted((x, y) => x.notedAt.localeCompare(y.notedAt))
    .at(-1);
  return last ? { body: last.body, notedAt: last.notedAt } : null;
}

/** A job's picture from its log. */
export const pictureOf = (machine: Machine, entries: readonly Entry[]): Picture =>
  readJob(entries, factsOf(machine));
