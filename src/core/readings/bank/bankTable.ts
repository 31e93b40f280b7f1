import { headWords } from "@/core/formats";
import { type Minor, minor } from "@/core/money";
import { isBroken, signsWithFees } from "./bankFees";
import { sidedBalances } from "./balanceSide";
import { type BankSigns, bankSigns } from "./bankSigns";
import { dayOfCell, inText, type Made, plainFields, type Reading, sumOfCell } from "../canonical";
import type { Row } from "../cells";
import { stateQuestions } from "../activity/processorQuestions";
import { sureState } from "../rowWords";
import { waysByCode } from "./codedWays";
import { saidByTitle, titleQuestion } from "../lines/titles";
import { otherWords } from "./numberedWords";
import { severalMoved } from "./severalMoved";
import { splitLines } from "./splitLines";
import { statedBalances } from "./statedBalances";
import { areEffects, type StatementRow } from "./statementRow";
import { writtenSum } from "../sums/sumCells";
import type { LeftOut } from "../types";
import { isOnItsWay, turnedLines, wordedQuestions } from "./wordedLines";

const LEDGER_HEAD =
  /^(debit|credit|dr|cr|debits|credits|soll|haben|debe|haber|dare|avere|debit amount|credit amount)$/;

/** Who it was and what for, as one text; what is written in both stands once. */
const whole = (parts: readonly (string | undefined)[]): string =>
  [...new Set(parts.filter((part) => part !== undefined && part !== ""))].join(" ");

/** Fields that are worked out from what the file says, and not taken over. */
const WORKED_OUT = new Set(["amount", "moneyIn", "moneyOut", "balance", "direction", "status"]);

/** Sums as the agreed layout writes them; those that a line does not have are left out. */
const textOf = (
  reading: Reading,
  row: Row,
  sums: Readonly<Record<string, Minor | null | undefined>>,
): Record<string, string> =>
  Object.fromEntries(
    Object.entries(sums).flatMap(([field, sum]) =>
      sum === null || sum === undefined ? [] : [[field, inText(sum, reading.currencyOf(row))]],
    ),
  );

/** A balance with `DR` beside it is below zero, as a bank writes it. */
function balanceOf(reading: Reading, row: Row): Pick<StatementRow, "balance" | "isOwed"> {
  const balance = sumOfCell(reading, row, "balance");
  const isOwed = writtenSum(reading.cells.of(row, "balance"))?.side === "debit";
  return { balance: isOwed && balance !== null ? minor(-Math.abs(balance)) : balance, isOwed };
}

/** Lines that the bank has booked, and those that it has not, or not yet. */
function bookedOf(reading: Reading, rows: readonly Row[]): { kept: Row[]; leftOut: LeftOut[] } {
  const { cells } = reading;
  const leftOut: LeftOut[] = [];
  const kept = rows.filter((row) => {
    const state = cells.of(row, "status");
    const said = cells.file.answers[`state:${state.toLowerCase()}`];
    const titled = state === "" ? saidByTitle(cells) : undefined;
    const means = said ?? titled ?? sureState(state) ?? "counts";
    if (means === "none") leftOut.push({ line: row.line, why: "no_money" });
    const isWaiting = means === "pending" || (means === "counts" && isOnItsWay(reading, row));
    if (isWaiting) leftOut.push({ line: row.line, why: "not_yet" });
    return means === "counts" && !isWaiting;
  });
  return { kept, leftOut };
}

/** The lines of a statement with their sums as they are written. */
function writtenRows(reading: Reading, rows: readonly Row[]): readonly StatementRow[] {
  const { cells } = reading;
  const turned = turnedLines(reading, rows);
  const sideOf = (row: Row, field: string, other: string): Minor | null =>
    sumOfCell(reading, row, turned.has(row.line) ? other : field);
  const wayByCode = waysByCode(cells, rows);
  const written = rows.map((row): StatementRow => ({
    line: row.line,
    on: dayOfCell(reading, row, "postedOn"),
    currency: reading.currencyOf(row),
    amount: sumOfCell(reading, row, "amount"),
    side: writtenSum(cells.of(row, "amount"))?.side ?? null,
    moneyIn: sideOf(row, "moneyIn", "moneyOut"),
    moneyOut: sideOf(row, "moneyOut", "moneyIn"),
    ...balanceOf(reading, row),
    description: `${cells.of(row, "payerName")} ${cells.of(row, "description")}`,
    word: cells.of(row, "direction") || reading.wayOf(row),
    coded: wayByCode(row),
  }));
  return cells.has("moneyOut") ? sidedBalances(reading, rows, written) : written;
}

/** A bank statement in the agreed layout: one signed sum a line, money in positive. */
export function bankTable(reading: Reading, rows: readonly Row[]): Made {
  const { cells } = reading;
  const { kept, leftOut } = bookedOf(reading, rows);
  const more = otherWords(cells);
  const statement = writtenRows(reading, kept);
  const ledgerHeads =
    cells.has("moneyOut") &&
    !areEffects(statement) &&
    ["moneyIn", "moneyOut"].every((field) => LEDGER_HEAD.test(headWords(cells.head(field))));
  const stated = statedBalances(reading, kept);
  const signsOf = (lines: readonly StatementRow[]): BankSigns =>
    bankSigns(lines, cells.file.answers, { ledgerHeads, stated });
  const split = splitLines(statement, cells.file.answers, (lines) => isBroken(signsOf(lines)));
  const counted = kept.filter(({ line }) => !split.out.has(line));
  const signs = signsWithFees(reading, {
    rows: counted,
    lines: statement.filter(({ line }) => !split.out.has(line)),
    signsOf,
  });
  return {
    rows: counted.map((row, at) => {
      const [sum, balance] = [signs.sums[at], signs.balances[at]];
      const fields = plainFields(reading, row, WORKED_OUT);
      return {
        line: row.line,
        fields: {
          ...fields,
          description: whole([fields.payerName, fields.description, ...more(row)]),
          ...textOf(reading, row, { amount: sum, balance }),
        },
      };
    }),
    leftOut: [...leftOut, ...[...split.out].map((line) => ({ line, why: "part" as const }))],
    refused: [],
    questions: [
      ...split.questions,
      ...titleQuestion(cells, rows),
      ...stateQuestions(reading, rows),
      ...wordedQuestions(reading, rows),
      ...severalMoved(reading, kept),
      ...signs.questions,
    ],
    proofs: [...signs.proofs, ...split.proofs],
  };
}
