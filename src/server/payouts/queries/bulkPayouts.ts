import type { BulkPayout } from "@/contracts/payouts";
import { type Day, formatDay } from "@/core/calendar";
import { add, type Minor } from "@/core/money";
import { bulkPayoutAnswers, type BulkPayoutItem } from "@/core/payouts";
import type { BankLineRow } from "@/db/bank";
import type { Db } from "@/db/connection";
import { itemsElsewhere, type ProcessorItemRow } from "@/db/processor";
import { processorAccounts } from "@/db/processorAccounts";

/** Beyond this the oldest are long overdue and no part of a new lump. */
const MOST = 200;

export function bulkPayoutsOf(db: Db, line: BankLineRow): BulkPayout[] {
  if (line.amount <= 0) return [];
  return processorAccounts(db).flatMap((account) => {
    if (
      account.currency !== line.currency ||
      (account.descriptor !== null &&
        !line.description.toLowerCase().includes(account.descriptor.toLowerCase()))
    )
      return [];
    const parts = partsOf(
      itemsElsewhere(db, account.id, null).filter(
        (item) => item.payoutId === null && item.settledOn <= line.postedOn,
      ),
    ).slice(-MOST);
    if (parts.length === 0) return [];
    const found = bulkPayoutAnswers(parts, {
      sum: line.amount,
      on: line.postedOn,
      delayDays: account.delayDays,
    });
    const byId = new Map(parts.map((part) => [part.id, part]));
    const answers = found.answers.map(({ ids, from, to, leftOut }) => ({
      itemIds: ids.flatMap((id) => byId.get(id)?.itemIds ?? []),
      receipts: ids.length,
      leftOut: leftOut.map((id) => byId.get(id)?.words ?? ""),
      words: `${ids.length === 1 ? "one receipt" : `${ids.length} receipts`} of ${from === to ? formatDay(from) : `${formatDay(from)} to ${formatDay(to)}`}`,
    }));
    return answers.length === 0
      ? []
      : [{ account: account.name, count: found.count, cap: found.cap, answers }];
  });
}

/** Charges with their fees as one; what has no charge stands by itself. */
function partsOf(
  items: readonly ProcessorItemRow[],
): (BulkPayoutItem & { itemIds: number[]; words: string })[] {
  const parts = new Map<
    string,
    { id: number; on: Day; net: Minor; itemIds: number[]; words: string }
  >();
  for (const item of [...items].sort(
    (a, b) => Number(a.kind !== "charge") - Number(b.kind !== "charge"),
  )) {
    const charge =
      item.kind === "fee" && item.relatedId !== null
        ? parts.get(`charge ${item.relatedId}`)
        : undefined;
    if (charge) {
      charge.net = add(charge.net, item.amount);
      charge.itemIds.push(item.id);
    } else
      parts.set(`${item.kind} ${item.externalId}`, {
        id: item.id,
        on: item.settledOn,
        net: item.amount,
        itemIds: [item.id],
        words: `${item.kind.replaceAll("_", " ")} ${item.externalId}`,
      });
  }
  return [...parts.values()];
}
