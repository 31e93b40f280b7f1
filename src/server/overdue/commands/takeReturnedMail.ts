import { z } from "zod";

import { ok, type Result } from "@/core/result";
import { lastLetterTo, letterByMessage } from "@/db/letters";
import { backFrom } from "@/db/persons";
import { addressesOf } from "@/server/output/delivery";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";

import { noteBack, type Returned } from "../steps/returnedLetter";

const report = z.object({
  file: z.string().max(300),
  messageId: z.string().max(500).nullable(),
  recipients: z
    .array(
      z.object({
        address: z.string().max(320),
        forGood: z.boolean(),
        why: z.string().min(1).max(200),
      }),
    )
    .max(200),
});
/**
 * Takes in what the mail system reported of letters that did not arrive, as it
 * was read from its mails. Taking in the same mail again changes nothing.
 */
export const takeReturnedMail = defineCommand({
  name: "takeReturnedMail",
  schema: z.object({ reports: z.array(report).min(1).max(500) }),
  run(ctx, input): Result<{ returned: Returned[] }> {
    return ok({
      returned: input.reports.map(({ file, messageId, recipients }) =>
        returned(ctx, file, messageId, recipients),
      ),
    });
  },
});
function returned(
  ctx: CommandContext,
  file: string,
  messageId: string | null,
  recipients: z.output<typeof report>["recipients"],
): Returned {
  const failed = recipients.filter(({ forGood }) => forGood);
  if (failed.length === 0)
    return { file, letters: [], words: "says that the mail is late, not lost: nothing is noted" };
  const letters = failed.flatMap(({ address, why }) => {
    const letter =
      (messageId === null ? undefined : letterByMessage(ctx.db, messageId)) ??
      lastLetterTo(ctx.db, address);
    if (!letter) return [];
    // An address that passes mail on to another is told of the other; the letter has only the one.
    const own = addressesOf(letter);
    const ours =
      own.find((name) => name.toLowerCase() === address.toLowerCase()) ??
      (own.length === 1 && own[0] !== undefined ? own[0] : address);
    if (backFrom(ctx.db, ours) === null) noteBack(ctx, letter, ours, why);
    return [{ letterId: letter.id, customerId: letter.customerId, address: ours, why }];
  });
  return {
    file,
    letters,
    words:
      letters.length > 0
        ? `no letter goes to ${letters.map(({ address }) => address).join(", ")} any more`
        : `no letter of this book went to ${failed[0]?.address ?? ""}`,
  };
}
