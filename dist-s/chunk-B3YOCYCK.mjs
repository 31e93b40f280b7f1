import {
  decodeText,
  readTable
} from "./chunk-ELMUUMV5.mjs";
import {
  ORDER_COLUMNS,
  ordersOf
} from "./chunk-WZI5MHZ3.mjs";
import {
  fail,
  ok
} from "./chunk-V6I26S2F.mjs";

// src/server/invoices/steps/readOrders.ts
var MOST_ROWS = 5e4;
function readOrders(bytes) {
  const text = decodeText(bytes);
  if (!text.ok) return text;
  const rows = /^\s*[[{]/.test(text.value.slice(0, 200)) ? fromJson(text.value) : fromCsv(text.value);
  if (!rows.ok) return rows;
  if (rows.value.length > MOST_ROWS) return fail("order.rows", { most: MOST_ROWS });
  return ok(ordersOf(rows.value));
}
function fromCsv(text) {
  const table = readTable(text);
  if (!table.ok) return table;
  const { headers, rows } = table.value;
  const names = headers.map((header) => header.trim().toLowerCase());
  const missing = ["document", "customer_id", "quantity", "rate"].filter(
    (column) => !names.includes(column)
  );
  if (missing.length > 0) return fail("order.columns", { columns: missing.join(", ") });
  return ok(
    rows.map(({ line, cells }) => ({
      row: line,
      cells: Object.fromEntries(names.map((name, at) => [name, cells[at] ?? ""]))
    }))
  );
}
function fromJson(text) {
  let data;
  try {
    data = JSON.parse(text);
  } catch {
    return fail("order.json");
  }
  const rows = [];
  for (const entry of listOf(data))
    for (const cells of rowsOf(entry)) rows.push({ row: rows.length + 1, cells });
  return rows.length === 0 ? fail("order.json") : ok(rows);
}
function listOf(data) {
  if (Array.isArray(data)) return data;
  const documents = of(data, "documents");
  return Array.isArray(documents) ? documents : [data];
}
function rowsOf(entry) {
  const lines = of(entry, "lines");
  if (!Array.isArray(lines)) return [cellsOf(entry)];
  const head = cellsOf(entry);
  return lines.map((line) => ({ ...head, ...cellsOf(line) }));
}
var of = (value, key) => typeof value === "object" && value !== null ? value[key] : void 0;
function cellsOf(value) {
  const cells = {};
  for (const column of ORDER_COLUMNS) {
    const cell = of(value, column);
    if (typeof cell === "string" || typeof cell === "number") cells[column] = String(cell);
  }
  return cells;
}

export {
  readOrders
};
