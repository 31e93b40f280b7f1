import { type Day } from "@/core/calendar";
import { type OpenWork } from "@/core/ledger";
import { add, type Currency, minor, type Minor } from "@/core/money";

import { statementGaps } from "./bank";
import { type Db } from "./connection";
import { BOOK_CURRENCY, bookValue, worthOn } from "./rates";
import { readSettings } from "./settings";
import { IN_CLEARING } from "./unreconciled";

/**
 * Payouts whose items do not make what was paid, at the rate of their day where they are in another
 * currency.
 */
function payoutsOff(db: Db): { sum: Minor; count: number } {
  const { currency } = readSettings(db);
  const off = db.all<{ off: Minor; own: Currency; on: Day }>(
    "SELECT stated_net - net AS off, currency AS own, paid_on AS 'on' FROM payout WHERE state = 'open' AND stated_net IS NOT NULL AND stated_net <> net",
  );
  return {
    sum: add(
      ...off.map((entry) =>
        worthOn(db, { amount: entry.off, currency: entry.own, book: currency, on: entry.on }),
      ),
    ),
    count: off.length,
  };
}

/** Open work with its sums: shown until it is done, never a broken proof. */
export function openWork(db: Db): OpenWork[] {
  const row = (sql: string): { sum: Minor; count: number } => {
    const found = db.get<{ sum: number | null; n: number }>(sql);
    return { sum: minor(found?.sum ?? 0), count: found?.n ?? 0 };
  };
  return [
    {
      name: "to_match",
      ...row(
        `SELECT sum(${bookValue({ table: "r", column: "unidentified", role: "unidentified", kind: "receipt", sign: -1 })}) AS sum, count(*) AS n FROM receipt r WHERE r.state = 'to_match'`,
      ),
    },
    {
      name: "deposits_untied",
      ...row("SELECT sum(sum) AS sum, count(*) AS n FROM deposit WHERE state = 'made'"),
    },
    {
      name: "approvals",
      ...row("SELECT sum(sum) AS sum, count(*) AS n FROM approval WHERE state = 'waiting'"),
    },
    {
      name: "write_offs",
      ...row("SELECT sum(sum) AS sum, count(*) AS n FROM write_off WHERE state = 'waiting'"),
    },
    {
      name: "payouts_untied",
      ...row(
        `SELECT sum(CASE WHEN p.currency = ${BOOK_CURRENCY} THEN p.net ELSE (SELECT sum(${IN_CLEARING}) FROM processor_item i WHERE i.payout_id = p.id AND i.withdrawn = 0) END) AS sum, count(*) AS n FROM payout p WHERE p.state = 'open'`,
      ),
    },
    { name: "payouts_off", ...payoutsOff(db) },
    {
      name: "bank_unexplained",
      ...row("SELECT sum(amount) AS sum, count(*) AS n FROM bank_line WHERE state = 'open'"),
    },
    { name: "statement_gaps", ...statementGaps(db) },
    {
      name: "negative_credits",
      ...row(
        `SELECT sum(${bookValue({ table: "r", column: "on_account", role: "credits", kind: "receipt", sign: -1 })}) AS sum, count(*) AS n FROM receipt r WHERE r.on_account < 0`,
      ),
    },
  ];
}
