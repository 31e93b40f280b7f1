import { renameSync, rmSync } from "node:fs";

import type { z } from "zod";

import { bookSchema } from "@/contracts/settings";
import { DEFAULT_CHART } from "@/core/ledger";
import { fail, type Result } from "@/core/result";
import { createFile, type Db, openToRead, openToWrite } from "@/db/connection";
import { insertAccount } from "@/db/journal";
import { writeSettings } from "@/db/settings";

import { bookExists, bookFile, isBookName, makeBookFolders } from "./folders";
import { firstProblem } from "@/contracts/problems";

/** Makes a new, empty book with the default chart of accounts. */
export function createBook(book: string, input: z.input<typeof bookSchema>): Result<Db> {
  if (!isBookName(book)) return fail("book.name", { book });
  if (bookExists(book)) return fail("book.exists", { book });
  const parsed = bookSchema.safeParse(input);
  if (!parsed.success) return fail("input.invalid", firstProblem(parsed.error, "Book"));
  makeBookFolders(book);
  // Made aside and named when it is whole: a creation that is cut off leaves no book.
  const making = `${bookFile(book)}.making`;
  for (const rest of ["", "-wal", "-shm"]) rmSync(`${making}${rest}`, { force: true });
  const db = createFile(making);
  db.transaction(() => {
    writeSettings(db, {
      ...parsed.data,
      discountGraceDays: 0,
      smallDifferenceLimit: 500,
      smallestSumAskedFor: 1000,
      smtpUrl: null,
      people: ["clerk"],
      lockedTo: null,
    });
    for (const account of DEFAULT_CHART) insertAccount(db, account);
  });
  db.close();
  renameSync(making, bookFile(book));
  return openToWrite(bookFile(book));
}

export function openBookToWrite(book: string): Result<Db> {
  if (!bookExists(book)) return fail("book.missing", { book });
  makeBookFolders(book);
  return openToWrite(bookFile(book));
}

export function openBookToRead(book: string): Result<Db> {
  if (!bookExists(book)) return fail("book.missing", { book });
  return openToRead(bookFile(book));
}
