import { type Made, plainFields, type Reading } from "./canonical";
import type { Row } from "./cells";

/** Customers in the agreed layout; where no column numbers them, their names may be their numbers. */
export function customerTable(reading: Reading, rows: readonly Row[]): Made {
  const { cells } = reading;
  const byName = !cells.has("externalId");
  const [first] = rows;
  return {
    rows: rows.map((row) => ({
      line: row.line,
      fields: {
        ...plainFields(reading, row),
        ...(byName ? { externalId: cells.of(row, "name") } : {}),
      },
    })),
    leftOut: [],
    refused: [],
    questions:
      byName && first && cells.file.answers.number === undefined
        ? [
            {
              key: "number",
              words: "No column numbers the customers.",
              choices: [
                {
                  answer: "name",
                  result: `their names are their numbers: line ${first.line} is “${cells.of(first, "name").slice(0, 40)}”`,
                },
              ],
            },
          ]
        : [],
    proofs: [],
  };
}
