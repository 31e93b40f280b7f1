import { z } from "zod";

import { type LetterTemplate, waitInWords } from "@/core/followup";
import { fail, ok, type Result } from "@/core/result";
import { insertLetter } from "@/db/letters";
import type { CommandContext } from "@/server/runtime/context";

import { draftLetter } from "../letters";
import type { OverdueRow } from "../queries/overdueRow";

/** The words of a letter that was looked at. */
export const letter = z.object({
  customerId: z.number().int(),
  subject: z.string().trim().min(1, "The letter needs a subject.").max(200),
  body: z.string().trim().min(1, "The letter has no words.").max(20_000),
});
/** Records a letter with the words that were looked at, or (null) with those of its template. */
export function record(
  ctx: CommandContext,
  row: OverdueRow,
  looked: LetterTemplate | null,
): Result<{ letterId: number; actId: number }> {
  const { customer } = row;
  const problem = whyNotToday(ctx, row);
  if (problem) return problem;
  const draft = draftLetter(ctx.db, row, { settings: ctx.settings, today: ctx.today });
  if (!draft.ok) return draft;
  const {
    step,
    sum,
    items,
    attach,
    to,
    copies,
    back: [back],
    fee,
    feeCurrency,
  } = draft.value;
  const said = looked ?? draft.value;
  if (to === null)
    return back
      ? fail("letter.came_back", back)
      : fail("letter.no_address", { customer: customer.name });
  const actId = ctx.act(
    "letter",
    { kind: "customer", id: customer.id, customerId: customer.id },
    `letter ${step} to ${to}: ${said.subject}`,
  );
  const name = `${ctx.today}-${customer.externalId.replace(/[^A-Za-z0-9-]/g, "_")}-${actId}`;
  const letterId = insertLetter(
    ctx.db,
    {
      customerId: customer.id,
      step,
      onDay: ctx.today,
      toAddress: to,
      copyAddress: copies,
      subject: said.subject,
      body: said.body,
      currency: ctx.settings.currency,
      sum,
      messageId: `<${name}@${ctx.who.book}.dozo.invalid>`,
      fileName: `${name}.eml`,
      attach,
      fee,
      feeCurrency,
      actId,
    },
    items.map((item) => ({ openItemId: item.id, balance: item.balance })),
  );
  return ok({ letterId, actId });
}

/** A letter waits with its customer, and goes when its day has come. */
function whyNotToday(ctx: CommandContext, row: OverdueRow): Result<never> | null {
  const { customer } = row;
  const [wait] = row.waits;
  if (wait)
    return fail("letter.waits", {
      customer: customer.name,
      why: waitInWords(wait, ctx.settings.currency),
    });
  if (row.leftOut !== null)
    return fail("letter.left_out", { customer: customer.name, why: row.leftOut });
  if (row.state === "later")
    return fail("letter.later", { customer: customer.name, day: row.next.on });
  if (row.letterFrom !== null && row.letterFrom > ctx.today)
    return fail("letter.later", { customer: customer.name, day: row.letterFrom });
  return null;
}
