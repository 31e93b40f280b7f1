import type {
  CreditLine,
  CustomerFacts,
  HistoryLine,
  Learned,
  PaperKept,
  PayingFacts,
} from "@/contracts/customers";
import { type Day, daysBetween } from "@/core/calendar";
import {
  type FollowedRow,
  keptOf,
  type Ladder,
  type PromiseToday,
  waitInWords,
} from "@/core/followup";
import type { Habit, Proposal } from "@/core/matching";
import { type Aging, agingOf } from "@/core/metrics";
import { add, type Currency, formatMoney, type Minor, sumOf } from "@/core/money";
import { type ContactPerson } from "@/core/parties";
import { linkOf } from "@/db/accountPages";
import { attachmentsOf } from "@/db/attachments";
import type { Db } from "@/db/connection";
import { contactsOf, daysLate, promiseParts } from "@/db/contacts";
import { aliasesOf, customerById, type CustomerRow, sitesOf } from "@/db/customers";
import { followedRow } from "@/db/followed";
import { ladders } from "@/db/ladders";
import { mergesInto } from "@/db/merges";
import { habits, payersOf } from "@/db/learning";
import { type OpenItemRow, openItemsOf } from "@/db/openItems";
import { backFrom, personsOf } from "@/db/persons";
import { carriedByDocument } from "@/db/rates";
import { receiptsOf } from "@/db/receipts";
import { readSettings } from "@/db/settings";
import { onTheirWay } from "@/db/started";
import { whyToday } from "@/server/overdue/queries/letterRun";
import { overdueRows } from "@/server/overdue/queries/overdue";
import { promiseNow } from "@/server/overdue/queries/promiseNow";

import { factsOfCustomer } from "./customerFacts";
import { historyOf } from "./customerHistory";
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
  facts: CustomerFacts;
  papers: PaperKept[];
  /** Customers that were made one with it. */
  merged: { actId: number; name: string; number: string }[];
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
    learned: learnedOf(db, id),
    waits: waits.map((wait) => waitInWords(wait, currency)),
    history: historyOf(db, id, today),
    followed: followedRow(db, id),
    ladders: ladders(db),
    why: parent ? `Followed up together with its head office, ${parent.name}. ${why}` : why,
    paying: { ...payingOf(db, id, today), ...keptOf(promisesOf(db, id, today)) },
    account: `/account/${linkOf(db, id)}`,
    persons,
    facts: factsOfCustomer(db, customer),
    papers: papersOf(db, id),
    merged: mergesInto(db, id).map(({ actId, name, number }) => ({ actId, name, number })),
    back: backFromAddresses(db, [customer.email ?? "", ...persons.map(({ email }) => email)]),
  };
}

const learnedOf = (db: Db, id: number): Learned => ({
  payers: payersOf(db, id),
  habit: payingInWords(
    habits(db, id)[0],
    daysLate(db, id).length > 0 ? habitInWords(db, id) : null,
  ),
});

const papersOf = (db: Db, customerId: number): PaperKept[] =>
  attachmentsOf(db, customerId).map(({ id, actId, name, size, addedOn }) => ({
    id,
    actId,
    name,
    size,
    addedOn,
  }));

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
export function promisesOf(db: Db, id: number, today: Day): PromiseToday[] {
  return contactsOf(db, id).flatMap((contact) =>
    contact.kind === "promise"
      ? (promiseNow(db, contact, promiseParts(db, contact.id).get(contact.id), today) ?? [])
      : [],
  );
}

/** How a customer usually pays, from the invoices paid in full before. */
export function habitInWords(db: Db, customerId: number): string {
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
