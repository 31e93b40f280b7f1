import JSZip from "jszip";

import type { PaperFacts } from "@/contracts/invoices";
import { fail, ok, type Result } from "@/core/result";
import type { Db } from "@/db/connection";
import { documentById } from "@/db/documents";

import { extrasOf } from "./paperExtras";
import { paperPdf, papersPdf } from "./paperPdf";
import { ublOf } from "./ubl";

type Together = { bytes: Uint8Array; type: string; name: string };

/** So many documents are put into one file. */
const MOST_TOGETHER = 1000;

/**
 * Approved documents in one file: as PDF, each behind a page that says whom it is for, or as a ZIP of
 * each as PDF and UBL. Errors: document.unknown, document.many.
 */
export async function batchOf(
  db: Db,
  ids: readonly number[],
  format: "pdf" | "zip",
): Promise<Result<Together>> {
  if (ids.length > MOST_TOGETHER) return fail("document.many", { most: MOST_TOGETHER });
  const papers: PaperFacts[] = [];
  for (const id of ids) {
    const document = documentById(db, id);
    if (!document?.frozen) return fail("document.unknown", { id });
    papers.push(JSON.parse(document.frozen) as PaperFacts);
  }
  if (format === "pdf")
    return ok({
      bytes: await papersPdf(papers, (paper) => extrasOf(db, paper)),
      type: "application/pdf",
      name: `documents-${papers.length}.pdf`,
    });
  const zip = new JSZip();
  for (const paper of papers) {
    const name = (paper.number ?? "").replaceAll(/[^A-Za-z0-9-]/gu, "_");
    const date = new Date(`${paper.issuedOn}T00:00:00Z`);
    zip.file(`${name}.pdf`, await paperPdf(paper, extrasOf(db, paper)), { date });
    zip.file(`${name}.xml`, ublOf(paper), { date });
  }
  const bytes = await zip.generateAsync({ type: "uint8array", compression: "DEFLATE" });
  return ok({ bytes, type: "application/zip", name: `documents-${papers.length}.zip` });
}
