import { minor } from "@/core/money";

import { type Explanation, explanationsOf, type OffPayout } from ".";

type Kind = OffPayout["items"][number]["kind"];
const item = (id: number, kind: Kind, amount: number): OffPayout["items"][number] => ({
  id,
  kind,
  amount: minor(amount),
  externalId: `x_${id}`,
  words: `${kind} ${id}`,
});
const away = (
  id: number,
  kind: Kind,
  amount: number,
  payout: string | null = null,
): OffPayout["elsewhere"][number] => ({ ...item(id, kind, amount), payout });
const charge = item(1, "charge", 86_450);
const fee = item(2, "fee", -2537);
const explained = (off: number, more: Partial<OffPayout> = {}): Explanation[] =>
  explanationsOf({
    externalId: "po_1",
    off: minor(off),
    items: [charge, fee],
    elsewhere: [],
    usual: { dispute: [], return: [] },
    ...more,
  });

const feeMissing = (words: string, kind: string, weight: number): object => ({
  code: "fee_missing",
  words,
  remedy: { as: "fee", kind },
  moved: [],
  weight,
});
const takenOut = (code: string, words: string, of: typeof charge, weight: number): object => ({
  code,
  words,
  remedy: { as: "take_out", itemIds: [of.id] },
  moved: [{ words: of.words, amount: of.amount, from: "po_1", to: null }],
  weight,
});
const asked = (code: string, words: string, of: number, weight: number): object => ({
  code,
  words,
  remedy: { as: "ask", item: of },
  moved: [],
  weight,
});
type Moved = { words: string; weight: number; from?: string };
const takenIn = (items: readonly (typeof charge)[], { words, weight, from }: Moved): object => ({
  code: from === undefined ? "item_missing" : "item_of_another",
  words,
  remedy: { as: "take_in", itemIds: items.map(({ id }) => id) },
  moved: items.map((one) => ({
    words: one.words,
    amount: one.amount,
    from: from ?? null,
    to: "po_1",
  })),
  weight,
});

const dispute = item(3, "dispute", -37_800);
const returned = item(4, "ach_return", -9100);

/** What is off, what is in the payout, and all that may explain it, best first. */
const CASES: [string, Explanation[], object[]][] = [
  ["comes out", explained(0), []],
  [
    "a dispute without a fee, of the sum it was before",
    explained(-1500, {
      items: [charge, fee, dispute],
      usual: { dispute: [minor(1500)], return: [] },
    }),
    [
      feeMissing(
        "a dispute is in it without a fee, and the processor took this very sum before",
        "dispute",
        95,
      ),
    ],
  ],
  [
    "a dispute without a fee, of a sum never seen",
    explained(-1501, {
      items: [charge, fee, dispute],
      usual: { dispute: [minor(1500)], return: [minor(1501)] },
    }),
    [feeMissing("a dispute is in it without a fee", "dispute", 60)],
  ],
  [
    "a returned debit without a fee",
    explained(-400, {
      items: [charge, fee, returned],
      usual: { dispute: [], return: [minor(400)] },
    }),
    [
      feeMissing(
        "a returned debit is in it without a fee, and the processor took this very sum before",
        "return",
        95,
      ),
    ],
  ],
  [
    "a dispute and a return, both with their fees",
    explained(-400, {
      items: [
        charge,
        fee,
        dispute,
        returned,
        item(5, "dispute_fee", -1500),
        item(6, "return_fee", -401),
      ],
    }),
    [],
  ],
  ["too much came, with a dispute", explained(1501, { items: [charge, fee, dispute] }), []],
  [
    "a fee taken twice",
    explained(-2537),
    [{ ...feeMissing("the fee fee 2 was taken twice", "processing", 80), code: "fee_twice" }],
  ],
  [
    "a fee that was not taken",
    explained(2537),
    [takenOut("fee_not_taken", "the fee fee 2 was not taken", fee, 75)],
  ],
  [
    "a dispute's fee that was not taken",
    explained(1500, { items: [charge, fee, item(7, "dispute_fee", -1500)] }),
    [
      takenOut(
        "fee_not_taken",
        "the fee dispute_fee 7 was not taken",
        item(7, "dispute_fee", -1500),
        75,
      ),
    ],
  ],
  [
    "a charge without its fee",
    explained(-10_806, { items: [charge] }),
    [feeMissing("a charge has no fee in the file", "processing", 40)],
  ],
  [
    "three charges, one fee",
    explained(-10_806, { items: [charge, fee, item(8, "charge", 1), item(9, "charge", 2)] }),
    [feeMissing("2 charges have no fee in the file", "processing", 40)],
  ],
  [
    "a fee would be an eighth of the charges",
    explained(-125, { items: [item(1, "charge", 1000)] }),
    [],
  ],
  ["too much came for charges without fees", explained(101, { items: [charge] }), []],
  [
    "an item in no payout",
    explained(12_000, { elsewhere: [away(9, "charge", 12_000)] }),
    [
      takenIn([item(9, "charge", 12_000)], {
        words: "charge 9 is in no payout, and is just that",
        weight: 90,
      }),
    ],
  ],
  [
    "an item of another payout that keeps others",
    explained(12_000, {
      elsewhere: [away(9, "refund", 12_000, "po_2"), away(10, "charge", 7, "po_2")],
    }),
    [
      takenIn([item(9, "refund", 12_000)], {
        words: "refund 9 stands in payout po_2, and is just that",
        weight: 70,
        from: "po_2",
      }),
    ],
  ],
  [
    "all that another payout has",
    explained(12_000, {
      elsewhere: [away(9, "charge", 12_000, "po_2"), away(10, "charge", 7, "po_3")],
    }),
    [],
  ],
  [
    "a charge with its fee in no payout",
    explained(11_622, { elsewhere: [away(9, "charge", 12_000), away(10, "fee", -378)] }),
    [
      takenIn([item(9, "charge", 12_000), item(10, "fee", -378)], {
        words: "charge 9 with its fee is in no payout",
        weight: 88,
      }),
    ],
  ],
  [
    "a charge with its fee in another payout that keeps others",
    explained(11_622, {
      elsewhere: [
        away(9, "charge", 12_000, "po_2"),
        away(10, "fee", -378, "po_2"),
        away(11, "fee", -1, "po_2"),
      ],
    }),
    [
      takenIn([item(9, "charge", 12_000), item(10, "fee", -378)], {
        words: "charge 9 with its fee stands in payout po_2",
        weight: 68,
        from: "po_2",
      }),
    ],
  ],
  [
    "a charge and its fee are all that the other has",
    explained(11_622, {
      elsewhere: [away(9, "charge", 12_000, "po_2"), away(10, "fee", -378, "po_2")],
    }),
    [],
  ],
  [
    "a fee of another payout than its charge's",
    explained(11_622, {
      elsewhere: [
        away(9, "charge", 12_000),
        away(10, "fee", -378, "po_2"),
        away(11, "fee", -1, "po_2"),
      ],
    }),
    [],
  ],
  [
    "two that are no charge and fee",
    explained(11_622, {
      elsewhere: [
        away(9, "refund", 12_000),
        away(10, "fee", -378),
        away(11, "charge", 12_000),
        away(12, "refund", -378),
      ],
    }),
    [
      takenIn([item(11, "charge", 12_000), item(10, "fee", -378)], {
        words: "charge 11 with its fee is in no payout",
        weight: 88,
      }),
    ],
  ],
  [
    "a charge that was not paid out, or went back",
    explained(-86_450),
    [
      takenOut("item_not_paid", "charge 1 is in it, and was not paid out with it", charge, 65),
      asked(
        "went_back",
        "charge 1 may have gone back: a refund or dispute that is in no file",
        1,
        35,
      ),
    ],
  ],
  ...(["refund", "ach_return", "dispute", "adjustment"] as const).map(
    (kind): (typeof CASES)[number] => [
      `a ${kind} that was not paid out`,
      explained(5003, { items: [charge, fee, item(5, kind, -5003)] }),
      [
        takenOut(
          "item_not_paid",
          `${kind} 5 is in it, and was not paid out with it`,
          item(5, kind, -5003),
          65,
        ),
      ],
    ],
  ),
  [
    "a reserve of that sum is no explanation",
    explained(5003, { items: [charge, fee, item(5, "reserve", -5003)] }),
    [],
  ],
  [
    "a sign turned",
    explained(75_602, { items: [charge, fee, item(5, "dispute", -37_801)] }),
    [asked("sign", "dispute 5 has the wrong sign", 5, 55)],
  ],
  [
    "two digits of 864.50 changed places",
    explained(-1800),
    [
      asked(
        "digits",
        "two digits of charge 1 changed places: the difference is divisible by 9",
        1,
        50,
      ),
    ],
  ],
  [
    "the last two digits changed places, below zero",
    explained(36, { items: [charge, item(5, "dispute", -37_851)] }),
    [
      asked(
        "digits",
        "two digits of dispute 5 changed places: the difference is divisible by 9",
        5,
        50,
      ),
    ],
  ],
  [
    "cents rounded, too little",
    explained(-5),
    [{ ...feeMissing("the cents were rounded item by item", "processing", 30), code: "rounding" }],
  ],
  [
    "cents rounded, too much",
    explained(5),
    [{ ...feeMissing("the cents were rounded item by item", "processing", 30), code: "rounding" }],
  ],
  ["more than cents", explained(6), []],
  ["one item alone is not rounded by item", explained(5, { items: [charge] }), []],
  [
    "several at once, the likeliest first",
    explained(-2537, {
      items: [charge, fee, dispute, item(5, "charge", 1)],
      elsewhere: [away(9, "fee", -2537)],
    }),
    [
      takenIn([item(9, "fee", -2537)], {
        words: "fee 9 is in no payout, and is just that",
        weight: 90,
      }),
      { ...feeMissing("the fee fee 2 was taken twice", "processing", 80), code: "fee_twice" },
      feeMissing("a dispute is in it without a fee", "dispute", 60),
      feeMissing("a charge has no fee in the file", "processing", 40),
    ],
  ],
];

describe("all that may explain a payout that is off", () => {
  it.each(CASES)("%s", (_case, found, wanted) => expect(found).toEqual(wanted));
  it("names four of those that stand elsewhere, at the most", () =>
    expect(
      explained(700, { elsewhere: [5, 6, 7, 8, 9].map((id) => away(id, "charge", 700)) }).map(
        ({ moved }) => moved.map(({ words }) => words).join(),
      ),
    ).toEqual(["charge 5", "charge 6", "charge 7", "charge 8"]));
});
