import { plainWords } from "@/core/formats";

import type { Cells, Row } from "../cells";

/** Columns that say how it was paid, and not what it was. */
const METHOD_WORD =
  /^(visa|mastercard|master card|amex|american express|discover|diners|jcb|card|credit card|debit card|ach|bank|bank account|check|echeck|e check|credit|debit|visa credit|visa debit|mastercard credit|mastercard debit)$/;
/** Words that are a card's as well as the way that money went by ACH. */
const EITHER = /^(?:credit|debit)$/;
/** Heads of columns that say how it was paid. */
const OF_METHOD = /\b(?:card|method|funding|tender|instrument|payment type|pay type|paid)\b/;

/** Whether a column that goes by the name of kinds says how it was paid instead. */
export function saysMethod(cells: Cells, rows: readonly Row[]): boolean {
  const words = cells.column(rows, "kind").map(plainWords);
  const isOpen =
    words.every((word) => EITHER.test(word)) && !OF_METHOD.test(plainWords(cells.head("kind")));
  return words.length > 0 && !isOpen && words.every((word) => METHOD_WORD.test(word));
}
