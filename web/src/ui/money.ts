import { moneyWords, type MoneyWords } from '@rusty-wren/core/worth';
import { useShopQuery } from '../api/api';

/** The shop's own money. */
export const useMoney = (): MoneyWords => moneyWords(useShopQuery().data?.rules.currency ?? 'EUR');
