export { jaro, jaroWinkler, nameFit } from "./names";
export { propose } from "./propose";
export { numberWords } from "./references";
export type { Decision, MatchingInput, MatchItem, MatchReceipt, PaidFor, PlacedReceipt, Proposal, Reading, ReadingLine, Reason } from "./types";
export { reasonInWords, speaksAgainst } from "./words";
