export {
  ATTACHED,
  DEFAULT_STEPS,
  LADDER_ACTS,
  lastStepTaken,
  nextStep,
  SMALLEST_INTERVAL_DAYS,
  type Attached,
  type Ladder,
  type LadderAct,
  type LadderStep,
  type NextStep,
} from "./ladder";
export {
  daysAhead,
  followUpToday,
  namedItems,
  type FollowUpFacts,
  type FollowUpState,
  type FollowUpToday,
} from "./today";
export { bothSums, sumsOf, type FollowedItem, type ItemSums } from "./itemSums";
export {
  letterTemplate,
  LANGUAGES,
  tableWords,
  TONES,
  type Language,
  type LetterTemplate,
} from "./letters";
export { filesInWords } from "./filesInWords";
export { reachOf, staleFeed, type ActiveDay, type FeedReach } from "./feeds";
export { waitsFor, waitInWords, type Wait, type WaitFacts } from "./waits";
export { promiseToday, type PromisedPart, type PromiseState, type PromiseToday } from "./promises";
export { keptOf, offerFor, type Offer } from "./offer";
export { isRunDay, nextRunDay, type LetterRunRule } from "./schedule";
export {
  FEE_KINDS,
  lateFeeOn,
  NO_FEE,
  type LateFee,
  type LateFeeRule,
  type LateItem,
} from "./lateFees";
export type { FollowedRow } from "./followed";
export type { QuestionWords } from "./questionWords";
