import type { AccountFacts } from "@/contracts/customers";
import { addDays, type Day } from "@/core/calendar";
import type { Minor } from "@/core/money";
import { customerOfLink, hasVisited, type Visit } from "@/db/accountPages";
import type { Db } from "@/db/connection";
import { customerById, familyOf } from "@/db/customers";
import { followedRow } from "@/db/followed";
import { documentOfItem } from "@/db/documents";
import { openItemById } from "@/db/openItems";
import { receiptById, receiptsOf } from "@/db/receipts";
import { readSettings } from "@/db/settings";

import { statementOf } from "./statement";

/** How far back the statement of an account page goes. */
const STATEMENT_DAYS = 92;

/** The account page behind a link; null where it leads nowhere. */
export function accountPageOf(db: Db, token: string, today: Day): AccountFacts | null {
  const customerId = customerOfLink(db, token);
  if (customerId === undefined) return null;
  const from = addDays(today, -STATEMENT_DAYS);
  const statement = statementOf(db, customerId, from, today);
  if (!statement) return null;
  const settings = readSettings(db);
  return {
    customerId,
    customer: statement.customer.name,
    business: settings.name,
    questions: settings.replyTo,
    language: followedRow(db, customerId).language,
    today,
    from,
    payments: paidBy(db, customerId),
    parts: statement.parts.map((part) => ({
      currency: part.currency,
      owed: part.closing,
      onAccount: part.onAccount,
      aging: part.aging,
      overdue: part.open
        .filter(({ kind, dueOn }) => kind !== "credit_note" && dueOn < today)
        .reduce((so, { balance }) => (so + balance) as Minor, 0 as Minor),
      open: part.open.map((item) => ({
        id: item.id,
        number: item.number,
        kind: item.kind,
        site: item.customer === statement.customer.name ? null : item.customer,
        description: item.description,
        issuedOn: item.issuedOn,
        dueOn: item.dueOn,
        total: item.total,
        balance: item.balance,
        written: documentOfItem(db, item.id) !== undefined,
      })),
    })),
  };
}

/** So many payments are shown; the statement has all. */
const PAYMENTS_SHOWN = 6;

/** What a customer paid lately; what went back whole is no payment. */
const paidBy = (db: Db, customerId: number): AccountFacts["payments"] =>
  receiptsOf(db, customerId)
    .filter(({ state }) => state === "placed")
    .slice(0, PAYMENTS_SHOWN)
    .map(({ id, paidOn, amount, currency }) => ({ id, on: paidOn, amount, currency }));

/** Whether a receipt is the link's own customer's. */
export function receiptOfLink(db: Db, token: string, receiptId: number): boolean {
  const customerId = customerOfLink(db, token);
  return customerId !== undefined && receiptById(db, receiptId)?.customerId === customerId;
}

/** Whose invoice it is, where the link may see it: the customer's own, or one of its sites. */
export function invoiceOfLink(db: Db, token: string, itemId: number): number | null {
  const customerId = customerOfLink(db, token);
  const item = openItemById(db, itemId);
  if (customerId === undefined || !item) return null;
  // A head office sees its sites; a site sees itself.
  const seen =
    customerById(db, customerId)?.parentId === null
      ? familyOf(db, customerId).map(({ id }) => id)
      : [customerId];
  return seen.includes(item.customerId) ? customerId : null;
}

export type { Visit };

/** Whether this was looked at today already. */
export function wasLookedAt(db: Db, page: AccountFacts, what: Visit, itemId: number): boolean {
  return hasVisited(db, { customerId: page.customerId, onDay: page.today, what, itemId });
}
