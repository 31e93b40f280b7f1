export { jaro, jaroWinkler } from "./names";
export { Matcher, propose } from "./propose";
export { filterItems, type Filtered } from "./filter";
export { piecesOf, restsOn, type Piece } from "./marks";
export { editDistance } from "./damage";
export { numberWords } from "./memo";
export type {
  Decision,
  Habit,
  MatchingInput,
  MatchItem,
  MatchReceipt,
  PaidFor,
  Payer,
  PlacedReceipt,
  Proposal,
  Reading,
  ReadingLine,
  Reason,
  Spot,
} from "./types";
export { payersFor } from "./payers";
export { oddity, sureKind } from "./sureKinds";
export { reasonInWords, speaksAgainst } from "./words";
