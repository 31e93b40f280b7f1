import type { CreditLine, HistoryLine, Learned, PayingFacts } from "@/contracts/customers";
import type { FollowUpWorkings } from "@/contracts/overdue";
import { addDays, type Day, daysBetween, earlierFirst, formatDay } from "@/core/calendar";
import { keptOf, type Ladder, offerFor, type PromiseToday, waitInWords } from "@/core/followup";
import type { Habit, Proposal } from "@/core/matching";
import { type Aging, agingOf } from "@/core/metrics";
import { add, type Currency, formatMoney, type Minor, sumOf, ZERO } from "@/core/money";
import { type ContactPerson, reachedBy } from "@/core/parties";
import { linkOf, type Visit, visitsOf } from "@/db/accountPages";
import { actsOfCustomer } from "@/db/acts";
import type { Db } from "@/db/connection";
import { aliasesOf, customerById, type CustomerRow, sitesOf } from "@/db/customers";
import { paymentsOf } from "@/db/figures";
import {
  type ContactRow,
  contactsOf,
  daysLate,
  type LetterRow,
  lettersOf,
  paidForByOthers,
  promiseParts,
} from "@/db/followup";
import { followedRow, type FollowedRow, ladders } from "@/db/ladders";
import { habits, payersOf } from "@/db/learning";
import { itemsOfCustomer, type OpenItemRow, openItemsOf } from "@/db/openItems";
import { backFrom, personsOf } from "@/db/persons";
import { carriedByDocument } from "@/db/rates";
import { receiptsOf } from "@/db/receipts";
import { readSettings } from "@/db/settings";
import { onTheirWay } from "@/db/started";
import { draftLetter, whyNoAddress } from "@/server/overdue/letters";
import { whyToday } from "@/server/overdue/queries/letterRun";
import {
  type OverdueRow,
  overdueRows,
  promiseNow,
  type RowItem,
} from "@/server/overdue/queries/overdue";

import { payingOf } from "./paying";

export type CustomerPage = {
  customer: CustomerRow;
  aliases: string[];
  parent: { id: number; name: string } | null;
  sites: { id: number; name: string; open: Minor }[];
  open: OpenItemRow[];
  credits: CreditLine[];
  /** ACH debits of its own that have not settled. */
  onWay: {
    id: number;
    startedOn: Day;
    sum: Minor;
    currency: Currency;
    words: string;
  }[];
  aging: Aging;
  overdue: Minor;
  credit: Minor;
  habit: string;
  learned: Learned;
  waits: string[];
  history: HistoryLine[];
  /** How it (or the head of its group) is followed up, and why it is on today's list or not. */
  followed: FollowedRow;
  ladders: Ladder[];
  why: string;
  /**
   * How it (with its sites) paid over a year: days late by month, by which methods, and how it kept
   * its promises.
   */
  paying: PayingFacts & {
    kept: number;
    broken: number;
  };
  /** The address of its account page on this server. */
  account: string;
  /** Its contact persons, and those of its addresses that letters come back from. */
  persons: ContactPerson[];
  back: { address: string; why: string }[];
};
/** Everything about a customer on one page, with one line of time. */
export function customerPageOf(
  db: Db,
  id: number,
  today: Day,
  proposals: readonly Proposal[],
): CustomerPage | null {
  const customer = customerById(db, id);
  if (!customer) return null;
  const { currency } = readSettings(db);
  const open = openItemsOf(db, id);
  const persons = personsOf(db, id);
  const parent = customer.parentId === null ? undefined : customerById(db, customer.parentId);
  const credits = creditLines(db, id, currency);
  const rows = overdueRows(db, today, proposals, id);
  const waits = rows.find((row) => row.customer.id === id)?.waits ?? [];
  const why = whyToday(rows[0], today, currency);
  return {
    customer,
    aliases: aliasesOf(db, id),
    parent: parent ? { id: parent.id, name: parent.name } : null,
    sites: sitesOf(db, id).map((site) => ({
      id: site.id,
      name: site.name,
      open: sumOf(openItemsOf(db, site.id), (item) => item.bookBalance),
    })),
    open,
    credits,
    onWay: onWayOf(db, id),
    aging: agingOf(
      open.map((item) => ({ ...item, balance: item.bookBalance })),
      today,
    ),
    overdue: sumOf(
      open.filter((item) => item.balance > 0 && item.dueOn < today),
      (item) => item.bookBalance,
    ),
    credit: creditInBook(db, credits, currency),
    habit: habitInWords(db, id),
    learned: {
      payers: payersOf(db, id),
      habit: payingInWords(
        habits(db, id)[0],
        daysLate(db, id).length > 0 ? habitInWords(db, id) : null,
      ),
    },
    waits: waits.map((wait) => waitInWords(wait, currency)),
    history: historyOf(db, id, today),
    followed: followedRow(db, id),
    ladders: ladders(db),
    why: parent ? `Followed up together with its head office, ${parent.name}. ${why}` : why,
    paying: { ...payingOf(db, id, today), ...keptOf(promisesOf(db, id, today)) },
    account: `/account/${linkOf(db, id)}`,
    persons,
    back: backFromAddresses(db, [customer.email ?? "", ...persons.map(({ email }) => email)]),
  };
}

function creditLines(db: Db, id: number, currency: Currency): CreditLine[] {
  return receiptsOf(db, id)
    .filter(({ onAccount }) => onAccount !== 0)
    .map((receipt) => ({
      receiptId: receipt.id,
      on: receipt.paidOn,
      sum: receipt.onAccount,
      currency: receipt.currency,
      words: `receipt of ${formatMoney(receipt.amount, receipt.currency, currency)}`,
    }));
}

/** Credit in another currency is worth what the journal carries it at. */
function creditInBook(db: Db, credits: readonly CreditLine[], book: Currency): Minor {
  const carried = carriedByDocument(db, ["credits"], "receipt");
  return sumOf(credits, ({ currency, sum, receiptId }) =>
    currency === book ? sum : add(-(carried.get(receiptId) ?? 0)),
  );
}

const onWayOf = (db: Db, id: number): CustomerPage["onWay"] =>
  onTheirWay(db)
    .filter(({ customerId }) => customerId === id)
    .map((started) => ({
      id: started.id,
      startedOn: started.startedOn,
      sum: started.amount,
      currency: started.currency,
      words: started.reference,
    }));

const backFromAddresses = (db: Db, addresses: readonly string[]): CustomerPage["back"] =>
  [...new Set(addresses)].flatMap((address) => {
    const why = backFrom(db, address);
    return why === null ? [] : [{ address, why }];
  });

/** Every promise of a customer as it stands today, the latest first. */
function promisesOf(db: Db, id: number, today: Day): PromiseToday[] {
  return contactsOf(db, id).flatMap((contact) =>
    contact.kind === "promise"
      ? (promiseNow(db, contact, promiseParts(db, contact.id).get(contact.id), today) ?? [])
      : [],
  );
}

/** How a customer usually pays, from the invoices paid in full before. */
function habitInWords(db: Db, customerId: number): string {
  const paid = daysLate(db, customerId);
  if (paid.length === 0) return "Has not paid an invoice yet";
  const average = Math.round(
    paid.reduce((sum, entry) => sum + daysBetween(entry.dueOn, entry.paidOn), 0) / paid.length,
  );
  if (average > 1) return `Pays ${average} days late as a rule`;
  return average < -1 ? `Pays ${-average} days early as a rule` : "Pays on the day as a rule";
}

/** How its receipts were given to invoices, in words; null while there are too few to say. */
function payingInWords(habit: Habit | undefined, lateness: string | null): string | null {
  if (habit === undefined || habit.receipts < 2) return lateness;
  const share = (n: number): string => {
    if (n === habit.receipts) return "always";
    if (n === 0) return "never";
    return `${n} of ${habit.receipts} times`;
  };
  return `${share(habit.several)} pays several invoices at once, ${share(habit.quoted)} quotes a number${lateness === null ? "" : `; ${lateness.charAt(0).toLowerCase()}${lateness.slice(1)}`}`;
}

/**
 * One line of time: invoices, receipts, letters with their text, calls, promises, and every act,
 * newest first.
 */
export function historyOf(db: Db, customerId: number, today: Day): HistoryLine[] {
  const { currency } = readSettings(db);
  const amount = (sum: number, own: Currency = currency): string => formatMoney(sum, own, currency);
  const facts: HistoryFacts = { db, customerId, today, amount };
  return [
    ...invoiceLines(facts),
    ...receiptLines(facts),
    ...letterLines(facts),
    ...contactLines(facts),
    ...visitLines(facts),
    ...actLines(facts),
  ].sort((a, b) => earlierFirst(b.on, a.on));
}

type HistoryFacts = {
  db: Db;
  customerId: number;
  today: Day;
  amount: (sum: number, currency?: Currency) => string;
};

/** A line of the history; most have nothing more to say, lead nowhere and cannot be undone. */
const line = (
  told: Pick<HistoryLine, "on" | "kind" | "words"> & Partial<HistoryLine>,
): HistoryLine => ({
  more: "",
  href: null,
  actId: null,
  undone: false,
  letterId: null,
  ...told,
});

const invoiceLines = ({ db, customerId, amount }: HistoryFacts): HistoryLine[] =>
  itemsOfCustomer(db, customerId, 200).map((item) =>
    line({
      on: item.issuedOn,
      kind: item.kind.replace("_", " "),
      words: `${item.number}, ${amount(item.total, item.currency)}`,
      more: item.description ?? "",
      href: `invoices/${item.id}`,
    }),
  );

/** What it paid, and what others paid for it. */
const receiptLines = ({ db, customerId, amount }: HistoryFacts): HistoryLine[] => [
  ...receiptsOf(db, customerId).map((receipt) =>
    line({
      on: receipt.paidOn,
      kind: "receipt",
      words: `${amount(receipt.amount, receipt.currency)} from ${receipt.payerName || receipt.payerEmail}`,
      more: receipt.reference,
      href: `receipts/${receipt.id}`,
    }),
  ),
  ...paidForByOthers(db, customerId).map((entry) =>
    line({
      on: entry.on,
      kind: "receipt",
      words: `${amount(entry.amount, entry.currency)} on ${entry.number}`,
      more: `paid by ${entry.payer}`,
      href: `receipts/${entry.receiptId}`,
    }),
  ),
];

const letterLines = ({ db, customerId, amount }: HistoryFacts): HistoryLine[] =>
  lettersOf(db, customerId).map((letter) =>
    line({
      on: letter.onDay,
      kind: "letter",
      words: `letter ${letter.step}, ${amount(letter.sum)}: ${letterStands(letter)}`,
      more: letter.body,
      letterId: letter.id,
    }),
  );

const contactLines = ({ db, customerId, today, amount }: HistoryFacts): HistoryLine[] =>
  contactsOf(db, customerId).map((contact) =>
    line({
      on: contact.onDay,
      kind: contact.kind,
      words:
        contact.promisedOn === null
          ? contact.text
          : `${contact.text} (${promiseInWords(db, contact, today, amount)})`,
    }),
  );

const visitLines = ({ db, customerId }: HistoryFacts): HistoryLine[] =>
  visitsOf(db, customerId).map(({ on, what, number, itemId }) =>
    line({
      on,
      kind: "seen",
      words: what === "invoice" ? `downloaded ${number ?? "an invoice"}` : VISIT_WORDS[what],
      more: "by the customer",
      href: what === "invoice" ? `invoices/${itemId}` : null,
    }),
  );

/** Every act but letters and contacts, which have lines of their own. */
const actLines = ({ db, customerId }: HistoryFacts): HistoryLine[] =>
  actsOfCustomer(db, customerId)
    .filter(({ kind }) => kind !== "letter" && kind !== "contact")
    .map((act) => {
      const undoable = act.kind === "place" || act.kind === "forget";
      return line({
        on: act.onDay,
        kind: act.kind === "place" ? "placed" : act.kind.replaceAll("_", " "),
        words: act.text,
        more: act.actor,
        href: act.subjectKind === "receipt" ? `receipts/${act.subjectId}` : null,
        actId: undoable && act.undoneBy === null ? act.id : null,
        undone: act.undoneBy !== null,
      });
    });

const VISIT_WORDS: Record<Exclude<Visit, "invoice">, string> = {
  opened: "opened the account page",
  statement: "downloaded the statement",
};

function letterStands(letter: LetterRow): string {
  if (letter.cameBack !== null) return `came back: ${letter.cameBack}`;
  if (letter.delivery === "outbox") return "in the outbox";
  if (letter.delivery === "retry") return "the mail server is tried again";
  return letter.delivery;
}

/** A promise with its parts, and how it was kept. */
function promiseInWords(
  db: Db,
  contact: ContactRow,
  today: Day,
  amount: (sum: number) => string,
): string {
  const parts = promiseParts(db, contact.id).get(contact.id);
  const state = promiseNow(db, contact, parts, today)?.state;
  const said = (parts ?? [{ dueOn: contact.promisedOn ?? today, sum: contact.promisedSum }])
    .map(
      ({ dueOn, sum }) => `${sum === null ? "" : `${amount(sum)} `}by ${formatDay(dueOn, today)}`,
    )
    .join(", ");
  return `${said}${outcomeInWords(state)}`;
}

function outcomeInWords(state: string | undefined) {
  if (state === "kept") return "; kept";
  if (state === "broken") return "; broken";
  return "";
}

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
  db: Db,
  customerId: number,
  today: Day,
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
    act: row.next.step.act,
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
