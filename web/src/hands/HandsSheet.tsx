import type { Hand, Person, Role } from '@rusty-wren/contract';
import { Lock, LogOut } from 'lucide-react';
import { useState, type ReactElement } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { problemWords, useChangeSessionMutation, useSessionQuery, type ChangeSession } from '../api/api';
import { useAppSelector } from '../app/store';
import { Button } from '../ui/Button';
import { Sheet } from '../ui/Sheet';
import { AskSecret } from './AskSecret';
import { SecretField } from './SecretField';

/** Changes hands: who was in here today takes over with a tap, others with their PIN; and locks the bench, or signs out. */
export function HandsSheet({
  me,
  onClose,
}: {
  me: Person & { role: Role };
  onClose: () => void;
}): ReactElement {
  const { data: session } = useSessionQuery();
  const [change, { isLoading }] = useChangeSessionMutation();
  const [asked, ask] = useState<Hand | null>(null);
  const unsent = useAppSelector((s) => s.outbox.unsent.length + s.outbox.checkIns.length);
  const people = session && 'people' in session ? session.people : [];
  const others = people.filter((p) => p.id !== me.id);
  const act = (what: ChangeSession): void =>
    void change(what).then((answer) => {
      if (answer.error) toast.error(problemWords(answer.error));
      else onClose();
    });
  const signOut = (): void => {
    if (unsent > 0)
      toast.error(
        `${unsent === 1 ? 'One thing is' : `${unsent} things are`} not sent yet; sign out once ${unsent === 1 ? 'it is' : 'they are'}.`,
      );
    else act({ method: 'DELETE' });
  };
  return (
    <Sheet title={asked ? asked.name : 'Who has the bench?'} open onOpenChange={onClose}>
      {asked ? (
        <AskSecret
          account={asked.id}
          {...(asked.demoPin && { label: `PIN or password (the demo’s: ${asked.demoPin})` })}
          done="In"
          onIn={onClose}
        />
      ) : (
        <>
          <ul className="grid gap-2">
            {others.map((hand) => (
              <li key={hand.id}>
                <Button
                  className="min-h-14 w-full justify-between! text-xl"
                  disabled={isLoading}
                  onClick={() =>
                    hand.open ? act({ path: '/hand', method: 'PUT', body: { account: hand.id } }) : ask(hand)
                  }
                >
                  {hand.name}
                  {!hand.open && <span className="font-normal text-soft">PIN</span>}
                </Button>
              </li>
            ))}
          </ul>
          <div className="mt-5 flex flex-wrap gap-2">
            <Button className="flex-1" onClick={() => act({ path: '/lock', method: 'POST' })}>
              <Lock size={18} aria-hidden /> Lock
            </Button>
            <Button className="flex-1" onClick={signOut}>
              <LogOut size={18} aria-hidden /> Sign out
            </Button>
          </div>
          <Link
            to="/settings"
            onClick={onClose}
            className="mt-4 flex min-h-11 items-center text-lg font-semibold underline underline-offset-4"
          >
            Settings
          </Link>
          <OwnSecret />
        </>
      )}
    </Sheet>
  );
}

/** Changes one's own PIN or password. */
function OwnSecret(): ReactElement {
  const [open, setOpen] = useState(false);
  const [old, setOld] = useState<string | null>(null);
  const [change, { isLoading, error, reset }] = useChangeSessionMutation();
  if (!open)
    return (
      <Button look="quiet" className="px-0!" onClick={() => setOpen(true)}>
        Another PIN or password
      </Button>
    );
  const problem = error ? problemWords(error) : null;
  return old === null ? (
    <SecretField
      key="old"
      label="The one you have"
      done="Next"
      busy={false}
      problem={problem}
      onDone={setOld}
    />
  ) : (
    <SecretField
      key="new"
      label="Another: six digits, or at least twelve letters"
      done="Take it"
      busy={isLoading}
      problem={problem}
      onDone={(secret) =>
        void change({ path: '/secret', method: 'PUT', body: { old, secret } }).then((answer) => {
          if (answer.error) return void setOld(null);
          reset();
          setOpen(false);
          toast('Taken. Other devices of yours are signed out.');
        })
      }
    />
  );
}
