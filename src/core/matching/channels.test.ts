import fc from "fast-check";

import { addDays, day } from "@/core/calendar";
import { type Currency, currencyOf, minor } from "@/core/money";

import {
  type MatchingInput,
  type MatchItem,
  type MatchReceipt,
  propose,
  type Proposal,
  reasonInWords,
} from ".";
import { chanceOf, waysTo } from "./candidates/chance";
import { toldIn } from "./memo/told";
import { namesIn, nameWords } from "./payers/names";

const USD = currencyOf("USD") as Currency;
const TODAY = day("2026-11-20");
const FIRMS = [
  "Österlund & Bråt Timber Supplies Ltd",
  "Hollow Heron Books LLC d/b/a Paper Lantern Cafe",
  "Upper River Timber Trading",
  "Simon Haskard & Sons Limited",
  "Marlow Glassworks International Holdings Limited",
  "Marlow Glass Depot",
];
const customers: MatchingInput["customers"] = FIRMS.map((name, at) => ({
  id: at + 1,
  externalId: `C${at + 1}`,
  name,
  email: at === 2 ? "accounts@upperriver.example" : null,
  parentId: null,
}));
/** Others, so that words and sums of the book have a rarity. */
const others: MatchingInput["customers"] = Array.from({ length: 60 }, (_, at) => ({
  id: 100 + at,
  externalId: `X${at}`,
  name: `Quarry ${String.fromCharCode(65 + (at % 26))}${at} Works`,
  email: null,
  parentId: null,
}));
const item = (
  id: number,
  customerId: number,
  [number, balance]: readonly [string, number],
  more: Partial<MatchItem> = {},
): MatchItem => ({
  id,
  number,
  customerId,
  issuedOn: addDays(TODAY, id - 60),
  dueOn: addDays(TODAY, id - 30),
  currency: USD,
  total: minor(balance),
  balance: minor(balance),
  poNumber: null,
  terms: "n/30",
  ...more,
});
const ITEMS = [
  item(1, 1, ["HQ/26/05342", 61_077]),
  item(2, 1, ["HQ/26/05343", 20_519]),
  item(3, 1, ["HQ/26/05344", 33_308]),
  item(4, 3, ["HQ/26/05401", 53_900]),
  item(5, 4, ["HQ/26/05402", 62_181]),
  item(6, 5, ["HQ/26/05403", 99_301]),
  item(7, 2, ["HQ/26/05404", 47_113]),
  ...others.map(({ id }, at) => item(id, id, [`HQ/26/${10_000 + 37 * at}`, 10_000 + 613 * at])),
];
const came = (amount: number, more: Partial<MatchReceipt> = {}): MatchReceipt => ({
  id: 1,
  paidOn: TODAY,
  method: "wire",
  currency: USD,
  amount: minor(amount),
  payerName: "",
  payerEmail: "",
  reference: "",
  ...more,
});
const proposals = (receipts: MatchReceipt[], more: Partial<MatchingInput> = {}): Proposal[] =>
  propose({
    customers: [...customers, ...others],
    items: ITEMS,
    receipts,
    history: [],
    closed: [],
    placed: [],
    settings: { discountGraceDays: 0, smallDifferenceLimit: 0 },
    ...more,
  });
const shown = ({ decision, readings: [best] }: Proposal): string =>
  `${decision} ${best?.lines.map(({ number, amount }) => `${number.slice(-5)}=${amount}`).join(" ") ?? ""}`.trim();
const one = (receipt: MatchReceipt, more: Partial<MatchingInput> = {}): string =>
  shown(proposals([receipt], more)[0]!);
const OSTERLUND = "OSTERLUND & BRAT TIMBER SUPPLIES LT";

describe("numbers as channels carry them", () => {
  it.each([
    // SWIFT MT103, field 70: code word /RFB/ (reference for the beneficiary); from memory.
    ["a wire's code word", "/RFB/HQ/26/05342"],
    // ASC X12 820, segment RMR: qualifier IV, the invoice's number, the sum; from memory.
    ["a segment of a remittance", "RMR*IV*HQ/26/05342**610.77\\"],
    // EPC SEPA credit transfer as banks show it: EREF and SVWZ; from memory.
    ["a SEPA line", "EREF+NOTPROVIDED SVWZ+Rechnung HQ/26/05342 vom 12.10."],
    ["a trace beside it", "HQ/26/05342 TRN369593725"],
    ["a day beside it", "invoice HQ/26/05342 due 19/11 with thanks"],
    ["other separators", "HQ.26.05342"],
    ["zeros left out", "HQ/26/5342"],
    ["letters for digits", "HQ/26/O5342"],
    ["in groups", "HQ 26 05342"],
  ])("%s", (_case, reference) =>
    expect(one(came(61_077, { payerName: OSTERLUND, reference }))).toBe("sure 05342=61077"),
  );
  it.each([
    ["a range", "HQ/26/05342-44"],
    ["a range in full", "HQ/26/05342 to HQ/26/05344"],
    ["a list that says its beginning once", "HQ/26/05342,343,344"],
    ["a list by strokes", "05342/343/344"],
  ])("%s", (_case, reference) =>
    expect(one(came(114_904, { payerName: OSTERLUND, reference }))).toBe(
      "sure 05342=61077 05343=20519 05344=33308",
    ),
  );
  it("a ticket with somebody else's number is no reference to it", () =>
    expect(one(came(61_077, { payerName: OSTERLUND, reference: "ticket HQ/26/05401" }))).toBe(
      "sure 05342=61077",
    ));
  it("a number built like the book's that is not open holds back", () =>
    expect(one(came(61_077, { payerName: OSTERLUND, reference: "HQ/26/05350" }))).toBe(
      "check 05342=61077",
    ));
});

describe("who pays", () => {
  it.each([
    ["cut off at sixteen letters, without accents", "OSTERLUND & BRAT", 61_077, "05342"],
    ["cut off at thirty-five", "MARLOW GLASSWORKS INTERNATIONAL HOL", 99_301, "05403"],
    ["a slip in it", "OSTRELUND & BRAT TIMBER", 61_077, "05342"],
    ["by initials", "U R Timber Trading", 53_900, "05401"],
    ["a first name by its letter", "S. Haskard & Sons Limited", 62_181, "05402"],
    ["the other name of a firm", "Paper Lantern Cafe", 47_113, "05404"],
    ["in brackets", "Blue Kettle (Hollow Heron Books LLC)", 47_113, "05404"],
  ])("%s", (_case, payerName, amount, number) =>
    expect(one(came(amount, { payerName }))).toBe(`sure ${number}=${amount}`),
  );
  it("somebody at the customer's own domain, or a part of it", () =>
    expect(
      ["vera@upperriver.example", "vera@ap.upperriver.example", "vera@gmail.com"].map(
        (payerEmail) => one(came(53_900, { payerEmail, payerName: "Vera Moss" })),
      ),
    ).toEqual(["sure 05401=53900", "sure 05401=53900", "none"]));
  it("takes names apart where one stands for two", () => {
    expect(namesIn("Hollow Heron Books LLC d/b/a Paper Lantern Cafe")).toEqual([
      "Hollow Heron Books LLC",
      "Paper Lantern Cafe",
    ]);
    expect([namesIn("Alder Lane"), nameWords("N.E. Brewing B.V.")]).toEqual([
      [],
      ["N", "E", "BREWING"],
    ]);
  });
});

describe("what is paid", () => {
  const by = (amount: number, reference: string, items = ITEMS): string =>
    one(came(amount, { payerName: OSTERLUND, reference }), { items });
  it("the oldest first, where the words say so, the last in part", () =>
    expect(by(70_000, "oldest invoices first")).toBe("sure 05342=61077 05343=8923"));
  it("of a group whose name is cut off where its site's goes on, nobody's oldest are sure", () => {
    const group = [
      { ...customers[5]!, id: 200, externalId: "G", name: "Drift Point Hardware" },
      { ...customers[5]!, id: 201, externalId: "G1", name: "Drift Point Hardware Lakeside" },
    ].map((one, at) => ({ ...one, parentId: at === 0 ? null : 200 }));
    const items = [
      ...ITEMS,
      item(42, 200, ["HQ/26/05601", 73_400]),
      item(40, 201, ["HQ/26/05602", 14_100]),
      item(41, 201, ["HQ/26/05603", 22_300]),
    ];
    const [proposal] = proposals(
      [came(30_000, { payerName: "DRIFT POINT HARDWARE", reference: "oldest first" })],
      { customers: [...customers, ...others, ...group], items },
    );
    expect(proposal?.decision).toBe("check");
  });
  it("a statement less what is in dispute", () =>
    expect(by(94_385, "statement November less HQ/26/05343 in dispute")).toBe(
      "sure 05342=61077 05344=33308",
    ));
  it("a list less a bank's fee: the largest stays open by it", () =>
    expect(by(81_596 - 2250, "HQ/26/05342 HQ/26/05343")).toBe("sure 05342=58827 05343=20519"));
  it("less a claim that the words name, which stays open", () =>
    expect(by(61_077 - 9294, "HQ/26/05342 less freight claim 92.94")).toBe("sure 05342=51783"));
  it("the sums beside the numbers, with a decimal comma too", () =>
    expect(by(40_519, "HQ/26/05342: 200,00; HQ/26/05343: 205,19")).toBe(
      "sure 05342=20000 05343=20519",
    ));
  it("a credit note that nobody names, where nothing else makes the sum", () =>
    expect(by(58_627, "", [...ITEMS, item(90, 1, ["CN-7", -2450])])).toBe(
      "sure 05342=61077 CN-7=-2450",
    ));
  it("a set that only its sum tells, where chance makes hardly any", () =>
    expect([by(81_596, ""), by(94_385, "")]).toEqual([
      "sure 05342=61077 05343=20519",
      "sure 05342=61077 05344=33308",
    ]));
});

describe("what is short, and what is paid ahead", () => {
  const named = (amount: number, more: Partial<MatchReceipt> = {}): string =>
    one(came(amount, { payerName: OSTERLUND, reference: "HQ/26/05342", ...more }));
  it("a fee of a bank is taken for one where it is known who pays", () =>
    expect([named(61_077 - 2500), named(61_077 - 2500, { payerName: "" })]).toEqual([
      "sure 05342=58577",
      "check 05342=58577",
    ]));
  it.each([
    ["JPY", 2500],
    ["KWD", 1750],
  ])("a fee has the size of its currency: %s", (code, fee) => {
    const currency = currencyOf(code) as Currency;
    const items = [item(1, 1, ["HQ/26/05342", 610_770], { currency })];
    const more = { payerName: OSTERLUND, reference: "HQ/26/05342", currency };
    expect(one(came(610_770 - fee, more), { items })).toBe(`sure 05342=${610_770 - fee}`);
  });
  it("a rest that the book would write off is the clerk's to write off or to leave open", () => {
    const settings = { discountGraceDays: 0, smallDifferenceLimit: 500 };
    const short = (by: number): string =>
      one(came(61_077 - by, { payerName: OSTERLUND, reference: "HQ/26/05342" }), { settings });
    expect([short(300), short(0)]).toEqual(["check 05342=60777", "sure 05342=61077"]);
  });
  it.each([
    "deposit on our next order",
    "Anzahlung neuer Auftrag",
    "acompte",
    "anticipo de pedido",
  ])("what is paid ahead is not for what is open, whatever its sum: %s", (reference) =>
    expect(named(61_077, { reference })).toBe("check 05342=61077"),
  );
});

describe("what must be asked, however well the rest fits", () => {
  it("an invoice in another currency is named, and one in the receipt's has its very sum", () => {
    const EUR = currencyOf("EUR") as Currency;
    const items = [
      item(1, 1, ["HQ/26/05342", 61_077], { currency: EUR }),
      item(2, 1, ["HQ/26/05343", 61_077]),
    ];
    const [proposal] = proposals(
      [came(61_077, { payerName: OSTERLUND, reference: "HQ/26/05342" })],
      { items },
    );
    expect(proposal?.decision).toBe("check");
  });
  it("a name of 200 letters and a sum of twelve digits are matched like any other", () => {
    const name = `Great ${"Northern ".repeat(21)}Works`;
    const group = [{ ...customers[5]!, id: 300, externalId: "L", name }];
    const items = [...ITEMS, item(50, 300, ["HQ/26/05701", 999_999_999_901])];
    expect(
      one(came(999_999_999_901, { payerName: name.slice(0, 35), reference: "HQ/26/05701" }), {
        customers: [...customers, ...others, ...group],
        items,
      }),
    ).toBe("sure 05701=999999999901");
  });
});

describe("all together, and how sure", () => {
  it("two others add up where the one of the very sum is claimed by its number", () => {
    const items = [...ITEMS, item(91, 1, ["HQ/26/05350", 81_596])];
    const silent = came(81_596, { id: 1, payerName: OSTERLUND });
    const named = came(81_596, { id: 2, payerName: OSTERLUND, reference: "HQ/26/05350" });
    expect(proposals([silent, named], { items }).map(shown)).toEqual([
      "sure 05342=61077 05343=20519",
      "sure 05350=81596",
    ]);
  });
  it("a list that comes again with one number changed is asked about", () => {
    const first = came(81_596, { payerName: OSTERLUND, reference: "HQ/26/05342 HQ/26/05343" });
    const second = { ...first, id: 2, reference: "HQ/26/05342 HQ/26/05344", amount: minor(81_596) };
    expect(proposals([first, second]).map(({ decision }) => decision)).toContain("check");
  });
  it("what is likelier wrong than the book allows is looked at, and says so", () => {
    const strict = { discountGraceDays: 0, smallDifferenceLimit: 0, riskLimit: 0.000_01 };
    const [proposal] = proposals([came(61_077, { payerName: OSTERLUND, reference: "05342" })], {
      settings: strict,
    });
    const words = proposal?.readings[0]?.reasons.map((reason) => reasonInWords(reason, USD));
    expect([
      proposal?.decision,
      words?.some((said) => said.includes("this book asks for more")),
    ]).toEqual(["check", true]);
  });
  it("a late discount stays open, or is allowed by the second reading", () => {
    const items = [
      item(1, 1, ["HQ/26/05342", 100_000], { terms: "2/10 n/30", issuedOn: day("2026-10-01") }),
    ];
    const [proposal] = proposals([came(98_000, { payerName: OSTERLUND, reference: "05342" })], {
      items,
    });
    expect(
      proposal?.readings.slice(0, 2).map(({ lines }) => lines.map(({ discount }) => discount)),
    ).toEqual([[0], [2000]]);
  });
});

describe("chance, counted fast and slowly", () => {
  const balances = fc.array(fc.integer({ min: 1, max: 60 }), { minLength: 2, maxLength: 9 });
  it("finds as many sets of two to four balances as trying all of them, up to two", () => {
    fc.assert(
      fc.property(balances, fc.integer({ min: 2, max: 150 }), (values, sum) => {
        const items = values.map((balance) => ({ balance: minor(balance) }));
        const sets = new Set<string>();
        for (let mask = 1; mask < 1 << values.length; mask += 1) {
          const set = values.filter((_, at) => mask & (1 << at)).sort((a, b) => a - b);
          if (set.length >= 2 && set.length <= 4 && set.reduce((a, b) => a + b, 0) === sum)
            sets.add(set.join());
        }
        // Those that leave out one or two of all are counted besides.
        return waysTo(items, minor(sum)) >= Math.min(2, sets.size);
      }),
    );
  });
  it("rises with the number of items and the size of the set, and is more for round sums", () => {
    const some = (count: number): { balance: ReturnType<typeof minor> }[] =>
      Array.from({ length: count }, (_, at) => ({ balance: minor(10_000 + at * 1100) }));
    expect(chanceOf(some(20), 23_456, { size: 2, unit: 100 })).toBeGreaterThan(
      chanceOf(some(5), 23_456, { size: 2, unit: 100 }),
    );
    expect(chanceOf(some(20), 23_456, { size: 3, unit: 100 })).toBeGreaterThan(
      chanceOf(some(20), 23_456, { size: 2, unit: 100 }),
    );
    expect(chanceOf(some(20), 23_400, { size: 2, unit: 100 })).toBeGreaterThan(
      chanceOf(some(20), 23_401, { size: 2, unit: 100 }),
    );
  });
});

describe("what words tell, in several languages", () => {
  const told = (text: string): string[] =>
    Object.entries(toldIn(text, TODAY, USD)).flatMap(([name, value]) =>
      value === true ? [name] : [],
    );
  it.each([
    ["oldest invoices first", ["oldestFirst"]],
    ["die ältesten zuerst", ["oldestFirst"]],
    ["las más antiguas primero", ["oldestFirst"]],
    ["les plus anciennes d'abord", ["oldestFirst"]],
    ["abzgl. Bankspesen 27,50", ["fee", "less"]],
    ["moins avoir 1100", ["credit", "less"]],
    ["saldo de 00724 y la siguiente", ["restAndNext"]],
    ["Teilzahlung", ["inParts"]],
    ["thank you", []],
  ])("%s", (text, expected) => expect(told(text)).toEqual(expected));
  it("the day up to which a statement goes", () =>
    expect(
      ["statement May", "relevé décembre", "Kontoauszug 2026-05-31"].map(
        (text) => toldIn(text, TODAY, USD).until,
      ),
    ).toEqual(["2026-05-31", "2025-12-31", "2026-05-31"]));
});
