import { plainWords } from "@/core/formats";
import type { Minor } from "@/core/money";

import { inText, type Made, plainFields, type Reading, sumOfCell } from "./canonical";
import type { Row } from "./cells";
import { returnCodeTitled } from "./returnTitles";

/** A code of Nacha with its words behind it: `R01 - Insufficient funds`. */
const CODE = /^([RC]\d\d)\b/i;

/** Returns and notices of change in the agreed layout. */
export function returnsTable(reading: Reading, rows: readonly Row[]): Made {
  return {
    rows: rows.map((row) => {
      const fields = plainFields(reading, row);
      // What came back, whichever way a list writes it.
      const sum = sumOfCell(reading, row, "amount");
      if (sum !== null) fields.amount = inText(Math.abs(sum) as Minor, reading.currencyOf(row));
      const said = fields.code ?? "";
      const code = CODE.exec(said)?.[1]?.toUpperCase() ?? returnCodeTitled(plainWords(said));
      return { line: row.line, fields: code === undefined ? fields : { ...fields, code } };
    }),
    leftOut: [],
    refused: [],
    questions: [],
    proofs: [],
  };
}
