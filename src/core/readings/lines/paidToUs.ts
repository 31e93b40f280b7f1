import { headWords, plainWords } from "@/core/formats";

import { type Cells, type Row, some } from "../cells";
import type { Question, ReadingContext } from "../types";
import type { OfOne } from "./ofOneAccount";
import { mayBeOne, wordsOf } from "./ownName";

/** Heads of whom a payment goes to, as its payer writes it (common practice, no source). */
const PAID_TO =
  /^(?:payee|vendor|supplier|beneficiary|creditor|recipient|paid to|pay to|remit to|lieferant|fournisseur|proveedor)(?: name)?$/;

/**
 * Of a list of what somebody paid to several the lines of what was paid to us: those to others are
 * asked about. Whoever pays one alone may call us as they like.
 */
export function paidToUs(
  cells: Cells,
  rows: readonly Row[],
  { ownName = null }: ReadingContext,
): OfOne {
  const all = { rows, leftOut: [], questions: [], proofs: [] };
  const others = toOthers(cells, rows, wordsOf(ownName ?? ""));
  if (others === null) return all;
  const { head, lines } = others;
  const said = cells.file.answers[`column:${head}`];
  if (said === undefined) return { ...all, questions: [othersQuestion(cells, others)] };
  if (said !== "status") return all;
  const out = new Set(lines);
  return {
    ...all,
    rows: rows.filter((row) => !out.has(row)),
    leftOut: lines.map(({ line }) => ({ line, why: "said" as const })),
  };
}

type Others = { readonly head: string; readonly lines: readonly Row[] };

/** The lines that name somebody else than us, where a column names several. */
function toOthers(cells: Cells, rows: readonly Row[], own: readonly string[]): Others | null {
  const column = cells.unread().find(({ head }) => PAID_TO.test(headWords(head)));
  if (column === undefined || own.length === 0) return null;
  const nameOf = (row: Row): string => plainWords(row.cells[column.at] ?? "");
  if (new Set(rows.map(nameOf)).size < 2) return null;
  const lines = rows.filter((row) => {
    const words = wordsOf(nameOf(row));
    return words.length > 0 && !mayBeOne(words, own);
  });
  return lines.length === 0 ? null : { head: column.head, lines };
}

function othersQuestion(cells: Cells, { head, lines }: Others): Question {
  const at = cells.file.table.headers.indexOf(head);
  const said = some(lines.map((row) => (row.cells[at] ?? "").trim()));
  const many = lines.length === 1 ? "1 line" : `${lines.length} lines`;
  return {
    key: `column:${head}`,
    words: `“${head}” says ${said} on ${many}, first line ${lines[0]?.line ?? 0}. Was that paid to you?`,
    choices: [
      { answer: "status", result: `no: ${many} left out` },
      { answer: "leave", result: "yes: every line counts, whatever the column says" },
    ],
  };
}
