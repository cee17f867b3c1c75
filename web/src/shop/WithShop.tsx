import type { Shop } from '@rusty-wren/contract';
import { bookWithDrawer, type Stocked } from '@rusty-wren/core/parts';
import { useMemo, type ReactElement } from 'react';
import { problemWords, useDrawerQuery, useShopQuery } from '../api/api';
import { Loading, NotFetched } from '../ui/State';

/** What needs the shop's rules and prices: shown once they are fetched. */
export function WithShop({ show }: { show: (shop: Shop) => ReactElement }): ReactElement {
  const { data: shop, isLoading, error, refetch } = useShopQuery();
  if (isLoading) return <Loading what="Fetching the prices…" />;
  if (!shop) return <NotFetched why={problemWords(error)} onRetry={() => void refetch()} />;
  return show(shop);
}

const NONE: readonly Stocked[] = [];

/** What is reckoned with: the shop's rules, and its prices with those of the drawer in front. */
export function WithReckoning({ show }: { show: (shop: Shop) => ReactElement }): ReactElement {
  const { data: drawer } = useDrawerQuery(null);
  return <WithShop show={(shop) => <Reckoned shop={shop} parts={drawer?.parts ?? NONE} show={show} />} />;
}

/** Keeps one shop for as long as nothing changes: what is worked out from it is kept as well. */
function Reckoned({
  shop,
  parts,
  show,
}: {
  shop: Shop;
  parts: readonly Stocked[];
  show: (shop: Shop) => ReactElement;
}): ReactElement {
  const reckoned = useMemo(() => ({ ...shop, book: bookWithDrawer(shop.book, parts) }), [shop, parts]);
  return show(reckoned);
}
