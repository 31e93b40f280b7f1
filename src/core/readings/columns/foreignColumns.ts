import { FIELDS, type FileKind, plainWords, type Table } from "@/core/formats";

/** Words for the currency that a document was made out in, beside that of the books. */
export const FOREIGN =
  /\b(?:(?:in )?(?:foreign|transaction|document|doc) (?:currency|ccy|curr|cur)|foreign|fcy|fc)\b/;

/**
 * Columns of sums that stand in two currencies: where a column says the currency of each line, the sum
 * of a field is the one that is called foreign, and not the one of the books beside it.
 * @example { total: "Amount" } beside "Foreign amount" // { total: "Foreign amount" }
 */
export function foreignColumns(
  table: Table,
  kind: FileKind,
  columns: Record<string, string>,
): Record<string, string> {
  if (columns.currency === undefined) return columns;
  const taken = new Set(Object.values(columns));
  const isFilled = (head: string, like: string): boolean => {
    const [at, beside] = [table.headers.indexOf(head), table.headers.indexOf(like)];
    return table.rows.every(
      ({ cells }) => (cells[at] ?? "").trim() !== "" || (cells[beside] ?? "").trim() === "",
    );
  };
  const foreignOf = (own: string): string | undefined =>
    table.headers.find((head) => {
      const plain = plainWords(head);
      const bare = plain.replace(FOREIGN, " ").replace(/\s+/g, " ").trim();
      return !taken.has(head) && bare !== plain && bare === plainWords(own) && isFilled(head, own);
    });
  const converted = kind === "processor" ? convertedColumns(table, columns) : null;
  if (converted !== null) return { ...columns, ...converted };
  const swapped = FIELDS[kind].flatMap(({ field, type }) => {
    const own = columns[field];
    const foreign = type === "amount" && own !== undefined ? foreignOf(own) : undefined;
    return foreign === undefined ? [] : [[field, foreign] as const];
  });
  return { ...columns, ...Object.fromEntries(swapped) };
}

/** Words for what a charge in another currency came to where it is settled, in which its fee is too. */
const CONVERTED = /\b(?:converted|settled|settlement)\b/;

/** Whether a head is of what a charge came to where it is settled. */
export const isSettledHead = (head: string): boolean => CONVERTED.test(plainWords(head));

/** The sum and the currency of a charge as it is settled, where both stand beside those that were charged. */
function convertedColumns(
  { headers }: Table,
  columns: Readonly<Record<string, string>>,
): Record<string, string> | null {
  const taken = new Set(Object.values(columns));
  const find = (words: RegExp): string | undefined =>
    headers.find((head) => {
      const plain = plainWords(head);
      return !taken.has(head) && CONVERTED.test(plain) && words.test(plain);
    });
  const isSettled = isSettledHead(columns.gross ?? "");
  const gross = find(/^(?!.*\b(?:refund\w*|fee|net|date|currency)\b).*\b(?:amount|gross)\b/);
  const currency = find(/\bcurrency\b/);
  return columns.net !== undefined || isSettled || gross === undefined || currency === undefined
    ? null
    : { gross, currency };
}
