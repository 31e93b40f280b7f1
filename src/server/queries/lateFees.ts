import type { Day } from "@/core/calendar";
import { lateFeeOn, type LateFeeRule } from "@/core/followup";
import type { Currency, Minor } from "@/core/money";
import type { Db } from "@/db/connection";
import { ladders, lateFees, type ChargedFee } from "@/db/ladders";

import type { OverdueRow } from "./overdue";

/** A late fee that may be charged: on which invoice, for the time up to which day. */
export type ProposedFee = { itemId: number; number: string; customerId: number; customer: string; currency: Currency; dueOn: Day; balance: Minor; through: Day; sum: Minor; ladder: string };
export type LateFeesPage = { proposed: ProposedFee[]; charged: ChargedFee[]; rules: { name: string; fee: LateFeeRule }[] };

const MOST_CHARGED = 100;

/** What may be charged for paying late, by each customer's ladder: never on a fee, never on what is left out, never while the customer waits. */
export function proposedFees(db: Db, today: Day, rows: readonly OverdueRow[]): ProposedFee[] {
  const rules = new Map(ladders(db).map(({ name, fee }) => [name, fee]));
  if ([...rules.values()].every(({ kind }) => kind === "none")) return [];
  const through = new Map<number, Day>();
  for (const fee of lateFees(db)) if ((through.get(fee.itemId) ?? "") < fee.through) through.set(fee.itemId, fee.through);
  return rows.filter(({ state }) => state === "ready" || state === "later").flatMap((row) => {
    const rule = rules.get(row.ladder);
    if (!rule || rule.kind === "none") return [];
    const { items, named: ids } = row.detail();
    const named = new Set(ids);
    return items.filter(({ id, balance, dueOn }) => named.has(id) && balance > 0 && dueOn < today).flatMap((item): ProposedFee[] => {
      const fee = lateFeeOn({ balance: item.balance, dueOn: item.dueOn, chargedThrough: through.get(item.id) ?? null }, rule, today);
      if (fee === null || item.kind !== "invoice") return [];
      return [{ itemId: item.id, number: item.number, customerId: item.customerId, customer: row.customer.name, currency: item.currency, dueOn: item.dueOn, balance: item.balance, through: fee.through, sum: fee.sum, ladder: row.ladder }];
    });
  });
}

export function lateFeesPage(db: Db, today: Day, rows: readonly OverdueRow[]): LateFeesPage {
  return { proposed: proposedFees(db, today, rows), charged: lateFees(db).slice(0, MOST_CHARGED), rules: ladders(db).map(({ name, fee }) => ({ name, fee })) };
}
