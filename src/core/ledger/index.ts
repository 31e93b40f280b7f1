export { accountFor, DEFAULT_CHART, nextCode, type ChartAccount } from "./chart";
export {
  ENTRY_EVENTS,
  foots,
  inBook,
  type AccountRef,
  type EntryDraft,
  type EntryEvent,
  type ItemKind,
  type ItemRef,
  type Line,
  type Role,
  type Sum,
} from "./entry";
export {
  postAchReturn,
  postBounced,
  postDispute,
  postDisputeLost,
  postRefund,
  type WentTo,
  type WriteOff,
} from "./returnPostings";
export {
  postApplied,
  postIdentified,
  postOpening,
  postOtherIncome,
  postReceiptAtBank,
  postReceiptByHand,
  postReceiptSettled,
  postReversal,
  postSetAside,
  postSurcharge,
  type AppliedFrom,
} from "./postings";
export { postBankFee, postDeposited, postElsewhere } from "./bankPostings";
export {
  postAdjustment,
  postFee,
  postParkedDifference,
  postPayoutTied,
  postReserve,
} from "./processorPostings";
export {
  EARNED_LATER,
  postBadDebt,
  postCreditNote,
  postDiscount,
  postEarned,
  postInvoice,
  postSetOff,
  postSmallDifference,
} from "./itemPostings";
export {
  postAllowance,
  postFeeAccrued,
  postFeeBilled,
  postLateFee,
  postRecovery,
  postRefundAtBank,
  postReturnFeeCharged,
} from "./customerCharges";
export {
  prove,
  PROOF_NAMES,
  type OpenWork,
  type Proof,
  type ProofName,
  type ProofReport,
  type ProofSides,
  type WorkName,
} from "./proofs";
export { postRevalued, valued, type Carried } from "./valuation";
export { offInWords, whatIsOff, type OffReason } from "./whatIsOff";
