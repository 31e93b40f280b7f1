import type { TallyLine } from "@/contracts/match";
import {
  type AppliedFrom,
  type EntryDraft,
  inBook,
  postApplied,
  postBadDebt,
  postDiscount,
  postIdentified,
  postRecovery,
  postSmallDifference,
  postSurcharge,
} from "@/core/ledger";
import { add, minor, type Minor, mulDiv } from "@/core/money";
import { move, type ReceiptEvent } from "@/core/receipts";
import { ok, type Result } from "@/core/result";
import { insertApplication } from "@/db/applications";
import { changeBalance, type OpenItemRow } from "@/db/openItems";
import { partsOf, type ReceiptRow, updateReceipt } from "@/db/receipts";
import type { CommandContext } from "@/server/runtime/context";

import { type Checked, isOverLimit } from "./checkTally";

export type CheckedTally = {
  receipt: ReceiptRow;
  lines: readonly TallyLine[];
  checked: Checked;
  from: AppliedFrom;
};

/**
 * Posts a tally that was checked: the rest to the customer's account, the lines to their items,
 * discounts and small differences.
 */
export function applyTally(ctx: CommandContext, tally: CheckedTally): Result<number> {
  const { receipt, lines, checked, from } = tally;
  const moved = move(receipt.state, partsOf(receipt), eventOf(tally));
  if (!moved.ok) return moved;
  const actId = ctx.act(
    "place",
    { kind: "receipt", id: receipt.id, customerId: checked.customerId },
    placedInWords(ctx, tally),
  );
  updateReceipt(ctx.db, receipt.id, {
    state: moved.value.state,
    parts: moved.value.parts,
    customerId: from === "credits" ? receipt.customerId : checked.customerId,
    reason: null,
  });
  const post = (draft: EntryDraft): unknown => ctx.post(draft, actId);
  for (const draft of entriesOfReceipt(ctx, tally)) post(draft);
  for (const line of lines) {
    const given = givenUpBy(ctx, tally, line);
    for (const draft of entriesOfLine(ctx, tally, line, given)) post(draft);
    changeBalance(ctx.db, line.itemId, -add(line.amount, line.discount, line.smallDifference));
    insertApplication(ctx.db, {
      receiptId: receipt.id,
      openItemId: line.itemId,
      amount: line.amount,
      discount: line.discount,
      smallDifference: line.smallDifference,
      ...given,
      onDay: headOf(ctx, tally).on,
      actId,
    });
  }
  return ok(actId);
}

function eventOf({ checked, from }: CheckedTally): ReceiptEvent {
  const { applied, rest, surcharge, recovered } = checked;
  return from === "unidentified"
    ? { kind: "placed", applied, onAccount: rest, surcharge, recovered }
    : { kind: "moved_from_account", applied };
}

/** What was placed and where, for the audit trail. */
function placedInWords(ctx: CommandContext, { receipt, checked, from }: CheckedTally): string {
  const sum = (amount: Minor): string => ctx.sum(amount, receipt.currency);
  const { items, applied, surcharge, recovered, rest } = checked;
  const parts = [items.map(({ number }) => number).join(", ")];
  if (surcharge > 0) parts.push(`${sum(surcharge)} surcharge`);
  if (recovered > 0) parts.push(`${sum(recovered)} for a debt written off`);
  if (from === "unidentified" && rest > 0) parts.push(`${sum(rest)} on account`);
  const placed = from === "unidentified" ? receipt.unidentified : applied;
  return `${sum(placed)} placed: ${parts.filter((part) => part !== "").join(", ")}`;
}

/** Nothing is posted before the money has settled. */
const headOf = (ctx: CommandContext, { receipt, checked }: CheckedTally) => ({
  on: ctx.today > receipt.settledOn ? ctx.today : receipt.settledOn,
  partyId: checked.customerId,
  document: {
    kind: "receipt" as const,
    id: receipt.id,
    text: `receipt ${receipt.id}, ${receipt.payerName || receipt.payerEmail}`,
  },
});

function entriesOfReceipt(ctx: CommandContext, tally: CheckedTally): EntryDraft[] {
  const { receipt, lines, checked, from } = tally;
  const head = { ...headOf(ctx, tally), receiptId: receipt.id };
  const sum = (amount: Minor) => inBook(amount, receipt.currency);
  const { rest, surcharge, recovered } = checked;
  const to = lines
    .filter(({ amount }) => amount !== 0)
    .map(({ itemId, amount }) => ({ itemId, sum: sum(amount) }));
  const drafts: EntryDraft[] = [];
  if (from === "unidentified" && rest > 0) drafts.push(postIdentified({ ...head, sum: sum(rest) }));
  if (surcharge !== 0) drafts.push(postSurcharge({ ...head, sum: sum(surcharge) }));
  if (recovered !== 0) drafts.push(postRecovery({ ...head, sum: sum(recovered) }));
  if (to.length > 0) drafts.push(postApplied({ ...head, from, to }));
  return drafts;
}

/** How a line's difference is written off, and the tax in what is given up. */
type GivenUp = {
  readonly writeOff: "small" | "bad_debt";
  readonly discountTax: Minor;
  readonly writeOffTax: Minor;
};

function givenUpBy(ctx: CommandContext, tally: CheckedTally, line: TallyLine): GivenUp {
  const { taxOnDiscounts, taxOnBadDebts } = ctx.settings;
  const item = tally.checked.items.find(({ id }) => id === line.itemId);
  // What is over the limit was approved by a second person, and is a debt written off.
  const bad = isOverLimit(ctx, tally.receipt, line.smallDifference);
  return {
    writeOff: bad ? "bad_debt" : "small",
    discountTax: taxOnDiscounts ? taxIn(line.discount, item) : minor(0),
    writeOffTax: bad && taxOnBadDebts ? taxIn(line.smallDifference, item) : minor(0),
  };
}

function entriesOfLine(
  ctx: CommandContext,
  tally: CheckedTally,
  { itemId, discount, smallDifference }: TallyLine,
  { writeOff, discountTax, writeOffTax }: GivenUp,
): EntryDraft[] {
  const head = { ...headOf(ctx, tally), itemId };
  const sum = (amount: Minor) => inBook(amount, tally.receipt.currency);
  const drafts: EntryDraft[] = [];
  if (discount !== 0)
    drafts.push(postDiscount({ ...head, sum: sum(discount), tax: sum(discountTax) }));
  if (smallDifference !== 0)
    drafts.push(
      writeOff === "small"
        ? postSmallDifference({ ...head, sum: sum(smallDifference) })
        : postBadDebt({ ...head, sum: sum(smallDifference), tax: sum(writeOffTax) }),
    );
  return drafts;
}

/** The tax in a part of an invoice's total. @example 5.40 of an invoice of 108.00 with 8.00 tax: 0.40 */
export function taxIn(part: Minor, item: OpenItemRow | undefined): Minor {
  return item === undefined || item.total === 0
    ? minor(0)
    : mulDiv(part, item.tax, item.total, "half-even");
}
