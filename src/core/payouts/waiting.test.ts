import { day } from "@/core/calendar";
import { currencyOf, type Currency, minor } from "@/core/money";

import { expectedOf, expectedUpTo, tieOut, tieTogether, type TieLine, type TiePayout } from ".";
import { lineAtOwnRate } from "./ownRate";

const USD = currencyOf("USD") as Currency;
const EUR = currencyOf("EUR") as Currency;

describe("what should reach the bank", () => {
  // Wednesday 25 November 2026 and two banking days: Monday 30, as the 26th is a holiday.
  const unpaid = (
    account: string,
    settledOn: string,
    amount: number,
  ): Parameters<typeof expectedOf>[0][number] => ({
    account,
    delayDays: 2,
    settledOn: day(settledOn),
    amount: minor(amount),
    charges: 1,
  });
  const expected = expectedOf(
    [
      unpaid("web", "2026-11-25", 500),
      unpaid("card", "2026-11-25", 300),
      unpaid("card", "2026-11-26", 40),
      unpaid("card", "2026-11-24", 7),
      unpaid("card", "2026-11-25", -100),
      unpaid("ach", "2026-11-24", 1),
    ],
    day("2026-11-30"),
  );
  it("stands by day and account, with the days it comes from; what is of before today is late", () =>
    expect(expected).toEqual([
      {
        on: "2026-11-27",
        account: "ach",
        sum: 1,
        charges: 1,
        from: "2026-11-24",
        to: "2026-11-24",
        late: true,
      },
      {
        on: "2026-11-27",
        account: "card",
        sum: 7,
        charges: 1,
        from: "2026-11-24",
        to: "2026-11-24",
        late: true,
      },
      {
        on: "2026-11-30",
        account: "card",
        sum: 240,
        charges: 3,
        from: "2026-11-25",
        to: "2026-11-26",
        late: false,
      },
      {
        on: "2026-11-30",
        account: "web",
        sum: 500,
        charges: 1,
        from: "2026-11-25",
        to: "2026-11-25",
        late: false,
      },
    ]));
  it("adds up to a day, that day too", () =>
    expect(
      ["2026-11-26", "2026-11-27", "2026-11-29", "2026-11-30"].map((to) =>
        expectedUpTo(expected, day(to)),
      ),
    ).toEqual([0, 8, 8, 748]));
});

const payout = (more: Partial<TiePayout> = {}): TiePayout => ({
  id: 1,
  externalId: "po_1001",
  paidOn: day("2026-11-16"),
  currency: USD,
  net: minor(10_000),
  statedNet: null,
  descriptor: "CARD CO",
  ...more,
});
const line = (id: number, amount: number, more: Partial<TieLine> = {}): TieLine => ({
  id,
  postedOn: day("2026-11-17"),
  currency: USD,
  amount: minor(amount),
  description: "card co settlement",
  ...more,
});

describe("a payout in another currency, at the bank's own rate", () => {
  const worth = minor(10_834);
  const found = (...lines: TieLine[]): number | null =>
    lineAtOwnRate(payout({ currency: EUR }), worth, lines)?.id ?? null;
  it.each<[string, TieLine[], number | null]>([
    ["one line near", [line(1, 10_790)], 1],
    ["five per cent less", [line(1, 10_293)], 1],
    ["more than that", [line(1, 10_292)], null],
    ["five per cent more", [line(1, 11_375)], 1],
    ["more than that, above", [line(1, 11_376)], null],
    ["its own currency", [line(1, 10_790, { currency: EUR })], null],
    ["a week later", [line(1, 10_790, { postedOn: day("2026-11-23") })], null],
    ["money that went", [line(1, -10_790)], null],
    ["two lines", [line(1, 10_790), line(2, 10_800)], null],
    [
      "two, one with the processor's name",
      [line(1, 10_790, { description: "other" }), line(2, 10_800)],
      2,
    ],
    ["without its name, the only one", [line(1, 10_790, { description: "other" })], 1],
    ["nothing", [], null],
  ])("%s", (_case, lines, id) => expect(found(...lines)).toBe(id));
  it("a payout without a name is not named by any line", () =>
    expect(
      lineAtOwnRate(payout({ currency: EUR, descriptor: null }), worth, [
        line(1, 10_790),
        line(2, 10_800),
      ]),
    ).toBeNull());
});

describe("what is tied without a look", () => {
  const ties = (payouts: TiePayout[], lines: TieLine[]): string[] =>
    tieOut(payouts, lines).map(({ payoutId, bankLineId }) => `${payoutId}-${bankLineId}`);
  it.each<[string, Partial<TiePayout>, TieLine[], string[]]>([
    ["its sum, a day later", {}, [line(1, 10_000)], ["1-1"]],
    ["the banking day before", {}, [line(1, 10_000, { postedOn: day("2026-11-13") })], ["1-1"]],
    ["two banking days before", {}, [line(1, 10_000, { postedOn: day("2026-11-12") })], []],
    ["four banking days after", {}, [line(1, 10_000, { postedOn: day("2026-11-20") })], ["1-1"]],
    ["five banking days after", {}, [line(1, 10_000, { postedOn: day("2026-11-23") })], []],
    ["a month after", {}, [line(1, 10_000, { postedOn: day("2026-12-17") })], []],
    ["another currency", {}, [line(1, 10_000, { currency: EUR })], []],
    ["a cent more", {}, [line(1, 10_001)], []],
    ["another processor's name", {}, [line(1, 10_000, { description: "bank" })], []],
    [
      "no name to look for",
      { descriptor: "" },
      [line(1, 10_000, { description: "bank" })],
      ["1-1"],
    ],
    ["what the file says it paid", { statedNet: minor(10_000) }, [line(1, 10_000)], ["1-1"]],
    ["another sum than the file says", { statedNet: minor(9999) }, [line(1, 10_000)], []],
    ["two of its sum", {}, [line(1, 10_000), line(2, 10_000)], []],
    [
      "two, one with its number",
      {},
      [line(1, 10_000), line(2, 10_000, { description: "CARD CO PO_1001" })],
      ["1-2"],
    ],
    [
      "a number of four characters counts",
      { externalId: "po_1" },
      [line(1, 10_000), line(2, 10_000, { description: "CARD CO PO_1" })],
      ["1-2"],
    ],
    [
      "one of three does not",
      { externalId: "po1" },
      [line(1, 10_000), line(2, 10_000, { description: "CARD CO PO1" })],
      [],
    ],
  ])("%s", (_case, more, lines, wanted) => expect(ties([payout(more)], lines)).toEqual(wanted));
  it("a line that two payouts could be is neither's", () =>
    expect(ties([payout(), payout({ id: 2, externalId: "po_1002" })], [line(1, 10_000)])).toEqual(
      [],
    ));
});

describe("what comes out only together", () => {
  const ways = (payouts: TiePayout[], lines: TieLine[]): string[] =>
    tieTogether(payouts, lines).map(
      ({ payoutIds, bankLineIds }) => `${payoutIds.join("+")} = ${bankLineIds.join("+")}`,
    );
  const three = [line(1, 5000), line(2, 3000), line(3, 2000)];
  it.each<[string, TiePayout[], TieLine[], string[]]>([
    ["two lines", [payout()], [line(1, 6000), line(2, 4000)], ["1 = 1+2"]],
    ["three lines", [payout()], three, ["1 = 1+2+3"]],
    [
      "four lines are too many",
      [payout()],
      [...three.slice(0, 2), line(3, 1500), line(4, 500)],
      [],
    ],
    ["a line of its sum is there", [payout()], [line(1, 10_000), line(2, 6000), line(3, 4000)], []],
    ["one line went the other way", [payout()], [line(1, 16_000), line(2, -6000)], []],
    [
      "one line in another currency",
      [payout()],
      [line(1, 6000), line(2, 4000, { currency: EUR })],
      [],
    ],
    [
      "one line too late",
      [payout()],
      [line(1, 6000), line(2, 4000, { postedOn: day("2026-11-30") })],
      [],
    ],
    [
      "one line with another name",
      [payout()],
      [line(1, 6000), line(2, 4000, { description: "bank" })],
      [],
    ],
    [
      "two ways are two",
      [payout()],
      [line(1, 6000), line(2, 4000), line(3, 4000)],
      ["1 = 1+2", "1 = 1+3"],
    ],
    [
      "two payouts in one line",
      [payout({ net: minor(9700) }), payout({ id: 2, net: minor(300) })],
      [line(1, 10_000)],
      ["1+2 = 1"],
    ],
    [
      "one of them is not what its file says",
      [payout({ net: minor(9700) }), payout({ id: 2, net: minor(300), statedNet: minor(301) })],
      [line(1, 10_000)],
      [],
    ],
    [
      "what its file says is no hindrance",
      [payout({ net: minor(9700), statedNet: minor(9700) }), payout({ id: 2, net: minor(300) })],
      [line(1, 10_000)],
      ["1+2 = 1"],
    ],
    [
      "a payout of that sum is there",
      [payout({ net: minor(9700) }), payout({ id: 2, net: minor(300) }), payout({ id: 3 })],
      [line(1, 10_000)],
      [],
    ],
  ])("%s", (_case, payouts, lines, wanted) => expect(ways(payouts, lines)).toEqual(wanted));
  it("forty lines near are looked through, one more is too many", () => {
    const many = (count: number): TieLine[] => [
      line(1, 6000),
      line(2, 4000),
      ...Array.from({ length: count - 2 }, (_, at) => line(3 + at, 7)),
    ];
    expect([ways([payout()], many(40)), ways([payout()], many(41))]).toEqual([["1 = 1+2"], []]);
    const payouts = (count: number): TiePayout[] => [
      payout({ id: 1, net: minor(6000) }),
      payout({ id: 2, net: minor(4000) }),
      ...Array.from({ length: count - 2 }, (_, at) => payout({ id: 3 + at, net: minor(7) })),
    ];
    expect([ways(payouts(40), [line(1, 10_000)]), ways(payouts(41), [line(1, 10_000)])]).toEqual([
      ["1+2 = 1"],
      [],
    ]);
  });
});
