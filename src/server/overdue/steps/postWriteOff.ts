import { inBook, postBadDebt, postSmallDifference } from "@/core/ledger";
import { minor } from "@/core/money";
import { changeBalance, openItemById } from "@/db/openItems";
import { decideWriteOffRow, writeOffById, type WriteOffRow } from "@/db/writeOffs";
import { taxIn } from "@/server/match/steps/applyTally";
import type { CommandContext } from "@/server/runtime/context";

type WriteOffToPost = {
  id: number;
  actId: number;
  by: string | null;
  why: string | null;
};

export function post(ctx: CommandContext, { id, actId, by, why }: WriteOffToPost): void {
  const row = writeOffById(ctx.db, id) as WriteOffRow;
  const item = openItemById(ctx.db, row.itemId);
  const tax =
    row.kind === "bad_debt" && ctx.settings.taxOnBadDebts ? taxIn(row.sum, item) : minor(0);
  const head = {
    on: ctx.today,
    partyId: row.customerId,
    document: { kind: "open_item" as const, id: row.itemId, text: `invoice ${row.number}` },
    itemId: row.itemId,
    sum: inBook(row.sum, row.currency),
  };
  ctx.post(
    row.kind === "small"
      ? postSmallDifference(head)
      : postBadDebt({ ...head, tax: inBook(tax, row.currency) }),
    actId,
  );
  changeBalance(ctx.db, row.itemId, minor(-row.sum));
  decideWriteOffRow(ctx.db, id, { state: "posted", by, why, tax, postedAct: actId });
}
