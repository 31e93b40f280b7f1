import type { PayoutRecord } from "@/core/formats";
import type { Minor } from "@/core/money";
import {
  completePayout,
  insertPayout,
  payoutByExternalId,
  payoutById,
  type PayoutRow,
  refreshNet,
} from "@/db/payouts";
import { claimSpan } from "@/db/processor";
import { type ProcessorAccountRow } from "@/db/processorAccounts";
import type { CommandContext } from "@/server/runtime/context";

import type { FileRun } from "./report";

/** A payout's own row: what the file says was paid, and which days it covers. */
export function takePayout(
  ctx: CommandContext,
  account: ProcessorAccountRow,
  row: PayoutRecord,
  { fileId, tally, touched }: FileRun & { touched: Set<number> },
): void {
  const known = payoutByExternalId(ctx.db, account.id, row.externalId);
  if (known && known.statedNet !== null)
    return takeAgain(ctx, { ...known, statedNet: known.statedNet }, row, tally);
  const to = { paidOn: row.paidOn, statedNet: row.net, spanFrom: row.spanFrom, spanTo: row.spanTo };
  if (known) completePayout(ctx.db, known.id, to);
  const id =
    known?.id ??
    insertPayout(ctx.db, {
      processorAccountId: account.id,
      externalId: row.externalId,
      currency: row.currency,
      fileId,
      lineNo: row.line,
      ...to,
    });
  if (row.spanFrom !== null && row.spanTo !== null)
    claimSpan(ctx.db, { payoutId: id, accountId: account.id, from: row.spanFrom, to: row.spanTo });
  refreshNet(ctx.db, id);
  touched.add(id);
  const net = payoutById(ctx.db, id)?.net ?? 0;
  tally.take(
    row.line,
    net === row.net
      ? "payouts whose items foot"
      : "payouts whose items do not sum to what was paid",
    row.net,
    row.currency,
  );
}

/** Told before: with the same sum it is known, with another it is taken where it is not tied yet. */
function takeAgain(
  ctx: CommandContext,
  known: PayoutRow & { statedNet: Minor },
  row: PayoutRecord,
  tally: FileRun["tally"],
): void {
  if (known.statedNet === row.net) return tally.know(row.line);
  const isFree = known.state === "open";
  if (isFree) completePayout(ctx.db, known.id, { ...known, statedNet: row.net });
  const was = ctx.sum(known.statedNet, known.currency);
  if (isFree) tally.replace(row.line, "net", { code: "line.restated", was });
  else tally.change(row.line, "net", { code: "activity.changed", was });
}
