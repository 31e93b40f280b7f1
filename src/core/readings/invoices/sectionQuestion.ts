import type { Reading } from "../canonical";
import type { Row } from "../cells";
import type { Question } from "../types";
import { sureKindOf } from "./documentWords";

/** Lines below a heading of payments or credits whose own words do not say what they are. */
export const isOfSection = (reading: Reading, row: Row): boolean =>
  reading.wayOf(row) !== "" && sureKindOf(reading.cells.of(row, "type")) === null;

/** What stands below a heading of credits, without a word or a sign of its own: asked. */
export function sectionQuestion(reading: Reading, rows: readonly Row[]): Question[] {
  if (reading.cells.file.answers.section !== undefined) return [];
  const below = rows.filter((row) => isOfSection(reading, row));
  const [first] = below;
  if (!first) return [];
  const lines = below.length === 1 ? "1 line stands" : `${below.length} lines stand`;
  return [
    {
      key: "section",
      words: `${lines} below “${reading.wayOf(first)}” (first line ${first.line}). Are they owed?`,
      choices: [
        { answer: "credit", result: "no: they lower what their customers owe" },
        { answer: "leave", result: "neither: left out" },
        { answer: "invoice", result: "yes: they are invoices" },
      ],
    },
  ];
}
