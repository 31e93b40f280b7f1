import { toDecimal } from "@/core/money";
import type { Failure } from "@/core/result";
import { readSettings } from "@/db/settings";
import { lookThrough } from "@/server/books/backups/examine";
import { keptBackups } from "@/server/books/backups/kept";
import { proofInWords, workInWords } from "@/server/books/queries/proofs";
import { openBookToRead } from "@/server/runtime/books";

import { type Args, EXIT, failed, type Outcome, wrongCall } from "./outcome";

/** `dozo check`: recomputes every proof; 1 where one is broken. Open work is told, and is no failure. */
export function check({ values }: Args): Outcome {
  if (typeof values.book !== "string") return wrongCall("Say --book.");
  const opened = openBookToRead(values.book);
  if (!opened.ok) return damaged(values.book, opened.error);
  const looked = lookThrough(opened.value);
  if (!looked.ok) return damaged(values.book, looked.error);
  const { report, trail } = looked.value;
  const { currency } = readSettings(opened.value);
  const lines = report.proofs.map((proof) => {
    const { what } = proofInWords(proof.name);
    return `${proof.holds ? "holds " : "BROKEN"}  ${what}: ${toDecimal(proof.journal, currency)}${proof.holds ? "" : `, documents ${toDecimal(proof.documents, currency)}, off by ${toDecimal(proof.off, currency)}`}`;
  });
  const work = report.work.map(
    (openWork) =>
      `open    ${openWork.count} ${workInWords(openWork.name)}: ${toDecimal(openWork.sum, currency)}`,
  );
  const chain = trail.holds
    ? `holds   The audit trail is whole: ${trail.records} records, the last is ${trail.head}`
    : `BROKEN  The audit trail: ${trail.problem}`;
  return {
    code: report.holds && trail.holds ? EXIT.done : EXIT.wrong,
    text: [...lines, chain, ...work].join("\n"),
    data: { ...report, holds: report.holds && trail.holds, trail },
  };
}

/** What is wrong with the file, and the last copy that was good. */
function damaged(book: string, error: Failure): Outcome {
  const outcome = failed(error);
  if (!["book.damaged", "book.unreadable"].includes(error.code)) return outcome;
  const [last] = keptBackups(book);
  const words = last
    ? `The last good backup is ${last.file}, of ${last.at}.`
    : "There is no backup of it in the folder of backups.";
  return { ...outcome, messages: [...(outcome.messages ?? []), words] };
}
