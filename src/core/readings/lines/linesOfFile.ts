import type { Refusal } from "@/core/formats";

import { Cells, type Row } from "../cells";
import { creditSections } from "./creditSections";
import { flagged } from "./flagColumns";
import { withGroups } from "./groupedRows";
import { headQuestion } from "./headOfFile";
import { shownRows } from "./hiddenRows";
import { printedOnce } from "./printedOnce";
import { ofOneAccount } from "./ofOneAccount";
import { ofOneCompany } from "./ofOneCompany";
import { screened } from "./rowsLeftOut";
import { saysNone } from "./saysNone";
import { shiftedRows } from "./shifted";
import { type Sections, sectionsOf } from "./statementSections";
import type { EndedRow, LeftOut, Question, ReadingContext, Unread } from "../types";
import { withYears } from "../days/yearsOfFile";

/** The lines of a file that are money or records, each as if it stood alone, and what became of the others. */
export type Lines = {
  readonly cells: Cells;
  readonly rows: readonly Row[];
  /** The way that the heading above a line of a statement says. */
  readonly wayOf: (row: Row) => string;
  readonly refused: readonly Refusal[];
  readonly leftOut: readonly LeftOut[];
  readonly ended: readonly EndedRow[];
  readonly questions: readonly Question[];
  readonly proofs: readonly string[];
};

export function linesOf(file: Unread, context: ReadingContext): Lines {
  const parts = partsOf(file);
  const years = withYears({ ...file, table: parts.table }, context);
  const cells = new Cells({ ...file, table: years.table });
  const whole = screened(cells);
  const shown = shownRows(whole.rows, file);
  const one =
    file.kind === "invoices"
      ? ofOneCompany(cells, shown.rows)
      : ofOneAccount(cells, shown.rows, context);
  const dated = printedOnce(cells, one.rows);
  const flags = flagged(cells, dated.rows);
  const said = saysNone(cells, flags.rows);
  const shifted = shiftedRows(cells, said.rows);
  const parted = new Set(shifted.map(({ line }) => line));
  return {
    cells,
    rows: said.rows.filter(({ line }) => !parted.has(line)),
    wayOf: parts.wayOf,
    refused: shifted,
    leftOut: [
      ...parts.leftOut,
      ...whole.leftOut,
      ...shown.leftOut,
      ...one.leftOut,
      ...flags.leftOut,
      ...said.leftOut,
    ],
    ended: flags.ended,
    questions: [
      ...headQuestion(file.table, file.answers),
      ...shown.questions,
      ...one.questions,
      ...years.questions,
      ...dated.questions,
      ...flags.questions,
      ...said.questions,
    ],
    proofs: one.proofs,
  };
}

/** A list that is printed in parts, with each line as if it stood alone. */
function partsOf(file: Unread): Sections {
  if (file.kind === "bank") return sectionsOf(file);
  if (file.kind !== "invoices") return { table: file.table, leftOut: [], wayOf: () => "" };
  const credits = creditSections(file.table);
  const { table, leftOut } = withGroups(credits.table);
  return { table, leftOut: [...credits.leftOut, ...leftOut], wayOf: credits.wayOf };
}
