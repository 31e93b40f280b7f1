export { jaro, jaroWinkler } from "./names";
export { propose } from "./propose";
export { editDistance } from "./damage";
export { numberWords } from "./memo";
export type { Decision, MatchingInput, MatchItem, MatchReceipt, PaidFor, PlacedReceipt, Proposal, Reading, ReadingLine, Reason } from "./types";
export { reasonInWords, speaksAgainst } from "./words";
