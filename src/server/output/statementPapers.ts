import type { Content, TableCell } from "pdfmake/interfaces";

import type { Day } from "@/core/calendar";
import { sumOf } from "@/core/money";
import type { Db } from "@/db/connection";

import { type Statement, statementOf } from "../customers/queries/statement";
import { dressed, dressOf, inDress, left, type PaperDress, right, sum } from "./accountPaper";
import { addressedTo } from "./addressedTo";
import { paperDay } from "./paperDay";
import { printable, printed } from "./pdf";
import { partOf } from "./statementPart";

/**
 * A customer's statement between two days: activity with its running balance, what is open, and its
 * age at the foot.
 */
export async function statementPdf(
  db: Db,
  customerId: number,
  from: Day,
  to: Day,
): Promise<Buffer | null> {
  const statement = statementOf(db, customerId, from, to);
  if (!statement) return null;
  const dress = dressOf(db, statement.customer);
  const title = `${dress.said.statement}, ${statement.customer.name}`;
  return inDress(dress, title, [statementContent(db, statement, dress)]);
}

/** Statements of many, each beginning on a page of its own, and at the end what they come to together. */
export async function statementsPdf(db: Db, statements: readonly Statement[]): Promise<Buffer> {
  const together = [
    ...new Set(statements.flatMap(({ parts }) => parts.map(({ currency }) => currency))),
  ].map((currency): TableCell[] => [
    left(`Together in ${currency}`, true),
    right(
      sum(
        sumOf(
          statements.flatMap(({ parts }) => parts.filter((part) => part.currency === currency)),
          ({ closing }) => closing,
        ),
        currency,
      ),
      true,
    ),
  ]);
  return printed({
    info: { title: "Statements of account" },
    content: [
      ...statements.map((statement, at): Content => ({
        stack: [statementContent(db, statement, dressOf(db, statement.customer))],
        ...(at > 0 ? { pageBreak: "before" } : {}),
      })),
      {
        pageBreak: statements.length > 0 ? "before" : undefined,
        table: {
          widths: ["*", "auto"],
          body: [
            [
              left(`${statements.length} ${statements.length === 1 ? "statement" : "statements"}`),
              right(""),
            ],
            ...together,
          ],
        },
        layout: "lightHorizontalLines",
      } as Content,
    ],
  });
}

function statementContent(db: Db, statement: Statement, dress: PaperDress): Content {
  const { from, to, customer, sites, parts } = statement;
  const { said, language } = dress;
  const [name = "", ...address] = addressedTo(db, customer);
  return dressed(
    dress,
    {
      title: said.statement,
      to: [`${name}${sites > 0 ? ` ${said.sites} (${sites})` : ""}`, ...address],
      facts: [
        [said.day, `${paperDay(from, language)} ${said.until} ${paperDay(to, language)}`],
        ...parts.map(({ currency, closing }): [string, string] => [
          said.closing,
          `${currency} ${sum(closing, currency)}`,
        ]),
      ],
    },
    parts.length === 0
      ? [{ text: printable(said.nothing) }]
      : parts.flatMap((part) => partOf(part, statement, dress)),
  );
}
