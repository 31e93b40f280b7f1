import { readSettings } from "@/db/settings";
import { followUpCalendar } from "@/server/overdue/queries/calendar";
import { todayOf } from "@/server/runtime/context";
import { overdueFor, proposalsFor, reading } from "@/server/runtime/threads/reader";

import { type BookParams, notThere } from "../../../../../../answers";

/** Calls, tasks and promises as a calendar file. */
export async function GET(_request: Request, context: BookParams): Promise<Response> {
  const { book } = await context.params;
  const db = reading(book);
  if (!db) return notThere("book.missing", { book });
  const settings = readSettings(db);
  const today = todayOf(settings);
  const text = followUpCalendar(overdueFor(book, db, today, await proposalsFor(book)), {
    book,
    business: settings.name,
    currency: settings.currency,
    today,
  });
  return new Response(text, {
    headers: {
      "content-type": "text/calendar; charset=utf-8",
      "content-disposition": `attachment; filename="${book}-follow-up.ics"`,
    },
  });
}
