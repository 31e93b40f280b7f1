import type { FileKind, Refusal } from "@/core/formats";

import { Cells, type Row } from "../cells";
import { creditSections } from "./creditSections";
import { flagged } from "./flags/flagColumns";
import { withGroups } from "./groupedRows";
import { headQuestion } from "./headOfFile";
import { shownRows } from "./hiddenRows";
import { printedOnce } from "./parts/printedOnce";
import { ofOneAccount } from "./whose/ofOneAccount";
import { ofOneCompany } from "./whose/ofOneCompany";
import { paidByUs } from "./whose/paidByUs";
import { paidToUs } from "./whose/paidToUs";
import { screened } from "./rowsLeftOut";
import { saysNone } from "./flags/saysNone";
import { underOtherHead } from "./otherHead";
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

/** What is of several in a kind of list: companies, whom a payment went to, who paid, else accounts. */
const OF_ONE: Partial<Record<FileKind, typeof ofOneAccount>> = {
  invoices: ofOneCompany,
  remittance: paidToUs,
  processor: paidByUs,
};

export function linesOf(file: Unread, context: ReadingContext): Lines {
  const parts = partsOf(file);
  const years = withYears({ ...file, table: parts.table }, context);
  const cells = new Cells({ ...file, table: years.table });
  const whole = screened(cells);
  const turned = underOtherHead(cells, whole.rows, whole.leftOut);
  const shown = shownRows(withoutLines(whole.rows, turned), file);
  const one = (OF_ONE[file.kind] ?? ofOneAccount)(cells, shown.rows, context);
  const dated = printedOnce(cells, one.rows);
  const flags = flagged(cells, dated.rows);
  const said = saysNone(cells, flags.rows);
  const shifted = shiftedRows(cells, said.rows);
  return {
    cells,
    rows: withoutLines(said.rows, shifted),
    wayOf: parts.wayOf,
    refused: [...turned, ...shifted],
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

function withoutLines(rows: readonly Row[], refused: readonly Refusal[]): readonly Row[] {
  const out = new Set(refused.map(({ line }) => line));
  return out.size === 0 ? rows : rows.filter(({ line }) => !out.has(line));
}

/** A list that is printed in parts, with each line as if it stood alone. */
function partsOf(file: Unread): Sections {
  if (file.kind === "bank") return sectionsOf(file);
  if (file.kind !== "invoices") return { table: file.table, leftOut: [], wayOf: () => "" };
  const credits = creditSections(file.table);
  const { table, leftOut } = withGroups(credits.table);
  return { table, leftOut: [...credits.leftOut, ...leftOut], wayOf: credits.wayOf };
}
