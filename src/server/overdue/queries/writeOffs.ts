import type { WrittenOffRow } from "@/contracts/overdue";
import type { Db } from "@/db/connection";
import { givenUpWithPayments, recoveries, type WriteOffRow, writeOffsIn } from "@/db/writeOffs";

export type GivenUpPage = { waiting: WriteOffRow[]; rows: WrittenOffRow[] };

/** What waits for a second person, and what was written off and paid after all, the latest first. */
export function writeOffsPage(db: Db): GivenUpPage {
  const alone = writeOffsIn(db, "posted").map((row): WrittenOffRow => ({
    key: `w${row.id}`,
    on: row.askedOn,
    customerId: row.customerId,
    customer: row.customer,
    words: row.number,
    href: `invoices/${row.itemId}`,
    why: row.why,
    by: row.decidedBy === null ? row.askedBy : `${row.askedBy} and ${row.decidedBy}`,
    currency: row.currency,
    sum: row.sum,
    paid: false,
  }));
  const short = givenUpWithPayments(db).map((row): WrittenOffRow => ({
    key: `p${row.receiptId} ${row.itemId}`,
    on: row.on,
    customerId: row.customerId,
    customer: row.customer,
    words: row.number,
    href: `invoices/${row.itemId}`,
    why: "with a payment that was short",
    by: "",
    currency: row.currency,
    sum: row.sum,
    paid: false,
  }));
  const back = recoveries(db).map((row): WrittenOffRow => ({
    key: `r${row.receiptId}`,
    on: row.on,
    customerId: row.customerId,
    customer: row.customer,
    words: "payment after all",
    href: `receipts/${row.receiptId}`,
    why: "",
    by: "",
    currency: row.currency,
    sum: row.sum,
    paid: true,
  }));
  return {
    waiting: writeOffsIn(db, "waiting"),
    rows: [...alone, ...short, ...back].sort((a, b) => {
      if (a.on < b.on) return 1;
      if (a.on > b.on) return -1;
      return a.key.localeCompare(b.key);
    }),
  };
}
