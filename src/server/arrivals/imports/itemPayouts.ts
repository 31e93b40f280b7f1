import { type ActivityRecord, expectedPayoutDay } from "@/core/formats";
import { insertPayout, payoutByExternalId } from "@/db/payouts";
import type { ProcessorAccountRow } from "@/db/processorAccounts";
import type { CommandContext } from "@/server/runtime/context";

/** The payouts that the items of one file name. */
export class ItemPayouts {
  private readonly known = new Map<string, number | null>();

  constructor(
    private readonly ctx: CommandContext,
    private readonly account: ProcessorAccountRow,
    private readonly fileId: number,
  ) {}

  /**
   * The payout an item names; none where that is tied already, as what is proven does not change:
   * the item stays in clearing, in view.
   */
  of(row: ActivityRecord): number | null {
    const externalId = row.payoutId ?? "";
    const cached = this.known.get(externalId);
    if (cached !== undefined) return cached;
    const known = payoutByExternalId(this.ctx.db, this.account.id, externalId);
    const open = known?.state === "open" ? known.id : null;
    const id = known ? open : this.newPayout(row, externalId);
    this.known.set(externalId, id);
    return id;
  }

  private newPayout(row: ActivityRecord, externalId: string): number {
    return insertPayout(this.ctx.db, {
      processorAccountId: this.account.id,
      externalId,
      paidOn: row.payoutOn ?? expectedPayoutDay(row.settledOn, this.account.delayDays),
      currency: row.currency,
      statedNet: null,
      spanFrom: null,
      spanTo: null,
      fileId: this.fileId,
      lineNo: row.line,
    });
  }
}
