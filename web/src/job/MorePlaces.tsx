import { ChevronDown } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import type { ReactElement } from 'react';
import { Link } from 'react-router';

const PLACES = [
  { to: 'choices', words: 'Choices and prices' },
  { to: 'papers', words: 'Papers' },
  { to: 'parts', words: 'Parts' },
  { to: 'rebuild', words: 'Carburettor in pieces' },
  { to: 'map', words: 'Cause map' },
] as const;

/** The places of a job that are gone to less often. */
export const MorePlaces = ({ jobId, machineId }: { jobId: string; machineId: string }): ReactElement => (
  <DropdownMenu.Root>
    <DropdownMenu.Trigger className="flex min-h-11 items-center gap-1 rounded-md px-2 font-semibold hover:bg-line">
      More <ChevronDown size={18} aria-hidden />
    </DropdownMenu.Trigger>
    <DropdownMenu.Portal>
      <DropdownMenu.Content
        align="end"
        className="z-40 min-w-56 rounded-md border-2 border-ink bg-paper py-1 shadow-xl"
      >
        {[
          ...PLACES.map(({ to, words }) => ({ to: `/job/${jobId}/${to}`, words })),
          { to: `/machines/${machineId}`, words: 'Its life, its model' },
        ].map(({ to, words }) => (
          <DropdownMenu.Item key={to} asChild>
            <Link
              to={to}
              className="flex min-h-12 items-center px-4 text-lg font-semibold outline-none data-highlighted:bg-ink data-highlighted:text-paper"
            >
              {words}
            </Link>
          </DropdownMenu.Item>
        ))}
      </DropdownMenu.Content>
    </DropdownMenu.Portal>
  </DropdownMenu.Root>
);
