import { day } from "@/core/calendar";
import { currencyOf, type Currency, minor } from "@/core/money";

import {
  DEFAULT_STEPS,
  filesInWords,
  LANGUAGES,
  lastStepTaken,
  letterTemplate,
  namedItems,
  nextStep,
  tableWords,
  TONES,
  waitInWords,
  waitsFor,
  type WaitFacts,
} from ".";

const USD = currencyOf("USD") as Currency;
const TODAY = day("2026-11-24");

it("names three files at the most, and how many more there are", () =>
  expect(
    [["a"], ["a", "b", "c"], ["a", "b", "c", "d"], ["a", "b", "c", "d", "e"]].map(filesInWords),
  ).toEqual(["a", "a, b, c", "a, b, c and 1 more", "a, b, c and 2 more"]));

// First steps around 15, 30 and 45 days, the last with a call: common practice, no source.
it("the ladder that ships: three letters and a call, none by itself, none with a fee", () => {
  expect(DEFAULT_STEPS).toEqual([
    { step: 1, fromDays: 1, act: "letter", tone: 1, byItself: false, attach: "none", fee: 0 },
    { step: 2, fromDays: 15, act: "letter", tone: 2, byItself: false, attach: "statement", fee: 0 },
    { step: 3, fromDays: 30, act: "letter", tone: 3, byItself: false, attach: "statement", fee: 0 },
    { step: 4, fromDays: 45, act: "call", tone: 1, byItself: false, attach: "none", fee: 0 },
  ]);
  expect(() => nextStep({ oldestDueOn: TODAY, lastStep: 0, lastWordOn: null, steps: [] })).toThrow(
    "a ladder has at least one step",
  );
  expect(lastStepTaken(TODAY, [{ step: 2, on: day("2026-11-24") }], [])).toBe(0);
  expect(lastStepTaken(TODAY, [{ step: 2, on: day("2026-11-25") }], [])).toBe(2);
});

/** How each language ends the sentence for whoever thinks that something is wrong. */
const WRONG = {
  en: "ing until it is settled.",
  es: "lamarlo hasta aclararlo.",
  fr: "’à ce que ce soit réglé.",
  de: "wir nicht weiter danach.",
} as const;

describe("letters in each language", () => {
  it.each(LANGUAGES)("%s: four tones with what a letter needs", (language) => {
    const letters = TONES.map((_, at) => letterTemplate(at + 1, language));
    expect(new Set(letters.map(({ subject }) => subject)).size).toBe(4);
    for (const [at, { subject, body }] of letters.entries()) {
      expect(subject).toContain("{{ sum }}");
      for (const field of [
        "{{ customer }}",
        "{{ table }}",
        "{{ business }}",
        "{% if link %}",
        "{{ link }}",
      ])
        expect(body).toContain(field);
      // From the second on a fee may be charged, and a day is named by which to answer.
      for (const field of ["{% if fee %}", "{{ fee }}", "{{ reply_by }}"])
        expect(body.includes(field)).toBe(at > 0);
    }
    const [first, last] = [letterTemplate(0, language), letterTemplate(9, language)];
    expect([first, last]).toEqual([letters[0], letters[3]]);
    // Who thinks that something is wrong is told what to do, in all but the third.
    expect(letters.map(({ body }) => body.includes(WRONG[language]))).toEqual([
      true,
      true,
      false,
      true,
    ]);
  });
  it("the words of the table are each language's own", () =>
    expect(LANGUAGES.map((language) => Object.values(tableWords(language)).slice(0, 3)))
      .toMatchInlineSnapshot(`
     [
       [
         "due",
         "credit on your account",
         "together",
       ],
       [
         "vence el",
         "saldo a su favor",
         "en total",
       ],
       [
         "échéance",
         "avoir sur votre compte",
         "au total",
       ],
       [
         "fällig",
         "Guthaben auf Ihrem Konto",
         "zusammen",
       ],
     ]
    `));
});

describe("what holds a reminder back, to the day and the cent", () => {
  const facts: WaitFacts = {
    today: TODAY,
    overdue: minor(1000),
    maybeTheirs: [],
    onWay: null,
    stale: null,
    promise: null,
    quietUntil: null,
    disputed: minor(0),
    credit: minor(0),
    smallest: minor(1000),
  } as never;
  const codes = (more: object): string[] => waitsFor({ ...facts, ...more }).map(({ code }) => code);
  it.each<[string, object, string[]]>([
    ["nothing", {}, []],
    ["a promise for today", { promise: { dueOn: TODAY, sum: minor(1) } }, ["promise"]],
    ["one for yesterday", { promise: { dueOn: day("2026-11-23"), sum: minor(1) } }, []],
    ["quiet until tomorrow", { quietUntil: day("2026-11-25") }, ["quiet"]],
    ["quiet until today", { quietUntil: TODAY }, []],
    ["credit that covers it", { credit: minor(1000) }, ["credit"]],
    ["a cent too little", { credit: minor(999) }, []],
    ["no credit, and nothing overdue", { overdue: minor(0), smallest: minor(0) }, []],
    ["a cent below the smallest sum", { overdue: minor(999) }, ["small"]],
    ["a dispute", { disputed: minor(1) }, ["dispute"]],
  ])("%s", (_case, more, wanted) => expect(codes(more)).toEqual(wanted));
  it("several receipts are summed, in words", () => {
    const [wait] = waitsFor({
      ...facts,
      maybeTheirs: [
        { receiptId: 5, amount: minor(300) },
        { receiptId: 6, amount: minor(200) },
      ],
    } as never);
    expect([wait, wait && waitInWords(wait, USD)]).toEqual([
      { code: "receipt", sum: 500, count: 2, receiptId: 5 },
      "2 receipts to match, 5.00",
    ]);
  });
});

it("a letter before the due day names what falls due within its days, and never what is left out", () => {
  const item = (id: number, dueOn: string, more: object = {}): never =>
    ({ id, balance: minor(100), dueOn: day(dueOn), leftOut: null, ...more }) as never;
  const items = [
    item(1, "2026-11-23"),
    item(2, "2026-11-24"),
    item(3, "2026-11-29"),
    item(4, "2026-11-30"),
    item(5, "2026-11-20", { leftOut: "as agreed" }),
    item(6, "2026-11-20", { balance: minor(0) }),
    item(7, "2026-11-20", { balance: minor(-5) }),
  ];
  const named = (fromDays: number): number[] =>
    namedItems(items as never, { ...DEFAULT_STEPS[0], fromDays } as never, 5, TODAY).map(
      ({ id }: { id: number }) => id,
    ) as number[];
  expect([named(-5), named(0), named(1)]).toEqual([[1, 2, 3], [1], [1]]);
});
