import { useCallback } from 'react';
import { toast } from 'sonner';
import { v4 as uuid } from 'uuid';
import type { Drawer } from '@rusty-wren/contract';
import { problemWords, useBookInMutation } from '../api/api';
import { useAppSelector } from '../app/store';
import { noterOf } from '../hands/hands';

/** Books in what came: says what, and which jobs hang on their hooks again; or why not. True where it was taken. */
export function useBooking(
  drawer: Pick<Drawer, 'parts'>,
): (came: { order: string } | { code: string } | { part: string }) => Promise<boolean> {
  const [bookIn] = useBookInMutation();
  const by = useAppSelector(noterOf);
  return useCallback(
    async (came) => {
      const { data, error } = await bookIn({ id: uuid(), ...came, ...(by && { by }) });
      if (!data) {
        toast.error(problemWords(error));
        return false;
      }
      const name = drawer.parts.find((p) => p.id === data.part)?.name ?? 'It';
      const jobs = data.jobs.map((j) => `${j.tag} ${j.owner}`).join(', ');
      toast.success(`${name}: ${data.count} booked in.${jobs && ` On its hook again: ${jobs}.`}`);
      return true;
    },
    [bookIn, by, drawer.parts],
  );
}
