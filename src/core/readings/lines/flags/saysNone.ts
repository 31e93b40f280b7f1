import type { FileKind } from "@/core/formats";

import { type Cells, type Row, some } from "../../cells";
import { sureStanding } from "../../invoices/documentWords";
import { sureState } from "../../rowWords";
import type { LeftOut, Question } from "../../types";

/** Words that begin a text, or stand in brackets, and say that its line is none (common practice, no source). */
const NONE =
  /^[*\s([]{0,4}(?:void(?:ed)?|cancell?ed|storniert|annul[ée]e?|anulad[ao]|deleted|duplicate|do not (?:post|pay|send)|declined|failed)\b|\((?:void(?:ed)?|cancell?ed|duplicate)\)|^test(?:\s?[-–:]|$)/i;
/** The same for what is paid, or given up. */
const PAID =
  /^[*\s([]{0,4}(?:paid(?: in full| on | by | \d|\s?[-–:]|$)|written off|write[- ]?off)/i;

/** Texts of a line that may say so, and the column that says it surely. */
const TEXTS: Partial<Record<FileKind, readonly string[]>> = {
  invoices: ["description", "number"],
  processor: ["reference"],
};

type Without = {
  readonly rows: readonly Row[];
  readonly leftOut: readonly LeftOut[];
  readonly questions: readonly Question[];
};

/** Lines whose own words say that they are void, a trial, or paid, where no column of states does: asked. */
export function saysNone(cells: Cells, rows: readonly Row[]): Without {
  const { kind, answers } = cells.file;
  const fields = TEXTS[kind] ?? [];
  const wordsOf = (row: Row): string | undefined =>
    fields.map((field) => cells.of(row, field)).find((text) => says(kind, text));
  const found =
    fields.length === 0
      ? []
      : rows.filter((row) => wordsOf(row) !== undefined && !isLeftAnyhow(cells, row));
  if (found.length === 0 || answers.says === "counts") return { rows, leftOut: [], questions: [] };
  if (answers.says === "none") {
    const left = new Set(found);
    return {
      rows: rows.filter((row) => !left.has(row)),
      leftOut: found.map(({ line }) => ({ line, why: "no_money" })),
      questions: [],
    };
  }
  const count = found.length === 1 ? "1 line says" : `${found.length} lines say`;
  const words = some(found.flatMap((row) => wordsOf(row) ?? []));
  return {
    rows,
    leftOut: [],
    questions: [
      {
        key: "says",
        words: `${count} ${words} (first line ${found[0]?.line ?? 0}). Does that count?`,
        choices: [
          {
            answer: "none",
            result: `no: ${found.length === 1 ? "1 line" : `${found.length} lines`} left out`,
          },
          { answer: "counts", result: "yes: whatever the words say" },
        ],
      },
    ],
  };
}

const says = (kind: FileKind, text: string): boolean =>
  NONE.test(text) || (kind === "invoices" && PAID.test(text));

/** Whether a state says that the line is none already. */
function isLeftAnyhow(cells: Cells, row: Row): boolean {
  const word = cells.of(row, "status");
  if (word === "") return false;
  return cells.file.kind === "invoices"
    ? sureStanding(word) === "void" || sureStanding(word) === "paid"
    : sureState(word) === "none";
}
