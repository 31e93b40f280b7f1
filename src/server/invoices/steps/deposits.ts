import { add, minor, type Minor } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { type DepositLeft, depositLeft, nameDepositLines } from "@/db/deposited";
import type { Db } from "@/db/connection";
import { type DocumentLineRow } from "@/db/documentLines";
import { documentById, type DocumentRow } from "@/db/documents";

import { depositWords } from "./depositWords";

/**
 * Whether the deposits that a document takes off are approved, its customer's, and not taken off
 * already; and whether a credit note of a deposit leaves what was taken off.
 */
export function depositsFit(
  db: Db,
  document: DocumentRow,
  lines: readonly DocumentLineRow[],
): Result<null> {
  if (document.kind === "credit_note") return creditFits(db, document);
  const taken = new Map<number, Minor>();
  for (const { settles, net } of lines)
    if (settles != null) taken.set(settles, add(taken.get(settles) ?? minor(0), -net));
  for (const [id, sum] of taken) {
    const deposit = depositLeft(db, id);
    if (!deposit || deposit.stage !== "approved") return fail("deposit.unapproved");
    const fits = isOf(deposit, document) && sum >= 0 && sum <= deposit.left;
    if (!fits) return fail("deposit.left", { number: deposit.number });
  }
  return ok(null);
}

const isOf = (deposit: DepositLeft, document: DocumentRow): boolean =>
  deposit.customerId === document.customerId && deposit.currency === document.currency;

/** What was taken off on a later invoice is not credited once more. */
function creditFits(db: Db, { creditsId, net }: DocumentRow): Result<null> {
  const deposit = creditsId === null ? undefined : depositLeft(db, creditsId);
  return deposit && net > deposit.left
    ? fail("deposit.left", { number: deposit.number })
    : ok(null);
}

/** A deposit that has its number is called by it where it will be taken off. */
export function nameDeposit(db: Db, { id, depositOf }: DocumentRow, number: string): void {
  const draft = depositOf === null ? undefined : documentById(db, depositOf);
  if (draft?.stage === "draft")
    nameDepositLines(db, id, depositWords(db, draft.customerId).less(number));
}
