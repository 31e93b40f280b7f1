import { textProblem } from "@/core/gate";
import type { Failure } from "@/core/result";

/** A row of an order: its place in the file (2 is the first behind the header), and its cells by column. */
export type OrderRow = { readonly row: number; readonly cells: Readonly<Record<string, string>> };

/** Why a document of a file is refused: its row and column, and what is wrong there. */
export type OrderRefusal = {
  readonly document: string;
  readonly row: number;
  readonly field: string;
  readonly error: Failure;
};

/** The columns of orders.csv, in its order. */
export const ORDER_COLUMNS = [
  "document",
  "customer_id",
  "issued_on",
  "terms",
  "due_on",
  "currency",
  "po_number",
  "item",
  "description",
  "quantity",
  "rate",
  "discount_percent",
  "tax_code",
  "tax_percent",
] as const;
export type Column = (typeof ORDER_COLUMNS)[number];

export const cell = ({ cells }: OrderRow, column: Column): string => (cells[column] ?? "").trim();
export const orNull = (text: string): string | null => (text === "" ? null : text);

export const refusal = (
  document: string,
  row: number,
  field: string,
  error: Failure,
): OrderRefusal => ({
  document,
  row,
  field,
  error,
});

/** Lines that a document has at most, and letters of its cells. */
const MOST_LINES = 1000;
const LONGEST: Readonly<Partial<Record<Column, number>>> = {
  description: 500,
  document: 120,
  customer_id: 120,
};
const LONGEST_ELSE = 60;

/** The first cell that is no text, or too long of one. */
function cellProblem(document: string, row: OrderRow): OrderRefusal[] {
  for (const column of ORDER_COLUMNS) {
    const code = textProblem(cell(row, column), LONGEST[column] ?? LONGEST_ELSE);
    if (code)
      return [
        refusal(column === "document" ? "" : document, row.row, column, { code, where: column }),
      ];
  }
  return [];
}

/** Why the rows of a document cannot be read at all. */
export function rowsProblem(document: string, rows: readonly OrderRow[]): OrderRefusal | undefined {
  const over = rows[MOST_LINES];
  if (over)
    return refusal(document, over.row, "document", { code: "order.lines", most: MOST_LINES });
  return rows.flatMap((row) => cellProblem(document, row)).at(0);
}
