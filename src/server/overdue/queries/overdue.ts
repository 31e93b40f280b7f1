import type { LastWord, OverdueState } from "@/contracts/overdue";
import { bankingDaysBetween, earlierFirst, type Day } from "@/core/calendar";
import {
  daysAhead,
  DEFAULT_STEPS,
  type Feed,
  type FollowUpFacts,
  followUpToday,
  type FollowUpToday,
  type Ladder,
  type LadderStep,
  namedItems,
  type PromisedPart,
  promiseToday,
  type PromiseToday,
  type StaleFeed,
} from "@/core/followup";
import type { Aging } from "@/core/metrics";
import { add, type Currency, minor, type Minor, ZERO } from "@/core/money";
import { type ContactPerson, groupHead } from "@/core/parties";
import type { Db } from "@/db/connection";
import { allCustomers, type CustomerRow, familyOf } from "@/db/customers";
import { lastImportDay } from "@/db/files";
import { followSums, type FollowSums, together } from "@/db/followSums";
import {
  type ContactRow,
  lastWords,
  type LetterRow,
  paidBetween,
  promiseParts,
} from "@/db/followup";
import {
  followedAs,
  type FollowedRow,
  followedRows,
  itemsLeftOut,
  ladders,
  stepsSaid,
} from "@/db/ladders";
import { type OpenItemRow, openItemsOf } from "@/db/openItems";
import { personsByCustomer } from "@/db/persons";
import { worthOn } from "@/db/rates";
import { creditsKept, disputedReceipts, receiptsInState } from "@/db/receipts";
import { readSettings } from "@/db/settings";
import { onTheirWay } from "@/db/started";

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

/** A receipt without a home, and whose it may be; what follow-up needs of a proposal. */
export type MaybeFrom = {
  readonly receiptId: number;
  readonly readings: readonly { readonly customerId: number | null }[];
};

type Words = {
  letter: Pick<LetterRow, "step" | "onDay"> | undefined;
  contact: ContactRow | undefined;
  promise: ContactRow | undefined;
};

/**
 * Every customer with something overdue, each exactly once: ready, waiting with
 * the reason, later, or left out. Largest first. With `only`, that customer's
 * group alone is read.
 */
export function overdueRows(
  db: Db,
  today: Day,
  proposals: readonly MaybeFrom[],
  only: number | null = null,
): OverdueRow[] {
  const customers = new Map(
    (only === null ? allCustomers(db) : familyOf(db, only)).map((customer) => [
      customer.id,
      customer,
    ]),
  );
  const headOf = (id: number): number => {
    const customer = customers.get(id);
    return customer === undefined || customer.parentId === null
      ? id
      : groupHead(customer, customers);
  };
  const facts = factsByGroup(db, proposals, headOf, today);
  const groups = openByGroup(db, {
    today,
    facts,
    headOf,
    only: only === null ? null : [...customers.keys()],
  });
  const rows: OverdueRow[] = [];
  for (const [id, group] of groups) {
    const customer = customers.get(id);
    const row = customer ? rowOf(db, { customer, group, today, facts }) : null;
    if (row) rows.push(row);
  }
  return sortedRows(rows);
}

const NOBODY: readonly ContactPerson[] = [];

/** The open items of a group in sums, with the members that have some. */
type Group = FollowSums & { members: number[] };

type GroupsAsked = {
  today: Day;
  facts: GroupFacts;
  headOf: (id: number) => number;
  only: readonly number[] | null;
};

/** What each group has open; ladders that begin before the due day look further ahead than others. */
function openByGroup(db: Db, { today, facts, headOf, only }: GroupsAsked): Map<number, Group> {
  const groups = new Map<number, Group>();
  const aheads = [...new Set(facts.ladders.map(({ steps }) => daysAhead(steps)))];
  for (const ahead of aheads.length === 0 ? [0] : aheads) {
    for (const [id, own] of followSums(db, today, ahead, only)) {
      const head = headOf(id);
      if (aheads.length > 1 && daysAhead(ladderOf(facts, head).steps) !== ahead) continue;
      const known = groups.get(head);
      const both = known ? together(known, own) : own;
      groups.set(head, {
        sums: both.sums,
        aging: both.aging,
        notes: both.notes,
        members: known ? [...known.members, id] : [id],
      });
    }
  }
  return groups;
}

function ladderOf(
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

function sortedRows(rows: OverdueRow[]): OverdueRow[] {
  const ranked = rows.map((row) => ({
    row,
    rank: rank(row),
    overdue: row.overdue,
    id: row.customer.id,
  }));
  ranked.sort((a, b) => a.rank - b.rank || b.overdue - a.overdue || a.id - b.id);
  return ranked.map(({ row }) => row);
}

const RANKS: Record<OverdueState, number> = { ready: 0, waits: 2, later: 4, left_out: 6 };
const rank = (row: OverdueRow): number =>
  RANKS[row.state] - (row.lastWord?.kind === "promise" && row.lastWord.state === "broken" ? 1 : 0);

type GroupFacts = {
  smallest: Minor;
  maybe: Map<number, { receiptId: number; amount: Minor }[]>;
  credit: Map<number, Minor>;
  creditIn: Map<number, { currency: Currency; sum: Minor }[]>;
  disputed: Map<number, Minor>;
  onWay: Map<number, { sum: Minor; startedOn: Day }>;
  stale: StaleFeed | null;
  parts: Map<number, PromisedPart[]>;
  interval: number;
  words: Map<number, Words>;
  ladders: readonly Ladder[];
  followed: Map<number, FollowedRow>;
  persons: Map<number, ContactPerson[]>;
  leftOut: Map<number, string>;
  said: Map<number, { step: number; on: Day }[]>;
};

function factsByGroup(
  db: Db,
  proposals: readonly MaybeFrom[],
  headOf: HeadOf,
  today: Day,
): GroupFacts {
  const { smallestSumAskedFor, letterInterval, currency: book } = readSettings(db);
  const worth: Worth = (amount, currency, on) => worthOn(db, { amount, currency, book, on });
  return {
    ...creditByGroup(db, headOf),
    maybe: maybeByGroup(db, proposals, headOf, worth),
    disputed: disputedByGroup(db, headOf, worth),
    onWay: onWayByGroup(db, headOf, worth),
    stale: staleFeed(db, today),
    parts: promiseParts(db),
    interval: letterInterval,
    smallest: minor(smallestSumAskedFor),
    words: wordsByCustomer(db),
    ladders: ladders(db),
    followed: new Map(followedRows(db).map((row) => [row.customerId, row])),
    persons: personsByCustomer(db),
    leftOut: itemsLeftOut(db),
    said: stepsSaid(db),
  };
}

type HeadOf = (id: number) => number;
/** What a sum is worth in the book's currency on a day. */
type Worth = (amount: Minor, currency: Currency, on: Day) => Minor;

/** Receipts that wait, and may be a group's: it is asked for nothing until they are matched. */
function maybeByGroup(
  db: Db,
  proposals: readonly MaybeFrom[],
  headOf: HeadOf,
  worth: Worth,
): GroupFacts["maybe"] {
  const maybe: GroupFacts["maybe"] = new Map();
  const amounts = new Map(
    receiptsInState(db, "to_match").map((receipt) => [
      receipt.id,
      worth(receipt.unidentified, receipt.currency, receipt.settledOn),
    ]),
  );
  for (const { receiptId, readings } of proposals) {
    const heads = new Set(
      readings.flatMap(({ customerId }) => (customerId === null ? [] : [headOf(customerId)])),
    );
    for (const head of heads)
      listOf(maybe, head).push({ receiptId, amount: amounts.get(receiptId) ?? ZERO });
  }
  return maybe;
}

function creditByGroup(db: Db, headOf: HeadOf): Pick<GroupFacts, "credit" | "creditIn"> {
  const credit: GroupFacts["credit"] = new Map();
  const creditIn: GroupFacts["creditIn"] = new Map();
  for (const row of creditsKept(db)) {
    const head = headOf(row.customerId);
    credit.set(head, add(credit.get(head) ?? 0, row.onAccount));
    listOf(creditIn, head).push({ currency: row.currency, sum: row.own });
  }
  return { credit, creditIn };
}

function disputedByGroup(db: Db, headOf: HeadOf, worth: Worth): GroupFacts["disputed"] {
  const disputed: GroupFacts["disputed"] = new Map();
  for (const { customerId, amount, currency, on } of disputedReceipts(db)) {
    const head = headOf(customerId);
    disputed.set(head, add(disputed.get(head) ?? 0, worth(amount, currency, on)));
  }
  return disputed;
}

function onWayByGroup(db: Db, headOf: HeadOf, worth: Worth): GroupFacts["onWay"] {
  const onWay: GroupFacts["onWay"] = new Map();
  for (const { customerId, amount, currency, startedOn } of onTheirWay(db)) {
    if (customerId === null) continue;
    const head = headOf(customerId);
    const known = onWay.get(head);
    onWay.set(head, {
      sum: add(known?.sum ?? 0, worth(amount, currency, startedOn)),
      startedOn: known?.startedOn ?? startedOn,
    });
  }
  return onWay;
}

/** Banking days after which the files are too old to say who has paid. */
const STALE_AFTER = 5;

/**
 * The feed that has fallen behind, the one that came longest ago; null while they are fresh, or
 * there are none yet.
 */
function staleFeed(db: Db, today: Day): StaleFeed | null {
  const reach = (["processor", "bank"] satisfies Feed[]).flatMap((feed): StaleFeed[] => {
    const since = lastImportDay(db, feed);
    return since === null ? [] : [{ feed, since }];
  });
  const [oldest] = reach.sort((a, b) => (a.since < b.since ? -1 : 1));
  return oldest && bankingDaysBetween(oldest.since, today) > STALE_AFTER ? oldest : null;
}

function wordsByCustomer(db: Db): Map<number, Words> {
  const words = new Map<number, Words>();
  const { letters, contacts } = lastWords(db);
  const of = (id: number): Words =>
    words.get(id) ?? { letter: undefined, contact: undefined, promise: undefined };
  for (const letter of letters) words.set(letter.customerId, { ...of(letter.customerId), letter });
  for (const contact of contacts)
    words.set(contact.customerId, {
      ...of(contact.customerId),
      [contact.kind === "promise" ? "promise" : "contact"]: contact,
    });
  return words;
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
    onWay: facts.onWay.get(id) ?? null,
    stale: facts.stale,
    quietUntil: followed.quietUntil,
    byItself: followed.byItself,
  };
}

function rowOf(db: Db, { customer, group, today, facts }: GroupToShow): OverdueRow | null {
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
function creditIn(
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

/**
 * How a promise stands today, by what came of the customer since it was made; null where the
 * contact is none.
 */
export function promiseNow(
  db: Db,
  contact: ContactRow,
  parts: readonly PromisedPart[] | undefined,
  today: Day,
): PromiseToday | null {
  if (contact.promisedOn === null) return null;
  return promiseToday(
    parts ?? [{ dueOn: contact.promisedOn, sum: contact.promisedSum }],
    (to) => paidBetween(db, contact.customerId, contact.onDay, to),
    today,
  );
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

function listOf<K, V>(map: Map<K, V[]>, key: K): V[] {
  const known = map.get(key);
  if (known) return known;
  const made: V[] = [];
  map.set(key, made);
  return made;
}
