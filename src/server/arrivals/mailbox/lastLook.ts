import { existsSync, readFileSync, renameSync, writeFileSync } from "node:fs";

import { mailboxLookFile } from "@/server/runtime/folders";

/** When the mailbox was looked into last, as a moment, and why that failed; null where it did not. */
type Look = { at: string; problem: string | null };

/** Keeps how the last look went, beside the book: it is no part of it. */
export function noteLook(book: string, problem: string | null): void {
  const path = mailboxLookFile(book);
  const look: Look = { at: new Date().toISOString(), problem };
  writeFileSync(`${path}.part`, JSON.stringify(look));
  renameSync(`${path}.part`, path);
}

/** Why the mailbox cannot be read; null where it could, or was not looked into yet. */
export function lookProblem(book: string): string | null {
  const path = mailboxLookFile(book);
  return existsSync(path) ? (JSON.parse(readFileSync(path, "utf8")) as Look).problem : null;
}
