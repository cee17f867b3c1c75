import type { CauseId } from '@rusty-wren/core/knowledge';
import type { LearntHere } from '@rusty-wren/core/learning';
import type { ReactElement } from 'react';
import { factorWords, shopSays } from '../learning/words';

/** The shop's own part in how common a cause is taken to be, among what moved it. */
export function ShopSays({
  learnt,
  cause,
}: {
  learnt: LearntHere | null;
  cause: CauseId;
}): ReactElement | null {
  const says = shopSays(learnt, cause);
  if (!says || !learnt) return null;
  const factor = learnt.causes[cause]!.factor;
  return (
    <p className="flex justify-between gap-3 py-1 leading-snug" data-shop-says>
      <span>{says}</span>
      {factor !== 1 && (
        <strong className={`shrink-0 ${factor > 1 ? 'text-rust' : 'text-moss'}`}>
          {factor > 1 ? '▲' : '▼'} {factorWords(factor)}
        </strong>
      )}
    </p>
  );
}
