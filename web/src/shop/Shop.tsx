import type { ReactElement } from 'react';
import { problemWords, useSetPricesMutation, useSetRulesMutation } from '../api/api';
import { PriceBook } from './PriceBook';
import { RulesForm } from './RulesForm';
import { WithShop } from './WithShop';

/** What the shop goes by: its rules, and its price book. */
export function Shop(): ReactElement {
  const [setRules] = useSetRulesMutation();
  const [setPrices] = useSetPricesMutation();
  const told = (answer: { error?: unknown }): string | null =>
    answer.error ? problemWords(answer.error) : null;
  return (
    <WithShop
      show={(shop) => (
        <div className="grid flex-1 gap-x-12 gap-y-8 px-3 py-5 sm:px-5 lg:grid-cols-[minmax(0,24rem)_minmax(0,46rem)]">
          <RulesForm
            key={JSON.stringify(shop.rules)}
            rules={shop.rules}
            onSave={async (rules) => told(await setRules(rules))}
          />
          <PriceBook shop={shop} onSave={async (change) => told(await setPrices(change))} />
        </div>
      )}
    />
  );
}
