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
  const swapped = FIELDS[kind].flatMap(({ field, type }) => {
    const own = columns[field];
    const foreign = type === "amount" && own !== undefined ? foreignOf(own) : undefined;
    return foreign === undefined ? [] : [[field, foreign] as const];
  });
  return { ...columns, ...Object.fromEntries(swapped) };
}
