import { find } from "@/server/books/queries/find";

import { type BookParams, fromBook } from "../../../../../answers";

export async function GET(request: Request, context: BookParams): Promise<Response> {
  return fromBook(context, ({ db, currency }) =>
    find(db, new URL(request.url).searchParams.get("q") ?? "", currency),
  );
}
