export {
  agingOf,
  BUCKETS,
  bucketOf,
  bucketWords,
  spanOf,
  spansOf,
  totalAging,
  type AgedBy,
  type AgeSpan,
  type Aging,
  type Bucket,
} from "./aging";
export {
  cashIncome,
  creditAge,
  CREDIT_AGES,
  creditAgeWords,
  type CashMonth,
  type CreditAge,
  type Paid,
} from "./year";
export type { AgeAsk, OpenLine } from "./openLine";
export { averageDaysLate, bestPossibleDso, cei, dso } from "./collection";
export { allowanceFor, DOUBTFUL_PERCENT } from "./doubtful";
export {
  cashByWeek,
  latenessOf,
  mondayOf,
  UNKNOWN_HABIT,
  weekOf,
  type Lateness,
  type ToCome,
  type Week,
} from "./forecast";
export type { TaxOfAccount } from "./taxOfAccount";
