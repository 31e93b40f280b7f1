import { add, minor, type Minor, sumOf } from "@/core/money";
import type { Parts, ReceiptState } from "@/core/receipts";
import { fail, ok, type Result } from "@/core/result";
import type { ActRow } from "@/db/acts";
import { applicationsOfReceipt, reviveApplication } from "@/db/applications";
import { entriesOfAct, linesOfEntry } from "@/db/journal";
import { changeBalance, openItemById } from "@/db/openItems";
import { partsOf, receiptById, type ReceiptRow, updateReceipt } from "@/db/receipts";
import { restsOn } from "@/server/books/steps/restsOn";
import { dropReturnFees } from "@/server/payouts/steps/returnFee";
import type { CommandContext } from "@/server/runtime/context";

/** What a receipt gave back (a bounced check, a dispute lost) is given again: its invoices are paid as they were. */
export function restoreReceipt(ctx: CommandContext, act: ActRow): Result<ReceiptRow> {
  const receipt = receiptById(ctx.db, act.subjectId);
  if (!receipt) return fail("receipt.unknown");
  const what = restsOn(ctx, act);
  if (what !== null) return fail("act.rests", { what });
  const paidFee = dropReturnFees(ctx, act.id);
  if (paidFee !== null) return fail("act.rests", { what: `${paidFee} was paid meanwhile` });
  const applied = applyAgain(ctx, act, receipt);
  if (!applied.ok) return applied;
  const parts = partsGivenAgain(ctx, act, receipt, applied.value);
  updateReceipt(ctx.db, receipt.id, {
    state: stateOf(parts),
    parts,
    customerId: receipt.customerId,
    reason: receipt.reason,
  });
  return ok(receipt);
}

/** Pays again what the act had opened; gives the sum, or what was paid meanwhile. */
function applyAgain(ctx: CommandContext, act: ActRow, receipt: ReceiptRow): Result<Minor> {
  let applied = minor(0);
  const ended = applicationsOfReceipt(ctx.db, receipt.id).filter(
    ({ endedBy }) => endedBy === act.id,
  );
  for (const application of ended) {
    const item = openItemById(ctx.db, application.openItemId);
    const taken = add(application.amount, application.discount, application.smallDifference);
    if (!item || Math.abs(item.balance) < Math.abs(taken))
      return fail("act.rests", { what: `${item?.number ?? "an invoice"} was paid meanwhile` });
    changeBalance(ctx.db, application.openItemId, -taken);
    reviveApplication(ctx.db, application.id);
    applied = add(applied, application.amount);
  }
  return ok(applied);
}

/** The role of the journal in which each part of a receipt stands; what is applied stands in receivables. */
const ROLE_OF_PART = {
  unidentified: "unidentified",
  onAccount: "credits",
  parked: "parked",
  income: "other",
  surcharge: "surcharges",
  recovered: "recoveries",
} as const satisfies Record<Exclude<keyof Parts, "applied" | "goneBack">, string>;
const PARTS = Object.keys(ROLE_OF_PART) as (keyof typeof ROLE_OF_PART)[];

/** The parts of a receipt as they were before the act took them, by what it posted to each role. */
function partsGivenAgain(
  ctx: CommandContext,
  act: ActRow,
  receipt: ReceiptRow,
  applied: Minor,
): Parts {
  const lines = entriesOfAct(ctx.db, act.id)
    .flatMap((entry) => linesOfEntry(ctx.db, entry.id))
    .filter(({ itemKind, itemId }) => itemKind === "receipt" && itemId === receipt.id);
  const before = partsOf(receipt);
  const parts = { ...before, applied: add(before.applied, applied) };
  let given: Minor = applied;
  for (const part of PARTS) {
    const booked = lines.filter(({ role }) => role === ROLE_OF_PART[part]);
    const back = sumOf(booked, ({ amount }) => amount);
    parts[part] = add(before[part], back);
    given = add(given, back);
  }
  return { ...parts, goneBack: add(before.goneBack, -given) };
}

function stateOf(parts: Parts): ReceiptState {
  if (parts.unidentified > 0) return "to_match";
  return parts.parked > 0 || parts.income > 0 ? "set_aside" : "placed";
}
