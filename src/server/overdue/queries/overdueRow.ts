import { type LastWord } from "@/contracts/overdue";
import { type Day, earlierFirst } from "@/core/calendar";
import {
  daysAhead,
  DEFAULT_STEPS,
  type FollowedRow,
  type FollowUpFacts,
  followUpToday,
  type FollowUpToday,
  type LadderStep,
  namedItems,
  type PromiseToday,
} from "@/core/followup";
import { type Aging } from "@/core/metrics";
import { add, type Currency, minor, type Minor, ZERO } from "@/core/money";
import { type ContactPerson } from "@/core/parties";
import { type Db } from "@/db/connection";
import { type CustomerRow } from "@/db/customers";
import { followedAs } from "@/db/followed";
import { type FollowSums } from "@/db/moveSums";
import { type OpenItemRow, openItemsOf } from "@/db/openItems";

import { type GroupFacts, type Words } from "./groupFacts";
import { promiseNow } from "./promiseNow";

/**
 * A customer (with its sites) that a step of the ladder is about, or that owes something past its
 * date. Sums in the book's currency.
 */
export type OverdueRow = FollowUpToday & {
  customer: CustomerRow;
  sites: number;
  aging: Aging;
  credit: Minor;
  /** Its items, read when they are asked for. */
  detail: () => RowDetail;
  lastWord: LastWord | null;
  followed: FollowedRow;
  /** Its contact persons. */
  persons: readonly ContactPerson[];
  ladder: string;
  ladderId: number;
};

/** An open item of a row; why no letter names it, or null. */
export type RowItem = OpenItemRow & { leftOut: string | null };

/**
 * What a group has open, oldest due first; what today's step names of it; and its credit, currency
 * by currency.
 */
export type RowDetail = {
  readonly items: readonly RowItem[];
  readonly named: readonly number[];
  readonly creditIn: ReadonlyMap<Currency, Minor>;
};

const NOBODY: readonly ContactPerson[] = [];

/** The open items of a group in sums, with the members that have some. */
export type Group = FollowSums & { members: number[] };

export function ladderOf(
  facts: GroupFacts,
  customerId: number,
): { id: number; name: string; steps: readonly LadderStep[] } {
  const ladderId = facts.followed.get(customerId)?.ladderId ?? null;
  const ladder =
    facts.ladders.find(({ id, standard }) => (ladderId === null ? standard : id === ladderId)) ??
    facts.ladders[0];
  return ladder && ladder.steps.length > 0
    ? ladder
    : { id: ladder?.id ?? 0, name: ladder?.name ?? "", steps: DEFAULT_STEPS };
}

type GroupToShow = {
  customer: CustomerRow;
  group: Group;
  today: Day;
  facts: GroupFacts;
};

function promiseFacts(
  promise: PromiseToday | null,
): Pick<FollowUpFacts, "promise" | "promiseBroken"> {
  const open = promise?.state === "open";
  return {
    promise: open ? promise.next : null,
    promiseBroken: promise?.state === "broken",
  };
}

/** What is known of one customer besides its items and what was said to it. */
function factsOf(facts: GroupFacts, id: number, followed: FollowedRow) {
  return {
    said: facts.said.get(id) ?? [],
    interval: facts.interval,
    smallest: followed.smallest ?? facts.smallest,
    maybeTheirs: facts.maybe.get(id) ?? [],
    disputed: facts.disputed.get(id) ?? ZERO,
    question: facts.questions.get(id) ?? null,
    onWay: facts.onWay.get(id) ?? null,
    stale: facts.stale,
    quietUntil: followed.quietUntil,
    byItself: followed.byItself,
  };
}

export function rowOf(db: Db, { customer, group, today, facts }: GroupToShow): OverdueRow | null {
  const followed = facts.followed.get(customer.id) ?? followedAs(customer.id);
  const ladder = ladderOf(facts, customer.id);
  const credit = add(facts.credit.get(customer.id) ?? 0, group.notes);
  const words = facts.words.get(customer.id);
  const promise = words?.promise
    ? promiseNow(db, words.promise, facts.parts.get(words.promise.id), today)
    : null;
  const gets = followUpToday({
    today,
    sums: group.sums,
    steps: ladder.steps,
    lastLetterOn: words?.letter?.onDay ?? null,
    credit,
    leftOut: customer.leftOut,
    ...factsOf(facts, customer.id, followed),
    ...promiseFacts(promise),
  });
  if (gets === null) return null;
  // The items themselves are read when somebody looks at them: of a large book few are.
  let read: RowDetail | null = null;
  // Field by field: a spread makes each row several times as slow, of fifty thousand.
  return {
    state: gets.state,
    next: gets.next,
    waits: gets.waits,
    asked: gets.asked,
    overdue: gets.overdue,
    oldestDueOn: gets.oldestDueOn,
    oldestDays: gets.oldestDays,
    letterFrom: gets.letterFrom,
    goesByItself: gets.goesByItself,
    leftOut: gets.leftOut,
    customer,
    sites: group.members.length - (group.members.includes(customer.id) ? 1 : 0),
    aging: group.aging,
    credit,
    lastWord: lastWord(words, promise),
    followed,
    persons: facts.persons.get(customer.id) ?? NOBODY,
    ladder: ladder.name,
    ladderId: ladder.id,
    detail: () =>
      (read ??= detailOf(db, {
        group,
        gets,
        steps: ladder.steps,
        today,
        leftOut: facts.leftOut,
        kept: facts.creditIn.get(customer.id) ?? [],
      })),
  };
}

type DetailFacts = {
  group: Group;
  gets: FollowUpToday;
  steps: readonly LadderStep[];
  today: Day;
  leftOut: ReadonlyMap<number, string>;
  kept: readonly { currency: Currency; sum: Minor }[];
};

function detailOf(db: Db, { group, gets, steps, today, leftOut, kept }: DetailFacts): RowDetail {
  const items = itemsOf(db, group.members, leftOut);
  return {
    items,
    named: namedItems(
      items.map((item) => ({ ...item, balance: item.bookBalance })),
      gets.next.step,
      daysAhead(steps),
      today,
    ).map(({ id }) => id),
    creditIn: creditIn(items, kept),
  };
}

/** The open items of a group, oldest due first. */
function itemsOf(
  db: Db,
  members: readonly number[],
  leftOut: ReadonlyMap<number, string>,
): RowItem[] {
  return members
    .flatMap((id) => openItemsOf(db, id))
    .map((item) => ({ ...item, leftOut: leftOut.get(item.id) ?? null }))
    .sort((a, b) => earlierFirst(a.dueOn, b.dueOn) || a.id - b.id);
}

/** Sums on account and credit notes, by their own currency. */
export function creditIn(
  items: readonly RowItem[],
  kept: readonly { currency: Currency; sum: Minor }[],
): ReadonlyMap<Currency, Minor> {
  const sums = new Map<Currency, Minor>();
  for (const { currency, sum } of [
    ...kept,
    ...items
      .filter(({ balance }) => balance < 0)
      .map(({ currency, balance }) => ({ currency, sum: minor(-balance) })),
  ])
    sums.set(currency, add(sums.get(currency) ?? 0, sum));
  return sums;
}

function lastWord(words: Words | undefined, promise: PromiseToday | null): LastWord | null {
  const { letter, contact, promise: promised } = words ?? {};
  const said: LastWord[] = [];
  if (letter) said.push({ kind: "letter", step: letter.step, on: letter.onDay });
  if (contact && contact.kind !== "promise")
    said.push({ kind: contact.kind, on: contact.onDay, text: contact.text });
  if (promised?.promisedOn && promise)
    said.push({
      kind: "promise",
      on: promised.onDay,
      dueOn: promise.next?.dueOn ?? promised.promisedOn,
      sum: promise.next ? promise.next.sum : promised.promisedSum,
      state: promise.state,
    });
  return said.reduce<LastWord | null>(
    (last, word) => (last === null || word.on >= last.on ? word : last),
    null,
  );
}
