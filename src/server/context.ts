import { addDays, type Day } from "@/core/calendar";
import { dayInZone } from "@/core/formats";
import type { AccountRef, EntryDraft } from "@/core/ledger";
import { formatAmount } from "@/core/money";
import { insertAct, type ActKind, type SubjectKind } from "@/db/acts";
import type { Db } from "@/db/connection";
import { accountFinder, insertEntry } from "@/db/journal";
import { readSettings, type Settings } from "@/db/settings";

/** Who does it, in which book, and whom to tell how far it is. */
export type Actor = { readonly book: string; readonly actor: string; readonly progress?: (done: number, of: number) => void };

/** Today in the book: its fixed clock, or the day in its time zone. */
export function todayOf(settings: Settings): Day {
  return settings.clock ?? dayInZone(new Date(), settings.timeZone);
}

/** What a command works with: the open transaction, the book's settings, and how to post and to leave a trace. */
export class Ctx {
  readonly settings: Settings;
  readonly today: Day;
  private finder: ((ref: AccountRef) => number) | null = null;

  constructor(
    readonly db: Db,
    readonly who: Actor,
    readonly commandId: number,
    readonly at: string,
  ) {
    this.settings = readSettings(db);
    this.today = todayOf(this.settings);
  }

  /** Writes one line of history for a document; entries posted for it carry its id. */
  act(kind: ActKind, subject: { kind: SubjectKind; id: number; customerId?: number | null }, text: string): number {
    return insertAct(this.db, {
      commandId: this.commandId, kind, subjectKind: subject.kind, subjectId: subject.id, customerId: subject.customerId ?? null, text, onDay: this.today, at: this.at, actor: this.who.actor,
    });
  }

  /** Posts an entry. What would fall on a closed day is dated on the first open one, and keeps the day it is for. */
  post(draft: EntryDraft, actId: number, reverses: number | null = null): number {
    this.finder ??= accountFinder(this.db);
    const { lockedTo } = this.settings;
    if (lockedTo === null || draft.postedOn > lockedTo) return insertEntry(this.db, this.finder, draft, actId, reverses);
    return insertEntry(this.db, this.finder, { ...draft, postedOn: addDays(lockedTo, 1) }, actId, reverses, draft.postedOn);
  }

  /** The chart has changed: accounts are looked up anew. */
  chartChanged(): void {
    this.finder = null;
  }

  /** A sum in the words of messages and history. */
  sum(amount: number): string {
    return formatAmount(amount, this.settings.currency);
  }
}
