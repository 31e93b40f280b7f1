export {
  ACTIVITY_ORDER,
  type ActivityKind,
  guessRowKind,
  ROW_KIND_NAMES,
  ROW_KINDS,
  type RowKind,
} from "./kinds";
export {
  FEE_KINDS,
  type FeeKind,
  kindsInColumn,
  PAYOUT_COLUMNS,
  type PayoutColumn,
  PROCESSOR_ITEM_KIND_NAMES,
  PROCESSOR_ITEM_KINDS,
  type ProcessorItemKind,
} from "./itemKinds";
