import { randomUUID } from "node:crypto";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

import { textOnly } from "@/core/gate";
import { maySend } from "@/core/parties";
import { fail, ok, type Result } from "@/core/result";
import type { Db } from "@/db/connection";
import { lastMailRead } from "@/db/mailRead";
import { type MailboxFacts, readSettings } from "@/db/settings";
import { takeMail } from "@/server/arrivals/commands/takeMail";
import { type FetchedMail, fetchMails } from "@/server/arrivals/mailbox/fetchMails";
import { noteLook } from "@/server/arrivals/mailbox/lastLook";
import { type MailIn, readMail } from "@/server/arrivals/mailbox/readMail";
import type { InputOf, OutputOf } from "@/server/commands";
import { openBookToWrite } from "@/server/runtime/books";
import { runCommand } from "@/server/runtime/command";
import { inWords } from "@/server/runtime/messages";
import { secretOf } from "@/server/runtime/secrets";

import { type Args, EXIT, failed, type Outcome, wrongCall } from "./outcome";
import { takeUp } from "./takeUp";

/** How often the mailbox is looked into. */
const LOOK_EVERY_MS = 60_000;

/**
 * `dozo mailbox --book B`: reads what comes into the mailbox of the settings, and goes on until it is
 * told to end; `--once` looks once. Files of those who may send them are taken up as from a watched
 * folder, letters that came back are noted, and answers stand in the history of their customers.
 */
export async function mailbox({ values }: Args): Promise<Outcome> {
  const { book } = values;
  if (typeof book !== "string") return wrongCall("Say --book.");
  if (values.once === true) {
    const done = await look(book, values);
    return done.ok ? { code: EXIT.done, text: said(done.value) } : failed(done.error);
  }
  let isOver = false;
  const over = new Promise<void>((resolve) => {
    const end = (): void => {
      isOver = true;
      resolve();
    };
    for (const signal of ["SIGINT", "SIGTERM"] as const) process.once(signal, end);
    // A server that had it begun has ended.
    process.once("disconnect", end);
  });
  while (!isOver) {
    const done = await look(book, values);
    if (!done.ok) process.stderr.write(`${inWords(done.error)}\n`);
    else if (done.value.length > 0) process.stdout.write(`${said(done.value)}\n`);
    await Promise.race([
      over,
      new Promise((resolve) => setTimeout(resolve, LOOK_EVERY_MS).unref()),
    ]);
  }
  return { code: EXIT.done, text: "" };
}

const said = (lines: readonly string[]): string =>
  lines.length === 0 ? "no new mail" : lines.join("\n");

/** Reads what is new; says of each mail what became of it. */
async function look(book: string, values: Args["values"]): Promise<Result<string[]>> {
  const box = mailboxOf(book);
  if (!box.ok) return box;
  const lines: string[] = [];
  const fetched = await fetchMails({
    server: { ...box.value, secret: secretOf(book, "mailbox") },
    lastRead: (name) => withBook(book, (db) => ok(lastMailRead(db, name))),
    take: async (mail) => {
      const done = await taken({ book, values, rule: box.value.from }, mail);
      if (!done.ok) return done.error;
      lines.push(done.value);
      return null;
    },
  });
  noteLook(book, fetched.ok ? null : inWords(fetched.error));
  return fetched.ok ? ok(lines) : fetched;
}

const mailboxOf = (book: string): Result<MailboxFacts> =>
  withBook(book, (db) => {
    const { mailbox } = readSettings(db);
    return mailbox === null ? fail("mailbox.none") : ok(mailbox);
  });

/** The book is held for as long as it is needed and no longer. */
function withBook<T>(book: string, work: (db: Db) => Result<T>): Result<T> {
  const opened = openBookToWrite(book);
  if (!opened.ok) return opened;
  try {
    return work(opened.value);
  } finally {
    opened.value.close();
  }
}

type Taking = { book: string; values: Args["values"]; rule: readonly string[] };

/** Takes in one mail; gives in a line what became of it. */
async function taken(
  taking: Taking,
  { box: mailbox, uid, bytes }: FetchedMail,
): Promise<Result<string>> {
  const read = bytes === null ? null : await readMail(bytes).catch(() => null);
  const mail = read ?? UNREAD;
  const left = read ? leftWhy(mail, taking.rule) : unread(bytes);
  const files: string[] = [];
  if (left === null) for (const file of mail.files) files.push(await takenFile(taking, file));
  const kept = keep(taking.book, { ...mail, mailbox, uid, files, left });
  // A book that is not there is waited for; what it does not take of a mail is said in its place.
  const done =
    kept.ok || /^(book|disk)\./.test(kept.error.code)
      ? kept
      : keep(taking.book, { ...UNREAD, mailbox, uid, files: [], left: inWords(kept.error) });
  if (!done.ok) return done;
  return ok(`${mail.from || "somebody"}, “${mail.subject}”: ${done.value?.words ?? "known"}`);
}

const keep = (book: string, mail: InputOf<"takeMail">): Result<OutputOf<"takeMail">> =>
  withBook(book, (db) =>
    runCommand(db, takeMail, mail, { book, actor: "mailbox", key: randomUUID() }),
  );

const unread = (bytes: Buffer | null): string =>
  bytes === null ? "too large to be read" : "it is no mail that can be read";

const UNREAD: MailIn = {
  from: "",
  forged: false,
  automatic: false,
  messageId: null,
  subject: "",
  answers: [],
  words: "",
  files: [],
  report: null,
};

/** Why the files of a mail are not taken up; null where they are, or there are none. */
function leftWhy({ files, from, forged }: MailIn, rule: readonly string[]): string | null {
  const [first] = files;
  if (!first) return null;
  const names = files.length === 1 ? first.name : `${first.name} and ${files.length - 1} more`;
  if (!maySend(rule, from))
    return `${names} is not taken up: ${from || "nobody"} may not send files`;
  return forged ? `${names} is not taken up: its sender could not be proven` : null;
}

/** Takes up a file that a mail brought, as `dozo watch` does; in words, with its name. */
async function takenFile({ book, values }: Taking, file: MailIn["files"][number]): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), "dozo-mail-"));
  try {
    const path = join(folder, file.name);
    writeFileSync(path, file.bytes, { mode: 0o600 });
    const { outcome, text } = await takeUp({ path, book, values });
    const asked = text.find((line) => line.startsWith("  asks: "))?.slice("  asks: ".length);
    const told = asked ?? (text[0] ?? "").replace(`${path}: `, "");
    const why = outcome === "taken" ? "" : `: ${told}`;
    return textOnly(`${file.name} ${WORDS[outcome]}${why}`, 400);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

const WORDS = {
  taken: "is taken in",
  waits: "waits under Files",
  refused: "cannot be read",
} as const;
