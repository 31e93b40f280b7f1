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

/** An entry as "role debit" and "role -credit", in its order. */
const shown = (entry: EntryDraft): string[] =>
  entry.lines.map(
    (line) =>
      `${line.account.role}${line.account.of ? `/${line.account.of}` : ""} ${(line.sum.book / 100).toFixed(2)}`,
  );

/** One row for each event of the posting table in docs/architecture.md. */
const TABLE: [string, EntryDraft, string[]][] = [
  [
    "opening balance",
    postOpening({ ...head, account: { role: "receivables" }, sum: usd(60), item: null }),
    ["receivables 60.00", "opening -60.00"],
  ],
  [
    "invoice",
    postInvoice({ ...head, itemId: 1, income: [{ sum: usd(100) }], tax: usd(8) }),
    ["receivables 108.00", "income -100.00", "tax -8.00"],
  ],
  [
    "credit note",
    postCreditNote({ ...head, itemId: 1, income: [{ sum: usd(100) }], tax: usd(8) }),
    ["receivables -108.00", "income 100.00", "tax 8.00"],
  ],
  [
    "receipt settled at the processor",
    postReceiptSettled({ ...card, receiptId: 1, gross: usd(1000) }),
    ["clearing/card 1000.00", "unidentified -1000.00"],
  ],
  [
    "receipt found on the bank line",
    postReceiptAtBank({ ...head, bank: "operating", bankLineId: 1, receiptId: 1, sum: usd(25) }),
    ["bank/operating 25.00", "unidentified -25.00"],
  ],
  [
    "payer known, not applied",
    postIdentified({ ...head, receiptId: 1, sum: usd(25) }),
    ["unidentified 25.00", "credits -25.00"],
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
    ["unidentified 100.00", "receivables -60.00", "receivables -40.00"],
  ],
  [
    "applied from credit",
    postApplied({ ...head, receiptId: 1, from: "credits", to: [{ itemId: 1, sum: usd(60) }] }),
    ["credits 60.00", "receivables -60.00"],
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
    ["unidentified 90.00", "receivables -100.00", "receivables 10.00"],
  ],
  [
    "early-payment discount",
    postDiscount({ ...head, itemId: 1, sum: usd(20), tax: null }),
    ["discounts 20.00", "receivables -20.00"],
  ],
  [
    "early-payment discount, tax reduced",
    postDiscount({ ...head, itemId: 1, sum: usd(20), tax: usd(1.5) }),
    ["discounts 18.50", "tax 1.50", "receivables -20.00"],
  ],
  [
    "small difference",
    postSmallDifference({ ...head, itemId: 1, sum: usd(0.3) }),
    ["small_differences 0.30", "receivables -0.30"],
  ],
  [
    "small difference, over",
    postSmallDifference({ ...head, itemId: 1, sum: usd(-0.3) }),
    ["small_differences -0.30", "receivables 0.30"],
  ],
  [
    "fee",
    postFee({ ...card, kind: "processing", sum: usd(37.55) }),
    ["fees/processing 37.55", "clearing/card -37.55"],
  ],
  [
    "reserve held",
    postReserve({ ...card, sum: usd(50) }),
    ["reserve 50.00", "clearing/card -50.00"],
  ],
  [
    "adjustment by the processor",
    postAdjustment({ ...card, sum: usd(-5) }),
    ["clearing/card -5.00", "other/adjustments 5.00"],
  ],
  [
    "refund of credit on account",
    postRefund({ ...card, receiptId: 1, from: "credits", sum: usd(540) }),
    ["credits 540.00", "clearing/card -540.00"],
  ],
  [
    "dispute opened",
    postDispute({ ...card, sum: usd(378) }),
    ["disputed 378.00", "clearing/card -378.00"],
  ],
  [
    "dispute won",
    postDispute({ ...card, sum: usd(-378) }),
    ["disputed -378.00", "clearing/card 378.00"],
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
    ["receivables 378.00", "disputed -378.00"],
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
    ["receivables 100.00", "discounts -2.00", "clearing/card -98.00"],
  ],
  [
    "ACH return of what nobody was found for",
    postAchReturn({
      ...card,
      receiptId: 1,
      went: { ...nothing, unidentified: usd(30), credits: usd(10), parked: usd(5) },
      sum: usd(45),
    }),
    ["unidentified 30.00", "credits 10.00", "parked 5.00", "clearing/card -45.00"],
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
    ["bank/operating 970.00", "clearing/card -970.00"],
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
    ["bank/operating -311.74", "clearing/card 311.74"],
  ],
  [
    "bank line that is not of this job",
    postElsewhere({ ...head, bank: "operating", bankLineId: 1, sum: usd(-9000) }),
    ["bank/operating -9000.00", "elsewhere 9000.00"],
  ],
  [
    "money of another business",
    postSetAside({ ...head, receiptId: 1, sum: usd(84) }),
    ["unidentified 84.00", "parked -84.00"],
  ],
  [
    "other income",
    postOtherIncome({ ...head, receiptId: 1, sum: usd(84) }),
    ["unidentified 84.00", "other -84.00"],
  ],
  [
    "receipt by hand",
    postReceiptByHand({ ...head, receiptId: 1, sum: usd(25) }),
    ["on_hand 25.00", "unidentified -25.00"],
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
    ["bank/operating 65.00", "on_hand -25.00", "on_hand -40.00"],
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
    ["receivables 30.00", "bad_debt -5.00", "bank/operating -25.00"],
  ],
  [
    "the bank's fee for it",
    postBankFee({ ...head, bank: "operating", bankLineId: 1, kind: "return", sum: usd(12) }),
    ["fees/return 12.00", "bank/operating -12.00"],
  ],
  [
    "surcharge on top",
    postSurcharge({ ...head, receiptId: 1, sum: usd(3) }),
    ["unidentified 3.00", "surcharges -3.00"],
  ],
  [
    "fee charged for a return",
    postReturnFeeCharged({ ...head, itemId: 1, sum: usd(25) }),
    ["receivables 25.00", "return_fees -25.00"],
  ],
  [
    "late fee",
    postLateFee({ ...head, itemId: 1, sum: usd(10) }),
    ["receivables 10.00", "late_fees -10.00"],
  ],
  [
    "fees of a month, accrued",
    postFeeAccrued({ ...head, sum: usd(312.4) }),
    ["fees 312.40", "fees_accrued -312.40"],
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
    ["fees_accrued 312.40", "fees 2.60", "bank/operating -315.00"],
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
    ["fees_accrued 312.40", "bank/operating -312.40"],
  ],
  [
    "allowance for doubtful debts",
    postAllowance({ ...head, by: usd(80) }),
    ["bad_debt 80.00", "allowance -80.00"],
  ],
  [
    "recovery after a write-off",
    postRecovery({ ...head, receiptId: 1, sum: usd(30) }),
    ["unidentified 30.00", "recoveries -30.00"],
  ],
  [
    "refund of credit from the bank",
    postRefundAtBank({ ...head, bank: "operating", bankLineId: 1, receiptId: 1, sum: usd(540) }),
    ["credits 540.00", "bank/operating -540.00"],
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
      "surcharges 3.00",
      "receivables 106.20",
      "discounts -5.00",
      "tax -0.40",
      "bad_debt -10.00",
      "tax -0.80",
      "clearing/card -93.00",
    ],
  ],
  [
    "bad debt with the tax in it",
    postBadDebt({ ...head, itemId: 1, sum: usd(54), tax: usd(4) }),
    ["bad_debt 50.00", "tax 4.00", "receivables -54.00"],
  ],
  [
    "bad debt, approved",
    postBadDebt({ tax: null, ...head, itemId: 1, sum: usd(34) }),
    ["bad_debt 34.00", "receivables -34.00"],
  ],
  [
    "difference that nothing explains",
    postParkedDifference({ ...card, sum: usd(-15) }),
    ["clearing/card -15.00", "parked 15.00"],
  ],
];

describe("the posting table", () => {
  it.each(TABLE)("%s", (_event, entry, lines) => {
    expect(shown(entry)).toEqual(lines);
    expect(foots(entry)).toBe(true);
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
      postInvoice({ ...head, itemId: 1, income: [{ sum: usd(1000) }], tax: null }),
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
      postInvoice({ ...head, itemId: 1, income: [{ sum: usd(1000) }], tax: null }),
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
      "bad_debt 1200.00",
      "allowance -1200.00",
    ]);
    expect(shown(postBadDebt({ ...head, itemId: 1, sum: usd(340), tax: null }))).toEqual([
      "bad_debt 340.00",
      "receivables -340.00",
    ]);
    // What is paid after all is a recovery, not income of the sale.
    expect(shown(postRecovery({ ...head, receiptId: 1, sum: usd(340) }))).toEqual([
      "unidentified 340.00",
      "recoveries -340.00",
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
                tax: inBook(tax, USD),
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
