import type { ReactElement } from 'react';
import { toast } from 'sonner';
import { problemWords, useChangeSessionMutation } from '../api/api';
import { SecretField } from './SecretField';

/** Asks somebody for their PIN or password, and puts the device in their hands. */
export function AskSecret({
  account,
  label = 'PIN or password',
  done,
  onIn,
}: {
  account: string;
  label?: string;
  /** What the button says. */
  done: string;
  /** They have proved who they are. */
  onIn?: () => void;
}): ReactElement {
  const [change, { isLoading, error }] = useChangeSessionMutation();
  return (
    <SecretField
      label={label}
      done={done}
      busy={isLoading}
      problem={error ? problemWords(error) : null}
      onDone={(secret) =>
        void change({ method: 'POST', body: { account, secret } }).then(({ data, error: failed }) => {
          if (failed) return;
          if (data.state === 'in' && data.guessed)
            toast.warning(
              `Somebody guessed at the PIN of ${data.guessed.join(', ')}. See People: what was changed.`,
              {
                duration: Infinity,
              },
            );
          onIn?.();
        })
      }
    />
  );
}
