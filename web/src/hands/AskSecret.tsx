import type { ReactElement } from 'react';
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
        void change({ method: 'POST', body: { account, secret } }).then((answer) => answer.error ?? onIn?.())
      }
    />
  );
}
