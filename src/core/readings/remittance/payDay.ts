import { type Day, formatDay } from "@/core/calendar";
import { plainWords } from "@/core/formats";
import { isBookDay } from "@/core/gate";

import type { Reading } from "../canonical";
import type { Row } from "../cells";
import { dayUnder } from "../days/dayUnder";
import { daysIn } from "../days/ownSpan";
import { writtenDay } from "../days/writtenDay";
import { groupedBy } from "../grouped";
import type { Question } from "../types";

/** A head that may be of the day of a document as well as of its payment. */
const BARE = /^(?:date|day|doc date|document date|datum|belegdatum|fecha|data|date piece)$/;
/** Words above a list that go with the day of a payment. */
const OF_PAYMENT =
  /^(?:date|datum|fecha)\b|\b(?:pay\w*|paid|remit\w*|checks?|cheques?|eft|value|zahl\w*|valuta|paiement|pago|pagamento)\b/;

type PayDay = {
  /** The day of payment of all lines, where it was said; null where each has its own. */
  readonly said: Day | null;
  readonly questions: readonly Question[];
};

/**
 * The day on which an advice was paid. A column that is only called a date, and holds several days for
 * one payment, may be of what was paid: asked, with the day that stands above the list beside it.
 */
export function payDayOf(reading: Reading, rows: readonly Row[]): PayDay {
  const { cells } = reading;
  const said = cells.file.answers.paid_on;
  if (said !== undefined) return { said: isBookDay(said) ? (said as Day) : null, questions: [] };
  if (!BARE.test(plainWords(cells.head("paidOn")))) return { said: null, questions: [] };
  const payments = groupedBy(rows, (row) =>
    ["trace", "payerName", "total"].map((field) => cells.of(row, field)).join("|"),
  );
  const mixed = [...payments.values()].find((lines) => daysOf(reading, lines).length > 1);
  const [first, second] = mixed ? daysOf(reading, mixed) : [];
  if (!mixed || !first || !second) return { said: null, questions: [] };
  return { said: null, questions: [question(reading, [first, second])] };
}

const daysOf = ({ cells, daysOf: readingOf }: Reading, lines: readonly Row[]): Day[] => [
  ...new Set(
    lines.flatMap((row) => {
      const written = writtenDay(cells.of(row, "paidOn"));
      return (written && dayUnder(written, readingOf("paidOn"))) ?? [];
    }),
  ),
];

function question(reading: Reading, [first, second]: readonly [Day, Day]): Question {
  const shown = (day: Day): string => formatDay(day, reading.today);
  const above = dayAbove(reading);
  return {
    key: "paid_on",
    words: `“${reading.cells.head("paidOn")}” has several days for one payment (${shown(first)}, ${shown(second)}): it may say when each invoice was made out. When was it paid?`,
    choices: [
      ...(above === null
        ? []
        : [{ answer: above, result: `all of it on ${shown(above)}, as stands above the list` }]),
      { answer: "each", result: "each line on its own day: they are payments of their own" },
    ],
  };
}

/** The only day above the list that stands beside words of a payment. */
function dayAbove(reading: Reading): Day | null {
  const { above = [] } = reading.cells.file.table;
  const days = above
    .filter((line) => OF_PAYMENT.test(plainWords(line)))
    .flatMap((line) => daysIn(line))
    .flatMap((written) => dayUnder(written, reading.daysOf("paidOn")) ?? []);
  const [only, ...others] = new Set(days);
  return only !== undefined && others.length === 0 ? only : null;
}
