import type { Person } from '@rusty-wren/contract';
import type { ReactElement } from 'react';
import { toast } from 'sonner';
import { problemWords, useChangeSessionMutation } from '../api/api';
import { useAppDispatch } from '../app/store';
import { Sheet } from '../ui/Sheet';
import { proofGiven } from './hands';
import { SecretField } from './SecretField';

/** Asks whoever has the device in hand for their PIN once more, before what only they may do. */
export function Prove({ me }: { me: Person }): ReactElement {
  const dispatch = useAppDispatch();
  const [change, { isLoading, error }] = useChangeSessionMutation();
  return (
    <Sheet title={`Is it you, ${me.name}?`} open onOpenChange={() => dispatch(proofGiven())}>
      <SecretField
        label="PIN or password"
        done="It is"
        busy={isLoading}
        problem={error ? problemWords(error) : null}
        onDone={(secret) =>
          void change({ method: 'POST', body: { account: me.id, secret } }).then((answer) => {
            if (answer.error) return;
            dispatch(proofGiven());
            toast('Go on: do it once more.');
          })
        }
      />
    </Sheet>
  );
}
