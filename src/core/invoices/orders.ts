import { type Day, parseDay } from "@/core/calendar";

import {
  cell,
  type Column,
  orNull,
  type OrderRefusal,
  type OrderRow,
  refusal,
  rowsProblem,
} from "./orderCells";

export type OrderLine = {
  readonly row: number;
  readonly item: string | null;
  readonly description: string;
  readonly quantity: string;
  readonly rate: string;
  readonly discountPercent: string | null;
  readonly taxCode: string | null;
  readonly taxPercent: string | null;
};

/** A document as a file of orders asks for it. */
export type Order = {
  readonly document: string;
  readonly row: number;
  readonly customerId: string;
  readonly issuedOn: Day;
  readonly terms: string | null;
  readonly dueOn: Day | null;
  readonly currency: string | null;
  readonly poNumber: string | null;
  readonly lines: readonly OrderLine[];
};

/** Columns that say the same on every row of a document; a row may leave them empty. */
const OF_THE_DOCUMENT = [
  "customer_id",
  "issued_on",
  "terms",
  "due_on",
  "currency",
  "po_number",
] as const satisfies readonly Column[];

/**
 * Puts the rows of each document together, in the order in which the documents first come up. A
 * document with a wrong cell is refused whole; the others are not touched by it.
 */
export function ordersOf(rows: readonly OrderRow[]): {
  orders: Order[];
  refused: OrderRefusal[];
} {
  const groups = new Map<string, OrderRow[]>();
  const refused: OrderRefusal[] = [];
  for (const row of rows) {
    const name = cell(row, "document");
    if (name === "")
      refused.push(refusal("", row.row, "document", { code: "field.empty", field: "document" }));
    else {
      const group = groups.get(name) ?? [];
      group.push(row);
      groups.set(name, group);
    }
  }
  const orders: Order[] = [];
  for (const [name, group] of groups) {
    const read = orderOf(name, group);
    if ("error" in read) refused.push(read);
    else orders.push(read);
  }
  return { orders, refused };
}

function orderOf(document: string, rows: readonly OrderRow[]): Order | OrderRefusal {
  const barred = rowsProblem(document, rows);
  if (barred) return barred;
  const head = headOf(document, rows);
  if ("error" in head) return head;
  const wrong = rows.flatMap((row) => lineProblem(document, row)).at(0);
  if (wrong) return wrong;
  const first = rows[0]?.row ?? 0;
  const { text, at } = head;
  const issuedOn = dayOf(document, "issued_on", head);
  if (typeof issuedOn !== "string") return issuedOn;
  const dueOn = text.due_on === "" ? null : dayOf(document, "due_on", head);
  if (dueOn !== null && typeof dueOn !== "string") return dueOn;
  if (text.customer_id === "")
    return refusal(document, at.customer_id, "customer_id", {
      code: "field.empty",
      field: "customer_id",
    });
  return {
    document,
    row: first,
    customerId: text.customer_id,
    issuedOn,
    terms: orNull(text.terms),
    dueOn,
    currency: orNull(text.currency),
    poNumber: orNull(text.po_number),
    lines: rows.map(lineOf),
  };
}

type HeadColumn = (typeof OF_THE_DOCUMENT)[number];
type Head = { text: Record<HeadColumn, string>; at: Record<HeadColumn, number> };

/** What the rows say of the document as a whole; two that say something else of it are a mistake. */
function headOf(document: string, rows: readonly OrderRow[]): Head | OrderRefusal {
  const head = { text: {}, at: {} } as Head;
  for (const column of OF_THE_DOCUMENT) {
    const said = rows.filter((row) => cell(row, column) !== "");
    const [first] = said;
    const other = said.find((row) => first && cell(row, column) !== cell(first, column));
    if (other && first)
      return refusal(document, other.row, column, {
        code: "order.differs",
        text: cell(other, column),
        other: cell(first, column),
        row: first.row,
      });
    head.text[column] = first ? cell(first, column) : "";
    head.at[column] = (first ?? rows[0])?.row ?? 0;
  }
  return head;
}

function dayOf(
  document: string,
  column: "issued_on" | "due_on",
  { text, at }: Head,
): Day | OrderRefusal {
  const read = parseDay(text[column], "ymd");
  return read.ok ? read.value : refusal(document, at[column], column, read.error);
}

function lineProblem(document: string, row: OrderRow): OrderRefusal[] {
  const empty = (["description", "quantity", "rate"] as const).find(
    (column) => cell(row, column) === "" && !(column === "description" && cell(row, "item") !== ""),
  );
  return empty ? [refusal(document, row.row, empty, { code: "field.empty", field: empty })] : [];
}

const lineOf = (row: OrderRow): OrderLine => ({
  row: row.row,
  item: orNull(cell(row, "item")),
  description: cell(row, "description") || cell(row, "item"),
  quantity: cell(row, "quantity"),
  rate: cell(row, "rate"),
  discountPercent: orNull(cell(row, "discount_percent")),
  taxCode: orNull(cell(row, "tax_code")),
  taxPercent: orNull(cell(row, "tax_percent")),
});
