import { useState, type FormEvent, type ReactElement } from 'react';
import { problemWords, useChangeSessionMutation } from '../api/api';
import { Button } from '../ui/Button';
import { pinProblem } from './pinProblem';

const FIELD = 'mt-1 min-h-14 w-full rounded-md border-2 border-line bg-card px-3 text-xl';

/** The first start of a shop: whoever leads it makes themselves known. */
export function FirstLead({ here }: { here: boolean }): ReactElement {
  const [change, { isLoading, error }] = useChangeSessionMutation();
  const [name, setName] = useState('');
  const [secret, setSecret] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  if (!here)
    return (
      <>
        <h1 className="text-4xl font-bold">Nobody leads this shop yet</h1>
        <p>Open it on the machine it runs on, and say who does.</p>
      </>
    );
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    const wrong = pinProblem(secret);
    setProblem(wrong);
    if (!wrong && name.trim())
      void change({ path: '/first', method: 'POST', body: { name: name.trim(), secret } });
  };
  return (
    <>
      <h1 className="text-4xl font-bold">Who leads this shop?</h1>
      <form onSubmit={submit} className="grid w-full max-w-96 gap-4">
        <label className="font-semibold">
          Your name
          <input
            autoFocus
            autoComplete="name"
            maxLength={120}
            value={name}
            onChange={(e) => setName(e.target.value)}
            className={FIELD}
          />
        </label>
        <label className="font-semibold">
          A PIN of six digits, or a password of at least twelve letters
          <input
            type="password"
            autoComplete="new-password"
            value={secret}
            onChange={(e) => setSecret(e.target.value)}
            className={FIELD}
          />
        </label>
        {(problem ?? error) && (
          <p role="alert" className="font-semibold text-rust">
            {problem ?? problemWords(error)}
          </p>
        )}
        <Button
          type="submit"
          look="rust"
          className="min-h-14 text-xl"
          disabled={isLoading || !name.trim() || !secret}
        >
          Open the shop
        </Button>
      </form>
    </>
  );
}
