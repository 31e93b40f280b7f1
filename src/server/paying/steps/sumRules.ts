import type { SumLimits, SumRules } from "@/core/paying";
import { minor } from "@/core/money";
import type { PayLinkRow } from "@/db/payLinks";
import type { PaymentRow } from "@/db/payments";
import type { Settings } from "@/db/settings";

type Rules = Pick<Settings, "surchargePercent" | "bankSavingPercent">;

/** What a way costs or saves. Nobody agreed to a surcharge on what is taken by itself. */
export const sumRulesFor = (
  { surchargePercent, bankSavingPercent }: Rules,
  by: PaymentRow["by"],
): SumRules => ({
  surchargePercent: by === "agreed" ? null : surchargePercent,
  savingPercent: bankSavingPercent,
});

/** Between which sums is chosen, as a link says it, else the book; null: invoices are paid whole. */
export function sumLimitsFor(
  { ownSumsFrom }: Pick<Settings, "ownSumsFrom">,
  link: Pick<PayLinkRow, "sumFrom" | "sumTo"> | null | undefined,
): SumLimits | null {
  const from = link?.sumFrom ?? (link?.sumTo ? minor(1) : ownSumsFrom);
  return from === null ? null : { from: minor(from), to: link?.sumTo ?? null };
}
