import "server-only";

import { notFound } from "next/navigation";

import type { Day } from "@/core/calendar";
import type { Proposal } from "@/core/matching";
import type { Db } from "@/db/connection";
import { readSettings, type Settings } from "@/db/settings";
import { todayOf } from "@/server/runtime/context";
import { proposalsFor, reading } from "@/server/runtime/threads/reader";

/** What every page of a book begins with; a book that is not there is not found. */
export async function pageOf(params: Promise<{ book: string }>): Promise<{
  book: string;
  db: Db;
  settings: Settings;
  today: Day;
  proposals: () => Promise<Proposal[]>;
}> {
  const { book } = await params;
  const db = reading(book);
  if (!db) notFound();
  const settings = readSettings(db);
  return { book, db, settings, today: todayOf(settings), proposals: () => proposalsFor(book) };
}

export type Search = Promise<Record<string, string | string[] | undefined>>;

/** One value of the address's query, or a fallback. */
export function one(search: Awaited<Search>, name: string, fallback = ""): string {
  const value = search[name];
  return (Array.isArray(value) ? value[0] : value) ?? fallback;
}

/** Rows of a list page. */
export const PAGE_ROWS = 100;

export function pageNumber(search: Awaited<Search>): number {
  const number = Number.parseInt(one(search, "page", "1"), 10);
  return Number.isInteger(number) && number > 0 ? number : 1;
}
