import { writeFileSync } from "node:fs";

import { openBookToRead } from "@/server/runtime/books";
import { paperOfNumber } from "@/server/invoices/queries/papers";
import { extrasOf } from "@/server/output/paperExtras";
import { paperPdf } from "@/server/output/paperPdf";
import { ublOf } from "@/server/output/ubl";

import { type Args, EXIT, failed, type Outcome, wrongCall } from "./outcome";

/** `dozo export ubl|pdf`: an approved document as UBL 2.1, or as PDF/A-3 with it inside. */
export async function exportDocument(
  format: "ubl" | "pdf",
  { book, number, out }: Args["values"],
): Promise<Outcome> {
  if (typeof book !== "string" || typeof number !== "string")
    return wrongCall("Say --book and --number.");
  const opened = openBookToRead(book);
  if (!opened.ok) return failed(opened.error);
  const paper = paperOfNumber(opened.value, number);
  if (!paper.ok) return { ...failed(paper.error), code: EXIT.input };
  const bytes =
    format === "ubl"
      ? Buffer.from(ublOf(paper.value))
      : await paperPdf(paper.value, extrasOf(opened.value, paper.value));
  if (typeof out !== "string") return { code: EXIT.done, bytes };
  writeFileSync(out, bytes);
  return {
    code: EXIT.done,
    messages: [`${number} is in ${out}`],
    data: { number, file: out },
  };
}
