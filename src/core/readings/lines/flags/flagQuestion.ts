import type { FileKind } from "@/core/formats";

import { type Cells, type Row, some } from "../../cells";
import type { Question } from "../../types";
import { isPaid, staysOwed } from "./flagWords";

/**
 * A column that says of some lines that they are no money, and whether it tells of what was taken back,
 * or links them to other lines.
 */
export type Flag = {
  readonly head: string;
  readonly rows: readonly Row[];
  readonly tells: "back" | "link" | "none";
};

const ASKED: Partial<Record<FileKind, string>> = {
  invoices: "Is that owed?",
  customers: "Are they customers?",
  returns: "Does the return stand?",
};

/** Whether those lines count, the likeliest answer first. */
export function flagQuestion(cells: Cells, { head, rows, tells }: Flag): Question {
  const { kind } = cells.file;
  const at = cells.file.table.headers.indexOf(head);
  const said = some(rows.map((row) => (row.cells[at] ?? "").trim()));
  const lines = rows.length === 1 ? "1 line" : `${rows.length} lines`;
  const where = `on ${lines}, first line ${rows[0]?.line ?? 0}.`;
  const key = `column:${head}`;
  if (isPaid(kind, head))
    return {
      key,
      words: `“${head}” says ${said} ${where} Is anything of it still open?`,
      choices: [
        { answer: "status", result: `no: ${lines} left out` },
        { answer: "leave", result: "yes: the column changes nothing" },
      ],
    };
  if (tells === "link")
    return {
      key,
      words: `“${head}” names another payment of the file ${where} What is such a line?`,
      choices: [
        { answer: "leave", result: `a payment of its own: ${lines}` },
        { answer: "refund", result: `the refund of the one that it names: ${lines}` },
        { answer: "status", result: `no money: ${lines} left out` },
      ],
    };
  if (tells === "back")
    return {
      key,
      words: `“${head}” says ${said} ${where} Was that money taken back, and does no other line say so?`,
      choices: [
        { answer: "leave", result: "no, or it has lines of its own: the column changes nothing" },
        { answer: "status", result: `yes: ${lines} left out, as nothing is left of them` },
        ...(kind === "processor"
          ? [{ answer: "refund", result: `each such line is the refund itself: ${lines}` }]
          : []),
      ],
    };
  const out = { answer: "status", result: `no: ${lines} left out` };
  const all = { answer: "leave", result: "yes: every line counts, whatever the column says" };
  return {
    key,
    words: `“${head}” ${said === "“”" ? "is empty" : `says ${said}`} ${where} ${ASKED[kind] ?? "Is that money?"}`,
    choices: kind === "returns" || staysOwed(kind, head) ? [all, out] : [out, all],
  };
}
