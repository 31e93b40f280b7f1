import type { OffDocument, ProofBreakdown, ProofDocument } from "@/contracts/books";
import { type Day, formatDay } from "@/core/calendar";
import { type ItemKind, offInWords, type ProofName, type Role, whatIsOff } from "@/core/ledger";
import { negate, sumOf } from "@/core/money";
import { bankAccounts, explainedLinesByMonth } from "@/db/bank";
import { clearingAsOf, type ItemsOfRole, itemsOfRole } from "@/db/clearing";
import type { Db } from "@/db/connection";
import { accruals } from "@/db/fees";
import { openItemsAsOf } from "@/db/openItemPages";
import { tiedByMonth } from "@/db/payouts";
import { type ReceiptPart, receiptsWith } from "@/db/receipts";
import { receiptsByHand } from "@/db/receiptsByHand";
import { unreconciledDocuments } from "@/db/unreconciled";

import { hrefOf } from "./history";

const MOST = 400;
const LAST = "9999-12-31" as Day;

/** What a control sum is made of, document by document; empty for proofs that are about entries only. */
export function proofDocuments(db: Db, name: ProofName): ProofBreakdown {
  const all = DOCUMENTS[name](db);
  return {
    documents: all.slice(0, MOST),
    count: all.length,
    sum: sumOf(all, (proofDocument) => proofDocument.amount),
    off: offDocuments(db, name),
  };
}

/** Roles whose accounts a proof is about. */
const ROLES: Partial<Record<ProofName, readonly Role[]>> = {
  receivables: ["receivables"],
  clearing: ["clearing"],
  unidentified: ["unidentified"],
  credits: ["credits"],
  disputed: ["disputed"],
  on_hand: ["on_hand"],
  fees_accrued: ["fees_accrued"],
  bank: ["bank"],
};
const KIND_WORDS: Record<ItemKind, string> = {
  open_item: "open item",
  receipt: "receipt",
  processor_item: "item of the processor",
  bank_line: "bank line",
  payout: "payout",
  fee_accrual: "fees of a month",
  revaluation: "revaluation",
};

function offDocuments(db: Db, name: ProofName): OffDocument[] {
  return unreconciledDocuments(db, ROLES[name] ?? []).map((stray) => ({
    words: `${KIND_WORDS[stray.kind]} ${stray.id}`,
    href: hrefOf(db, stray.kind, stray.id),
    journal: stray.journal,
    documents: stray.documents,
    sinceEntry: stray.sinceEntry,
    sinceOn: stray.sinceOn,
    explained: offInWords(whatIsOff(stray.journal, stray.documents)),
  }));
}

/** The documents of each proof, one by one; a proof that is not of documents has none. */
const DOCUMENTS: Readonly<Record<ProofName, (db: Db) => ProofDocument[]>> = {
  entries: () => [],
  balances: () => [],
  applications: () => [],
  receivables: openItems,
  clearing: inClearing,
  unidentified: (db) => receipts(db, "unidentified"),
  credits: (db) => receipts(db, "on_account"),
  parked: (db) => [...receipts(db, "parked"), ...processorItems(db, "parked")],
  disputed: (db) => processorItems(db, "disputed"),
  reserve: (db) => processorItems(db, "reserve"),
  fees_accrued: feesAccrued,
  bank: bankLines,
  payouts: tiedPayouts,
  on_hand: onHand,
};

function openItems(db: Db): ProofDocument[] {
  return openItemsAsOf(db, LAST).map((item) => ({
    words: `${item.number}, ${item.customer}`,
    more: `due ${formatDay(item.dueOn)}`,
    on: item.issuedOn,
    amount: item.asOfBalance,
    href: `invoices/${item.id}`,
  }));
}

/** Where an item of a processor is looked at: its receipt, else its payout. */
function placeOf(item: { receiptId: number | null; payoutId: number | null }): string | null {
  if (item.receiptId !== null) return `receipts/${item.receiptId}`;
  return item.payoutId === null ? null : `payouts/${item.payoutId}`;
}

function inClearing(db: Db): ProofDocument[] {
  return clearingAsOf(db, LAST).map((item) => {
    const payout = item.payout === null ? "in no payout yet" : `payout ${item.payout}, not tied`;
    const payer = item.payer ? `, ${item.payer}` : "";
    return {
      words: `${item.kind.replaceAll("_", " ")} ${item.externalId}${payer}`,
      more: `${item.processorAccount}, ${payout}`,
      on: item.settledOn,
      amount: item.book,
      href: placeOf(item),
    };
  });
}

function feesAccrued(db: Db): ProofDocument[] {
  return accruals(db)
    .filter(({ state }) => state === "accrued")
    .map((accrual) => ({
      words: `Fees of ${accrual.month}, ${accrual.account}`,
      more: "not billed yet",
      on: accrual.onDay,
      amount: negate(accrual.sum),
      href: "payouts?show=fees",
    }));
}

const STATE_WORDS: Record<string, string> = {
  payout: "payouts",
  receipt: "receipts by themselves",
  elsewhere: "put aside",
  deposit: "deposits by hand",
  bounce: "checks that bounced",
};

/** What is summed up by month has no day of its own. */
const ofMonths = { more: "", on: null };

function bankLines(db: Db): ProofDocument[] {
  return [
    ...bankAccounts(db).map((account) => ({
      ...ofMonths,
      words: `Opening balance, ${account.name}`,
      amount: account.openingBalance,
      href: null,
    })),
    ...explainedLinesByMonth(db).map(({ state, month, sum, count }) => ({
      ...ofMonths,
      words: `${month}: ${count} lines, ${STATE_WORDS[state] ?? state}`,
      amount: sum,
      href: `arrivals?list=lines&state=${state}`,
    })),
  ];
}

function tiedPayouts(db: Db): ProofDocument[] {
  return tiedByMonth(db).map(({ month, sum, count }) => ({
    ...ofMonths,
    words: `${month}: ${count} payouts tied`,
    amount: sum,
    href: `payouts?month=${month}`,
  }));
}

function onHand(db: Db): ProofDocument[] {
  return [...receiptsByHand(db, "on_hand"), ...receiptsByHand(db, "deposited")].map((row) => ({
    words: `${row.method.replace("_", " ")} ${row.number ?? ""}, ${row.payerName || "payer not known"}`,
    more: row.handState === "on_hand" ? "on hand" : "in a deposit under way",
    on: row.paidOn,
    amount: row.amount,
    href: `receipts/${row.id}`,
  }));
}

function receipts(db: Db, part: ReceiptPart): ProofDocument[] {
  return receiptsWith(db, part).map((row) => ({
    words: row.payer || "receipt",
    more: row.reference,
    on: row.paidOn,
    amount: negate(row.amount),
    href: `receipts/${row.id}`,
  }));
}

function processorItems(db: Db, role: ItemsOfRole): ProofDocument[] {
  return itemsOfRole(db, role).map((row) => ({
    words: `${row.kind.replaceAll("_", " ")} ${row.externalId}`,
    more: row.reason ?? "",
    on: row.on,
    amount: negate(row.amount),
    href: placeOf(row),
  }));
}
