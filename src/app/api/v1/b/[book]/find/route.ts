import { readSettings } from "@/db/settings";
import { find } from "@/server/books/queries/find";

import { type BookParams, fromBook } from "../../../../../answers";

export async function GET(request: Request, context: BookParams): Promise<Response> {
  return fromBook(context, (db) =>
    find(db, new URL(request.url).searchParams.get("q") ?? "", readSettings(db).currency),
  );
}
