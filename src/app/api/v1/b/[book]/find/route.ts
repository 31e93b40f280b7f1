import { readSettings } from "@/db/settings";
import { find } from "@/server/queries/find";

import { fromBook, type BookParams } from "../../../../../answers";

export async function GET(request: Request, context: BookParams): Promise<Response> {
  return fromBook(context, (db) =>
    find(db, new URL(request.url).searchParams.get("q") ?? "", readSettings(db).currency),
  );
}
