import { Progress } from 'radix-ui';
import type { ReactElement } from 'react';
import { Button } from './Button';

/** Something is being worked out in the background: how far it is, and a way to stop it. */
export function Working({
  what,
  share,
  onStop,
}: {
  what: string;
  /** 0–1. */
  share: number;
  onStop: () => void;
}): ReactElement {
  return (
    <span className="flex items-center gap-2 text-soft">
      <Progress.Root aria-label={what} value={Math.round(share * 100)} className="h-2 w-24 bg-line">
        <Progress.Indicator className="h-full bg-steel" style={{ width: `${share * 100}%` }} />
      </Progress.Root>
      <Button look="quiet" className="!px-1" onClick={onStop} aria-label={`Stop: ${what.toLowerCase()}`}>
        Stop
      </Button>
    </span>
  );
}
