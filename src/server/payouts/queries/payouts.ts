import type { BandDay, CandidateLine, PayoutRow, PayoutState } from "@/contracts/payouts";
import { addDays, type Day, isBankHoliday, isBankingDay, weekday } from "@/core/calendar";
import { earlierFirst } from "@/core/calendar";
import { add, type Currency, type Minor, sumOf } from "@/core/money";
import { expectedAtBank, proposeLines, type ProposedLine } from "@/core/payouts";
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
  const untied = untiedPayouts(db);
  const proposed = linesProposed(db, untied);
  const known = new Set(untied.map((payout) => payout.id));
  const all = [
    ...untied,
    ...payoutsBetween(db, from, to).filter((payout) => !known.has(payout.id)),
  ];
  return all
    .map((payout) => view(payout, { proposed, statementTo, book: currency }))
    .sort((a, b) => urgency(a) - urgency(b) || earlierFirst(b.paidOn, a.paidOn) || b.id - a.id);
}

type PayoutFacts = {
  proposed: ReadonlyMap<number, ProposedLine<BankLineRow>>;
  statementTo: Day | null;
  book: Currency;
};

/** The lines that the payouts which wait would tie to, all of them together. */
function linesProposed(
  db: Db,
  untied: readonly PayoutListed[],
): ReadonlyMap<number, ProposedLine<BankLineRow>> {
  const descriptors = new Map(
    processorAccounts(db).map((account) => [account.id, account.descriptor]),
  );
  const { currency: book } = readSettings(db);
  const waiting = untied.map((payout) => ({
    ...payout,
    descriptor: descriptors.get(payout.processorAccountId) ?? null,
    worth: payout.currency === book ? null : payout.bookNet,
  }));
  return proposeLines(waiting, openBankLines(db));
}

/** One payout as the list shows it; what it would tie to depends on the others that wait. */
export function payoutView(db: Db, payout: PayoutListed): PayoutView {
  return view(payout, {
    proposed: linesProposed(db, untiedPayouts(db)),
    statementTo: lastStatementDay(db),
    book: readSettings(db).currency,
  });
}

function view(payout: PayoutListed, { proposed, statementTo, book }: PayoutFacts): PayoutView {
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
  const { line, by } = proposed.get(payout.id) ?? { line: null, by: null };
  const candidate = line
    ? { id: line.id, on: line.postedOn, amount: line.amount, description: line.description }
    : null;
  const offBy = line && (by === "rate" ? add(0) : add(line.amount, -payout.net));
  const shown = stateShown(offBy, statementTo, expectedOn);
  return { ...payout, shown, candidate, offBy, expectedOn, abroad };
}

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
