export { expectedOf, expectedUpTo, type Expected, type Unpaid } from "./expected";
export { explanationsOf, type Explanation, type OffPayout, type Remedy } from "./explain";
export { lumpAnswers, type LumpAnswers, type LumpItem } from "./bulkPayout";
export { lineAtOwnRate } from "./ownRate";
export {
  expectedAtBank,
  makeUp,
  PROCESSOR_ITEM_KINDS,
  type ItemKindOfProcessor,
  type MakeUp,
} from "./makeUp";
export { fitsPayout, tieOut, type TieLine, type TiePayout } from "./tieOut";
export { tieTogether, type TiedTogether } from "./together";
