import type { Cells, Row } from "./cells";
import { plainWords } from "@/core/formats";
import type { LeftOut, LeftOutRule } from "./types";
import { writtenDay } from "./dayCells";
import { writtenSum } from "./sumCells";

const TOTAL =
  /^(?:grand |page |report |sub )?(?:total|totals|subtotal|sum|summe|gesamt|gesamtsumme|zwischensumme|totaal|totale|totaux|suma|soma|end of (?:report|file)|records?)\b/;
const BALANCE =
  /\b(?:opening|closing|beginning|ending|starting|previous|forward|brought forward|carried forward|anfangssaldo|endsaldo|anfangsbestand|endbestand|saldo (?:inicial|final|iniziale|finale|anterior)|solde (?:initial|final|precedent|anterieur)|beginsaldo|eindsaldo) ?(?:balance|saldo|bal)?\b/;

/** The field that holds the day of a row, and the ones that hold what it is worth. */
const MAIN_DAY: Readonly<Record<string, string>> = {
  bank: "postedOn",
  processor: "occurredOn",
  invoices: "issuedOn",
  remittance: "paidOn",
  returns: "on",
};

/** Whether a row is none of its own: a head once more, a total, or a balance at an end of the list. */
export function screenRow(
  cells: Cells,
  row: Row,
  isFirst: boolean,
  isLast: boolean,
): LeftOutRule | null {
  const { headers } = cells.file.table;
  const filled = row.cells.map((cell) => cell.trim());
  if (filled.every((cell, at) => cell === "" || plainWords(cell) === plainWords(headers[at] ?? "")))
    return "head";
  const words = filled.filter((cell) => cell !== "").map(plainWords);
  const day = cells.of(row, MAIN_DAY[cells.file.kind] ?? "");
  const isDay = writtenDay(day) !== null;
  if (!isDay && cells.file.kind !== "customers" && words.some((word) => TOTAL.test(word)))
    return "total";
  if (cells.file.kind !== "bank") return null;
  const says = plainWords(cells.of(row, "description") || words.join(" "));
  const moves = ["amount", "moneyIn", "moneyOut"].some((field) => {
    const sum = writtenSum(cells.of(row, field));
    return sum !== null && /[1-9]/.test(sum.digits);
  });
  if (BALANCE.test(says) && (!moves || isFirst || isLast)) return "balance";
  return null;
}

/** Rows that are money or records, and those that are not, by the rule that says so. */
export function screened(cells: Cells): { rows: Row[]; leftOut: LeftOut[] } {
  const rows: Row[] = [];
  const leftOut: LeftOut[] = [];
  const all = cells.file.table.rows;
  all.forEach((row, at) => {
    const why = screenRow(cells, row, at === 0, at === all.length - 1);
    if (why) leftOut.push({ line: row.line, why });
    else rows.push(row);
  });
  return { rows, leftOut };
}
