import { addDays, day } from "@/core/calendar";
import { type Currency, currencyOf, minor } from "@/core/money";

import type { MatchReceipt } from "../types";
import { PaidSums } from "./paidSums";

const MONDAY = day("2026-11-16");
const receipt = (id: number, after: number, amount = 14_000): MatchReceipt => ({
  id,
  paidOn: addDays(MONDAY, after),
  method: "card",
  currency: currencyOf("USD") as Currency,
  amount: minor(amount),
  payerName: "",
  payerEmail: "",
  reference: "",
});
/** The receipts of one customer that were paid before, posted or proposed. */
const paid = (...receipts: MatchReceipt[]): PaidSums => {
  const sums = new PaidSums([]);
  for (const each of receipts) sums.add(1, each);
  return sums;
};

describe("the second of two equal payments", () => {
  it.each([
    ["the same day", 0, 7],
    ["ten days on", 10, 7],
    ["eleven days on", 11, undefined],
    ["ten days before", -10, 7],
  ])("is seen %s", (_case, after, expected) =>
    expect(paid(receipt(7, 0)).doubleOf(1, receipt(8, after))?.id).toBe(expected),
  );
  it("is of the same customer and the same sum, and not of itself", () => {
    const sums = paid(receipt(7, 0));
    expect(sums.doubleOf(2, receipt(8, 0))).toBeNull();
    expect(sums.doubleOf(1, receipt(8, 0, 14_001))).toBeNull();
    expect(sums.doubleOf(1, receipt(7, 0))).toBeNull();
    expect(sums.doubleOf(null, receipt(8, 0))).toBeNull();
  });
  it("is held against the first of several, by its day and then by its number", () => {
    const sums = paid(receipt(9, 1), receipt(7, 0), receipt(6, 1), receipt(5, 0));
    expect(sums.doubleOf(1, receipt(8, 2))?.id).toBe(5);
  });
  it("is held against what was posted before as well", () => {
    const placed = [{ id: 3, customerId: 1, paidOn: MONDAY, amount: minor(14_000) }];
    expect(new PaidSums(placed).doubleOf(1, receipt(8, 2))?.id).toBe(3);
  });
});
