import { bankingDaysBetween, type Day } from "@/core/calendar";
import { DEFAULT_STEPS, followUpToday, promiseToday, type Feed, type FollowUpState, type FollowUpToday, type Ladder, type PromisedPart, type PromiseState, type PromiseToday, type StaleFeed } from "@/core/followup";
import type { Proposal } from "@/core/matching";
import { agingOf, type Aging } from "@/core/metrics";
import { add, minor, sumOf, ZERO, type Currency, type Minor } from "@/core/money";
import { groupHead } from "@/core/parties";
import type { Db } from "@/db/connection";
import { allCustomers, familyOf, type CustomerRow } from "@/db/customers";
import { lastWords, paidBetween, promiseParts, type ContactRow, type LetterRow } from "@/db/followup";
import { lastImportDay } from "@/db/files";
import { followedAs, followedRows, itemsLeftOut, ladders, stepsSaid, type FollowedRow } from "@/db/ladders";
import { onTheirWay } from "@/db/started";
import { itemsToFollow, openItemsOf, type FollowItem } from "@/db/openItems";
import { receiptsInState } from "@/db/receipts";
import { bookValue, worthOn } from "@/db/rates";
import { readSettings } from "@/db/settings";

export type LastWord = { kind: "letter"; step: number; on: Day } | { kind: "call" | "note"; on: Day; text: string } | { kind: "promise"; on: Day; dueOn: Day; sum: Minor | null; state: PromiseState };
export type OverdueState = FollowUpState;

/** A customer (with its sites) that a step of the ladder is about, or that owes something past its date. Sums in the book's currency. */
export type OverdueRow = FollowUpToday & {
  customer: CustomerRow; sites: number; items: FollowItem[]; aging: Aging; credit: Minor; /** The same credit, currency by currency. */ creditIn: ReadonlyMap<Currency, Minor>; lastWord: LastWord | null; followed: FollowedRow; ladder: string; ladderId: number;
};

type Words = { letter: LetterRow | undefined; contact: ContactRow | undefined; promise: ContactRow | undefined };

/**
 * Every customer with something overdue, each exactly once: ready, waiting with
 * the reason, later, or left out. Largest first. With `only`, that customer's
 * group alone is read.
 */
export function overdueRows(db: Db, today: Day, proposals: readonly Proposal[], only: number | null = null): OverdueRow[] {
  const customers = new Map((only === null ? allCustomers(db) : familyOf(db, only)).map((customer) => [customer.id, customer]));
  const heads = new Map([...customers.values()].map((customer) => [customer.id, groupHead(customer, customers)]));
  const headOf = (id: number): number => heads.get(id) ?? id;
  const groups = new Map<number, FollowItem[]>();
  for (const item of only === null ? itemsToFollow(db) : [...customers.keys()].flatMap((id) => openItemsOf(db, id))) listOf(groups, headOf(item.customerId)).push(item);
  const facts = factsByGroup(db, proposals, headOf, today);
  const rows: OverdueRow[] = [];
  for (const [id, items] of groups) {
    const customer = customers.get(id);
    items.sort((a, b) => (a.dueOn < b.dueOn ? -1 : a.dueOn > b.dueOn ? 1 : a.id - b.id));
    const row = customer ? rowOf(db, customer, items, today, facts) : null;
    if (row) rows.push(row);
  }
  return rows.sort((a, b) => rank(a) - rank(b) || b.overdue - a.overdue || a.customer.id - b.customer.id);
}

const rank = (row: OverdueRow): number => ["ready", "waits", "later", "left_out"].indexOf(row.state) * 2 - (row.lastWord?.kind === "promise" && row.lastWord.state === "broken" ? 1 : 0);

type GroupFacts = { smallest: Minor; maybe: Map<number, { receiptId: number; amount: Minor }[]>; credit: Map<number, Minor>; creditIn: Map<number, { currency: Currency; sum: Minor }[]>; disputed: Map<number, Minor>; onWay: Map<number, { sum: Minor; startedOn: Day }>; stale: StaleFeed | null; parts: Map<number, PromisedPart[]>; interval: number; words: Map<number, Words>; ladders: readonly Ladder[]; followed: Map<number, FollowedRow>; leftOut: Map<number, string>; said: Map<number, { step: number; on: Day }[]> };

function factsByGroup(db: Db, proposals: readonly Proposal[], headOf: (id: number) => number, today: Day): GroupFacts {
  const maybe = new Map<number, { receiptId: number; amount: Minor }[]>();
  const { smallestSumAskedFor, letterInterval, currency: book } = readSettings(db);
  const amounts = new Map(receiptsInState(db, "to_match").map((receipt) => [receipt.id, worthOn(db, receipt.unidentified, receipt.currency, book, receipt.settledOn)]));
  for (const { receiptId, readings } of proposals) {
    const heads = new Set(readings.flatMap((reading) => (reading.customerId === null ? [] : [headOf(reading.customerId)])));
    for (const head of heads) listOf(maybe, head).push({ receiptId, amount: amounts.get(receiptId) ?? ZERO });
  }
  const [credit, disputed] = [new Map<number, Minor>(), new Map<number, Minor>()];
  const creditIn = new Map<number, { currency: Currency; sum: Minor }[]>();
  const kept = db.all<{ customerId: number; currency: Currency; own: Minor; onAccount: number }>(
    `SELECT r.customer_id AS customerId, r.currency, sum(r.on_account) AS own, sum(${bookValue("r", "on_account", "credits", "receipt", -1)}) AS onAccount FROM receipt r WHERE r.customer_id IS NOT NULL AND r.on_account <> 0 GROUP BY r.customer_id, r.currency`,
  );
  for (const row of kept) {
    const head = headOf(row.customerId);
    credit.set(head, add(credit.get(head) ?? 0, row.onAccount));
    listOf(creditIn, head).push({ currency: row.currency, sum: row.own });
  }
  for (const row of db.all<{ customerId: number; amount: Minor; currency: Currency; on: Day }>('SELECT customer_id AS customerId, amount, currency, settled_on AS "on" FROM receipt WHERE customer_id IS NOT NULL AND disputed = 1')) {
    const head = headOf(row.customerId);
    disputed.set(head, add(disputed.get(head) ?? 0, worthOn(db, row.amount, row.currency, book, row.on)));
  }
  const onWay = new Map<number, { sum: Minor; startedOn: Day }>();
  for (const { customerId, amount, currency, startedOn } of onTheirWay(db)) {
    if (customerId === null) continue;
    const head = headOf(customerId);
    const known = onWay.get(head);
    onWay.set(head, { sum: add(known?.sum ?? 0, worthOn(db, amount, currency, book, startedOn)), startedOn: known?.startedOn ?? startedOn });
  }
  return { onWay, stale: staleFeed(db, today), parts: promiseParts(db), interval: letterInterval, smallest: minor(smallestSumAskedFor), maybe, credit, creditIn, disputed, words: wordsByCustomer(db), ladders: ladders(db), followed: new Map(followedRows(db).map((row) => [row.customerId, row])), leftOut: itemsLeftOut(db), said: stepsSaid(db) };
}

/** Banking days after which the files are too old to say who has paid. */
const STALE_AFTER = 5;

/** The feed that has fallen behind, the one that came longest ago; null while they are fresh, or there are none yet. */
function staleFeed(db: Db, today: Day): StaleFeed | null {
  const reach = (["processor", "bank"] satisfies Feed[]).flatMap((feed): StaleFeed[] => { const since = lastImportDay(db, feed); return since === null ? [] : [{ feed, since }]; });
  const [oldest] = reach.sort((a, b) => (a.since < b.since ? -1 : 1));
  return oldest && bankingDaysBetween(oldest.since, today) > STALE_AFTER ? oldest : null;
}

function wordsByCustomer(db: Db): Map<number, Words> {
  const words = new Map<number, Words>();
  const { letters, contacts } = lastWords(db);
  const of = (id: number): Words => words.get(id) ?? { letter: undefined, contact: undefined, promise: undefined };
  for (const letter of letters) words.set(letter.customerId, { ...of(letter.customerId), letter });
  for (const contact of contacts) words.set(contact.customerId, { ...of(contact.customerId), [contact.kind === "promise" ? "promise" : "contact"]: contact });
  return words;
}

function rowOf(db: Db, customer: CustomerRow, items: FollowItem[], today: Day, facts: GroupFacts): OverdueRow | null {
  const followed = facts.followed.get(customer.id) ?? followedAs(customer.id);
  const ladder = facts.ladders.find(({ id, standard }) => (followed.ladderId === null ? standard : id === followed.ladderId)) ?? facts.ladders[0];
  const notes = minor(-sumOf(items.filter((item) => item.balance < 0), (item) => item.bookBalance));
  const credit = add(facts.credit.get(customer.id) ?? 0, notes);
  const words = facts.words.get(customer.id);
  const promise = words?.promise ? promiseNow(db, words.promise, facts.parts.get(words.promise.id), today) : null;
  const state = promise?.state ?? null;
  const gets = followUpToday({
    today, items: items.map((item) => ({ id: item.id, dueOn: item.dueOn, balance: item.bookBalance, leftOut: facts.leftOut.get(item.id) ?? null })), steps: ladder && ladder.steps.length > 0 ? ladder.steps : DEFAULT_STEPS, said: facts.said.get(customer.id) ?? [], lastLetterOn: words?.letter?.onDay ?? null, interval: facts.interval,
    credit, smallest: followed.smallest ?? facts.smallest, maybeTheirs: facts.maybe.get(customer.id) ?? [], disputed: facts.disputed.get(customer.id) ?? ZERO, onWay: facts.onWay.get(customer.id) ?? null, stale: facts.stale, promise: state === "open" ? (promise?.next ?? null) : null, quietUntil: followed.quietUntil,
    promiseBroken: state === "broken", leftOut: customer.leftOut, byItself: followed.byItself,
  });
  if (gets === null) return null;
  return {
    ...gets, customer, sites: new Set(items.map((item) => item.customerId).filter((id) => id !== customer.id)).size, items, aging: agingOf(items.map(({ dueOn, bookBalance }) => ({ dueOn, balance: bookBalance })), today), credit, creditIn: creditIn(items, facts.creditIn.get(customer.id) ?? []),
    lastWord: lastWord(words, promise), followed, ladder: ladder?.name ?? "", ladderId: ladder?.id ?? 0,
  };
}

/** Sums on account and credit notes, by their own currency. */
function creditIn(items: readonly FollowItem[], kept: readonly { currency: Currency; sum: Minor }[]): ReadonlyMap<Currency, Minor> {
  const sums = new Map<Currency, Minor>();
  for (const { currency, sum } of [...kept, ...items.filter(({ balance }) => balance < 0).map(({ currency, balance }) => ({ currency, sum: minor(-balance) }))]) sums.set(currency, add(sums.get(currency) ?? 0, sum));
  return sums;
}

/** How a promise stands today, by what came of the customer since it was made; null where the contact is none. */
export function promiseNow(db: Db, contact: ContactRow, parts: readonly PromisedPart[] | undefined, today: Day): PromiseToday | null {
  if (contact.promisedOn === null) return null;
  return promiseToday(parts ?? [{ dueOn: contact.promisedOn, sum: contact.promisedSum }], (to) => paidBetween(db, contact.customerId, contact.onDay, to), today);
}

function lastWord(words: Words | undefined, promise: PromiseToday | null): LastWord | null {
  const said: LastWord[] = [];
  if (words?.letter) said.push({ kind: "letter", step: words.letter.step, on: words.letter.onDay });
  if (words?.contact && words.contact.kind !== "promise") said.push({ kind: words.contact.kind, on: words.contact.onDay, text: words.contact.text });
  if (words?.promise?.promisedOn && promise) said.push({ kind: "promise", on: words.promise.onDay, dueOn: promise.next?.dueOn ?? words.promise.promisedOn, sum: promise.next ? promise.next.sum : words.promise.promisedSum, state: promise.state });
  return said.reduce<LastWord | null>((last, one) => (last === null || one.on >= last.on ? one : last), null);
}

function listOf<K, V>(map: Map<K, V[]>, key: K): V[] {
  const known = map.get(key);
  if (known) return known;
  const made: V[] = [];
  map.set(key, made);
  return made;
}
