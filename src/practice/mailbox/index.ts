import { readdirSync, readFileSync } from "node:fs";
import { basename, join } from "node:path";

import { simpleParser } from "mailparser";

import { fail, ok, type Result } from "@/core/result";
import { arrivedFile, arrivedFiles, outboxFolder } from "@/server/runtime/folders";

import { seedOf } from "../habits";
import { answerTo, type Letter, mailSource } from "./answers";
import { PracticeBox } from "./box";

/** Whoever practises signs in with these. */
export const PRACTICE_USER = "accounts@kestrelrow.example";
export const PRACTICE_PASSWORD = "practice";
/** The practice bank's and processor's mails come from here. */
const REPORTS = "reports@harborbank.example";
/** How often it looks for letters that left. */
const LOOK_EVERY_MS = 500;
/** Letters of before that are answered: the last ones. */
const LATEST = 60;

/**
 * The business's mailbox in a practice world: the bank's files that wait come as mails, and the letters
 * that left are answered, or come back, now and from then on. Errors: practice.mailbox where the port
 * cannot be opened.
 */
export async function servePracticeMailbox(
  book: string,
  port: number,
): Promise<Result<{ port: number; end: () => Promise<void> }>> {
  const box = await openBox(port);
  if (box === null) return fail("practice.mailbox", { port });
  for (const name of arrivedFiles(book)) box.add(await fileMail(arrivedFile(book, name)));
  const folder = outboxFolder(book);
  const answered = new Set(readdirSync(folder).filter(isLetter).sort().slice(0, -LATEST));
  const answerNew = async (): Promise<void> => {
    for (const name of readdirSync(folder).filter(isLetter).sort()) {
      if (answered.has(name)) continue;
      answered.add(name);
      await answerFile(box, join(folder, name));
    }
  };
  await answerNew();
  const timer = setInterval(() => void answerNew(), LOOK_EVERY_MS);
  return ok({
    port: box.port,
    end: () => {
      clearInterval(timer);
      return box.end();
    },
  });
}

const isLetter = (name: string): boolean => name.endsWith(".eml");

const openBox = (port: number): Promise<PracticeBox | null> =>
  PracticeBox.open({
    user: PRACTICE_USER,
    password: PRACTICE_PASSWORD,
    // It forgets its mails, and so numbers them anew.
    validity: Math.floor(Date.now() / 1000),
    port,
  }).catch(() => null);

async function answerFile(box: PracticeBox, path: string): Promise<void> {
  const answer = await answerTo(await letterIn(path));
  if (answer !== null) box.add(answer);
}

async function letterIn(path: string): Promise<Letter> {
  const mail = await simpleParser(readFileSync(path));
  const to = Array.isArray(mail.to) ? mail.to[0] : mail.to;
  return {
    id: mail.messageId ?? `<${basename(path)}>`,
    from: mail.from?.value[0]?.address ?? PRACTICE_USER,
    to: to?.value[0]?.address ?? "",
    subject: mail.subject ?? "",
  };
}

/** A file that waits, as whoever sends reports would mail it. */
const fileMail = (path: string): Promise<string> =>
  mailSource({
    from: REPORTS,
    to: PRACTICE_USER,
    subject: `Your file ${basename(path)}`,
    messageId: `<file-${seedOf(basename(path))}@harborbank.example>`,
    text: "Your file is attached.\n",
    attachments: [{ filename: basename(path), path }],
  });
