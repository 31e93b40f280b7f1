import { dropLine } from "./arrivals/commands/dropLine";
import { explainLine } from "./arrivals/commands/explainLine";
import { importFile } from "./arrivals/commands/importFile";
import { removeRule } from "./arrivals/commands/removeRule";
import { makeJournalFile } from "./books/commands/makeJournalFile";
import { revalue } from "./books/commands/revalue";
import { setRates } from "./books/commands/setRates";
import { undo } from "./books/commands/undo";
import { undoFile } from "./books/commands/undoFile";
import { undoTogether } from "./books/commands/undoTogether";
import { answerQuestion, endQuestion } from "./customers/commands/answerQuestion";
import { askQuestion } from "./customers/commands/askQuestion";
import { addAttachment } from "./customers/commands/addAttachment";
import { mergeCustomers } from "./customers/commands/mergeCustomers";
import { newAccountLink } from "./customers/commands/newAccountLink";
import { noteVisit } from "./customers/commands/noteVisit";
import { writeCustomer } from "./customers/commands/writeCustomer";
import { approveDocuments } from "./invoices/commands/approveDocuments";
import { moveSchedule } from "./invoices/commands/moveSchedule";
import { joinDrafts } from "./invoices/commands/joinDrafts";
import { markPrinted } from "./invoices/commands/markPrinted";
import { moveDraft } from "./invoices/commands/moveDraft";
import { agree, endAgreement } from "./paying/commands/agree";
import { askForCard } from "./paying/commands/askForCard";
import { beginPayment } from "./paying/commands/beginPayment";
import { keepMethod } from "./paying/commands/keepMethod";
import { makePayLink, withdrawPayLink } from "./paying/commands/makePayLink";
import { askRefund } from "./paying/commands/askRefund";
import { decideRefund } from "./paying/commands/decideRefund";
import { notePayment } from "./paying/commands/notePayment";
import { noteProof } from "./paying/commands/noteProof";
import { noteRefund } from "./paying/commands/noteRefund";
import { tellSums } from "./paying/commands/tellSums";
import { agreePlan, endPlan } from "./paying/commands/agreePlan";
import { noteEvent } from "./paying/commands/noteEvent";
import { takeOutOfRun } from "./paying/commands/takeOutOfRun";
import { removeMethod } from "./paying/commands/removeMethod";
import { askDeposit } from "./invoices/commands/askDeposit";
import { releaseIncome } from "./invoices/commands/releaseIncome";
import { runSchedules } from "./invoices/commands/runSchedules";
import { sendDocuments } from "./invoices/commands/sendDocuments";
import { setOff } from "./invoices/commands/setOff";
import { scheduleDocuments } from "./invoices/commands/scheduleDocuments";
import { setSchedule } from "./invoices/commands/setSchedule";
import { takeOrders } from "./invoices/commands/takeOrders";
import { writeCreditNote } from "./invoices/commands/writeCreditNote";
import { writeDraft } from "./invoices/commands/writeDraft";
import { applyReceipt } from "./match/commands/applyReceipt";
import { askApproval } from "./match/commands/askApproval";
import { bounceReceipt } from "./match/commands/bounceReceipt";
import { changeAlias } from "./match/commands/changeAlias";
import { decideWriteOff } from "./match/commands/decideWriteOff";
import { forget } from "./match/commands/forget";
import { makeDeposit } from "./match/commands/makeDeposit";
import { postSure } from "./match/commands/postSure";
import { recordReceipt } from "./match/commands/recordReceipt";
import { setAside } from "./match/commands/setAside";
import { tieDeposit } from "./match/commands/tieDeposit";
import { useCredit } from "./match/commands/useCredit";
import { addressWorks } from "./overdue/commands/addressWorks";
import { bringAllowance } from "./overdue/commands/bringAllowance";
import { chargeLateFees } from "./overdue/commands/chargeLateFees";
import { decideInvoiceWriteOff } from "./overdue/commands/decideInvoiceWriteOff";
import { dropWording } from "./overdue/commands/dropWording";
import { leaveItemOut } from "./overdue/commands/leaveItemOut";
import { leaveOut } from "./overdue/commands/leaveOut";
import { letterCameBack } from "./overdue/commands/letterCameBack";
import { logContact } from "./overdue/commands/logContact";
import { removeLadder } from "./overdue/commands/removeLadder";
import { runLetters } from "./overdue/commands/runLetters";
import { sendLetter } from "./overdue/commands/sendLetter";
import { sendLetters } from "./overdue/commands/sendLetters";
import { setContactPersons } from "./overdue/commands/setContactPersons";
import { setFollowUp } from "./overdue/commands/setFollowUp";
import { setLadder } from "./overdue/commands/setLadder";
import { setWordingOf } from "./overdue/commands/setWordingOf";
import { settleLetter } from "./overdue/commands/settleLetter";
import { skipRun } from "./overdue/commands/skipRun";
import { takeMail } from "./arrivals/commands/takeMail";
import { takeReturnedMail } from "./overdue/commands/takeReturnedMail";
import { waiveLateFee } from "./overdue/commands/waiveLateFee";
import { writeOff } from "./overdue/commands/writeOff";
import { accrueFees } from "./payouts/commands/accrueFees";
import { agreeRate } from "./payouts/commands/agreeRate";
import { answerDispute } from "./payouts/commands/answerDispute";
import { billFees } from "./payouts/commands/billFees";
import { disputeLost } from "./payouts/commands/disputeLost";
import { endRate } from "./payouts/commands/endRate";
import { splitBulkPayout } from "./payouts/commands/splitBulkPayout";
import { mendAccount } from "./payouts/commands/mendAccount";
import { refundAtBank } from "./payouts/commands/refundAtBank";
import { retryDebit } from "./payouts/commands/retryDebit";
import { tiePayout } from "./payouts/commands/tiePayout";
import { tiePayouts } from "./payouts/commands/tiePayouts";
import type { Command } from "./runtime/command";
import { addBankAccount } from "./settings/commands/addBankAccount";
import { addProcessorAccount } from "./settings/commands/addProcessorAccount";
import { changeMailbox } from "./settings/commands/changeMailbox";
import { changeMailServer } from "./settings/commands/changeMailServer";
import { changeSettings } from "./settings/commands/changeSettings";
import { lockPeriod } from "./settings/commands/lockPeriod";
import { setAccount } from "./settings/commands/setAccount";
import { setItem } from "./settings/commands/setItem";
import { setBankDetails } from "./settings/commands/setBankDetails";
import { setLook } from "./settings/commands/setLook";
import { setTaxCode } from "./settings/commands/setTaxCode";

/** Every way to change a book, by name. */
export const COMMANDS = {
  importFile,
  applyReceipt,
  useCredit,
  postSure,
  setAside,
  tiePayout,
  tiePayouts,
  splitBulkPayout,
  dropLine,
  explainLine,
  removeRule,
  disputeLost,
  undo,
  undoFile,
  undoTogether,
  sendLetter,
  logContact,
  leaveOut,
  addProcessorAccount,
  addBankAccount,
  changeMailbox,
  changeMailServer,
  changeSettings,
  lockPeriod,
  askApproval,
  decideWriteOff,
  recordReceipt,
  makeDeposit,
  tieDeposit,
  bounceReceipt,
  forget,
  changeAlias,
  agreeRate,
  endRate,
  accrueFees,
  billFees,
  retryDebit,
  mendAccount,
  answerDispute,
  refundAtBank,
  makeJournalFile,
  setRates,
  revalue,
  sendLetters,
  setLadder,
  removeLadder,
  setFollowUp,
  leaveItemOut,
  bringAllowance,
  chargeLateFees,
  waiveLateFee,
  writeOff,
  decideInvoiceWriteOff,
  newAccountLink,
  noteVisit,
  runLetters,
  settleLetter,
  skipRun,
  letterCameBack,
  addressWorks,
  takeMail,
  takeReturnedMail,
  setContactPersons,
  setWordingOf,
  dropWording,
  writeDraft,
  moveDraft,
  joinDrafts,
  approveDocuments,
  takeOrders,
  writeCreditNote,
  setOff,
  sendDocuments,
  markPrinted,
  scheduleDocuments,
  setSchedule,
  moveSchedule,
  runSchedules,
  askDeposit,
  keepMethod,
  removeMethod,
  agree,
  endAgreement,
  askForCard,
  beginPayment,
  notePayment,
  askRefund,
  decideRefund,
  noteProof,
  noteRefund,
  takeOutOfRun,
  tellSums,
  noteEvent,
  agreePlan,
  endPlan,
  makePayLink,
  withdrawPayLink,
  releaseIncome,
  setTaxCode,
  setBankDetails,
  setLook,
  setAccount,
  setItem,
  writeCustomer,
  mergeCustomers,
  answerQuestion,
  askQuestion,
  endQuestion,
  addAttachment,
} as const;

export type CommandName = keyof typeof COMMANDS;
export type InputOf<Name extends CommandName> = (typeof COMMANDS)[Name]["schema"]["_zod"]["input"];
export type OutputOf<Name extends CommandName> = Extract<
  ReturnType<(typeof COMMANDS)[Name]["run"]>,
  { ok: true }
>["value"];

export function commandOf(name: string): Command | undefined {
  return Object.hasOwn(COMMANDS, name)
    ? (COMMANDS[name as CommandName] as unknown as Command)
    : undefined;
}
