import { z } from "zod";

import { firstProblem } from "@/contracts/problems";
import { fail } from "@/core/result";
import { EXPORTS, periodOf, sheetOf } from "@/server/output/exports";
import { LISTS, listSheet } from "@/server/output/lists";
import { sheetAsPdf } from "@/server/output/pdf";
import { FORMATS, render, type Sheet } from "@/server/output/sheets";
import { type BookContext, bookContext } from "@/server/runtime/bookContext";
import { proposalsFor } from "@/server/runtime/threads/reader";

import {
  answer,
  type BookParams,
  dayOf,
  fileAnswer,
  noBook,
  notThere,
} from "../../../../../../answers";

/** Columns whose totals stand at the foot of a printed report. */
const SUMS: Record<string, readonly string[]> = {
  "trial-balance": ["debit", "credit"],
  aging: ["not_due", "d1_30", "d31_60", "d61_90", "over_90", "total", "credit"],
  "open-items": ["book_balance"],
  clearing: ["book_amount"],
};

/** A report or a list as a file: ?format=csv|json|xlsx|pdf, ?as-of= or ?from= and ?to=. */
export async function GET(
  request: Request,
  params: BookParams<{ report: string }>,
): Promise<Response> {
  const { book, report } = await params.params;
  const context = bookContext(book);
  if (!context) return noBook(book);
  const query = new URL(request.url).searchParams;
  const made = await sheetFor(context, report, query);
  if (made instanceof z.ZodError) return answer(fail("input.invalid", firstProblem(made, report)));
  const sheet = made;
  if (!sheet) return notThere("command.unknown", { name: report });
  if (query.get("format") === "pdf") return printedReport(context, report, query, sheet);
  const format = FORMATS.find((known) => known === query.get("format")) ?? "csv";
  const { bytes, type } = await render(sheet, format, report);
  return fileAnswer(bytes, { type, name: `${book}-${report}-${context.today}.${format}` });
}

async function sheetFor(
  { db, today, book }: BookContext,
  report: string,
  query: URLSearchParams,
): Promise<Sheet | z.ZodError | null> {
  const name = EXPORTS.find((known) => known === report);
  const list = LISTS.find((known) => known === report);
  const days = { asOf: dayOf(query, "as-of"), from: dayOf(query, "from"), to: dayOf(query, "to") };
  if (name) return sheetOf(db, name, periodOf(today, days));
  if (!list) return null;
  const proposals = await proposalsFor(book);
  try {
    return listSheet({ db, today, proposals }, list, query);
  } catch (error) {
    // A filter that is none is refused; it never gives another list.
    if (error instanceof z.ZodError) return error;
    throw error;
  }
}

async function printedReport(
  { settings, today, book }: BookContext,
  report: string,
  query: URLSearchParams,
  sheet: Sheet,
): Promise<Response> {
  const asOf = dayOf(query, "as-of") ?? today;
  const name = report === "account" ? query.get("name") : null;
  const title = (name ?? report.replaceAll("-", " ")).replace(/^./, (letter) =>
    letter.toUpperCase(),
  );
  const under = `${settings.name}, as of ${asOf}`;
  const bytes = await sheetAsPdf(sheet, { title, under, sums: SUMS[report] ?? [] });
  return fileAnswer(bytes, { type: "application/pdf", name: `${book}-${report}-${asOf}.pdf` });
}
