import type { Attachment, ParsedMail } from "mailparser";

import { textOnly } from "@/core/gate";
import { isForged, ownWords } from "@/core/parties";
import { type MailReport, readReturnedMail } from "@/server/overdue/returnedMail";

/** A mail as it is taken in: who says it, what it answers, and what it brings. */
export type MailIn = {
  /** Lower case; empty where it has none. */
  from: string;
  /** Its server says that it is not from there. */
  forged: boolean;
  /** A machine wrote it. */
  automatic: boolean;
  messageId: string | null;
  subject: string;
  /** Message-IDs of what it answers, in their angle brackets. */
  answers: string[];
  words: string;
  files: { name: string; bytes: Buffer }[];
  /** Where it is a report of letters that did not arrive. */
  report: MailReport | null;
};

const MOST_FILES = 20;

/** Reads a mail (RFC 5322); what cannot be read of it is left empty. */
export async function readMail(bytes: Buffer): Promise<MailIn> {
  const { simpleParser } = await import("mailparser");
  const mail = await simpleParser(bytes, { skipImageLinks: true, skipTextToHtml: true });
  const report = await readReturnedMail(mail.subject ?? "a report", bytes);
  return {
    from: textOnly((mail.from?.value[0]?.address ?? "").toLowerCase(), 320),
    forged: isForged(linesOf(mail, "authentication-results")),
    automatic: isAutomatic(mail),
    messageId: mail.messageId === undefined ? null : textOnly(mail.messageId, 500),
    subject: textOnly((mail.subject ?? "").replace(/\s+/g, " ").trim(), 200),
    answers: answeredBy(mail),
    words: textOnly(ownWords(mail.text ?? ""), 1500),
    files: report.ok ? [] : mail.attachments.filter(isFile).slice(0, MOST_FILES).map(asFile),
    report: report.ok ? cleaned(report.value) : null,
  };
}

/** A report without what a book may not keep. */
const cleaned = ({ file, messageId, recipients }: MailReport): MailReport => ({
  file: textOnly(file, 300),
  messageId: messageId === null ? null : textOnly(messageId, 500),
  recipients: recipients.slice(0, 200).map(({ address, forGood, why }) => ({
    address: textOnly(address, 320),
    forGood,
    why: textOnly(why, 200) || "the mail system gave it up",
  })),
});

/** Lines of the head by a name, from the top; a field that stands once is a line. */
function linesOf(mail: ParsedMail, name: string): string[] {
  return mail.headerLines
    .filter(({ key }) => key === name)
    .map(({ line }) => line.replace(/\s+/g, " "));
}

/** RFC 3834, 5: whatever is not "no" was sent by a machine; and the two signs that were used before it. */
const isAutomatic = (mail: ParsedMail): boolean =>
  linesOf(mail, "auto-submitted").some((line) => !/:\s*no\b/i.test(line)) ||
  linesOf(mail, "precedence").some((line) => /:\s*(bulk|auto_reply|junk|list)\b/i.test(line)) ||
  linesOf(mail, "x-autoreply").length > 0;

function answeredBy({ inReplyTo, references }: ParsedMail): string[] {
  const before = typeof references === "string" ? [references] : (references ?? []);
  const all = [inReplyTo ?? "", ...[...before].reverse()].flatMap((text) => text.split(/\s+/));
  return [...new Set(all.filter((id) => /^<[^<>\s]{1,400}>$/.test(id)))].slice(0, 50);
}

/** Neither a picture that stands in the text, nor the signature of the mail. */
const isFile = ({ related, contentType, filename }: Attachment): boolean =>
  !related && filename !== undefined && !/pgp|pkcs7|calendar|vcard/i.test(contentType);

const asFile = ({ filename = "", content }: Attachment): MailIn["files"][number] => ({
  name: nameOf(filename),
  bytes: content,
});

/** A name under which a file can lie in a folder. */
const nameOf = (filename: string): string =>
  textOnly(filename.replace(/[\\/\n\t]/g, "-").slice(-MOST_NAME), MOST_NAME).replace(/^\.+/, "") ||
  "attachment";

/** Letters of a name: three bytes each are still one that a folder takes (255). */
const MOST_NAME = 80;
