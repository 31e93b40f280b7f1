import { z } from "zod";

import { isoDay } from "@/contracts/values";
import { minor, ratioOf } from "@/core/money";
import { METHODS } from "@/core/receipts";
import { fail, ok, type Result } from "@/core/result";
import { insertAgreedRate } from "@/db/fees";
import { processorAccounts } from "@/db/processorAccounts";
import { defineCommand } from "@/server/runtime/command";

const sum = z.number().int().min(0).transform(minor);
/** Keeps what was agreed with a processor, from a day on; every charge is checked against it. */
export const agreeRate = defineCommand({
  name: "agreeRate",
  schema: z.object({
    account: z.string(),
    method: z.enum(METHODS),
    from: isoDay,
    to: isoDay.nullable().default(null),
    percent: z.string().trim(),
    fixed: sum,
    least: sum.nullable().default(null),
    most: sum.nullable().default(null),
    brand: z
      .string()
      .trim()
      .max(30)
      .nullable()
      .default(null)
      .transform((text) => text || null),
    abroad: z.boolean().nullable().default(null),
    fromVolume: sum.default(() => minor(0)),
  }),
  run(ctx, input): Result<{ rateId: number }> {
    const account = processorAccounts(ctx.db).find(({ code }) => code === input.account);
    if (!account) return fail("account.unknown", { account: input.account });
    const percent = ratioOf(input.percent);
    if (
      !percent.ok ||
      percent.value.numerator < 0n ||
      percent.value.numerator > 100n * percent.value.denominator
    )
      return fail("rate.unreadable", { text: input.percent });
    if (
      (input.to !== null && input.to < input.from) ||
      (input.least !== null && input.most !== null && input.least > input.most)
    )
      return fail("rate.span");
    const rateId = insertAgreedRate(ctx.db, { ...input, processorAccountId: account.id });
    ctx.act(
      "settings",
      { kind: "processor_account", id: account.id },
      `agreed with ${account.name}: ${input.percent} % + ${ctx.sum(input.fixed)} by ${input.method.replace("_", " ")} from ${input.from}`,
    );
    return ok({ rateId });
  },
});
