import type { BandDay, PayoutRow, PayoutState } from "@/contracts/payouts";
import {
  addDays,
  bankingDaysBetween,
  type Day,
  formatDay,
  isBankHoliday,
  isBankingDay,
  weekday,
} from "@/core/calendar";
import { earlierFirst } from "@/core/calendar";
import { add, type Currency, formatAmount, type Minor, sumOf } from "@/core/money";
import {
  expectedAtBank,
  type Explanation,
  explanationsOf,
  fitsPayout,
  lineAtOwnRate,
  tieTogether,
} from "@/core/payouts";
import {
  bankLineById,
  type BankLineRow,
  lastStatementDay,
  openBankLines,
  payoutLinesByDay,
} from "@/db/bank";
import type { Db } from "@/db/connection";
import {
  openPayouts,
  type PayoutListed,
  payoutListedById,
  payoutsBetween,
  tiesOfPayout,
  untiedPayouts,
} from "@/db/payouts";
import {
  itemsElsewhere,
  itemsOfPayout,
  processorAccounts,
  type ProcessorItemRow,
  takingsByDay,
  usualFees,
} from "@/db/processor";
import { rateOn } from "@/db/rates";
import { payerOfReceipt } from "@/db/receipts";
import { readSettings } from "@/db/settings";

export type PayoutView = PayoutListed & {
  shown: PayoutState;
  candidate: { id: number; on: Day; amount: Minor; description: string } | null;
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

function view(
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

/** What would explain a payout that is off, and what one key would book for it. */
export type PayoutWorkings = {
  payout: PayoutView;
  explanations: Explanation[];
  items: (ProcessorItemRow & { payer: string })[];
  lines: BankLineRow[];
  openLines: BankLineRow[];
  /** The day's rate of its currency, where that is not the bank's. */
  rate: string | null;
  /** What could be tied only together with it, every way. */
  together: {
    payoutIds: number[];
    bankLineIds: number[];
    words: string;
  }[];
};

function stateShown(offBy: Minor | null, statementTo: Day | null, expectedOn: Day): PayoutState {
  if (offBy === 0) return "fits";
  if (offBy !== null) return "off";
  if (statementTo !== null && expectedOn < statementTo) return "late";
  return "on_way";
}

export function payoutWorkings(db: Db, payoutId: number): PayoutWorkings | null {
  const payout = payoutListedById(db, payoutId);
  if (!payout) return null;
  const { currency } = readSettings(db);
  const open = openBankLines(db);
  const descriptors = new Map(
    processorAccounts(db).map((account) => [account.id, account.descriptor]),
  );
  const items = itemsOfPayout(db, payoutId).map((item) => ({
    ...item,
    payer: item.receiptId === null ? "" : payerOfReceipt(db, item.receiptId),
  }));
  const lines = tiesOfPayout(db, payoutId).flatMap((tie) => {
    const line = bankLineById(db, tie.bankLineId);
    return line
      ? [
          {
            ...line,
            amount: tie.atBank ?? tie.amount,
            description:
              (tie.atBank ?? tie.amount) === line.amount
                ? line.description
                : `${line.description} (its share)`,
          },
        ]
      : [];
  });
  const near = open
    .filter((line) => Math.abs(bankingDaysBetween(payout.paidOn, line.postedOn)) <= 10)
    .sort((a, b) => Math.abs(a.amount - payout.bookNet) - Math.abs(b.amount - payout.bookNet));
  const shown = view(payout, {
    lines: open,
    descriptors,
    statementTo: lastStatementDay(db),
    book: currency,
  });
  return {
    payout: shown,
    explanations: explained(db, shown, items),
    items,
    lines,
    openLines: near.slice(0, 8),
    rate: shown.abroad ? (rateOn(db, payout.currency, payout.paidOn)?.rate ?? null) : null,
    together: shown.shown === "tied" ? [] : together(db, payoutId, open, descriptors),
  };
}

/** Ways to tie this payout that need more than one line, or other payouts beside it. */
function together(
  db: Db,
  payoutId: number,
  open: readonly BankLineRow[],
  descriptors: ReadonlyMap<number, string | null>,
): PayoutWorkings["together"] {
  const payouts = openPayouts(db);
  const named = new Map(payouts.map(({ id, externalId }) => [id, externalId]));
  const lines = new Map(open.map((line) => [line.id, line]));
  const ways = tieTogether(
    payouts.map((payout) => ({
      ...payout,
      descriptor: descriptors.get(payout.processorAccountId) ?? null,
    })),
    open,
  ).filter(({ payoutIds }) => payoutIds.includes(payoutId));
  const lineWords = (id: number): string => {
    const line = lines.get(id);
    return line ? `${formatAmount(line.amount, line.currency)} of ${formatDay(line.postedOn)}` : "";
  };
  return ways.slice(0, 5).map(({ payoutIds, bankLineIds }) => ({
    payoutIds: [...payoutIds],
    bankLineIds: [...bankLineIds],
    words:
      payoutIds.length > 1
        ? `with ${payoutIds
            .filter((id) => id !== payoutId)
            .map((id) => named.get(id) ?? "")
            .join(" and ")} in one line, ${lineWords(bankLineIds[0] ?? 0)}`
        : `in ${bankLineIds.length} lines: ${bankLineIds.map(lineWords).join(" and ")}`,
  }));
}

function explained(
  db: Db,
  payout: PayoutView,
  items: readonly (ProcessorItemRow & { payer: string })[],
): Explanation[] {
  if (payout.offBy === null || payout.offBy === 0) return [];
  const words = (item: ProcessorItemRow, payer = ""): string =>
    `${item.kind.replaceAll("_", " ")} ${item.externalId}${payer === "" ? "" : `, ${payer}`}`;
  return explanationsOf({
    off: payout.offBy,
    items: items.map((item) => ({ ...item, words: words(item, item.payer) })),
    elsewhere: itemsElsewhere(db, payout.processorAccountId, payout.id).map((item) => ({
      ...item,
      words: words(item),
    })),
    usual: {
      dispute: usualFees(db, payout.processorAccountId, "dispute_fee"),
      return: usualFees(db, payout.processorAccountId, "return_fee"),
    },
  }).slice(0, 5);
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
