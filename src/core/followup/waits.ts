import { formatDay, type Day } from "@/core/calendar";
import { formatAmount, type Currency, type Minor } from "@/core/money";

import type { Feed, FeedReach } from "./feeds";

const FEED_WORDS: Record<Feed, string> = { processor: "processor file", bank: "bank statement" };

/** Why a customer is left alone today. */
export type Wait =
  | {
      readonly code: "receipt";
      readonly sum: Minor;
      readonly count: number;
      readonly receiptId: number;
    }
  | { readonly code: "on_way"; readonly sum: Minor; readonly startedOn: Day }
  | ({ readonly code: "stale" } & FeedReach)
  | { readonly code: "promise"; readonly dueOn: Day; readonly sum: Minor | null }
  | { readonly code: "credit"; readonly sum: Minor }
  | { readonly code: "dispute"; readonly sum: Minor }
  | { readonly code: "question"; readonly on: Day; readonly number: string | null }
  | { readonly code: "quiet"; readonly until: Day }
  | { readonly code: "small"; readonly limit: Minor };

export type WaitFacts = {
  readonly today: Day;
  readonly overdue: Minor;
  readonly credit: Minor;
  readonly smallest: Minor;
  /** Receipts without a home that may be this customer's. */
  readonly maybeTheirs: readonly { readonly receiptId: number; readonly amount: Minor }[];
  readonly disputed: Minor;
  /** What they asked and nobody has ended: the oldest, and the invoice that it is about. */
  readonly question?: { readonly on: Day; readonly number: string | null } | null;
  /** ACH debits of theirs that have not settled. */
  readonly onWay?: { readonly sum: Minor; readonly startedOn: Day } | null;
  /** The feed that has fallen behind: it ends too long ago to know who has paid. */
  readonly stale?: FeedReach | null;
  readonly promise: { readonly dueOn: Day; readonly sum: Minor | null } | null;
  /** The customer is not to be reminded before this day. */
  readonly quietUntil?: Day | null;
};

/** Everything that holds a reminder back, the strongest first; empty where nothing does. */
export function waitsFor(facts: WaitFacts): Wait[] {
  return [...moneyOnItsWay(facts), ...wordsGiven(facts), ...sumsThatSay(facts)];
}

/** What may have come already, or is coming. */
function moneyOnItsWay({ maybeTheirs, onWay, stale }: WaitFacts): Wait[] {
  const waits: Wait[] = [];
  const [first] = maybeTheirs;
  if (first) {
    const sum = maybeTheirs.reduce((all, maybeTheir) => all + maybeTheir.amount, 0) as Minor;
    waits.push({ code: "receipt", sum, count: maybeTheirs.length, receiptId: first.receiptId });
  }
  if (onWay) waits.push({ code: "on_way", ...onWay });
  if (stale) waits.push({ code: "stale", ...stale });
  return waits;
}

/** What they promised, what was promised to them, and what they wait to hear. */
function wordsGiven({ today, promise, quietUntil, question }: WaitFacts): Wait[] {
  const waits: Wait[] = [];
  if (promise && promise.dueOn >= today) waits.push({ code: "promise", ...promise });
  if (quietUntil && quietUntil > today) waits.push({ code: "quiet", until: quietUntil });
  if (question) waits.push({ code: "question", ...question });
  return waits;
}

function sumsThatSay({ disputed, credit, overdue, smallest }: WaitFacts): Wait[] {
  const waits: Wait[] = [];
  if (disputed > 0) waits.push({ code: "dispute", sum: disputed });
  if (credit > 0 && credit >= overdue) waits.push({ code: "credit", sum: credit });
  if (overdue < smallest) waits.push({ code: "small", limit: smallest });
  return waits;
}

export function waitInWords(wait: Wait, currency: Currency): string {
  switch (wait.code) {
    case "receipt":
      return wait.count === 1
        ? `${formatAmount(wait.sum, currency)} to match`
        : `${wait.count} receipts to match, ${formatAmount(wait.sum, currency)}`;
    case "on_way":
      return `${formatAmount(wait.sum, currency)} by ACH on its way since ${formatDay(wait.startedOn)}`;
    case "stale":
      return `a newer ${FEED_WORDS[wait.feed]} of ${wait.account}: the last goes to ${formatDay(wait.to)}`;
    case "promise":
      return `promise, ${formatDay(wait.dueOn)}`;
    case "dispute":
      return `dispute of ${formatAmount(wait.sum, currency)} open`;
    case "question":
      return `a question of ${formatDay(wait.on)} about ${wait.number ?? "the account"} is open`;
    case "credit":
      return `credit of ${formatAmount(wait.sum, currency)} covers it`;
    case "quiet":
      return `no reminders until ${formatDay(wait.until)}`;
    case "small":
      return `under ${formatAmount(wait.limit, currency)}`;
    default:
      throw wait satisfies never;
  }
}
