import { randomUUID } from "node:crypto";
import { copyFileSync, existsSync, linkSync, renameSync, rmSync } from "node:fs";
import { dirname } from "node:path";

import { fail, ok, type Result } from "@/core/result";
import { withFiles } from "@/db/fileFailure";
import { freeName } from "@/db/freeName";
import { Hold } from "@/db/hold";
import { holdOf, openToWrite } from "@/db/opening";
import { openBookToRead, openBookToWrite } from "@/server/runtime/books";
import {
  bookExists,
  bookFile,
  isBookName,
  listBooks,
  makeBookFolders,
} from "@/server/runtime/folders";

import { runCommand } from "@/server/runtime/command";

import { becomeAnotherBook } from "../commands/becomeAnotherBook";
import { type Examined, examine, removeFile } from "./examine";

type Asked = {
  /** The copy. */
  file: string;
  book: string;
  /** It takes the place of the book that it was copied from: links that customers have go on. */
  replaces: boolean;
};
type Restored = Examined & {
  book: string;
  /** Where the file that it replaced lies now. */ moved: string | null;
};

/**
 * Makes a book of a copy, once every page of it was looked at, and only while nobody has a book of
 * that name open. A copy that does not replace the first is another book: it gets an id and account
 * links of its own. Errors: book.name, book.exists, book.held, restore.other, restore.twice.
 */
export function restoreBook({ file, book, replaces }: Asked): Result<Restored> {
  if (!isBookName(book)) return fail("book.name", { book });
  if (!existsSync(file)) return fail("file.unreadable", { path: file });
  if (bookExists(book) && !replaces) return fail("book.exists", { book });
  const folder = dirname(bookFile(book));
  const isNew = !existsSync(folder);
  makeBookFolders(book);
  const mine = settledId(book);
  const hold = Hold.claim(holdOf(bookFile(book)));
  if (hold === null) return fail("book.held", { book });
  const part = `${bookFile(book)}.part`;
  try {
    return withFiles(() => putBack({ file, book, replaces }, part, mine), { book });
  } finally {
    removeFile(part);
    hold.release();
    // What came to nothing leaves nothing.
    if (isNew && !bookExists(book)) rmSync(folder, { recursive: true });
  }
}

/** Takes the copy aside, looks at it, makes it another book where it is one, and puts it in its place. */
function putBack(
  { file, book, replaces }: Asked,
  part: string,
  mine: string | null,
): Result<Restored> {
  removeFile(part);
  copyFileSync(file, part);
  const examined = examine(part);
  if (!examined.ok) return { ok: false, error: { ...examined.error, path: file } };
  if (mine !== null && mine !== examined.value.id) return fail("restore.other", { book });
  const twin = replaces ? twinOf(examined.value.id, book) : null;
  if (twin !== null) return fail("restore.twice", { book: twin });
  const own = replaces ? ok(null) : madeAnother(part);
  if (!own.ok) return own;
  return ok({ ...examined.value, book, moved: putInPlace(part, bookFile(book)) });
}

function madeAnother(part: string): Result<null> {
  const opened = openToWrite(part);
  if (!opened.ok) return opened;
  const done = runCommand(
    opened.value,
    becomeAnotherBook,
    {},
    {
      book: part,
      actor: "command line",
      key: randomUUID(),
    },
  );
  opened.value.close();
  return done;
}

/** The id of a book that is there; null where there is none, or none that can be read. */
function idOf(book: string): string | null {
  const opened = openBookToRead(book);
  if (!opened.ok) return null;
  const id = opened.value.bookId();
  opened.value.close();
  return id;
}

/**
 * The same, with the log written into the file: whoever opens a book to write and leaves it last
 * leaves none behind.
 */
function settledId(book: string): string | null {
  if (!bookExists(book)) return null;
  const opened = openBookToWrite(book);
  if (!opened.ok) return null;
  const id = opened.value.bookId();
  opened.value.close();
  return id;
}

/** Another book of the folder that the same links would lead to. */
function twinOf(id: string, book: string): string | null {
  return listBooks().find((other) => other !== book && idOf(other) === id) ?? null;
}

/**
 * Puts the copy in its place in one step: there is the old file or the new one at any moment, and
 * the old one stays beside it. Gives where.
 */
function putInPlace(part: string, path: string): string | null {
  const stamp = new Date().toISOString().replaceAll(/[-:]|\.\d+/g, "");
  const moved = existsSync(path) ? freeName(`${path}.replaced-${stamp}`) : null;
  if (moved !== null) linkSync(path, moved);
  // A log belongs to its file: the new one must never be read with the old one's.
  if (moved !== null && existsSync(`${path}-wal`)) renameSync(`${path}-wal`, `${moved}-wal`);
  for (const rest of ["-wal", "-shm"]) rmSync(path + rest, { force: true });
  renameSync(part, path);
  return moved;
}
