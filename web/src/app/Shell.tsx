import { Keyboard, Moon, Plus, Search, Sun } from 'lucide-react';
import { lazy, Suspense, useMemo, useState, type ReactElement, type ReactNode } from 'react';
import { Link, NavLink, Outlet, useLocation, useNavigate } from 'react-router';
import { Toaster } from 'sonner';
import { useChangeSessionMutation } from '../api/api';
import { roleOf } from '../hands/hands';
import { Standing } from '../keeping/Standing';
import { Trouble } from '../keeping/Trouble';
import { Guarded } from '../ui/Guarded';
import { useKeys } from './keys';
import { themeTurned } from './settings';
import { useAppDispatch, useAppSelector } from './store';

/** What nobody sees at first is fetched after what they do. */
const TakeBack = lazy(async () => ({ default: (await import('./TakeBack')).TakeBack }));
const FindSheet = lazy(async () => ({ default: (await import('../find/FindSheet')).FindSheet }));
const HandsSheet = lazy(async () => ({ default: (await import('../hands/HandsSheet')).HandsSheet }));
const KeyList = lazy(async () => ({ default: (await import('./KeyList')).KeyList }));

const ICON_BUTTON = 'grid size-11 place-items-center rounded-md hover:bg-line';

/** What stays round every screen: the way to the rack and check-in, who is at the bench, light, keys, connection. */
export function Shell(): ReactElement {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const [keysOpen, setKeysOpen] = useState(false);
  const [finding, setFinding] = useState(false);
  const [handsOpen, setHandsOpen] = useState(false);
  const me = useAppSelector((s) => s.hands.me);
  const role = useAppSelector(roleOf);
  const [changeSession] = useChangeSessionMutation();
  const { theme } = useAppSelector((s) => s.settings);
  const bindings = useMemo(
    () => [
      { key: '?', does: 'this list', run: () => setKeysOpen(true) },
      { key: 'f', does: 'find anything', run: () => setFinding(true) },
      { key: 'r', does: 'the rack', run: () => void navigate('/') },
      { key: 'n', does: 'check a machine in', run: () => void navigate('/check-in') },
      { key: 'y', does: 'the day', run: () => void navigate('/day') },
      { key: 'k', does: 'the parts', run: () => void navigate('/parts') },
      { key: 't', does: 'the tools', run: () => void navigate('/tools') },
      { key: 'g', does: 'the settings', run: () => void navigate('/settings') },
      { key: 'h', does: 'change hands', run: () => setHandsOpen(true) },
      { key: 'L', does: 'lock the bench', run: () => void changeSession({ path: '/lock', method: 'POST' }) },
      { key: 'd', does: 'light or dark', run: () => void dispatch(themeTurned()) },
    ],
    [changeSession, dispatch, navigate],
  );
  useKeys(bindings);

  return (
    <div className="flex min-h-dvh flex-col">
      <header className="flex items-center print:hidden gap-1 border-b-2 border-line px-3 sm:gap-3 sm:px-5">
        <Link
          to="/"
          className="flex min-h-12 shrink-0 items-center gap-2 rounded-md pr-2 text-xl font-bold"
          aria-label="Rusty Wren, the rack"
        >
          <img src="/wren.svg" alt="" className="size-8 shrink-0" />
          <span className="hidden md:inline">Rusty Wren</span>
        </Link>
        <nav className="flex gap-1">
          <Way to="/" wide>
            Rack
          </Way>
          <Way to="/day">Day</Way>
          <Way to="/parts" wide>
            Parts
          </Way>
          {role !== 'reader' && (
            <Way to="/check-in">
              <Plus size={18} aria-hidden /> <span className="max-[30rem]:sr-only">Check in</span>
            </Way>
          )}
          <Way to="/tools">Tools</Way>
        </nav>
        <div className="ml-auto flex min-w-0 items-center gap-1">
          <Suspense>
            <TakeBack />
          </Suspense>
          <Standing />
          <button type="button" className={ICON_BUTTON} onClick={() => setFinding(true)} aria-label="Find">
            <Search aria-hidden />
          </button>
          <Technician onOpen={() => setHandsOpen(true)} />
          <button
            type="button"
            className={ICON_BUTTON}
            onClick={() => dispatch(themeTurned())}
            aria-label={theme === 'dark' ? 'Light' : 'Dark'}
          >
            {theme === 'dark' ? <Sun aria-hidden /> : <Moon aria-hidden />}
          </button>
          <button
            type="button"
            className={`${ICON_BUTTON} hidden sm:grid`}
            onClick={() => setKeysOpen(true)}
            aria-label="Keys"
          >
            <Keyboard aria-hidden />
          </button>
        </div>
      </header>
      <Trouble />
      <main className="flex flex-1 flex-col">
        <Guarded key={pathname} what="This page">
          <Outlet />
        </Guarded>
      </main>
      <Suspense>
        {finding && <FindSheet onClose={() => setFinding(false)} />}
        {handsOpen && me && <HandsSheet me={me} onClose={() => setHandsOpen(false)} />}
        {keysOpen && <KeyList open onOpenChange={setKeysOpen} />}
      </Suspense>
      <Toaster position="top-center" theme={theme} toastOptions={{ style: { fontSize: '1rem' } }} />
    </div>
  );
}

/** A way to a place that is gone to all day. `wide`: left out on a phone. */
const Way = ({
  to,
  wide = false,
  children,
}: {
  to: string;
  wide?: boolean;
  children: ReactNode;
}): ReactElement => (
  <NavLink
    to={to}
    end={to === '/'}
    className={({ isActive }) =>
      `min-h-11 items-center gap-1 rounded-md px-2 font-semibold whitespace-nowrap hover:bg-line sm:px-3 ${wide ? 'hidden md:flex' : 'flex'} ${isActive ? 'underline decoration-2 underline-offset-8' : ''}`
    }
  >
    {children}
  </NavLink>
);

/** Who has the device in hand, and the way to change that. */
function Technician({ onOpen }: { onOpen: () => void }): ReactElement | null {
  const name = useAppSelector((s) => s.hands.me?.name);
  return (
    <button
      type="button"
      aria-label={`At the bench: ${name}. Change hands`}
      aria-haspopup="dialog"
      className="min-h-11 max-w-24 truncate rounded-md px-2 font-semibold hover:bg-line sm:max-w-none"
      onClick={onOpen}
    >
      {name}
    </button>
  );
}
