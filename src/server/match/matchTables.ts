import { readFileSync } from "node:fs";

import type { Day } from "@/core/calendar";
import {
  decodeText,
  guessMapping,
  type MappingSpec,
  type ReadContext,
  readCustomer,
  readInvoice,
  readRows,
  readTable,
  type Refusal,
  type RowReader,
  type Table,
} from "@/core/formats";
import type { MatchItem, MatchReceipt, PaidFor } from "@/core/matching";
import { type Currency, currencyOf } from "@/core/money";
import type { Customer } from "@/core/parties";
import { METHODS } from "@/core/receipts";
import { fail, ok, type Result } from "@/core/result";

import { inWords } from "../runtime/messages";

/** Currencies stand in the files themselves; this one is only for rows that leave theirs empty. */
const FALLBACK = "USD";

/** The rows of a CSV file; an error names the file. */
function tableAt(path: string): Result<Table> {
  let bytes: Buffer;
  try {
    bytes = readFileSync(path);
  } catch {
    return fail("file.unreadable", { path });
  }
  const text = decodeText(bytes);
  const table = text.ok ? readTable(text.value) : text;
  return table.ok ? table : named(table, path);
}

/** The same; null where the file has no row. */
function rowsAt(path: string): Result<Table | null> {
  const table = tableAt(path);
  return table.ok || table.error.code !== "file.no_rows" ? table : ok(null);
}

/** The file layouts are fixed: ISO days and decimal points, whatever the content looks like. */
function spec(table: Table, kind: "customers" | "invoices"): MappingSpec {
  return { ...guessMapping(table, kind), dayOrder: "ymd", decimalMark: "." };
}

function named(result: Result<unknown>, path: string): Result<never> {
  if (result.ok) return fail("file.unreadable", { path });
  const { code, ...facts } = result.error;
  return fail(code, { ...facts, path });
}

function told(refused: string[], file: string, refusals: readonly Refusal[]): void {
  for (const { line, column, error } of refusals)
    refused.push(`${file}, line ${line}${column === "" ? "" : `, ${column}`}: ${inWords(error)}`);
}

/** Each row is read in the currency it names itself. */
function context(): ReadContext {
  return { bookCurrency: dollars(), timeZone: "UTC" };
}

export function dollars(): Currency {
  return currencyOf(FALLBACK) ?? ("USD" as Currency);
}

export function readCustomers(path: string, refused: string[]): Result<Customer[]> {
  const table = tableAt(path);
  if (!table.ok) return table;
  const { rows, refused: bad } = readRows(
    table.value,
    spec(table.value, "customers"),
    context(),
    readCustomer,
  );
  told(refused, "customers", bad);
  const ids = new Map(rows.map((row, index) => [row.externalId, index + 1]));
  return ok(
    rows.map((row, index) => ({
      id: index + 1,
      externalId: row.externalId,
      name: row.name,
      email: row.email,
      parentId: row.parentId === null ? null : (ids.get(row.parentId) ?? null),
      aliases: row.aliases,
    })),
  );
}

export function readItems(
  path: string,
  ids: ReadonlyMap<string, number>,
  refused: string[],
): Result<MatchItem[]> {
  const table = rowsAt(path);
  if (!table.ok || table.value === null) return table.ok ? ok([]) : table;
  const { rows, refused: bad } = readRows(
    table.value,
    spec(table.value, "invoices"),
    { ...context(), anyCurrency: true },
    readInvoice,
  );
  told(refused, "invoices", bad);
  return ok(
    rows.flatMap((row, index) => {
      const customerId = ids.get(row.customerId);
      if (customerId === undefined)
        refused.push(
          `invoices, line ${row.line}: ${inWords({ code: "customer.unknown", id: row.customerId })}`,
        );
      return customerId === undefined || row.balance === 0
        ? []
        : [
            {
              id: index + 1,
              customerId,
              number: row.number,
              issuedOn: row.issuedOn,
              dueOn: row.dueOn,
              currency: row.currency,
              total: row.total,
              balance: row.balance,
              poNumber: row.poNumber,
              terms: row.terms,
            },
          ];
    }),
  );
}

const PAYMENT_COLUMNS = [
  "payment_id",
  "received_on",
  "method",
  "currency",
  "amount",
  "payer_name",
  "payer_email",
  "reference",
];

export function readPayments(
  path: string,
  refused: string[],
): Result<{ receipts: MatchReceipt[]; names: string[] }> {
  const file = rowsAt(path);
  if (!file.ok || file.value === null) return file.ok ? ok({ receipts: [], names: [] }) : file;
  const table = file.value;
  const missing = ["payment_id", "received_on", "amount"].filter(
    (column) => !table.headers.includes(column),
  );
  if (missing.length > 0) return fail("mapping.fields", { fields: missing.join(", "), path });
  const columns = Object.fromEntries(
    PAYMENT_COLUMNS.filter((column) => table.headers.includes(column)).map((column) => [
      column,
      column,
    ]),
  );
  const mapping: MappingSpec = {
    kind: "bank",
    columns,
    dayOrder: "ymd",
    decimalMark: ".",
    rowKinds: {},
    signs: "as_written",
    payoutSign: "as_written",
    feeSign: "cost",
  };
  const { rows, refused: bad } = readRows(
    table,
    mapping,
    { ...context(), anyCurrency: true },
    readPayment,
  );
  told(refused, "payments", bad);
  return ok({
    receipts: rows.map(({ receipt }, index) => ({ ...receipt, id: index + 1 })),
    names: rows.map(({ name }) => name),
  });
}

function readPayment(row: RowReader): { name: string; receipt: Omit<MatchReceipt, "id"> } | null {
  const name = row.needed("payment_id");
  row.needed("received_on");
  row.needed("amount");
  const currency = row.currency("currency");
  const paidOn = row.day("received_on");
  const amount = row.amount("amount", currency);
  if (paidOn === null || amount === null) return null;
  const method = METHODS.find((name) => name === row.text("method")) ?? "other";
  return {
    name,
    receipt: {
      paidOn: paidOn satisfies Day,
      method,
      currency,
      amount,
      payerName: row.text("payer_name"),
      payerEmail: row.text("payer_email").toLowerCase(),
      reference: row.text("reference"),
    },
  };
}

export function readHistory(path: string, ids: ReadonlyMap<string, number>): Result<PaidFor[]> {
  const file = rowsAt(path);
  if (!file.ok || file.value === null) return file.ok ? ok([]) : file;
  const table = file.value;
  const at = (column: string): number => table.headers.indexOf(column);
  const [name, email, customer] = [at("payer_name"), at("payer_email"), at("customer_id")];
  return ok(
    table.rows.flatMap(({ cells }) => {
      const customerId = ids.get(cells[customer]?.trim() ?? "");
      return customerId === undefined
        ? []
        : [
            {
              payerName: cells[name]?.trim() ?? "",
              payerEmail: cells[email]?.trim().toLowerCase() ?? "",
              customerId,
              times: 1,
            },
          ];
    }),
  );
}
