import { readFileSync } from "node:fs";

import { addDays } from "@/core/calendar";
import { attachmentsOfDocument } from "@/db/attachments";
import type { Db } from "@/db/connection";
import { documentOfItem } from "@/db/documents";
import { type LetterRow, papersOfLetter } from "@/db/letters";

import { keptFile } from "../runtime/folders";

type Attachment = { filename: string; content: Buffer; contentType: string };

/** What goes with a letter: the statement as of its day, and the invoices that it names. */
export async function attachmentsOf(
  db: Db,
  book: string,
  letter: LetterRow,
): Promise<Attachment[]> {
  if (letter.receiptId !== null) return receiptPaper(db, letter.receiptId);
  if (letter.attach === "none") return [];
  const { invoicePdf } = await import("./papers");
  const { statementPdf } = await import("./statementPapers");
  // A letter that brings a document has that alone, and what was laid to it.
  if (letter.step === 0) return documentPapers(db, book, letter);
  const papers = pdf(
    `statement-${letter.onDay}.pdf`,
    await statementPdf(db, letter.customerId, addDays(letter.onDay, -STATEMENT_DAYS), letter.onDay),
  );
  if (letter.attach === "invoices")
    for (const item of papersOfLetter(db, letter.id))
      papers.push(
        ...pdf(`${item.number.replace(/[^A-Za-z0-9-]/g, "_")}.pdf`, await invoicePdf(db, item.id)),
      );
  return papers;
}

const pdf = (filename: string, content: Buffer | null): Attachment[] =>
  content ? [{ filename, content, contentType: "application/pdf" }] : [];

async function receiptPaper(db: Db, receiptId: number): Promise<Attachment[]> {
  const { receiptPdf } = await import("./receiptPaper");
  return pdf(`receipt-${receiptId}.pdf`, await receiptPdf(db, receiptId));
}

async function documentPapers(db: Db, book: string, letter: LetterRow): Promise<Attachment[]> {
  const { invoicePdf } = await import("./papers");
  const papers: Attachment[] = [];
  for (const { id, number } of papersOfLetter(db, letter.id)) {
    const content = await invoicePdf(db, id);
    papers.push(...pdf(`${number.replace(/[^A-Za-z0-9-]/g, "_")}.pdf`, content));
    const document = documentOfItem(db, id);
    for (const laid of document ? attachmentsOfDocument(db, document.id) : [])
      papers.push({
        filename: laid.name,
        content: readFileSync(keptFile(book, laid.sha256)),
        contentType: laid.type,
      });
  }
  return papers;
}

/** How far back the statement of a letter goes. */
const STATEMENT_DAYS = 92;
