import { type Made, plainFields, type Reading } from "./canonical";
import type { Row } from "./cells";
import { codesQuestion } from "./columns/customerCodes";
import { personName } from "./personName";

/** Customers in the agreed layout; where no column numbers them, their names may be their numbers. */
export function customerTable(reading: Reading, rows: readonly Row[]): Made {
  const { cells } = reading;
  const person = personName(cells);
  const byName = !cells.has("externalId");
  const [first] = rows;
  return {
    rows: rows.map((row) => ({
      line: row.line,
      fields: {
        name: person(row),
        ...plainFields(reading, row),
        ...(byName ? { externalId: cells.of(row, "name") } : {}),
      },
    })),
    leftOut: [],
    refused: [],
    questions: [
      ...codesQuestion(cells.file),
      ...(byName && first && cells.file.answers.number === undefined
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
        : []),
    ],
    proofs: [],
  };
}
