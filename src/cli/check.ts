import { toDecimal } from "@/core/money";
import { readSettings } from "@/db/settings";
import { proofInWords, proofs, workInWords } from "@/server/books/queries/proofs";
import { openBookToRead } from "@/server/runtime/books";

import { type Args, EXIT, failed, type Outcome, wrongCall } from "./outcome";

/** `dozo check`: recomputes every proof; 1 where one is broken. Open work is told, and is no failure. */
export function check({ values }: Args): Outcome {
  if (typeof values.book !== "string") return wrongCall("Say --book.");
  const opened = openBookToRead(values.book);
  if (!opened.ok) return failed(opened.error);
  const report = proofs(opened.value);
  const { currency } = readSettings(opened.value);
  const lines = report.proofs.map((proof) => {
    const { what } = proofInWords(proof.name);
    return `${proof.holds ? "holds " : "BROKEN"}  ${what}: ${toDecimal(proof.journal, currency)}${proof.holds ? "" : `, documents ${toDecimal(proof.documents, currency)}, off by ${toDecimal(proof.off, currency)}`}`;
  });
  const work = report.work.map(
    (openWork) =>
      `open    ${openWork.count} ${workInWords(openWork.name)}: ${toDecimal(openWork.sum, currency)}`,
  );
  return {
    code: report.holds ? EXIT.done : EXIT.wrong,
    text: [...lines, ...work].join("\n"),
    data: report,
  };
}
