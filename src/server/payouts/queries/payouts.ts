import type { BandDay, CandidateLine, PayoutRow, PayoutState } from "@/contracts/payouts";
import {
  addDays,
  bankingDaysBetween,
  type Day,
  isBankHoliday,
  isBankingDay,
  weekday,
} from "@/core/calendar";
import { earlierFirst } from "@/core/calendar";
import { add, type Currency, type Minor, sumOf } from "@/core/money";
import { expectedAtBank, fitsPayout, lineAtOwnRate } from "@/core/payouts";
import { type BankLineRow, lastStatementDay, openBankLines, payoutLinesByDay } from "@/db/bank";
import { takingsByDay } from "@/db/clearing";
import type { Db } from "@/db/connection";
import { type PayoutListed, payoutsBetween, untiedPayouts } from "@/db/payouts";
import { processorAccounts } from "@/db/processorAccounts";
import { readSettings } from "@/db/settings";

export type PayoutView = PayoutListed & {
  shown: PayoutState;
  candidate: CandidateLine | null;
  offBy: Minor | null;
  expectedOn: Day;
  /** Whether it reaches the bank in another currency than its own. */
  abroad: boolean;
};

/** What is off or late stands on top. */
const urgency = (view: PayoutView): number => {
  if (view.shown === "off") return 0;
  if (view.shown === "late") return 1;
  return 2;
};

/**
 * Payouts of a period and all that are not tied yet; what is off first, then the newest, each with
 * the bank line it would tie to.
 */
export function payoutViews(db: Db, from: Day, to: Day): PayoutView[] {
  const statementTo = lastStatementDay(db);
  const { currency } = readSettings(db);
  const lines = openBankLines(db);
  const descriptors = new Map(
    processorAccounts(db).map((account) => [account.id, account.descriptor]),
  );
  const untied = untiedPayouts(db);
  const known = new Set(untied.map((payout) => payout.id));
  const all = [
    ...untied,
    ...payoutsBetween(db, from, to).filter((payout) => !known.has(payout.id)),
  ];
  return all
    .map((payout) => view(payout, { lines, descriptors, statementTo, book: currency }))
    .sort((a, b) => urgency(a) - urgency(b) || earlierFirst(b.paidOn, a.paidOn) || b.id - a.id);
}

/** A line reaches the bank within this many banking days of the payout. */
const NEAR = 4;

type PayoutFacts = {
  lines: readonly BankLineRow[];
  descriptors: ReadonlyMap<number, string | null>;
  statementTo: Day | null;
  book: Currency;
};

export function view(
  payout: PayoutListed,
  { lines, descriptors, statementTo, book }: PayoutFacts,
): PayoutView {
  const expectedOn = expectedAtBank(payout.paidOn);
  const abroad = payout.currency !== book;
  if (payout.state === "tied")
    return {
      ...payout,
      shown: "tied",
      candidate: null,
      offBy: add(payout.bankAmount ?? 0, -payout.net),
      expectedOn,
      abroad,
    };
  const descriptor = descriptors.get(payout.processorAccountId) ?? null;
  const found = lineFor({ ...payout, descriptor }, lines);
  const own = found || !abroad ? null : ownRateLine({ ...payout, descriptor }, lines);
  const line = found ?? own;
  const candidate = line
    ? { id: line.id, on: line.postedOn, amount: line.amount, description: line.description }
    : null;
  const offBy = found ? add(found.amount, -payout.net) : own && add(0);
  const shown = stateShown(offBy, statementTo, expectedOn);
  return { ...payout, shown, candidate, offBy, expectedOn, abroad };
}

type DescribedPayout = PayoutListed & { descriptor: string | null };

/** The bank line nearest to being this payout: by sum, then by its number, then by its name. */
function lineFor(payout: DescribedPayout, lines: readonly BankLineRow[]): BankLineRow | null {
  const near = lines.filter(
    (line) =>
      Math.abs(bankingDaysBetween(payout.paidOn, line.postedOn)) <= NEAR &&
      line.currency === payout.currency,
  );
  const says = (line: BankLineRow, words: string): boolean =>
    line.description.toLowerCase().includes(words.toLowerCase());
  const { descriptor, externalId, net } = payout;
  return (
    near.find((line) => fitsPayout(payout, line)) ??
    near.find((line) => externalId.length >= 4 && says(line, externalId)) ??
    near.find(
      (line) =>
        descriptor !== null && says(line, descriptor) && Math.sign(line.amount) === Math.sign(net),
    ) ??
    null
  );
}

/** A payout abroad whose sums agree with the file can have come at the bank's own rate. */
const ownRateLine = (payout: DescribedPayout, lines: readonly BankLineRow[]): BankLineRow | null =>
  payout.statedNet === null || payout.statedNet === payout.net
    ? lineAtOwnRate(payout, payout.bookNet, lines)
    : null;

function stateShown(offBy: Minor | null, statementTo: Day | null, expectedOn: Day): PayoutState {
  if (offBy === 0) return "fits";
  if (offBy !== null) return "off";
  if (statementTo !== null && expectedOn < statementTo) return "late";
  return "on_way";
}

/** The days' takings above, and what reached the bank below: tied, off, or still expected. */
export function band(db: Db, views: readonly PayoutView[], today: Day, days: number): BandDay[] {
  const from = addDays(today, 1 - days);
  const takings = new Map(takingsByDay(db, from, today).map(({ on, charges }) => [on, charges]));
  const bank = new Map(payoutLinesByDay(db, from, today).map(({ on, sum }) => [on, sum]));
  return Array.from({ length: days }, (_, index): BandDay => {
    const on = addDays(from, index);
    const off = views.filter((view) => view.shown === "off" && view.candidate?.on === on);
    const expected = views.filter(
      (view) => (view.shown === "on_way" || view.shown === "late") && view.expectedOn === on,
    );
    return {
      on,
      takings: takings.get(on) ?? add(0),
      bank: bank.get(on) ?? add(0),
      off: sumOf(off, (payout) => payout.candidate?.amount ?? 0),
      expected: sumOf(expected, (payout) => payout.bookNet),
      holiday: isBankHoliday(on),
      weekend: !isBankingDay(on) && weekday(on) > 5,
    };
  });
}

/** Payouts as the list shows them; one that is not tied with the line it would tie to. */
export function payoutRows(views: readonly PayoutView[]): PayoutRow[] {
  return views.map((view) => ({
    id: view.id,
    externalId: view.externalId,
    processorName: view.processorName,
    paidOn: view.paidOn,
    bankOn: view.bankOn ?? view.candidate?.on ?? null,
    expectedOn: view.expectedOn,
    takenFrom: view.takenFrom,
    takenTo: view.takenTo,
    chargeCount: view.chargeCount,
    charges: view.charges,
    fees: view.fees,
    refunds: view.refunds,
    disputes: view.disputes,
    other: view.other,
    net: view.net,
    bankAmount: view.bankAmount ?? view.candidate?.amount ?? null,
    offBy: view.offBy,
    shown: view.shown,
    statedNet: view.statedNet,
    currency: view.currency,
    abroad: view.abroad,
    bookNet: view.bookNet,
    atBank: view.atBank ?? view.candidate?.amount ?? null,
  }));
}
