export { askedSum, type AskedSum, type SettledPart, type SumRules } from "./askedSum";
export { accountFace, type AccountFace, bankOf, isRouting, type TypedAccount } from "./bankAccount";
export { cardFace, type CardFace, expiryOf, isChecked, schemeOf, type TypedCard } from "./card";
export { type PaidPart, type Payable, spread } from "./choose";
export { cardLetter } from "./cardLetter";
export { consentWords, methodInWords } from "./consentWords";
export {
  type AskedForCode,
  type ChargeAnswer,
  type ChargeAsk,
  type DeclineCode,
  DECLINES,
  isDeclineCode,
  type KeptMethod,
  type ActivityListed,
  type DisputeAnswer,
  type Processor,
  type ProcessorEvent,
  type RefundAsk,
  type SentEvent,
  type WayToPay,
  WAYS_TO_PAY,
} from "./processor";
export { offeredWays, PAYS_BY, type PaysBy } from "./offered";
export { isWithin, limitsFor, type SumLimits } from "./ownSum";
export { planOf, type PlanPart } from "./plan";
export { planWords } from "./planWords";
export { receiptLetter } from "./receiptLetter";
export { nextDebit, nextTry } from "./retries";
export { runsOutOn } from "./runningOut";
export { sumLetter } from "./sumLetter";
export { mayTakeFrom } from "./told";
export { waysTogether } from "./waysTogether";
