import { type FollowUpWorkings } from "@/contracts/overdue";
import { addDays, type Day, daysBetween } from "@/core/calendar";
import { keptOf, offerFor, waitInWords } from "@/core/followup";
import { type Proposal } from "@/core/matching";
import { type Minor, ZERO } from "@/core/money";
import { reachedBy } from "@/core/parties";
import { type Db } from "@/db/connection";
import { paymentsOf } from "@/db/figures";
import { readSettings } from "@/db/settings";
import { waitingFiles } from "@/server/arrivals/queries/arrived";
import { draftLetter, whyNoAddress } from "@/server/overdue/letters";
import { whyToday } from "@/server/overdue/queries/letterRun";
import { overdueRows } from "@/server/overdue/queries/overdue";
import { type OverdueRow, type RowItem } from "@/server/overdue/queries/overdueRow";

import type { BookContext } from "@/server/runtime/bookContext";
import { habitInWords, promisesOf } from "./customer";
import { historyOf } from "./customerHistory";

/**
 * The middle of what a customer paid at once over a year, in the book's currency; null where it
 * paid nothing.
 */
function usualPayment(db: Db, customerId: number, today: Day): Minor | null {
  const { currency } = readSettings(db);
  const sums = paymentsOf(db, [customerId], addDays(today, -365))
    .filter((payment) => payment.currency === currency)
    .map(({ amount }) => amount)
    .sort((a, b) => a - b);
  return sums[Math.floor(sums.length / 2)] ?? null;
}

/** The letter a customer would get today, looked at before it goes. */
export function followUpWorkings(
  { db, book, today }: Pick<BookContext, "db" | "book" | "today">,
  customerId: number,
  proposals: readonly Proposal[],
): FollowUpWorkings | null {
  const row = overdueRows(db, today, proposals, customerId).find(
    (overdue) => overdue.customer.id === customerId,
  );
  if (!row) return null;
  const settings = readSettings(db);
  const { phone, callee } = reachedBy(row.persons, row.customer);
  const draft = draftLetter(db, row, { settings, today });
  const letter = draft.ok ? draft.value : nothingToWrite(row);
  return {
    customerId,
    to: letter.to,
    subject: letter.subject,
    body: letter.body,
    sum: letter.sum,
    credit: row.credit,
    step: letter.step,
    waits: row.waits.map((wait) => waitInWords(wait, settings.currency)),
    habit: habitInWords(db, customerId),
    history: lastWords(db, customerId, today),
    items: letter.items.map((item) => askedFor(item, today)),
    copies: letter.copies,
    problem: whyNoAddress(letter),
    lastWord: row.lastWord,
    phone,
    callee,
    offer: offerFor({
      asked: row.asked,
      usual: usualPayment(db, customerId, today),
      broken: row.lastWord?.kind === "promise" && row.lastWord.state === "broken",
      today,
    }),
    ...keptOf(promisesOf(db, customerId, today)),
    why: whyToday(row, today, settings.currency),
    filesWaiting: waitingFiles(db, book),
    leftOut: row.detail().items.flatMap(itemLeftOut),
  };
}

/** Where every invoice is left out there is nothing to write, yet all the rest to see. */
const nothingToWrite = (row: OverdueRow) => ({
  to: null,
  copies: "",
  back: [],
  subject: "",
  body: "",
  sum: ZERO,
  step: row.next.step.step,
  items: [],
});

/** What was said and paid last, in few words. */
const lastWords = (db: Db, customerId: number, today: Day): FollowUpWorkings["history"] =>
  historyOf(db, customerId, today)
    .filter(({ kind }) => ["letter", "call", "note", "promise", "receipt"].includes(kind))
    .slice(0, 7)
    .map(({ on, kind, words }) => ({ on, words: kind === "letter" ? words : `${kind}: ${words}` }));

const askedFor = (item: RowItem, today: Day): FollowUpWorkings["items"][number] => ({
  id: item.id,
  number: item.number,
  description: item.description ?? "",
  dueOn: item.dueOn,
  days: daysBetween(item.dueOn, today),
  balance: item.balance,
  currency: item.currency,
});

function itemLeftOut(item: RowItem): FollowUpWorkings["leftOut"] {
  const { id, number, leftOut: reason, balance, currency } = item;
  return reason === null ? [] : [{ id, number, reason, balance, currency }];
}
