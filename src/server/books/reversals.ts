import { ok } from "@/core/result";
import type { ActKind } from "@/db/acts";
import { undropLine } from "@/server/arrivals/commands/dropLine";
import { reopenLine, unfindReceipt, unmakeRule } from "@/server/arrivals/commands/explainLine";
import { removeAttachment } from "@/server/customers/commands/addAttachment";
import { unmergeCustomers } from "@/server/customers/commands/mergeCustomers";
import { unchangeCustomer } from "@/server/customers/steps/restoreCustomer";
import { unsetOff } from "@/server/invoices/commands/setOff";
import { unapplyReceipt } from "@/server/match/commands/applyReceipt";
import { withdrawRequest } from "@/server/match/commands/askApproval";
import { unbounceReceipt } from "@/server/match/commands/bounceReceipt";
import { unmakeDeposit } from "@/server/match/commands/makeDeposit";
import { unrecordReceipt } from "@/server/match/commands/recordReceipt";
import { takeBackFromAside } from "@/server/match/commands/setAside";
import { untieDeposit } from "@/server/match/commands/tieDeposit";
import { unchargeLateFee } from "@/server/overdue/commands/chargeLateFees";
import { unWriteOff } from "@/server/overdue/steps/unWriteOff";
import { unaccrueFees } from "@/server/payouts/commands/accrueFees";
import { unanswerDispute } from "@/server/payouts/commands/answerDispute";
import { unbillFees } from "@/server/payouts/commands/billFees";
import { unloseDispute } from "@/server/payouts/commands/disputeLost";
import { unmendAccount } from "@/server/payouts/commands/mendAccount";
import { unrefundAtBank } from "@/server/payouts/commands/refundAtBank";
import { unretryDebit } from "@/server/payouts/commands/retryDebit";
import { untiePayout } from "@/server/payouts/commands/tiePayout";
import type { Reversal } from "@/server/runtime/reversal";

import { unmakeJournalFile } from "./commands/makeJournalFile";
import { unrevalue } from "./commands/revalue";

/** Nothing but the entries has to be taken back. */
const entriesOnly: Reversal = () => ok(null);

/**
 * How each kind of act is taken back, as its command says; null where it cannot be: imports,
 * letters that left, settings.
 */
export const REVERSALS: Readonly<Record<ActKind, Reversal | null>> = {
  place: unapplyReceipt,
  set_aside: takeBackFromAside,
  tie: untiePayout,
  elsewhere: reopenLine,
  bank_receipt: unfindReceipt,
  hand_receipt: unrecordReceipt,
  deposit: unmakeDeposit,
  deposit_banked: untieDeposit,
  bounce: unbounceReceipt,
  dispute_lost: unloseDispute,
  ask: withdrawRequest,
  accrue: unaccrueFees,
  fee_bill: unbillFees,
  refund: unrefundAtBank,
  retry: unretryDebit,
  mend: unmendAccount,
  answer: unanswerDispute,
  rule: unmakeRule,
  tray: undropLine,
  export: unmakeJournalFile,
  revalue: unrevalue,
  late_fee: unchargeLateFee,
  write_off: unWriteOff,
  set_off: unsetOff,
  contact: entriesOnly,
  forget: entriesOnly,
  allowance: entriesOnly,
  import: null,
  decide: null,
  lock: null,
  letter: null,
  leave_out: null,
  settings: null,
  undo: null,
  account: null,
  rates: null,
  run: null,
  draft: null,
  approve: null,
  schedule: null,
  release: null,
  paying: null,
  question: null,
  customer: unchangeCustomer,
  customer_new: null,
  merge: unmergeCustomers,
  attachment: removeAttachment,
};

/** Whether acts of a kind can be taken back by those who did them. */
export function isUndoable(kind: ActKind): boolean {
  return REVERSALS[kind] !== null;
}
