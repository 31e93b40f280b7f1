import { z } from "zod";

import { add, minor, type Minor, sumOf } from "@/core/money";
import { move } from "@/core/receipts";
import { fail, ok, type Result } from "@/core/result";
import { actById, type ActKind, type ActRow, actsOf, markUndone } from "@/db/acts";
import { approvalOf, decideApproval, reopenApproval } from "@/db/approvals";
import { bankLineById, bounceLinesOf, setBankLineState } from "@/db/bank";
import { depositById, setDepositState } from "@/db/deposits";
import { entriesOfAct, linesOfEntry } from "@/db/journal";
import { changeBalance, openItemById } from "@/db/openItems";
import { endTies, refreshNet, setPayoutState, tiesOfAct } from "@/db/payouts";
import { moveBack, setDisputeState, withdrawExplained } from "@/db/processor";
import {
  applicationsOfReceipt,
  deleteUntouchedReceipt,
  endApplication,
  partsOf,
  receiptById,
  receiptsOfDeposit,
  reviveApplication,
  setDisputed,
  setHandState,
  updateReceipt,
} from "@/db/receipts";
import { notRecovered, unWriteOff, withdrawWriteOff } from "@/server/overdue/steps/unWriteOff";
import { dropReturnFees } from "@/server/payouts/steps/returnFee";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";

import { reverseEntry } from "../steps/reverse";
import { takeBackOther } from "../steps/takeBack";

/**
 * Undoes an act: its entries are reversed (dated the same day), what it moved
 * goes back to where it came from, and both stay in the history. Refused where
 * something later rests on it, saying what.
 */
export const undo = defineCommand({
  name: "undo",
  schema: z.object({ actId: z.number().int() }),
  run(ctx, input): Result<{ actId: number }> {
    const act = actById(ctx.db, input.actId);
    if (!act) return fail("act.unknown");
    return act.undoneBy === null ? undoAct(ctx, act) : fail("act.undone");
  },
});
/** Undoes an act that still stands; the words stand in the history. */
export function undoAct(
  ctx: CommandContext,
  act: ActRow,
  words = `undone: ${act.text}`,
): Result<{ actId: number }> {
  const by = ctx.act(
    "undo",
    { kind: act.subjectKind, id: act.subjectId, customerId: act.customerId },
    words,
  );
  const back = takeBackAct(ctx, act, by);
  if (!back.ok) return back;
  reverseEntries(ctx, act.id, by);
  markUndone(ctx.db, act.id, by);
  return ok({ actId: by });
}
/** Acts that people did by a page of their own and can take back; imports and letters are not among them. */
const UNDOABLE: ReadonlySet<ActKind> = new Set([
  "place",
  "set_aside",
  "tie",
  "elsewhere",
  "bank_receipt",
  "contact",
  "hand_receipt",
  "deposit",
  "deposit_banked",
  "bounce",
  "dispute_lost",
  "ask",
  "forget",
  "accrue",
  "fee_bill",
  "refund",
  "retry",
  "mend",
  "answer",
  "export",
  "revalue",
  "allowance",
  "late_fee",
  "write_off",
]);
export function isUndoable(kind: ActKind): boolean {
  return UNDOABLE.has(kind);
}
function takeBackAct(ctx: CommandContext, act: ActRow, by: number): Result<unknown> {
  switch (act.kind) {
    case "place":
      return unplace(ctx, act, by);
    case "set_aside":
      return unAside(ctx, act);
    case "tie":
      return untie(ctx, act, by);
    case "elsewhere":
      return reopenLine(ctx, act);
    case "bank_receipt":
      return unReceipt(ctx, act);
    case "hand_receipt":
      return unHandReceipt(ctx, act);
    case "deposit":
      return unDeposit(ctx, act);
    case "deposit_banked":
      return unBankDeposit(ctx, act);
    case "bounce":
    case "dispute_lost":
      return restore(ctx, act);
    case "ask":
      return withdraw(ctx, act);
    case "accrue":
    case "fee_bill":
    case "refund":
    case "retry":
    case "mend":
    case "answer":
    case "export":
    case "revalue":
      return takeBackOther(ctx, act, act.kind);
    case "late_fee":
      return unLateFee(ctx, act);
    case "write_off":
      return unWriteOff(ctx, act);
    case "contact":
    case "forget":
    case "allowance":
      return ok(null);
    case "import":
    case "decide":
    case "lock":
    case "letter":
    case "leave_out":
    case "settings":
    case "rule":
    case "undo":
    case "account":
    case "rates":
    case "run":
      return fail("act.not_undoable", { kind: `“${act.text}”` });
    default:
      throw act.kind satisfies never;
  }
}
/** Acts on the same document that came later and still stand. */
function rests(ctx: CommandContext, act: ActRow): string | null {
  const later = actsOf(ctx.db, act.subjectKind, act.subjectId).filter(
    (actHere) =>
      actHere.id > act.id &&
      actHere.undoneBy === null &&
      !["undo", "contact", "ask", "decide", "retry"].includes(actHere.kind),
  );
  return later.at(-1)?.text ?? null;
}
function unplace(ctx: CommandContext, act: ActRow, by: number): Result<unknown> {
  const receipt = receiptById(ctx.db, act.subjectId);
  if (!receipt) return fail("receipt.unknown");
  const what = rests(ctx, act);
  if (what !== null) return fail("act.rests", { what });
  reopenApproval(ctx.db, act.id);
  let applied = minor(0);
  for (const application of applicationsOfReceipt(ctx.db, receipt.id).filter(
    ({ actId, endedBy }) => actId === act.id && endedBy === null,
  )) {
    endApplication(ctx.db, application.id, by);
    changeBalance(
      ctx.db,
      application.openItemId,
      add(application.amount, application.discount, application.smallDifference),
    );
    applied = add(applied, application.amount);
  }
  const recovered = notRecovered(ctx, act.customerId, receipt.currency);
  if (recovered) return recovered;
  const earlier = actsOf(ctx.db, "receipt", receipt.id).some(
    (actHere) => actHere.kind === "place" && actHere.id < act.id && actHere.undoneBy === null,
  );
  if (earlier) {
    const parts = {
      ...partsOf(receipt),
      applied: add(receipt.applied, -applied),
      onAccount: add(receipt.onAccount, applied),
    };
    updateReceipt(ctx.db, receipt.id, {
      state: receipt.state,
      parts,
      customerId: receipt.customerId,
      reason: receipt.reason,
    });
    return ok(null);
  }
  const moved = move(receipt.state, partsOf(receipt), { kind: "taken_back" });
  if (!moved.ok) return moved;
  updateReceipt(ctx.db, receipt.id, {
    state: moved.value.state,
    parts: moved.value.parts,
    customerId: null,
    reason: null,
  });
  return ok(null);
}
function unAside(ctx: CommandContext, act: ActRow): Result<unknown> {
  const receipt = receiptById(ctx.db, act.subjectId);
  if (!receipt) return fail("receipt.unknown");
  const what = rests(ctx, act);
  if (what !== null) return fail("act.rests", { what });
  const moved = move(receipt.state, partsOf(receipt), { kind: "taken_back" });
  if (!moved.ok) return moved;
  updateReceipt(ctx.db, receipt.id, {
    state: moved.value.state,
    parts: moved.value.parts,
    customerId: null,
    reason: null,
  });
  return ok(null);
}
function untie(ctx: CommandContext, act: ActRow, by: number): Result<unknown> {
  for (const tie of tiesOfAct(ctx.db, act.id)) {
    setBankLineState(ctx.db, tie.bankLineId, "open");
    setPayoutState(ctx.db, tie.payoutId, "open");
  }
  endTies(ctx.db, act.id, by);
  // A difference that was booked with the tie goes with it.
  const explained = entriesOfAct(ctx.db, act.id)
    .filter((entry) => entry.documentKind === "processor_item")
    .map((entry) => entry.documentId);
  for (const id of explained) withdrawExplained(ctx.db, id);
  for (const id of new Set([...moveBack(ctx.db, act.id), act.subjectId])) refreshNet(ctx.db, id);
  return ok(null);
}
function reopenLine(ctx: CommandContext, act: ActRow): Result<unknown> {
  if (bankLineById(ctx.db, act.subjectId)?.state !== "elsewhere") return fail("line.unknown");
  setBankLineState(ctx.db, act.subjectId, "open");
  return ok(null);
}
function unReceipt(ctx: CommandContext, act: ActRow): Result<unknown> {
  const line = bankLineById(ctx.db, act.subjectId);
  const receipt = line?.receiptId == null ? undefined : receiptById(ctx.db, line.receiptId);
  if (!line || !receipt) return fail("line.unknown");
  if (receipt.state !== "to_match")
    return fail("act.rests", {
      what: `the receipt of ${ctx.sum(receipt.amount, receipt.currency)} was dealt with`,
    });
  deleteUntouchedReceipt(ctx.db, receipt.id);
  setBankLineState(ctx.db, line.id, "open");
  return ok(null);
}
function unLateFee(ctx: CommandContext, act: ActRow): Result<unknown> {
  const paid = dropReturnFees(ctx, act.id);
  return paid === null ? ok(null) : fail("act.rests", { what: `${paid} was paid meanwhile` });
}
function unHandReceipt(ctx: CommandContext, act: ActRow): Result<unknown> {
  const receipt = receiptById(ctx.db, act.subjectId);
  if (!receipt) return fail("receipt.unknown");
  if (receipt.state !== "to_match")
    return fail("act.rests", {
      what: `the receipt of ${ctx.sum(receipt.amount, receipt.currency)} was dealt with`,
    });
  if (receipt.handState !== "on_hand") return fail("act.rests", { what: "its bank deposit" });
  deleteUntouchedReceipt(ctx.db, receipt.id);
  return ok(null);
}
function unDeposit(ctx: CommandContext, act: ActRow): Result<unknown> {
  if (depositById(ctx.db, act.subjectId)?.state !== "made")
    return fail("act.rests", { what: "its bank line" });
  for (const { id } of receiptsOfDeposit(ctx.db, act.subjectId))
    setHandState(ctx.db, id, "on_hand", null);
  setDepositState(ctx.db, act.subjectId, "undone", null);
  return ok(null);
}
function unBankDeposit(ctx: CommandContext, act: ActRow): Result<unknown> {
  const deposit = depositById(ctx.db, act.subjectId);
  if (deposit?.state !== "banked" || deposit.bankLineId === null) return fail("deposit.unknown");
  const receipts = receiptsOfDeposit(ctx.db, deposit.id);
  const bounced = receipts.find(({ id }) =>
    actsOf(ctx.db, "receipt", id).some((act) => act.kind === "bounce" && act.undoneBy === null),
  );
  if (bounced)
    return fail("act.rests", { what: `the check of ${ctx.sum(bounced.amount)} that bounced` });
  for (const { id } of receipts) setHandState(ctx.db, id, "deposited", deposit.id);
  setBankLineState(ctx.db, deposit.bankLineId, "open");
  setDepositState(ctx.db, deposit.id, "made", null);
  return ok(null);
}
/** What a receipt gave back (a bounced check, a dispute lost) is given again: its invoices are paid as they were. */
function restore(ctx: CommandContext, act: ActRow): Result<unknown> {
  const receipt = receiptById(ctx.db, act.subjectId);
  if (!receipt) return fail("receipt.unknown");
  const what = rests(ctx, act);
  if (what !== null) return fail("act.rests", { what });
  const paidFee = dropReturnFees(ctx, act.id);
  if (paidFee !== null) return fail("act.rests", { what: `${paidFee} was paid meanwhile` });
  let applied = minor(0);
  for (const application of applicationsOfReceipt(ctx.db, receipt.id).filter(
    ({ endedBy }) => endedBy === act.id,
  )) {
    const item = openItemById(ctx.db, application.openItemId);
    const taken = add(application.amount, application.discount, application.smallDifference);
    if (!item || Math.abs(item.balance) < Math.abs(taken))
      return fail("act.rests", { what: `${item?.number ?? "an invoice"} was paid meanwhile` });
    changeBalance(ctx.db, application.openItemId, -taken);
    reviveApplication(ctx.db, application.id);
    applied = add(applied, application.amount);
  }
  const of = (role: string): Minor =>
    sumOf(
      entriesOfAct(ctx.db, act.id)
        .flatMap((entry) => linesOfEntry(ctx.db, entry.id))
        .filter(
          (line) => line.role === role && line.itemKind === "receipt" && line.itemId === receipt.id,
        ),
      (line) => line.amount,
    );
  const back = {
    unidentified: of("unidentified"),
    onAccount: of("credits"),
    parked: of("parked"),
    income: of("other"),
    surcharge: of("surcharges"),
    recovered: of("recoveries"),
  };
  const before = partsOf(receipt);
  const parts = {
    unidentified: add(before.unidentified, back.unidentified),
    onAccount: add(before.onAccount, back.onAccount),
    parked: add(before.parked, back.parked),
    income: add(before.income, back.income),
    surcharge: add(before.surcharge, back.surcharge),
    recovered: add(before.recovered, back.recovered),
    applied: add(before.applied, applied),
    goneBack: add(
      before.goneBack,
      -back.unidentified,
      -back.onAccount,
      -back.parked,
      -back.income,
      -back.surcharge,
      -back.recovered,
      -applied,
    ),
  };
  const state =
    parts.unidentified > 0
      ? "to_match"
      : parts.parked > 0 || parts.income > 0
        ? "set_aside"
        : "placed";
  updateReceipt(ctx.db, receipt.id, {
    state,
    parts,
    customerId: receipt.customerId,
    reason: receipt.reason,
  });
  if (act.kind === "bounce")
    for (const id of bounceLinesOf(ctx.db, receipt.id)) setBankLineState(ctx.db, id, "open");
  if (act.kind === "dispute_lost") {
    // Only the dispute that this act had lost; the receipt may have others.
    for (const { documentId } of entriesOfAct(ctx.db, act.id).filter(
      ({ documentKind }) => documentKind === "processor_item",
    ))
      setDisputeState(ctx.db, documentId, "opened");
    setDisputed(ctx.db, receipt.id, 1);
  }
  return ok(null);
}
function withdraw(ctx: CommandContext, act: ActRow): Result<unknown> {
  if (act.subjectKind === "open_item") return withdrawWriteOff(ctx, act);
  const asked = approvalOf(ctx.db, act.subjectId);
  if (asked?.actId !== act.id) return fail("approval.unknown");
  decideApproval(ctx.db, asked.id, { state: "withdrawn", by: ctx.who.actor, why: null });
  return ok(null);
}
/** Mirrors every entry of an act that is not reversed yet, dated the same day. */
function reverseEntries(ctx: CommandContext, actId: number, by: number): void {
  for (const entry of entriesOfAct(ctx.db, actId).filter(
    (entry) => entry.reversedBy === null && entry.reverses === null,
  ))
    reverseEntry(ctx, entry, by);
}
