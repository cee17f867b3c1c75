import type { PaperKind } from './blocks';
import type { Entry } from './entry';
import type { GivenPaper } from './picture';

/** The papers given on a job, in order. */
export function readPapers(live: readonly Entry[]): GivenPaper[] {
  const counts = new Map<PaperKind, number>();
  return live.flatMap((e) => {
    if (e.kind !== 'paper') return [];
    const version = (counts.get(e.body.paper) ?? 0) + 1;
    counts.set(e.body.paper, version);
    return [{ entryId: e.id, notedAt: e.notedAt, ...e.body, version }];
  });
}
