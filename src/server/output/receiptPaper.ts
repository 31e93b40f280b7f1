import type { TableCell } from "pdfmake/interfaces";

import { applicationsOfReceipt } from "@/db/applications";
import type { Db } from "@/db/connection";
import { customerById } from "@/db/customers";
import { openItemById } from "@/db/openItems";
import { receiptById, type ReceiptRow } from "@/db/receipts";

import {
  dressed,
  dressOf,
  inDress,
  ledgerTable,
  left,
  type PaperDress,
  right,
  sum,
} from "./accountPaper";
import { addressedTo } from "./addressedTo";
import { paperDay } from "./paperDay";

/**
 * What a customer gets for its money: how much came how and when, and which invoices it paid. Null
 * while it is nobody's.
 */
export async function receiptPdf(db: Db, receiptId: number): Promise<Buffer | null> {
  const receipt = receiptById(db, receiptId);
  if (!receipt || receipt.customerId === null) return null;
  const customer = customerById(db, receipt.customerId);
  if (!customer) return null;
  const dress = dressOf(db, customer);
  const title = `${dress.said.receipt} ${receipt.id}`;
  const head = { title, to: addressedTo(db, customer), facts: factsOf(receipt, dress) };
  const rows = [headRow(dress), ...rowsOf(db, receipt, dress), totalRow(receipt, dress)];
  return inDress(dress, title, [dressed(dress, head, [ledgerTable(dress, ["*", "auto"], rows)])]);
}

function factsOf(receipt: ReceiptRow, { said, language }: PaperDress): [string, string][] {
  const way = said.ways[receipt.method] ?? said.ways.other ?? receipt.method;
  return [
    [said.day, paperDay(receipt.paidOn, language)],
    [said.from, receipt.payerName || receipt.payerEmail],
    [said.by, receipt.number === null ? way : `${way} ${receipt.number}`],
  ];
}

const headRow = ({ said }: PaperDress): TableCell[] => [
  left(said.applied, true),
  right(said.amount, true),
];

/** What the money was given to; what of it stands on account, and whatever else became of it, is a line too. */
function rowsOf(db: Db, receipt: ReceiptRow, { said }: PaperDress): TableCell[][] {
  const given = applicationsOfReceipt(db, receipt.id).filter(({ endedBy }) => endedBy === null);
  const lines = given.map((application): [string, number] => {
    const item = openItemById(db, application.openItemId);
    return [item?.number ?? said.invoice, application.amount];
  });
  const others: [string, number][] = [
    [said.on_account, receipt.onAccount],
    [said.events.surcharge ?? "", receipt.surcharge],
    [said.events.refund ?? "", receipt.goneBack],
  ];
  const known = [...lines, ...others].reduce((so, [, amount]) => so + amount, 0);
  const all = [...lines, ...others, [said.ways.other ?? "", receipt.amount - known] as const];
  return all
    .filter(([, amount]) => amount !== 0)
    .map(([words, amount]) => [left(words), right(sum(amount, receipt.currency))]);
}

const totalRow = ({ amount, currency }: ReceiptRow, { said }: PaperDress): TableCell[] => [
  left(said.total, true),
  right(`${currency} ${sum(amount, currency)}`, true),
];
