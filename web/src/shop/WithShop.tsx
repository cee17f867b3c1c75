import type { Shop } from '@rusty-wren/contract';
import type { ReactElement } from 'react';
import { problemWords, useShopQuery } from '../api/api';
import { Loading, NotFetched } from '../ui/State';

/** What needs the shop's rules and prices: shown once they are fetched. */
export function WithShop({ show }: { show: (shop: Shop) => ReactElement }): ReactElement {
  const { data: shop, isLoading, error, refetch } = useShopQuery();
  if (isLoading) return <Loading what="Fetching the prices…" />;
  if (!shop) return <NotFetched why={problemWords(error)} onRetry={() => void refetch()} />;
  return show(shop);
}
