import type { Day } from "@/core/calendar";
import type { Carried, ItemKind, Role } from "@/core/ledger";
import { convertBack, type Currency, inCurrency, type Minor, ratioOf } from "@/core/money";

import type { Db } from "./connection";

/** What one unit of a currency is worth in the book's on a day; decimal text. */
export type RateRow = { currency: Currency; onDay: Day; rate: string };

export function rates(db: Db): RateRow[] {
  return db.all<RateRow>(
    "SELECT currency, on_day AS onDay, rate FROM exchange_rate ORDER BY on_day DESC, currency",
  );
}

/** The rate of a day, or the last one before it; where there is none, the first one after it. */
export function rateOn(db: Db, currency: Currency, on: Day): RateRow | undefined {
  const columns = "SELECT currency, on_day AS onDay, rate FROM exchange_rate WHERE currency = ?";
  return (
    db.get<RateRow>(`${columns} AND on_day <= ? ORDER BY on_day DESC LIMIT 1`, currency, on) ??
    db.get<RateRow>(`${columns} ORDER BY on_day LIMIT 1`, currency)
  );
}

/** Currencies that the book knows a rate for. */
export function currenciesWithRates(db: Db): Currency[] {
  return db
    .all<{ currency: Currency }>("SELECT DISTINCT currency FROM exchange_rate ORDER BY currency")
    .map(({ currency }) => currency);
}

export function setRate(db: Db, rate: RateRow, actId: number): void {
  db.run(
    "INSERT INTO exchange_rate (currency, on_day, rate, act_id) VALUES (?, ?, ?, ?) ON CONFLICT (currency, on_day) DO UPDATE SET rate = excluded.rate, act_id = excluded.act_id",
    rate.currency,
    rate.onDay,
    rate.rate,
    actId,
  );
}

const SUM =
  "SELECT coalesce(sum(amount), 0) AS amount, coalesce(sum(book), 0) AS book FROM carried WHERE account_id = ?1 AND currency = ?2";
const NOTHING: Carried = { amount: 0, book: 0 };

type CarriedItem = {
  accountId: number;
  currency: Currency;
  kind: ItemKind;
  id: number;
};

/** What one document stands at on an account. */
export function carriedBy(db: Db, { accountId, currency, kind, id }: CarriedItem): Carried {
  return (
    db.get<Carried>(`${SUM} AND item_kind = ?3 AND item_id = ?4`, accountId, currency, kind, id) ??
    NOTHING
  );
}

/** What a whole account stands at in a currency. */
export function carriedOn(db: Db, accountId: number, currency: Currency): Carried {
  return db.get<Carried>(SUM, accountId, currency) ?? NOTHING;
}

/** What a payout stands at in clearing: its items, less what was paid out of it. */
export function carriedByPayout(
  db: Db,
  accountId: number,
  currency: Currency,
  payoutId: number,
): Carried {
  return (
    db.get<Carried>(
      `${SUM} AND ((item_kind = 'payout' AND item_id = ?3) OR (item_kind = 'processor_item' AND item_id IN (SELECT id FROM processor_item WHERE payout_id = ?3)))`,
      accountId,
      currency,
      payoutId,
    ) ?? NOTHING
  );
}

/** What documents in other currencies are carried at in the book's, on the accounts of these roles; debit positive. */
export function carriedByDocument(
  db: Db,
  roles: readonly Role[],
  kind: ItemKind,
): Map<number, Minor> {
  const rows = db.all<{ id: number; book: Minor }>(
    `SELECT c.item_id AS id, sum(c.book) AS book FROM carried c JOIN account a ON a.id = c.account_id WHERE c.item_kind = ? AND a.role IN (${roles.map((role) => `'${role}'`).join(", ")}) GROUP BY c.item_id`,
    kind,
  );
  return new Map(rows.map(({ id, book }) => [id, book]));
}

type AmountOnDay = {
  amount: Minor;
  currency: Currency;
  book: Currency;
  on: Day;
};

/** A sum at the rate of a day, in the book's currency; for sums that are only told, not posted. */
export function worthOn(db: Db, { amount, currency, book, on }: AmountOnDay): Minor {
  return currency === book
    ? amount
    : (inCurrency(amount, currency, book, rateOn(db, currency, on)?.rate ?? "0") ?? amount);
}

/**
 * What a sum of the book's currency comes to in another at the rate of a day; null where no rate is
 * known. For what is set in the book's currency and asked for in the customer's.
 */
export function inOther(db: Db, { amount, currency, book, on }: AmountOnDay): Minor | null {
  if (currency === book) return amount;
  const rate = ratioOf(rateOn(db, currency, on)?.rate ?? "");
  return rate.ok && rate.value.numerator > 0n
    ? convertBack(amount, book, currency, rate.value)
    : null;
}

/** The book's currency, inside a query. */
export const BOOK_CURRENCY =
  "(SELECT json_extract(value, '$') FROM setting WHERE key = 'currency')";

type ValuedColumn = {
  table: string;
  column: string;
  role: Role;
  kind: ItemKind;
  sign?: 1 | -1;
};

/**
 * A sum of a document in the book's currency, inside a query: the sum itself,
 * or what the document is carried at on the accounts of a role where it is in
 * another currency. `sign` is -1 where the account stands on the credit side.
 */
export function bookValue({ table, column, role, kind, sign = 1 }: ValuedColumn): string {
  return `(CASE WHEN ${table}.currency = ${BOOK_CURRENCY} THEN ${table}.${column} ELSE coalesce((SELECT ${sign} * sum(cv.book) FROM carried cv JOIN account ca ON ca.id = cv.account_id WHERE cv.item_kind = '${kind}' AND cv.item_id = ${table}.id AND ca.role = '${role}'), 0) END)`;
}

export type Revaluation = {
  id: number;
  asOf: Day;
  currency: Currency;
  rate: string;
  sum: Minor;
  state: "made" | "undone";
  actId: number;
};
const REVALUATION =
  "SELECT id, as_of AS asOf, currency, rate, sum, state, act_id AS actId FROM revaluation";

export function revaluations(db: Db): Revaluation[] {
  return db.all<Revaluation>(`${REVALUATION} WHERE state = 'made' ORDER BY as_of DESC, currency`);
}

export function insertRevaluation(db: Db, omit: Omit<Revaluation, "id" | "state">): number {
  return db.run(
    "INSERT INTO revaluation (as_of, currency, rate, sum, act_id) VALUES (?, ?, ?, ?, ?)",
    omit.asOf,
    omit.currency,
    omit.rate,
    omit.sum,
    omit.actId,
  ).id;
}

export function undoRevaluations(db: Db, actId: number): void {
  db.run("UPDATE revaluation SET state = 'undone' WHERE act_id = ?", actId);
}

/** What stood in another currency at the end of a day on the accounts that are revalued, document by document. */
export function foreignAsOf(
  db: Db,
  asOf: Day,
): {
  currency: Currency;
  role: Role;
  of: string | null;
  kind: ItemKind;
  id: number;
  amount: Minor;
  book: Minor;
}[] {
  return db.all(
    `SELECT l.currency, a.role, a.of, l.item_kind AS kind, l.item_id AS id, sum(l.amount) AS amount, sum(l.book_amount) AS book
     FROM carried c JOIN account a ON a.id = c.account_id JOIN entry_line l ON l.item_kind = c.item_kind AND l.item_id = c.item_id AND l.account_id = c.account_id JOIN entry e ON e.id = l.entry_id
     WHERE a.role IN ('receivables', 'clearing', 'unidentified', 'credits', 'disputed', 'reserve') AND e.posted_on <= ?1 AND NOT (a.role = 'clearing' AND (c.item_kind = 'payout' OR EXISTS (
       SELECT 1 FROM processor_item i JOIN entry_line t ON t.item_kind = 'payout' AND t.item_id = i.payout_id AND t.account_id = c.account_id JOIN entry te ON te.id = t.entry_id WHERE i.id = c.item_id AND te.posted_on <= ?1 GROUP BY i.id HAVING sum(t.amount) <> 0)))
     GROUP BY 1, a.id, 4, 5 HAVING sum(l.amount) <> 0 ORDER BY l.currency, a.code, l.item_id`,
    asOf,
  );
}
