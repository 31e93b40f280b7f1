import fc from "fast-check";

import { day } from "@/core/calendar";
import { currencyOf, type Currency } from "@/core/money";

import {
  DEFAULT_CHART,
  accountFor,
  foots,
  inBook,
  nextCode,
  postAchReturn,
  postAdjustment,
  postAllowance,
  postApplied,
  postBadDebt,
  postBankFee,
  postBounced,
  postCreditNote,
  postDeposited,
  postDiscount,
  postDispute,
  postDisputeLost,
  postElsewhere,
  postFee,
  postFeeAccrued,
  postFeeBilled,
  postIdentified,
  postInvoice,
  postLateFee,
  postOpening,
  postOtherIncome,
  postParkedDifference,
  postPayoutTied,
  postReceiptAtBank,
  postReceiptByHand,
  postReceiptSettled,
  postRecovery,
  postRefund,
  postRefundAtBank,
  postReserve,
  postReturnFeeCharged,
  postReversal,
  postSetAside,
  postSetOff,
  postSmallDifference,
  postSurcharge,
  prove,
  type EntryDraft,
} from ".";

const USD = currencyOf("USD") as Currency;
const usd = (amount: number): ReturnType<typeof inBook> => inBook(Math.round(amount * 100), USD);
const head = {
  on: day("2026-11-24"),
  document: { kind: "receipt" as const, id: 1, text: "a document" },
};
const card = { ...head, processor: "card", processorItemId: 7 };
const nothing = { unidentified: null, credits: null, parked: null, items: [] };

/** An entry as its event, then "role debit" and "role -credit" with the document, in its order. */
const shown = (entry: EntryDraft): string[] => [
  entry.event,
  ...entry.lines.map(
    ({ account, sum, item }) =>
      `${account.role}${account.of ? `/${account.of}` : ""} ${(sum.book / 100).toFixed(2)}${item ? ` (${item.kind} ${item.id})` : ""}`,
  ),
];

/** One row for each event of the posting table in docs/architecture.md. */
const TABLE: [string, EntryDraft, string[]][] = [
  [
    "opening balance",
    postOpening({ ...head, account: { role: "receivables" }, sum: usd(60), item: null }),
    ["opening", "receivables 60.00", "opening -60.00"],
  ],
  [
    "invoice",
    postInvoice({ ...head, itemId: 1, income: [{ sum: usd(100) }], taxes: [{ sum: usd(8) }] }),
    ["invoice", "receivables 108.00 (open_item 1)", "income -100.00", "tax -8.00"],
  ],
  [
    "credit note",
    postCreditNote({ ...head, itemId: 1, income: [{ sum: usd(100) }], taxes: [{ sum: usd(8) }] }),
    ["credit_note", "receivables -108.00 (open_item 1)", "income 100.00", "tax 8.00"],
  ],
  [
    "credit note set off against an invoice",
    postSetOff({ ...head, creditItemId: 2, itemId: 1, sum: usd(20) }),
    ["apply", "receivables 20.00 (open_item 2)", "receivables -20.00 (open_item 1)"],
  ],
  [
    "receipt settled at the processor",
    postReceiptSettled({ ...card, receiptId: 1, gross: usd(1000) }),
    ["receipt", "clearing/card 1000.00 (processor_item 7)", "unidentified -1000.00 (receipt 1)"],
  ],
  [
    "receipt found on the bank line",
    postReceiptAtBank({ ...head, bank: "operating", bankLineId: 1, receiptId: 1, sum: usd(25) }),
    ["receipt", "bank/operating 25.00 (bank_line 1)", "unidentified -25.00 (receipt 1)"],
  ],
  [
    "payer known, not applied",
    postIdentified({ ...head, receiptId: 1, sum: usd(25) }),
    ["identify", "unidentified 25.00 (receipt 1)", "credits -25.00 (receipt 1)"],
  ],
  [
    "applied",
    postApplied({
      ...head,
      receiptId: 1,
      from: "unidentified",
      to: [
        { itemId: 1, sum: usd(60) },
        { itemId: 2, sum: usd(40) },
      ],
    }),
    [
      "apply",
      "unidentified 100.00 (receipt 1)",
      "receivables -60.00 (open_item 1)",
      "receivables -40.00 (open_item 2)",
    ],
  ],
  [
    "applied from credit",
    postApplied({ ...head, receiptId: 1, from: "credits", to: [{ itemId: 1, sum: usd(60) }] }),
    ["apply", "credits 60.00 (receipt 1)", "receivables -60.00 (open_item 1)"],
  ],
  [
    "applied with a credit note",
    postApplied({
      ...head,
      receiptId: 1,
      from: "unidentified",
      to: [
        { itemId: 1, sum: usd(100) },
        { itemId: 2, sum: usd(-10) },
      ],
    }),
    [
      "apply",
      "unidentified 90.00 (receipt 1)",
      "receivables -100.00 (open_item 1)",
      "receivables 10.00 (open_item 2)",
    ],
  ],
  [
    "early-payment discount",
    postDiscount({ ...head, itemId: 1, sum: usd(20), tax: null }),
    ["discount", "discounts 20.00", "receivables -20.00 (open_item 1)"],
  ],
  [
    "early-payment discount, tax reduced",
    postDiscount({ ...head, itemId: 1, sum: usd(20), tax: usd(1.5) }),
    ["discount", "discounts 18.50", "tax 1.50", "receivables -20.00 (open_item 1)"],
  ],
  [
    "small difference",
    postSmallDifference({ ...head, itemId: 1, sum: usd(0.3) }),
    ["write_off", "small_differences 0.30", "receivables -0.30 (open_item 1)"],
  ],
  [
    "small difference, over",
    postSmallDifference({ ...head, itemId: 1, sum: usd(-0.3) }),
    ["write_off", "small_differences -0.30", "receivables 0.30 (open_item 1)"],
  ],
  [
    "fee",
    postFee({ ...card, kind: "processing", sum: usd(37.55) }),
    ["fee", "fees/processing 37.55", "clearing/card -37.55 (processor_item 7)"],
  ],
  [
    "reserve held",
    postReserve({ ...card, sum: usd(50) }),
    ["reserve", "reserve 50.00 (processor_item 7)", "clearing/card -50.00 (processor_item 7)"],
  ],
  [
    "adjustment by the processor",
    postAdjustment({ ...card, sum: usd(-5) }),
    ["adjustment", "clearing/card -5.00 (processor_item 7)", "other/adjustments 5.00"],
  ],
  [
    "refund of credit on account",
    postRefund({ ...card, receiptId: 1, from: "credits", sum: usd(540) }),
    ["refund", "credits 540.00 (receipt 1)", "clearing/card -540.00 (processor_item 7)"],
  ],
  [
    "dispute opened",
    postDispute({ ...card, sum: usd(378) }),
    ["dispute", "disputed 378.00 (processor_item 7)", "clearing/card -378.00 (processor_item 7)"],
  ],
  [
    "dispute won",
    postDispute({ ...card, sum: usd(-378) }),
    ["dispute", "disputed -378.00 (processor_item 7)", "clearing/card 378.00 (processor_item 7)"],
  ],
  [
    "dispute lost",
    postDisputeLost({
      ...head,
      disputeItemId: 7,
      receiptId: 1,
      went: {
        ...nothing,
        items: [{ itemId: 1, sum: usd(378), discount: null, smallDifference: null }],
      },
      sum: usd(378),
    }),
    ["dispute", "receivables 378.00 (open_item 1)", "disputed -378.00 (processor_item 7)"],
  ],
  [
    "ACH return, with its discount taken back",
    postAchReturn({
      ...card,
      receiptId: 1,
      went: {
        ...nothing,
        items: [{ itemId: 1, sum: usd(98), discount: usd(2), smallDifference: null }],
      },
      sum: usd(98),
    }),
    [
      "ach_return",
      "receivables 100.00 (open_item 1)",
      "discounts -2.00",
      "clearing/card -98.00 (processor_item 7)",
    ],
  ],
  [
    "ACH return of what nobody was found for",
    postAchReturn({
      ...card,
      receiptId: 1,
      went: { ...nothing, unidentified: usd(30), credits: usd(10), parked: usd(5) },
      sum: usd(45),
    }),
    [
      "ach_return",
      "unidentified 30.00 (receipt 1)",
      "credits 10.00 (receipt 1)",
      "parked 5.00 (receipt 1)",
      "clearing/card -45.00 (processor_item 7)",
    ],
  ],
  [
    "payout tied to its bank line",
    postPayoutTied({
      ...head,
      processor: "card",
      bank: "operating",
      payoutId: 1,
      lines: [{ bankLineId: 1, sum: usd(970) }],
    }),
    ["payout", "bank/operating 970.00 (bank_line 1)", "clearing/card -970.00 (payout 1)"],
  ],
  [
    "negative payout",
    postPayoutTied({
      ...head,
      processor: "card",
      bank: "operating",
      payoutId: 1,
      lines: [{ bankLineId: 1, sum: usd(-311.74) }],
    }),
    ["payout", "bank/operating -311.74 (bank_line 1)", "clearing/card 311.74 (payout 1)"],
  ],
  [
    "bank line that is not of this job",
    postElsewhere({ ...head, bank: "operating", bankLineId: 1, sum: usd(-9000) }),
    ["elsewhere", "bank/operating -9000.00 (bank_line 1)", "elsewhere 9000.00"],
  ],
  [
    "money of another business",
    postSetAside({ ...head, receiptId: 1, sum: usd(84) }),
    ["park", "unidentified 84.00 (receipt 1)", "parked -84.00 (receipt 1)"],
  ],
  [
    "other income",
    postOtherIncome({ ...head, receiptId: 1, sum: usd(84) }),
    ["other_income", "unidentified 84.00 (receipt 1)", "other -84.00 (receipt 1)"],
  ],
  [
    "receipt by hand",
    postReceiptByHand({ ...head, receiptId: 1, sum: usd(25) }),
    ["receipt", "on_hand 25.00 (receipt 1)", "unidentified -25.00 (receipt 1)"],
  ],
  [
    "bank deposit of several by hand",
    postDeposited({
      ...head,
      bank: "operating",
      bankLineId: 1,
      receipts: [
        { receiptId: 1, sum: usd(25) },
        { receiptId: 2, sum: usd(40) },
      ],
    }),
    [
      "deposit",
      "bank/operating 65.00 (bank_line 1)",
      "on_hand -25.00 (receipt 1)",
      "on_hand -40.00 (receipt 2)",
    ],
  ],
  [
    "bounced check, of a debt that had been written off in part",
    postBounced({
      ...head,
      bank: "operating",
      bankLineId: 1,
      receiptId: 1,
      went: {
        ...nothing,
        items: [
          {
            itemId: 1,
            sum: usd(25),
            discount: null,
            smallDifference: usd(5),
            writeOff: "bad_debt",
          },
        ],
      },
      sum: usd(25),
    }),
    [
      "deposit",
      "receivables 30.00 (open_item 1)",
      "bad_debt -5.00",
      "bank/operating -25.00 (bank_line 1)",
    ],
  ],
  [
    "the bank's fee for it",
    postBankFee({ ...head, bank: "operating", bankLineId: 1, kind: "return", sum: usd(12) }),
    ["fee", "fees/return 12.00", "bank/operating -12.00 (bank_line 1)"],
  ],
  [
    "surcharge on top",
    postSurcharge({ ...head, receiptId: 1, sum: usd(3) }),
    ["surcharge", "unidentified 3.00 (receipt 1)", "surcharges -3.00 (receipt 1)"],
  ],
  [
    "fee charged for a return",
    postReturnFeeCharged({ ...head, itemId: 1, sum: usd(25) }),
    ["late_fee", "receivables 25.00 (open_item 1)", "return_fees -25.00"],
  ],
  [
    "late fee",
    postLateFee({ ...head, itemId: 1, sum: usd(10) }),
    ["late_fee", "receivables 10.00 (open_item 1)", "late_fees -10.00"],
  ],
  [
    "fees of a month, accrued",
    postFeeAccrued({ ...head, sum: usd(312.4) }),
    ["fee_accrual", "fees 312.40", "fees_accrued -312.40 (receipt 1)"],
  ],
  [
    "their bill, a little more",
    postFeeBilled({
      ...head,
      bank: "operating",
      bankLineId: 1,
      accrued: usd(312.4),
      billed: usd(315),
    }),
    ["fee", "fees_accrued 312.40 (receipt 1)", "fees 2.60", "bank/operating -315.00 (bank_line 1)"],
  ],
  [
    "their bill, as accrued",
    postFeeBilled({
      ...head,
      bank: "operating",
      bankLineId: 1,
      accrued: usd(312.4),
      billed: usd(312.4),
    }),
    ["fee", "fees_accrued 312.40 (receipt 1)", "bank/operating -312.40 (bank_line 1)"],
  ],
  [
    "allowance for doubtful debts",
    postAllowance({ ...head, by: usd(80) }),
    ["allowance", "bad_debt 80.00", "allowance -80.00"],
  ],
  [
    "recovery after a write-off",
    postRecovery({ ...head, receiptId: 1, sum: usd(30) }),
    ["recovery", "unidentified 30.00 (receipt 1)", "recoveries -30.00 (receipt 1)"],
  ],
  [
    "refund of credit from the bank",
    postRefundAtBank({ ...head, bank: "operating", bankLineId: 1, receiptId: 1, sum: usd(540) }),
    ["refund", "credits 540.00 (receipt 1)", "bank/operating -540.00 (bank_line 1)"],
  ],
  [
    "ACH return of a receipt with a surcharge, its discount and write-off with tax",
    postAchReturn({
      ...card,
      receiptId: 1,
      went: {
        ...nothing,
        surcharge: usd(3),
        items: [
          {
            itemId: 1,
            sum: usd(90),
            discount: usd(5.4),
            smallDifference: usd(10.8),
            writeOff: "bad_debt",
            discountTax: usd(0.4),
            writeOffTax: usd(0.8),
          },
        ],
      },
      sum: usd(93),
    }),
    [
      "ach_return",
      "surcharges 3.00 (receipt 1)",
      "receivables 106.20 (open_item 1)",
      "discounts -5.00",
      "tax -0.40",
      "bad_debt -10.00",
      "tax -0.80",
      "clearing/card -93.00 (processor_item 7)",
    ],
  ],
  [
    "bad debt with the tax in it",
    postBadDebt({ ...head, itemId: 1, sum: usd(54), tax: usd(4) }),
    ["write_off", "bad_debt 50.00", "tax 4.00", "receivables -54.00 (open_item 1)"],
  ],
  [
    "bad debt, approved",
    postBadDebt({ tax: null, ...head, itemId: 1, sum: usd(34) }),
    ["write_off", "bad_debt 34.00", "receivables -34.00 (open_item 1)"],
  ],
  [
    "difference that nothing explains",
    postParkedDifference({ ...card, sum: usd(-15) }),
    ["park", "clearing/card -15.00 (processor_item 7)", "parked 15.00 (processor_item 7)"],
  ],
];

describe("the posting table", () => {
  it.each(TABLE)("%s", (_event, entry, lines) => {
    expect(shown(entry)).toEqual(lines);
    expect(foots(entry)).toBe(true);
    expect([entry.postedOn, entry.document, entry.partyId]).toEqual([head.on, head.document, null]);
  });
  it.each(TABLE)("undo of %s is its mirror, and the two cancel out", (_event, entry) => {
    const mirror = postReversal(entry, day("2026-11-25"));
    expect(mirror.lines.map(({ sum }) => sum.book)).toEqual(
      entry.lines.map(({ sum }) => (sum.book === 0 ? 0 : -sum.book)),
    );
    expect([mirror.event, mirror.postedOn, foots(mirror)]).toEqual([
      "reversal",
      "2026-11-25",
      true,
    ]);
  });
  it.each(TABLE)("the default chart has an account for every line of %s", (_event, entry) => {
    const chart = [
      ...DEFAULT_CHART,
      { code: "1100", name: "Clearing", role: "clearing" as const, of: "card" },
      { code: "1000", name: "Bank", role: "bank" as const, of: "operating" },
    ];
    for (const line of entry.lines)
      expect(accountFor(chart, line.account)?.role).toBe(line.account.role);
  });
});

describe("textbook entries", () => {
  const balances = (entries: readonly EntryDraft[]): Record<string, number> => {
    const sums: Record<string, number> = {};
    for (const entry of entries)
      for (const line of entry.lines)
        sums[line.account.role] = (sums[line.account.role] ?? 0) + line.sum.book;
    return sums;
  };
  // Card sale with a fee (accounting textbooks; value from memory): sale 1,000, fee 3 %: cash 970,
  // card expense 30, sales 1,000.
  it("card sale with a fee", () => {
    const sums = balances([
      postInvoice({ ...head, itemId: 1, income: [{ sum: usd(1000) }], taxes: [] }),
      postReceiptSettled({ ...card, receiptId: 1, gross: usd(1000) }),
      postFee({ ...card, kind: "processing", sum: usd(30) }),
      postApplied({
        ...head,
        receiptId: 1,
        from: "unidentified",
        to: [{ itemId: 1, sum: usd(1000) }],
      }),
      postPayoutTied({
        ...head,
        processor: "card",
        bank: "operating",
        payoutId: 1,
        lines: [{ bankLineId: 1, sum: usd(970) }],
      }),
    ]);
    expect(sums).toEqual({
      receivables: 0,
      income: -100_000,
      clearing: 0,
      unidentified: 0,
      fees: 3000,
      bank: 97_000,
    });
  });
  // Sale with a discount by the gross method (accounting textbooks; value from memory): 2/10 n/30
  // on 1,000: cash 980, discounts 20, receivables 1,000.
  it("sale with a discount, gross method", () => {
    const sums = balances([
      postInvoice({ ...head, itemId: 1, income: [{ sum: usd(1000) }], taxes: [] }),
      postReceiptAtBank({ ...head, bank: "operating", bankLineId: 1, receiptId: 1, sum: usd(980) }),
      postApplied({
        ...head,
        receiptId: 1,
        from: "unidentified",
        to: [{ itemId: 1, sum: usd(980) }],
      }),
      postDiscount({ ...head, itemId: 1, sum: usd(20), tax: null }),
    ]);
    expect(sums).toEqual({
      receivables: 0,
      income: -100_000,
      bank: 98_000,
      unidentified: 0,
      discounts: 2000,
    });
  });
});

describe("textbook entries for doubtful debts", () => {
  // Aging-of-receivables method (accounting textbooks; the pattern from memory): buckets times
  // rates come to 1,700, the allowance stands at 500 credit: the entry is 1,200.
  it("bring the allowance to the computed sum, and a debt written off goes against bad debt", () => {
    expect(shown(postAllowance({ ...head, by: usd(1700 - 500) }))).toEqual([
      "allowance",
      "bad_debt 1200.00",
      "allowance -1200.00",
    ]);
    expect(shown(postBadDebt({ ...head, itemId: 1, sum: usd(340), tax: null }))).toEqual([
      "write_off",
      "bad_debt 340.00",
      "receivables -340.00 (open_item 1)",
    ]);
    // What is paid after all is a recovery, not income of the sale.
    expect(shown(postRecovery({ ...head, receiptId: 1, sum: usd(340) }))).toEqual([
      "recovery",
      "unidentified 340.00 (receipt 1)",
      "recoveries -340.00 (receipt 1)",
    ]);
  });
});

describe("entries in general", () => {
  it("foot whatever the sums are", () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -1e9, max: 1e9 }), { minLength: 1, maxLength: 8 }),
        fc.integer({ min: 0, max: 1e6 }),
        (sums, tax) => {
          expect(
            foots(
              postApplied({
                ...head,
                receiptId: 1,
                from: "unidentified",
                to: sums.map((sum, at) => ({ itemId: at, sum: inBook(sum, USD) })),
              }),
            ),
          ).toBe(true);
          expect(
            foots(
              postInvoice({
                ...head,
                itemId: 1,
                income: sums.map((sum) => ({ sum: inBook(sum, USD) })),
                taxes: [{ sum: inBook(tax, USD) }],
              }),
            ),
          ).toBe(true);
        },
      ),
    );
  });
  it("are refused in several currencies, or without lines", () => {
    expect(() =>
      postApplied({
        ...head,
        receiptId: 1,
        from: "unidentified",
        to: [
          { itemId: 1, sum: usd(1) },
          { itemId: 2, sum: inBook(1, currencyOf("EUR") as Currency) },
        ],
      }),
    ).toThrow(RangeError);
    expect(() => postApplied({ ...head, receiptId: 1, from: "unidentified", to: [] })).toThrow(
      RangeError,
    );
    expect(
      foots({ event: "fee", postedOn: head.on, document: head.document, partyId: null, lines: [] }),
    ).toBe(false);
  });
  it("give added accounts the next free code", () => {
    expect([
      nextCode(new Set(), "clearing"),
      nextCode(new Set(["1100", "1110"]), "clearing"),
      nextCode(new Set(["1000"]), "bank"),
    ]).toEqual(["1100", "1120", "1005"]);
  });
});

describe("the chart a book starts with", () => {
  // Common practice, no source: assets 1000 to 1999, liabilities 2000, equity 3000, income 4000, expenses 6000.
  it("has each account once, in the block of its kind", () => {
    expect(
      DEFAULT_CHART.map(({ code, name, role, of }) => `${code} ${name} ${role} ${of}`),
    ).toEqual([
      "1050 Checks and cash on hand on_hand null",
      "1200 Accounts receivable receivables null",
      "1210 Disputed receipts disputed null",
      "1290 Allowance for doubtful debts allowance null",
      "1300 Reserve held by processors reserve null",
      "2100 Credit on account credits null",
      "2110 Receipts not identified unidentified null",
      "2200 Sales tax payable tax null",
      "2300 Processing fees accrued fees_accrued null",
      "2400 Parked, due to or from others parked null",
      "3000 Opening balances opening null",
      "4000 Sales income null",
      "4100 Early-payment discounts discounts null",
      "4200 Late fees charged late_fees null",
      "4210 Return fees charged return_fees null",
      "4220 Surcharges surcharges null",
      "4800 Other income other null",
      "6000 Processing fees fees null",
      "6010 Dispute fees fees dispute",
      "6020 Return fees paid fees return",
      "6050 Adjustments by processors other adjustments",
      "6100 Small differences small_differences null",
      "6200 Bad debt bad_debt null",
      "6210 Recoveries recoveries null",
      "6300 Exchange gain or loss exchange null",
      "9000 Elsewhere in the bank elsewhere null",
    ]);
  });
  it("finds an account by role and kind, falls back to the role's own, and finds none of a strange role", () => {
    const chart = DEFAULT_CHART.filter(({ role }) => role !== "exchange");
    expect([
      accountFor(chart, { role: "fees", of: "dispute" })?.code,
      accountFor(chart, { role: "fees", of: "processing" })?.code,
      accountFor(chart, { role: "other" })?.code,
      accountFor(chart, { role: "exchange" }),
    ]).toEqual(["6010", "6000", "4800", undefined]);
  });
});

describe("proofs", () => {
  it("hold only where both sides agree and no document strays", () => {
    const report = prove(
      [
        { name: "receivables", journal: usd(5).book, documents: usd(5).book },
        { name: "clearing", journal: usd(5).book, documents: usd(5).book, strays: 2 },
        { name: "bank", journal: usd(5).book, documents: usd(4).book },
      ],
      [{ name: "to_match", sum: usd(1).book, count: 0 }],
    );
    expect(report.proofs.map(({ holds, off }) => [holds, off])).toEqual([
      [true, 0],
      [false, 0],
      [false, 100],
    ]);
    expect([report.holds, report.work]).toEqual([false, []]);
  });
});
