import type { CheckIn, Customer, CustomerWithMachines, JobWithLog, Machine } from '@rusty-wren/contract';
import { unnumbered } from '@rusty-wren/core/log';
import { api, isRefused } from '../api/api';
import { layUpOrSay } from '../api/send';
import type { AppThunk } from '../app/state';
import { hungHere } from '../keeping/outbox';
import { keepSeen } from '../keeping/shelf';
import type { Draft } from './draft';

/** The job of a check-in that the server does not have yet: it has no number, and what this device knows of its machine. */
export function heldJob(checkIn: CheckIn, customers: readonly CustomerWithMachines[]): JobWithLog {
  const { jobId, customer: who, machine: what, entries } = checkIn;
  const onBooks = 'id' in who ? customers.find((c) => c.id === who.id) : undefined;
  const customer: Customer = onBooks ?? {
    id: 'id' in who ? who.id : `new ${jobId}`,
    name: 'name' in who ? who.name : '',
    circle: null,
    phone: null,
  };
  const known = 'id' in what ? onBooks?.machines.find((m) => m.id === what.id) : undefined;
  const machine: Machine =
    known ??
    ('kind' in what
      ? {
          id: `new ${jobId}`,
          kind: what.kind,
          maker: what.maker,
          model: what.model,
          serial: what.serial ?? null,
          displacementCc: what.displacementCc ?? null,
        }
      : { id: what.id, kind: 'chainsaw', maker: '', model: '', serial: null, displacementCc: null });
  return {
    job: {
      id: jobId,
      tag: 0,
      customer,
      machine,
      checkedInAt: entries[0]?.notedAt ?? '',
      promisedFor: checkIn.promisedFor ?? null,
    },
    entries: entries.map((entry, i) => ({ ...unnumbered(entry), seq: i + 1 })),
    squeezes: [],
    sameCan: [],
  };
}

/** What came of hanging a machine up. */
export type Hung = { job: JobWithLog } | { refused: unknown };

/**
 * Checks a machine in. While the server is away it hangs on this device, can be worked on, and is sent when the server is
 * back. `draft`: what it was written as, to be corrected should the server refuse it then.
 */
export const hang =
  (checkIn: CheckIn, draft: Draft, customers: readonly CustomerWithMachines[]): AppThunk<Promise<Hung>> =>
  async (dispatch) => {
    const result = await dispatch(api.endpoints.checkIn.initiate(checkIn));
    if (result.data) return { job: result.data };
    if (isRefused(result.error)) return { refused: result.error };
    const job = heldJob(checkIn, customers);
    const { jobId } = checkIn;
    if (!(await dispatch(layUpOrSay([{ kind: 'check-in', id: jobId, jobId, checkIn, draft }]))))
      return { refused: result.error };
    await keepSeen(`jobs/${checkIn.jobId}`, job);
    await dispatch(api.util.upsertQueryData('job', checkIn.jobId, job));
    dispatch(hungHere());
    return { job };
  };
