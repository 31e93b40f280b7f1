import { addDays } from "@/core/calendar";
import {
  joinRemittance,
  looseRemittances,
  receiptsForRemittance,
  type RemittanceRow,
} from "@/db/remittances";
import type { Tallying } from "@/server/arrivals/imports/report";
import type { CommandContext } from "@/server/runtime/context";

/** A payment and its advice are at most so many days apart. */
const WITHIN_DAYS = 7;

/** The trace without what programs put around it: it may stand cut or with zeros lost in the bank's words. */
const bare = (text: string): string =>
  text
    .toUpperCase()
    .replace(/[^A-Z0-9]/g, "")
    .replace(/^0+/, "");

/** The one receipt a remittance tells of: by its trace number, else by sum and day where only one fits. */
function receiptOf(ctx: CommandContext, remittance: RemittanceRow): number | null {
  const candidates = receiptsForRemittance(
    ctx.db,
    remittance,
    addDays(remittance.paidOn, -WITHIN_DAYS),
    addDays(remittance.paidOn, WITHIN_DAYS),
  );
  const trace = bare(remittance.trace);
  const traced =
    trace.length < 4 ? [] : candidates.filter(({ reference }) => bare(reference).includes(trace));
  const [only] = traced.length > 0 ? traced : candidates;
  return only && (traced.length === 1 || candidates.length === 1) ? only.id : null;
}

/** Joins what waits on either side; run whenever receipts or remittances arrive. */
export function joinRemittances(ctx: CommandContext, tally?: Tallying): void {
  for (const remittance of looseRemittances(ctx.db)) {
    const receiptId = receiptOf(ctx, remittance);
    if (receiptId === null) continue;
    joinRemittance(ctx.db, remittance.id, receiptId);
    tally?.also("receipts whose remittance advice was found", remittance.sum);
  }
}
