import {
  accountById,
  accountFinder,
  insertEntry,
  valued
} from "./chunk-HCLLIY37.mjs";
import {
  insertAct
} from "./chunk-55UEKTAP.mjs";
import {
  dayInZone
} from "./chunk-KO2L2HI2.mjs";
import {
  carriedBy,
  carriedByPayout,
  carriedOn,
  rateOn,
  readSettings
} from "./chunk-WZI5MHZ3.mjs";
import {
  LARGEST_TOTAL,
  addDays,
  daysBetween,
  formatMoney,
  ratioOf
} from "./chunk-HBIDXRTT.mjs";

// src/server/runtime/context.ts
var Refusal = class extends Error {
  constructor(failure) {
    super(failure.code);
    this.failure = failure;
  }
  failure;
};
var RATE_HOLDS_DAYS = 7;
function todayOf(settings, now = /* @__PURE__ */ new Date()) {
  return settings.clock ?? dayInZone(now, settings.timeZone);
}
var CommandContext = class {
  constructor(db, who, commandId, at) {
    this.db = db;
    this.who = who;
    this.commandId = commandId;
    this.at = at;
    this.settings = readSettings(db);
    this.today = todayOf(this.settings);
  }
  db;
  who;
  commandId;
  at;
  settings;
  today;
  /** What the accounts come to that this command posts to. */
  totals = /* @__PURE__ */ new Map();
  finder = null;
  /** What is done once the transaction is committed, and never in a rehearsal. */
  later = [];
  /** A part of the command, all of it or nothing: where it is refused, what it wrote goes back. */
  part(work) {
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
  afterwards(work) {
    this.later.push(work);
  }
  /** Writes one line of history for a document; entries posted for it carry its id. */
  act(kind, subject, text) {
    return insertAct(this.db, {
      commandId: this.commandId,
      kind,
      subjectKind: subject.kind,
      subjectId: subject.id,
      customerId: subject.customerId ?? null,
      text,
      onDay: this.today,
      at: this.at,
      actor: this.who.actor
    });
  }
  /**
   * Posts an entry. What would fall on a closed day is dated on the first open one, and keeps the
   * day it is for. `asItWas`: its values stand already (an entry that is posted anew).
   */
  post(draft, actId, reverses = null, { asItWas = false } = {}) {
    this.finder ??= accountFinder(this.db);
    const { lockedTo, currency } = this.settings;
    const worth = reverses === null && !asItWas && draft.event !== "exchange" && draft.lines.some(({ sum }) => sum.currency !== currency) ? this.valued(draft, this.finder) : draft;
    for (const { account, sum } of worth.lines) this.addUp(this.finder(account), sum.book);
    return lockedTo === null || draft.postedOn > lockedTo ? insertEntry(this.db, this.finder, worth, { actId, reverses }) : insertEntry(
      this.db,
      this.finder,
      { ...worth, postedOn: addDays(lockedTo, 1) },
      { actId, reverses, datedFor: draft.postedOn }
    );
  }
  /** Adds a line to what its account comes to, which is looked up once; refuses what no sum can hold. */
  addUp(accountId, book) {
    const before = this.totals.get(accountId) ?? accountById(this.db, accountId)?.balance ?? 0;
    const total = before + book;
    if (Math.abs(total) > LARGEST_TOTAL)
      throw new Refusal({
        code: "sum.total",
        account: accountById(this.db, accountId)?.name ?? "an account"
      });
    this.totals.set(accountId, total);
  }
  valued(draft, find) {
    const carried = ({ account, item, sum }) => {
      const id = find(account);
      if (account.role === "disputed" || account.role === "reserve")
        return carriedOn(this.db, id, sum.currency);
      if (item === null) return { amount: 0, book: 0 };
      return item.kind === "payout" ? carriedByPayout(this.db, id, sum.currency, item.id) : carriedBy(this.db, {
        accountId: id,
        currency: sum.currency,
        kind: item.kind,
        id: item.id
      });
    };
    return valued(
      draft,
      this.settings.currency,
      carried,
      (currency) => this.rate(currency, draft.postedOn)
    );
  }
  /**
   * Why nothing in a currency can be taken in on a day: its rate is not known, or too old. Null
   * where it can.
   */
  staleRate(currency, on) {
    if (currency === this.settings.currency) return null;
    const known = rateOn(this.db, currency, on);
    if (known && known.onDay <= on && daysBetween(known.onDay, on) <= RATE_HOLDS_DAYS) return null;
    return {
      code: "rate.missing",
      currency,
      day: on,
      last: known && known.onDay <= on ? known.onDay : "none"
    };
  }
  /**
   * What one of a currency is worth in the book's on a day. Nothing gets into a book in a currency
   * without a rate (`staleRate`).
   */
  rate(currency, on) {
    const ratio = ratioOf(rateOn(this.db, currency, on)?.rate ?? "");
    if (!ratio.ok) throw new Error(`there is no exchange rate for ${currency}`);
    return ratio.value;
  }
  /** The chart has changed: accounts are looked up anew. */
  chartChanged() {
    this.finder = null;
  }
  /** A sum in the words of messages and history; in another currency than the book's with its code. */
  sum(amount, currency = this.settings.currency) {
    return formatMoney(amount, currency, this.settings.currency);
  }
};

export {
  Refusal,
  todayOf,
  CommandContext
};
