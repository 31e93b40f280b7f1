import type { Day } from "@/core/calendar";
import type { PracticeStore } from "@/db/practice";
import type { Days } from "@/db/practiceBank";

import { CHANGES } from "./answers";
import { american, csv, sum } from "./csv";
import { chargeRows, DATED, NET } from "./chargeRows";
import { entryRows } from "./entryRows";
import { termsOf } from "./terms";

/** What the processor tells of an account on a day, or since another; null where nothing happened. */
export function activityFile(
  store: PracticeStore,
  account: string,
  to: Day,
  after?: Day,
): string | null {
  const lines = store.told(account, after ? { after, to } : { to });
  const { shape } = termsOf(store, account);
  const rows =
    shape === "entries"
      ? entryRows(lines)
      : chargeRows(store, account, { lines, columns: shape === "net" ? NET : DATED });
  return rows.length > 1 ? csv(rows) : null;
}

/** What banks said of accounts on a day, as notices of change; null where nothing. */
export function noticesFile(store: PracticeStore, on: Day): string | null {
  const notices = store.notices(on);
  if (notices.length === 0) return null;
  return csv([
    ["Record", "Change code", "Original trace", "Date", "Payer", "Corrected data"],
    ...notices.map(({ charge, code, payer }) => [
      "98",
      code,
      charge,
      american(on),
      payer,
      CHANGES[code] ?? "",
    ]),
  ]);
}

/** The bank's lines, with what stood on the account after each; null where there are none. */
export function statementFile(store: PracticeStore, days: Days, opening: number): string | null {
  const lines = store.bankLines(days);
  if (lines.length === 0) return null;
  let balance = opening + store.bankBefore(days);
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
