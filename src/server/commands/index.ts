import type { Command } from "../command";
import { disputeLost } from "./disputeLost";
import { bounceReceipt, makeDeposit, recordReceipt, tieDeposit } from "./byHand";
import { answerDispute, mendAccount, refundAtBank, retryDebit } from "./comeBack";
import { explainLine, removeRule } from "./explainLine";
import { agreeRate, endRate } from "./fees";
import { newAccountLink, noteVisit } from "./accountPages";
import { addressWorks, letterCameBack, setContactPersons, takeReturnedMail } from "./addresses";
import { bringAllowance } from "./allowance";
import { accrueFees, billFees } from "./feeBills";
import { leaveOut, logContact, runLetters, sendLetter, sendLetters, skipRun } from "./followup";
import { importFile } from "./importFile";
import { makeJournalFile } from "./journalFile";
import { leaveItemOut, removeLadder, setFollowUp, setLadder } from "./ladders";
import { chargeLateFees, waiveLateFee } from "./lateFees";
import { changeAlias, forget } from "./learning";
import { askApproval, decideWriteOff, placeReceipt, useCredit } from "./placeReceipt";
import { postSure } from "./postSure";
import { revalue, setRates } from "./rates";
import { setAside } from "./setAside";
import { addBankAccount, addProcessorAccount, changeSettings, lockPeriod } from "./settings";
import { lumpPayout, tiePayout, tiePayouts } from "./tiePayout";
import { decideInvoiceWriteOff, writeOff } from "./writeOffs";
import { dropWording, setWordingOf } from "./wordings";
import { undo, undoTogether } from "./undo";

/** Every way to change a book, by name. */
export const COMMANDS = {
  importFile,
  placeReceipt,
  useCredit,
  postSure,
  setAside,
  tiePayout,
  tiePayouts,
  lumpPayout,
  explainLine,
  removeRule,
  disputeLost,
  undo,
  undoTogether,
  sendLetter,
  logContact,
  leaveOut,
  addProcessorAccount,
  addBankAccount,
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
  skipRun,
  letterCameBack,
  addressWorks,
  takeReturnedMail,
  setContactPersons,
  setWordingOf,
  dropWording,
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
