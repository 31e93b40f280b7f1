import { plainWords } from "@/core/formats";
import { minor } from "@/core/money";

import { headsUsedAs, type Reading, sumUnderHead } from "../canonical";
import type { Row } from "../cells";
import type { BankSigns } from "./bankSigns";
import type { StatementRow } from "./statementRow";

/** Heads of what a bank takes for a line. */
const FEE = /\b(fees?|charges?|commissions?|gebuhr|gebuhren|entgelte?|frais|comision|kosten)\b/;

export const isBankFee = (head: string): boolean => FEE.test(plainWords(head));

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
    if (!isBankFee(head) || cells.file.answers[`column:${head}`] !== undefined) continue;
    const found = under([...said, head]);
    if (!isBroken(found))
      return {
        ...found,
        proofs: [...found.proofs, `“${head}” comes off each sum, by the balance`],
      };
  }
  return plain;
}

const isBroken = ({ questions }: BankSigns): boolean =>
  questions.some(({ key }) => key === "balance");

function lessFees(
  reading: Reading,
  { lines, rows }: Statement,
  heads: readonly string[],
): readonly StatementRow[] {
  if (heads.length === 0) return lines;
  return lines.map((line, at) => {
    const row = rows[at];
    if (line.amount === null || row === undefined) return line;
    const fee = heads.reduce(
      (all, head) => all + Math.abs(sumUnderHead(reading, row, head) ?? 0),
      0,
    );
    return { ...line, amount: minor(line.amount - fee) };
  });
}
