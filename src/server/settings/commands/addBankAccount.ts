import { z } from "zod";

import { code, name } from "@/contracts/values";
import { inBook, nextCode, postOpening } from "@/core/ledger";
import { minor } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { bankAccounts, insertBankAccount } from "@/db/bank";
import { accounts, insertAccount } from "@/db/journal";
import { defineCommand } from "@/server/runtime/command";

/**
 * Adds a bank account, with what stood on it at the cut-over. The account number itself is never
 * asked for, only its last four digits.
 */
export const addBankAccount = defineCommand({
  name: "addBankAccount",
  schema: z.object({
    code,
    name,
    lastFour: z
      .string()
      .regex(/^\d{4}$/, "The last four digits only.")
      .nullable()
      .default(null),
    openingBalance: z.number().int().transform(minor),
  }),
  run(ctx, input): Result<{ id: number }> {
    if (bankAccounts(ctx.db).some((account) => account.code === input.code))
      return fail("account.taken", { account: input.code });
    const id = insertBankAccount(ctx.db, { ...input, currency: ctx.settings.currency });
    const taken = new Set(accounts(ctx.db).map((account) => account.code));
    insertAccount(ctx.db, {
      code: nextCode(taken, "bank"),
      name: input.name,
      role: "bank",
      of: input.code,
    });
    ctx.chartChanged();
    const actId = ctx.act(
      "account",
      { kind: "bank_account", id },
      `bank account ${input.name} added`,
    );
    if (input.openingBalance !== 0) {
      const document = {
        kind: "bank_line" as const,
        id: 0,
        text: `opening balance, ${input.name}`,
      };
      ctx.post(
        postOpening({
          on: ctx.settings.cutOverOn,
          document,
          account: { role: "bank", of: input.code },
          sum: inBook(input.openingBalance, ctx.settings.currency),
          item: null,
        }),
        actId,
      );
    }
    return ok({ id });
  },
});
