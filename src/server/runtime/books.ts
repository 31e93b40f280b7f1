import { renameSync, rmSync } from "node:fs";

import type { z } from "zod";

import { bookSchema } from "@/contracts/settings";
import { DEFAULT_CHART } from "@/core/ledger";
import { fail, ok, type Result } from "@/core/result";
import type { Db } from "@/db/connection";
import { Hold } from "@/db/hold";
import { createFile, holdOf, openToRead, openToWrite } from "@/db/opening";
import { insertAccount } from "@/db/journal";
import { writeSettings } from "@/db/settings";

import { bookExists, bookFile, isBookName, makeBookFolders } from "./folders";
import { upgradeBook } from "./upgradeBook";
import { firstProblem } from "@/contracts/problems";

/** Makes a new, empty book with the default chart of accounts. */
export function createBook(book: string, input: z.input<typeof bookSchema>): Result<Db> {
  if (!isBookName(book)) return fail("book.name", { book });
  if (bookExists(book)) return fail("book.exists", { book });
  const parsed = bookSchema.safeParse(input);
  if (!parsed.success) return fail("input.invalid", firstProblem(parsed.error, "Book"));
  makeBookFolders(book);
  const hold = Hold.claim(holdOf(bookFile(book)));
  if (hold === null) return fail("book.held", { book });
  try {
    makeFile(book, parsed.data);
  } finally {
    hold.release();
  }
  return openToWrite(bookFile(book));
}

function makeFile(book: string, facts: z.output<typeof bookSchema>): void {
  // Made aside and named when it is whole: a creation that is cut off leaves no book.
  const making = `${bookFile(book)}.making`;
  for (const rest of ["", "-wal", "-shm"]) rmSync(`${making}${rest}`, { force: true });
  const db = createFile(making);
  db.transaction(() => {
    writeSettings(db, {
      ...facts,
      discountGraceDays: 0,
      smallDifferenceLimit: 500,
      smallestSumAskedFor: 1000,
      people: ["clerk"],
      lockedTo: null,
    });
    for (const account of DEFAULT_CHART) insertAccount(db, account);
  });
  db.close();
  renameSync(making, bookFile(book));
}

export function openBookToWrite(book: string): Result<Db> {
  if (!bookExists(book)) return fail("book.missing", { book });
  makeBookFolders(book);
  const opened = named(openToWrite(bookFile(book)), book);
  if (opened.ok) upgradeBook(opened.value, book);
  return opened;
}

export function openBookToRead(book: string): Result<Db> {
  if (!bookExists(book)) return fail("book.missing", { book });
  return named(openToRead(bookFile(book)), book);
}

/** A failure to open says of which book it speaks. */
function named(opened: Result<Db>, book: string): Result<Db> {
  return opened.ok ? opened : { ok: false, error: { ...opened.error, book } };
}

/**
 * A connection that was opened before, where the book's file is still the one that it was opened on;
 * else why nothing may be read from it or written to it any more.
 */
export function stillOpen(book: string, db: Db): Result<Db> {
  const state = db.fileState();
  if (state === "same") return ok(db);
  return fail(state === "gone" ? "book.gone" : "book.replaced", { book });
}
