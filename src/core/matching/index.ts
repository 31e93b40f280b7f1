export { jaro, jaroWinkler, nameWords } from "./payers/names";
export { Matcher, propose } from "./engine/propose";
export { filterItems, type Filtered } from "./candidates/filter";
export { piecesOf, restsOn, type Piece } from "./memo/marks";
export { editDistance } from "./memo/damage";
export { NumberIndex } from "./memo/memo";
export { numberWords } from "./memo/numberWords";
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
  MatchCandidate,
  ReadingLine,
  Reason,
  Spot,
} from "./types";
export { payersFor } from "./payers/payers";
export { toBeSure } from "./decision/toBeSure";
export { featuresOf } from "./decision/calibration";
export { oddity, sureKind } from "./decision/sureKinds";
export { reasonInWords, speaksAgainst } from "./decision/words";
