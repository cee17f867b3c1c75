import { SECRET } from '@rusty-wren/contract';
import { Delete } from 'lucide-react';
import { useId, useState, type FormEvent, type ReactElement } from 'react';
import { Button } from '../ui/Button';

const KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9'] as const;
const KEY = 'min-h-14 text-2xl tabular-nums';

/** Asks for somebody's PIN, by a thumb or typed, or a password; six digits tapped are sent at once. */
export function SecretField({
  label,
  done,
  busy,
  problem,
  onDone,
}: {
  label: string;
  /** What the button says. */
  done: string;
  busy: boolean;
  /** Why it was not taken, in one sentence. */
  problem: string | null;
  onDone: (secret: string) => void;
}): ReactElement {
  const [secret, setSecret] = useState('');
  const [shown, setShown] = useState(false);
  const id = useId();
  const send = (what: string): void => {
    if (!what || busy) return;
    onDone(what);
    setSecret('');
    setShown(false);
  };
  const tap = (digit: string): void => {
    const next = secret + digit;
    if (/^\d+$/.test(next) && next.length === SECRET.pin) send(next);
    else setSecret(next);
  };
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    send(secret);
  };
  return (
    <form onSubmit={submit} className="w-full max-w-80">
      <label htmlFor={id} className="font-semibold">
        {label}
      </label>
      <input
        id={id}
        type={shown ? 'text' : 'password'}
        autoFocus
        autoComplete="current-password"
        maxLength={SECRET.most}
        value={secret}
        aria-invalid={problem !== null}
        aria-describedby={problem ? `${id}-problem` : undefined}
        onChange={(e) => setSecret(e.target.value)}
        className="mt-1 min-h-14 w-full rounded-md border-2 border-line bg-card px-3 text-2xl tracking-[0.4em]"
      />
      <Button look="quiet" className="!px-0" aria-pressed={shown} onClick={() => setShown(!shown)}>
        {shown ? 'Hide it' : 'Show it'}
      </Button>
      {problem && (
        <p id={`${id}-problem`} role="alert" className="mt-2 font-semibold text-rust">
          {problem}
        </p>
      )}
      <div className="mt-3 grid grid-cols-3 gap-2" role="group" aria-label="Digits">
        {KEYS.map((digit) => (
          <Button key={digit} className={KEY} disabled={busy} onClick={() => tap(digit)}>
            {digit}
          </Button>
        ))}
        <Button
          className={KEY}
          aria-label="Delete the last digit"
          disabled={busy || !secret}
          onClick={() => setSecret(secret.slice(0, -1))}
        >
          <Delete aria-hidden />
        </Button>
        <Button className={KEY} disabled={busy} onClick={() => tap('0')}>
          0
        </Button>
        <Button type="submit" look="rust" className="min-h-14" disabled={busy || !secret}>
          {busy ? '…' : done}
        </Button>
      </div>
    </form>
  );
}
