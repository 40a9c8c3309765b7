export { whatIf, type ListedVisit, type WhatIf } from './whatIf'
export {
  asPrice,
  isSecond,
  listedPrices,
  listPrice,
  PRICING,
  roundedTo,
  suggestedPrice,
  usualPrice,
  visitPrice,
  type AskedExtra,
  type PriceFacts,
} from './reckon'
export {
  booksOf,
  hourly,
  moneyTable,
  owedOf,
  yearsOf,
  type Books,
  type MoneySum,
  type MoneyVisit,
  type OwedVisit,
  type OwnerEntries,
} from './books'
export { changesClosed, inTill, tillOf, type Closing, type Closings, type Till } from './closing'
export { paymentReceipt, ReceiptRecord, receiptOf, taxContained } from './receipt'
export { accountOf, Entry, feeFor, handedBy, owesBy, standing, type AccountSum, type WrittenEntry } from './account'
