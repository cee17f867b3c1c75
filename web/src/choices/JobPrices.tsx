import type { Shop } from '@rusty-wren/contract';
import { isOfCarburettor, partsFor, type PricedMachine, type RepairJob } from '@rusty-wren/core/worth';
import { useState, type ReactElement } from 'react';
import { problemWords, useSetPricesMutation } from '../api/api';
import { PriceSheet } from '../shop/PriceSheet';
import { useMoney } from '../ui/money';
import { RowButton } from '../ui/RowButton';

/** What the parts of each job come to on this machine; said otherwise, it is kept for the model. */
export function JobPrices({
  jobs,
  machine,
  shop,
}: {
  jobs: readonly RepairJob[];
  machine: PricedMachine;
  shop: Shop;
}): ReactElement | null {
  const money = useMoney();
  const [setPrices] = useSetPricesMutation();
  const [open, setOpen] = useState<RepairJob | null>(null);
  const { maker, model, kind, family } = machine;
  const partsOf = (job: RepairJob) => partsFor(shop.book, job.id, machine);
  if (jobs.length === 0) return null;
  return (
    <ul aria-label="Parts" className="mt-4">
      {jobs.map((job) => (
        <li key={job.id}>
          <RowButton
            onClick={() => setOpen(job)}
            aside={<span className="tabular-nums">parts {money.exact(partsOf(job).price)}</span>}
          >
            {job.does}
          </RowButton>
        </li>
      ))}
      {open && (
        <PriceSheet
          what={open.id}
          kind={kind}
          {...(maker && model && { model: { maker, model } })}
          {...(family && isOfCarburettor(open) && { family })}
          known={partsOf(open)}
          onSave={async (change) => {
            const { error } = await setPrices(change);
            return error ? problemWords(error) : null;
          }}
          onClose={() => setOpen(null)}
        />
      )}
    </ul>
  );
}
