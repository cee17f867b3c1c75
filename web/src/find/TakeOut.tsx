import type { Customer } from '@rusty-wren/contract';
import { useState, type ReactElement } from 'react';
import { toast } from 'sonner';
import { problemWords, useForgetOwnerMutation } from '../api/api';
import { Button } from '../ui/Button';
import { OneLine } from '../ui/OneLine';
import { Sheet } from '../ui/Sheet';

/** Takes an owner's details out, once their name has been written; it cannot be taken back. */
export function TakeOut({ owner }: { owner: Customer }): ReactElement {
  const [open, setOpen] = useState(false);
  const [forget, { error }] = useForgetOwnerMutation();
  const take = (name: string): void =>
    void forget({ id: owner.id, name }).then(({ data }) => {
      if (!data) return;
      setOpen(false);
      toast(`Taken out, of ${data.jobs} ${data.jobs === 1 ? 'job' : 'jobs'} too.`);
    });
  return (
    <section className="mt-8">
      <Button look="quiet" className="px-0!" onClick={() => setOpen(true)}>
        Take their details out
      </Button>
      <Sheet title={`Take ${owner.name} out?`} open={open} onOpenChange={setOpen}>
        <p className="text-lg">
          Name, circle, phone and signatures go, here and from every text on their jobs. What was found and
          done on the machines stays. It cannot be taken back, and backups made before still have it.
        </p>
        <OneLine
          label="The name, once more"
          placeholder={owner.name}
          most={120}
          done="Take it out"
          focus
          onDone={take}
        />
        {error && (
          <p role="alert" className="mt-3 font-semibold text-rust">
            {problemWords(error)}
          </p>
        )}
      </Sheet>
    </section>
  );
}
