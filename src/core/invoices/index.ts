export { calculate } from "./arithmetic";
export { monthsDue, nextPart } from "./earning";
export { type CoverTemplate, coverTemplate } from "./covering";
export { type Decimal, decimalOf, decimalText, rateFor } from "./decimal";
export {
  type BilledBefore,
  type DocumentProblem,
  lineAmount,
  type LineInput,
  type WrittenLine,
} from "./line";
export { type Instalment, instalmentsOf, type PaymentPlan, readPlan } from "./instalments";
export {
  type BankDetails,
  inWords as lookInWords,
  type PaperLook,
  shownLines,
  USUAL_LOOK,
} from "./look";
export { paperParts, paperSums } from "./paperSums";
export { type PaperWords, paperWords } from "./paperWords";
export { numberOf, partNumber } from "./numbering";
export { soughtIn } from "./sought";
export { statementWords } from "./statement/statementWords";
export type { StatementWords } from "./statement/words";
export {
  type DocumentState,
  nextStage,
  type Stage,
  STAGE_WORDS,
  type StageEvent,
  stateOf,
} from "./states";
export { TAX_CATEGORIES, type TaxCategory, type TaxCode, type TaxRules } from "./taxes";
export {
  type ChargeInput,
  type DocumentDiscount,
  type DocumentInput,
  type TaxSum,
  type Totals,
  totalsOf,
} from "./totals";
export { ORDER_COLUMNS, type OrderRefusal, type OrderRow } from "./orderCells";
export { type Order, type OrderLine, ordersOf } from "./orders";
export { type ToReach, type Way, WAYS } from "./reach";
export { lineOfPeriod } from "./periodLines";
export {
  type PastPeriod,
  type Period,
  periodOf,
  periodsAhead,
  periodsDue,
  type Plan,
} from "./schedule";
