import { z } from "zod";

import { code, currencyCode, name } from "@/contracts/values";
import { nextCode } from "@/core/ledger";
import { fail, ok, type Result } from "@/core/result";
import { accounts, insertAccount } from "@/db/journal";
import { insertProcessorAccount, processorAccounts } from "@/db/processorAccounts";
import { defineCommand } from "@/server/runtime/command";

/** Adds a processor account with a clearing account of its own. */
export const addProcessorAccount = defineCommand({
  name: "addProcessorAccount",
  schema: z.object({
    code,
    name,
    delayDays: z.number().int().min(0).max(30),
    descriptor: z.string().trim().max(60).nullable().default(null),
    currency: currencyCode.nullable().default(null),
    feeBilling: z.enum(["taken", "monthly"]).default("taken"),
  }),
  run(ctx, input): Result<{ id: number }> {
    if (processorAccounts(ctx.db).some((account) => account.code === input.code))
      return fail("account.taken", { account: input.code });
    const id = insertProcessorAccount(ctx.db, {
      ...input,
      descriptor: input.descriptor || null,
      currency: input.currency ?? ctx.settings.currency,
    });
    const taken = new Set(accounts(ctx.db).map((account) => account.code));
    insertAccount(ctx.db, {
      code: nextCode(taken, "clearing"),
      name: `Clearing, ${input.name}`,
      role: "clearing",
      of: input.code,
    });
    ctx.chartChanged();
    ctx.act("account", { kind: "processor_account", id }, `processor account ${input.name} added`);
    return ok({ id });
  },
});
