import type { Day } from "@/core/calendar";
import type { Currency } from "@/core/money";
import type { Db } from "@/db/connection";
import { readSettings, type Settings } from "@/db/settings";

import { todayOf } from "./context";
import { reading } from "./threads/reader";

/** A book as a page or a request reads it: its connection, what it is set to, its day. */
export type BookContext = {
  book: string;
  db: Db;
  settings: Settings;
  currency: Currency;
  today: Day;
};

/** The book by its name in addresses; null where there is none. */
export function bookContext(book: string): BookContext | null {
  const db = reading(book);
  if (!db) return null;
  const settings = readSettings(db);
  return { book, db, settings, currency: settings.currency, today: todayOf(settings) };
}
