import { readFileSync } from "node:fs";

import { keptPaper } from "@/server/customers/queries/keptPaper";
import { bookContext } from "@/server/runtime/bookContext";
import { keptFile } from "@/server/runtime/folders";

import { type BookParams, noBook, notThere } from "../../../../../../answers";

/** A paper as it was kept, shown by the browser in a sandbox: nothing in it runs or asks for anything. */
export async function GET(
  _request: Request,
  context: BookParams<{ id: string }>,
): Promise<Response> {
  const { book, id } = await context.params;
  const found = bookContext(book);
  if (!found) return noBook(book);
  const paper = keptPaper(found.db, Number(id));
  if (!paper) return notThere("paper.unknown");
  const name = paper.name.replaceAll(/[^A-Za-z0-9._ -]/gu, "_");
  return new Response(new Uint8Array(readFileSync(keptFile(book, paper.sha256))), {
    headers: {
      "content-type": paper.type,
      "content-disposition": `inline; filename="${name}"`,
      "content-security-policy":
        "sandbox; default-src 'none'; img-src 'self'; style-src 'unsafe-inline'",
      "x-content-type-options": "nosniff",
      "cache-control": "no-store",
    },
  });
}
