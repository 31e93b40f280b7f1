import { followUpCalendar } from "@/server/overdue/queries/calendar";
import { bookContext } from "@/server/runtime/bookContext";
import { overdueFor, proposalsFor } from "@/server/runtime/threads/reader";

import { type BookParams, fileAnswer, noBook } from "../../../../../../answers";

/** Calls, tasks and promises as a calendar file. */
export async function GET(_request: Request, context: BookParams): Promise<Response> {
  const { book } = await context.params;
  const found = bookContext(book);
  if (!found) return noBook(book);
  const { db, settings, today } = found;
  const text = followUpCalendar(overdueFor({ book, db }, today, await proposalsFor(book)), {
    book,
    business: settings.name,
    currency: settings.currency,
    today,
  });
  return fileAnswer(text, {
    type: "text/calendar; charset=utf-8",
    name: `${book}-follow-up.ics`,
  });
}
