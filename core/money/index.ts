export {
  asPrice,
  isSecond,
  listedPrices,
  PRICING,
  roundedTo,
  suggestedPrice,
  visitPrice,
  type PriceFacts,
} from './reckon'
export {
  booksOf,
  hourly,
  moneyTable,
  owedOf,
  type Books,
  type MoneySum,
  type MoneyVisit,
  type OwedVisit,
} from './books'
export { ReceiptRecord, receiptOf, taxContained } from './receipt'
