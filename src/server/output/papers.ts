import type { Content, TableCell } from "pdfmake/interfaces";

import { type Day, formatDay } from "@/core/calendar";
import { sumOf } from "@/core/money";
import { linkOf } from "@/db/accountPages";
import type { Db } from "@/db/connection";
import { customerById } from "@/db/customers";
import { openItemById, type OpenItemRow } from "@/db/openItems";
import { readSettings } from "@/db/settings";

import { type Statement, statementOf } from "../customers/queries/statement";
import { paperOfItem } from "../invoices/queries/papers";
import { extrasOf } from "./paperExtras";
import { paperPdf } from "./paperPdf";
import { printable, printed } from "./pdf";
import { left, partOf, right, sum } from "./statementPart";

const heading = (business: string, title: string, under: string): Content[] => [
  { text: printable(business), fontSize: 9 },
  { text: printable(title), fontSize: 15, bold: true, margin: [0, 6, 0, 2] },
  { text: printable(under), margin: [0, 0, 0, 12] },
];

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
  return statement
    ? printed({
        info: { title: `Statement of account, ${statement.customer.name}` },
        content: statementContent(db, statement),
      })
    : null;
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
        stack: statementContent(db, statement),
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

function statementContent(db: Db, statement: Statement): Content[] {
  const { name, replyTo, linkBase } = readSettings(db);
  const { from, to } = statement;
  return [
    ...heading(
      name,
      "Statement of account",
      `${statement.customer.name} (${statement.customer.externalId})${statement.sites > 0 ? ` and ${statement.sites} ${statement.sites === 1 ? "site" : "sites"}` : ""}, ${formatDay(from)} to ${formatDay(to)}`,
    ),
    ...(statement.parts.length === 0
      ? [{ text: "Nothing moved, and nothing is open." }]
      : statement.parts.flatMap((part) => partOf(part, statement))),
    ...(linkBase === null
      ? []
      : [
          {
            text: printable(
              `Your account: ${linkBase}/account/${linkOf(db, statement.customer.id)}`,
            ),
            margin: [0, 16, 0, 0] as [number, number, number, number],
          },
        ]),
    {
      text: printable(`Questions: ${replyTo}`),
      margin: [0, linkBase === null ? 16 : 4, 0, 0] as [number, number, number, number],
    },
  ];
}

/** An invoice or credit note as a PDF from its data; what came in from a file has its sums, not its lines. */
export async function invoicePdf(db: Db, itemId: number): Promise<Buffer | null> {
  const item = openItemById(db, itemId);
  const customer = item && customerById(db, item.customerId);
  if (!item || !customer) return null;
  const paper = paperOfItem(db, itemId);
  if (paper) return paperPdf(paper, extrasOf(db, paper));
  const { name, replyTo } = readSettings(db);
  const title = titleOf(item);
  const facts: [string, string][] = [
    ["Number", item.number],
    ["To", `${customer.name} (${customer.externalId})`],
    ["Issued", formatDay(item.issuedOn)],
    ...(item.kind === "credit_note" ? [] : [["Due", formatDay(item.dueOn)] as [string, string]]),
    ...(item.terms ? [["Terms", item.terms] as [string, string]] : []),
    ...(item.poNumber ? [["PO number", item.poNumber] as [string, string]] : []),
  ];
  return printed({
    info: { title: `${title} ${item.number}` },
    content: [
      ...heading(name, `${title} ${item.number}`, customer.name),
      {
        layout: "noBorders",
        table: { widths: [90, "*"], body: facts.map(([term, value]) => [left(term), left(value)]) },
      },
      {
        layout: "lightHorizontalLines",
        margin: [0, 14, 0, 0],
        table: {
          widths: ["*", "auto"],
          body: [
            [
              left(item.description ?? "As agreed"),
              right(`${item.currency} ${sum(item.total - item.tax, item.currency)}`),
            ],
            ...(item.tax === 0
              ? []
              : [[left("Tax"), right(`${item.currency} ${sum(item.tax, item.currency)}`)]]),
            [
              left("Total", true),
              right(`${item.currency} ${sum(item.total, item.currency)}`, true),
            ],
            [left("Open"), right(`${item.currency} ${sum(item.balance, item.currency)}`)],
          ],
        },
      },
      { text: printable(`Questions: ${replyTo}`), margin: [0, 16, 0, 0] },
    ],
  });
}

function titleOf(item: OpenItemRow): string {
  if (item.kind === "credit_note") return "Credit note";
  if (item.kind === "late_fee") return "Fee";
  return "Invoice";
}
