import { type FileKind, plainWords, type Table } from "@/core/formats";

import type { Question, Unread } from "../types";

type Columns = Record<string, string>;

/** Heads of a customer that hold its number where another column has its name (common practice, no source). */
const CUSTOMER = /^(?:customer|client|cust|kunde|klant|cliente|debitor|debtor)$/;
/** Heads of a number that may be the customer's, or of something else that it has. */
const OF_EITHER =
  /^(?:account|acct|konto|id|no|nr|code|ref|contact)(?: (?:number|no|nr|id|code))?$/;
/** Numbers of customers: short, without blanks, with a digit. */
const CODE = /^(?=\S*\d)\S{1,20}$/;

/** The column of customers that has a number of its own on every line; null where there is none. */
function codesIn({ headers, rows }: Table, columns: Columns): string | null {
  if (columns.name === undefined) return null;
  const at = headers.findIndex((head) => CUSTOMER.test(plainWords(head)) && head !== columns.name);
  const cells = rows.map((row) => (row.cells[at] ?? "").trim());
  const areNumbers = cells.length > 0 && cells.every((cell) => CODE.test(cell));
  return at >= 0 && areNumbers && new Set(cells).size === cells.length
    ? (headers[at] ?? null)
    : null;
}

/** A list of customers whose column of customers holds their numbers, beside their names. */
export function withCustomerCodes(table: Table, kind: FileKind, columns: Columns): Columns {
  if (kind !== "customers" || table.kind !== undefined || columns.externalId !== undefined)
    return columns;
  const codes = codesIn(table, columns);
  return codes === null ? columns : { ...columns, externalId: codes };
}

/** The two columns of which either may number the customers; null where one does. */
function either({ kind, table, columns }: Unread): { taken: string; other: string } | null {
  const taken = columns.externalId;
  if (kind !== "customers" || table.kind !== undefined || taken === undefined) return null;
  const other = OF_EITHER.test(plainWords(taken)) ? codesIn(table, columns) : null;
  return other === null || other === taken ? null : { taken, other };
}

/** A list of customers with the column of numbers that was said. */
export function withSaidCodes(file: Unread): Unread {
  const both = either(file);
  return both !== null && file.answers.number === both.other
    ? { ...file, columns: { ...file.columns, externalId: both.other } }
    : file;
}

/** Which of two columns numbers the customers. */
export function codesQuestion(file: Unread): Question[] {
  const both = file.answers.number === undefined ? either(file) : null;
  const [row] = file.table.rows;
  if (both === null || row === undefined) return [];
  const cell = (head: string): string =>
    (row.cells[file.table.headers.indexOf(head)] ?? "").trim().slice(0, 40);
  return [
    {
      key: "number",
      words: `“${both.other}” and “${both.taken}” may both number the customers. Which does?`,
      choices: [both.other, both.taken].map((head) => ({
        answer: head,
        result: `“${head}”: line ${row.line} is ${cell(head)}`,
      })),
    },
  ];
}
