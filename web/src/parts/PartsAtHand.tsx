import type { Drawer, Shop } from '@rusty-wren/contract';
import { ArrowRight } from 'lucide-react';
import type { ReactElement } from 'react';
import { Link } from 'react-router';
import { useDrawerQuery, useShopQuery } from '../api/api';
import type { JobAtBench } from '../job/useJob';
import { useJobParts, type JobPartNow } from './useJobParts';
import { dayWords } from '../ui/words';

/** How a part stands, in a few words. */
function standsWords({ need, ways, now }: JobPartNow, shelfOf: (part: string) => string | undefined): string {
  if (!need) {
    const [best] = ways;
    if (!best) return 'to be looked for';
    if (best.kind === 'order') return `not here, ${dayWords(best.arrives)} at the soonest`;
    const at = best.part?.shelf ? `at ${best.part.shelf}` : 'in the drawer';
    return best.kind === 'drawer'
      ? at
      : best.kind === 'instead'
        ? `another in its place, ${at}`
        : 'a donor’s';
  }
  if (now === 'done') return 'set aside still: is it in?';
  if (now === 'unwanted') return 'not wanted any more';
  const shelf = need.part ? shelfOf(need.part) : undefined;
  return {
    'to-order': 'on the order list',
    ordered: need.expected ? `due ${dayWords(need.expected)}` : 'on its way',
    reserved: `set aside${shelf ? ` at ${shelf}` : ''}`,
    fitted: 'fitted',
    dropped: '',
  }[need.state];
}

const NO_DRAWER: Drawer = { parts: [], orders: [], needs: [], used: [] };
const NO_BOOK: Pick<Shop, 'book'> = { book: [] };

/** What a repair takes and where it is, in a line at the bench; nothing while the drawer is not to be had. */
export function PartsAtHand({
  atBench,
}: {
  atBench: Pick<JobAtBench, 'job' | 'picture' | 'account'>;
}): ReactElement | null {
  const { data: drawer } = useDrawerQuery(atBench.job.id);
  const { data: shop } = useShopQuery();
  const items = useJobParts(atBench, drawer ?? NO_DRAWER, shop ?? NO_BOOK).filter(
    (i) => i.need?.state !== 'fitted',
  );
  if (!drawer || !shop || items.length === 0) return null;
  const shelfOf = (part: string): string | undefined => drawer.parts.find((p) => p.id === part)?.shelf;
  return (
    <Link
      to={`/job/${atBench.job.id}/parts`}
      className="mt-4 flex min-h-12 items-center justify-between gap-4 border-y-2 border-line py-2 text-lg hover:border-ink"
    >
      <span>
        {items.slice(0, 3).map((item) => (
          <span key={item.use ?? item.name} className="block">
            <strong>{item.need?.name ?? item.ways[0]?.part?.name ?? item.name}</strong>:{' '}
            {standsWords(item, shelfOf)}
          </span>
        ))}
        {items.length > 3 && <span className="text-soft">and {items.length - 3} more</span>}
      </span>
      <ArrowRight className="shrink-0" aria-hidden />
    </Link>
  );
}
