import type { Reading } from "../../canonical";
import { countedLines, type Found, type List, NOTHING_FOUND } from "./addedUp";
import { saidCount } from "./saidCount";

/** How many lines a list says it has, above it or in a line of its own, held against those that it has. */
export function countFoots({ cells }: Reading, list: List): Found {
  const { records = [], headLine = 1, above = [] } = cells.file.table;
  const totals = new Set(list.leftOut.filter(({ why }) => why === "total").map(({ line }) => line));
  const places = [
    ...records.slice(Math.max(0, headLine - 1 - above.length), Math.max(0, headLine - 1)),
    ...list.rows.filter(({ line }) => totals.has(line)).map((row) => row.cells),
  ];
  const said = places.flatMap((place) => saidCount(place) ?? []);
  if (said.length === 0 || cells.file.answers.totals !== undefined) return NOTHING_FOUND;
  const left = new Set(list.leftOut.map(({ line }) => line));
  const lines = countedLines(list);
  const taken = lines.filter(({ line }) => !left.has(line)).length;
  const off = said.find((count) => count !== lines.length && count !== taken);
  if (off === undefined)
    return { questions: [], proofs: [`it has the ${said[0] ?? 0} lines that it says it has`] };
  return {
    questions: [
      {
        key: "totals",
        words: `The file says that it has ${off} ${off === 1 ? "line" : "lines"}, and has ${lines.length}. Some may be missing.`,
        choices: [{ answer: "take", result: "take the lines in as they stand" }],
      },
    ],
    proofs: [],
  };
}
