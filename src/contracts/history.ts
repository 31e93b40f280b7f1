import type { Day } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";

/** Plain shapes of the server's stories, for the pages that show them. */
export type EntryLineView = {
  accountId: number;
  code: string;
  name: string;
  role: string;
  debit: Minor | null;
  credit: Minor | null;
  /** Its own sum, where that is in another currency than the book's. */
  own: {
    amount: Minor;
    currency: Currency;
  } | null;
  href: string | null;
};
export type EntryView = {
  id: number;
  event: string;
  postedOn: Day;
  document: string;
  documentHref: string | null;
  reverses: number | null;
  reversedBy: number | null;
  /** The day it is for, where that was closed. */
  datedFor: Day | null;
  lines: EntryLineView[];
};
export type ActView = {
  id: number;
  on: Day;
  at: string;
  actor: string;
  text: string;
  undone: boolean;
  undoable: boolean;
};
/** Where in which file a document stood. */
export type OriginPlace = { fileId: number; name: string; line: number | null; sha256: string };
/** A page before the line of the file behind it was read. */
export type Unread<Page extends { origin: Origin | null }> = Omit<Page, "origin"> & {
  origin: OriginPlace | null;
};
/** The same, with the line as it was given. */
export type Origin = Omit<OriginPlace, "sha256"> & {
  headers: readonly string[];
  cells: readonly string[];
};
export type Linked = {
  words: string;
  href: string;
  on: Day;
  amount: Minor;
  note: string;
  ended: boolean;
};
export type Backing = { entries: EntryView[]; acts: ActView[]; origin: Origin | null };

export type EntryHistory = {
  entry: EntryView;
  act: ActView | null;
  origin: Origin | null;
  others: { id: number; event: string; document: string }[];
};
