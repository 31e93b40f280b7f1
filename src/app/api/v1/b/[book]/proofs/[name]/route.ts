import { PROOF_NAMES } from "@/core/ledger";
import { proofDocuments } from "@/server/books/queries/proofDocuments";

import { type BookParams, fromBook } from "../../../../../../answers";

/** What a control sum is made of, document by document. */
export async function GET(
  _request: Request,
  context: BookParams<{ name: string }>,
): Promise<Response> {
  return fromBook(context, ({ db, name }) => {
    const proof = PROOF_NAMES.find((entry) => entry === name);
    return proof ? proofDocuments(db, proof) : null;
  });
}
