import type { PaperFacts } from "@/contracts/invoices";
import type { Db } from "@/db/connection";
import { latestDocument } from "@/db/documentLists";
import { documentById } from "@/db/documents";
import { readSettings } from "@/db/settings";
import { inputOf } from "@/server/invoices/steps/inputOf";
import { workOut } from "@/server/invoices/steps/workOut";

/** The paper of a real invoice of the book that looks are tried on: the latest; null without any. */
export function lookPreview(db: Db): PaperFacts | null {
  const id = latestDocument(db);
  const document = id === undefined ? undefined : documentById(db, id);
  if (!document) return null;
  if (document.frozen) return JSON.parse(document.frozen) as PaperFacts;
  const worked = workOut({ db, settings: readSettings(db) }, inputOf(db, document));
  return worked.ok ? worked.value.paper : null;
}
