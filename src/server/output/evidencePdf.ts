import { readFileSync } from "node:fs";

import { PDFDocument } from "@cantoo/pdf-lib";

import { applicationsOfReceipt } from "@/db/applications";
import { type AttachmentRow, attachmentsOf, attachmentsOfDocument } from "@/db/attachments";
import type { Db } from "@/db/connection";
import { documentOfItem } from "@/db/documents";
import { openItemById, type OpenItemRow } from "@/db/openItems";
import { processorItemById } from "@/db/processor";
import { receiptById } from "@/db/receipts";
import { keptFile } from "@/server/runtime/folders";

import { type Contested, evidenceSheet } from "./evidenceSheet";
import { invoicePdf } from "./papers";
import { receiptPdf } from "./receiptPaper";

/** So many pages are put together; more would be read by nobody. */
const MOST_PAGES = 200;

/**
 * What the book has to answer a dispute with, in one PDF: a sheet that says what was bought, agreed
 * to, sent and looked at, then the invoices, the receipt, and the papers that lie with them. Null
 * where there is no such dispute, or nobody knows whose charge it was.
 */
export async function evidencePdf(
  { db, book }: { db: Db; book: string },
  disputeId: number,
): Promise<Uint8Array | null> {
  const contested = contestedBy(db, disputeId);
  if (!contested) return null;
  const { receipt, items, papers } = contested;
  const opened: { paper: AttachmentRow; content: PDFDocument | Buffer | null }[] = [];
  for (const paper of papers)
    opened.push({ paper, content: await contentOf(paper, keptFile(book, paper.sha256)) });
  const unread = opened.filter(({ content }) => content === null).map(({ paper }) => paper.name);
  const whole = await PDFDocument.load(await evidenceSheet(db, { ...contested, unread }));
  for (const item of items) await append(whole, await invoicePdf(db, item.id));
  await append(whole, await receiptPdf(db, receipt.id));
  for (const { paper, content } of opened)
    if (content instanceof PDFDocument) await appendPages(whole, content);
    else if (content) await appendPicture(whole, paper, content);
  return whole.save();
}

function contestedBy(db: Db, disputeId: number): Contested | null {
  const dispute = processorItemById(db, disputeId);
  const receipt = dispute?.receiptId == null ? undefined : receiptById(db, dispute.receiptId);
  if (dispute?.kind !== "dispute" || !receipt) return null;
  const { customerId } = receipt;
  if (customerId === null) return null;
  const paid = new Set(applicationsOfReceipt(db, receipt.id).map(({ openItemId }) => openItemId));
  const items = [...paid].flatMap((id): OpenItemRow | [] => openItemById(db, id) ?? []);
  const documents = items.flatMap(({ id }) => documentOfItem(db, id)?.id ?? []);
  const laid = documents.flatMap((id) => attachmentsOfDocument(db, id));
  const own = attachmentsOf(db, customerId).filter(({ documentId }) => documentId === null);
  return { dispute, receipt: { ...receipt, customerId }, items, papers: [...laid, ...own] };
}

async function append(whole: PDFDocument, bytes: Uint8Array | null): Promise<void> {
  if (bytes) await appendPages(whole, await PDFDocument.load(bytes));
}

async function appendPages(whole: PDFDocument, part: PDFDocument): Promise<void> {
  const room = Math.max(0, MOST_PAGES - whole.getPageCount());
  const pages = await whole.copyPages(part, part.getPageIndices().slice(0, room));
  for (const page of pages) whole.addPage(page);
}

/** A paper as it can be put in; null where it cannot be read, which the sheet says. */
async function contentOf(
  { type }: AttachmentRow,
  path: string,
): Promise<PDFDocument | Buffer | null> {
  const bytes = readFileSync(path);
  if (type !== "application/pdf") return bytes;
  try {
    const read = await PDFDocument.load(bytes, { ignoreEncryption: true });
    return read.getPageCount() > 0 ? read : null;
  } catch {
    return null;
  }
}

/** A picture gets a page of its size. */
async function appendPicture(
  whole: PDFDocument,
  { type }: AttachmentRow,
  bytes: Buffer,
): Promise<void> {
  if (whole.getPageCount() >= MOST_PAGES) return;
  const image = type === "image/png" ? await whole.embedPng(bytes) : await whole.embedJpg(bytes);
  const page = whole.addPage([image.width, image.height]);
  page.drawImage(image, { x: 0, y: 0, width: image.width, height: image.height });
}
