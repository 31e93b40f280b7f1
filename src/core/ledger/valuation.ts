import {
  add,
  convert,
  type Currency,
  minor,
  type Minor,
  mulDiv,
  negate,
  type Ratio,
} from "@/core/money";

import type { EntryDraft, Line } from "./entry";

/** What a document stands at on an account, in its own currency and in the book's; debit positive. */
export type Carried = { readonly amount: number; readonly book: number };

type Part = {
  readonly line: Line;
  /** What of the line lowers what is carried, at the book value it is carried at. */
  readonly lowers: Carried;
  /** What is new, or has no document of its own. */
  readonly fresh: number;
};

/**
 * Values an entry whose lines are in another currency, in the book's currency:
 * - what lowers a document takes the value that the document is carried at (all
 *   of it where it is emptied), so that nothing is left behind;
 * - what is new beside that takes the same value, else the day's rate;
 * - a line in the book's own currency is what it is (a payout at the bank);
 * - what then does not foot is an exchange difference, on a line of its own. A
 *   cent of rounding goes to the largest new line instead.
 * Source: the usual treatment of settled foreign items (ASC 830-20-35-1), carried
 * at their own rate until they are settled.
 * @param carried what stands on a line's account for its document now
 * @param rate the day's rate of a currency, in the book's for one
 * @example EUR 100.00 received at 1.10, given to an invoice taken in at 1.08: U 110.00; R 108.00, exchange 2.00
 */
export function valued(
  draft: EntryDraft,
  book: Currency,
  carried: (line: Line) => Carried,
  rate: (currency: Currency) => Ratio,
): EntryDraft {
  const parts = draft.lines.map((line): Part =>
    line.sum.currency === book ? { line, lowers: NOTHING, fresh: 0 } : partOf(line, carried(line)),
  );
  const own = parts.reduce((sum, { lowers }) => sum + Math.abs(lowers.amount), 0);
  const value = parts.reduce((sum, { lowers }) => sum + Math.abs(lowers.book), 0);
  const freshValue = ({ line, fresh }: Part): Minor => {
    if (fresh === 0) return minor(0);
    if (own === 0) return convert(fresh, line.sum.currency, book, rate(line.sum.currency));
    return mulDiv(fresh, value, own, "half-even");
  };
  const lines = parts.map((part): Line =>
    part.line.sum.currency === book
      ? part.line
      : withBook(part.line, add(part.lowers.book, freshValue(part))),
  );
  const off = add(...lines.map(({ sum }) => sum.book));
  if (off === 0) return { ...draft, lines };
  const largest = parts.reduce(
    (best, { fresh }, at) => (Math.abs(fresh) > Math.abs(parts[best]?.fresh ?? 0) ? at : best),
    0,
  );
  if (Math.abs(off) <= lines.length && (parts[largest]?.fresh ?? 0) !== 0)
    return {
      ...draft,
      lines: lines.map((line, at) =>
        at === largest ? withBook(line, add(line.sum.book, negate(off))) : line,
      ),
    };
  return {
    ...draft,
    lines: [
      ...lines,
      {
        account: { role: "exchange" },
        sum: { amount: negate(off), currency: book, book: negate(off) },
        item: null,
      },
    ],
  };
}

const NOTHING: Carried = { amount: 0, book: 0 };

function partOf(line: Line, stands: Carried): Part {
  const by = line.sum.amount;
  if (stands.amount === 0 || by === 0 || Math.sign(stands.amount) === Math.sign(by))
    return { line, lowers: NOTHING, fresh: by };
  const covered = Math.min(Math.abs(by), Math.abs(stands.amount)) * Math.sign(by);
  const book =
    Math.abs(covered) === Math.abs(stands.amount)
      ? -stands.book
      : mulDiv(stands.book, covered, stands.amount, "half-even");
  return { line, lowers: { amount: covered, book }, fresh: by - covered };
}

function withBook(line: Line, book: Minor): Line {
  return { ...line, sum: { ...line.sum, book } };
}

type Revaluation = {
  documents: readonly (Pick<Line, "account" | "item"> & Carried)[];
  currency: Currency;
  book: Currency;
  rate: Ratio;
};

/**
 * The entry that brings documents in another currency to the rate of a day;
 * reversed on the next. Null where nothing differs.
 * @example a receivable of EUR 100.00 carried at 108.00, the day's rate 1.12: R 4.00; exchange 4.00
 */
export function postRevalued(
  head: Pick<EntryDraft, "postedOn" | "document">,
  { documents, currency, book, rate }: Revaluation,
): EntryDraft | null {
  const lines = documents.flatMap(({ account, item, amount, book: stands }): Line[] => {
    const by = add(convert(amount, currency, book, rate), negate(minor(stands)));
    return by === 0 ? [] : [{ account, item, sum: { amount: minor(0), currency, book: by } }];
  });
  if (lines.length === 0) return null;
  const all = add(...lines.map(({ sum }) => sum.book));
  return {
    event: "exchange",
    partyId: null,
    ...head,
    lines: [
      ...lines,
      {
        account: { role: "exchange" },
        item: null,
        sum: { amount: negate(all), currency: book, book: negate(all) },
      },
    ],
  };
}
