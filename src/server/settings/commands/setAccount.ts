import { z } from "zod";

import { fail, ok, type Result } from "@/core/result";
import { deleteAccount, isUsed, renameAccount } from "@/db/chart";
import { items } from "@/db/items";
import { type AccountRow, accounts, insertAccount } from "@/db/journal";
import { taxCodes } from "@/db/taxCodes";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";

const accountCode = z
  .string()
  .trim()
  .regex(/^[A-Za-z0-9.-]{1,20}$/, "Up to twenty letters, digits, points and hyphens.");

/**
 * Adds an account of income or of one tax code, names or numbers any account otherwise, or removes
 * one to which nothing was ever posted. What was posted goes with its account.
 */
export const setAccount = defineCommand({
  name: "setAccount",
  schema: z.object({
    /** The account that is changed, by its number; null: a new one. */
    code: accountCode.nullable().default(null),
    to: z
      .object({ code: accountCode, name: z.string().trim().min(1).max(80) })
      .nullable()
      .default(null),
    /** Of a new one: income of its own, or the tax of a code. */
    role: z.enum(["income", "tax"]).default("income"),
    taxCode: z.string().trim().max(20).nullable().default(null),
  }),
  run(ctx, { code, to, role, taxCode }): Result<null> {
    const chart = accounts(ctx.db);
    const before = chart.find((account) => account.code === code);
    if (code !== null && !before) return fail("account.unknown", { account: code });
    if (to !== null && chart.some((account) => account.code === to.code && account !== before))
      return fail("account.number", { field: "code", account: to.code });
    const done = before
      ? changed(ctx, before, to)
      : added(ctx, { chart, to, role, of: role === "tax" ? taxCode : (to?.code ?? null) });
    if (done.ok) ctx.chartChanged();
    return done;
  },
});

type Named = { code: string; name: string } | null;

function changed(ctx: CommandContext, before: AccountRow, to: Named): Result<null> {
  const says = (words: string): void => void ctx.act("settings", { kind: "book", id: 0 }, words);
  if (to !== null) {
    renameAccount(ctx.db, before.id, to.code, to.name);
    says(`account ${before.code} ${before.name} is ${to.code} ${to.name} now`);
    return ok(null);
  }
  if (before.of === null || !["income", "tax"].includes(before.role))
    return fail("account.kept", { account: before.name });
  if (isUsed(ctx.db, before.id)) return fail("account.used", { account: before.name });
  const [needing] = items(ctx.db).filter(({ incomeOf }) => incomeOf === before.of);
  if (before.role === "income" && needing)
    return fail("account.item", { account: before.name, item: needing.code });
  deleteAccount(ctx.db, before.id);
  says(`account ${before.code} ${before.name} removed`);
  return ok(null);
}

type New = {
  chart: readonly AccountRow[];
  to: Named;
  role: "income" | "tax";
  of: string | null;
};

function added(ctx: CommandContext, { chart, to, role, of }: New): Result<null> {
  if (to === null) return fail("account.unknown", { account: "" });
  if (role === "tax" && !taxCodes(ctx.db).some(({ code }) => code === of))
    return fail("document.tax_unknown", { field: "tax_code", text: of });
  if (chart.some((account) => account.role === role && account.of === of))
    return fail("account.number", { field: "code", account: of });
  insertAccount(ctx.db, { ...to, role, of });
  ctx.act("settings", { kind: "book", id: 0 }, `account ${to.code} ${to.name} added`);
  return ok(null);
}
