import type { Db } from "@/db/connection";

import { openBookToRead, stillOpen } from "../books";

const open = new Map<string, Db>();

/**
 * A book's connection in a thread of the pool, of its own and only to read; it stays open as long
 * as the thread lives.
 */
export function taskBook(book: string): Db {
  const known = open.get(book);
  const opened = known ? stillOpen(book, known) : openBookToRead(book);
  // A book that cannot be read must not look like one in which there is nothing.
  if (!opened.ok) throw new Error(`the book ${book} cannot be opened: ${opened.error.code}`);
  open.set(book, opened.value);
  return opened.value;
}
