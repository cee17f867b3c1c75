import type { Drawer } from '@rusty-wren/contract';
import type { Stocked } from '@rusty-wren/core/parts';
import { Plus } from 'lucide-react';
import { useState, type ReactElement } from 'react';
import { Button } from '../ui/Button';
import { useFinder } from '../ui/useFinder';
import { OnTheWay } from './OnTheWay';
import { PartRow } from './PartRow';
import { PartSheet } from './PartSheet';
import { PartTables } from './PartTables';
import { ScanField } from './ScanField';
import { ToOrder } from './ToOrder';
import { WithDrawer } from './WithDrawer';

/** The drawer: what lies in it, what is to be ordered, what is on its way. */
export const Parts = (): ReactElement => <WithDrawer show={(drawer) => <OpenDrawer drawer={drawer} />} />;

const FOUND_BY = ['name', 'code', 'shelf'] as const;
/** So many rows are drawn; the rest is found by typing. */
const MOST_ROWS = 60;

/** The drawer as it is. */
export function OpenDrawer({ drawer }: { drawer: Drawer }): ReactElement {
  const [find, setFind] = useState('');
  const [open, setOpen] = useState<Stocked | 'new' | null>(null);
  const found = useFinder(drawer.parts, FOUND_BY, find);
  const shown = found.slice(0, MOST_ROWS);
  const now = open !== null && open !== 'new' ? drawer.parts.find((p) => p.id === open.id) : undefined;
  return (
    <div className="grid flex-1 grid-cols-1 content-start gap-x-12 gap-y-8 px-3 py-5 sm:px-5 lg:grid-cols-[minmax(0,1fr)_minmax(0,26rem)]">
      <section aria-label="In the drawer" className="min-w-0">
        <div className="flex flex-wrap items-baseline justify-between gap-x-4">
          <h1 className="text-4xl font-bold">Parts</h1>
          <Button onClick={() => setOpen('new')}>
            <Plus size={18} aria-hidden /> A new part
          </Button>
        </div>
        <ScanField drawer={drawer} value={find} onChange={setFind} />
        <ul aria-label="Parts" className="mt-2">
          {shown.map((part) => (
            <PartRow key={part.id} part={part} drawer={drawer} onOpen={() => setOpen(part)} />
          ))}
        </ul>
        {shown.length === 0 && (
          <p className="py-6 text-xl text-soft">
            {find.trim()
              ? 'No such part.'
              : 'Nothing is in the drawer yet. Put the first part down, or paste a table.'}
          </p>
        )}
        {found.length > MOST_ROWS && (
          <p className="py-3 text-lg text-soft">{found.length - MOST_ROWS} more: type a few letters.</p>
        )}
        <PartTables drawer={drawer} />
      </section>
      <div className="grid content-start gap-8 max-lg:order-first">
        <ToOrder drawer={drawer} />
        <OnTheWay drawer={drawer} />
      </div>
      {open !== null && (
        <PartSheet
          key={open === 'new' ? 'new' : open.id}
          part={open === 'new' ? null : (now ?? open)}
          drawer={drawer}
          onClose={() => setOpen(null)}
        />
      )}
    </div>
  );
}
