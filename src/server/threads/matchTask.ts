import type { Proposal } from "@/core/matching";
import type { Db } from "@/db/connection";

import { openBookToRead } from "../books";
import { proposalsOf } from "../proposals";

const open = new Map<string, Db>();

/** Matches a whole book in a worker thread of the pool, on a connection of its own that only reads. */
export default function matchBook({ book }: { book: string }): Proposal[] {
  let db = open.get(book);
  if (!db) {
    const opened = openBookToRead(book);
    // A book that cannot be read must not look like one in which nothing fits.
    if (!opened.ok) throw new Error(`the book ${book} cannot be opened to match: ${opened.error.code}`);
    db = opened.value;
    open.set(book, db);
  }
  return proposalsOf(db);
}
