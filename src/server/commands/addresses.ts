import { z } from "zod";

import { LETTER_SHARES, type ContactPerson } from "@/core/parties";
import { fail, ok, type Result } from "@/core/result";
import { customerById } from "@/db/customers";
import {
  lastLetterTo,
  letterById,
  letterByMessage,
  setCameBack,
  type LetterRow,
} from "@/db/followup";
import { backFrom, setBack, setPersons } from "@/db/persons";

import { defineCommand } from "../command";
import type { Ctx } from "../context";
import { addressesOf } from "../delivery";

const person = z
  .object({
    name: z.string().trim().max(80),
    duty: z.string().trim().max(80),
    email: z
      .string()
      .trim()
      .max(200)
      .refine(
        (text) => text === "" || z.email().safeParse(text).success,
        "An e-mail address, or leave it empty.",
      ),
    phone: z.string().trim().max(40),
    letters: z.enum(LETTER_SHARES),
    calls: z.boolean(),
  })
  .refine(({ letters, email }) => letters === "none" || email !== "", {
    message: "Who gets letters needs an e-mail address.",
    path: ["email"],
  });

/** Keeps a customer's contact persons, all of them anew; a row with nothing in it is none. */
export const setContactPersons = defineCommand({
  name: "setContactPersons",
  schema: z.object({
    customerId: z.number().int(),
    persons: z.array(person).max(20, "At most 20 persons."),
  }),
  run(ctx, input): Result<{ persons: ContactPerson[] }> {
    const customer = customerById(ctx.db, input.customerId);
    if (!customer) return fail("customer.unknown", { id: input.customerId });
    const persons = input.persons.filter(
      ({ name, email, phone }) => name !== "" || email !== "" || phone !== "",
    );
    setPersons(ctx.db, customer.id, persons);
    ctx.act(
      "settings",
      { kind: "customer", id: customer.id, customerId: customer.id },
      `contact persons: ${persons.map(({ name, email, phone }) => name || email || phone).join(", ") || "none"}`,
    );
    return ok({ persons });
  },
});

/** Notes by hand that a letter came back, so that none goes to its addresses any more. */
export const letterCameBack = defineCommand({
  name: "letterCameBack",
  schema: z.object({
    letterId: z.number().int(),
    why: z.string().trim().min(3, "Say what came back, in a few words.").max(200),
  }),
  run(ctx, input): Result<null> {
    const letter = letterById(ctx.db, input.letterId);
    if (!letter) return fail("letter.unknown");
    for (const address of addressesOf(letter)) noteBack(ctx, letter, address, input.why);
    return ok(null);
  },
});

/** Says that letters reach an address after all. */
export const addressWorks = defineCommand({
  name: "addressWorks",
  schema: z.object({
    address: z.string().trim().min(1).max(200),
    customerId: z.number().int().nullable().default(null),
  }),
  run(ctx, { address, customerId }): Result<null> {
    if (backFrom(ctx.db, address) === null) return fail("address.works", { address });
    setBack(ctx.db, address, null, ctx.today);
    ctx.act(
      "settings",
      customerId === null
        ? { kind: "book", id: 0 }
        : { kind: "customer", id: customerId, customerId },
      `letters go to ${address} again`,
    );
    return ok(null);
  },
});

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
/** What became of a mail that was taken in: the letters that it is about, or why nothing was done. */
export type Returned = {
  file: string;
  letters: { letterId: number; customerId: number; address: string; why: string }[];
  words: string;
};

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
  ctx: Ctx,
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
      own.find((one) => one.toLowerCase() === address.toLowerCase()) ??
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

function noteBack(ctx: Ctx, letter: LetterRow, address: string, why: string): void {
  setCameBack(ctx.db, letter.id, why);
  setBack(ctx.db, address, why, ctx.today);
  ctx.act(
    "settings",
    { kind: "customer", id: letter.customerId, customerId: letter.customerId },
    `the letter to ${address} came back: ${why}`,
  );
}
