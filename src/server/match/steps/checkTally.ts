import { type TallyLine } from "@/contracts/match";
import type { Day } from "@/core/calendar";
import { add, type Currency, minor, type Minor, sumOf } from "@/core/money";
import { type Customer, groupHead } from "@/core/parties";
import { fail, ok, type Result } from "@/core/result";
import { customerById, familyOf } from "@/db/customers";
import { openItemById, type OpenItemRow } from "@/db/openItems";
import { worthOn } from "@/db/rates";
import type { ReceiptRow } from "@/db/receipts";
import { recoverable } from "@/db/writeOffs";
import type { CommandContext } from "@/server/runtime/context";

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

/** A tally as it was put together, of what is available of a receipt. */
export type TallyToCheck = {
  readonly lines: readonly TallyLine[];
  /** Whose account keeps what is left over; null where the items tell. */
  readonly customerId: number | null;
  readonly available: Minor;
  readonly writeOffs?: WriteOffs;
  readonly surcharge?: Minor;
  readonly recovered?: Minor;
};

/**
 * The tally as it can be posted, or why it cannot. What the lines leave over stays on account of
 * the customer.
 */
export function checkTally(
  ctx: CommandContext,
  receipt: ReceiptRow,
  tally: TallyToCheck,
): Result<Checked> {
  const found = itemsToPay(ctx, receipt, tally);
  if (!found.ok) return found;
  const items = found.value;
  const sums = sumsOf(tally);
  const { applied, surcharge, recovered, rest } = sums;
  if (surcharge < 0 || (surcharge > 0 && applied <= 0)) return fail("tally.surcharge");
  if (rest < 0) return fail("tally.over", { by: ctx.sum(-rest, receipt.currency) });
  const owner = tally.customerId ?? items[0]?.customerId ?? null;
  if (owner === null) return fail("tally.empty");
  const problem =
    ownerProblem(ctx, owner, items) ?? recoveryProblem(ctx, owner, receipt, recovered);
  return problem ?? ok({ items, ...sums, customerId: owner });
}

/** Where the money goes; what goes nowhere is the rest. */
function sumsOf({
  lines,
  available,
  surcharge = minor(0),
  recovered = minor(0),
}: TallyToCheck): Pick<Checked, "applied" | "surcharge" | "recovered" | "rest"> {
  const applied = sumOf(lines, (line) => line.amount);
  const rest = add(available, -applied, -surcharge, -recovered);
  return { applied, surcharge, recovered, rest };
}

/** The item of each line, each once. */
function itemsToPay(
  ctx: CommandContext,
  receipt: ReceiptRow,
  { lines, writeOffs = "within limit" }: TallyToCheck,
): Result<OpenItemRow[]> {
  const items: OpenItemRow[] = [];
  for (const line of lines) {
    const item = openItemById(ctx.db, line.itemId);
    if (!item) return fail("tally.empty");
    const problem = lineProblem(ctx, { receipt, item, line, writeOffs });
    if (problem) return problem;
    items.push(item);
  }
  return new Set(items.map(({ id }) => id)).size === lines.length
    ? ok(items)
    : fail("tally.sign", { number: items[0]?.number });
}

/** A receipt pays for a customer and the others of its group. */
function ownerProblem(
  ctx: CommandContext,
  owner: number,
  items: readonly OpenItemRow[],
): Result<never> | null {
  if (!customerById(ctx.db, owner)) return fail("customer.unknown", { id: owner });
  const stranger = items.find(
    (item) => item.customerId !== owner && headOf(ctx, item.customerId) !== headOf(ctx, owner),
  );
  return stranger ? fail("tally.customer", { number: stranger.number }) : null;
}

/** What came for debts given up is at most what was given up. */
function recoveryProblem(
  ctx: CommandContext,
  owner: number,
  { currency }: ReceiptRow,
  recovered: Minor,
): Result<never> | null {
  if (recovered === 0) return null;
  if (recovered < 0) return fail("tally.over", { by: ctx.sum(-recovered, currency) });
  const family = familyOf(ctx.db, owner).map(({ id }) => id);
  const most = recoverable(ctx.db, family, currency);
  return recovered > most ? fail("tally.recovered", { most: ctx.sum(most, currency) }) : null;
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
  if (!isOfSign(item, line, taken)) return fail("tally.sign", { number });
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

/** An invoice is paid and a credit note is used up; there is no discount on a credit note. */
const isOfSign = (item: OpenItemRow, line: TallyLine, taken: Minor): boolean =>
  item.balance > 0
    ? line.amount >= 0 && line.discount >= 0 && taken >= 0
    : line.amount <= 0 && line.discount === 0;

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
