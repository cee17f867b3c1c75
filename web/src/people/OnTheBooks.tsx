import { ROLES, type PersonOnBooks, type Role } from '@rusty-wren/contract';
import { useState, type FormEvent, type ReactElement } from 'react';
import { toast } from 'sonner';
import { v4 as uuid } from 'uuid';
import { problemWords } from '../api/api';
import { pinProblem } from '../hands/pinProblem';
import { Button } from '../ui/Button';
import { Sheet } from '../ui/Sheet';
import { useAddPersonMutation, useChangePersonMutation, type PersonChange } from './peopleApi';
import { Problem } from '../ui/Problem';

/** What each may, in a line. */
const ROLE_WORDS: Readonly<Record<Role, { name: string; may: string }>> = {
  reader: { name: 'Reader', may: 'looks at everything, changes nothing' },
  counter: { name: 'Counter', may: 'checks machines in, papers and decisions' },
  technician: { name: 'Technician', may: 'works the bench' },
  lead: { name: 'Lead', may: 'people, rules, prices and spec cards too' },
};

const FIELD = 'mt-1 min-h-11 w-full rounded-md border-2 border-line bg-card px-3';

/** Who works here, and as what. */
export function OnTheBooks({ people }: { people: readonly PersonOnBooks[] }): ReactElement {
  const [change] = useChangePersonMutation();
  const [adding, setAdding] = useState(false);
  const [secretOf, setSecretOf] = useState<PersonOnBooks | null>(null);
  const make = (what: PersonChange): void =>
    void change(what).then((answer) => {
      if (answer.error) toast.error(problemWords(answer.error));
    });
  return (
    <section aria-label="People">
      <h1 className="text-2xl font-bold">People</h1>
      <ul className="mt-3 divide-y divide-line border-y border-line">
        {people.map((person) => (
          <li key={person.id} className="py-3">
            <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
              <span className={`min-w-36 flex-1 text-xl font-semibold ${person.left ? 'text-soft' : ''}`}>
                {person.name}
              </span>
              {!person.left && (
                <select
                  aria-label={`What ${person.name} is`}
                  className="min-h-11 rounded-md border-2 border-line bg-card px-2 font-semibold"
                  value={person.role}
                  onChange={(e) => make({ id: person.id, role: e.target.value as Role })}
                >
                  {ROLES.map((role) => (
                    <option key={role} value={role}>
                      {ROLE_WORDS[role].name}
                    </option>
                  ))}
                </select>
              )}
            </div>
            <p className="text-soft">
              {person.left ? 'has left; what they noted stays' : ROLE_WORDS[person.role].may}
              {!person.left && !person.secret && '; cannot sign in: no PIN yet'}
              {person.demo && '; has the demo’s PIN'}
            </p>
            <div className="-ml-4 flex flex-wrap">
              {!person.left && (
                <Button look="quiet" onClick={() => setSecretOf(person)}>
                  Another PIN
                </Button>
              )}
              <Button look="quiet" onClick={() => make({ id: person.id, left: !person.left })}>
                {person.left ? 'Is back' : 'Has left'}
              </Button>
            </div>
          </li>
        ))}
      </ul>
      <Button className="mt-4" onClick={() => setAdding(true)}>
        Somebody new
      </Button>
      {adding && <NewPerson onClose={() => setAdding(false)} />}
      {secretOf && <NewSecret person={secretOf} onClose={() => setSecretOf(null)} />}
    </section>
  );
}

/** A PIN that is told to somebody, who changes it afterwards: it stands in the clear while it is written. */
const SecretInput = ({
  value,
  onChange,
}: {
  value: string;
  onChange: (to: string) => void;
}): ReactElement => (
  <label className="font-semibold">
    A PIN of six digits, or a password of at least twelve letters
    <input
      autoComplete="off"
      value={value}
      onChange={(e) => onChange(e.target.value)}
      className={`${FIELD} text-xl tabular-nums`}
    />
  </label>
);

function NewPerson({ onClose }: { onClose: () => void }): ReactElement {
  const [add, { isLoading, error }] = useAddPersonMutation();
  const [name, setName] = useState('');
  const [role, setRole] = useState<Role>('technician');
  const [secret, setSecret] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    const wrong = name.trim() ? pinProblem(secret) : 'The name is missing.';
    setProblem(wrong);
    if (!wrong)
      void add({ id: uuid(), name: name.trim(), role, secret }).then((answer) => answer.error ?? onClose());
  };
  return (
    <Sheet title="Somebody new" open onOpenChange={onClose}>
      <form onSubmit={submit} className="grid gap-4">
        <label className="font-semibold">
          Name
          <input
            maxLength={120}
            autoComplete="off"
            value={name}
            onChange={(e) => setName(e.target.value)}
            className={FIELD}
          />
        </label>
        <fieldset>
          <legend className="font-semibold">Is</legend>
          {ROLES.map((one) => (
            <label key={one} className="flex min-h-11 items-center gap-3">
              <input
                type="radio"
                name="role"
                className="size-5"
                checked={role === one}
                onChange={() => setRole(one)}
              />
              <span>
                <strong>{ROLE_WORDS[one].name}</strong>: {ROLE_WORDS[one].may}
              </span>
            </label>
          ))}
        </fieldset>
        <SecretInput value={secret} onChange={setSecret} />
        <Problem says={problem ?? (error ? problemWords(error) : null)} />
        <Button type="submit" look="rust" disabled={isLoading}>
          Put on the books
        </Button>
      </form>
    </Sheet>
  );
}

function NewSecret({ person, onClose }: { person: PersonOnBooks; onClose: () => void }): ReactElement {
  const [change, { isLoading, error }] = useChangePersonMutation();
  const [secret, setSecret] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    const wrong = pinProblem(secret);
    setProblem(wrong);
    if (!wrong) void change({ id: person.id, secret }).then((answer) => answer.error ?? onClose());
  };
  return (
    <Sheet title={`Another PIN for ${person.name}`} open onOpenChange={onClose}>
      <form onSubmit={submit} className="grid gap-4">
        <SecretInput value={secret} onChange={setSecret} />
        <Problem says={problem ?? (error ? problemWords(error) : null)} />
        <p className="text-soft">
          Every device of theirs is signed out. They take one of their own afterwards.
        </p>
        <Button type="submit" look="rust" disabled={isLoading}>
          Set it
        </Button>
      </form>
    </Sheet>
  );
}
