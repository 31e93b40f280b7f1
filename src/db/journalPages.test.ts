import fc from "fast-check";

import { addDays, day } from "@/core/calendar";

import { eachBook, type TestBook } from "../../tests/support/book";
import { accounts } from "./journal";
import { accountLineCount, accountLines, entryPage, journalBetween } from "./journalPages";

let book: TestBook;
eachBook((made) => {
  book = made;
});

const TODAY = day("2026-11-24");

/** Checks of a few days, so that single days hold one line or many. */
function recordChecks(perDay: readonly number[]): void {
  perDay.forEach((count, at) => {
    for (let nth = 0; nth < count; nth += 1)
      book.must("recordReceipt", {
        method: "check",
        number: `${at}-${nth}`,
        paidOn: addDays(TODAY, -at),
        amount: 100 + at * 10 + nth,
        payerName: "Jo Amberley",
      });
  });
}

const onHand = (): number => accounts(book.db).find(({ role }) => role === "on_hand")?.id ?? 0;

describe("the pages of an account", () => {
  it("are together what the account holds, each with the balance after it, whatever their size", () => {
    recordChecks([3, 0, 1, 5, 2, 0, 4]);
    const accountId = onHand();
    const all = accountLines(book.db, { accountId, asOf: TODAY, limit: 1000, offset: 0 });
    expect(all).toHaveLength(15);
    expect(accountLineCount(book.db, accountId, TODAY)).toBe(15);
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 16 }), (limit) => {
        const pages = Array.from({ length: Math.ceil(15 / limit) }, (_, at) =>
          accountLines(book.db, { accountId, asOf: TODAY, limit, offset: at * limit }),
        );
        expect(pages.flat()).toEqual(all);
        expect(pages.every((page) => page.length <= limit)).toBe(true);
      }),
    );
  });
  it("run back from the balance of the day, line by line, to nothing", () => {
    recordChecks([2, 3, 1]);
    const accountId = onHand();
    for (const back of [0, 1, 2, 3]) {
      const asOf = addDays(TODAY, -back);
      const lines = accountLines(book.db, { accountId, asOf, limit: 100, offset: 0 });
      const sum = lines.reduce((so, { bookAmount }) => so + bookAmount, 0);
      expect(lines[0]?.running ?? 0).toBe(sum);
      lines.forEach((line, at) =>
        expect(line.running - line.bookAmount).toBe(lines[at + 1]?.running ?? 0),
      );
      expect(lines.every(({ postedOn }) => postedOn <= asOf)).toBe(true);
    }
  });
  it("are empty behind the last one, and of an account that nothing was posted to", () => {
    recordChecks([1]);
    const asked = { accountId: onHand(), asOf: TODAY, limit: 10, offset: 10 };
    expect(accountLines(book.db, asked)).toEqual([]);
    expect(accountLines(book.db, { ...asked, accountId: 999_999, offset: 0 })).toEqual([]);
    expect(accountLines(book.db, { ...asked, asOf: day("2020-01-01"), offset: 0 })).toEqual([]);
  });
});

describe("the journal", () => {
  it("foots between any two days, line by line and entry by entry", () => {
    recordChecks([1, 2, 0, 3]);
    fc.assert(
      fc.property(fc.nat(6), fc.nat(6), (from, length) => {
        const [start, end] = [addDays(TODAY, -from - length), addDays(TODAY, -from)];
        const lines = journalBetween(book.db, start, end);
        const sum = lines.reduce((so, { bookAmount }) => so + bookAmount, 0);
        return sum === 0 && lines.every(({ postedOn }) => postedOn >= start && postedOn <= end);
      }),
      { numRuns: 30 },
    );
    expect(typeof entryPage).toBe("function");
  });
});
