import "server-only";

import { randomUUID } from "node:crypto";

import type { AccountFacts } from "@/contracts/customers";
import { accountPageOf, type Visit, wasLookedAt } from "@/server/customers/queries/accountPage";
import type { Paper } from "@/server/output/askedPaper";
import { type BookContext, bookContext } from "@/server/runtime/bookContext";
import { listBooks } from "@/server/runtime/folders";
import { execute } from "@/server/runtime/threads/writer";

export type OpenAccount = { book: string; db: BookContext["db"]; page: AccountFacts };

/** The account behind a link, in whichever book it is; null where it leads nowhere. The address names no book. */
export function accountOf(token: string): OpenAccount | null {
  if (!/^[0-9a-f]{48}$/.test(token)) return null;
  for (const book of listBooks()) {
    const context = bookContext(book);
    const page = context && accountPageOf(context.db, token, context.today);
    if (page) return { book, db: context.db, page };
  }
  return null;
}

/** Keeps on the customer's history what was looked at, once a day each. */
export async function visited(
  token: string,
  { book, db, page }: OpenAccount,
  what: Visit,
  itemId = 0,
): Promise<void> {
  if (wasLookedAt(db, page, what, itemId)) return;
  await execute(
    book,
    "noteVisit",
    { token, what, itemId },
    { actor: "customer", key: randomUUID() },
  );
}

/** A paper for the customer alone: no cache between here and there keeps it. */
export function paper({ bytes, type }: Paper, name: string): Response {
  return new Response(new Uint8Array(bytes), {
    headers: {
      "content-type": type,
      "content-disposition": `attachment; filename="${name}"`,
      "cache-control": "no-store",
    },
  });
}
