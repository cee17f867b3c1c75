import type { PartUse } from './part';
import type { Want } from './wants';

export const NEED_STATES = ['to-order', 'ordered', 'reserved', 'fitted', 'dropped'] as const;
/** How far a part for a job has come: on the list, on its way, set aside on the shelf, in the machine; or not wanted. */
export type NeedState = (typeof NEED_STATES)[number];

/** A part for a job, as somebody has seen to it. */
export interface Need {
  id: string;
  jobId: string;
  /** Null: put down by hand. */
  use: PartUse | null;
  name: string;
  /** Null: none of the catalogue; it has to be looked for. */
  part: string | null;
  count: number;
  state: NeedState;
  /** Where it is to be had, and when it should be here. */
  source: string | null;
  expected: string | null;
}

/** A part of a job as it stands: what the log wants, and what was done about it. */
export interface JobPart {
  use: PartUse | null;
  name: string;
  need: Need | null;
  /** Wanted; not any more, because the work is done; or not any more at all: it can go back. */
  now: 'wanted' | 'done' | 'unwanted';
}

/**
 * What the log wants beside what was seen to, each once: what is wanted first, then what is wanted no longer or by hand. `done`: the
 * uses whose work is done by the log.
 */
export function jobParts(
  wants: readonly Want[],
  needs: readonly Need[],
  done: ReadonlySet<PartUse> = new Set(),
): JobPart[] {
  const live = needs.filter((n) => n.state !== 'dropped');
  const wanted = wants.map((w): JobPart => ({
    use: w.use,
    name: w.name,
    need: live.find((n) => n.use === w.use) ?? null,
    now: 'wanted',
  }));
  const rest = live
    .filter((n) => n.use === null || !wants.some((w) => w.use === n.use))
    .map((need): JobPart => ({
      use: need.use,
      name: need.name,
      need,
      now: need.use === null || need.state === 'fitted' ? 'wanted' : done.has(need.use) ? 'done' : 'unwanted',
    }));
  return [...wanted, ...rest];
}
