import type { Day } from "@/core/calendar";

import type { AccountRef, EntryDraft, ItemRef, Line } from "./entry";

/** What every posting rule is told: the day, the document it comes from, and the customer it is about. */
export type Head = {
  readonly on: Day;
  readonly document: EntryDraft["document"];
  readonly partyId?: number | null;
};

/** The roles of the posting table in docs/architecture.md, by its letters. */
export const R: AccountRef = { role: "receivables" };
export const U: AccountRef = { role: "unidentified" };
export const K: AccountRef = { role: "credits" };
export const D: AccountRef = { role: "disputed" };
export const F: AccountRef = { role: "fees" };
export const H: AccountRef = { role: "on_hand" };
export const clearing = (of: string): AccountRef => ({ role: "clearing", of });
export const bank = (of: string): AccountRef => ({ role: "bank", of });
export const openItem = (id: number): ItemRef => ({ kind: "open_item", id });
export const receiptItem = (id: number): ItemRef => ({ kind: "receipt", id });

export function entry(event: EntryDraft["event"], head: Head, lines: readonly Line[]): EntryDraft {
  return {
    event,
    postedOn: head.on,
    document: head.document,
    partyId: head.partyId ?? null,
    lines,
  };
}
