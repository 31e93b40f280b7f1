import { day } from "@/core/calendar";
import { type Currency, currencyOf } from "@/core/money";
import { readSettings } from "@/db/settings";

import { eachBook, type TestBook, TODAY } from "../../../tests/support/book";
import { proposalsOf } from "../match/proposals";
import { matchQueue } from "../match/queries/match";
import { matchWorkings } from "../match/queries/workings";
import { periodOf, sheetOf } from "../output/exports";
import { draftLetter } from "../overdue/letters";
import { overdueRows } from "../overdue/queries/overdue";
import { payoutViews } from "../payouts/queries/payouts";
import { payoutWorkings } from "../payouts/queries/payoutWorkings";
import { agingRows } from "../reports/queries/ages";
import { currenciesPage } from "./queries/currencies";

const USD = currencyOf("USD") as Currency;
const INVOICES =
  "invoice_number,customer_id,issued_on,due_on,currency,total,balance,tax,terms\nE-1,C1,2026-11-02,2026-11-12,EUR,1000.00,1000.00,0.00,2/10 n/30\nE-2,C2,2026-11-03,2026-11-13,EUR,500.00,500.00,0.00,n/10\n";
const CHARGE =
  "Id,Type,Date,Gross,Fee,Net,Payer,Email,Memo,Payout id,Payout date\neu_1,Charge,2026-11-16,1000.00,34.00,966.00,Alder Lane Pottery School,office@alderlane.example,E-1,pe_1,2026-11-18\n";

describe("another currency, from invoice to bank", () => {
  let book: TestBook;
  eachBook((made) => {
    book = made;
  });
  const ready = (): void => {
    book.must("setRates", {
      rates: [
        ["2026-11-02", "1.08"],
        ["2026-11-16", "1.10"],
        ["2026-11-23", "1.12"],
      ].map(([onDay = "", rate = ""]) => ({ currency: "EUR", onDay, rate })),
    });
    book.must("addProcessorAccount", {
      code: "euro",
      name: "card account in EUR",
      delayDays: 2,
      descriptor: "PROC EUR",
      currency: "EUR",
    });
    book.mustTake("invoices", INVOICES);
    book.mustTake("processor", CHARGE, { account: "euro" });
  };

  it("is posted with the others as what it is worth in the book, as the list said", () => {
    ready();
    book.mustTake(
      "processor",
      "Id,Type,Date,Gross,Payer,Email,Memo\nch_1,Charge,2026-11-16,300.00,Alder Lane Pottery School,office@alderlane.example,invoice D-1\n",
      { account: "card" },
    );
    book.mustTake(
      "invoices",
      "invoice_number,customer_id,issued_on,due_on,currency,total,balance,tax,terms\nD-1,C1,2026-11-02,2026-12-02,USD,300.00,300.00,0.00,n/30\n",
    );
    const { sums } = matchQueue(book.db, proposalsOf(book.db), {
      queue: "sure",
      sort: "paid",
      currency: USD,
    });
    // 300.00 and 1,000.00 EUR at 1.10 of its day: 1,400.00, not 1,300.00.
    expect(sums.sure).toEqual({ count: 2, sum: 140_000 });
    expect(book.must("postSure", { receiptIds: null })).toMatchObject({ posted: 2, sum: 140_000 });
    expect(book.broken()).toEqual([]);
  });
  it("keeps lines out that have no rate of their day, and says which and where to enter it", () => {
    const none = book.mustTake("invoices", INVOICES);
    expect(none).toMatchObject({
      new: 0,
      refused: [
        { line: 2, reason: expect.stringContaining("Other currencies") as string },
        { line: 3 },
      ],
    });
    book.must("setRates", { rates: [{ currency: "EUR", onDay: "2026-10-20", rate: "1.08" }] });
    expect(book.mustTake("invoices", INVOICES)).toMatchObject({
      new: 0,
      refused: [
        {
          line: 2,
          reason: expect.stringContaining(
            "no exchange rate for EUR on 2026-11-02 (the last one before it: 2026-10-20)",
          ) as string,
        },
        {},
      ],
    });
    book.must("setRates", { rates: [{ currency: "EUR", onDay: "2026-11-02", rate: "1.08" }] });
    expect(book.mustTake("invoices", INVOICES)).toMatchObject({
      new: 2,
      refused: [],
      outcome: [{ words: "invoices taken in as new", count: 2, sum: 150_000, currency: "EUR" }],
    });
    expect(
      book.do("setRates", { rates: [{ currency: "USD", onDay: "2026-11-02", rate: "1" }] }),
    ).toMatchObject({ ok: false, error: { code: "rate.own" } });
    expect(
      book.do("setRates", { rates: [{ currency: "EUR", onDay: "2026-11-02", rate: "0.00" }] }),
    ).toMatchObject({ ok: false, error: { code: "rate.zero" } });
  });

  it("is matched in its own money, posted at both rates, and tied at the bank's", () => {
    ready();
    const proposals = book.proposals();
    const [row] = matchQueue(book.db, proposals, {
      queue: "sure",
      sort: "paid",
      currency: USD,
    }).rows;
    expect([
      row?.currency,
      row?.amount,
      matchQueue(book.db, proposals, { queue: "sure", sort: "paid", currency: USD }).sums.sure.sum,
    ]).toEqual(["EUR", 100_000, 110_000]);
    expect(
      matchWorkings(
        book.db,
        row?.id ?? 0,
        proposals.find(({ receiptId }) => receiptId === row?.id),
      )?.items.map(({ number }) => number),
    ).toEqual(["E-1"]);
    book.must("postSure", { receiptIds: [row?.id ?? 0] });
    // Bought at 1.08, paid at 1.10: a gain of 20.00.
    expect([book.balance("exchange"), book.balance("fees"), book.broken()]).toEqual([
      -2000,
      3740,
      [],
    ]);
    book.mustTake(
      "bank",
      "Date,Description,Amount\n2026-11-19,PROC EUR PE_1,1058.00\n2026-11-19,SOMETHING ELSE,1058.00\n",
    );
    const view = payoutViews(book.db, day("2026-11-01"), TODAY).find(
      ({ externalId }) => externalId === "pe_1",
    );
    expect(view).toMatchObject({
      shown: "fits",
      abroad: true,
      net: 96_600,
      bookNet: 106_260,
      candidate: { amount: 105_800, description: "PROC EUR PE_1" },
    });
    expect(payoutWorkings(book.db, view?.id ?? 0)?.rate).toBe("1.10");
    const before = book.balances();
    const tied = book.must("tiePayout", {
      payoutId: view?.id ?? 0,
      bankLineIds: [view?.candidate?.id ?? 0],
    });
    expect([book.balance("clearing"), book.balance("exchange")]).toEqual([0, -2000 + 460]);
    const [told] = sheetOf(book.db, "payouts", periodOf(TODAY, {})).rows;
    expect(told?.slice(0, 4).concat(told.slice(9))).toEqual([
      "pe_1",
      "euro",
      "2026-11-18",
      "EUR",
      "966.00",
      expect.any(String),
      "966.00",
      "0.00",
    ]);
    book.must("undo", { actId: tied.actId });
    expect(book.balances()).toEqual(before);
  });

  it("is not tied to a line at a rate of another world, nor with a difference booked as something else", () => {
    ready();
    book.mustTake(
      "bank",
      "Date,Description,Amount\n2026-11-19,SOMETHING,966.00\n2026-11-19,CHEAP,1180.00\n",
    );
    const payoutId = book.id("payout", "external_id = 'pe_1'");
    for (const [words, code] of [
      ["SOMETHING", "payout.rate"],
      ["CHEAP", "payout.rate"],
    ] as const)
      expect(
        book.do("tiePayout", {
          payoutId,
          bankLineIds: [book.id("bank_line", `description = '${words}'`)],
        }),
      ).toMatchObject({ ok: false, error: { code } });
    expect(
      book.do("tiePayout", {
        payoutId,
        bankLineIds: [book.id("bank_line", "description = 'CHEAP'")],
        difference: { as: "fee", kind: "processing" },
      }),
    ).toMatchObject({ ok: false, error: { code: "payout.other_currency" } });
  });

  it("gives nothing to an invoice in another currency", () => {
    ready();
    const done = book.do("applyReceipt", {
      receiptId: book.id("receipt", "currency = 'EUR'"),
      customerId: 1,
      lines: [{ itemId: book.id("open_item", "number = '20401'"), amount: 50_000 }],
    });
    expect(done).toMatchObject({ ok: false, error: { code: "tally.currency" } });
  });

  it("foots to its control accounts as of any day, revalued or not", () => {
    ready();
    const check = (asOf: string): void => {
      const period = periodOf(TODAY, { asOf: day(asOf) });
      const trial = sheetOf(book.db, "trial-balance", period).rows;
      const balance = (role: string): number =>
        trial
          .filter((row) => row[2] === role)
          .reduce((sum, row) => sum + Number(row[3]) - Number(row[4]), 0);
      const summed = (name: "open-items" | "clearing", at: number): number =>
        sheetOf(book.db, name, period).rows.reduce((sum, row) => sum + Number(row[at]), 0);
      expect(summed("open-items", 9)).toBeCloseTo(balance("receivables"), 6);
      expect(summed("clearing", 6)).toBeCloseTo(balance("clearing"), 6);
      expect(agingRows(book.db, day(asOf)).total.total / 100).toBeCloseTo(
        balance("receivables"),
        6,
      );
    };
    for (const asOf of ["2026-11-03", "2026-11-17", "2026-11-24"]) check(asOf);
    expect(currenciesPage(book.db, day("2026-11-23"))).toMatchObject({
      off: 150_000 * 0.04 + 96_600 * 0.02 - 100_000 * 0.02,
      latest: [{ currency: "EUR", rate: "1.12", ageDays: 0 }],
    });
    const { actId, sum } = book.must("revalue", { asOf: "2026-11-23" });
    expect(sum).toBe(-(6000 + 1932 - 2000));
    for (const asOf of ["2026-11-22", "2026-11-23", "2026-11-24"]) check(asOf);
    expect(currenciesPage(book.db, day("2026-11-23"))).toMatchObject({
      off: 0,
      revaluations: [{ currency: "EUR", rate: "1.12" }],
    });
    expect(book.do("revalue", { asOf: "2026-11-23" })).toMatchObject({
      ok: false,
      error: { code: "revalue.done" },
    });
    book.must("undo", { actId });
    check("2026-11-23");
    expect(book.balance("exchange")).toBe(0);
    expect(book.do("revalue", { asOf: "2026-11-01" })).toMatchObject({
      ok: false,
      error: { code: "revalue.nothing" },
    });
  });

  it("is asked for in its own money, beside what is owed in the book's", () => {
    ready();
    const rows = overdueRows(book.db, TODAY, book.proposals());
    const heron = rows.find(({ customer }) => customer.name === "Heron Point Studio");
    // 120.00 open in USD, and EUR 500.00 taken in at 1.08.
    expect(heron?.overdue).toBe(12_000 + 54_000);
    const letter =
      heron &&
      draftLetter(
        book.db,
        { ...heron, waits: [] },
        { settings: readSettings(book.db), today: TODAY },
      );
    if (!letter?.ok) throw new Error("no letter");
    expect(letter.value.body).toContain("EUR 500.00 + USD 120.00");
    expect(letter.value.body).toMatch(/E-2 .* EUR 500\.00/);
  });
});
