import { decodeText, readTable } from "@/core/formats";
import {
  type Order,
  ORDER_COLUMNS,
  type OrderRefusal,
  type OrderRow,
  ordersOf,
} from "@/core/invoices";
import { fail, ok, type Result } from "@/core/result";

/** Rows that are taken of one file. */
const MOST_ROWS = 50_000;

/** Reads a file of orders, CSV or the same as JSON: a list of rows, or of documents with their lines. */
export function readOrders(
  bytes: Uint8Array,
): Result<{ orders: Order[]; refused: OrderRefusal[] }> {
  const text = decodeText(bytes);
  if (!text.ok) return text;
  const rows = /^\s*[[{]/.test(text.value.slice(0, 200))
    ? fromJson(text.value)
    : fromCsv(text.value);
  if (!rows.ok) return rows;
  if (rows.value.length > MOST_ROWS) return fail("order.rows", { most: MOST_ROWS });
  return ok(ordersOf(rows.value));
}

function fromCsv(text: string): Result<OrderRow[]> {
  const table = readTable(text);
  if (!table.ok) return table;
  const { headers, rows } = table.value;
  const names = headers.map((header) => header.trim().toLowerCase());
  const missing = ["document", "customer_id", "quantity", "rate"].filter(
    (column) => !names.includes(column),
  );
  if (missing.length > 0) return fail("order.columns", { columns: missing.join(", ") });
  return ok(
    rows.map(({ line, cells }) => ({
      row: line,
      cells: Object.fromEntries(names.map((name, at) => [name, cells[at] ?? ""])),
    })),
  );
}

function fromJson(text: string): Result<OrderRow[]> {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    return fail("order.json");
  }
  const rows: OrderRow[] = [];
  for (const entry of listOf(data))
    for (const cells of rowsOf(entry)) rows.push({ row: rows.length + 1, cells });
  return rows.length === 0 ? fail("order.json") : ok(rows);
}

/** What a file of JSON lists: by itself, as `documents`, or as the one document that it is. */
function listOf(data: unknown): unknown[] {
  if (Array.isArray(data)) return data;
  const documents = of(data, "documents");
  return Array.isArray(documents) ? documents : [data];
}

/** A row as it stands, or each line of a document with what is said of the whole. */
function rowsOf(entry: unknown): Record<string, string>[] {
  const lines = of(entry, "lines");
  if (!Array.isArray(lines)) return [cellsOf(entry)];
  const head = cellsOf(entry);
  return lines.map((line) => ({ ...head, ...cellsOf(line) }));
}

const of = (value: unknown, key: string): unknown =>
  typeof value === "object" && value !== null ? (value as Record<string, unknown>)[key] : undefined;

/** The columns of an object as text. */
function cellsOf(value: unknown): Record<string, string> {
  const cells: Record<string, string> = {};
  for (const column of ORDER_COLUMNS) {
    const cell = of(value, column);
    if (typeof cell === "string" || typeof cell === "number") cells[column] = String(cell);
  }
  return cells;
}
