import { readSettings } from "@/db/settings";
import { EXPORTS, periodOf, sheetOf } from "@/server/output/exports";
import { LISTS, listSheet } from "@/server/output/lists";
import { sheetAsPdf } from "@/server/output/pdf";
import { FORMATS, render } from "@/server/output/sheets";
import { todayOf } from "@/server/runtime/context";
import { proposalsFor, reading } from "@/server/runtime/threads/reader";

import { type BookParams, dayOf, notThere } from "../../../../../../answers";

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
  context: BookParams<{ report: string }>,
): Promise<Response> {
  const { book, report } = await context.params;
  const db = reading(book);
  if (!db) return notThere("book.missing", { book });
  const query = new URL(request.url).searchParams;
  const format = FORMATS.find((name) => name === (query.get("format") ?? "csv")) ?? "csv";
  const name = EXPORTS.find((name) => name === report);
  const list = LISTS.find((name) => name === report);
  if (!name && !list) return notThere("command.unknown", { name: report });
  const today = todayOf(readSettings(db));
  const sheet = name
    ? sheetOf(
        db,
        name,
        periodOf(today, {
          asOf: dayOf(query, "as-of"),
          from: dayOf(query, "from"),
          to: dayOf(query, "to"),
        }),
      )
    : listSheet(db, list ?? "match", today, await proposalsFor(book), query);
  if (query.get("format") === "pdf") {
    const asOf = dayOf(query, "as-of") ?? today;
    const printedSheet = await sheetAsPdf(sheet, {
      title:
        `${report === "account" ? (query.get("name") ?? "Account") : report.replaceAll("-", " ")}`.replace(
          /^./,
          (letter) => letter.toUpperCase(),
        ),
      under: `${readSettings(db).name}, as of ${asOf}`,
      sums: SUMS[report] ?? [],
    });
    return new Response(new Uint8Array(printedSheet), {
      headers: {
        "content-type": "application/pdf",
        "content-disposition": `attachment; filename="${book}-${report}-${asOf}.pdf"`,
      },
    });
  }
  const { bytes, type } = await render(sheet, format, report);
  return new Response(new Uint8Array(bytes), {
    headers: {
      "content-type": type,
      "content-disposition": `attachment; filename="${book}-${report}-${today}.${format}"`,
    },
  });
}
