import { z } from "zod";

import { addDays, formatDay } from "@/core/calendar";
import { methodInWords, sumLetter } from "@/core/paying";
import { fail, ok, type Result } from "@/core/result";
import { linkOf } from "@/db/accountPages";
import { customerById } from "@/db/customers";
import { followedRow } from "@/db/followed";
import { payMethodById } from "@/db/payMethods";
import { insertSumTold } from "@/db/sumsTold";
import { fill } from "@/server/overdue/letters";
import { mailBeside, reachOf } from "@/server/overdue/steps/besideLadder";
import { paperDay } from "@/server/output/paperDay";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";

import { type AgreedPayment } from "../queries/agreed";
import { untoldSums } from "../queries/untold";

/** Tells customers of sums that will be taken from them as agreed, each once, before they are. */
export const tellSums = defineCommand({
  name: "tellSums",
  schema: z.object({ keys: z.array(z.string().min(1).max(80)).min(1).max(5000) }),
  run(ctx, { keys }): Result<{ told: number; unreached: string[] }> {
    if (ctx.settings.linkBase === null) return fail("sum.no_link");
    const wanted = new Set(keys);
    const unreached: string[] = [];
    let told = 0;
    for (const payment of untoldSums(ctx.db, ctx.today)) {
      if (!wanted.has(payment.key)) continue;
      const done = tell(ctx, payment);
      if (!done.ok) return done;
      if (done.value) told += 1;
      else unreached.push(payment.customer);
    }
    return ok({ told, unreached });
  },
});

/** Whether a mail reaches the customer. */
function tell(ctx: CommandContext, payment: AgreedPayment): Result<boolean> {
  const { db, settings, today } = ctx;
  const { customerId, amount, currency, parts, numbers, methodId } = payment;
  const customer = customerById(db, customerId);
  const method = payMethodById(db, methodId);
  if (!customer || !method) return fail("method.gone");
  const { to, copies, greeting } = reachOf(ctx, customer);
  if (to === null) return ok(false);
  const { language } = followedRow(db, customerId);
  const sum = ctx.sum(amount, currency);
  const from = addDays(today, settings.noticeDays);
  const words = fill(sumLetter(language), {
    customer: greeting,
    business: settings.name,
    sum,
    day: paperDay(from, language),
    method: methodInWords(language, method),
    numbers: numbers.join(", "),
    link: `${settings.linkBase}/pay/${linkOf(db, customerId)}`,
  });
  if (!words.ok) return words;
  const subject = { kind: "customer", id: customerId, customerId } as const;
  const said = `told that ${sum} is taken from ${formatDay(from, today)} on`;
  const actId = ctx.act("letter", subject, said);
  mailBeside(ctx, { customerId, to, copies, ...words.value, what: "sum", actId });
  for (const { itemId, amount: balance } of parts)
    insertSumTold(db, { openItemId: itemId, amount: balance, onDay: today, actId });
  return ok(true);
}
