import type { PaperFacts } from "@/contracts/invoices";
import { fail, ok, type Result } from "@/core/result";
import type { Db } from "@/db/connection";
import { documentByNumber, documentOfItem } from "@/db/documents";

/** What stands on the paper of an approved document, as it was when it was approved. */
export function paperOfNumber(db: Db, number: string): Result<PaperFacts> {
  const document = documentByNumber(db, number);
  return document?.frozen
    ? ok(JSON.parse(document.frozen) as PaperFacts)
    : fail("document.number_unknown", { number });
}

/** The paper behind an open item; null for one that came by a file. */
export function paperOfItem(db: Db, itemId: number): PaperFacts | null {
  const document = documentOfItem(db, itemId);
  return document?.frozen ? (JSON.parse(document.frozen) as PaperFacts) : null;
}
