import { add, minor, negate } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import type { ActRow } from "@/db/acts";
import { bankLineById, setBankLineState } from "@/db/bank";
import { accruals, setAccrualState } from "@/db/fees";
import { entriesOfAct } from "@/db/journal";
import { journalFileOfAct, setJournalFileUndone } from "@/db/journalFiles";
import { undoRevaluations } from "@/db/rates";
import { partsOf, receiptById, updateReceipt } from "@/db/receipts";
import { deleteRetryOfAct, setAnswered, setMended } from "@/db/returnsAndDisputes";
import type { CommandContext } from "@/server/runtime/context";

export type OtherAct =
  "accrue" | "fee_bill" | "refund" | "retry" | "mend" | "answer" | "export" | "revalue";

/**
 * Takes back what was done about fees billed by the month, and about what came back; the entries
 * are reversed by the caller.
 */
export function takeBackOther(ctx: CommandContext, act: ActRow, kind: OtherAct): Result<unknown> {
  switch (kind) {
    case "accrue": {
      const accrued = accruals(ctx.db).find(({ actId }) => actId === act.id);
      if (!accrued) return fail("fees.accrual");
      if (accrued.state === "billed") return fail("act.rests", { what: "its bill" });
      setAccrualState(ctx.db, accrued.id, "undone", null);
      return ok(null);
    }
    case "fee_bill":
      for (const accrual of accruals(ctx.db).filter(
        ({ bankLineId }) => bankLineId === act.subjectId,
      ))
        setAccrualState(ctx.db, accrual.id, "accrued", null);
      setBankLineState(ctx.db, act.subjectId, "open");
      return ok(null);
    case "refund":
      return unRefund(ctx, act);
    case "retry":
      deleteRetryOfAct(ctx.db, act.id);
      return ok(null);
    case "mend":
      setMended(ctx.db, act.subjectId, null, null);
      return ok(null);
    case "export": {
      const file = journalFileOfAct(ctx.db, act.id);
      if (file) setJournalFileUndone(ctx.db, file.id);
      return ok(null);
    }
    case "revalue":
      undoRevaluations(ctx.db, act.id);
      return ok(null);
    case "answer":
      setAnswered(ctx.db, act.subjectId, null);
      return ok(null);
    default:
      throw kind satisfies never;
  }
}

function unRefund(ctx: CommandContext, act: ActRow): Result<unknown> {
  const receipt = receiptById(ctx.db, act.subjectId);
  const lineId = entriesOfAct(ctx.db, act.id).find(
    ({ documentKind }) => documentKind === "bank_line",
  )?.documentId;
  const line = lineId === undefined ? undefined : bankLineById(ctx.db, lineId);
  if (!receipt || !line) return fail("line.unknown");
  const sum = minor(Math.abs(line.amount));
  const parts = partsOf(receipt);
  updateReceipt(ctx.db, receipt.id, {
    state: receipt.state === "returned" ? "placed" : receipt.state,
    parts: {
      ...parts,
      onAccount: add(parts.onAccount, sum),
      goneBack: add(parts.goneBack, negate(sum)),
    },
    customerId: receipt.customerId,
    reason: receipt.reason,
  });
  setBankLineState(ctx.db, line.id, "open");
  return ok(null);
}
