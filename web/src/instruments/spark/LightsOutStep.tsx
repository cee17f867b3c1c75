import type { Sureness } from '@rusty-wren/core/knowledge';
import { Moon } from 'lucide-react';
import { useMemo, useState, type ReactElement } from 'react';
import { useKeys } from '../../app/keys';
import { Button } from '../../ui/Button';
import { LightsOut } from './LightsOut';

/** The way into the dark from the check that wants it: a button and a key. */
export function LightsOutStep({
  onResult,
}: {
  onResult: (result: string, sureness: Sureness) => void;
}): ReactElement {
  const [open, setOpen] = useState(false);
  useKeys(useMemo(() => [{ key: 'l', does: 'lights out', run: () => setOpen(true) }], []));
  return (
    <>
      <Button className="mb-4 min-h-16 px-6 text-xl" onClick={() => setOpen(true)}>
        <Moon aria-hidden /> Lights out
      </Button>
      <LightsOut
        key={String(open)}
        open={open}
        onClose={() => setOpen(false)}
        onResult={(result, sureness) => {
          setOpen(false);
          onResult(result, sureness);
        }}
      />
    </>
  );
}
