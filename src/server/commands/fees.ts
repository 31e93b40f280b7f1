import { z } from "zod";

import type { Day } from "@/core/calendar";
import { minor, ratioOf } from "@/core/money";
import { METHODS } from "@/core/receipts";
import { fail, ok, type Result } from "@/core/result";
import { agreedRateById, endAgreedRate, insertAgreedRate } from "@/db/fees";
import { processorAccounts } from "@/db/processor";

import { defineCommand } from "../command";

const isoDay = z.iso.date().transform((text) => text as Day);
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
    if (!account) return fail("account.unknown", { code: input.account });
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

/** Takes an agreed rate off the list: it was typed wrong. Nothing that was posted changes. */
export const endRate = defineCommand({
  name: "endRate",
  schema: z.object({ rateId: z.number().int() }),
  run(ctx, input): Result<null> {
    const rate = agreedRateById(ctx.db, input.rateId);
    if (!rate) return fail("rate.unknown");
    endAgreedRate(
      ctx.db,
      rate.id,
      ctx.act(
        "settings",
        { kind: "processor_account", id: rate.processorAccountId },
        `agreed rate of ${rate.percent} % from ${rate.from} taken off`,
      ),
    );
    return ok(null);
  },
});
