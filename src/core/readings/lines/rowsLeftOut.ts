import type { Cells, Row } from "../cells";
import { type FileKind, isGroupName, plainWords } from "@/core/formats";
import type { LeftOut, LeftOutRule } from "../types";
import { isTotalOfGroup } from "./totals/totalOfGroup";
import { writtenDay } from "../days/writtenDay";
import { writtenSum } from "../sums/sumCells";
import { itemsOfAbove } from "./parts/itemsOfAbove";
import { levelTotals } from "./totals/levelTotals";
import { isDayAlone } from "./onlyWords";
import { adviceTotals } from "./totals/adviceTotals";
import { datedTotals } from "./totals/datedTotals";
import { isCountAlone } from "./totals/saidCount";
import { unnamedTotals } from "./totals/unnamedTotals";

const TOTAL =
  /^(?:grand |page |report |sub )?(?:total|totals|subtotal|sum|summe|gesamt|gesamtsumme|umsatztotal|zwischensumme|totaal|totale|totaux|suma|soma|(?:carried|brought) forward|ubertrag|uebertrag|a reporter|end of (?:report|file)|records?)\b/;
/** What the lines of one customer come to. */
const NAMED_TOTAL = /\b(?:total|subtotal|summe|totaal|totale)$/;
/** Whether a line begins with the word of a total. */
export const isTotalWord = (plain: string): boolean => TOTAL.test(plain);
const BALANCE =
  /\b(?:(?:opening|closing|beginning|ending|starting|previous|prior) (?:ledger )?(?:balance|bal)|balance (?:brought |carried )?forward|anfangssaldo|endsaldo|anfangsbestand|endbestand|saldo (?:do dia|del dia|inicial|final|iniziale|finale|anterior)|(?:solde|saldo|balance) (?:au|al|am|per|as of|at)|solde (?:initial|final|precedent|anterieur)|beginsaldo|eindsaldo)\b/;

/** What no balance goes without, told before its words are looked at: lines are many. */
const MAYBE_BALANCE = /bal|sald|sold|bestand/i;

/** Whether words are those of a balance at an end of a list. */
export const isBalanceWords = (plain: string): boolean => BALANCE.test(plain);

/** The field that holds the day of a row. */
export const MAIN_DAY: Readonly<Record<string, string>> = {
  bank: "postedOn",
  processor: "occurredOn",
  invoices: "issuedOn",
  remittance: "paidOn",
  returns: "on",
};

/** Kinds of lists in which a balance may stand as a line. */
const HAVE_BALANCES: ReadonlySet<FileKind> = new Set(["bank", "processor"]);

/** Whether a row is none of its own: a head once more, a total, or a balance at an end of the list. */
export function screenRow(
  cells: Cells,
  row: Row,
  isFirst: boolean,
  isLast: boolean,
): LeftOutRule | null {
  const { kind, table } = cells.file;
  const isDay = writtenDay(cells.of(row, MAIN_DAY[kind] ?? "")) !== null;
  if (isGroupName(table, row) || (!isDay && isDayAlone(row.cells))) return "heading";
  // A row with a day of its own is no head and no total, but for what an advice comes to.
  if (isDay && kind === "remittance") return adviceTotal(cells, row);
  const why = isDay ? null : lineForTheEye(cells, row);
  if (why !== null || !HAVE_BALANCES.has(kind)) return why;
  return isBalance(cells, row, isFirst || isLast) ? "balance" : null;
}

/** A head once more, or a total: rows without a day. What has a number of its own is none. */
function lineForTheEye(cells: Cells, row: Row): LeftOutRule | null {
  const { kind, table } = cells.file;
  const filled = row.cells.map((cell) => cell.trim());
  const isHead = (cell: string, at: number): boolean =>
    cell === "" || plainWords(cell) === plainWords(table.headers[at] ?? "");
  if (filled.every(isHead)) return "head";
  // Strokes that are drawn below a head.
  if (filled.every((cell) => /^(?:[-=_:]{3,})?$/.test(cell))) return "heading";
  if (isCountAlone(filled)) return "total";
  const own = cells.of(row, kind === "invoices" ? "number" : "id");
  if (kind === "customers" || (own !== "" && !saysTotal(plainWords(own)))) return null;
  const isNamed = kind === "invoices" || kind === "remittance";
  const isTotal = (cell: string, at: number): boolean =>
    isTotalWord(plainWords(cell)) ||
    (isNamed ? NAMED_TOTAL.test(plainWords(cell)) : isTotalOfGroup(cells, cell, at));
  return filled.some((cell, at) => cell !== "" && isTotal(cell, at)) ? "total" : null;
}

/** What an advice comes to: a line that names no document, with the word of a total. */
function adviceTotal(cells: Cells, row: Row): LeftOutRule | null {
  const number = plainWords(cells.of(row, "number"));
  if (!cells.has("number") || (number !== "" && !saysTotal(number))) return null;
  return row.cells.some((cell) => saysTotal(plainWords(cell.trim()))) ? "total" : null;
}

/** Whether words are those of a total, of all or of what they name. */
const saysTotal = (plain: string): boolean => isTotalWord(plain) || NAMED_TOTAL.test(plain);

/** A balance that stands as a row, without a sum of its own, or at an end of the list. */
function isBalance(cells: Cells, row: Row, atAnEnd: boolean): boolean {
  const isDay = writtenDay(cells.of(row, MAIN_DAY[cells.file.kind] ?? "")) !== null;
  const moved = MOVED.map((field) => digitsOf(cells, row, field)).filter((digits) =>
    /[1-9]/.test(digits),
  );
  const moves = moved.length > 0;
  // A line with a sum and another balance after it is one of its own, whatever it is called.
  const after = digitsOf(cells, row, "balance");
  if (moves && (!atAnEnd || (after !== "" && !moved.includes(after)))) return false;
  // Somebody who paid may be called "Balance at Home".
  const fields = ["description", "direction", "kind", ...(moves ? [] : ["payerName"])];
  const said = fields.map((field) => cells.of(row, field));
  if (!moves && cells.of(row, "balance") !== "" && said.some((word) => AN_END.test(word)))
    return true;
  const words = [...said, isDay ? "" : row.cells.join(" ")];
  return words.some((text) => MAYBE_BALANCE.test(text) && isBalanceWords(plainWords(text)));
}

const digitsOf = (cells: Cells, row: Row, field: string): string =>
  writtenSum(cells.of(row, field))?.digits ?? "";

/** Fields that say what a line moves. */
const MOVED = ["amount", "gross", "net", "moneyIn", "moneyOut"];

/** What alone says that a balance without a sum is one at an end. */
const AN_END = /^(?:opening|closing|beginning|ending|(?:brought|carried) forward)$/i;

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
  const found: LeftOut[] = [
    ...asTotals(unnamedTotals(cells, rows, MAIN_DAY[cells.file.kind])),
    ...asTotals(adviceTotals(cells, rows)),
    ...asTotals(datedTotals(cells, rows)),
    ...levelTotals(cells, rows),
    ...itemsOfAbove(cells, rows),
  ];
  if (found.length === 0) return { rows, leftOut };
  const totals = new Map(found.map(({ line, why }) => [line, why]));
  return {
    rows: rows.filter(({ line }) => !totals.has(line)),
    leftOut: [...leftOut, ...[...totals].map(([line, why]): LeftOut => ({ line, why }))],
  };
}

const asTotals = (lines: ReadonlySet<number>): LeftOut[] =>
  [...lines].map((line) => ({ line, why: "total" }));
