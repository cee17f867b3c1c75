export { putRightBy, type Choice, type Course, type LikelyNow, type Range, type WorthCase } from './choices';
export {
  isDeep,
  isOfCarburettor,
  isPriced,
  jobsFor,
  PRICED_IDS,
  pricedName,
  type PricedId,
  type RepairJob,
} from './jobs';
export { labourOf, moneyWords, withTax, type Cents, type MoneyWords } from './money';
export { mostOf, priceSaid } from './priceSaid';
export { asSeen, askedOf, beyondAgreed, isCharged, likelyNow } from './ofJob';
export { oneMoreCheck, type OneMore } from './oneMore';
export {
  BOOK_IDS,
  MOST_CENTS,
  MOST_WAIT_DAYS,
  partsFor,
  sameName,
  usualCost,
  type PartsPrice,
  type PricedMachine,
  type PriceLine,
} from './priceBook';
export { centsIn, priceTable, readPriceTable } from './priceTable';
export { feeOf, likeOf, quote, type Quote, type Reckoning } from './quote';
export { renewalPrices } from './renewal';
export { RULE_FIELDS, USUAL_RULES, type ShopRules } from './rules';
export {
  worthOf,
  type OfferedChoice,
  type Ruled,
  type RuleId,
  type ChoiceSet,
  type Worth,
  type WorthAsked,
} from './worth';
