import "server-only";

import { notFound, redirect } from "next/navigation";

import type { BookFacts } from "@/contracts/shell";
import type { Proposal } from "@/core/matching";
import { type BookContext, bookContext } from "@/server/runtime/bookContext";
import { proposalsFor, readingOf } from "@/server/runtime/threads/reader";

/** What every page of a book begins with; a book that is not there is not found. */
export async function pageOf(
  params: Promise<{ book: string }>,
): Promise<BookContext & { proposals: () => Promise<Proposal[]> }> {
  const { book } = await params;
  const context = bookContext(book);
  if (!context) closed(book);
  return { ...context, proposals: () => proposalsFor(book) };
}

/** Leads away from a book that cannot be read: to the list of books, which says why and what to do. */
function closed(book: string): never {
  const opened = readingOf(book);
  if (opened.ok || opened.error.code === "book.missing") notFound();
  redirect(`/?closed=${encodeURIComponent(book)}`);
}

/** What each page of a book is given of it beside its own facts. */
export function factsOf({ book, currency, today }: BookContext): BookFacts {
  return { book, currency, today };
}

export type Search = Promise<Record<string, string | string[] | undefined>>;

/** One value of the address's query, or a fallback. */
export function one(search: Awaited<Search>, name: string, fallback = ""): string {
  const value = search[name];
  return (Array.isArray(value) ? value[0] : value) ?? fallback;
}

/** Rows of a list page. */
export const PAGE_ROWS = 100;

/** No list has so many pages; what is asked beyond is shown as empty. */
const LAST_PAGE = 1_000_000_000;

export function pageNumber(search: Awaited<Search>): number {
  const number = Number.parseInt(one(search, "page", "1"), 10);
  return number > 0 ? Math.min(number, LAST_PAGE) : 1;
}

/** An id of the address; null where none stands there. */
export function idIn(search: Awaited<Search>, name: string): number | null {
  const id = Number(one(search, name));
  return Number.isSafeInteger(id) && id > 0 ? id : null;
}
