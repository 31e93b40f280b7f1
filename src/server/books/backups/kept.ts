import { existsSync, mkdirSync, readdirSync, rmSync, statSync } from "node:fs";
import { join } from "node:path";

import type { KeptBackup } from "@/contracts/books";
import type { Result } from "@/core/result";
import { backupsFolder } from "@/server/runtime/folders";

import { backupBook } from "./backupBook";

/** How many copies of a book are kept unless told otherwise: two weeks of one a day. */
export const KEPT = 14;

/** A copy's name says whose it is and when it was taken (UTC): `shop--20261124T020000Z.sqlite`. */
const NAME = /^(?<book>[a-z0-9-]{1,62})--(?<at>\d{8}T\d{6}Z)\.sqlite$/;

/** The good copies of a book, the latest first. Each was looked at before it got its name. */
export function keptBackups(book: string, folder: string = backupsFolder()): KeptBackup[] {
  if (!existsSync(folder)) return [];
  return readdirSync(folder)
    .flatMap((name) => {
      const found = NAME.exec(name)?.groups;
      if (found?.book !== book || found.at === undefined) return [];
      const file = join(folder, name);
      return [{ file, at: momentOf(found.at), bytes: statSync(file).size }];
    })
    .sort((a, b) => b.at.localeCompare(a.at));
}

/** `20261124T020000Z` as `2026-11-24T02:00:00Z`. */
const momentOf = (stamp: string): string =>
  stamp.replace(/^(\d{4})(\d\d)(\d\d)T(\d\d)(\d\d)(\d\d)Z$/, "$1-$2-$3T$4:$5:$6Z");

/** Takes a copy into the folder of backups, and then lets go of the oldest beyond so many. */
export function keepBackup(
  book: string,
  { keep = KEPT, folder = backupsFolder(), now = new Date() }: KeepOptions = {},
): Result<{ file: string }> {
  mkdirSync(folder, { recursive: true });
  const stamp = now.toISOString().replaceAll(/[-:]|\.\d+/g, "");
  const made = backupBook(book, join(folder, `${book}--${stamp}.sqlite`));
  if (!made.ok) return made;
  for (const { file } of keptBackups(book, folder).slice(keep)) rmSync(file, { force: true });
  return made;
}
type KeepOptions = { keep?: number; folder?: string; now?: Date };

/** Whether a book's last good copy is older than a day. */
export function isBackupDue(book: string, now: Date): boolean {
  const [last] = keptBackups(book);
  return last === undefined || now.getTime() - Date.parse(last.at) > DAY_MS;
}
const DAY_MS = 24 * 60 * 60 * 1000;
