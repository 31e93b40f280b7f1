import type { Unread } from "../types";

const TAKES = "takes ";
/** Fields of sums that go the way of their line. */
const SUMS = ["gross", "net"];

/** A list of activity with a minus before the sums of lines that were said to take money, by a word of theirs. */
export function withWays(file: Unread): Unread {
  const { kind, table, columns, answers } = file;
  const said = table.headers.flatMap((head, at) => {
    const answer = answers[`column:${head}`] ?? "";
    return answer.startsWith(TAKES) ? [{ at, word: answer.slice(TAKES.length) }] : [];
  });
  if (kind !== "processor" || said.length === 0) return file;
  const places = SUMS.map((field) => table.headers.indexOf(columns[field] ?? ""));
  const below = (cell: string, at: number): string =>
    places.includes(at) && /^[^-(]*\d/.test(cell.trim()) ? `-${cell.trim()}` : cell;
  const rows = table.rows.map((row) =>
    said.some(({ at, word }) => (row.cells[at] ?? "").trim() === word)
      ? { ...row, cells: row.cells.map(below) }
      : row,
  );
  return { ...file, table: { ...table, rows } };
}
