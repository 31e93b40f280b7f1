import { advicesOf, type RemittanceRecord } from "@/core/formats";
import { minor } from "@/core/money";
import { insertRemittance, remittanceLike, remittancesOn } from "@/db/remittances";
import { joinRemittances } from "@/server/match/steps/remittances";
import type { CommandContext } from "@/server/runtime/context";

import { bareNumber, mayBeOneName } from "./alikeWords";
import type { FileRun } from "./report";

type Advice = ReturnType<typeof advicesOf>[number];

/**
 * Whether an advice came before: of the same payment, or, where one of the two does not number it, of
 * the same day and sum for the same invoices, however their numbers are written.
 */
function isKnown(
  { db }: CommandContext,
  { trace, paidOn, sum, payerName, lines }: Advice,
): boolean {
  if (remittanceLike(db, trace, paidOn, sum)) return true;
  const named = lines.map(({ number }) => bareNumber(number)).sort();
  if (named.includes("")) return false;
  return remittancesOn(db, paidOn, sum).some((other) => {
    const isNumbered = trace !== "" && other.trace !== "";
    const isOtherPayer =
      payerName !== "" && other.payerName !== "" && !mayBeOneName(payerName, other.payerName);
    const same = other.numbers.map(bareNumber).sort();
    return !isNumbered && !isOtherPayer && same.join("\n") === named.join("\n");
  });
}

/** Takes in remittance advice: kept by payment, and joined to the receipts that wait. It posts nothing. */
export function importRemittance(
  ctx: CommandContext,
  records: readonly RemittanceRecord[],
  { fileId, tally }: FileRun,
): void {
  for (const advice of advicesOf(records)) {
    if (isKnown(ctx, advice)) {
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
