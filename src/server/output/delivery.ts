import { mkdirSync, renameSync, writeFileSync } from "node:fs";
import { dirname } from "node:path";

import type { MailServer } from "@/core/formats";
import type { Db } from "@/db/connection";
import { letterById, type LetterRow, setCameBack, setDelivery, setReached } from "@/db/letters";
import { backFrom, setBack } from "@/db/persons";
import { readSettings, type Settings } from "@/db/settings";

import { secretOf } from "../runtime/secrets";
import { outboxFile } from "../runtime/folders";
import { attachmentsOf } from "./letterPapers";

/**
 * Brings a recorded letter to the outbox as an RFC 5322 file, and by SMTP where
 * the book has a server: again after a while where it was not reached, and noted
 * as come back where it was refused for good. Its Message-ID and file name were fixed when it was
 * recorded, so doing this again after a crash writes the same file.
 */
export async function deliverLetter(
  db: Db,
  book: string,
  letterId: number,
  now: Date = new Date(),
): Promise<void> {
  const letter = letterById(db, letterId);
  if (letter?.delivery !== "queued" && letter?.delivery !== "retry") return;
  const settings = readSettings(db);
  const message = {
    ...messageOf(letter, settings),
    attachments: await attachmentsOf(db, book, letter),
  };
  const { default: MailComposer } = await import("nodemailer/lib/mail-composer");
  const bytes = await new MailComposer(message).compile().build();
  const path = outboxFile(book, letter.fileName);
  mkdirSync(dirname(path), { recursive: true });
  writeFileSync(`${path}.part`, bytes);
  renameSync(`${path}.part`, path);
  if (settings.mailServer === null) {
    db.transaction(() => setDelivery(db, letterId, "outbox"));
    return;
  }
  const server = { ...settings.mailServer, secret: secretOf(book, "mail") };
  const reached = letter.reached.split(", ").filter((address) => address !== "");
  const envelope = addressesOf(letter).filter(
    (address) => backFrom(db, address) === null && !reached.includes(address),
  );
  // Claimed before it leaves: whoever finds it so after a crash cannot know whether it went.
  db.transaction(() =>
    setDelivery(db, letterId, "handing", { tries: letter.tries, nextTry: letter.nextTry }),
  );
  // Letters may have come back from all of them since this one was recorded.
  const outcome =
    envelope.length === 0
      ? NOBODY_LEFT
      : await handOver(server, { ...message, raw: bytes }, [settings.replyTo, ...envelope]);
  db.transaction(() => {
    // An address that is refused for good is written to no more, whatever became of the others.
    for (const { address, why } of outcome.back) setBack(db, address, why, letter.onDay);
    // Those who have it get it once, however often the others are tried.
    if (outcome.reached.length > 0) setReached(db, letterId, [...reached, ...outcome.reached]);
    // Where some have it, it went; who has not is noted above.
    if (outcome.over !== null && reached.length === 0) {
      setDelivery(db, letterId, "not sent");
      return setCameBack(db, letterId, outcome.over);
    }
    if (outcome.again === null) return setDelivery(db, letterId, "sent");
    const wait = RETRY_MINUTES[letter.tries];
    if (wait === undefined) return setDelivery(db, letterId, `not sent: ${outcome.again}`);
    setDelivery(db, letterId, "retry", {
      tries: letter.tries + 1,
      nextTry: new Date(now.getTime() + wait * 60_000).toISOString(),
    });
  });
}

/** Hands a letter to the mail server. Parts, never an address: one could give the mailer orders. */
async function handOver(
  { host, port, secure, user, secret }: MailServer,
  message: object,
  [from, ...to]: readonly string[],
): Promise<Outcome> {
  const { default: nodemailer } = await import("nodemailer");
  const auth = user === null ? {} : { auth: { user, pass: secret ?? "" } };
  return nodemailer
    .createTransport({ host, port, secure, ...auth })
    .sendMail({ ...message, envelope: { from, to } })
    .then((info: unknown) => sentTo(info, to), outcomeOf);
}

/** Everybody a letter went to, those with a copy too. */
export function addressesOf({
  toAddress,
  copyAddress,
}: Pick<LetterRow, "toAddress" | "copyAddress">): string[] {
  return [toAddress, copyAddress]
    .flatMap((some) => some.split(", "))
    .filter((address) => address !== "");
}

/**
 * Minutes until a mail server that was not reached, or was busy, is tried again: for about two days
 * in all (RFC 5321 4.5.4.1 asks for 30 minutes at the least after the first tries, and for days in
 * the end).
 */
const RETRY_MINUTES: readonly number[] = [5, 30, 120, 480, 1440, 1440];

/**
 * What became of a letter: the addresses that were refused for good; why it is tried again; why it
 * is written off. Neither: it went to all that are left.
 */
type Outcome = {
  readonly back: readonly { readonly address: string; readonly why: string }[];
  readonly again: string | null;
  readonly over: string | null;
  /** Who took it. */
  readonly reached: readonly string[];
};
const NOBODY_LEFT: Outcome = {
  reached: [],
  back: [],
  again: null,
  over: "letters come back from every address that it has",
};

/**
 * What a mail server said, of each address or of the whole: an answer from 500
 * on is for good (RFC 5321 4.2.1), anything else is worth another try. Only what
 * is said of an address speaks against it: a server that does not let us in, or
 * does not know us, is tried again.
 */
function outcomeOf(said: unknown): Outcome {
  const {
    rejectedErrors = [],
    code,
    ...whole
  } = said as Said & { rejectedErrors?: Said[]; code?: string };
  const back = rejectedErrors
    .filter(({ responseCode = 0 }) => responseCode >= 500)
    .flatMap((rejectedError) =>
      rejectedError.recipient === undefined
        ? []
        : [{ address: rejectedError.recipient, why: words(rejectedError) }],
    );
  const busy = rejectedErrors.find(({ responseCode = 0 }) => responseCode < 500);
  if (busy) return { back, again: words(busy), over: null, reached: [] };
  if (back[0]) return { back, again: null, over: back[0].why, reached: [] };
  return code === "EMESSAGE" && (whole.responseCode ?? 0) >= 500
    ? { back, again: null, over: words(whole), reached: [] }
    : { back, again: words(whole), over: null, reached: [] };
}

/** Some took it: who was refused for good is known, and who was put off is tried again. */
function sentTo(info: unknown, envelope: readonly string[]): Outcome {
  const { rejectedErrors = [] } = info as { rejectedErrors?: Said[] };
  const { back, again } = outcomeOf({ rejectedErrors });
  return {
    back,
    again: rejectedErrors.some(({ responseCode = 0 }) => responseCode < 500) ? again : null,
    over: null,
    reached: envelope.filter(
      (address) => !rejectedErrors.some(({ recipient }) => recipient === address),
    ),
  };
}

/** An error of the mail package: of the whole, or of one recipient. */
type Said = { responseCode?: number; response?: string; recipient?: string };

function words({ responseCode = 0, response }: Said): string {
  if (responseCode === 0) return "the mail server was not reached";
  return responseCode >= 500 && response !== undefined
    ? response.replace(/\s+/g, " ").slice(0, 160)
    : `the mail server answered ${responseCode}`;
}

function messageOf(
  letter: LetterRow,
  settings: Settings,
): {
  from: { name: string; address: string };
  to: string;
  cc: string;
  subject: string;
  text: string;
  messageId: string;
  date: Date;
} {
  return {
    from: { name: settings.name, address: settings.replyTo },
    to: letter.toAddress,
    cc: letter.copyAddress,
    subject: letter.subject,
    text: letter.body,
    messageId: letter.messageId,
    date: new Date(`${letter.onDay}T12:00:00Z`),
  };
}
