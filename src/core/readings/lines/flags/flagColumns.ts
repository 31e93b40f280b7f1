import { type FileKind, plainWords } from "@/core/formats";

import type { Cells, Row } from "../../cells";
import { sureStanding } from "../../invoices/documentWords";
import { sentByCode } from "../../activity/achCodes";
import { linesNamed } from "../../activity/linesAre";
import { endedRow } from "../../activity/endedRows";
import { type Flag, flagQuestion } from "./flagQuestion";
import {
  isBack,
  isDead,
  isGivenUp,
  isPaid,
  isUnknown,
  isYes,
  saysPaid,
  saysStanding,
  testByHead,
  wasTakenBack,
} from "./flagWords";
import { columnQuestions, without } from "./lumpedRows";
import { FLAGS_OF_KIND } from "./flagsOfKind";
import { sureKind, sureState } from "../../rowWords";
import { linkTest } from "./linkedRows";
import { olderVersions } from "./olderVersions";
import { isSum } from "../../columns/contents";
import { isGone, isPaidInPart } from "./paidInvoices";
import { payoutTest } from "./payoutStanding";
import { cameBack } from "../../activity/returnedBeside";
import { isBesideHead } from "../../activity/tenders";
import type { EndedRow, LeftOut, Question } from "../../types";

/** Lists of what is no money by itself: a line is left out because somebody said so. */
const SAID: readonly FileKind[] = ["invoices", "customers"];

/** States are few different words; what has more is no column of states. */
const MOST_STATES = 12;

export type Flagged = {
  readonly rows: readonly Row[];
  readonly leftOut: readonly LeftOut[];
  readonly ended: readonly EndedRow[];
  readonly questions: readonly Question[];
};

/**
 * Columns that no field has taken and that say of some lines that they are no money: trials, what was
 * voided, what was never captured. Each is asked about once; an answer leaves those lines out.
 */
export function flagged(cells: Cells, rows: readonly Row[]): Flagged {
  const { answers } = cells.file;
  const flags = flagHeads(cells).flatMap((column) => flagOf(cells, rows, column));
  const out = new Set(
    flags
      .filter(({ head }) => answers[`column:${head}`] === "status")
      .flatMap((flag) => flag.rows.map(({ line }) => line)),
  );
  const isActivity = cells.file.kind === "processor";
  if (isActivity) for (const { line } of without(cells, rows)) out.add(line);
  const left = rows.filter(({ line }) => out.has(line));
  return {
    rows: rows.filter(({ line }) => !out.has(line)),
    leftOut: left.map(({ line }) => ({
      line,
      why: SAID.includes(cells.file.kind) ? "said" : "no_money",
    })),
    ended:
      cells.file.kind === "processor"
        ? left.flatMap((row) => endedRow(cells, row, "no_money"))
        : [],
    questions: [
      ...flags
        .filter(({ head }) => answers[`column:${head}`] === undefined)
        .map((flag) => flagQuestion(cells, flag)),
      ...(isActivity ? columnQuestions(cells, rows) : []),
    ],
  };
}

/** Columns that no field has; and where no column says what a line is, the one that names another line. */
function flagHeads(cells: Cells): { head: string; at: number }[] {
  const link = cells.has("kind") ? "" : cells.head("relatedId");
  const read = [link, numberOfPayment(cells)].flatMap((head) => {
    const at = cells.file.table.headers.indexOf(head);
    return head === "" || at < 0 ? [] : [{ head, at }];
  });
  return [...cells.unread(), ...read];
}

/** The column of the numbers of payments of an advice: a check that is void may say so before its number. */
const numberOfPayment = (cells: Cells): string =>
  cells.file.kind === "remittance" ? cells.head("trace") : "";
const isVoid: Says = (cell) => /^void(?:ed)?\b/i.test(cell);

function flagOf(cells: Cells, rows: readonly Row[], column: { head: string; at: number }): Flag[] {
  const { kind } = cells.file;
  if (linesNamed(cells, rows)?.head === column.head) return [];
  const link = linkTest(cells, rows, column.at);
  const isRead = column.head === cells.head("relatedId");
  const own = column.head === numberOfPayment(cells) ? isVoid : null;
  const says = link ?? own ?? (isRead ? null : flagTest(kind, cells, rows, column));
  if (says === null) return [];
  const open = rows.filter((row) => says((row.cells[column.at] ?? "").trim(), row));
  const isOpen = open.some((row) => counts(cells, row));
  const words = isBack(kind, column.head) ? "back" : "none";
  return isOpen ? [{ head: column.head, rows: open, tells: link ? "link" : words }] : [];
}

type Says = (cell: string, row: Row) => boolean;

/** What a cell of a column has to be to say that its line is no money; null where the column says nothing. */
function flagTest(
  kind: FileKind,
  cells: Cells,
  rows: readonly Row[],
  { head, at }: { head: string; at: number },
): Says | null {
  const filled = rows.map((row) => (row.cells[at] ?? "").trim());
  const own = FLAGS_OF_KIND[kind];
  if (own) return own(head, filled, cells.file.table.headers);
  const ofMoney =
    backTest(cells, rows, head) ??
    besideTest(cells, head) ??
    (kind === "processor" ? (sentByCode(head, filled) ?? payoutTest(cells, head)) : null);
  if (ofMoney !== null) return ofMoney;
  if (isPaid(kind, head))
    return (cell, row) => {
      const [balance, total] = [cells.of(row, "balance"), cells.of(row, "total")];
      if (balance === "" ? !isPaidInPart(cells, row) : balance === total)
        return saysPaid(head, cell);
      // A day may be that of a part; a yes against a balance is a word against another.
      return isYes(cell) && (balance === "" || /[1-9]/.test(balance));
    };
  const byHead = headTest(cells, rows, { head, at }, filled);
  if (byHead !== null) return byHead;
  if (new Set(filled).size > MOST_STATES)
    return kind === "invoices" && filled.some(isGivenUp) ? isGivenUp : null;
  const isState = saysStanding(head, filled);
  return (cell, row) =>
    isDead(kind, cell) ||
    (kind === "invoices" && isGone(cells, cell, row)) ||
    (isState && isUnknown(kind, cell));
}

/** By the head of a column: of what is told anew, or tried again, by another line; else by yes and no. */
function headTest(
  cells: Cells,
  rows: readonly Row[],
  column: Parameters<typeof olderVersions>[2],
  filled: readonly string[],
): Says | null {
  const older = olderVersions(cells, rows, column);
  if (older !== null) return (_cell, row) => older.has(row.line);
  return testByHead(cells.file.kind, column.head, filled);
}

/** Of what was taken back, where no line of its own says so. */
function backTest(cells: Cells, rows: readonly Row[], head: string): Says | null {
  if (!isBack(cells.file.kind, head)) return null;
  // What was refunded by a column of sums is asked about by that.
  if (cells.has("refunded") && /\brefund/.test(plainWords(head))) return () => false;
  const linked = new Set(cells.column(rows, "relatedId"));
  return (cell, row) =>
    wasTakenBack(cell) &&
    !linked.has(cells.of(row, "id")) &&
    !isBackItself(cells, row) &&
    !cameBack(cells, row);
}

/** Whether a line is what was taken back itself, by the word for what it is. */
function isBackItself(cells: Cells, row: Row): boolean {
  const kind = sureKind(cells.of(row, "kind"));
  return kind === "refund" || kind === "dispute" || kind === "ach_return";
}

/** Of money that went another way. */
function besideTest(cells: Cells, head: string): Says | null {
  const { kind } = cells.file;
  // Where no column says what was charged, the sums beside one another are what it is made of.
  const isOfParts = cells.has("net") && !cells.has("gross");
  return kind === "processor" && isBesideHead(head) && !isOfParts
    ? (cell) => (isSum(cell) && /[1-9]/.test(cell)) || isDead(kind, cell)
    : null;
}

/** Whether a line is money by what its own fields say. */
function counts(cells: Cells, row: Row): boolean {
  const word = cells.of(row, "status");
  if (cells.file.kind === "invoices") return sureStanding(word) !== "void";
  return [word, cells.of(row, "kind")].every((said) => (sureState(said) ?? "counts") === "counts");
}
