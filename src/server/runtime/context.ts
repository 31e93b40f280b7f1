import { addDays, type Day, daysBetween } from "@/core/calendar";
import { dayInZone } from "@/core/formats";
import { type AccountRef, type Carried, type EntryDraft, valued } from "@/core/ledger";
import { LARGEST_TOTAL } from "@/core/gate";
import { type Currency, formatMoney, type Ratio, ratioOf } from "@/core/money";
import type { Failure, Result } from "@/core/result";
import { type ActKind, insertAct, type SubjectKind } from "@/db/acts";
import type { Db } from "@/db/connection";
import { accountById, accountFinder, insertEntry } from "@/db/journal";
import { carriedBy, carriedByPayout, carriedOn, rateOn } from "@/db/rates";
import { readSettings, type Settings } from "@/db/settings";

/** Who does it, in which book, and whom to tell how far it is. */
export type Actor = {
  readonly book: string;
  readonly actor: string;
  readonly progress?: (done: number, of: number) => void;
  /** To see what would come of it: nothing of it is kept. */
  readonly rehearse?: boolean;
};

/** Ends a command as a failure that was not foreseen where it came up: everything is rolled back. */
export class Refusal extends Error {
  constructor(readonly failure: Failure) {
    super(failure.code);
  }
}

/** Rates are not published on weekends and holidays; one that is older than this is not the day's. */
const RATE_HOLDS_DAYS = 7;

/** Today in the book: its fixed clock, or the day in its time zone. */
export function todayOf(settings: Settings, now: Date = new Date()): Day {
  return settings.clock ?? dayInZone(now, settings.timeZone);
}

/**
 * What a command works with: the open transaction, the book's settings, and how to post and to
 * leave a trace.
 */
export class CommandContext {
  readonly settings: Settings;
  readonly today: Day;
  /** What the accounts come to that this command posts to. */
  private readonly totals = new Map<number, number>();
  private finder: ((ref: AccountRef) => number) | null = null;

  /** What is done once the transaction is committed, and never in a rehearsal. */
  readonly later: (() => void)[] = [];

  constructor(
    readonly db: Db,
    readonly who: Actor,
    readonly commandId: number,
    readonly at: string,
  ) {
    this.settings = readSettings(db);
    this.today = todayOf(this.settings);
  }

  /** A part of the command, all of it or nothing: where it is refused, what it wrote goes back. */
  part<T>(work: () => Result<T>): Result<T> {
    try {
      return this.db.savepoint(() => {
        const done = work();
        if (!done.ok) throw new Refusal(done.error);
        return done;
      });
    } catch (error) {
      if (error instanceof Refusal) return { ok: false, error: error.failure };
      throw error;
    }
  }

  /** Leaves something to be done outside the book, once what is written in it stays. */
  afterwards(work: () => void): void {
    this.later.push(work);
  }

  /** Writes one line of history for a document; entries posted for it carry its id. */
  act(
    kind: ActKind,
    subject: { kind: SubjectKind; id: number; customerId?: number | null },
    text: string,
  ): number {
    return insertAct(this.db, {
      commandId: this.commandId,
      kind,
      subjectKind: subject.kind,
      subjectId: subject.id,
      customerId: subject.customerId ?? null,
      text,
      onDay: this.today,
      at: this.at,
      actor: this.who.actor,
    });
  }

  /**
   * Posts an entry. What would fall on a closed day is dated on the first open one, and keeps the
   * day it is for. `asItWas`: its values stand already (an entry that is posted anew).
   */
  post(
    draft: EntryDraft,
    actId: number,
    reverses: number | null = null,
    { asItWas = false }: { asItWas?: boolean } = {},
  ): number {
    this.finder ??= accountFinder(this.db);
    const { lockedTo, currency } = this.settings;
    // A mirror has the values of what it undoes, and a revaluation is a value.
    const worth =
      reverses === null &&
      !asItWas &&
      draft.event !== "exchange" &&
      draft.lines.some(({ sum }) => sum.currency !== currency)
        ? this.valued(draft, this.finder)
        : draft;
    for (const { account, sum } of worth.lines) this.addUp(this.finder(account), sum.book);
    return lockedTo === null || draft.postedOn > lockedTo
      ? insertEntry(this.db, this.finder, worth, { actId, reverses })
      : insertEntry(
          this.db,
          this.finder,
          { ...worth, postedOn: addDays(lockedTo, 1) },
          { actId, reverses, datedFor: draft.postedOn },
        );
  }

  /** Adds a line to what its account comes to, which is looked up once; refuses what no sum can hold. */
  private addUp(accountId: number, book: number): void {
    const before = this.totals.get(accountId) ?? accountById(this.db, accountId)?.balance ?? 0;
    const total = before + book;
    if (Math.abs(total) > LARGEST_TOTAL)
      throw new Refusal({
        code: "sum.total",
        account: accountById(this.db, accountId)?.name ?? "an account",
      });
    this.totals.set(accountId, total);
  }

  private valued(draft: EntryDraft, find: (ref: AccountRef) => number): EntryDraft {
    const carried = ({ account, item, sum }: EntryDraft["lines"][number]): Carried => {
      const id = find(account);
      // Disputes and reserves come and go as items of their own: what is left of them is carried together.
      if (account.role === "disputed" || account.role === "reserve")
        return carriedOn(this.db, id, sum.currency);
      if (item === null) return { amount: 0, book: 0 };
      return item.kind === "payout"
        ? carriedByPayout(this.db, id, sum.currency, item.id)
        : carriedBy(this.db, {
            accountId: id,
            currency: sum.currency,
            kind: item.kind,
            id: item.id,
          });
    };
    return valued(draft, this.settings.currency, carried, (currency) =>
      this.rate(currency, draft.postedOn),
    );
  }

  /**
   * Why nothing in a currency can be taken in on a day: its rate is not known, or too old. Null
   * where it can.
   */
  staleRate(currency: Currency, on: Day): Failure | null {
    if (currency === this.settings.currency) return null;
    const known = rateOn(this.db, currency, on);
    if (known && known.onDay <= on && daysBetween(known.onDay, on) <= RATE_HOLDS_DAYS) return null;
    return {
      code: "rate.missing",
      currency,
      day: on,
      last: known && known.onDay <= on ? known.onDay : "none",
    };
  }

  /**
   * What one of a currency is worth in the book's on a day. Nothing gets into a book in a currency
   * without a rate (`staleRate`).
   */
  private rate(currency: Currency, on: Day): Ratio {
    const ratio = ratioOf(rateOn(this.db, currency, on)?.rate ?? "");
    if (!ratio.ok) throw new Error(`there is no exchange rate for ${currency}`);
    return ratio.value;
  }

  /** The chart has changed: accounts are looked up anew. */
  chartChanged(): void {
    this.finder = null;
  }

  /** A sum in the words of messages and history; in another currency than the book's with its code. */
  sum(amount: number, currency: Currency = this.settings.currency): string {
    return formatMoney(amount, currency, this.settings.currency);
  }
}
