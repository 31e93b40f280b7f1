export { agingOf, BUCKETS, bucketOf, bucketWords, totalAging, type Aging, type Bucket } from "./aging";
