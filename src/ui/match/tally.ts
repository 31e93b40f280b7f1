import type {
  OnAccount,
  TallyLine,
  WorkingsItem,
  WorkingsLine,
  WorkingsReading,
} from "@/contracts/match";
import {
  add,
  type Currency,
  formatAmount,
  minor,
  type Minor,
  parseAmount,
  sumOf,
  toDecimal,
} from "@/core/money";

/** A line of the tally while it is typed: the text stays as it was written. */
export type Term = {
  itemId: number;
  number: string;
  description: string;
  open: Minor;
  amount: string;
  discount: Minor;
  small: boolean;
};
export type Tally = {
  customerId: number | null;
  customer: string;
  terms: Term[];
  restOnAccount: boolean;
  /** Earlier sums on account that are used along. */
  credits: readonly OnAccount[];
  /** What was paid on top as the agreed surcharge. */
  surcharge: Minor;
  /** What it pays of debts that were written off. */
  recovered: Minor;
};

const written = (amount: number, currency: Currency): string => toDecimal(amount, currency);

export function tallyOf(
  reading: WorkingsReading | undefined,
  currency: Currency,
  credits: readonly OnAccount[] = [],
): Tally {
  if (!reading)
    return {
      customerId: null,
      customer: "",
      terms: [],
      restOnAccount: false,
      credits: [],
      surcharge: add(0),
      recovered: add(0),
    };
  return {
    customerId: reading.customerId,
    customer: reading.customer,
    restOnAccount: reading.onAccount > 0,
    credits: reading.withCredit ? credits : [],
    surcharge: reading.surcharge,
    recovered: add(0),
    terms: reading.lines.map((line: WorkingsLine) => ({
      itemId: line.itemId,
      number: line.number,
      description: line.description,
      open: line.open,
      amount: written(line.amount, currency),
      discount: line.discount,
      small: false,
    })),
  };
}

/** Adds an item at what is left of the receipt, or at its balance; or takes it out again. */
export function toggled(tally: Tally, item: WorkingsItem, left: Minor, currency: Currency): Tally {
  if (tally.terms.some((term) => term.itemId === item.itemId))
    return { ...tally, terms: tally.terms.filter((term) => term.itemId !== item.itemId) };
  const amount = item.open < 0 ? item.open : (Math.max(0, Math.min(item.open, left)) as Minor);
  return {
    ...tally,
    terms: [
      ...tally.terms,
      {
        itemId: item.itemId,
        number: item.number,
        description: item.description,
        open: item.open,
        amount: written(amount, currency),
        discount: add(0),
        small: false,
      },
    ],
  };
}

/** Adds several items at their balances; those that are in it already stay as they are. */
export function withSet(tally: Tally, items: readonly WorkingsItem[], currency: Currency): Tally {
  const added = items.filter((item) => !tally.terms.some((term) => term.itemId === item.itemId));
  return {
    ...tally,
    terms: [
      ...tally.terms,
      ...added.map((item) => ({
        itemId: item.itemId,
        number: item.number,
        description: item.description,
        open: item.open,
        amount: written(item.open, currency),
        discount: add(0),
        small: false,
      })),
    ],
  };
}

/**
 * Gives what is left over, or where nothing is all of it, to debts that were written off; or takes
 * it back from them.
 */
export function recovering(
  tally: Tally,
  worked: Pick<Worked, "left" | "given">,
  givenUp: Minor,
): Tally {
  if (tally.recovered > 0) return { ...tally, recovered: add(0) };
  if (worked.left > 0) return { ...tally, recovered: minor(Math.min(worked.left, givenUp)) };
  return {
    ...tally,
    terms: [],
    surcharge: add(0),
    recovered: minor(Math.min(worked.given + tally.surcharge, givenUp)),
  };
}

export type GivenAlong = { receiptId: number; itemId: number; amount: Minor };

/** Gives what is used along from the account to the items that are short, in their order. */
function givenAlong(
  credits: readonly OnAccount[],
  shorts: readonly { itemId: number; short: number }[],
): GivenAlong[] {
  const given: GivenAlong[] = [];
  const left = shorts.map((short) => ({ ...short }));
  for (const { receiptId, sum } of credits) {
    let free: number = sum;
    for (const entry of left) {
      const amount = Math.max(0, Math.min(free, entry.short));
      if (amount === 0) continue;
      given.push({ receiptId, itemId: entry.itemId, amount: add(amount) });
      entry.short -= amount;
      free -= amount;
    }
  }
  return given;
}

export type Worked = {
  lines: TallyLine[];
  given: Minor;
  left: Minor;
  discount: Minor;
  small: Minor;
  /** What is written off beyond the limit: it waits for a second person. */
  overLimit: Minor;
  /** What is used along from the account, item by item. */
  credits: GivenAlong[];
  problem: string | null;
};

/**
 * Adds the tally up as it stands; a sum that cannot be read is a problem, said in words, and
 * nothing is lost.
 */
export function workOut(tally: Tally, amount: Minor, currency: Currency, limit: Minor): Worked {
  let problem: string | null = null;
  const parsedShort = tally.terms.map((term) => {
    const parsed = parseAmount(term.amount, ".", currency);
    return {
      itemId: term.itemId,
      short: parsed.ok ? Math.max(0, term.open - parsed.value - term.discount) : 0,
    };
  });
  const credits = givenAlong(tally.credits, parsedShort);
  const along = (itemId: number): Minor =>
    sumOf(
      credits.filter((credit) => credit.itemId === itemId),
      (credit) => credit.amount,
    );
  const lines = tally.terms.map((term) => {
    const parsed = parseAmount(term.amount, ".", currency);
    const given = parsed.ok ? parsed.value : add(0);
    if (!parsed.ok) problem ??= `The sum on ${term.number} cannot be read. Write it like 1234.56.`;
    const rest = add(term.open, -given, -term.discount, -along(term.itemId));
    if (parsed.ok && term.open > 0 && rest < 0)
      problem ??= `${term.number} has only ${formatAmount(term.open, currency)} open.`;
    return {
      itemId: term.itemId,
      amount: given,
      discount: term.discount,
      smallDifference: term.small ? rest : add(0),
    };
  });
  const given = sumOf(lines, (line) => line.amount);
  const left = add(amount, -given, -tally.surcharge, -tally.recovered);
  if (left < 0) problem ??= `That is ${formatAmount(-left, currency)} more than came in.`;
  return {
    lines,
    given,
    left,
    discount: sumOf(lines, (line) => line.discount),
    small: sumOf(lines, (line) => line.smallDifference),
    overLimit: sumOf(
      lines.filter((line) => Math.abs(line.smallDifference) > limit),
      (line) => line.smallDifference,
    ),
    credits,
    problem,
  };
}
