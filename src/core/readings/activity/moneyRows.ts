import { guessRowKind, type RowKind } from "@/core/activity/index";
import { plainWords } from "@/core/formats";

import { headsUsedAs, type Reading, sumOfCell } from "../canonical";
import type { Cells, Row } from "../cells";
import { endedRow } from "./endedRows";
import { wasTakenBack } from "../lines/flags/flagWords";
import { saidByTitle } from "../lines/titles";
import { isReturnWord, sureKind, sureState, type State } from "../rowWords";
import { isElsewhere } from "./tenders";
import type { EndedRow, LeftOut } from "../types";
import { unnamedKind } from "./unnamedRows";

type MoneyRows = {
  readonly found: readonly { readonly row: Row; readonly kind: RowKind }[];
  readonly leftOut: readonly LeftOut[];
  readonly ended: readonly EndedRow[];
};

/** The lines of activity that are money, with their kind; the others with the rule that leaves them out. */
export function moneyOf(
  reading: Reading,
  rows: readonly Row[],
  wordOf: (row: Row) => string,
): MoneyRows {
  const leftOut: LeftOut[] = [];
  const ended: EndedRow[] = [];
  const found: { row: Row; kind: RowKind }[] = [];
  for (const row of rows) {
    const word = wordOf(row);
    const state = stateOf(reading, row, word);
    const kind = kindOf(reading, row, word, state);
    if (kind === "no_money" || state === "none") {
      leftOut.push({ line: row.line, why: "no_money" });
      ended.push(...endedRow(reading.cells, row, kind));
    } else if (isElsewhere(reading, row)) leftOut.push({ line: row.line, why: "not_ours" });
    else if (kind === "not_yet") leftOut.push({ line: row.line, why: "not_yet" });
    else if (kind === "ignore") leftOut.push({ line: row.line, why: "not_ours" });
    else found.push({ row, kind });
  }
  return { found, leftOut, ended };
}

type Decided = RowKind | "no_money" | "not_yet";

function kindOf(reading: Reading, row: Row, word: string, state: State): Decided {
  const said = reading.cells.file.answers[`word:${word.toLowerCase()}`] as Decided | undefined;
  const kind =
    said ??
    (word === ""
      ? unnamedKind(reading, row)
      : (kindByWord(reading, row, word) ?? unsureKind(word)));
  if (kind === "charge" && (isRefundSaid(reading, row) || isRefundWithFee(reading, row)))
    return "refund";
  if (state !== "pending") return kind;
  // A debit that was handed in is on its way; nothing else that is pending is money yet.
  const method = plainWords(`${reading.cells.of(row, "method")} ${word}`);
  return kind === "charge" && BY_BANK.test(method) ? "started" : "not_yet";
}

/** Whether a state, or a column of what was taken back, was said to mean that the line is a refund itself. */
const isRefundSaid = (reading: Reading, row: Row): boolean =>
  stateSaid(reading, row) === "refund" ||
  headsUsedAs(reading, "refund").some((head) =>
    wasTakenBack((row.cells[reading.cells.file.table.headers.indexOf(head)] ?? "").trim()),
  );

/** A line that charges nothing, and has what was given back with a fee on it: no charge has that. */
function isRefundWithFee(reading: Reading, row: Row): boolean {
  const sum = (field: string): number => sumOfCell(reading, row, field) ?? 0;
  const isUnnamed = reading.cells.of(row, "kind") === "";
  return isUnnamed && sum("gross") === 0 && sum("refunded") !== 0 && sum("fee") !== 0;
}

/** The kind that a line's word surely stands for; null where a person is to say. */
export function kindByWord({ cells }: Reading, row: Row, word: string): RowKind | null {
  const kind = sureKind(word);
  if (kind !== null || !isReturnWord(word)) return kind;
  const isDebit = BY_BANK.test(plainWords(`${cells.of(row, "method")} ${cells.of(row, "brand")}`));
  return isDebit || cells.of(row, "returnCode") !== "" ? "ach_return" : null;
}

const BY_BANK = /\b(ach|bank|echeck|direct debit|sepa)\b/;

const unsureKind = (word: string): Decided => {
  const state = sureState(word);
  if (state === "none") return "no_money";
  return guessRowKind(word) ?? "ignore";
};

const stateSaid = ({ cells }: Reading, row: Row): string | undefined =>
  cells.file.answers[`state:${cells.of(row, "status").toLowerCase()}`];

function stateOf(reading: Reading, row: Row, kindWord: string): State {
  const { cells } = reading;
  const word = cells.of(row, "status");
  if (word === "") return kindWord === "" ? stateByTitle(cells) : "counts";
  const said = stateSaid(reading, row);
  if (said === "none" || said === "pending") return said;
  return said === undefined ? (sureState(word) ?? "counts") : "counts";
}

/** What the title of the list was said to make of its lines. */
function stateByTitle(cells: Cells): State {
  const said = saidByTitle(cells);
  return said === "none" || said === "pending" ? said : "counts";
}
