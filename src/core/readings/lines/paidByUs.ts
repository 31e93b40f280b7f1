import type { Cells, Row } from "../cells";
import type { ReadingContext } from "../types";
import type { OfOne } from "./ofOneAccount";
import { isOwn, wordsOf } from "./ownName";

/**
 * Of activity the lines that others paid: what has our own name as its payer went on from us, to the
 * bank or elsewhere, and is asked about.
 */
export function paidByUs(
  cells: Cells,
  rows: readonly Row[],
  { ownName = null }: ReadingContext,
): OfOne {
  const all = { rows, leftOut: [], questions: [], proofs: [] };
  const own = wordsOf(ownName ?? "");
  if (!cells.has("payerName") || cells.has("kind") || own.length === 0) return all;
  const lines = rows.filter((row) => isOwn(wordsOf(cells.of(row, "payerName")), own));
  const [first] = lines;
  // Where every line names us, the column says whose account it is.
  if (!first || lines.length === rows.length) return all;
  const key = `column:${cells.head("payerName")}`;
  const said = cells.file.answers[key];
  const many = lines.length === 1 ? "1 line" : `${lines.length} lines`;
  if (said === undefined)
    return {
      ...all,
      questions: [
        {
          key,
          words: `“${cells.head("payerName")}” has your own name on ${many}, first line ${first.line}. Did a customer pay that?`,
          choices: [
            { answer: "status", result: `no: ${many} left out` },
            { answer: "leave", result: "yes: every line counts, whatever the column says" },
          ],
        },
      ],
    };
  if (said !== "status") return all;
  const out = new Set(lines);
  return {
    ...all,
    rows: rows.filter((row) => !out.has(row)),
    leftOut: lines.map(({ line }) => ({ line, why: "said" as const })),
  };
}
