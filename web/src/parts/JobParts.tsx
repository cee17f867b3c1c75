import type { Drawer, Shop } from '@rusty-wren/contract';
import { freeOf } from '@rusty-wren/core/parts';
import { useState, type ReactElement } from 'react';
import { JobBar } from '../job/JobBar';
import type { JobAtBench } from '../job/useJob';
import { WithJob } from '../job/WithJob';
import { WithShop } from '../shop/WithShop';
import { Button } from '../ui/Button';
import { RowButton } from '../ui/RowButton';
import { useFinder } from '../ui/useFinder';
import { FIELD } from './Chips';
import { JobPartItem } from './JobPartItem';
import { useJobParts } from './useJobParts';
import { usePartActs } from './usePartActs';
import { WithDrawer } from './WithDrawer';

/** The parts a job takes: from the drawer, in another's place, from a donor, or ordered. */
export const JobParts = (): ReactElement => (
  <WithJob
    show={(atBench) => (
      <WithShop
        show={(shop) => (
          <WithDrawer
            jobId={atBench.job.id}
            show={(drawer) => <PartsOfJob atBench={atBench} drawer={drawer} shop={shop} />}
          />
        )}
      />
    )}
  />
);

/** What the log of a job wants, how each stands, and what is put down by hand. */
export function PartsOfJob({
  atBench,
  drawer,
  shop,
}: {
  atBench: JobAtBench;
  drawer: Drawer;
  shop: Shop;
}): ReactElement {
  const { job } = atBench;
  const items = useJobParts(atBench, drawer, shop);
  const acts = usePartActs(job.id);
  const first = items.findIndex((i) => !i.need);
  return (
    <div className="flex flex-1 flex-col">
      <JobBar job={job} other={{ to: '../../parts', words: 'The drawer' }} />
      <div className="w-full max-w-3xl px-3 py-4 sm:px-5">
        {items.length === 0 && (
          <p className="py-4 text-xl text-soft">It takes no part as far as its log says.</p>
        )}
        <ul aria-label="Parts of this job">
          {items.map((item, n) => (
            <JobPartItem
              key={item.need?.id ?? item.use ?? item.name}
              item={item}
              drawer={drawer}
              acts={acts}
              call={n === first}
            />
          ))}
        </ul>
        <ByHand drawer={drawer} onPut={acts.byHand} />
      </div>
    </div>
  );
}

const BY = ['name', 'code'] as const;

/** A part that the log says nothing of: found in the catalogue, or in words. */
function ByHand({
  drawer,
  onPut,
}: {
  drawer: Drawer;
  onPut: ReturnType<typeof usePartActs>['byHand'];
}): ReactElement {
  const [text, setText] = useState('');
  const found = useFinder(drawer.parts, BY, text);
  const put = (...args: Parameters<typeof onPut>): void => {
    void onPut(...args);
    setText('');
  };
  return (
    <section aria-label="By hand" className="mt-5">
      <input
        aria-label="Another part"
        placeholder="Another part"
        maxLength={120}
        value={text}
        onChange={(e) => setText(e.target.value)}
        className={`${FIELD} w-full text-xl`}
      />
      {text.trim() && (
        <ul className="mt-1">
          {found.slice(0, 5).map((part) => (
            <li key={part.id}>
              <RowButton
                onClick={() => put(part.name, { id: part.id, free: freeOf(part) })}
                aside={freeOf(part) > 0 ? `${freeOf(part)} free` : 'to order'}
              >
                {part.name}
              </RowButton>
            </li>
          ))}
          <li>
            <Button look="quiet" className="!px-0" onClick={() => put(text.trim(), null)}>
              “{text.trim()}” on the order list, to be looked for
            </Button>
          </li>
        </ul>
      )}
    </section>
  );
}
