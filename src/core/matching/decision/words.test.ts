import { day } from "@/core/calendar";
import { type Currency, currencyOf, minor } from "@/core/money";

import { restsOn } from "../memo/marks";
import type { Reason, Spot } from "../types";
import { reasonInWords, speaksAgainst } from "./words";

const USD = currencyOf("USD") as Currency;
const spots: Spot[] = [{ at: 4, text: "20431" }];

/** Every reason once or more: its words, what it rests on, and whether it speaks against. */
const TABLE: [Reason, string, "spots" | "name" | "email" | "sum" | null, boolean][] = [
  [
    { code: "numbers", numbers: ["20431"], how: "whole", spots },
    "20431 is in the memo",
    "spots",
    false,
  ],
  [
    { code: "numbers", numbers: ["20431"], how: "digits", spots },
    "20431 is in the memo, without its prefix or zeros",
    "spots",
    false,
  ],
  [
    { code: "numbers", numbers: ["1", "2"], how: "near", spots },
    "2 numbers in the memo, nearly: a digit is off or cut",
    "spots",
    false,
  ],
  [{ code: "po", number: "PO 7781", spots }, "order PO 7781 is in the memo", "spots", false],
  [{ code: "sum_one", number: "20431" }, "the exact sum of 20431", "sum", false],
  [{ code: "sum_several", count: 3 }, "the exact sum of 3 items", "sum", false],
  [{ code: "sum_all_open", count: 4 }, "the exact sum of all 4 open items", "sum", false],
  [{ code: "sum_of_quoted", count: 1 }, "exact sum", "sum", false],
  [{ code: "sum_of_quoted", count: 2 }, "together the exact sum", "sum", false],
  [
    { code: "discount", sum: minor(1729), inTime: true },
    "less the discount of 17.29",
    "sum",
    false,
  ],
  [
    { code: "discount", sum: minor(1729), inTime: false },
    "short by the discount of 17.29, taken too late: it stays open",
    "sum",
    true,
  ],
  [
    { code: "discount_allowed", sum: minor(1729) },
    "with the late discount of 17.29 allowed",
    "sum",
    false,
  ],
  [{ code: "statement", until: null, count: 7 }, "a statement's sum: 7 items", "sum", false],
  [
    { code: "statement", until: day("2026-10-31"), count: 7 },
    "the statement up to Sat 31 Oct: 7 items",
    "sum",
    false,
  ],
  [{ code: "oldest_first" }, "the words say the oldest first", null, false],
  [{ code: "fee", by: minor(1500) }, "short by 15.00, as a bank's fee", "sum", false],
  [
    { code: "claim", by: minor(4200) },
    "less the 42.00 that the words name, which stay open",
    "sum",
    false,
  ],
  [{ code: "rest_next" }, "the rest of one and all of the next, as the words say", null, false],
  [{ code: "rounded", by: minor(37) }, "rounded up by 0.37", "sum", false],
  [
    { code: "against_risk", certain: 0.9876 },
    "such are right in about 98.7 of 100 cases, and this book asks for more",
    null,
    true,
  ],
  [
    { code: "surcharge", sum: minor(300), percent: "3" },
    "with the surcharge of 3.00 (3 %) on top",
    null,
    false,
  ],
  [{ code: "email" }, "the customer's e-mail address", "email", false],
  [
    { code: "domain", domain: "alder.example" },
    "e-mail at the customer's own domain, alder.example",
    "email",
    false,
  ],
  [{ code: "name", exact: true }, "the customer's name", "name", false],
  [{ code: "name", exact: false }, "a name much like the customer's", "name", false],
  [
    { code: "paid_before", times: 1 },
    "this payer paid once before for this customer",
    "name",
    false,
  ],
  [
    { code: "paid_before", times: 7 },
    "this payer paid 7 times before for this customer",
    "name",
    false,
  ],
  [{ code: "group" }, "pays for sites of its group", null, false],
  [{ code: "equal_items", count: 2 }, "oldest of 2 items of this sum", "sum", false],
  [{ code: "credit_note", numbers: ["CN-9"] }, "credit note CN-9 taken off", "sum", false],
  [{ code: "credit_note", numbers: ["1", "2"] }, "2 credit notes taken off", "sum", false],
  [
    { code: "mended", count: 3 },
    "one number of the list is off, the sum tells which",
    "sum",
    false,
  ],
  [{ code: "sums_beside", count: 1 }, "the sum written beside the number", "sum", false],
  [{ code: "sums_beside", count: 2 }, "the sums written beside the numbers come out", "sum", false],
  [
    { code: "left_out", numbers: ["20433", "20434"], spots },
    "the words leave out 20433, 20434",
    "spots",
    false,
  ],
  [{ code: "remittance" }, "its remittance advice says so", null, false],
  [
    { code: "on_account", sum: minor(5000) },
    "short by just the 50.00 that stand on account",
    "sum",
    false,
  ],
  [{ code: "habit", how: "several" }, "usually pays several at once", null, false],
  [{ code: "habit", how: "single" }, "usually pays one at a time", null, false],
  [{ code: "usual_day", late: 0 }, "on its due day, as usual", null, false],
  [{ code: "usual_day", late: 9 }, "9 days late, as usual", null, false],
  [{ code: "usual_day", late: -3 }, "3 days early, as usual", null, false],
  [{ code: "against_unread", spots }, "nothing explains 20431 in the memo", "spots", true],
  [{ code: "against_other_reading", count: 1 }, "another reading is near", null, true],
  [{ code: "against_other_reading", count: 3 }, "3 other readings are near", null, true],
  [{ code: "against_payer" }, "the payer is somebody else", "name", true],
  [{ code: "against_number", spots }, "the memo names 20431 of somebody else", "spots", true],
  [{ code: "against_closed", spots }, "the memo names 20431, settled already", "spots", true],
  [{ code: "against_short", by: minor(50) }, "short by 0.50", "sum", true],
  [{ code: "against_over", by: minor(50) }, "0.50 more than that", "sum", true],
  [
    { code: "against_double", paidOn: day("2026-11-18"), receiptId: 7 },
    "the same sum came on Wed 18 Nov: paid twice?",
    "sum",
    true,
  ],
  [{ code: "against_currency" }, "the invoice is in another currency", null, true],
  [
    { code: "against_also", paidOn: day("2026-11-18") },
    "the same sum came on Wed 18 Nov too, and may be for this",
    "sum",
    true,
  ],
  [{ code: "against_claimed" }, "another receipt fits the first choice better", null, true],
];

describe("reasons", () => {
  it.each(TABLE)("%j is told as “%s”", (reason, words) =>
    expect(reasonInWords(reason, USD)).toBe(words),
  );
  it.each(TABLE)("%j rests on what the page marks", (reason, _words, on) => {
    const found = restsOn(reason);
    expect(found.field).toBe(on === "spots" ? null : on);
    expect(found.spots).toEqual(on === "spots" ? spots : []);
  });
  it.each(TABLE)("%j speaks for its reading or against it", (reason, _words, _on, against) =>
    expect(speaksAgainst(reason)).toBe(against),
  );
  it("names several numbers one by one", () => {
    const two: Spot[] = [...spots, { at: 12, text: "20433" }];
    expect(reasonInWords({ code: "against_closed", spots: two }, USD)).toBe(
      "the memo names 20431, 20433, settled already",
    );
  });
  it("write sums with the digits of their currency", () => {
    const yen = currencyOf("JPY") as Currency;
    expect(reasonInWords({ code: "against_short", by: minor(50) }, yen)).toBe("short by 50");
  });
});
