import fc from "fast-check";

import { day } from "@/core/calendar";
import { currencyOf, minor, type Currency } from "@/core/money";

import { recovering, tallyOf, toggled, withSet, workOut, type Tally } from "./tally";

const USD = currencyOf("USD") as Currency;
const item = (itemId: number, open: number): Parameters<typeof toggled>[1] => ({
  itemId,
  number: String(20_400 + itemId),
  customer: "Alder Lane",
  own: true,
  description: "",
  dueOn: day("2026-11-01"),
  open: minor(open),
});
const empty: Tally = {
  customerId: 1,
  customer: "Alder Lane",
  terms: [],
  restOnAccount: false,
  credits: [],
  surcharge: minor(0),
  recovered: minor(0),
};

describe("a tally while it is typed", () => {
  it("gives an item what is left, or its balance; a credit note is taken whole; the same again takes it out", () => {
    const tally = toggled(empty, item(1, 80_000), minor(50_000), USD);
    expect(tally.terms[0]?.amount).toBe("500.00");
    expect(toggled(empty, item(2, -1000), minor(50_000), USD).terms[0]?.amount).toBe("-10.00");
    expect(toggled(tally, item(1, 80_000), minor(0), USD).terms).toEqual([]);
  });
  it("says in words what cannot be posted, and keeps what was typed", () => {
    const typed = (amount: string, open = 10_000): ReturnType<typeof workOut> =>
      workOut(
        {
          ...empty,
          terms: [
            {
              itemId: 1,
              number: "20401",
              description: "",
              open: minor(open),
              amount,
              discount: minor(0),
              small: false,
            },
          ],
        },
        minor(9000),
        USD,
        minor(500),
      );
    expect([
      typed("ninety").problem,
      typed("100.01").problem,
      typed("95.00").problem,
      typed("90.00").problem,
    ]).toEqual([
      "The sum on 20401 cannot be read. Write it like 1234.56.",
      "20401 has only 100.00 open.",
      "That is 5.00 more than came in.",
      null,
    ]);
  });
  it("writes off what an item is short by, where that is ticked", () => {
    const worked = workOut(
      {
        ...empty,
        terms: [
          {
            itemId: 1,
            number: "20401",
            description: "",
            open: minor(10_000),
            amount: "96.20",
            discount: minor(0),
            small: true,
          },
        ],
      },
      minor(9620),
      USD,
      minor(500),
    );
    expect([worked.lines[0]?.smallDifference, worked.small, worked.overLimit, worked.left]).toEqual(
      [380, 380, 0, 0],
    );
  });
  it("tells what of it is over the limit and needs a second person", () => {
    const worked = workOut(
      {
        ...empty,
        terms: [
          {
            itemId: 1,
            number: "20401",
            description: "",
            open: minor(10_000),
            amount: "66.00",
            discount: minor(0),
            small: true,
          },
        ],
      },
      minor(6600),
      USD,
      minor(500),
    );
    expect([worked.small, worked.overLimit, worked.problem]).toEqual([3400, 3400, null]);
  });
  it("uses along what stands on account, for what the items are short by", () => {
    const credit = { receiptId: 7, on: day("2026-11-02"), sum: minor(2500) };
    const terms = [
      {
        itemId: 1,
        number: "20401",
        description: "",
        open: minor(10_000),
        amount: "80.00",
        discount: minor(0),
        small: false,
      },
      {
        itemId: 2,
        number: "20402",
        description: "",
        open: minor(3000),
        amount: "27.00",
        discount: minor(0),
        small: true,
      },
    ];
    const worked = workOut({ ...empty, terms, credits: [credit] }, minor(10_700), USD, minor(500));
    expect([worked.credits, worked.small, worked.left, worked.problem]).toEqual([
      [
        { receiptId: 7, itemId: 1, amount: 2000 },
        { receiptId: 7, itemId: 2, amount: 300 },
      ],
      0,
      0,
      null,
    ]);
  });
  it("takes a set of items at their balances, and leaves what is in it already", () => {
    const tally = toggled(empty, item(1, 80_000), minor(50_000), USD);
    expect(
      withSet(tally, [item(1, 80_000), item(2, 700)], USD).terms.map(({ amount }) => amount),
    ).toEqual(["500.00", "7.00"]);
  });
  it("always adds up: given and left are what came in", () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 1e6 }), { maxLength: 6 }),
        fc.integer({ min: 1, max: 3e6 }),
        (opens, came) => {
          let tally = empty;
          opens.forEach((open, at) => {
            tally = toggled(
              tally,
              item(at + 1, open),
              workOut(tally, minor(came), USD, minor(500)).left,
              USD,
            );
          });
          const worked = workOut(tally, minor(came), USD, minor(500));
          expect(worked.given + worked.left).toBe(came);
          expect(worked.problem).toBeNull();
        },
      ),
    );
  });
  it("begins with the reading that is proposed", () => {
    expect(tallyOf(undefined, USD)).toEqual({
      customerId: null,
      customer: "",
      terms: [],
      restOnAccount: false,
      credits: [],
      surcharge: minor(0),
      recovered: minor(0),
    });
    expect(
      tallyOf(
        {
          customerId: 1,
          customer: "A",
          words: "",
          lines: [
            {
              itemId: 1,
              number: "1",
              description: "",
              open: minor(500),
              amount: minor(490),
              discount: minor(10),
            },
          ],
          onAccount: minor(5),
          surcharge: minor(0),
          confidence: 1,
          reasons: [],
          toBeSure: null,
          withCredit: false,
        },
        USD,
      ),
    ).toMatchObject({ restOnAccount: true, terms: [{ amount: "4.90", discount: 10 }] });
  });
  it("gives what is left over to debts written off, else all of it, and takes it back", () => {
    const half = toggled(empty, item(1, 6000), minor(6000), USD);
    const worked = workOut(half, minor(10_000), USD, minor(500));
    expect(recovering(half, worked, minor(3000))).toMatchObject({
      recovered: 3000,
      terms: [{ itemId: 1 }],
    });
    const all = toggled(empty, item(1, 10_000), minor(10_000), USD);
    const instead = recovering(all, workOut(all, minor(10_000), USD, minor(500)), minor(20_000));
    expect([
      instead.recovered,
      instead.terms,
      workOut(instead, minor(10_000), USD, minor(500)).left,
    ]).toEqual([10_000, [], 0]);
    expect(recovering(instead, worked, minor(20_000)).recovered).toBe(0);
  });
});
