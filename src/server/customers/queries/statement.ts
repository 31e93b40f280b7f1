import type { StatementLine, StatementPart } from "@/contracts/customers";
import { addDays, type Day } from "@/core/calendar";
import { statementWords } from "@/core/invoices";
import { agingOf } from "@/core/metrics";
import { add, sumOf, toDecimal } from "@/core/money";
import type { Db } from "@/db/connection";
import { customerById, type CustomerRow, familyOf } from "@/db/customers";
import { readSettings } from "@/db/settings";
import { customersWithPosition, openLinesAsOf, positionLines } from "@/db/statements";
import type { Sheet } from "@/server/output/sheets";

export type Statement = {
  customer: CustomerRow;
  sites: number;
  from: Day;
  to: Day;
  parts: StatementPart[];
};

/**
 * The statement of account of a customer with its sites, between two days: the
 * position (receivables less credit on account) before, every movement with the
 * balance after it, and what is open at the end with its age. By the journal's
 * own lines, so that all statements together foot to both control accounts.
 */
export function statementOf(db: Db, customerId: number, from: Day, to: Day): Statement | null {
  const customer = customerById(db, customerId);
  if (!customer) return null;
  const { currency: book } = readSettings(db);
  // A head office has its sites on its statement; a site stands alone.
  const family = customer.parentId === null ? familyOf(db, customerId) : [customer];
  const ids = family.map(({ id }) => id);
  const moved = positionLines(db, ids, to);
  const open = openLinesAsOf(db, ids, to);
  const currencies = [
    ...new Set([...moved.map(({ currency }) => currency), ...open.map(({ currency }) => currency)]),
  ].sort((a, b) => Number(b === book) - Number(a === book) || a.localeCompare(b));
  const before = addDays(from, -1);
  const parts = currencies
    .map((currency): StatementPart => {
      const own = moved.filter((line) => line.currency === currency);
      const opening = sumOf(
        own.filter(({ on }) => on <= before),
        ({ amount }) => amount,
      );
      let balance = opening;
      const lines = own
        .filter(({ on }) => on > before)
        .map((line): StatementLine => {
          balance = add(balance, line.amount);
          const what = statementWords("en").events[line.event] ?? line.event.replaceAll("_", " ");
          return {
            on: line.on,
            words: line.document.startsWith(what) ? line.document : `${what}: ${line.document}`,
            event: line.event,
            document: line.document,
            amount: line.amount,
            balance,
          };
        });
      const items = open.filter((item) => item.currency === currency);
      const owed = sumOf(items, (item) => item.balance);
      return {
        currency,
        opening,
        lines,
        closing: balance,
        open: items,
        onAccount: add(balance, -owed),
        aging: agingOf(
          items.map((item) => ({
            dueOn: item.kind === "credit_note" ? item.issuedOn : item.dueOn,
            balance: item.balance,
          })),
          to,
        ),
      };
    })
    .filter((part) => part.lines.length > 0 || part.opening !== 0 || part.open.length > 0);
  return { customer, sites: ids.length - 1, from, to, parts };
}

/**
 * The statements of everybody who has something open or on account on a day, or of whom something
 * moved in the days before it: heads of groups with their sites, by name.
 */
export function statementsOfAll(
  db: Db,
  from: Day,
  to: Day,
  most: number,
): { statements: Statement[]; left: number } {
  const heads = customersWithPosition(db, to, from);
  return {
    statements: heads.slice(0, most).flatMap((id) => statementOf(db, id, from, to) ?? []),
    left: Math.max(0, heads.length - most),
  };
}

/** Many statements as one table. */
export function statementsSheet(statements: readonly Statement[]): Sheet {
  const sheets = statements.map(statementSheet);
  return {
    columns: sheets[0]?.columns ?? ["customer_id"],
    rows: sheets.flatMap(({ rows }) => rows),
  };
}

/** A statement as a table. */
export function statementSheet(statement: Statement): Sheet {
  const sum = (part: StatementPart, amount: number): string => toDecimal(amount, part.currency);
  return {
    columns: ["customer_id", "currency", "day", "what", "amount", "balance"],
    rows: statement.parts.flatMap((part) => [
      [
        statement.customer.externalId,
        part.currency,
        statement.from,
        "opening balance",
        "",
        sum(part, part.opening),
      ],
      ...part.lines.map((line) => [
        statement.customer.externalId,
        part.currency,
        line.on,
        line.words,
        sum(part, line.amount),
        sum(part, line.balance),
      ]),
      [
        statement.customer.externalId,
        part.currency,
        statement.to,
        "closing balance",
        "",
        sum(part, part.closing),
      ],
    ]),
  };
}
