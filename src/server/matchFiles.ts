import { readFileSync } from "node:fs";

import type { Day } from "@/core/calendar";
import { decodeText, guessMapping, readCustomer, readInvoice, readRows, readTable, type MappingSpec, type ReadContext, type Refusal, type RowReader, type Table } from "@/core/formats";
import { propose, type MatchItem, type MatchReceipt, type Proposal } from "@/core/matching";
import { currencyOf, type Currency } from "@/core/money";
import type { Customer } from "@/core/parties";
import { METHODS } from "@/core/receipts";
import { fail, ok, type Result } from "@/core/result";

import { inWords } from "./messages";

type Paths = { customers: string; invoices: string; payments: string; history: string | null };
type Matched = { proposals: { paymentId: string; currency: Currency; proposal: Proposal }[]; customerIds: Map<number, string>; refused: string[] };

/** Currencies stand in the files themselves; this one is only for rows that leave theirs empty. */
const FALLBACK = "USD";

function read(path: string): Result<Table> {
  let bytes: Buffer;
  try {
    bytes = readFileSync(path);
  } catch {
    return fail("file.unreadable", { path });
  }
  const text = decodeText(bytes);
  return text.ok ? readTable(text.value) : text;
}

/** The file layouts are fixed (contracts.md): ISO days and decimal points, whatever the content looks like. */
function spec(table: Table, kind: "customers" | "invoices"): MappingSpec {
  return { ...guessMapping(table, kind), dayOrder: "ymd", decimalMark: "." };
}

/** Matches files without a book. Lines that cannot be read are told and left out; missing columns fail the whole. */
export function matchFiles(paths: Paths): Result<Matched> {
  const customers = read(paths.customers);
  const invoices = read(paths.invoices);
  const payments = read(paths.payments);
  if (!customers.ok) return named(customers, paths.customers);
  if (!invoices.ok && invoices.error.code !== "file.no_rows") return named(invoices, paths.invoices);
  if (!payments.ok && payments.error.code !== "file.no_rows") return named(payments, paths.payments);
  const refused: string[] = [];
  const people = readCustomers(customers.value, refused);
  const ids = new Map(people.map((customer) => [customer.externalId, customer.id]));
  const items = invoices.ok ? readItems(invoices.value, ids, refused) : [];
  const receipts = payments.ok ? readPayments(payments.value, refused) : ok({ receipts: [] as MatchReceipt[], names: [] as string[] });
  if (!receipts.ok) return named(receipts, paths.payments);
  const history = paths.history === null ? ok([]) : readHistory(paths.history, ids);
  if (!history.ok) return named(history, paths.history ?? "");
  const proposals = propose({ customers: people, items, receipts: receipts.value.receipts, history: history.value, closed: [], placed: [], settings: { discountGraceDays: 0, smallDifferenceLimit: 0 } });
  return ok({
    proposals: proposals.map((proposal) => ({ paymentId: receipts.value.names[proposal.receiptId - 1] ?? "", currency: receipts.value.receipts[proposal.receiptId - 1]?.currency ?? dollars(), proposal })),
    customerIds: new Map(people.map((customer) => [customer.id, customer.externalId])), refused,
  });
}

function named(result: Result<unknown>, path: string): Result<never> {
  return result.ok ? fail("file.unreadable", { path }) : fail(result.error.code, { ...result.error, path });
}

function told(refused: string[], file: string, refusals: readonly Refusal[]): void {
  for (const { line, column, error } of refusals) refused.push(`${file}, line ${line}${column === "" ? "" : `, ${column}`}: ${inWords(error)}`);
}

/** Each row is read in the currency it names itself. */
function context(): ReadContext {
  return { bookCurrency: dollars(), timeZone: "UTC" };
}

function dollars(): Currency {
  return currencyOf(FALLBACK) ?? ("USD" as Currency);
}

function readCustomers(table: Table, refused: string[]): Customer[] {
  const { rows, refused: bad } = readRows(table, spec(table, "customers"), context(), readCustomer);
  told(refused, "customers", bad);
  const ids = new Map(rows.map((row, index) => [row.externalId, index + 1]));
  return rows.map((row, index) => ({ id: index + 1, externalId: row.externalId, name: row.name, email: row.email, parentId: row.parentId === null ? null : (ids.get(row.parentId) ?? null), aliases: row.aliases }));
}

function readItems(table: Table, ids: ReadonlyMap<string, number>, refused: string[]): MatchItem[] {
  const mapping = spec(table, "invoices");
  const { rows, refused: bad } = readRows(table, mapping, { ...context(), anyCurrency: true }, readInvoice);
  told(refused, "invoices", bad);
  return rows.flatMap((row, index) => {
    const customerId = ids.get(row.customerId);
    if (customerId === undefined) refused.push(`invoices, line ${row.line}: ${inWords({ code: "customer.unknown", id: row.customerId })}`);
    return customerId === undefined || row.balance === 0 ? [] : [{ id: index + 1, customerId, number: row.number, issuedOn: row.issuedOn, dueOn: row.dueOn, currency: row.currency, total: row.total, balance: row.balance, poNumber: row.poNumber, terms: row.terms }];
  });
}

const PAYMENT_COLUMNS = ["payment_id", "received_on", "method", "currency", "amount", "payer_name", "payer_email", "reference"];

function readPayments(table: Table, refused: string[]): Result<{ receipts: MatchReceipt[]; names: string[] }> {
  const missing = ["payment_id", "received_on", "amount"].filter((column) => !table.headers.includes(column));
  if (missing.length > 0) return fail("mapping.fields", { fields: missing.join(", ") });
  const columns = Object.fromEntries(PAYMENT_COLUMNS.filter((column) => table.headers.includes(column)).map((column) => [column, column]));
  const mapping: MappingSpec = { kind: "bank", columns, dayOrder: "ymd", decimalMark: ".", rowKinds: {}, signs: "as_written", payoutSign: "as_written", feeSign: "cost" };
  const { rows, refused: bad } = readRows(table, mapping, { ...context(), anyCurrency: true }, readPayment);
  told(refused, "payments", bad);
  return ok({ receipts: rows.map(({ receipt }, index) => ({ ...receipt, id: index + 1 })), names: rows.map(({ name }) => name) });
}

function readPayment(row: RowReader): { name: string; receipt: Omit<MatchReceipt, "id"> } | null {
  const name = row.needed("payment_id");
  row.needed("received_on");
  row.needed("amount");
  const currency = row.currency("currency");
  const paidOn = row.day("received_on");
  const amount = row.amount("amount", currency);
  if (paidOn === null || amount === null) return null;
  const method = METHODS.find((one) => one === row.text("method")) ?? "other";
  return { name, receipt: { paidOn: paidOn satisfies Day, method, currency, amount, payerName: row.text("payer_name"), payerEmail: row.text("payer_email").toLowerCase(), reference: row.text("reference") } };
}

function readHistory(path: string, ids: ReadonlyMap<string, number>): Result<{ payerName: string; payerEmail: string; customerId: number; times: number }[]> {
  const table = read(path);
  if (!table.ok) return table.error.code === "file.no_rows" ? ok([]) : table;
  const at = (column: string): number => table.value.headers.indexOf(column);
  const [name, email, customer] = [at("payer_name"), at("payer_email"), at("customer_id")];
  return ok(table.value.rows.flatMap(({ cells }) => {
    const customerId = ids.get(cells[customer]?.trim() ?? "");
    return customerId === undefined ? [] : [{ payerName: cells[name]?.trim() ?? "", payerEmail: cells[email]?.trim().toLowerCase() ?? "", customerId, times: 1 }];
  }));
}
