import type { PracticeLine } from "@/db/practiceTables";

import { american, sum } from "./csv";

const HEAD = [
  "Entry id",
  "Entry type",
  "Date",
  "Settled",
  "Amount",
  "Payer",
  "Email",
  "Memo",
  "For charge",
  "From",
  "To",
  "Return code",
  "Answer by",
];

/** An account's file with a row for each entry: charges and fees apart, payouts with the days that they cover. */
export const entryRows = (lines: readonly PracticeLine[]): string[][] => [
  HEAD,
  ...lines.map((line) => [
    line.id,
    line.type,
    american(line.onDay),
    american(line.settledOn),
    sum(line.amount),
    line.payer,
    line.email,
    line.memo,
    line.related,
    line.spanFrom ? american(line.spanFrom) : "",
    line.spanTo ? american(line.spanTo) : "",
    line.code,
    line.answerBy ? american(line.answerBy) : "",
  ]),
];
