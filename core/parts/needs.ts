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
  /** The log wants it no longer: it can go back. */
  stale: boolean;
}

/** What the log wants beside what was seen to, each once: what is wanted first, then what is wanted no longer or by hand. */
export function jobParts(wants: readonly Want[], needs: readonly Need[]): JobPart[] {
  const live = needs.filter((n) => n.state !== 'dropped');
  const wanted = wants.map((w): JobPart => ({
    use: w.use,
    name: w.name,
    need: live.find((n) => n.use === w.use) ?? null,
    stale: false,
  }));
  const rest = live
    .filter((n) => n.use === null || !wants.some((w) => w.use === n.use))
    .map((need): JobPart => ({
      use: need.use,
      name: need.name,
      need,
      stale: need.use !== null && need.state !== 'fitted',
    }));
  return [...wanted, ...rest];
}

/** Whether a job waits for parts: something is on its way, and nothing is left to be ordered. */
export const waitsForParts = (needs: readonly Pick<Need, 'state'>[]): boolean =>
  needs.some((n) => n.state === 'ordered' || n.state === 'to-order');
