import { Matcher, type Proposal } from "@/core/matching";
import type { Db } from "@/db/connection";

import { openBookToRead } from "../books";
import { matchingInput } from "../proposals";

/** Books as they were matched last, each on a connection of its own that only reads. */
const open = new Map<string, { db: Db; matcher: Matcher | null }>();
const MOST_OPEN = 4;

/** Matches a book in a worker thread: all of it the first time, then only what a change since can reach. */
export default function matchBook({ book }: { book: string }): Proposal[] {
  let kept = open.get(book);
  if (!kept) {
    const opened = openBookToRead(book);
    if (!opened.ok) return [];
    kept = { db: opened.value, matcher: null };
    const [oldest] = open.keys();
    if (open.size >= MOST_OPEN && oldest !== undefined) { open.get(oldest)?.db.close(); open.delete(oldest); }
    open.set(book, kept);
  }
  const input = matchingInput(kept.db);
  const updated = kept.matcher?.update(input);
  if (updated) return updated;
  kept.matcher = new Matcher(input);
  return kept.matcher.all();
}
