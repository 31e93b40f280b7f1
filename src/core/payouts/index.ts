export { expectedOf, expectedUpTo, type Expected, type Unpaid } from "./expected";
export { explanationsOf } from "./explain";
export { type Explanation, type MovedItem, type OffPayout } from "./explanation";
export { bulkPayoutAnswers, type BulkPayoutAnswers, type BulkPayoutItem } from "./bulkPayout";
export { expectedAtBank, payoutComposition, type PayoutComposition } from "./composition";
export { fitsPayout, tieOut, type TieLine, type TiePayout } from "./tieOut";
export { tieTogether, type TiedTogether } from "./together";
export { type ProposedLine, proposeLines, type WaitingPayout } from "./proposeLines";
