import { type Day, formatDay } from "@/core/calendar";
import { type Currency, formatMoney, type Minor, parseAmount } from "@/core/money";
import type { Db } from "@/db/connection";

export type Found = {
  kind: "customer" | "invoice" | "receipt" | "payout" | "bank line";
  id: number;
  words: string;
  more: string;
};

/** Finds anything: a customer by name, an invoice by number, a receipt by payer or memo, and sums. At most 20. */
export function find(db: Db, text: string, currency: Currency): Found[] {
  const query = text.trim();
  if (query.length < 2) return [];
  const amount = (sum: number, own: Currency): string => formatMoney(sum, own, currency);
  const sum = parseAmount(query, ".", currency);
  const bySum = sum.ok && /[.,]\d\d$/.test(query) ? sum.value : null;
  const found: Found[] = [];
  for (const row of db.all<{ id: number; name: string; externalId: string }>(
    "SELECT id, name, external_id AS externalId FROM customer WHERE name LIKE '%' || ?1 || '%' OR external_id LIKE ?1 || '%' OR email LIKE '%' || ?1 || '%' ORDER BY name LIMIT 6",
    query,
  )) {
    found.push({ kind: "customer", id: row.id, words: row.name, more: row.externalId });
  }
  for (const row of db.all<{
    id: number;
    number: string;
    customer: string;
    total: Minor;
    balance: Minor;
    currency: Currency;
  }>(
    "SELECT i.id, i.number, c.name AS customer, i.total, i.balance, i.currency FROM open_item i JOIN customer c ON c.id = i.customer_id WHERE i.number LIKE ?1 || '%' OR i.po_number = ?1 OR i.total = ?2 OR i.balance = ?2 ORDER BY i.balance <> 0 DESC, i.id DESC LIMIT 6",
    query,
    bySum,
  )) {
    found.push({
      kind: "invoice",
      id: row.id,
      words: `${row.number}, ${row.customer}`,
      more:
        row.balance === 0
          ? `${amount(row.total, row.currency)}, paid`
          : `${amount(row.balance, row.currency)} open`,
    });
  }
  for (const row of db.all<{
    id: number;
    payer: string;
    paidOn: Day;
    amount: Minor;
    currency: Currency;
    reference: string;
  }>(
    "SELECT id, payer_name AS payer, paid_on AS paidOn, amount, currency, reference FROM receipt WHERE payer_name LIKE '%' || ?1 || '%' OR reference LIKE '%' || ?1 || '%' OR amount = ?2 ORDER BY id DESC LIMIT 5",
    query,
    bySum,
  )) {
    found.push({
      kind: "receipt",
      id: row.id,
      words: `${row.payer || "receipt"}, ${formatDay(row.paidOn)}`,
      more: `${amount(row.amount, row.currency)} ${row.reference}`.slice(0, 60),
    });
  }
  for (const row of db.all<{
    id: number;
    externalId: string;
    net: Minor;
    currency: Currency;
    paidOn: Day;
  }>(
    "SELECT id, external_id AS externalId, net, currency, paid_on AS paidOn FROM payout WHERE external_id LIKE '%' || ?1 || '%' OR net = ?2 ORDER BY id DESC LIMIT 3",
    query,
    bySum,
  )) {
    found.push({
      kind: "payout",
      id: row.id,
      words: `${row.externalId}, ${formatDay(row.paidOn)}`,
      more: amount(row.net, row.currency),
    });
  }
  for (const row of db.all<{ id: number; description: string; amount: Minor; postedOn: Day }>(
    "SELECT id, description, amount, posted_on AS postedOn FROM bank_line WHERE description LIKE '%' || ?1 || '%' OR abs(amount) = ?2 ORDER BY id DESC LIMIT 3",
    query,
    bySum,
  )) {
    found.push({
      kind: "bank line",
      id: row.id,
      words: `${row.description}, ${formatDay(row.postedOn)}`,
      more: amount(row.amount, currency),
    });
  }
  return found;
}
