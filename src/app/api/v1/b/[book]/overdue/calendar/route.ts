import { readSettings } from "@/db/settings";
import { todayOf } from "@/server/context";
import { followUpCalendar } from "@/server/queries/calendar";
import { overdueFor, proposalsFor, reading } from "@/server/threads/reader";

import { notThere, type BookParams } from "../../../../../../answers";

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
