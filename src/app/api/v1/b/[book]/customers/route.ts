import { findCustomers } from "@/server/match/queries/group";

import { type BookParams, fromBook } from "../../../../../answers";

/** Customers by part of a name, number or address (?q=). */
export async function GET(request: Request, context: BookParams): Promise<Response> {
  return fromBook(context, ({ db }) =>
    findCustomers(db, new URL(request.url).searchParams.get("q") ?? ""),
  );
}
