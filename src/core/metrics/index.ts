export { agingOf, BUCKETS, bucketOf, bucketWords, daysOverdue, totalAging, type Aging, type Bucket } from "./aging";
