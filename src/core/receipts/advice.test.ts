import fc from "fast-check";

import { day } from "@/core/calendar";
import { type Currency, minor } from "@/core/money";

import { type Advised, joinAdvice, sameSender, type Unadvised } from "./advice";

const USD = "USD" as Currency;
const advice = (id: number, lines: readonly number[], more: Partial<Advised> = {}): Advised => ({
  id,
  trace: "",
  paidOn: day("2026-11-18"),
  currency: USD,
  sum: minor(lines.reduce((sum, line) => sum + line, 0)),
  payerName: "Brightwater Unified",
  lines: lines.map((amount, at) => ({ lineNo: at + 1, amount: minor(amount) })),
  ...more,
});
const receipt = (id: number, amount: number, more: Partial<Unadvised> = {}): Unadvised => ({
  id,
  paidOn: day("2026-11-19"),
  currency: USD,
  amount: minor(amount),
  payerName: "BRIGHTWATER UNIF",
  reference: "ACH CREDIT BRIGHTWATER UNIF",
  ...more,
});
const pairs = (...asked: Parameters<typeof joinAdvice>): string[] =>
  joinAdvice(...asked)
    .map(
      ({ adviceId, receiptId, lineNos }) =>
        `${adviceId}>${receiptId}${lineNos ? `:${lineNos.join("+")}` : ""}`,
    )
    .sort();

describe("advice is joined to its receipt", () => {
  it("by its trace, whatever else has the same sum", () => {
    const named = receipt(2, 500, { reference: "ACH CREDIT TRN 12345", payerName: "" });
    expect(pairs([advice(1, [500], { trace: "0012345" })], [receipt(1, 500), named])).toEqual([
      "1>2",
    ]);
  });
  it("by sum, day and sender; not to another's, not from long ago, not where two fit", () => {
    expect(pairs([advice(1, [500])], [receipt(1, 500)])).toEqual(["1>1"]);
    const other = receipt(2, 500, { payerName: "TIDEMARK GALLERY" });
    expect(pairs([advice(1, [500])], [receipt(1, 500), other])).toEqual(["1>1"]);
    expect(pairs([advice(1, [500])], [other])).toEqual([]);
    expect(pairs([advice(1, [500])], [receipt(1, 500, { paidOn: day("2026-11-26") })])).toEqual([]);
    expect(pairs([advice(1, [500])], [receipt(1, 500), receipt(2, 500)])).toEqual([]);
    expect(pairs([advice(1, [500]), advice(2, [500])], [receipt(1, 500)])).toEqual([]);
    expect(pairs([advice(1, [500])], [receipt(1, 500, { currency: "EUR" as Currency })])).toEqual(
      [],
    );
  });
  it("several of one sender to the receipt that they come to", () => {
    const three = [advice(1, [500]), advice(2, [300]), advice(3, [90])];
    expect(pairs(three, [receipt(1, 800)])).toEqual(["1>1", "2>1"]);
    // Two ways to come to it: none.
    expect(pairs([...three, advice(4, [410])], [receipt(1, 890)])).toEqual(["1>1", "2>1", "3>1"]);
    expect(pairs([...three, advice(4, [300])], [receipt(1, 800)])).toEqual([]);
    expect(pairs(three, [receipt(1, 800), receipt(2, 800)])).toEqual([]);
    const nobody = three.map((one) => ({ ...one, payerName: "" }));
    expect(pairs(nobody, [receipt(1, 800)])).toEqual([]);
  });
  it("one to the receipts that it comes to, each with its own lines", () => {
    const one = advice(1, [500, 300, 90]);
    expect(pairs([one], [receipt(1, 590), receipt(2, 300)])).toEqual(["1>1:1+3", "1>2:2"]);
    // Lines that can be parted in two ways: none.
    expect(pairs([advice(1, [300, 300, 90])], [receipt(1, 390), receipt(2, 300)])).toEqual([]);
  });
  it("never to two, and always whole: what is joined to a receipt is its sum", () => {
    const sums = fc.array(fc.integer({ min: 1, max: 40 }), { minLength: 1, maxLength: 4 });
    fc.assert(
      fc.property(
        fc.array(sums, { maxLength: 5 }),
        fc.array(fc.integer({ min: 1, max: 90 }), { maxLength: 5 }),
        (advised, received) => {
          const advices = advised.map((lines, at) => advice(at + 1, lines));
          const receipts = received.map((amount, at) => receipt(at + 1, amount));
          const told = new Map<number, number>();
          const used = new Set<string>();
          for (const { adviceId, receiptId, lineNos } of joinAdvice(advices, receipts)) {
            const { lines } = advices[adviceId - 1]!;
            for (const { lineNo, amount } of lines) {
              if (lineNos && !lineNos.includes(lineNo)) continue;
              expect(used.has(`${adviceId} ${lineNo}`)).toBe(false);
              used.add(`${adviceId} ${lineNo}`);
              told.set(receiptId, (told.get(receiptId) ?? 0) + amount);
            }
          }
          for (const [id, sum] of told) expect(sum).toBe(receipts[id - 1]!.amount);
        },
      ),
    );
  });
});

describe("a sender", () => {
  it.each([
    ["Brightwater Unified", "BRIGHTWATER UNIF", true],
    ["Hollis & Byrne", "BYRNE HOLLIS", true],
    ["Tidemark Gallery", "BRIGHTWATER UNIF", false],
    ["Fernhill Studio", "EMBERLINE STUDIO", false],
    ["", "EMBERLINE STUDIO", true],
  ])("%s and %s: %s", (one, other, same) => {
    expect(sameSender(one, other)).toBe(same);
  });
});
