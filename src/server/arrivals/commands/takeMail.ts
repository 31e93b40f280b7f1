import { z } from "zod";

import { textOnly } from "@/core/gate";
import type { BecameOfMail } from "@/core/parties";
import { ok, type Result } from "@/core/result";
import { insertContact } from "@/db/contacts";
import { type LetterRow, letterByMessage } from "@/db/letters";
import { insertMailRead, isMailRead, isMessageRead } from "@/db/mailRead";
import { returned, returnedMailSchema } from "@/server/overdue/steps/returnedMails";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";

const mailSchema = z.object({
  mailbox: z.string().min(1).max(400),
  uid: z.number().int().positive(),
  messageId: z.string().max(500).nullable(),
  from: z.string().max(320),
  subject: z.string().max(300),
  /** Message-IDs of what it answers. */
  answers: z.array(z.string().max(500)).max(50),
  automatic: z.boolean(),
  words: z.string().max(2000),
  report: returnedMailSchema.nullable(),
  /** The files that it brought, and what became of each, in words. */
  files: z.array(z.string().max(400)).max(20),
  /** Why nothing that it brought was taken up; null where it was, or there is nothing. */
  left: z.string().max(300).nullable(),
});
type Mail = z.output<typeof mailSchema>;
type Became = { became: BecameOfMail; words: string; customerId: number | null };

/**
 * Keeps what became of a mail of the mailbox: letters that came back are noted, and an answer to a
 * letter stands in the history of the customer that it went to. The same mail twice is once.
 */
export const takeMail = defineCommand({
  name: "takeMail",
  schema: mailSchema,
  run(ctx, mail): Result<Became | null> {
    if (isMailRead(ctx.db, mail.mailbox, mail.uid)) return ok(null);
    const { mailbox, uid, messageId, from, subject } = mail;
    const isAgain = messageId !== null && isMessageRead(ctx.db, messageId, from);
    const done = isAgain ? READ_BEFORE : becameOf(ctx, mail);
    insertMailRead(ctx.db, {
      mailbox,
      uid,
      messageId,
      fromAddress: from,
      subject,
      onDay: ctx.today,
      ...done,
    });
    return ok(done);
  },
});

/** The box was numbered anew, or the mail came twice. */
const READ_BEFORE: Became = { became: "left", words: "was read before", customerId: null };

function becameOf(ctx: CommandContext, mail: Mail): Became {
  if (mail.report) {
    const { words, letters } = returned(ctx, mail.report);
    return { became: "report", words, customerId: letters[0]?.customerId ?? null };
  }
  const letter = mail.automatic ? undefined : answered(ctx, mail);
  if (letter) noteReply(ctx, letter, mail);
  const files = mail.files.join("; ");
  const customerId = letter?.customerId ?? null;
  if (files !== "") return { became: "files", words: files, customerId };
  const left = mail.left === null ? "" : `; ${mail.left}`;
  if (letter) return { became: "reply", words: `${saidTo(letter, mail)}${left}`, customerId };
  return { became: "left", words: mail.left ?? whyLeft(mail), customerId: null };
}

/** Letters of an answer that stand in the list. */
const SHOWN = 200;

/** What an answer says, before what it answers. */
function saidTo({ subject }: LetterRow, { words }: Mail): string {
  const said = textOnly(words.replace(/\s+/g, " ").trim(), SHOWN);
  return said === "" ? `answers “${subject}”` : `“${said}”, to “${subject}”`;
}

const whyLeft = ({ automatic }: Mail): string =>
  automatic ? "an automatic answer" : "answers no letter of this book, and brings no file";

function answered({ db }: CommandContext, { answers }: Mail): LetterRow | undefined {
  for (const id of answers) {
    const letter = letterByMessage(db, id);
    if (letter) return letter;
  }
  return undefined;
}

/** Who wrote is told as the mail says it, and is not proven. */
function noteReply(ctx: CommandContext, letter: LetterRow, mail: Mail): void {
  const { customerId } = letter;
  const left = mail.left === null ? "" : ` (${mail.left})`;
  const text = `By mail from ${mail.from || "somebody"}: ${mail.words || "(no words)"}${left}`;
  const subject = { kind: "customer" as const, id: customerId, customerId };
  const actId = ctx.act("contact", subject, `note: ${text}`);
  insertContact(ctx.db, {
    customerId,
    kind: "note",
    onDay: ctx.today,
    text,
    promisedOn: null,
    promisedSum: null,
    step: null,
    actId,
  });
}
