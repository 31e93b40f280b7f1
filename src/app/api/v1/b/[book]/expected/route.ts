import { parseDay } from "@/core/calendar";
import { expectedIn } from "@/server/reports/queries/expected";

import { type BookParams, fromBook } from "../../../../../answers";

/** What is expected in a week, item by item: ?week= its Monday. */
export async function GET(request: Request, context: BookParams): Promise<Response> {
  const week = parseDay(new URL(request.url).searchParams.get("week") ?? "", "ymd");
  return fromBook(context, ({ db, today }) => (week.ok ? expectedIn(db, today, week.value) : null));
}
