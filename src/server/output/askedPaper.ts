import { z } from "zod";

import { firstProblem } from "@/contracts/problems";
import { addDays, type Day, parseDay } from "@/core/calendar";
import type { Proposal } from "@/core/matching";
import { fail, ok, type Result } from "@/core/result";
import {
  statementOf,
  statementsOfAll,
  statementSheet,
  statementsSheet,
} from "@/server/customers/queries/statement";
import type { BookContext } from "@/server/runtime/bookContext";

import { evidencePdf } from "./evidencePdf";
import { EXPORTS, periodOf, sheetOf } from "./exports";
import { LISTS, listSheet } from "./lists";
import { batchOf } from "./paperBatch";
import { invoicePdf, letterPdf } from "./papers";
import { sheetAsPdf } from "./pdf";
import { receiptPdf } from "./receiptPaper";
import { FORMATS, render, type Sheet } from "./sheets";
import { statementPdf, statementsPdf } from "./statementPapers";

/** A file that somebody asks for: which, and what stands in the address's query. */
export type PaperAsk =
  | { paper: "invoice" | "receipt" | "letter"; id: number }
  | { paper: "evidence"; id: number }
  | { paper: "documents"; ids: readonly number[]; format: "pdf" | "zip" }
  | { paper: "statement"; customerId: number; query: Query }
  | { paper: "statements"; query: Query }
  | { paper: "report"; report: string; query: Query };
/** Names and values, as `[...new URLSearchParams(…)]` gives them. */
export type Query = readonly (readonly [string, string])[];
export type Paper = { bytes: Uint8Array; type: string; name: string };
/** What papers are made of. */
export type PaperContext = Pick<BookContext, "book" | "db" | "settings" | "today"> & {
  proposals: readonly Proposal[];
};

const PDF = "application/pdf";
/** So many statements are printed into one file; a table takes more. */
const MOST_PRINTED = 1000;
const MOST_IN_TABLE = 50_000;
/** A statement goes back so far unless told. */
const STATEMENT_DAYS = 92;

/** Columns whose totals stand at the foot of a printed report. */
const SUMS: Record<string, readonly string[]> = {
  "trial-balance": ["debit", "credit"],
  aging: ["not_due", "d1_30", "d31_60", "d61_90", "over_90", "total", "credit"],
  "open-items": ["book_balance"],
  clearing: ["book_amount"],
};

/**
 * Makes the file. Errors: item.unknown, customer.unknown, command.unknown, statements.many,
 * input.invalid where a filter is none.
 */
export function askedPaper(context: PaperContext, ask: PaperAsk): Promise<Result<Paper>> {
  switch (ask.paper) {
    case "invoice":
    case "receipt":
    case "letter":
      return single(context, ask);
    case "evidence":
      return evidence(context, ask.id);
    case "documents":
      return batchOf(context.db, ask.ids, ask.format);
    case "statement":
      return statement(context, ask.customerId, new URLSearchParams(ask.query.map(pair)));
    case "statements":
      return statements(context, new URLSearchParams(ask.query.map(pair)));
    case "report":
      return report(context, ask.report, new URLSearchParams(ask.query.map(pair)));
    default:
      return ask satisfies never;
  }
}

const pair = ([name, value]: Query[number]): string[] => [name, value];

/** A day of an address's query; undefined where there is none, or none that can be read. */
function dayIn(query: URLSearchParams, name: string): Day | undefined {
  const parsed = parseDay(query.get(name) ?? "", "ymd");
  return parsed.ok ? parsed.value : undefined;
}

const formatIn = (query: URLSearchParams) => FORMATS.find((known) => known === query.get("format"));

const SINGLE = {
  invoice: { make: invoicePdf, unknown: "item.unknown" },
  receipt: { make: receiptPdf, unknown: "receipt.nobody" },
  letter: { make: letterPdf, unknown: "letter.unknown" },
} as const;

async function single(
  { db }: PaperContext,
  { paper, id }: { paper: keyof typeof SINGLE; id: number },
): Promise<Result<Paper>> {
  const { make, unknown } = SINGLE[paper];
  const bytes = await make(db, id);
  return bytes ? ok({ bytes, type: PDF, name: `${paper}-${id}.pdf` }) : fail(unknown);
}

async function evidence(context: PaperContext, id: number): Promise<Result<Paper>> {
  const bytes = await evidencePdf(context, id);
  return bytes ? ok({ bytes, type: PDF, name: `dispute-${id}.pdf` }) : fail("dispute.unknown");
}

async function statement(
  { book, db, today }: PaperContext,
  customerId: number,
  query: URLSearchParams,
): Promise<Result<Paper>> {
  const to = dayIn(query, "to") ?? today;
  const from = dayIn(query, "from") ?? addDays(to, -STATEMENT_DAYS);
  const found = statementOf(db, customerId, from, to);
  if (!found) return fail("customer.unknown", { id: customerId });
  const name = `${book}-statement-${found.customer.externalId.replace(/[^A-Za-z0-9-]/g, "_")}-${to}`;
  const format = formatIn(query);
  if (format)
    return ok({
      ...(await render(statementSheet(found), format, "statement")),
      name: `${name}.${format}`,
    });
  const bytes = (await statementPdf(db, customerId, from, to)) ?? new Uint8Array();
  return ok({ bytes, type: PDF, name: `${name}.pdf` });
}

async function statements(
  { book, db, today }: PaperContext,
  query: URLSearchParams,
): Promise<Result<Paper>> {
  const to = dayIn(query, "as-of") ?? today;
  const from = dayIn(query, "from") ?? addDays(to, -STATEMENT_DAYS);
  const format = formatIn(query);
  const most = format ? MOST_IN_TABLE : MOST_PRINTED;
  const { statements: made, left } = statementsOfAll(db, from, to, most);
  if (left > 0)
    return fail("statements.many", { most: String(most), count: String(made.length + left) });
  const file = format
    ? await render(statementsSheet(made), format, "statements")
    : { bytes: await statementsPdf(db, made), type: PDF };
  return ok({ ...file, name: `${book}-statements-${to}.${format ?? "pdf"}` });
}

async function report(
  context: PaperContext,
  name: string,
  query: URLSearchParams,
): Promise<Result<Paper>> {
  const sheet = sheetFor(context, name, query);
  if (!sheet.ok) return sheet;
  if (query.get("format") === "pdf") return ok(await printed(context, name, query, sheet.value));
  const format = formatIn(query) ?? "csv";
  return ok({
    ...(await render(sheet.value, format, name)),
    name: `${context.book}-${name}-${context.today}.${format}`,
  });
}

function sheetFor(
  { db, today, proposals }: PaperContext,
  report: string,
  query: URLSearchParams,
): Result<Sheet> {
  const name = EXPORTS.find((known) => known === report);
  const list = LISTS.find((known) => known === report);
  const days = {
    asOf: dayIn(query, "as-of"),
    from: dayIn(query, "from"),
    to: dayIn(query, "to"),
  };
  if (name) return ok(sheetOf(db, name, periodOf(today, days)));
  if (!list) return fail("command.unknown", { name: report });
  try {
    const sheet = listSheet({ db, today, proposals: [...proposals] }, list, query);
    return sheet ? ok(sheet) : fail("command.unknown", { name: report });
  } catch (error) {
    // A filter that is none is refused; it never gives another list.
    if (error instanceof z.ZodError) return fail("input.invalid", firstProblem(error, report));
    throw error;
  }
}

async function printed(
  { settings, today, book }: PaperContext,
  report: string,
  query: URLSearchParams,
  sheet: Sheet,
): Promise<Paper> {
  const asOf = dayIn(query, "as-of") ?? today;
  const name = report === "account" ? query.get("name") : null;
  const title = (name ?? report.replaceAll("-", " ")).replace(/^./, (letter) =>
    letter.toUpperCase(),
  );
  const under = `${settings.name}, as of ${asOf}`;
  const bytes = await sheetAsPdf(sheet, { title, under, sums: SUMS[report] ?? [] });
  return { bytes, type: PDF, name: `${book}-${report}-${asOf}.pdf` };
}
