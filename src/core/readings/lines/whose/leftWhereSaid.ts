import { type Cells, type Row, some } from "../../cells";
import type { OfOne } from "./ofOneAccount";

/** Lines that a column says something of, by which they may be none of ours, and what is asked of them. */
export type Doubted = {
  readonly head: string;
  readonly lines: readonly Row[];
  readonly asked: string;
};

/** The lines of a file without those in doubt, where that was said; asked where nothing was. */
export function leftWhereSaid(cells: Cells, rows: readonly Row[], doubted: Doubted | null): OfOne {
  const all = { rows, leftOut: [], questions: [], proofs: [] };
  if (doubted === null || doubted.lines.length === 0) return all;
  const { head, lines } = doubted;
  const said = cells.file.answers[`column:${head}`];
  if (said === undefined) return { ...all, questions: [doubtQuestion(cells, doubted)] };
  if (said !== "status") return all;
  const out = new Set(lines);
  return {
    ...all,
    rows: rows.filter((row) => !out.has(row)),
    leftOut: lines.map(({ line }) => ({ line, why: "said" as const })),
  };
}

function doubtQuestion(cells: Cells, { head, lines, asked }: Doubted): OfOne["questions"][number] {
  const at = cells.file.table.headers.indexOf(head);
  const said = some(lines.map((row) => (row.cells[at] ?? "").trim()));
  const many = lines.length === 1 ? "1 line" : `${lines.length} lines`;
  return {
    key: `column:${head}`,
    words: `“${head}” says ${said} on ${many}, first line ${lines[0]?.line ?? 0}. ${asked}`,
    choices: [
      { answer: "status", result: `no: ${many} left out` },
      { answer: "leave", result: "yes: every line counts, whatever the column says" },
    ],
  };
}
