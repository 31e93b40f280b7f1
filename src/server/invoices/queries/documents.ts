import type { Unread } from "@/contracts/history";
import type { Backing, Linked } from "@/contracts/history";
import type { Written } from "@/contracts/invoices";
import type { ReceiptItem } from "@/contracts/match";
import { type PayoutShare } from "@/contracts/payouts";
import type { QuestionThread } from "@/contracts/questions";
import { type Day, formatDay } from "@/core/calendar";
import { add, minor, type Minor } from "@/core/money";
import { type HandState, METHODS, returnCodeOf } from "@/core/receipts";
import { applicationsOfItem, applicationsOfReceipt } from "@/db/applications";
import { bankAccounts, bankLineById, bankLineOfReceipt, type BankLineRow } from "@/db/bank";
import { feesOfCharge } from "@/db/charges";
import type { Db } from "@/db/connection";
import { customerById } from "@/db/customers";
import { depositById, depositOfLine } from "@/db/deposits";
import { lettersAbout } from "@/db/letters";
import { openItemById, type OpenItemRow } from "@/db/openItems";
import { payoutById, tiesOfLine } from "@/db/payouts";
import { itemsOfReceipt, processorItemById, type ProcessorItemRow } from "@/db/processor";
import { processorAccounts } from "@/db/processorAccounts";
import { receiptById, type ReceiptRow } from "@/db/receipts";
import { readSettings } from "@/db/settings";
import { type WriteOffRow, writeOffsOf } from "@/db/writeOffs";
import { threadsAbout } from "@/server/customers/queries/questions";
import { actsAbout, entriesAbout, originOf } from "@/server/books/queries/history";
import { METHOD_WORDS } from "@/server/match/queries/match";

import { setOffs, writtenHistory, writtenOf } from "./written";

export type InvoicePage = Backing & {
  item: OpenItemRow;
  customer: { id: number; name: string };
  paid: Linked[];
  letters: { on: Day; words: string }[];
  /** Whether it may be given up, and what of it waits for a second person. */
  givingUp: {
    limit: Minor;
    people: number;
    waits: WriteOffRow | null;
  };
  /** What stands on its paper and how it stands, where it was written here. */
  written: Written | null;
  /** What its customer asked about it. */
  questions: QuestionThread[];
};

export function invoicePageOf(db: Db, id: number): Unread<InvoicePage> | null {
  const item = openItemById(db, id);
  const customer = item && customerById(db, item.customerId);
  if (!item || !customer) return null;
  const writeOffs = writeOffsOf(db, id);
  const settings = readSettings(db);
  const given = writeOffs
    .filter(({ state }) => state === "posted" || state === "undone")
    .map((writeOff): Linked => ({
      words: "given up",
      href: "overdue?show=given-up",
      on: writeOff.askedOn,
      amount: writeOff.sum,
      note: writeOff.why,
      ended: writeOff.state === "undone",
    }));
  const paid = applicationsOfItem(db, id).map((application): Linked => {
    const receipt = receiptById(db, application.receiptId);
    return {
      words: receipt ? receipt.payerName || receipt.payerEmail || "receipt" : "receipt",
      href: `receipts/${application.receiptId}`,
      on: application.onDay,
      amount: add(application.amount, application.discount, application.smallDifference),
      note: besides(application.discount, application.smallDifference),
      ended: application.endedBy !== null,
    };
  });
  const letters = lettersAbout(db, id);
  const acts = applicationsOfItem(db, id).flatMap((application) =>
    actsAbout(db, "receipt", application.receiptId).filter((act) => act.id === application.actId),
  );
  const own = writtenHistory(db, item);
  return {
    item,
    customer: { id: customer.id, name: customer.name },
    paid: [...paid, ...setOffs(db, id), ...given],
    written: writtenOf(db, item),
    questions: threadsAbout(db, id),
    givingUp: {
      limit: minor(settings.smallDifferenceLimit),
      people: settings.people.length,
      waits: writeOffs.find(({ state }) => state === "waiting") ?? null,
    },
    letters: letters.map(({ on, step, address }) => ({
      on,
      words: `${step === 0 ? "sent" : `letter ${step}`} to ${address}`,
    })),
    entries: own.entries,
    acts: [...acts, ...own.acts],
    origin: originOf(db, item.fileId, item.lineNo),
  };
}

function besides(discount: Minor, smallDifference: Minor): string {
  return [
    discount === 0 ? "" : "with its discount",
    smallDifference === 0 ? "" : "with a small difference",
  ]
    .filter((name) => name !== "")
    .join(", ");
}

export type ReceiptPage = Backing & {
  receipt: ReceiptRow;
  method: string;
  customer: { id: number; name: string } | null;
  given: Linked[];
  items: ReceiptItem[];
  line: BankLineRow | null;
  hand: { number: string | null; state: string; depositOn: Day | null } | null;
};

export function receiptPageOf(db: Db, id: number): Unread<ReceiptPage> | null {
  const receipt = receiptById(db, id);
  if (!receipt) return null;
  const customer = receipt.customerId === null ? undefined : customerById(db, receipt.customerId);
  const deposit = receipt.depositId === null ? undefined : depositById(db, receipt.depositId);
  return {
    receipt,
    hand: byHand(receipt, deposit?.onDay ?? null),
    method:
      METHOD_WORDS[METHODS.find((name) => name === receipt.method) ?? "other"] ?? receipt.method,
    customer: customer ? { id: customer.id, name: customer.name } : null,
    given: givenByReceipt(db, id),
    items: itemsWithFees(db, id).map((item) => shownItem(db, item)),
    line: depositLine(db, deposit) ?? bankLineOfReceipt(db, id) ?? null,
    entries: entriesAbout(db, "receipt", id),
    acts: [
      ...actsAbout(db, "receipt", id),
      ...(deposit ? actsAbout(db, "deposit", deposit.id) : []),
    ],
    origin: originOf(db, receipt.fileId, receipt.lineNo),
  };
}

const depositLine = (db: Db, deposit: ReturnType<typeof depositById>): BankLineRow | undefined =>
  deposit?.bankLineId == null ? undefined : bankLineById(db, deposit.bankLineId);

const byHand = ({ handState, number }: ReceiptRow, depositOn: Day | null): ReceiptPage["hand"] =>
  handState === null ? null : { number, state: HAND_WORDS[handState], depositOn };

function givenByReceipt(db: Db, id: number): Linked[] {
  return applicationsOfReceipt(db, id).map((application) => {
    const item = openItemById(db, application.openItemId);
    return {
      words: item ? `${item.kind.replace("_", " ")} ${item.number}` : "invoice",
      href: `invoices/${application.openItemId}`,
      on: application.onDay,
      amount: application.amount,
      note: besides(application.discount, application.smallDifference),
      ended: application.endedBy !== null,
    };
  });
}

/** What the processor has of a receipt: the charge, what came back of it, and its fees. */
function itemsWithFees(db: Db, receiptId: number): ProcessorItemRow[] {
  const own = itemsOfReceipt(db, receiptId);
  const charge = own.find(({ kind }) => kind === "charge");
  if (!charge) return own;
  const fees = feesOfCharge(db, charge.processorAccountId, charge.externalId);
  return [...own, ...fees.flatMap((id) => processorItemById(db, id) ?? [])];
}

function shownItem(db: Db, item: ProcessorItemRow): ReceiptItem {
  const payout = item.payoutId === null ? undefined : payoutById(db, item.payoutId);
  return {
    id: item.id,
    kind: `${item.kind.replaceAll("_", " ")}${codeInWords(item)}${answerInWords(item)}`,
    externalId: item.externalId,
    on: item.settledOn,
    amount: item.amount,
    payout: payout ? { id: payout.id, externalId: payout.externalId } : null,
    disputeOpen: item.kind === "dispute" && item.settledState === "opened",
  };
}

const codeInWords = ({ returnCode }: ProcessorItemRow): string =>
  returnCode === null
    ? ""
    : ` ${returnCode}, ${returnCodeOf(returnCode)?.words ?? "a code of its own"}`;

const answerInWords = ({ answerBy }: ProcessorItemRow): string =>
  answerBy === null ? "" : `, to be answered by ${formatDay(answerBy)}`;

const HAND_WORDS: Record<HandState, string> = {
  on_hand: "on hand",
  deposited: "in a deposit, not on a statement yet",
  banked: "at the bank",
  void: "taken back as a mistake",
};

export type LinePage = Backing & {
  line: BankLineRow;
  bank: string;
  payouts: PayoutShare[];
};

export function linePageOf(db: Db, id: number): Unread<LinePage> | null {
  const line = bankLineById(db, id);
  if (!line) return null;
  const names = new Map(processorAccounts(db).map((account) => [account.id, account.name]));
  const payouts = tiesOfLine(db, id).flatMap((tie) => {
    const payout = payoutById(db, tie.payoutId);
    return payout
      ? [
          {
            id: payout.id,
            externalId: payout.externalId,
            processor: names.get(payout.processorAccountId) ?? "",
            share: tie.amount,
          },
        ]
      : [];
  });
  const deposit = depositOfLine(db, id);
  return {
    line,
    bank: bankAccounts(db).find((account) => account.id === line.bankAccountId)?.name ?? "",
    payouts,
    entries: entriesAbout(db, "bank_line", id),
    acts: [
      ...actsAbout(db, "bank_line", id),
      ...payouts.flatMap((payout) => actsAbout(db, "payout", payout.id)),
      ...(deposit ? actsAbout(db, "deposit", deposit.id) : []),
    ],
    origin: originOf(db, line.fileId, line.lineNo),
  };
}

/** What is told of a payout beside its workings. */
export function payoutBacking(db: Db, id: number): Unread<Backing> {
  const payout = payoutById(db, id);
  return {
    entries: entriesAbout(db, "payout", id),
    acts: actsAbout(db, "payout", id),
    origin: payout ? originOf(db, payout.fileId, payout.lineNo) : null,
  };
}
