import { type Currency, currencyOf } from "@/core/money";

import { type Cells, type Row } from "../cells";
import { isShared, signIn } from "./currencySigns";
import type { Question } from "../types";
import { sumFields } from "./sumFields";

const HEAD_CURRENCY = /[([]\s*([A-Z]{3})\s*[)\]]|\b([A-Z]{3})\$?$/;
/** Words and signs of one currency alone; dollars and crowns are those of several. */
const HEAD_WORD: readonly (readonly [RegExp, string])[] = [
  [/(?:\beuros?|€)\s*[)\]]?$/i, "EUR"],
  [/(?:\bpounds? sterling|\bsterling|£)\s*[)\]]?$/i, "GBP"],
];

/** The heads of sums that name a currency (`Net (EUR)`, `Fee USD`), with it. */
type Named = { readonly field: string; readonly head: string; readonly currency: Currency };

/** The currency that a word at the end of a head names, or a sign in its brackets: `Crédito (R$)`. */
function inWords(head: string): string | undefined {
  const word = HEAD_WORD.find(([pattern]) => pattern.test(head))?.[1];
  const sign = signIn(IN_BRACKETS.exec(head)?.[1] ?? "");
  return word ?? (sign === null || isShared(sign) ? undefined : sign);
}
const IN_BRACKETS = /[([]\s*([^)\]\s]{1,4})\s*[)\]]$/;

export const currencyHeads = (cells: Cells): Named[] =>
  sumFields(cells).flatMap((field) => {
    const head = cells.head(field);
    const match = HEAD_CURRENCY.exec(head);
    const currency = currencyOf(match?.[1] ?? match?.[2] ?? inWords(head) ?? "");
    return currency === undefined ? [] : [{ field, head, currency }];
  });

/** A head that names another currency than the one that a line below it is in. */
export function headsAgainst(
  cells: Cells,
  rows: readonly Row[],
  ofRow: (row: Row) => Currency,
): Question[] {
  if (cells.file.answers.currencies !== undefined) return [];
  for (const { field, head, currency } of currencyHeads(cells)) {
    const row = rows.find((row) => cells.of(row, field) !== "" && ofRow(row) !== currency);
    if (!row) continue;
    const words = `“${head}” names ${currency}, and line ${row.line} is in ${ofRow(row)}. Choose columns of one currency, or say what its sums are in.`;
    const choices = [
      { answer: "line", result: "in what their line is in, whatever the head says" },
    ];
    return [{ key: "currencies", words, choices }];
  }
  return [];
}
