import { type Minor, negate, ZERO } from "@/core/money";

import { inText, type Made, plainFields, type Reading, sumOfCell } from "../canonical";
import type { Row } from "../cells";
import { dueQuestion, lateSaid } from "./dueOfInvoices";
import { type DocumentKind, type Standing, sureKindOf, sureStanding } from "./documentWords";
import { balanceProof, openOfThree, type SumsOf } from "./balanceProof";
import { belowZeroQuestion } from "./belowZero";
import {
  balanceQuestion,
  creditSignQuestion,
  isAgainst,
  looksLikeCredit,
  openSignQuestion,
  said,
  standingQuestions,
  totalQuestion,
  wordQuestions,
} from "./invoiceQuestions";
import { emptyOpenQuestion, openWithHeld, sumUsedAs } from "./emptyOpen";
import { isAccounts, movementOf, runningQuestion } from "./runningBalance";
import { numberQuestion } from "../columns/ourNumbers";
import { wholeInvoices } from "./linesOfInvoices";
import { writtenSum } from "../sums/sumCells";
import { openByState, standsOtherwiseQuestion } from "./standsOtherwise";
import { agesQuestion } from "./openByAge";
import { isOfSection, sectionQuestion } from "./sectionQuestion";
import { creditSide } from "./sideColumn";
import { taxOnTop, taxQuestion } from "./taxOfInvoices";
import { chargedIn, takenOff } from "./takenOff";
import { isTermsAsDue } from "./termsIn";
import { termsOf } from "./termsOfInvoice";
import { saidByTitle, titleQuestion } from "../lines/titles";
import type { LeftOut } from "../types";

/** Fields that are worked out from what the file says, and not taken over. */
const WORKED_OUT = new Set(["type", "status", "paid", "credited", "terms", "debit", "credit"]);

/** Open invoices in the agreed layout: credit notes negative, what is paid taken off, terms as `n/30`. */
export function invoiceTable(reading: Reading, rows: readonly Row[]): Made {
  const leftOut: LeftOut[] = [];
  const made: Made["rows"][number][] = [];
  const file = {
    onTop: taxOnTop(reading, rows) === true,
    running: isAccounts(reading, rows),
    isCredited: creditSide(reading.cells, rows),
    isTurned: said(reading, "owed") === "size",
  };
  for (const row of rows) {
    const standing = standingOf(reading, row);
    const kind = kindOf(reading, row);
    if (standing === "void") leftOut.push({ line: row.line, why: "no_money" });
    else if (kind === "leave") leftOut.push({ line: row.line, why: "not_ours" });
    else made.push(canonicalRow(reading, row, { ...file, kind, standing }));
  }
  const whole = wholeInvoices(reading, made);
  const standing = rows.filter((row) => standingOf(reading, row) !== "void");
  const sumsOf = (row: Row): ReturnType<SumsOf> => ({
    total: totalOf(reading, row, file),
    off: takenOff(reading, row),
  });
  return {
    rows: whole.rows,
    leftOut: [...leftOut, ...whole.leftOut],
    refused: [],
    questions: [
      ...numberQuestion(reading.cells.file),
      ...titleQuestion(reading.cells, rows),
      ...wordQuestions(reading, rows, file.isCredited),
      ...sectionQuestion(reading, rows),
      ...standingQuestions(reading, rows),
      ...taxQuestion(reading, rows),
      ...runningQuestion(reading, rows),
      ...balanceQuestion(reading, rows, (row) => totalOf(reading, row, file)),
      ...emptyOpenQuestion(reading, rows),
      ...openOfThree(reading, standing, sumsOf),
      ...standsOtherwiseQuestion(reading, standing),
      ...agesQuestion(reading, standing),
      ...totalQuestion(reading, rows),
      ...dueQuestion(reading, rows),
      ...creditSignQuestion(reading, rows, file.isCredited),
      ...belowZeroQuestion(reading, rows, (row) => kindOf(reading, row) === "credit"),
      ...(file.running ? [] : openSignQuestion(reading, rows)),
      ...whole.questions,
    ],
    proofs: balanceProof(reading, standing, sumsOf),
  };
}

function kindOf(reading: Reading, row: Row): DocumentKind {
  if (isOfSection(reading, row))
    return (said(reading, "section") as DocumentKind | undefined) ?? "leave";
  const word = reading.cells.of(row, "type");
  if (word === "")
    return saidByTitle(reading.cells) === "credit" ||
      (said(reading, "credits") === "credits" && looksLikeCredit(reading, row))
      ? "credit"
      : "invoice";
  return (
    (said(reading, `word:${word.toLowerCase()}`) as DocumentKind | undefined) ??
    sureKindOf(word) ??
    "leave"
  );
}

function standingOf(reading: Reading, row: Row): Standing {
  const word = reading.cells.of(row, "status");
  if (word === "") return standingByTitle(reading);
  return (
    (said(reading, `state:${word.toLowerCase()}`) as Standing | undefined) ??
    sureStanding(word) ??
    "open"
  );
}

/** How the documents of a list stand by its title, as that was said. */
function standingByTitle({ cells }: Reading): Standing {
  const titled = saidByTitle(cells);
  return titled === "paid" || titled === "void" ? titled : "open";
}

type Facts = {
  kind: DocumentKind;
  standing: Standing;
  /** Whether tax comes on top of the total, and whether the balance is the account's. */
  onTop: boolean;
  running: boolean;
  /** Whether a column of sides says that a line lowers what is owed. */
  isCredited: (row: Row) => boolean;
  /** Whether the list writes what is owed with a minus. */
  isTurned: boolean;
};

function canonicalRow(reading: Reading, row: Row, facts: Facts): Made["rows"][number] {
  const fields = plainFields(reading, row, WORKED_OUT);
  const currency = reading.currencyOf(row);
  const lowers = isLowering(reading, row, facts);
  const sums = {
    total: totalOf(reading, row, facts),
    balance: balanceOf(reading, row, facts),
    tax: fields.tax === undefined ? null : (sumOfCell(reading, row, "tax") ?? (0 as Minor)),
  };
  const written = Object.entries(sums).flatMap(([field, sum]) => {
    if (sum === null) return [];
    const owed = facts.isTurned ? -sum : sum;
    return [[field, inText(lowers ? -Math.abs(sum) : owed, currency)]];
  });
  if (isTermsAsDue("dueOn", fields.dueOn ?? "")) delete fields.dueOn;
  const terms = termsOf(reading, row, fields.dueOn !== undefined);
  const late = lateSaid(reading, row);
  return { line: row.line, fields: { ...fields, terms, ...late, ...Object.fromEntries(written) } };
}

/** Whether a document lowers what a customer owes: by its kind, by its side, or by its letters. */
const isLowering = (reading: Reading, row: Row, { kind, isCredited }: Facts): boolean =>
  kind === "credit" ||
  isCredited(row) ||
  isCredit(reading, row) ||
  (sumOfCell(reading, row, "total") === null && (movementOf(reading, row) ?? 0) < 0);

/** `CR` beside a sum: for a customer's account, what lowers it. */
const isCredit = (reading: Reading, row: Row): boolean =>
  ["total", "balance"].some((field) => writtenSum(reading.cells.of(row, field))?.side === "credit");

/** What a document was made out for: its total with its tax, its debit or credit, else what is open. */
function totalOf(
  reading: Reading,
  row: Row,
  { onTop, running }: Pick<Facts, "onTop" | "running">,
): Minor | null {
  const moved = chargedIn(reading, row) ?? movementOf(reading, row);
  const late = sumUsedAs(reading, row, "owed");
  if (moved === null) return running ? null : openWithHeld(reading, row);
  const tax = onTop ? Math.abs(sumOfCell(reading, row, "tax") ?? 0) : 0;
  return ((moved < 0 ? moved - tax : moved + tax) + late) as Minor;
}

function balanceOf(reading: Reading, row: Row, facts: Facts): Minor | null {
  if (saidByTitle(reading.cells) === "paid") return ZERO;
  const byState = openByState(reading, row);
  if (byState !== null) return byState;
  const isRest = said(reading, "three") === "rest" && sumOfCell(reading, row, "paid") !== null;
  const stated = facts.running || isRest ? null : openWithHeld(reading, row);
  if (stated !== null)
    return said(reading, "openSign") === "size" && isAgainst(reading, row)
      ? negate(stated)
      : stated;
  if (facts.standing === "paid") return 0 as Minor;
  const total = totalOf(reading, row, facts);
  if (total === null) return null;
  return (total - takenOff(reading, row)) as Minor;
}
