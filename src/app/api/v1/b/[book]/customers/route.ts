import { findCustomers } from "@/server/queries/match";

import { fromBook, type BookParams } from "../../../../../answers";

/** Customers by part of a name, number or address (?q=). */
export async function GET(request: Request, context: BookParams): Promise<Response> {
  return fromBook(context, (db) =>
    findCustomers(db, new URL(request.url).searchParams.get("q") ?? ""),
  );
}
