import { pricedOf, type Drawer, type Shop } from '@rusty-wren/contract';
import { doneOf, jobParts, wantsOf, waysFor, type JobPart, type Way } from '@rusty-wren/core/parts';
import { rebuildOf } from '@rusty-wren/core/rebuild';
import { asSeen } from '@rusty-wren/core/worth';
import { useMemo } from 'react';
import type { JobAtBench } from '../job/useJob';
import { todayIs } from './words';

/** A part of a job, and the ways to come by it while nobody has seen to it; while it waits, those that are in the house. */
export interface JobPartNow extends JobPart {
  ways: readonly Way[];
}

/** The parts of a job as its log and the drawer have them. */
export function useJobParts(
  { job, picture, account }: Pick<JobAtBench, 'job' | 'picture' | 'account'>,
  { parts, needs }: Drawer,
  { book }: Pick<Shop, 'book'>,
): JobPartNow[] {
  return useMemo(() => {
    const machine = asSeen(pricedOf(job.machine), picture);
    const rebuild = rebuildOf(picture);
    const wants = wantsOf(picture, account, rebuild, parts);
    const at = { machine, parts, book, today: todayIs(), promisedFor: job.promisedFor };
    const mine = needs.filter((n) => n.jobId === job.id);
    return jobParts(wants, mine, doneOf(account, rebuild)).map((p) => {
      const ways = p.use === null ? [] : waysFor(p.use, at);
      // While it is not here, what lies in the house may do.
      const state = p.need?.state ?? 'open';
      if (state === 'open') return { ...p, ways };
      const waits = state === 'to-order' || state === 'ordered';
      return { ...p, ways: waits && p.now === 'wanted' ? ways.filter((w) => w.kind !== 'order') : [] };
    });
  }, [job, picture, account, parts, needs, book]);
}
