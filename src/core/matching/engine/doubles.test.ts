import { addDays, day } from "@/core/calendar";
import { type Currency, currencyOf, minor } from "@/core/money";

import { propose } from "..";
import type { MatchingInput, MatchItem, MatchReceipt, Proposal } from "../types";

const USD = currencyOf("USD") as Currency;
const TODAY = day("2026-11-20");
const EMAIL = "office@alderlane.example";

const item = (id: number, balance = 51_200): MatchItem => ({
  id,
  number: String(20_400 + id),
  customerId: 1,
  issuedOn: addDays(TODAY, id - 25),
  dueOn: addDays(TODAY, id + 5),
  currency: USD,
  total: minor(balance),
  balance: minor(balance),
  poNumber: null,
  terms: "n/30",
});
const receipt = (id: number, more: Partial<MatchReceipt> = {}): MatchReceipt => ({
  id,
  paidOn: addDays(TODAY, id - 5),
  method: "card",
  currency: USD,
  amount: minor(51_200),
  payerName: "Alder Lane Pottery School",
  payerEmail: EMAIL,
  reference: "",
  ...more,
});

/** A customer's receipts and open items, proposed together. */
function proposed(
  items: MatchItem[],
  receipts: MatchReceipt[],
  placed: MatchingInput["placed"] = [],
): Proposal[] {
  return propose({
    customers: [
      { id: 1, externalId: "C1", name: "Alder Lane Pottery School", email: EMAIL, parentId: null },
    ],
    items,
    receipts,
    history: [
      { payerName: "Alder Lane Pottery School", payerEmail: EMAIL, customerId: 1, times: 9 },
    ],
    closed: [],
    placed,
    settings: { discountGraceDays: 0, smallDifferenceLimit: 0 },
  });
}
const given = (proposals: Proposal[]): (string | undefined)[] =>
  proposals.map(({ readings }) => readings[0]?.lines.map(({ number }) => number).join());
const suspected = (proposals: Proposal[]): boolean[] =>
  proposals.map(({ readings }) =>
    Boolean(readings[0]?.reasons.some(({ code }) => code === "against_double")),
  );

describe("equal receipts of one customer", () => {
  it("for as many equal items are as many payments: each gets its own, the oldest first", () => {
    const two = proposed([item(1), item(2)], [receipt(1), receipt(2)]);
    expect(given(two)).toEqual(["20401", "20402"]);
    expect(suspected(two)).toEqual([false, false]);
    const three = proposed([item(1), item(2), item(3)], [receipt(1), receipt(2), receipt(3)]);
    expect(given(three)).toEqual(["20401", "20402", "20403"]);
  });
  it("beyond the items that are open are suspected, the last of them", () => {
    const three = proposed([item(1), item(2)], [receipt(1), receipt(2), receipt(3)]);
    expect(suspected(three)).toEqual([false, false, true]);
    expect(three[2]?.decision).not.toBe("sure");
  });
  it("for one item are one payment and perhaps a double, though other items are open", () => {
    const two = proposed([item(1), item(2, 99_900)], [receipt(1), receipt(2)]);
    expect(given(two)[0]).toBe("20401");
    expect(suspected(two)).toEqual([false, true]);
    expect(two[1]?.decision).not.toBe("sure");
  });
  it("one of them posted before: the other has the item that is still open, or is suspected", () => {
    const placed = [{ id: 99, customerId: 1, paidOn: addDays(TODAY, -5), amount: minor(51_200) }];
    expect(suspected(proposed([item(2)], [receipt(1)], placed))).toEqual([false]);
    expect(suspected(proposed([item(2, 99_900)], [receipt(1)], placed))).toEqual([true]);
  });
});
