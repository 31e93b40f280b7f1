import { z } from "zod";

import { waitInWords } from "@/core/followup";
import { fail, ok, type Result } from "@/core/result";
import { customerById } from "@/db/customers";
import { proposalsOf } from "@/server/match/proposals";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";
import { inWords } from "@/server/runtime/messages";

import { overdueRows } from "../queries/overdue";
import { type OverdueRow } from "../queries/overdueRow";
import { filesInTheWay } from "../steps/filesWaiting";
import { letter, record } from "../steps/recordLetter";

/**
 * A letter of a run; where its words were left as they are they are not given: they are filled in
 * when it goes, from what is open then.
 */
const toWrite = letter
  .partial({ subject: true, body: true })
  .refine(({ subject, body }) => (subject === undefined) === (body === undefined), {
    message: "Subject and letter come together, or neither.",
    path: ["body"],
  });
/**
 * Records all letters of a run that was looked through, each once; they are
 * delivered one after the other in the background, and go on after a restart.
 * Whose reason to be written to is gone meanwhile gets none, and is named.
 */
export const sendLetters = defineCommand({
  name: "sendLetters",
  schema: z.object({
    letters: z.array(toWrite).min(1).max(100_000),
    despiteFiles: z.array(z.string()).optional(),
  }),
  run(
    ctx,
    input,
  ): Result<{ sent: number; held: { customerId: number; customer: string; why: string }[] }> {
    const problem = filesInTheWay(ctx, input.despiteFiles);
    if (problem) return problem;
    const rows = new Map(
      overdueRows(ctx.db, ctx.today, proposalsOf(ctx.db)).map((row) => [row.customer.id, row]),
    );
    const held: { customerId: number; customer: string; why: string }[] = [];
    const seen = new Set<number>();
    let sent = 0;
    input.letters.forEach((letter, at) => {
      ctx.who.progress?.(at, input.letters.length);
      if (seen.has(letter.customerId)) return;
      seen.add(letter.customerId);
      const row = rows.get(letter.customerId);
      const done = row ? record(ctx, row, ownWords(letter)) : null;
      if (done?.ok) sent += 1;
      else
        held.push({
          customerId: letter.customerId,
          customer: nameOf(ctx, letter.customerId, row),
          why: done?.error.code === "letter.words" ? inWords(done.error) : whyHeld(ctx, row),
        });
    });
    return sent === 0
      ? fail("letters.all_held", { count: held.length, why: held[0]?.why })
      : ok({ sent, held });
  },
});
/** The words as the clerk changed them, if both were. */
const ownWords = ({ subject, body }: z.output<typeof toWrite>) =>
  subject !== undefined && body !== undefined ? { subject, body } : null;

const nameOf = (ctx: CommandContext, id: number, row: OverdueRow | undefined): string =>
  row?.customer.name ?? customerById(ctx.db, id)?.name ?? "";

function whyHeld(ctx: CommandContext, row: OverdueRow | undefined): string {
  if (!row) return "nothing is past its date any more";
  const [wait] = row.waits;
  if (wait) return `waits for ${waitInWords(wait, ctx.settings.currency)}`;
  if (row.leftOut !== null) return `left out: ${row.leftOut}`;
  return row.state === "later" || (row.letterFrom !== null && row.letterFrom > ctx.today)
    ? "was written to already"
    : "has no e-mail address that letters reach";
}
