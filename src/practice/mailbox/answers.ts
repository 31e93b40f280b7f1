import { createTransport } from "nodemailer";

import { seedOf } from "../habits";

/** A letter that left the business, as far as its answer goes by it. */
export type Letter = { id: string; from: string; to: string; subject: string };

const WORDS = [
  "We pay on Friday.",
  "This lies with our accounts office; you have it by the end of next week.",
  "We cannot find this one. Can you send it again?",
  "Two of the jars came broken. We hold it back until that is settled.",
  "It was paid by card on Monday. Please look once more.",
];

/**
 * What comes back for a letter, the same every time: most are not answered, some in words; some are
 * answered by a machine, and a few never arrived. Null where nothing comes.
 */
export async function answerTo(letter: Letter): Promise<string | null> {
  const roll = seedOf("answer", letter.id) % 20;
  if (roll < 4) return replyTo(letter, WORDS[seedOf("words", letter.id) % WORDS.length] ?? "");
  if (roll === 4) return awayNote(letter);
  return roll === 5 ? cameBack(letter) : null;
}

/** A mail as it goes over the line. */
export async function mailSource(mail: object): Promise<string> {
  const made = await createTransport({
    streamTransport: true,
    buffer: true,
    newline: "windows",
  }).sendMail(mail);
  return (made.message as Buffer).toString("latin1");
}

const answering = ({ id, from, to, subject }: Letter): object => ({
  from: to,
  to: from,
  subject: `Re: ${subject}`,
  inReplyTo: id,
  references: [id],
  messageId: `<answer-${seedOf(id)}@practice.example>`,
});

const replyTo = (letter: Letter, words: string): Promise<string> =>
  mailSource({ ...answering(letter), text: `${words}\n\n> ${letter.subject}\n` });

/** A machine's answer says that it is one (RFC 3834, 5). */
const awayNote = (letter: Letter): Promise<string> =>
  mailSource({
    ...answering(letter),
    text: "I am away until Monday.\n",
    headers: { "Auto-Submitted": "auto-replied" },
  });

/** A report that a letter did not arrive (RFC 3464). */
function cameBack({ id, from, to }: Letter): string {
  const boundary = `b${seedOf(id)}`;
  return [
    "From: Mail delivery <postmaster@practice.example>",
    `To: ${from}`,
    "Subject: Undelivered mail",
    `Message-ID: <report-${seedOf(id)}@practice.example>`,
    "MIME-Version: 1.0",
    `Content-Type: multipart/report; report-type=delivery-status; boundary="${boundary}"`,
    ...["", `--${boundary}`, "Content-Type: text/plain", "", "It did not arrive.", ""],
    ...[`--${boundary}`, "Content-Type: message/delivery-status", ""],
    ...["Reporting-MTA: dns; practice.example", "", `Final-Recipient: rfc822; ${to}`],
    ...[
      "Action: failed",
      "Status: 5.1.1",
      "Diagnostic-Code: smtp; 550 5.1.1 no such mailbox here",
      "",
    ],
    ...[`--${boundary}`, "Content-Type: text/rfc822-headers", "", `Message-ID: ${id}`, ""],
    ...[`--${boundary}--`, ""],
  ].join("\r\n");
}
