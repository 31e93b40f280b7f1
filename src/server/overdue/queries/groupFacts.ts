import { type Day } from "@/core/calendar";
import {
  type FeedReach,
  type FollowedRow,
  type Ladder,
  type PromisedPart,
  staleFeed,
} from "@/core/followup";
import { add, type Currency, minor, type Minor, ZERO } from "@/core/money";
import { type ContactPerson } from "@/core/parties";
import { type Db } from "@/db/connection";
import { type ContactRow, lastWords, promiseParts } from "@/db/contacts";
import { feedReach } from "@/db/feeds";
import { followedRows, itemsLeftOut, stepsSaid } from "@/db/followed";
import { ladders } from "@/db/ladders";
import { type LetterRow } from "@/db/letters";
import { personsByCustomer } from "@/db/persons";
import { worthOn } from "@/db/rates";
import { openQuestions } from "@/db/questions";
import { creditsKept, disputedReceipts, receiptsInState } from "@/db/receipts";
import { readSettings } from "@/db/settings";
import { onTheirWay } from "@/db/started";

/** A receipt without a home, and whose it may be; what follow-up needs of a proposal. */
export type MaybeFrom = {
  readonly receiptId: number;
  readonly readings: readonly { readonly customerId: number | null }[];
};

export type Words = {
  letter: Pick<LetterRow, "step" | "onDay"> | undefined;
  contact: ContactRow | undefined;
  promise: ContactRow | undefined;
};

export type GroupFacts = {
  smallest: Minor;
  maybe: Map<number, { receiptId: number; amount: Minor }[]>;
  credit: Map<number, Minor>;
  creditIn: Map<number, { currency: Currency; sum: Minor }[]>;
  disputed: Map<number, Minor>;
  questions: Map<number, { on: Day; number: string | null }>;
  onWay: Map<number, { sum: Minor; startedOn: Day }>;
  stale: FeedReach | null;
  parts: Map<number, PromisedPart[]>;
  interval: number;
  words: Map<number, Words>;
  ladders: readonly Ladder[];
  followed: Map<number, FollowedRow>;
  persons: Map<number, ContactPerson[]>;
  leftOut: Map<number, string>;
  said: Map<number, { step: number; on: Day }[]>;
};

export function factsByGroup(
  db: Db,
  proposals: readonly MaybeFrom[],
  headOf: HeadOf,
  today: Day,
): GroupFacts {
  const { smallestSumAskedFor, letterInterval, feedDays, currency: book } = readSettings(db);
  const worth: Worth = (amount, currency, on) => worthOn(db, { amount, currency, book, on });
  return {
    ...creditByGroup(db, headOf),
    maybe: maybeByGroup(db, proposals, headOf, worth),
    disputed: disputedByGroup(db, headOf, worth),
    questions: questionsByGroup(db, headOf),
    onWay: onWayByGroup(db, headOf, worth),
    stale: staleFeed(feedReach(db, today), { today, within: feedDays }),
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

/** The oldest open question of each group. */
function questionsByGroup(db: Db, headOf: HeadOf): GroupFacts["questions"] {
  const questions: GroupFacts["questions"] = new Map();
  for (const { customerId, askedOn, number } of openQuestions(db)) {
    const head = headOf(customerId);
    if (!questions.has(head)) questions.set(head, { on: askedOn, number });
  }
  return questions;
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

function listOf<K, V>(map: Map<K, V[]>, key: K): V[] {
  const known = map.get(key);
  if (known) return known;
  const made: V[] = [];
  map.set(key, made);
  return made;
}
