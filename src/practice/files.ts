import type { Day } from "@/core/calendar";
import type { PracticeStore } from "@/db/practice";

import { american, csv, sum } from "./csv";

/** What the processor tells of an account on a day; null where nothing happened. */
export function activityFile(store: PracticeStore, account: string, on: Day): string | null {
  const lines = store.toldOn(on, account);
  if (lines.length === 0) return null;
  return csv([
    [
      "Entry id",
      "Entry type",
      "Date",
      "Settled",
      "Amount",
      "Payer",
      "Email",
      "Memo",
      "For charge",
      "From",
      "To",
      "Return code",
      "Answer by",
    ],
    ...lines.map((line) => [
      line.id,
      line.type,
      american(line.onDay),
      american(line.settledOn),
      sum(line.amount),
      line.payer,
      line.email,
      line.memo,
      line.related,
      line.spanFrom ? american(line.spanFrom) : "",
      line.spanTo ? american(line.spanTo) : "",
      line.code,
      line.answerBy ? american(line.answerBy) : "",
    ]),
  ]);
}

/** The bank's lines of a day, with what stood on the account after each; null where there are none. */
export function statementFile(store: PracticeStore, on: Day, opening: number): string | null {
  const lines = store.bankLines(on);
  if (lines.length === 0) return null;
  let balance = opening + store.bankBefore(on);
  return csv([
    ["Date", "Description", "Money out", "Money in", "Balance"],
    ...lines.map(({ onDay, description, amount }) => {
      balance += amount;
      return [
        american(onDay),
        description,
        amount < 0 ? sum(-amount) : "",
        amount > 0 ? sum(amount) : "",
        sum(balance),
      ];
    }),
  ]);
}
