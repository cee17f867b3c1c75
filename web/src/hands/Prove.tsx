import type { Person } from '@rusty-wren/contract';
import type { ReactElement } from 'react';
import { toast } from 'sonner';
import { useAppDispatch } from '../app/store';
import { Sheet } from '../ui/Sheet';
import { AskSecret } from './AskSecret';
import { proofGiven } from './hands';

/** Asks whoever has the device in hand for their PIN once more, before what only they may do. */
export function Prove({ me }: { me: Person }): ReactElement {
  const dispatch = useAppDispatch();
  return (
    <Sheet title={`Is it you, ${me.name}?`} open onOpenChange={() => dispatch(proofGiven())}>
      <AskSecret
        account={me.id}
        done="It is"
        onIn={() => {
          dispatch(proofGiven());
          toast('Go on: do it once more.');
        }}
      />
    </Sheet>
  );
}
