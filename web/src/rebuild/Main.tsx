import { TriangleAlert } from 'lucide-react';
import type { ReactElement, ReactNode } from 'react';
import { Button } from '../ui/Button';

/** What the step asks for, in one tap: one a step, and the key x. */
export const Main = ({ onClick, children }: { onClick: () => void; children: ReactNode }): ReactElement => (
  <Button look="rust" data-main="" className="min-h-14 px-8 text-xl" onClick={onClick}>
    {children}
  </Button>
);

/** The caution of a step, where it has one. */
export const Caution = ({ says }: { says: string | undefined }): ReactElement | null =>
  says ? (
    <p className="mt-3 flex items-center gap-2 text-lg font-semibold text-ochre">
      <TriangleAlert className="shrink-0" aria-hidden /> {says}
    </p>
  ) : null;
