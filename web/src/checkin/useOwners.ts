import type { CustomerWithMachines } from '@rusty-wren/contract';
import { useMemo } from 'react';
import { useCustomersQuery } from '../api/api';
import { useSettled } from '../ui/useSettled';

/** Fewer letters find everybody. */
const LEAST = 3;
const NONE: readonly CustomerWithMachines[] = [];

/** The owners who came last, and those of all that what is written finds. */
export function useOwners(written: string): readonly CustomerWithMachines[] {
  const asked = useSettled(written.trim());
  const { data: latest = NONE } = useCustomersQuery('');
  const { data: found = NONE } = useCustomersQuery(asked, { skip: asked.length < LEAST });
  return useMemo(
    () => [...new Map([...latest, ...found].map((owner) => [owner.id, owner])).values()],
    [latest, found],
  );
}
