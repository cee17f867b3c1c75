import type { Hand, SessionState } from '@rusty-wren/contract';
import { ArrowLeft } from 'lucide-react';
import { useState, type ReactElement } from 'react';
import { useAppSelector } from '../app/store';
import { Button } from '../ui/Button';
import { AskSecret } from './AskSecret';

/** Where one signs in, or unlocks the bench: one's name, then one's PIN. */
export function SignIn({
  session,
  away,
}: {
  session: Extract<SessionState, { state: 'out' | 'locked' }>;
  /** The server does not answer now. */
  away: boolean;
}): ReactElement {
  const { people } = session;
  const locked = session.state === 'locked';
  const [chosen, choose] = useState(locked ? session.me.id : null);
  const hand = people.find((p) => p.id === chosen);
  return (
    <>
      <h1 className="text-4xl font-bold">{locked ? 'Locked' : 'Who has the bench?'}</h1>
      {away && <p role="status">The server does not answer now; the bench opens once it does.</p>}
      {hand ? (
        <Secret key={hand.id} hand={hand} onBack={() => choose(null)} />
      ) : (
        <Names people={people} onChoose={choose} />
      )}
    </>
  );
}

function Names({
  people,
  onChoose,
}: {
  people: readonly Hand[];
  onChoose: (id: string) => void;
}): ReactElement {
  const demo = people.some((p) => p.demoPin);
  return (
    <>
      <ul className="grid w-full max-w-96 gap-2">
        {people.map(({ id, name, demoPin }) => (
          <li key={id}>
            <Button className="min-h-16 w-full justify-between! px-5 text-2xl" onClick={() => onChoose(id)}>
              {name}
              {demoPin && <span className="text-lg font-normal tabular-nums text-soft">{demoPin}</span>}
            </Button>
          </li>
        ))}
      </ul>
      {demo && <p className="text-soft">The demo shows its PINs. A real bench never does.</p>}
    </>
  );
}

function Secret({ hand, onBack }: { hand: Hand; onBack: () => void }): ReactElement {
  const unsent = useAppSelector((s) => s.outbox.unsent.length);
  return (
    <>
      <p className="flex items-center gap-2 text-2xl">
        <Button look="quiet" aria-label="Somebody else" className="px-3!" onClick={onBack}>
          <ArrowLeft aria-hidden />
        </Button>
        <span className="font-semibold">{hand.name}</span>
        {hand.demoPin && <span className="text-lg tabular-nums text-soft">{hand.demoPin}</span>}
      </p>
      <AskSecret account={hand.id} done="In" />
      {unsent > 0 && (
        <p className="text-soft">
          {unsent === 1 ? 'One note is' : `${unsent} notes are`} kept here, and sent once somebody is in.
        </p>
      )}
    </>
  );
}
