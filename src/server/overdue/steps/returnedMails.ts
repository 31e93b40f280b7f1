import { z } from "zod";

import { lastLetterTo, letterByMessage } from "@/db/letters";
import { backFrom } from "@/db/persons";
import { addressesOf } from "@/server/output/delivery";
import type { CommandContext } from "@/server/runtime/context";

import { noteBack, type Returned } from "./returnedLetter";

/** A report of the mail system, as it was read from its mail. */
export const returnedMailSchema = z.object({
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

/** Notes the letters that a report says did not arrive. */
export function returned(
  ctx: CommandContext,
  { file, messageId, recipients }: z.output<typeof returnedMailSchema>,
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
