import type { EARNED_LATER } from "@/core/ledger";
import { accounts, insertAccount } from "@/db/journal";
import type { CommandContext } from "@/server/runtime/context";

/** The accounts of what is earned later, as a book gets them when it first needs them. */
export const NAMES_OF_LATER: Readonly<
  Record<keyof typeof EARNED_LATER, { code: number; name: string }>
> = {
  deposits: { code: 2120, name: "Deposits on orders" },
  deferred: { code: 2130, name: "Deferred income" },
};

/** Sees to it that the book has the account, under its usual number or the next one that is free. */
export function accountOfLater(ctx: CommandContext, of: keyof typeof EARNED_LATER): void {
  const chart = accounts(ctx.db);
  if (chart.some((account) => account.role === "other" && account.of === of)) return;
  const taken = new Set(chart.map(({ code }) => code));
  let { code } = NAMES_OF_LATER[of];
  while (taken.has(String(code))) code += 1;
  const { name } = NAMES_OF_LATER[of];
  insertAccount(ctx.db, { code: String(code), name, role: "other", of });
  ctx.act("settings", { kind: "book", id: 0 }, `account ${code} ${name} added`);
  ctx.chartChanged();
}
