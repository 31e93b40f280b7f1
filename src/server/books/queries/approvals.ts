import type { Waiting } from "@/contracts/approvals";
import { approvalsWaiting } from "@/db/approvals";
import type { Db } from "@/db/connection";
import { customerById } from "@/db/customers";
import { unapprovedDocuments } from "@/db/documentLists";
import { receiptById, type ReceiptRow } from "@/db/receipts";
import { readSettings } from "@/db/settings";
import { refundsIn } from "@/db/refunds";
import { writeOffsIn } from "@/db/writeOffs";

/**
 * Everything that waits for a second person: documents over the limit, short receipts, debts given
 * up, money to go back.
 */
export function waitingForSecond(db: Db): Waiting[] {
  return [...documents(db), ...receipts(db), ...writeOffs(db), ...refunds(db)];
}

const documents = (db: Db): Waiting[] =>
  unapprovedDocuments(db)
    .filter(({ stage }) => stage === "waiting")
    .map((document) => ({
      key: `document ${document.id}`,
      kind: "document",
      id: document.id,
      words: document.kind === "invoice" ? "invoice" : "credit note",
      why: document.words ?? "",
      customer: document.customer,
      askedBy: document.writtenBy,
      askedOn: null,
      sum: document.total,
      currency: document.currency,
      href: `invoices/drafts/${document.id}`,
    }));

function receipts(db: Db): Waiting[] {
  const { currency } = readSettings(db);
  return approvalsWaiting(db).map((asked) => {
    const receipt = receiptById(db, asked.receiptId);
    return {
      key: `receipt ${asked.id}`,
      kind: "short receipt",
      id: asked.id,
      words: "rest of a receipt written off",
      why: asked.why,
      customer: payerOf(db, receipt),
      askedBy: asked.askedBy,
      askedOn: asked.askedOn,
      sum: asked.sum,
      currency: receipt?.currency ?? currency,
      href: "match?queue=second",
    };
  });
}

/** Whose a receipt is, or who has paid it. */
const payerOf = (db: Db, receipt: ReceiptRow | undefined): string =>
  (receipt?.customerId == null ? undefined : customerById(db, receipt.customerId))?.name ??
  receipt?.payerName ??
  "";

const writeOffs = (db: Db): Waiting[] =>
  writeOffsIn(db, "waiting").map((asked) => ({
    key: `write-off ${asked.id}`,
    kind: "write-off",
    id: asked.id,
    words: `${asked.number} written off`,
    why: asked.why,
    customer: asked.customer,
    askedBy: asked.askedBy,
    askedOn: asked.askedOn,
    sum: asked.sum,
    currency: asked.currency,
    href: `invoices/${asked.itemId}`,
  }));

const refunds = (db: Db): Waiting[] =>
  refundsIn(db, "waiting").map((asked) => {
    const receipt = receiptById(db, asked.receiptId);
    return {
      key: `refund ${asked.id}`,
      kind: "refund",
      id: asked.id,
      words: "money sent back",
      why: asked.why,
      customer: payerOf(db, receipt),
      askedBy: asked.askedBy,
      askedOn: asked.askedOn,
      sum: asked.amount,
      currency: asked.currency,
      href: `receipts/${asked.receiptId}`,
    };
  });
