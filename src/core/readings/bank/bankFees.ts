import { minor } from "@/core/money";

import { headsUsedAs, type Reading, sumUnderHead } from "../canonical";
import type { Row } from "../cells";
import { isCost } from "../sums/costHeads";
import type { BankSigns } from "./bankSigns";
import type { StatementRow } from "./statementRow";

type Statement = {
  readonly rows: readonly Row[];
  readonly lines: readonly StatementRow[];
  readonly signsOf: (lines: readonly StatementRow[]) => BankSigns;
};

/**
 * The signed sums of a statement. A column of fees beside them comes off where that was said, or where
 * the balance follows on with it and does not without.
 */
export function signsWithFees(reading: Reading, statement: Statement): BankSigns {
  const { cells } = reading;
  const said = headsUsedAs(reading, "off");
  const under = (heads: readonly string[]): BankSigns =>
    statement.signsOf(lessFees(reading, statement, heads));
  const plain = under(said);
  if (!isBroken(plain)) return plain;
  for (const { head } of cells.unread()) {
    if (!isCost(head) || cells.file.answers[`column:${head}`] !== undefined) continue;
    const found = under([...said, head]);
    if (!isBroken(found))
      return {
        ...found,
        proofs: [...found.proofs, `“${head}” comes off each sum, by the balance`],
      };
  }
  return plain;
}

/** Whether the balances of a statement do not follow on. */
export const isBroken = ({ questions }: BankSigns): boolean =>
  questions.some(({ key }) => key === "balance");

function lessFees(
  reading: Reading,
  { lines, rows }: Statement,
  heads: readonly string[],
): readonly StatementRow[] {
  return heads.reduce((all: readonly StatementRow[], head) => {
    const fees = rows.map((row) => sumUnderHead(reading, row, head) ?? 0);
    // As costs, or as what they do to the balance; what goes the other way was given back.
    const way = Math.sign(fees.reduce((sum: number, fee) => sum + Math.sign(fee), 0)) || 1;
    return all.map((line, at) => lessFee(line, way * (fees[at] ?? 0)));
  }, lines);
}

/** A line less what it cost: less came in, or more went out. */
function lessFee(line: StatementRow, fee: number): StatementRow {
  const { amount, moneyIn, moneyOut } = line;
  if (amount !== null) return { ...line, amount: minor(amount - fee) };
  if (moneyIn) return { ...line, moneyIn: minor(moneyIn - fee) };
  return moneyOut ? { ...line, moneyOut: minor(moneyOut + Math.sign(moneyOut) * fee) } : line;
}
