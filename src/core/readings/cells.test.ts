import type { Currency } from "@/core/money";

import { dayUnder, type PartOrder } from "./days/dayUnder";
import { writtenDay } from "./days/writtenDay";
import { monthOf } from "./days/months";
import { sureDirection, sureKind, sureState } from "./rowWords";
import { sumUnder, writtenSum } from "./sums/sumCells";
import { termsIn } from "./invoices/termsIn";

const USD = "USD" as Currency;

describe("a written day", () => {
  const under = (
    cell: string,
    order: PartOrder = "mdy",
    assumedZone: number | null = null,
  ): string | null => {
    const written = writtenDay(cell);
    return (
      written &&
      dayUnder(written, {
        order,
        assumedZone,
        asDays: false,
        isTurned: false,
        isFrom1904: false,
        timeZone: "America/Chicago",
      })
    );
  };
  it.each([
    ["2026-11-02", "2026-11-02"],
    ["20261102", "2026-11-02"],
    ["11/02/2026", "2026-11-02"],
    ["11/2/26", "2026-11-02"],
    ["2 Nov 2026", "2026-11-02"],
    ["Nov 2, 2026", "2026-11-02"],
    ["Mon, 02-Nov-26", "2026-11-02"],
    ["2. November 2026", "2026-11-02"],
    ["2 de noviembre de 2026", "2026-11-02"],
    ["3 août 2026", "2026-08-03"],
    ["15 Mrz 2026", "2026-03-15"],
    ["2026-Nov-02", "2026-11-02"],
    // Spreadsheets count from 30 December 1899: 46328 is 2 November 2026.
    ["46328", "2026-11-02"],
    ["1793664000", "2026-11-02"],
    ["2026-11-03T03:30:00Z", "2026-11-02"],
    ["2026-11-02 23:30:00 -0600", "2026-11-02"],
    ["2026-11-02 11:30 PM EST", "2026-11-02"],
    ["11/02/2026 12:05 AM", "2026-11-02"],
    // ISO 8601, basic format; the others as databases and East Asian programs write them (common practice).
    ["20261103T033000Z", "2026-11-02"],
    ["20261103T0330Z", "2026-11-02"],
    ["20261102T233000.125-0600", "2026-11-02"],
    ["2026年11月2日", "2026-11-02"],
    ["2026년 11월 2일 15:30", "2026-11-02"],
    ["02-NOV-26 10.15.00.000000 AM", "2026-11-02"],
    ["2026-11-02-23.15.00.000000", "2026-11-02"],
  ])("%s is %s", (cell, day) => {
    expect(under(cell)).toBe(day);
  });
  it("is by its order where the cell leaves it open, and none where the day does not exist", () => {
    expect(under("02.11.2026", "dmy")).toBe("2026-11-02");
    expect(under("26/11/02", "yy")).toBe("2026-11-02");
    expect(under("11/02/2026", "yy")).toBeNull();
    expect(under("02/31/2026")).toBeNull();
    expect(under("about noon")).toBeNull();
    expect(under("1234")).toBeNull();
  });
  it("without a zone is the book's own, or UTC where that was said", () => {
    expect(under("2026-11-03 03:30")).toBe("2026-11-03");
    expect(under("2026-11-03 03:30", "mdy", 0)).toBe("2026-11-02");
  });
  it("knows months of six languages, and nothing that is none", () => {
    expect(["März", "févr.", "ago", "dez", "giugno", "mei", "out"].map(monthOf)).toEqual([
      3, 2, 8, 12, 6, 5, 10,
    ]);
    expect(["jui", "total", ""].map(monthOf)).toEqual([null, null, null]);
  });
});

describe("a written sum", () => {
  const under = (cell: string, mark: "." | "," = ".", cents = false): number | null => {
    const written = writtenSum(cell);
    return written && sumUnder(written, { mark, currency: USD, cents });
  };
  it.each([
    ["1,234.56", 123_456],
    ["$1,234.56", 123_456],
    ["($12.00)", -1200],
    ["-$12.00", -1200],
    ["12.00-", -1200],
    ["−12.00", -1200],
    ["USD 12", 1200],
    ["12.50 USD", 1250],
    ["1'234.50", 123_450],
    ["1 234.50", 123_450],
    ["CA$ 5.00", 500],
    ["+5.00", 500],
    ["5.00 CR", 500],
  ])("%s is %d", (cell, sum) => {
    expect(under(cell)).toBe(sum);
  });
  it("is none where it is words, a date, or has more decimals than the currency", () => {
    expect(["about 12", "12/11", "1.2.3", "12.345"].map((cell) => under(cell))).toEqual([
      null,
      null,
      null,
      null,
    ]);
  });
  it("takes whole numbers as hundredths where that was said", () => {
    expect([under("1234", ".", true), under("1234")]).toEqual([1234, 123_400]);
  });
  it("says the currency of its sign, and the side of its letters", () => {
    // Whether a cell that was cut was negative cannot be told: it is no sum.
    expect(["(12.00", "12.00)", "USD (12.00"].map((cell) => writtenSum(cell))).toEqual([
      null,
      null,
      null,
    ]);
    expect(writtenSum("€ 5,00")).toMatchObject({ currency: "EUR" });
    expect(writtenSum("$5")).toMatchObject({ currency: "dollar" });
    expect(writtenSum("¥1,200")).toMatchObject({ currency: "yen", digits: "1,200" });
    expect(writtenSum("-12,50 kr.")).toMatchObject({ currency: "crown", negative: true });
    expect(writtenSum("120,50 Kč")).toMatchObject({ currency: "CZK", digits: "120,50" });
    expect(writtenSum("5.00 DR")).toMatchObject({ side: "debit", digits: "5.00" });
  });
});

describe("words that say what a row is", () => {
  it("are known whole, and never by a part of them", () => {
    expect(
      ["Charge", "payment_refund", "Chargeback fee", "Rückzahlung", "PayOut"].map(sureKind),
    ).toEqual(["charge", "refund", "dispute_fee", "refund", "payout"]);
    expect(["Debit", "Transfer", "Refund failure", "Store credit"].map(sureKind)).toEqual([
      null,
      null,
      null,
      null,
    ]);
  });
  it("say whether a row is money", () => {
    expect(["Succeeded", "DECLINED", "void", "Pending", "Refunded"].map(sureState)).toEqual([
      "counts",
      "none",
      "none",
      "pending",
      null,
    ]);
  });
  it("say which way money went", () => {
    expect(["CR", "Soll", "Af", "+", "Debit", "Check"].map(sureDirection)).toEqual([
      1,
      -1,
      -1,
      1,
      -1,
      null,
    ]);
  });
  it.each([
    ["2% 10 Net 30", "2/10 n/30"],
    ["Net 30", "n/30"],
    ["30 days", "n/30"],
    ["Due on receipt", "n/0"],
    ["Upon receipt of invoice", "n/0"],
    ["Due in 15 days", "n/15"],
    ["2/10 n/30", "2/10 n/30"],
    ["as agreed", null],
  ])("terms %s are %s", (text, terms) => {
    expect(termsIn(text)).toBe(terms);
  });
});
