import { type Day, dayNumber, dayOfNumber } from "@/core/calendar";
import { type Currency, minor, type Minor } from "@/core/money";

import type { Db } from "./connection";
import { mergeCount } from "./merges";

/**
 * Every line of receivables in memory, column by column: what was open on any
 * day is added up from it in milliseconds, by whatever it is asked. Columns of
 * items are by their id, those of lines in the order of the journal; days are
 * day numbers, sums minor units, debit positive.
 */
export type ReceivableMovements = {
  readonly customer: number[];
  readonly dueOn: number[];
  readonly issuedOn: number[];
  readonly isNote: boolean[];
  readonly currency: Currency[];
  readonly item: number[];
  readonly postedOn: number[];
  readonly own: number[];
  readonly book: number[];
  /** What each item stands at after the last of them, in its own currency. */
  readonly now: number[];
  /** The last entry that was read, and the highest id of a customer who has items. */
  entry: number;
  customers: number;
  /** How often customers had become one when it was read: whose an item is, changes by that. */
  readonly merges: number;
};

/** Rows that are read at a time: a JSON text of them stays small. */
const AT_A_TIME = 100_000;
const kept = new WeakMap<Db, ReceivableMovements>();

/**
 * The moves of a book, brought up to date by what was posted since they were
 * last asked for: the journal is append-only, so that what was read once holds.
 * A connection that writes may take back what it wrote, and reads all of them
 * each time.
 */
export function receivableMovements(db: Db): ReceivableMovements {
  const merges = mergeCount(db);
  const before = kept.get(db);
  const moves = before?.merges === merges ? before : emptyMovements(merges);
  const last =
    db.get<{ id: number }>("SELECT last_entry AS id FROM posting ORDER BY first_entry DESC LIMIT 1")
      ?.id ?? 0;
  for (; moves.entry < last; moves.entry = Math.min(last, moves.entry + AT_A_TIME))
    readLines(db, moves, Math.min(last, moves.entry + AT_A_TIME));
  // After the lines: an item is there before any line speaks of it.
  const items = db.get<{ id: number | null }>("SELECT max(id) AS id FROM open_item")?.id ?? 0;
  for (let from = moves.customer.length; from <= items; from += AT_A_TIME)
    readItems(db, moves, from, Math.min(items, from + AT_A_TIME - 1));
  if (db.readsOnly) kept.set(db, moves);
  return moves;
}

const emptyMovements = (merges: number): ReceivableMovements => ({
  merges,
  customer: [],
  dueOn: [],
  issuedOn: [],
  isNote: [],
  currency: [],
  item: [],
  postedOn: [],
  own: [],
  book: [],
  now: [],
  entry: 0,
  customers: 0,
});

function readLines(db: Db, moves: ReceivableMovements, to: number): void {
  const rows = db.lists<[number, Day, number, number]>(
    ["l.item_id", "e.posted_on", "l.amount", "l.book_amount"],
    `FROM entry_line l CROSS JOIN entry e ON e.id = l.entry_id
    WHERE l.entry_id > ? AND l.entry_id <= ? AND l.item_kind = 'open_item' AND l.account_id IN (SELECT id FROM account WHERE role = 'receivables')`,
    moves.entry,
    to,
  );
  for (const [item, on, own, book] of rows) {
    moves.item.push(item);
    moves.postedOn.push(dayNumber(on));
    moves.own.push(own);
    moves.book.push(book);
    moves.now[item] = (moves.now[item] ?? 0) + own;
  }
}

function readItems(db: Db, moves: ReceivableMovements, from: number, to: number): void {
  for (const [id, customer, dueOn, issuedOn, note, currency] of db.lists<
    [number, number, Day, Day, 0 | 1, Currency]
  >(
    ["id", "customer_id", "due_on", "issued_on", "kind = 'credit_note'", "currency"],
    "FROM open_item WHERE id BETWEEN ? AND ?",
    from,
    to,
  )) {
    moves.customer[id] = customer;
    moves.customers = Math.max(moves.customers, customer);
    moves.dueOn[id] = dayNumber(dueOn);
    moves.issuedOn[id] = dayNumber(issuedOn);
    moves.isNote[id] = note === 1;
    moves.currency[id] = currency;
  }
}

/** What each item stood at on a day, by its id; in its own currency, or in the book's. */
export function standingOn(
  moves: ReceivableMovements,
  asOf: Day,
  which: "own" | "book",
): Float64Array {
  const sums = new Float64Array(Math.max(moves.customer.length, 1));
  const { item, postedOn } = moves;
  const [amounts, until] = [moves[which], dayNumber(asOf)];
  for (let at = 0; at < item.length; at += 1)
    if ((postedOn[at] ?? 0) <= until)
      sums[item[at] ?? 0] = (sums[item[at] ?? 0] ?? 0) + (amounts[at] ?? 0);
  return sums;
}

/** What is open of an item on a day, in the book's currency; debit positive. */
export type OpenThen = {
  readonly id: number;
  readonly customerId: number;
  readonly dueOn: Day;
  readonly left: Minor;
};

/**
 * Every item of which something was to be paid on a day (credit notes are left out), in the order
 * of their due days.
 */
export function toBePaidOn(db: Db, asOf: Day): OpenThen[] {
  const moves = receivableMovements(db);
  const sums = standingOn(moves, asOf, "book");
  const found: OpenThen[] = [];
  for (let id = 0; id < sums.length; id += 1) {
    const left = sums[id] ?? 0;
    if (left > 0)
      found.push({
        id,
        customerId: moves.customer[id] ?? 0,
        dueOn: dayOfNumber(moves.dueOn[id] ?? 0),
        left: minor(left),
      });
  }
  return found.sort((a, b) => (moves.dueOn[a.id] ?? 0) - (moves.dueOn[b.id] ?? 0) || a.id - b.id);
}

/** What credit notes took off receivables on a day and nobody has used, positive; book's currency. */
export function notUsedOn(db: Db, asOf: Day): Minor {
  const sums = standingOn(receivableMovements(db), asOf, "book");
  let notes = 0;
  for (const sum of sums) if (sum < 0) notes -= sum;
  return minor(notes);
}
