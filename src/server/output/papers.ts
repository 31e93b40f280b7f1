import type { Content } from "pdfmake/interfaces";

import { type StatementWords } from "@/core/invoices";
import type { Db } from "@/db/connection";
import { customerById } from "@/db/customers";
import { letterById } from "@/db/letters";
import { openItemById, type OpenItemRow } from "@/db/openItems";

import { paperOfItem } from "../invoices/queries/papers";
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
import { extrasOf } from "./paperExtras";
import { paperPdf } from "./paperPdf";
import { printable } from "./pdf";

/** An invoice or credit note as a PDF from its data; what came in from a file has its sums, not its lines. */
export async function invoicePdf(db: Db, itemId: number): Promise<Buffer | null> {
  const item = openItemById(db, itemId);
  const customer = item && customerById(db, item.customerId);
  if (!item || !customer) return null;
  const paper = paperOfItem(db, itemId);
  if (paper) return paperPdf(paper, extrasOf(db, paper));
  const dress = dressOf(db, customer);
  const title = `${titleOf(item, dress.said)} ${item.number}`;
  const head = { title, to: addressedTo(db, customer), facts: factsOf(item, dress) };
  return inDress(dress, title, [dressed(dress, head, [sumsOf(item, dress)])]);
}

function titleOf({ kind }: OpenItemRow, said: StatementWords): string {
  if (kind === "credit_note") return said.credit_note;
  return kind === "late_fee" ? said.fee : said.invoice;
}

function factsOf(item: OpenItemRow, { said, language }: PaperDress): [string, string][] {
  const facts: [string, string | null][] = [
    [said.issued, paperDay(item.issuedOn, language)],
    [said.due, item.kind === "credit_note" ? null : paperDay(item.dueOn, language)],
    [said.terms, item.terms],
    [said.order, item.poNumber],
  ];
  return facts.flatMap(([term, fact]) => (fact ? [[term, fact] as [string, string]] : []));
}

function sumsOf(item: OpenItemRow, dress: PaperDress): Content {
  const { said } = dress;
  const amount = (of: number): string => `${item.currency} ${sum(of, item.currency)}`;
  return ledgerTable(
    dress,
    ["*", "auto"],
    [
      [left(said.applied, true), right(said.amount, true)],
      [left(item.description ?? ""), right(amount(item.total - item.tax))],
      ...(item.tax === 0 ? [] : [[left(said.tax), right(amount(item.tax))]]),
      [left(said.total, true), right(amount(item.total), true)],
      [left(said.open), right(amount(item.balance))],
    ],
  );
}

/** A letter as it was written, on paper: for who has no mail, or for a file. */
export async function letterPdf(db: Db, letterId: number): Promise<Buffer | null> {
  const letter = letterById(db, letterId);
  const customer = letter && customerById(db, letter.customerId);
  if (!letter || !customer) return null;
  const dress = dressOf(db, customer);
  const { said, language } = dress;
  const head = {
    title: letter.subject,
    to: addressedTo(db, customer),
    facts: [[said.day, paperDay(letter.onDay, language)]] as [string, string][],
  };
  const body = [{ text: printable(letter.body), preserveLeadingSpaces: true }];
  return inDress(dress, letter.subject, [dressed(dress, head, body)]);
}
