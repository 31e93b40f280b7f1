import type { ActivityRecord } from "@/core/formats";
import { negate } from "@/core/money";
import { returnOfCharge } from "@/db/charges";
import { processorItemByExternalId, type ProcessorItemRow } from "@/db/processor";
import type { ProcessorAccountRow } from "@/db/processorAccounts";
import type { CommandContext } from "@/server/runtime/context";

import { customerOf } from "../steps/activity";

/** The receipt of a charge, and whose it is, where that is known. */
type ChargeReceipt = { receiptId: number | null; customerId: number | null };

/** The receipts of charges, of this file and of those before it. */
export class ChargeReceipts {
  private readonly inFile = new Map<string, ChargeReceipt>();

  constructor(
    private readonly ctx: CommandContext,
    private readonly account: ProcessorAccountRow,
  ) {}

  note(chargeId: string, receipt: ChargeReceipt): void {
    this.inFile.set(chargeId, receipt);
  }

  of(chargeId: string | null): ChargeReceipt {
    if (chargeId === null) return { receiptId: null, customerId: null };
    return this.inFile.get(chargeId) ?? this.inBook(chargeId);
  }

  private inBook(chargeId: string): ChargeReceipt {
    const { ctx, account } = this;
    const charge = processorItemByExternalId(ctx.db, account.id, "charge", chargeId);
    const receiptId = charge?.receiptId ?? null;
    return { receiptId, customerId: customerOf(ctx, { receiptId }) };
  }

  /** A return that the bank's own return file told of before the processor did. */
  returnToldBefore({ kind, relatedId, amount }: ActivityRecord): ProcessorItemRow | null {
    if (kind !== "ach_return" || relatedId === null) return null;
    const { db } = this.ctx;
    const charge = processorItemByExternalId(db, this.account.id, "charge", relatedId);
    const known = charge ? returnOfCharge(db, charge, negate(amount)) : undefined;
    return known?.externalId.startsWith("return ") ? known : null;
  }
}
