export { agingOf, BUCKETS, bucketOf, bucketWords, totalAging, type Aging, type Bucket } from "./aging";
export { cashIncome, creditAge, CREDIT_AGES, creditAgeWords, type CashMonth, type CreditAge, type Paid } from "./year";
