import { day } from "@/core/calendar";

import { eachBook, type TestBook } from "../../../tests/support/book";
import { returnFile } from "../../../tests/support/nacha";
import { lineChoices } from "../match/queries/onHand";
import { overdueRows } from "../overdue/queries/overdue";
import { clearingPageOf } from "./queries/clearing";
import { ALL_FEES, feeCheck } from "./queries/fees";
import { payoutWorkings } from "./queries/payoutWorkings";
import { expectedPage, returnsAndDisputes } from "./queries/returnsAndDisputes";

const TODAY = day("2026-11-24");
const HEAD =
  "Id,Type,Method,Date,Gross,Fee,Payer,Email,Memo,Payout id,Original id,Return code,Answer by\n";
let book: TestBook;
eachBook((made) => {
  book = made;
});

const activity = (rows: string, account = "ach"): void =>
  void book.mustTake("processor", `${HEAD}${rows}\n`, { account });
const statement = (...lines: string[]): void =>
  void book.mustTake("bank", `Date,Description,Amount\n${lines.join("\n")}\n`);
const placeAll = (): void => void book.must("postSure", { receiptIds: null });
const lastAct = (kind: string): number =>
  book.db.get<{ id: number }>("SELECT max(id) AS id FROM act WHERE kind = ?", kind)?.id ?? 0;
const DEBIT =
  "d_1,Charge,ACH debit,2026-11-16,864.50,0.00,Alder Lane Pottery School,office@alderlane.example,invoice 20401,,,,";

describe("a debit that came back", () => {
  it("may be tried again for want of funds, twice, and says until when; undo takes the plan back", () => {
    activity(DEBIT);
    placeAll();
    activity("r_1,ACH return,,2026-11-18,864.50,0.00,,,,,d_1,R01,");
    const [row] = returnsAndDisputes(book.db, TODAY).rows;
    expect(row).toMatchObject({
      what: "ACH return R01",
      open: true,
      until: "2027-05-15",
      sum: 86_450,
      todo: { as: "retry", first: "2026-11-25" },
    });
    const id = book.db.get<{ id: number }>(
      "SELECT id FROM processor_item WHERE kind = 'ach_return'",
    )!.id;
    expect(book.do("retryDebit", { returnItemId: id, on: "2026-11-24" })).toMatchObject({
      ok: false,
      error: { code: "retry.day" },
    });
    // The 26th is a holiday: the next banking day is taken.
    const planned = book.must("retryDebit", { returnItemId: id, on: "2026-11-26" });
    expect([planned.on, returnsAndDisputes(book.db, TODAY).open]).toEqual(["2026-11-27", 0]);
    expect(book.do("retryDebit", { returnItemId: id, on: "2026-12-01" })).toMatchObject({
      ok: false,
      error: { code: "retry.planned" },
    });
    book.must("undo", { actId: planned.actId });
    expect(returnsAndDisputes(book.db, TODAY).open).toBe(1);
  });
  it.each([
    ["R02", "retry.account"],
    ["R10", "retry.unauthorized"],
    ["R08", "retry.code"],
  ])("%s is not tried again", (code, error) => {
    activity(DEBIT);
    activity(`r_1,ACH return,,2026-11-18,864.50,0.00,,,,,d_1,${code},`);
    const id = book.db.get<{ id: number }>(
      "SELECT id FROM processor_item WHERE kind = 'ach_return'",
    )!.id;
    expect(book.do("retryDebit", { returnItemId: id, on: "2026-11-25" })).toMatchObject({
      ok: false,
      error: { code: error },
    });
  });
  it("is charged to the customer where the book says so", () => {
    book.must("changeSettings", { returnFee: 2500 });
    activity(DEBIT);
    placeAll();
    const before = book.balance("receivables");
    activity("r_1,ACH return,,2026-11-18,864.50,4.00,,,,,d_1,R01,");
    expect([
      book.balance("receivables") - before,
      book.balance("return_fees"),
      book.balance("fees"),
    ]).toEqual([86_450 + 2500, -2500, 400]);
    expect(
      book.db.get("SELECT kind, balance, due_on AS due FROM open_item WHERE number LIKE 'RF-%'"),
    ).toEqual({ kind: "late_fee", balance: 2500, due: "2026-11-28" });
  });
  it("that nobody can be charged for is not charged", () => {
    book.must("changeSettings", { returnFee: 2500 });
    activity(
      "d_9,Charge,ACH debit,2026-11-16,50.00,0.00,Nobody Known,,,,,,\nr_9,ACH return,,2026-11-18,50.00,0.00,,,,,d_9,R01,",
    );
    expect(book.balance("return_fees")).toBe(0);
  });
  it("counts in the return rates, and the others can still come back", () => {
    activity(
      `${DEBIT}\nd_2,Charge,ACH debit,2026-11-23,120.00,0.00,Heron Point Studio,heron@mail.example,,,,,\nr_1,ACH return,,2026-11-18,864.50,0.00,,,,,d_1,R03,`,
    );
    const { returnable, sixty, rates } = expectedPage(book.db, TODAY);
    expect([returnable, sixty]).toEqual([
      [{ settledOn: "2026-11-23", until: "2026-11-25", count: 1, sum: 12_000 }],
      { count: 1, sum: 12_000 },
    ]);
    expect(rates.map(({ name, returns, debits }) => [name, returns, debits])).toEqual([
      ["unauthorized", 0, 2],
      ["administrative", 1, 2],
      ["all", 1, 2],
    ]);
  });
});

describe("a return file of the bank", () => {
  const trace = {
    originalTrace: "011000010000007",
    trace: "021001200000001",
    cents: 86_450,
    name: "Alder Lane Pottery Sch",
    account: "135792468",
  };
  const debit = DEBIT.replace("d_1", "011000010000007");
  const take = (file: string) => book.take("returns", file);
  const back = (): unknown =>
    book.db.get(
      "SELECT count(*) AS n, sum(amount) AS sum, max(return_code) AS code FROM processor_item WHERE kind = 'ach_return'",
    );
  it("posts each return by the trace number of its debit, once, and tells of accounts to be mended", () => {
    activity(debit);
    placeAll();
    const file = returnFile([
      { code: "R01", ...trace },
      { code: "C01", ...trace, trace: "021001200000002", cents: 0, corrected: "0099887766" },
    ]);
    expect(take(file)).toMatchObject({ ok: true, value: { new: 2 } });
    expect(take(file)).toMatchObject({ ok: true, value: { new: 0, known: 2 } });
    expect(back()).toEqual({ n: 1, sum: -86_450, code: "R01" });
    const notice = returnsAndDisputes(book.db, TODAY).rows.find(({ what }) =>
      what.startsWith("change"),
    );
    expect(notice).toMatchObject({
      from: "Alder Lane Pottery School",
      words: "mend the account: account number ending in 7766",
      until: "2026-11-27",
      todo: { as: "mend" },
    });
    const done = book.must("mendAccount", { noticeId: -notice!.id });
    expect(
      returnsAndDisputes(book.db, TODAY).rows.find(({ what }) => what.startsWith("change"))?.words,
    ).toBe("mended");
    book.must("undo", { actId: done.actId });
    expect(
      returnsAndDisputes(book.db, TODAY).rows.some(({ words }) => words.startsWith("mend the")),
    ).toBe(true);
  });
  it("and the processor's own file tell of one return: it is posted once, whichever comes first", () => {
    activity(debit);
    const own = "r_1,ACH return,,2026-11-18,864.50,0.00,,,,po_9,011000010000007,,";
    take(returnFile([{ code: "R03", ...trace }]));
    activity(own);
    expect([
      back(),
      book.db.get(
        "SELECT external_id AS id, payout_id IS NOT NULL AS paid FROM processor_item WHERE kind = 'ach_return'",
      ),
    ]).toEqual([
      { n: 1, sum: -86_450, code: "R03" },
      { id: "r_1", paid: 1 },
    ]);
    activity(
      `${debit.replace("0000007", "0000008")}\nr_2,ACH return,,2026-11-18,864.50,0.00,,,,,011000010000008,,`,
    );
    take(
      returnFile([
        { code: "R02", ...trace, originalTrace: "011000010000008", trace: "021001200000009" },
      ]),
    );
    expect(
      book.db.all(
        "SELECT return_code AS code FROM processor_item WHERE kind = 'ach_return' ORDER BY id",
      ),
    ).toEqual([{ code: "R03" }, { code: "R02" }]);
  });
  it("refuses, line by line, what is of no debit in the book, or more than it", () => {
    activity(debit);
    expect(
      take(
        returnFile([
          { code: "R01", ...trace, originalTrace: "99" },
          { code: "R01", ...trace, trace: "3", cents: 90_000 },
        ]),
      ),
    ).toMatchObject({
      ok: true,
      value: {
        new: 0,
        refused: [
          {
            line: 4,
            reason: expect.stringContaining(
              "No debit with the trace number 000000000000099",
            ) as string,
          },
          { line: 6, reason: "900.00 came back, but the debit was 864.50." },
        ],
      },
    });
  });
});

describe("a debit that was started", () => {
  const started =
    "d_1,Pending,ACH debit,2026-11-23,864.50,0.00,Alder Lane Pottery School,office@alderlane.example,invoice 20401,,,,";
  const waits = (): string[] =>
    overdueRows(book.db, TODAY, book.proposals())
      .find(({ customer }) => customer.externalId === "C1")
      ?.waits.map(({ code }) => code) ?? [];
  it("posts nothing, is seen, and holds reminders back until it settles", () => {
    const before = book.balances();
    expect(waits()).toEqual([]);
    activity(started);
    activity(started);
    expect([
      book.balances(),
      waits(),
      expectedPage(book.db, TODAY).started.map(({ from, sum }) => [from, sum]),
    ]).toEqual([before, ["on_way"], [["Alder Lane Pottery School", 86_450]]]);
    activity(DEBIT);
    expect([expectedPage(book.db, TODAY).started, waits()]).toEqual([[], ["receipt"]]);
    activity(started);
    expect(expectedPage(book.db, TODAY).started).toEqual([]);
  });
});

describe("what comes before its charge", () => {
  it.each<[string, string, number]>([
    ["a refund", "x_1,Refund,,2026-11-17,20.00,0.00,,,,,d_1,,", 2000],
    ["a return", "x_1,ACH return,,2026-11-17,864.50,0.00,,,,,d_1,R01,", 86_450],
  ])("%s is parked, in view, and joined when the charge comes", (_case, row, sum) => {
    activity(row);
    expect([book.balance("parked"), returnsAndDisputes(book.db, TODAY).open]).toEqual([sum, 1]);
    activity(DEBIT);
    expect(book.balance("parked")).toBe(0);
    expect(book.db.get("SELECT gone_back AS back FROM receipt")).toEqual({ back: sum });
    activity(`${DEBIT}\n${row}`);
    expect(book.db.get("SELECT count(*) AS n FROM receipt")).toEqual({ n: 1 });
  });
  it("a dispute marks its receipt when the charge comes", () => {
    activity("x_1,Dispute,,2026-11-17,864.50,15.00,,,,,d_1,,2026-12-01");
    activity(DEBIT);
    expect(book.db.get("SELECT disputed FROM receipt")).toEqual({ disputed: 1 });
    expect(returnsAndDisputes(book.db, TODAY).rows[0]).toMatchObject({
      what: "dispute",
      until: "2026-12-01",
      from: "Alder Lane Pottery School",
    });
  });
});

describe("a dispute", () => {
  it("is on the list until it is answered; undo brings it back", () => {
    activity(`${DEBIT}\nx_1,Dispute,,2026-11-17,864.50,0.00,,,,,d_1,,2026-11-20`);
    expect(returnsAndDisputes(book.db, TODAY).rows[0]).toMatchObject({
      words: "not answered in time",
      until: "2026-11-20",
      open: true,
    });
    const id = book.db.get<{ id: number }>(
      "SELECT id FROM processor_item WHERE kind = 'dispute'",
    )!.id;
    const done = book.must("answerDispute", {
      processorItemId: id,
      why: "signed delivery slip sent",
    });
    expect(returnsAndDisputes(book.db, TODAY).rows[0]).toMatchObject({
      words: "answered; the outcome is awaited",
      open: false,
    });
    book.must("undo", { actId: done.actId });
    expect(returnsAndDisputes(book.db, TODAY).open).toBe(1);
  });
});

describe("money that is sent back", () => {
  it("of what had been applied is explained by its credit note", () => {
    activity(DEBIT);
    placeAll();
    activity("x_1,Refund,,2026-11-18,10.00,0.00,,,,,d_1,,");
    const [row] = returnsAndDisputes(book.db, TODAY).rows;
    expect(row).toMatchObject({
      open: true,
      todo: { as: "credit_note", missing: 1000, notes: [{ number: "CN-9", sum: 1000 }] },
    });
    const [receiptId, itemId] = [
      book.id("receipt", "1 = 1"),
      book.id("open_item", "number = 'CN-9'"),
    ];
    const done = book.must("useCredit", {
      receiptId,
      customerId: null,
      lines: [{ itemId, amount: -1000 }],
    });
    expect([book.balance("credits"), returnsAndDisputes(book.db, TODAY).open]).toEqual([0, 0]);
    book.must("undo", { actId: done.actId });
    expect(book.balance("credits")).toBe(1000);
  });
  it("from the bank itself comes out of credit on account; undo puts it back", () => {
    activity(
      "d_3,Charge,ACH debit,2026-11-16,90.00,0.00,Heron Point Studio,heron@mail.example,,,,,",
    );
    const receiptId = book.id("receipt", "amount = 9000");
    book.must("applyReceipt", {
      receiptId,
      customerId: book.id("customer", "external_id = 'C2'"),
      lines: [],
    });
    statement("2026-11-20,CHECK 1044 REFUND,-90.00");
    const lineId = book.id("bank_line", "amount = -9000");
    expect(lineChoices(book.db, lineId)?.refunds).toMatchObject([{ receiptId, credit: 9000 }]);
    const done = book.must("refundAtBank", { lineId, receiptId });
    expect([book.balance("credits"), book.balance("bank")]).toEqual([0, 100_000 - 9000]);
    book.must("undo", { actId: done.actId });
    expect([book.balance("credits"), book.balance("bank")]).toEqual([-9000, 100_000]);
  });
});

describe("a surcharge that is agreed", () => {
  beforeEach(() => {
    book.must("changeSettings", { surchargePercent: "3" });
  });
  const card =
    "c_1,Charge,Card,2026-11-16,890.44,0.00,Alder Lane Pottery School,office@alderlane.example,invoice 20401,,,,";
  it("is known, posted as such, and taken back by undo", () => {
    activity(card, "card");
    const [proposal] = book.proposals();
    expect([proposal?.decision, proposal?.readings[0]]).toMatchObject([
      "sure",
      { surcharge: 2594, onAccount: 0, lines: [{ number: "20401", amount: 86_450 }] },
    ]);
    placeAll();
    expect([
      book.balance("surcharges"),
      book.balance("unidentified"),
      book.balance("credits"),
    ]).toEqual([-2594, 0, 0]);
    book.must("undo", { actId: lastAct("place") });
    expect([book.balance("surcharges"), book.balance("unidentified")]).toEqual([0, -89_044]);
  });
  it("goes back with a payment that goes back whole", () => {
    activity(card, "card");
    placeAll();
    activity("x_1,Refund,,2026-11-18,890.44,0.00,,,,,c_1,,", "card");
    expect([book.balance("surcharges"), book.balance("credits")]).toEqual([0, 86_450]);
  });
  it("is none of a payment by ACH, nor without an invoice", () => {
    activity(card.replace("Card", "ACH debit"));
    expect(book.proposals()[0]?.readings[0]).toMatchObject({ onAccount: 2594 });
    expect(
      book.do("applyReceipt", {
        receiptId: book.id("receipt", "1 = 1"),
        customerId: 1,
        lines: [],
        surcharge: 100,
      }),
    ).toMatchObject({ ok: false, error: { code: "tally.surcharge" } });
  });
});

describe("the tax in what is written off", () => {
  it("lowers the tax owed where the book says so, and is owed again on a return", () => {
    book.must("changeSettings", { taxOnDiscounts: true });
    book.mustTake(
      "invoices",
      "invoice_number,customer_id,issued_on,due_on,currency,total,balance,tax,terms\n20500,C1,2026-11-10,2026-12-10,USD,108.00,108.00,8.00,2/10 n/30\n",
    );
    const tax = book.balance("tax");
    activity(
      "d_5,Charge,ACH debit,2026-11-16,105.84,0.00,Alder Lane Pottery School,office@alderlane.example,20500,,,,",
    );
    placeAll();
    // 2 % of 108.00 is 2.16, of which 0.16 is tax.
    expect([book.balance("discounts"), book.balance("tax") - tax]).toEqual([200, 16]);
    activity("r_5,ACH return,,2026-11-18,105.84,0.00,,,,,d_5,R01,");
    expect([book.balance("discounts"), book.balance("tax") - tax]).toEqual([0, 0]);
  });
});

describe("fees billed by the month", () => {
  beforeEach(() => {
    book.must("addProcessorAccount", {
      code: "billed",
      name: "billed account",
      delayDays: 1,
      descriptor: null,
      feeBilling: "monthly",
    });
    activity(
      "b_1,Charge,Card,2026-10-12,100.00,0.00,Heron Point Studio,heron@mail.example,,,,,\nb_2,Charge,Card,2026-10-20,200.00,0.00,Heron Point Studio,heron@mail.example,,,,,",
      "billed",
    );
  });
  it("are accrued by the agreed rates in their month, and matched with the bill; undo goes the same way back", () => {
    expect(book.do("accrueFees", { account: "billed", month: "2026-10" })).toMatchObject({
      ok: false,
      error: { code: "fees.no_rate", count: 2 },
    });
    book.must("agreeRate", {
      account: "billed",
      method: "card",
      from: "2026-01-01",
      percent: "2.9",
      fixed: 30,
    });
    expect(feeCheck(book.db, TODAY, ALL_FEES)).toMatchObject({
      count: 0,
      accrued: [{ month: "2026-10", state: "to accrue", sum: 930 }],
    });
    const accrued = book.must("accrueFees", { account: "billed", month: "2026-10" });
    expect([accrued.sum, book.balance("fees"), book.balance("fees_accrued")]).toEqual([
      930, 930, -930,
    ]);
    expect(book.do("accrueFees", { account: "billed", month: "2026-10" })).toMatchObject({
      ok: false,
      error: { code: "fees.accrued" },
    });
    statement("2026-11-03,PROCESSING FEES OCT,-9.80");
    const lineId = book.id("bank_line", "amount = -980");
    const [bill] = lineChoices(book.db, lineId)?.bills ?? [];
    expect(bill).toMatchObject({ words: "billed account, 2026-10", sum: 930 });
    const billed = book.must("billFees", { lineId, accrualIds: bill!.ids });
    expect([
      billed.off,
      book.balance("fees"),
      book.balance("fees_accrued"),
      book.balance("bank"),
    ]).toEqual([50, 980, 0, 100_000 - 980]);
    expect(book.do("undo", { actId: accrued.actId })).toMatchObject({
      ok: false,
      error: { code: "act.rests" },
    });
    book.must("undo", { actId: billed.actId });
    book.must("undo", { actId: accrued.actId });
    expect([book.balance("fees"), book.balance("fees_accrued")]).toEqual([0, 0]);
  });
  it("are not accrued for an account that takes them with the charges", () =>
    expect(book.do("accrueFees", { account: "card", month: "2026-10" })).toMatchObject({
      ok: false,
      error: { code: "fees.taken" },
    }));
});

describe("payouts and lines that come out only together", () => {
  const two =
    "c_1,Charge,Card,2026-11-16,100.00,0.00,Heron Point Studio,heron@mail.example,,po_a,,,\nc_2,Charge,Card,2026-11-16,40.00,0.00,Heron Point Studio,heron@mail.example,,po_b,,,";
  it("two payouts in one line, each with its share; undone together", () => {
    activity(two, "card");
    statement("2026-11-18,PROC PAYOUTS,140.00");
    const [a, b, lineId] = [
      book.id("payout", "external_id = 'po_a'"),
      book.id("payout", "external_id = 'po_b'"),
      book.id("bank_line", "amount = 14000"),
    ];
    expect(payoutWorkings(book.db, a)?.together).toMatchObject([
      {
        payoutIds: [a, b],
        bankLineIds: [lineId],
        words: "with po_b in one line, 140.00 of Wed 18 Nov",
      },
    ]);
    expect(
      book.do("tiePayouts", { payoutIds: [a, b].slice(0, 1).concat(a), lineId }),
    ).toMatchObject({ ok: false, error: { code: "payout.off" } });
    const done = book.must("tiePayouts", { payoutIds: [a, b], lineId });
    expect([book.balance("clearing"), payoutWorkings(book.db, b)?.lines]).toMatchObject([
      0,
      [{ amount: 4000, description: "PROC PAYOUTS (its share)" }],
    ]);
    book.must("undo", { actId: done.actId });
    expect([
      book.balance("clearing"),
      book.db.get("SELECT count(*) AS n FROM payout WHERE state = 'tied'"),
    ]).toEqual([14_000, { n: 0 }]);
  });
  it("a payout below zero is tied to the line by which it was taken", () => {
    activity(
      "c_1,Charge,Card,2026-11-12,100.00,0.00,Heron Point Studio,heron@mail.example,,po_0,,,\nx_1,Refund,,2026-11-16,30.00,0.00,,,,po_neg,c_1,,",
      "card",
    );
    statement("2026-11-16,PROC PO_0,100.00", "2026-11-18,PROC PO_NEG,-30.00");
    expect([book.balance("clearing"), book.balance("bank")]).toEqual([0, 100_000 + 10_000 - 3000]);
  });
});

describe("clearing as of any day", () => {
  it("holds what was taken until then and banked after it, and foots to the account, closed days or not", () => {
    activity(
      "c_1,Charge,Card,2026-10-30,100.00,3.20,Heron Point Studio,heron@mail.example,,po_a,,,",
      "card",
    );
    statement("2026-11-03,PROC PO_A,96.80");
    const at = (asOf: string) => clearingPageOf(book.db, day(asOf), 1);
    expect([
      at("2026-10-31").sum,
      at("2026-10-31").rows.map(({ bankedOn }) => bankedOn),
      at("2026-11-03").sum,
      at("2026-10-29").sum,
    ]).toEqual([9680, ["2026-11-03", "2026-11-03"], 0, 0]);
    book.must("lockPeriod", { to: "2026-11-15", why: "October is closed" });
    activity(
      "c_2,Charge,Card,2026-11-10,50.00,0.00,Heron Point Studio,heron@mail.example,,,,,",
      "card",
    );
    expect([
      at("2026-11-12").sum,
      at("2026-11-16").sum,
      at("2026-11-16").rows[0]?.postedOn,
    ]).toEqual([0, 5000, "2026-11-16"]);
    for (const asOf of ["2026-10-31", "2026-11-03", "2026-11-12", "2026-11-16", "2026-11-24"])
      for (const account of at(asOf).accounts) expect(account.items).toBe(account.ledger);
  });
});
