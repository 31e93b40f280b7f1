import fc from "fast-check";

import { day } from "@/core/calendar";
import {
  convert,
  type Currency,
  currencyOf,
  inCurrency,
  ownRate,
  type Ratio,
  ratioOf,
} from "@/core/money";

import {
  type Carried,
  type EntryDraft,
  foots,
  inBook,
  postAchReturn,
  postApplied,
  postDiscount,
  postIdentified,
  postInvoice,
  postPayoutTied,
  postReceiptSettled,
  postRevalued,
  valued,
} from ".";

const [USD, EUR, JPY, KWD] = ["USD", "EUR", "JPY", "KWD"].map(
  (code) => currencyOf(code) as Currency,
) as [Currency, Currency, Currency, Currency];
const ratio = (text: string): Ratio => {
  const read = ratioOf(text);
  if (!read.ok) throw new Error(text);
  return read.value;
};
const eur = (amount: number): ReturnType<typeof inBook> => inBook(Math.round(amount * 100), EUR);
const head = {
  on: day("2026-11-24"),
  document: { kind: "receipt" as const, id: 1, text: "a document" },
};
const shown = (entry: EntryDraft): string[] =>
  entry.lines.map(
    (line) =>
      `${line.account.role} ${line.sum.currency} ${(line.sum.amount / 100).toFixed(2)} = ${(line.sum.book / 100).toFixed(2)}`,
  );

/** A ledger small enough to see through: what stands on each account for each document. */
class Small {
  private readonly stands = new Map<string, Carried>();
  private key = (line: EntryDraft["lines"][number]): string =>
    `${line.account.role} ${line.item?.kind ?? ""} ${line.item?.id ?? ""}`;

  post(draft: EntryDraft, rate: string): EntryDraft {
    const entry = valued(
      draft,
      USD,
      (line) =>
        line.item
          ? (this.stands.get(this.key(line)) ?? { amount: 0, book: 0 })
          : { amount: 0, book: 0 },
      () => ratio(rate),
    );
    for (const line of entry.lines) {
      const now = this.stands.get(this.key(line)) ?? { amount: 0, book: 0 };
      this.stands.set(this.key(line), {
        amount: now.amount + (line.sum.currency === USD ? 0 : line.sum.amount),
        book: now.book + line.sum.book,
      });
    }
    return entry;
  }

  book(role: string): number {
    return [...this.stands]
      .filter(([key]) => key.startsWith(`${role} `))
      .reduce((sum, [, { book }]) => sum + book, 0);
  }
}

describe("sums in another currency", () => {
  it.each<[number, [Currency, Currency], string, number]>([
    [10_000, [EUR, USD], "1.0834", 10_834],
    [5000, [JPY, USD], "0.0067", 3350],
    [12_345, [USD, JPY], "151.5", 18_703],
    [1000, [KWD, USD], "3.25", 325],
    [1, [EUR, USD], "1.5", 2],
    [3, [EUR, USD], "1.5", 4],
    [-10_000, [EUR, USD], "1.0834", -10_834],
  ])("%d: %s, at %s, %d", (amount, [from, to], rate, expected) => {
    expect(convert(amount, from, to, ratio(rate))).toBe(expected);
    expect(inCurrency(amount, from, to, rate)).toBe(expected);
  });
  it("tell the rate at which one became the other, and refuse one that cannot be read", () => {
    expect([
      ownRate(10_712, USD, 10_000, EUR),
      ownRate(3350, USD, 5000, JPY),
      inCurrency(1, EUR, USD, "one"),
    ]).toEqual(["1.07120", "0.00670", null]);
  });
});

describe("a foreign sale from invoice to bank", () => {
  /*
   * The worked case of accounting textbooks (sale on credit in another currency,
   * settled at another rate; FASB ASC 830-20-35-1, values from memory as a
   * pattern): EUR 10,000 sold at 1.08 and paid at 1.10 makes receivables and
   * income 10,800, cash 11,000, and a transaction gain of 200.
   */
  it("books the gain between the day it was sold and the day it was paid", () => {
    const ledger = new Small();
    expect(
      shown(
        ledger.post(
          postInvoice({ ...head, itemId: 1, income: [{ sum: eur(10_000) }], taxes: [] }),
          "1.08",
        ),
      ),
    ).toEqual(["receivables EUR 10000.00 = 10800.00", "income EUR -10000.00 = -10800.00"]);
    ledger.post(
      postReceiptSettled({
        ...head,
        processor: "card",
        processorItemId: 7,
        receiptId: 1,
        gross: eur(10_000),
      }),
      "1.10",
    );
    expect(
      shown(
        ledger.post(
          postApplied({
            ...head,
            receiptId: 1,
            from: "unidentified",
            to: [{ itemId: 1, sum: eur(10_000) }],
          }),
          "1.12",
        ),
      ),
    ).toEqual([
      "unidentified EUR 10000.00 = 11000.00",
      "receivables EUR -10000.00 = -10800.00",
      "exchange USD -200.00 = -200.00",
    ]);
    expect([
      ledger.book("receivables"),
      ledger.book("unidentified"),
      ledger.book("clearing"),
    ]).toEqual([0, 0, 1_100_000]);
  });
  it("books what the bank's own rate made of the payout", () => {
    const carried = { amount: 97_000, book: 104_760 };
    const tied = postPayoutTied({
      ...head,
      processor: "card",
      bank: "operating",
      payoutId: 1,
      lines: [{ bankLineId: 1, sum: inBook(104_275, USD) }],
      net: eur(970),
    });
    expect(
      shown(
        valued(
          tied,
          USD,
          () => carried,
          () => ratio("1.09"),
        ),
      ),
    ).toEqual([
      "bank USD 1042.75 = 1042.75",
      "clearing EUR -970.00 = -1047.60",
      "exchange USD 4.85 = 4.85",
    ]);
  });
  it("keeps a receipt's value on the customer's account, and gives a discount at the invoice's", () => {
    const ledger = new Small();
    ledger.post(
      postInvoice({ ...head, itemId: 1, income: [{ sum: eur(92) }], taxes: [{ sum: eur(8) }] }),
      "1.08",
    );
    ledger.post(
      postReceiptSettled({
        ...head,
        processor: "card",
        processorItemId: 7,
        receiptId: 1,
        gross: eur(50),
      }),
      "1.1011",
    );
    expect(
      shown(ledger.post(postIdentified({ ...head, receiptId: 1, sum: eur(50) }), "1.30")),
    ).toEqual(["unidentified EUR 50.00 = 55.06", "credits EUR -50.00 = -55.06"]);
    expect(
      shown(ledger.post(postDiscount({ ...head, itemId: 1, sum: eur(2), tax: null }), "1.30")),
    ).toEqual(["discounts EUR 2.00 = 2.16", "receivables EUR -2.00 = -2.16"]);
  });
  it("takes a return at the value that is left of the receipt, and opens the rest at the same", () => {
    const stands: Record<string, Carried> = { unidentified: { amount: -3000, book: -3300 } };
    const went = {
      unidentified: eur(30),
      credits: null,
      parked: null,
      items: [{ itemId: 1, sum: eur(70), discount: null, smallDifference: null }],
    };
    expect(
      shown(
        valued(
          postAchReturn({
            ...head,
            processor: "ach",
            processorItemId: 9,
            receiptId: 1,
            went,
            sum: eur(100),
          }),
          USD,
          (line) => stands[line.account.role] ?? { amount: 0, book: 0 },
          () => ratio("1.2"),
        ),
      ),
    ).toEqual([
      "unidentified EUR 30.00 = 33.00",
      "receivables EUR 70.00 = 77.00",
      "clearing EUR -100.00 = -110.00",
    ]);
  });
  it("brings what is open to a day's rate, each document, against exchange", () => {
    const open = [
      {
        account: { role: "receivables" as const },
        item: { kind: "open_item" as const, id: 1 },
        amount: 10_000,
        book: 10_800,
      },
      {
        account: { role: "credits" as const },
        item: { kind: "receipt" as const, id: 2 },
        amount: -5000,
        book: -5500,
      },
    ];
    const made = postRevalued(
      { postedOn: head.on, document: { kind: "revaluation", id: 1, text: "EUR" } },
      { documents: open, currency: EUR, book: USD, rate: ratio("1.12") },
    );
    expect(made && shown(made)).toEqual([
      "receivables EUR 0.00 = 4.00",
      "credits EUR 0.00 = -1.00",
      "exchange USD -3.00 = -3.00",
    ]);
    expect(
      postRevalued(
        { postedOn: head.on, document: { kind: "revaluation", id: 1, text: "EUR" } },
        {
          documents: [{ ...open[0]!, book: 11_200 }],
          currency: EUR,
          book: USD,
          rate: ratio("1.12"),
        },
      ),
    ).toBeNull();
  });
});

describe("whatever the sums and rates are", () => {
  it("entries foot, and what is paid in parts at any rates leaves nothing behind", () => {
    const rate = fc.integer({ min: 1, max: 99_999 }).map((n) => (n / 10_000).toFixed(4));
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 1, max: 1e7 }), rate), { minLength: 1, maxLength: 8 }),
        rate,
        fc.integer({ min: 0, max: 1e5 }),
        (parts, sold, tax) => {
          const ledger = new Small();
          const sum = parts.reduce((so, [part]) => so + part, 0);
          expect(
            foots(
              ledger.post(
                postInvoice({
                  ...head,
                  itemId: 1,
                  income: [{ sum: inBook(sum, EUR) }],
                  taxes: [{ sum: inBook(tax, EUR) }],
                }),
                sold,
              ),
            ),
          ).toBe(true);
          parts.forEach(([part, paid], at) => {
            expect(
              foots(
                ledger.post(
                  postReceiptSettled({
                    ...head,
                    processor: "card",
                    processorItemId: at,
                    receiptId: at,
                    gross: inBook(part, EUR),
                  }),
                  paid,
                ),
              ),
            ).toBe(true);
            expect(
              foots(
                ledger.post(
                  postApplied({
                    ...head,
                    receiptId: at,
                    from: "unidentified",
                    to: [{ itemId: 1, sum: inBook(part, EUR) }],
                  }),
                  paid,
                ),
              ),
            ).toBe(true);
          });
          if (tax > 0)
            ledger.post(
              postDiscount({ ...head, itemId: 1, sum: inBook(tax, EUR), tax: null }),
              sold,
            );
          expect([ledger.book("receivables"), ledger.book("unidentified")]).toEqual([0, 0]);
        },
      ),
    );
  });
});
