import { z } from "zod";

import { cardLetter, methodInWords, runsOutOn } from "@/core/paying";
import { fail, ok, type Result } from "@/core/result";
import { linkOf } from "@/db/accountPages";
import { customerById } from "@/db/customers";
import { followedRow } from "@/db/followed";
import { askedAnew, payMethodById, type PayMethodRow } from "@/db/payMethods";
import { fill } from "@/server/overdue/letters";
import { mailBeside, reachOf } from "@/server/overdue/steps/besideLadder";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";

/** Asks the owners of cards that run out for another, each once, by a letter with a link to its pay page. */
export const askForCard = defineCommand({
  name: "askForCard",
  schema: z.object({ methodIds: z.array(z.number().int()).min(1).max(500) }),
  run(ctx, { methodIds }): Result<{ sent: number; unreached: string[] }> {
    if (ctx.settings.linkBase === null) return fail("card.no_link");
    const unreached: string[] = [];
    let sent = 0;
    for (const id of methodIds) {
      const method = payMethodById(ctx.db, id);
      if (!method || method.removedOn !== null) return fail("method.gone");
      if (runsOutOn(method.expires, ctx.today) === null) return fail("card.not_yet");
      if (method.askedAnewOn !== null) continue;
      const asked = ask(ctx, method);
      if (!asked.ok) return asked;
      if (asked.value === null) sent += 1;
      else unreached.push(asked.value);
    }
    return ok({ sent, unreached });
  },
});

/** Null where the letter is recorded; the customer's name where no mail reaches it. */
function ask(ctx: CommandContext, method: PayMethodRow): Result<string | null> {
  const { db, settings, today } = ctx;
  const { customerId } = method;
  const customer = customerById(db, customerId);
  if (!customer) return fail("customer.unknown", { id: customerId });
  const { to, copies, greeting } = reachOf(ctx, customer);
  if (to === null) return ok(customer.name);
  const { language } = followedRow(db, customerId);
  const month = new Intl.DateTimeFormat(language, {
    month: "long",
    year: "numeric",
    timeZone: "UTC",
  });
  const words = fill(cardLetter(language), {
    customer: greeting,
    business: settings.name,
    method: methodInWords(language, method),
    month: month.format(new Date(`${method.expires}-01T12:00:00Z`)),
    link: `${settings.linkBase}/pay/${linkOf(db, customerId)}`,
  });
  if (!words.ok) return words;
  const actId = ctx.act(
    "letter",
    { kind: "customer", id: customerId, customerId },
    `asked for another card: the one ending in ${method.lastFour} runs out`,
  );
  const { subject, body } = words.value;
  mailBeside(ctx, { customerId, to, copies, subject, body, what: "card", actId });
  askedAnew(db, method.id, today);
  return ok(null);
}
