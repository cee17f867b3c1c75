import type { NeedAct } from '@rusty-wren/contract';
import type { Need, Way } from '@rusty-wren/core/parts';
import { v4 as uuid } from 'uuid';
import { useActOnPartMutation, useSeeToPartMutation } from '../api/api';
import { useAppSelector } from '../app/store';
import { noterOf } from '../hands/hands';
import { toldRefused } from '../ui/refused';
import type { JobPartNow } from './useJobParts';

/** What is done about the parts of a job; what the drawer refuses is said. */
export function usePartActs(jobId: string) {
  const [see] = useSeeToPartMutation();
  const [act] = useActOnPartMutation();
  const by = useAppSelector(noterOf);
  return {
    /** Takes a way: from the drawer at once, or on the order list. */
    take: async ({ use, name }: Pick<JobPartNow, 'use' | 'name'>, way: Way): Promise<void> => {
      const need = {
        id: uuid(),
        ...(use && { use }),
        name: (way.part?.name ?? name).slice(0, 120),
        ...(way.part && { part: way.part.id }),
        count: 1,
        do: way.kind === 'order' ? ('to-order' as const) : ('reserve' as const),
        ...(way.source && { source: way.source.name }),
      };
      toldRefused(await see({ jobId, need }));
    },
    /** Puts a part down that the log says nothing of. */
    byHand: async (name: string, part: { id: string; free: number } | null): Promise<void> => {
      const need = {
        id: uuid(),
        name,
        ...(part && { part: part.id }),
        count: 1,
        do: part && part.free > 0 ? ('reserve' as const) : ('to-order' as const),
      };
      toldRefused(await see({ jobId, need }));
    },
    does: async (need: Need, what: NeedAct, part?: string): Promise<void> => {
      toldRefused(
        await act({ jobId, need: need.id, act: what, id: uuid(), ...(part && { part }), ...(by && { by }) }),
      );
    },
  };
}
