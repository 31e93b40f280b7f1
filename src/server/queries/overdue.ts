import { bankingDaysBetween, daysBetween, type Day } from "@/core/calendar";
import { nextStep, promiseState, waitsFor, type NextStep, type PromiseState, type Wait } from "@/core/followup";
import type { Proposal } from "@/core/matching";
import { agingOf, type Aging } from "@/core/metrics";
import { add, minor, sumOf, ZERO, type Minor } from "@/core/money";
import { groupHead } from "@/core/parties";
import type { Db } from "@/db/connection";
import { allCustomers, familyOf, type CustomerRow } from "@/db/customers";
import { lastWords, paidBetween, type ContactRow, type LetterRow } from "@/db/followup";
import { lastImportDay } from "@/db/files";
import { onTheirWay } from "@/db/started";
import { openItems, openItemsOf, type OpenItemRow } from "@/db/openItems";
import { receiptsInState } from "@/db/receipts";
import { readSettings } from "@/db/settings";

export type LastWord = { kind: "letter"; step: number; on: Day } | { kind: "call" | "note"; on: Day; text: string } | { kind: "promise"; on: Day; dueOn: Day; sum: Minor | null; state: PromiseState };
export type OverdueState = "ready" | "waits" | "later" | "left_out";

/** A customer (with its sites) who owes something past its date. Sums in the book's currency. */
export type OverdueRow = {
  customer: CustomerRow; sites: number; items: OpenItemRow[]; aging: Aging; overdue: Minor; credit: Minor; oldestDueOn: Day; oldestDays: number; lastWord: LastWord | null; next: NextStep; waits: Wait[]; state: OverdueState;
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
  const groups = new Map<number, OpenItemRow[]>();
  for (const item of only === null ? openItems(db) : [...customers.keys()].flatMap((id) => openItemsOf(db, id))) listOf(groups, headOf(item.customerId)).push(item);
  const facts = factsByGroup(db, proposals, headOf, today);
  const rows: OverdueRow[] = [];
  for (const [id, items] of groups) {
    const customer = customers.get(id);
    const late = items.filter((item) => item.balance > 0 && item.dueOn < today);
    if (customer && late.length > 0) rows.push(rowOf(db, customer, items, late, today, facts));
  }
  return rows.sort((a, b) => rank(a) - rank(b) || b.overdue - a.overdue || a.customer.id - b.customer.id);
}

const rank = (row: OverdueRow): number => ["ready", "waits", "later", "left_out"].indexOf(row.state) * 2 - (row.lastWord?.kind === "promise" && row.lastWord.state === "broken" ? 1 : 0);

type GroupFacts = { smallest: Minor; maybe: Map<number, { receiptId: number; amount: Minor }[]>; credit: Map<number, Minor>; disputed: Map<number, Minor>; onWay: Map<number, { sum: Minor; startedOn: Day }>; staleSince: Day | null; words: Map<number, Words> };

function factsByGroup(db: Db, proposals: readonly Proposal[], headOf: (id: number) => number, today: Day): GroupFacts {
  const maybe = new Map<number, { receiptId: number; amount: Minor }[]>();
  const amounts = new Map(receiptsInState(db, "to_match").map((receipt) => [receipt.id, receipt.unidentified]));
  for (const { receiptId, readings } of proposals) {
    const heads = new Set(readings.flatMap((reading) => (reading.customerId === null ? [] : [headOf(reading.customerId)])));
    for (const head of heads) listOf(maybe, head).push({ receiptId, amount: amounts.get(receiptId) ?? ZERO });
  }
  const [credit, disputed] = [new Map<number, Minor>(), new Map<number, Minor>()];
  const kept = db.all<{ customerId: number; onAccount: number; disputed: number }>(
    "SELECT customer_id AS customerId, sum(on_account) AS onAccount, sum(CASE WHEN disputed = 1 THEN amount ELSE 0 END) AS disputed FROM receipt WHERE customer_id IS NOT NULL AND (on_account <> 0 OR disputed = 1) GROUP BY customer_id",
  );
  for (const row of kept) {
    const head = headOf(row.customerId);
    credit.set(head, add(credit.get(head) ?? 0, row.onAccount));
    disputed.set(head, add(disputed.get(head) ?? 0, row.disputed));
  }
  const onWay = new Map<number, { sum: Minor; startedOn: Day }>();
  for (const { customerId, amount, startedOn } of onTheirWay(db)) {
    if (customerId === null) continue;
    const head = headOf(customerId);
    const known = onWay.get(head);
    onWay.set(head, { sum: add(known?.sum ?? 0, amount), startedOn: known?.startedOn ?? startedOn });
  }
  return { onWay, staleSince: staleSince(db, today), smallest: minor(readSettings(db).smallestSumAskedFor), maybe, credit, disputed, words: wordsByCustomer(db) };
}

/** Banking days after which the files are too old to say who has paid. */
const STALE_AFTER = 5;

/** The day on which the feed came last that has fallen behind; null while they are fresh, or there are none yet. */
function staleSince(db: Db, today: Day): Day | null {
  const reach = (["processor", "bank"] as const).map((kind) => lastImportDay(db, kind)).filter((on): on is Day => on !== null);
  const oldest = reach.reduce<Day | null>((least, on) => (least === null || on < least ? on : least), null);
  return oldest !== null && bankingDaysBetween(oldest, today) > STALE_AFTER ? oldest : null;
}

function wordsByCustomer(db: Db): Map<number, Words> {
  const words = new Map<number, Words>();
  const { letters, contacts } = lastWords(db);
  const of = (id: number): Words => words.get(id) ?? { letter: undefined, contact: undefined, promise: undefined };
  for (const letter of letters) words.set(letter.customerId, { ...of(letter.customerId), letter });
  for (const contact of contacts) words.set(contact.customerId, { ...of(contact.customerId), [contact.kind === "promise" ? "promise" : "contact"]: contact });
  return words;
}

function rowOf(db: Db, customer: CustomerRow, items: OpenItemRow[], late: OpenItemRow[], today: Day, facts: GroupFacts): OverdueRow {
  const overdue = sumOf(late, (item) => item.balance);
  const notes = minor(-sumOf(items.filter((item) => item.balance < 0), (item) => item.balance));
  const credit = add(facts.credit.get(customer.id) ?? 0, notes);
  const oldestDueOn = late.reduce((oldest, item) => (item.dueOn < oldest ? item.dueOn : oldest), late[0]?.dueOn ?? today);
  const words = facts.words.get(customer.id);
  const promise = words?.promise?.promisedOn ? { dueOn: words.promise.promisedOn, sum: words.promise.promisedSum } : null;
  const paid = words?.promise && promise ? paidBetween(db, customer.id, words.promise.onDay, promise.dueOn < today ? promise.dueOn : today) : ZERO;
  const state = promise ? promiseState(promise, paid, today) : null;
  const lastStep = words?.letter && words.letter.onDay > oldestDueOn ? words.letter.step : 0;
  const next = nextStep(oldestDueOn, lastStep, words?.letter?.onDay ?? null);
  const waits = waitsFor({ today, overdue, credit, smallest: facts.smallest, maybeTheirs: facts.maybe.get(customer.id) ?? [], disputed: facts.disputed.get(customer.id) ?? ZERO, onWay: facts.onWay.get(customer.id) ?? null, staleSince: facts.staleSince, promise: state === "open" ? promise : null });
  const broken = state === "broken";
  return {
    customer, sites: new Set(items.map((item) => item.customerId).filter((id) => id !== customer.id)).size, items, aging: agingOf(items, today), overdue, credit, oldestDueOn, oldestDays: daysBetween(oldestDueOn, today),
    lastWord: lastWord(words, state), next, waits, state: customer.leftOut !== null ? "left_out" : waits.length > 0 ? "waits" : next.on > today && !broken ? "later" : "ready",
  };
}

function lastWord(words: Words | undefined, state: PromiseState | null): LastWord | null {
  const said: LastWord[] = [];
  if (words?.letter) said.push({ kind: "letter", step: words.letter.step, on: words.letter.onDay });
  if (words?.contact && words.contact.kind !== "promise") said.push({ kind: words.contact.kind, on: words.contact.onDay, text: words.contact.text });
  if (words?.promise?.promisedOn && state) said.push({ kind: "promise", on: words.promise.onDay, dueOn: words.promise.promisedOn, sum: words.promise.promisedSum, state });
  return said.reduce<LastWord | null>((last, one) => (last === null || one.on >= last.on ? one : last), null);
}

function listOf<K, V>(map: Map<K, V[]>, key: K): V[] {
  const known = map.get(key);
  if (known) return known;
  const made: V[] = [];
  map.set(key, made);
  return made;
}
