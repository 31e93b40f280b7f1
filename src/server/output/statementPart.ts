import { type Content, type TableCell } from "pdfmake/interfaces";

import type { StatementLine, StatementPart } from "@/contracts/customers";
import type { StatementWords } from "@/core/invoices";
import { BUCKETS } from "@/core/metrics";
import { type Minor } from "@/core/money";
import { type Statement } from "@/server/customers/queries/statement";

import { ledgerTable, left, type PaperDress, right, sum } from "./accountPaper";
import { paperDay } from "./paperDay";

type Margin = [left: number, top: number, right: number, bottom: number];

/** A statement's part in one currency: what moved, what is open of it, and its age. */
export function partOf(part: StatementPart, span: Statement, dress: PaperDress): Content[] {
  const words = `${dress.said.currency} ${part.currency}`;
  return [
    { text: words, bold: true, margin: [0, 8, 0, 4] as Margin },
    movements(part, span, dress),
    ...(part.open.length === 0 ? [] : openPart(part, dress)),
  ];
}

function movements(part: StatementPart, { from, to }: Statement, dress: PaperDress): Content {
  const { said, language } = dress;
  const amount = (of: Minor, bold = false): TableCell => right(sum(of, part.currency), bold);
  return ledgerTable(
    dress,
    ["auto", "*", "auto", "auto"],
    [
      [
        left(said.day, true),
        left(said.what, true),
        right(said.amount, true),
        right(said.balance, true),
      ],
      [left(paperDay(from, language)), left(said.opening), right(""), amount(part.opening)],
      ...part.lines.map((line) => [
        left(paperDay(line.on, language)),
        left(movementWords(line, dress)),
        amount(line.amount),
        amount(line.balance),
      ]),
      [
        left(paperDay(to, language), true),
        left(said.closing, true),
        right(""),
        amount(part.closing, true),
      ],
    ],
  );
}

/** A movement in the customer's language; the names of documents are the journal's own. */
function movementWords(
  { event, document, words }: StatementLine,
  { said, language }: PaperDress,
): string {
  const what = said.events[event];
  if (language === "en" || what === undefined) return words;
  const named = /^(?:invoice|credit note|fee) (.+)$/.exec(document)?.[1];
  return named === undefined ? `${what}: ${document}` : `${what} ${named}`;
}

/** What is open on the closing day, item by item and by age. */
function openPart(part: StatementPart, dress: PaperDress): Content[] {
  const { said } = dress;
  return [
    { text: said.open, bold: true, margin: [0, 12, 0, 4] as Margin },
    openTable(part, dress),
    { text: "", margin: [0, 10, 0, 0] as Margin },
    ledgerTable(
      dress,
      BUCKETS.map(() => "*"),
      [
        said.ages.map((age) => right(age, true)),
        BUCKETS.map((bucket) => right(sum(part.aging[bucket], part.currency))),
      ],
    ),
  ];
}

function openTable(
  { open, onAccount, closing, currency }: StatementPart,
  dress: PaperDress,
): Content {
  const { said, language } = dress;
  const amount = (of: Minor, bold = false): TableCell => right(sum(of, currency), bold);
  return ledgerTable(
    dress,
    ["auto", "*", "auto", "auto", "auto"],
    [
      headOfOpen(said),
      ...open.map((item) => [
        left(item.number),
        left(item.description ?? ""),
        left(item.kind === "credit_note" ? "" : paperDay(item.dueOn, language)),
        amount(item.total),
        amount(item.balance),
      ]),
      ...(onAccount === 0
        ? []
        : [[left(""), left(said.on_account), left(""), right(""), amount(onAccount)]]),
      [left("", true), left(said.together, true), left(""), right(""), amount(closing, true)],
    ],
  );
}

const headOfOpen = (said: StatementWords): TableCell[] => [
  left(said.number, true),
  left(said.applied, true),
  left(said.due, true),
  right(said.total, true),
  right(said.open, true),
];
