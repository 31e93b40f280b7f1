import type { Day } from "@/core/calendar";
import {
  type AppliedFrom,
  inBook,
  postApplied,
  postBadDebt,
  postDiscount,
  postIdentified,
  postRecovery,
  postSmallDifference,
  postSurcharge,
} from "@/core/ledger";
import { add, type Currency, minor, type Minor, mulDiv, sumOf } from "@/core/money";
import { type Customer, groupHead } from "@/core/parties";
import { move } from "@/core/receipts";
import { fail, ok, type Result } from "@/core/result";
import { customerById, familyOf } from "@/db/customers";
import { changeBalance, openItemById, type OpenItemRow } from "@/db/openItems";
import { worthOn } from "@/db/rates";
import { insertApplication, partsOf, type ReceiptRow, updateReceipt } from "@/db/receipts";
import { recoverable } from "@/db/writeOffs";
import type { CommandContext } from "@/server/runtime/context";

/**
 * A line of a tally: what an open item gets from the receipt, and what is taken off it besides.
 * Minor units; negative on a credit note.
 */
export type TallyLine = { itemId: number; amount: Minor; discount: Minor; smallDifference: Minor };

/** Whether write-offs keep to the limit of the book, or a second person has approved of them. */
export type WriteOffs = "within limit" | "approved";

/**
 * A tally that can be posted: what the items get, what was paid on top, what came for debts given
 * up, and what is left for the account.
 */
export type Checked = {
  readonly items: readonly OpenItemRow[];
  readonly applied: Minor;
  readonly surcharge: Minor;
  readonly recovered: Minor;
  readonly rest: Minor;
  readonly customerId: number;
};

/**
 * The tally as it can be posted, or why it cannot. What the lines leave over stays on account of
 * the customer.
 */
export function checkTally(
  ctx: CommandContext,
  receipt: ReceiptRow,
  lines: readonly TallyLine[],
  customerId: number | null,
  available: Minor,
  {
    writeOffs = "within limit",
    surcharge = minor(0),
    recovered = minor(0),
  }: { writeOffs?: WriteOffs; surcharge?: Minor; recovered?: Minor } = {},
): Result<Checked> {
  const items: OpenItemRow[] = [];
  for (const line of lines) {
    const item = openItemById(ctx.db, line.itemId);
    const problem = item
      ? lineProblem(ctx, { receipt, item, line, writeOffs })
      : fail("tally.empty");
    if (problem) return problem;
    if (item) items.push(item);
  }
  if (new Set(lines.map(({ itemId }) => itemId)).size !== lines.length)
    return fail("tally.sign", { number: items[0]?.number });
  const applied = sumOf(lines, (line) => line.amount);
  const rest = add(available, -applied, -surcharge, -recovered);
  if (surcharge < 0 || (surcharge > 0 && applied <= 0)) return fail("tally.surcharge");
  if (rest < 0) return fail("tally.over", { by: ctx.sum(-rest, receipt.currency) });
  const owner = customerId ?? items[0]?.customerId ?? null;
  if (owner === null)
    return lines.length === 0
      ? fail("tally.empty")
      : fail("tally.customer_needed", { sum: ctx.sum(rest, receipt.currency) });
  if (!customerById(ctx.db, owner)) return fail("customer.unknown", { id: owner });
  const stranger = items.find(
    (item) => item.customerId !== owner && headOf(ctx, item.customerId) !== headOf(ctx, owner),
  );
  if (stranger) return fail("tally.customer", { number: stranger.number });
  if (recovered < 0) return fail("tally.over", { by: ctx.sum(-recovered, receipt.currency) });
  if (recovered > 0) {
    const most = recoverable(
      ctx.db,
      familyOf(ctx.db, owner).map(({ id }) => id),
      receipt.currency,
    );
    if (recovered > most) return fail("tally.recovered", { most: ctx.sum(most, receipt.currency) });
  }
  return ok({ items, applied, surcharge, recovered, rest, customerId: owner });
}

/**
 * The head of a customer's group, looked up one by one: a group is small, the list of customers may
 * not be.
 */
function headOf(ctx: CommandContext, id: number): number {
  const line = new Map<number, Customer>();
  for (
    let at = customerById(ctx.db, id);
    at && !line.has(at.id);
    at = at.parentId === null ? undefined : customerById(ctx.db, at.parentId)
  )
    line.set(at.id, at);
  const customer = line.get(id);
  return customer ? groupHead(customer, line) : id;
}

type LineToCheck = {
  receipt: ReceiptRow;
  item: OpenItemRow;
  line: TallyLine;
  writeOffs: WriteOffs;
};

function lineProblem(
  ctx: CommandContext,
  { receipt, item, line, writeOffs }: LineToCheck,
): Result<never> | null {
  const taken = add(line.amount, line.discount, line.smallDifference);
  const { number } = item;
  if (item.currency !== receipt.currency) return fail("tally.currency", { number });
  if (line.amount === 0 && taken === 0) return fail("tally.sign", { number });
  if (
    item.balance > 0
      ? line.amount < 0 || line.discount < 0 || taken < 0
      : line.amount > 0 || line.discount !== 0
  )
    return fail("tally.sign", { number });
  if (Math.abs(taken) > Math.abs(item.balance))
    return fail("tally.item", {
      number,
      balance: ctx.sum(item.balance, item.currency),
      wanted: ctx.sum(taken, item.currency),
    });
  if (writeOffs === "within limit" && isOverLimit(ctx, receipt, line.smallDifference))
    return fail("tally.small", {
      sum: ctx.sum(line.smallDifference, receipt.currency),
      limit: ctx.sum(ctx.settings.smallDifferenceLimit),
    });
  return null;
}

/** Whether a difference is more than one person may write off; the limit is in the book's currency. */
export function isOverLimit(ctx: CommandContext, receipt: ReceiptRow, difference: Minor): boolean {
  return isOver(ctx, difference, receipt.currency, receipt.settledOn);
}

/** The same of a sum by itself, at the rate of a day. */
export function isOver(ctx: CommandContext, sum: Minor, currency: Currency, on: Day): boolean {
  return (
    Math.abs(worthOn(ctx.db, { amount: sum, currency, book: ctx.settings.currency, on })) >
    ctx.settings.smallDifferenceLimit
  );
}

type CheckedTally = {
  receipt: ReceiptRow;
  lines: readonly TallyLine[];
  checked: Checked;
  from: AppliedFrom;
};

/**
 * Posts a tally that was checked: the rest to the customer's account, the lines to their items,
 * discounts and small differences.
 */
export function applyTally(
  ctx: CommandContext,
  { receipt, lines, checked, from }: CheckedTally,
): Result<number> {
  const event =
    from === "unidentified"
      ? {
          kind: "placed" as const,
          applied: checked.applied,
          onAccount: checked.rest,
          surcharge: checked.surcharge,
          recovered: checked.recovered,
        }
      : { kind: "moved_from_account" as const, applied: checked.applied };
  const moved = move(receipt.state, partsOf(receipt), event);
  if (!moved.ok) return moved;
  const numbers = checked.items.map((item) => item.number).join(", ");
  const rest =
    from === "unidentified" && checked.rest > 0
      ? `${ctx.sum(checked.rest, receipt.currency)} on account`
      : "";
  const actId = ctx.act(
    "place",
    { kind: "receipt", id: receipt.id, customerId: checked.customerId },
    `${ctx.sum(from === "unidentified" ? receipt.unidentified : checked.applied, receipt.currency)} placed: ${[numbers, checked.surcharge > 0 ? `${ctx.sum(checked.surcharge, receipt.currency)} surcharge` : "", checked.recovered > 0 ? `${ctx.sum(checked.recovered, receipt.currency)} for a debt written off` : "", rest].filter((name) => name !== "").join(", ")}`,
  );
  const customerId = from === "credits" ? receipt.customerId : checked.customerId;
  updateReceipt(ctx.db, receipt.id, {
    state: moved.value.state,
    parts: moved.value.parts,
    customerId,
    reason: null,
  });
  const head = {
    on: ctx.today > receipt.settledOn ? ctx.today : receipt.settledOn,
    partyId: checked.customerId,
    document: {
      kind: "receipt" as const,
      id: receipt.id,
      text: `receipt ${receipt.id}, ${receipt.payerName || receipt.payerEmail}`,
    },
  };
  const sum = (amount: number): ReturnType<typeof inBook> => inBook(amount, receipt.currency);
  if (from === "unidentified" && checked.rest > 0)
    ctx.post(postIdentified({ ...head, receiptId: receipt.id, sum: sum(checked.rest) }), actId);
  if (checked.surcharge !== 0)
    ctx.post(postSurcharge({ ...head, receiptId: receipt.id, sum: sum(checked.surcharge) }), actId);
  if (checked.recovered !== 0)
    ctx.post(postRecovery({ ...head, receiptId: receipt.id, sum: sum(checked.recovered) }), actId);
  const paid = lines.filter((line) => line.amount !== 0);
  if (paid.length > 0)
    ctx.post(
      postApplied({
        ...head,
        receiptId: receipt.id,
        from,
        to: paid.map((line) => ({ itemId: line.itemId, sum: sum(line.amount) })),
      }),
      actId,
    );
  for (const line of lines) {
    const item = checked.items.find(({ id }) => id === line.itemId);
    const discountTax = ctx.settings.taxOnDiscounts ? taxIn(line.discount, item) : minor(0);
    if (line.discount !== 0)
      ctx.post(
        postDiscount({
          ...head,
          itemId: line.itemId,
          sum: sum(line.discount),
          tax: sum(discountTax),
        }),
        actId,
      );
    // What is over the limit was approved by a second person, and is a debt written off.
    const writeOff = isOverLimit(ctx, receipt, line.smallDifference) ? "bad_debt" : "small";
    const writeOffTax =
      writeOff === "bad_debt" && ctx.settings.taxOnBadDebts
        ? taxIn(line.smallDifference, item)
        : minor(0);
    if (line.smallDifference !== 0)
      ctx.post(
        writeOff === "small"
          ? postSmallDifference({ ...head, itemId: line.itemId, sum: sum(line.smallDifference) })
          : postBadDebt({
              ...head,
              itemId: line.itemId,
              sum: sum(line.smallDifference),
              tax: sum(writeOffTax),
            }),
        actId,
      );
    changeBalance(ctx.db, line.itemId, -add(line.amount, line.discount, line.smallDifference));
    insertApplication(ctx.db, {
      receiptId: receipt.id,
      openItemId: line.itemId,
      amount: line.amount,
      discount: line.discount,
      smallDifference: line.smallDifference,
      writeOff,
      discountTax,
      writeOffTax,
      onDay: head.on,
      actId,
    });
  }
  return ok(actId);
}

/** The tax in a part of an invoice's total. @example 5.40 of an invoice of 108.00 with 8.00 tax: 0.40 */
export function taxIn(part: Minor, item: OpenItemRow | undefined): Minor {
  return item === undefined || item.total === 0
    ? minor(0)
    : mulDiv(part, item.tax, item.total, "half-even");
}
