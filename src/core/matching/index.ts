export { jaro, jaroWinkler } from "./names";
export { propose } from "./propose";
export { editDistance, numberWords } from "./memo";
export type { Decision, MatchingInput, MatchItem, MatchReceipt, PaidFor, PlacedReceipt, Proposal, Reading, ReadingLine, Reason } from "./types";
export { reasonInWords, speaksAgainst } from "./words";
