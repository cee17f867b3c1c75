import type { Entry, EntryKind, Stage } from './entry';

/** Work at the bench beside checks: what is done with the machine in hand. */
const WORK: ReadonlySet<EntryKind> = new Set([
  'took-off',
  'put-back',
  'thrown-away',
  'left-off',
  'condition',
  'rebuild-step',
  'repair',
  'screw',
  'heard',
  'start',
  'proved',
  'swapped-back',
]);

/** What was noted at check-in, the walk-round among it, is no work yet. */
const isWork = (e: Entry, checkedInAt: string | undefined): boolean =>
  e.notedAt !== checkedInAt &&
  (e.kind === 'finding' ? e.body.check !== 'safety-walkround' : WORK.has(e.kind));

/** Where a job is, since when, and what it waits for. */
export interface Standing {
  stage: Stage;
  stageSince: string | null;
  waitingFor: string | null;
}

/**
 * Where a job is: as somebody said last, or as the work done since says. The first look at a machine puts it on the bench;
 * a cure, to be proved; an engine that fails again, back on the bench.
 */
export function readStage(live: readonly Entry[], cured: boolean): Standing {
  const saidAt = live.findLastIndex((e) => e.kind === 'stage');
  const found = live[saidAt];
  const said = found?.kind === 'stage' ? found : undefined;
  const [first] = live;
  const work = live.filter((e, at) => at > saidAt && isWork(e, first?.notedAt));
  const standing: Standing = {
    stage: said?.body.stage ?? 'hook',
    stageSince: said?.notedAt ?? first?.notedAt ?? null,
    waitingFor: said?.body.waitingFor ?? null,
  };
  // The owner has spoken: it is waited for no longer.
  const spoken = standing.stage === 'answer' && live.find((e, at) => at > saidAt && e.kind === 'decision');
  if (spoken && !work[0]) return { stage: 'hook', stageSince: spoken.notedAt, waitingFor: null };
  const began = work[0];
  if (standing.stage === 'closed' || !began) return standing;
  const curedBy = cured && work.find((e) => e.kind === 'repair' && e.body.outcome === 'cured');
  if (curedBy) return { stage: 'proof', stageSince: curedBy.notedAt, waitingFor: null };
  // A proof goes on until something fails; then it is on the bench again.
  if (standing.stage === 'proof' && cured) return standing;
  return standing.stage === 'bench'
    ? standing
    : { stage: 'bench', stageSince: began.notedAt, waitingFor: null };
}
