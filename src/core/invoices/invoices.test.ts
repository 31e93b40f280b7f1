import fc from "fast-check";

import { day } from "@/core/calendar";
import { currencyOf, type Currency, minor } from "@/core/money";

import {
  type DocumentInput,
  lineAmount,
  type LineInput,
  nextStage,
  numberOf,
  stateOf,
  type TaxCode,
  totalsOf,
} from ".";

const USD = currencyOf("USD") as Currency;
const JPY = currencyOf("JPY") as Currency;
const KWD = currencyOf("KWD") as Currency;

const line = (quantity: string, rate: string, more: Partial<LineInput> = {}): LineInput => ({
  quantity,
  rate,
  discountPercent: null,
  taxCode: null,
  ...more,
});
const tax = (
  code: string,
  percent: string,
  category: TaxCode["category"] = "standard",
): TaxCode => ({
  code,
  percent,
  category,
  note: null,
});
const document = (lines: LineInput[], more: Partial<DocumentInput> = {}): DocumentInput => ({
  currency: USD,
  lines,
  discount: null,
  charges: [],
  taxes: [tax("A", "8.25"), tax("B", "25"), tax("Z", "0", "zero")],
  rules: { included: false, rounded: "by_code" },
  withholdingPercent: null,
  ...more,
});
const made = (input: DocumentInput) => {
  const totals = totalsOf(input);
  if (!totals.ok) throw new Error(totals.error.code);
  return totals.value;
};
const problem = (input: DocumentInput): object | null => {
  const totals = totalsOf(input);
  return totals.ok ? null : totals.error;
};

describe("a line", () => {
  it.each<[string, LineInput, Currency, number]>([
    ["3 x 0.335 = 1.005, half away from zero", line("3", "0.335"), USD, 101],
    ["the same below zero", line("-3", "0.335"), USD, -101],
    ["six decimals each", line("0.000001", "1000000"), USD, 100],
    [
      "rounded once, after the discount: 2.5 x 19.999999 less 10 %",
      line("2.5", "19.999999", { discountPercent: "10" }),
      USD,
      4500,
    ],
    ["a third off", line("1", "100", { discountPercent: "33.333333" }), USD, 6667],
    ["all off", line("7", "13.37", { discountPercent: "100" }), USD, 0],
    ["a currency without decimals", line("1", "10.5"), JPY, 11],
    ["a currency with three", line("3", "0.3335"), KWD, 1001],
  ])("%s", (_case, input, currency, amount) =>
    expect(lineAmount(input, currency)).toEqual({ ok: true, value: amount }),
  );
  it.each<[string, LineInput, string, string]>([
    ["no number", line("x", "1"), "document.number", "quantity"],
    ["nothing", line("1", ""), "document.number", "rate"],
    ["seven decimals", line("1", "0.1234567"), "document.places", "rate"],
    ["thirteen digits", line("1234567890123", "1"), "document.places", "quantity"],
    [
      "more than all off",
      line("1", "1", { discountPercent: "100.01" }),
      "document.discount",
      "discount_percent",
    ],
    [
      "less than nothing off",
      line("1", "1", { discountPercent: "-1" }),
      "document.discount",
      "discount_percent",
    ],
    ["too large", line("999999999999", "999999"), "document.large", "rate"],
  ])("%s is refused at its field", (_case, input, code, field) => {
    const amount = lineAmount(input, USD);
    expect(amount.ok ? null : [amount.error.code, amount.error.field]).toEqual([code, field]);
  });
});

describe("a document", () => {
  // Worked by hand.
  it("adds up lines, discount, charges and tax by code", () => {
    const totals = made(
      document(
        [line("2", "50", { taxCode: "A" }), line("1", "30", { taxCode: "B" }), line("1", "20")],
        {
          discount: { percent: "10" },
          charges: [{ words: "Shipping", sum: minor(1000), taxCode: "A" }],
        },
      ),
    );
    expect(totals).toEqual({
      lines: [10_000, 3000, 2000],
      lineSum: 15_000,
      discount: 1500,
      discounts: [1000, 300, 200],
      charges: 1000,
      nets: [9000, 2700, 1800],
      chargeNets: [1000],
      net: 14_500,
      taxes: [
        { tax: tax("A", "8.25"), net: 10_000, sum: 825 },
        { tax: tax("B", "25"), net: 2700, sum: 675 },
        { tax: { code: "", percent: "0", category: "none", note: null }, net: 1800, sum: 0 },
      ],
      tax: 1500,
      total: 16_000,
      withheld: 0,
      payable: 16_000,
    });
  });
  it("rounds tax by code, or line by line, as the book says", () => {
    const lines = [line("1", "0.06", { taxCode: "A" }), line("1", "0.06", { taxCode: "A" })];
    const of = (rounded: "by_code" | "by_line"): number =>
      made(document(lines, { rules: { included: false, rounded } })).tax;
    // 8.25 % of 0.06 is 0.00495, of 0.12 it is 0.0099.
    expect([of("by_code"), of("by_line")]).toEqual([1, 0]);
  });
  it("takes tax out of rates that contain it: 125.00 with 25 % are 100.00 and 25.00", () => {
    const totals = made(
      document([line("1", "125", { taxCode: "B" })], {
        rules: { included: true, rounded: "by_code" },
      }),
    );
    expect([totals.net, totals.tax, totals.total, totals.nets]).toEqual([
      10_000,
      2500,
      12_500,
      [10_000],
    ]);
  });
  it("a discount as a sum goes to the cent by largest remainder; what a line takes back bears none", () => {
    const totals = made(
      document([line("1", "10"), line("1", "10"), line("1", "10"), line("-1", "5")], {
        discount: { sum: minor(100) },
      }),
    );
    expect([totals.discounts, totals.total]).toEqual([[34, 33, 33, 0], 2400]);
  });
  it("what is withheld is of the net, and lowers what is to be paid alone", () => {
    const totals = made(
      document([line("1", "100", { taxCode: "A" })], { withholdingPercent: "15" }),
    );
    expect([totals.total, totals.withheld, totals.payable]).toEqual([10_825, 1500, 9325]);
  });
  it.each<[string, DocumentInput, object]>([
    ["no lines", document([]), { code: "document.empty", field: "lines" }],
    [
      "a wrong line",
      document([line("1", "1"), line("1", "?")]),
      { code: "document.number", field: "rate", text: "?", line: 2 },
    ],
    [
      "a tax code nobody knows",
      document([line("1", "1", { taxCode: "Q" })]),
      { code: "document.tax_unknown", field: "tax_code", text: "Q", line: 1 },
    ],
    [
      "the same of a charge",
      document([line("1", "1")], { charges: [{ words: "Post", sum: minor(1), taxCode: "Q" }] }),
      { code: "document.tax_unknown", field: "tax_code", text: "Q" },
    ],
    [
      "a discount over the lines",
      document([line("1", "1")], { discount: { sum: minor(101) } }),
      { code: "document.discount", field: "discount" },
    ],
    [
      "a discount below nothing",
      document([line("1", "1")], { discount: { sum: minor(-1) } }),
      { code: "document.discount", field: "discount" },
    ],
    [
      "a total below zero",
      document([line("-1", "1")]),
      { code: "document.negative", field: "total" },
    ],
    [
      "more withheld than there is",
      document([line("1", "1")], { withholdingPercent: "101" }),
      { code: "document.withholding", field: "withholding", text: "101" },
    ],
  ])("%s is refused", (_case, input, wrong) => expect(problem(input)).toEqual(wrong));
});

const anyLine = fc.record({
  quantity: fc.integer({ min: -20_000, max: 200_000 }).map((of) => String(of / 1000)),
  rate: fc.integer({ min: 0, max: 90_000_000 }).map((of) => String(of / 10_000)),
  discountPercent: fc.option(fc.integer({ min: 0, max: 10_000 }).map((of) => String(of / 100))),
  taxCode: fc.constantFrom("A", "B", "Z", null),
});
const anyDocument = fc.record({
  lines: fc.array(anyLine, { minLength: 1, maxLength: 12 }),
  discount: fc.option(
    fc.integer({ min: 0, max: 10_000 }).map((of) => ({ percent: String(of / 100) })),
  ),
  charges: fc.array(
    fc.record({
      words: fc.constant("Shipping"),
      sum: fc.integer({ min: 0, max: 100_000 }).map(minor),
      taxCode: fc.constantFrom("A", "B", null),
    }),
    { maxLength: 3 },
  ),
  included: fc.boolean(),
  rounded: fc.constantFrom("by_code" as const, "by_line" as const),
});

// EN 16931-1:2017, the integrity rules on document totals, by their published numbers.
describe("the rules of EN 16931-1 on sums hold for any document", () => {
  it("BR-CO-10 to BR-CO-15: lines - discount + charges = net, taxes sum to the tax, net + tax = total", () => {
    fc.assert(
      fc.property(anyDocument, ({ included, rounded, ...input }) => {
        const totals = totalsOf(document(input.lines, { ...input, rules: { included, rounded } }));
        if (!totals.ok) return expect(totals.error.code).toBe("document.negative");
        const {
          lines,
          lineSum,
          discount,
          discounts,
          charges,
          nets,
          chargeNets,
          net,
          taxes,
          tax: all,
          total,
        } = totals.value;
        const sum = (of: readonly number[]): number => of.reduce((so, one) => so + one, 0);
        expect([sum(lines), sum(discounts)]).toEqual([lineSum, discount]);
        expect(sum(nets) + sum(chargeNets)).toBe(net);
        expect([sum(taxes.map((one) => one.sum)), sum(taxes.map((one) => one.net))]).toEqual([
          all,
          net,
        ]);
        expect(total).toBe(net + all);
        // Without tax in the rates the net is what stands on the paper; with it the total is.
        expect(included ? total : net).toBe(lineSum - discount + charges);
        // BR-CO-17: the tax of a category is its base times its rate, to two decimals.
        if (!included && rounded === "by_code")
          for (const one of taxes)
            expect(
              Math.abs(one.sum - (one.net * Number(one.tax.percent)) / 100),
            ).toBeLessThanOrEqual(0.5 + 1e-6);
      }),
    );
  });
  it("whatever the order of the lines, the totals by code are the same", () => {
    fc.assert(
      fc.property(anyDocument, ({ included, ...input }) => {
        const of = (lines: LineInput[]): (number | string)[] => {
          const totals = totalsOf(
            document(lines, { charges: input.charges, rules: { included, rounded: "by_code" } }),
          );
          return totals.ok
            ? [totals.value.net, totals.value.tax, totals.value.total]
            : [totals.error.code];
        };
        expect(of([...input.lines].reverse())).toEqual(of(input.lines));
      }),
    );
  });
});

describe("the stages of a document", () => {
  const stages = ["draft", "waiting", "approved", "dropped"] as const;
  it("lead to approved and from there nowhere", () => {
    const to = (event: Parameters<typeof nextStage>[1]): (string | null)[] =>
      stages.map((stage) => {
        const next = nextStage(stage, event);
        return next.ok ? next.value : null;
      });
    expect({
      ask: to("ask"),
      approve: to("approve"),
      return: to("return"),
      drop: to("drop"),
      take_up: to("take_up"),
    }).toEqual({
      ask: ["waiting", null, null, null],
      approve: ["approved", "approved", null, null],
      return: [null, "draft", null, null],
      drop: ["dropped", "dropped", null, null],
      take_up: [null, null, null, "draft"],
    });
  });
  const known = {
    stage: "approved" as const,
    total: minor(100),
    balance: minor(100),
    credited: minor(0),
    sent: false,
    opened: false,
  };
  it.each<[string, Partial<typeof known>, string]>([
    ["nothing happened", {}, "approved"],
    ["a letter went", { sent: true }, "sent"],
    ["the customer looked", { sent: true, opened: true }, "opened"],
    ["a part was paid", { balance: minor(40), opened: true }, "part paid"],
    ["all was paid", { balance: minor(0) }, "paid"],
    ["all was taken back", { balance: minor(0), credited: minor(100) }, "void"],
    ["a part was taken back, the rest paid", { balance: minor(0), credited: minor(40) }, "paid"],
    ["nothing to pay", { total: minor(0), balance: minor(0) }, "paid"],
  ])("%s", (_case, more, state) => expect(stateOf({ ...known, ...more })).toBe(state));
  it("a draft is a draft", () =>
    expect(stateOf({ ...known, stage: "draft" as never })).toBe("draft"));
  it("numbers run by year, with four digits at least", () =>
    expect([
      numberOf("INV-", day("2026-11-24"), 7),
      numberOf("", day("2027-01-01"), 12_345),
    ]).toEqual(["INV-2026-0007", "2027-12345"]));
});
