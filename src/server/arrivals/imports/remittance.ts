import { advicesOf, type RemittanceRecord } from "@/core/formats";
import { minor } from "@/core/money";
import { insertRemittance } from "@/db/remittances";
import { joinRemittances } from "@/server/match/steps/remittances";
import type { CommandContext } from "@/server/runtime/context";

import { standingOf } from "./told/advicesOtherwise";
import type { FileRun } from "./report";

/** Takes in remittance advice: kept by payment, and joined to the receipts that wait. It posts nothing. */
export function importRemittance(
  ctx: CommandContext,
  records: readonly RemittanceRecord[],
  { fileId, tally, same }: FileRun & { same: boolean },
): void {
  for (const advice of advicesOf(records)) {
    const standing = standingOf(ctx, advice);
    if (standing === "known" || (standing === "perhaps" && same)) {
      for (const { line } of advice.lines) tally.know(line);
      continue;
    }
    if (advice.sum <= 0) {
      for (const { line } of advice.lines)
        tally.refuseLine(line, "amount", { code: "remittance.sum" });
      continue;
    }
    insertRemittance(
      ctx.db,
      {
        trace: advice.trace,
        paidOn: advice.paidOn,
        currency: advice.currency,
        sum: minor(advice.sum),
        payerName: advice.payerName,
        fileId,
      },
      advice.lines.map(({ number, amount, discount }, at) => ({
        lineNo: at + 1,
        number,
        amount,
        discount,
      })),
    );
    for (const { line, amount } of advice.lines)
      tally.take(line, "invoices named in remittance advice", amount);
  }
  joinRemittances(ctx, tally);
}
