import { useState, type FormEvent, type ReactElement } from 'react';
import { problemWords, useChangeSessionMutation } from '../api/api';
import { Button } from '../ui/Button';
import { pinProblem } from './pinProblem';

const FIELD = 'mt-1 min-h-14 w-full rounded-md border-2 border-line bg-card px-3 text-xl';

/** The first start of a shop: whoever leads it makes themselves known. */
export function FirstLead(): ReactElement {
  const [change, { isLoading, error }] = useChangeSessionMutation();
  const [name, setName] = useState('');
  const [code, setCode] = useState('');
  const [secret, setSecret] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    const wrong = pinProblem(secret);
    setProblem(wrong);
    if (!wrong && name.trim() && code.trim())
      void change({
        path: '/first',
        method: 'POST',
        body: { code: code.trim(), name: name.trim(), secret },
      });
  };
  return (
    <>
      <h1 className="text-4xl font-bold">Who leads this shop?</h1>
      <form onSubmit={submit} className="grid w-full max-w-96 gap-4">
        <label className="font-semibold">
          The code on the terminal of the machine it runs on
          <input
            autoFocus
            inputMode="numeric"
            autoComplete="off"
            maxLength={20}
            value={code}
            onChange={(e) => setCode(e.target.value)}
            className={FIELD}
          />
        </label>
        <label className="font-semibold">
          Your name
          <input
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
          disabled={isLoading || !code.trim() || !name.trim() || !secret}
        >
          Open the shop
        </Button>
      </form>
    </>
  );
}
