import type { ReactElement, ReactNode } from 'react';
import { Button } from '../ui/Button';

/** What the step asks for, in one tap: one a step, and the key x. */
export const Main = ({ onClick, children }: { onClick: () => void; children: ReactNode }): ReactElement => (
  <Button look="rust" data-main="" className="min-h-14 px-8 text-xl" onClick={onClick}>
    {children}
  </Button>
);
