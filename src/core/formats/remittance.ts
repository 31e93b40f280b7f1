import type { Day } from "@/core/calendar";
import { minor, sumOf, type Currency, type Minor } from "@/core/money";

import type { RowReader } from "./rows";

/** One line of a remittance advice: an invoice of a payment, with what was paid on it. */
export type RemittanceRecord = {
  line: number;
  trace: string;
  paidOn: Day;
  payerName: string;
  total: Minor | null;
  currency: Currency;
  number: string;
  amount: Minor;
  discount: Minor;
};

export function readRemittance(row: RowReader): RemittanceRecord | null {
  row.needed("paidOn");
  row.needed("amount");
  const number = row.needed("number");
  const paidOn = row.day("paidOn");
  const currency = row.currency("currency");
  const [amount, total, discount] = [
    row.amount("amount", currency),
    row.amount("total", currency),
    row.amount("discount", currency),
  ];
  if (paidOn === null || amount === null) return null;
  return {
    line: row.line,
    trace: row.text("trace"),
    paidOn,
    payerName: row.text("payerName"),
    total,
    currency,
    number,
    amount,
    discount: minor(Math.abs(discount ?? 0)),
  };
}

/** The lines of one payment. Their sum is the payment, unless the advice itself says another. */
export type Advice = {
  trace: string;
  paidOn: Day;
  payerName: string;
  currency: Currency;
  sum: Minor;
  lines: readonly RemittanceRecord[];
};

/** Lines of one trace (else of one payer, day and total) belong to one payment; in the order of the file. */
export function advicesOf(records: readonly RemittanceRecord[]): Advice[] {
  const groups = new Map<string, RemittanceRecord[]>();
  for (const record of records) {
    const key = [
      record.trace || `${record.payerName}|${record.total ?? ""}`,
      record.paidOn,
      record.currency,
    ].join("|");
    groups.set(key, [...(groups.get(key) ?? []), record]);
  }
  return [...groups.values()].flatMap((lines) => {
    const [first] = lines;
    return first
      ? [
          {
            trace: first.trace,
            paidOn: first.paidOn,
            payerName: first.payerName,
            currency: first.currency,
            sum: first.total ?? sumOf(lines, ({ amount }) => amount),
            lines,
          },
        ]
      : [];
  });
}
