import { lazy, Suspense, useEffect, type ReactElement, type ReactNode } from 'react';
import { Outlet } from 'react-router';
import { useChangeSessionMutation, useSessionQuery } from '../api/api';
import { useAppSelector } from '../app/store';
import { Loading } from '../ui/State';
import { IdleLock } from './IdleLock';

const SignIn = lazy(async () => ({ default: (await import('./SignIn')).SignIn }));
const FirstLead = lazy(async () => ({ default: (await import('./FirstLead')).FirstLead }));
const Prove = lazy(async () => ({ default: (await import('./Prove')).Prove }));

/**
 * Shows what lies behind it to whoever is signed in, and to nobody else. A device that was in goes on while the server is
 * asked, or away; one that was locked stays so.
 */
export function Gate(): ReactElement {
  const { me, locked, lockOwed, prove } = useAppSelector((s) => s.hands);
  const theme = useAppSelector((s) => s.settings.theme);
  const { data: session, isError } = useSessionQuery();
  useEffect(() => {
    document.documentElement.dataset['theme'] = theme;
  }, [theme]);
  const [changeSession] = useChangeSessionMutation();
  const owes = lockOwed && session?.state === 'in' && !isError;
  useEffect(() => {
    if (owes) void changeSession({ path: '/lock', method: 'POST' });
  }, [owes, changeSession]);
  if (me && !locked)
    return (
      <>
        <IdleLock />
        <Outlet />
        <Suspense>{prove && <Prove me={me} />}</Suspense>
      </>
    );
  if (session?.state === 'first')
    return (
      <Door>
        <FirstLead />
      </Door>
    );
  if (session && session.state !== 'in')
    return (
      <Door>
        <SignIn key={session.state} session={session} away={isError} />
      </Door>
    );
  return (
    <Door>
      {isError ? (
        <>
          <h1 className="text-4xl font-bold">{locked ? 'Locked' : 'Nobody is in yet'}</h1>
          <p role="status">The server does not answer now; the bench opens once it does.</p>
        </>
      ) : (
        <Loading what="Opening…" />
      )}
    </Door>
  );
}

const Door = ({ children }: { children: ReactNode }): ReactElement => (
  <main className="flex min-h-dvh flex-col items-center gap-6 px-4 py-10">
    <img src="/wren.svg" alt="" className="size-20" />
    <Suspense fallback={<Loading what="Opening…" />}>{children}</Suspense>
  </main>
);
