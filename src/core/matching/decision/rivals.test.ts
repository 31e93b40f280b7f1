import { day } from "@/core/calendar";

import type { Draft } from "../candidates/candidate";
import { certainty, decide, type Seen } from "./decide";
import { draftReading, LINE, NOTHING_SEEN } from "./draftReading.fixture";

const other = { ...LINE, itemId: 2 };
/** How many others stand near the best. */
const rivals = (best: Partial<Draft>, ...others: Partial<Draft>[]): number => {
  const { against } = decide(
    draftReading(best),
    others.map((more) => draftReading({ lines: [other], ...more })),
    NOTHING_SEEN,
  );
  const near = against.find(({ code }) => code === "against_other_reading");
  return near?.code === "against_other_reading" ? near.count : 0;
};

describe("another reading is near", () => {
  it("within eight of the best, and not at eight", () =>
    expect([46, 47, 54, 60].map((score) => rivals({}, { score }))).toEqual([0, 1, 1, 1]));
  it("each of them counts, and one that says nothing of any item does not", () =>
    expect([
      rivals({}, { score: 50 }, { score: 52 }, { score: 30 }),
      rivals({}, { score: 53, lines: [] }),
    ]).toEqual([2, 0]));
  it.each<[Draft["sum"], number]>([
    ["all", 1],
    ["due", 1],
    ["discount", 1],
    ["several", 1],
    ["single", 0],
    ["credit", 0],
    ["statement", 0],
  ])("where only the sum of %s speaks, any way to that sum within sixteen: %d", (sum, count) =>
    expect([
      rivals({ numbers: "none", sum }, { numbers: "none", sum: "several", score: 39 }),
      rivals({ numbers: "none", sum }, { numbers: "none", sum: "several", score: 38 }),
      // One with a number, or one that does not come out, has to be nearer.
      rivals({ numbers: "none", sum }, { numbers: "whole", sum: "several", score: 39 }),
      rivals({ numbers: "none", sum }, { numbers: "none", sum: "part", score: 39 }),
      rivals({ numbers: "whole", sum }, { numbers: "none", sum: "several", score: 39 }),
    ]).toEqual([count, 0, 0, 0, 0]),
  );
  it.each<[Draft["sum"], number]>([
    ["part", 1],
    ["short", 1],
    ["over", 1],
    ["exact", 0],
  ])("with %s, an open item of its very sum, however far: %d", (sum, count) =>
    expect([
      rivals({ sum }, { sum: "single", score: 1 }),
      rivals({ sum }, { sum: "single", score: 1, lines: [] }),
      rivals({ sum }, { sum: "single", score: 1, who: "other" }),
      rivals({ sum }, { sum: "several", score: 1 }),
    ]).toEqual([count, count, 0, 0]),
  );
  it("of the kind that the customer is known for, where the best is not", () => {
    const bySum: Partial<Draft> = { numbers: "none", sum: "single" };
    const known: Partial<Draft> = { numbers: "none", sum: "several", score: 1, lean: 1 };
    expect([
      rivals(bySum, known),
      rivals(bySum, { ...known, lean: 0 }),
      rivals(bySum, { ...known, lean: -1 }),
      rivals({ ...bySum, lean: 1 }, known),
      rivals({ numbers: "whole" }, known),
      rivals(bySum, { ...known, sum: "oldest" }),
    ]).toEqual([1, 0, 0, 0, 0, 0]);
  });
  it("what comes out to the cent is not doubted for the oldest first", () =>
    expect([
      rivals({ numbers: "none", sum: "single" }, { sum: "oldest" }),
      rivals({ numbers: "none", sum: "single" }, { sum: "part" }),
      rivals({ numbers: "none", sum: "oldest" }, { sum: "oldest" }),
      rivals({ numbers: "whole" }, { sum: "oldest" }),
    ]).toEqual([0, 1, 1, 1]));
});

describe("where only a fee or a sum speaks", () => {
  const decided = (more: Partial<Draft>): string =>
    decide(draftReading(more), [], NOTHING_SEEN).decision;
  it("one number of nobody who is known, short by a fee, may be anybody's slip", () =>
    expect([
      decided({ sum: "fee", who: "unknown" }),
      decided({ sum: "fee", who: "unknown", lines: [LINE, other] }),
      decided({ sum: "fee", who: "weak" }),
      decided({ sum: "exact", who: "unknown" }),
    ]).toEqual(["check", "sure", "sure", "sure"]));
  it("is proposed from ten on", () =>
    expect(
      [9, 10, 11].map((score) => decided({ numbers: "none", sum: "oldest", who: "weak", score })),
    ).toEqual(["none", "check", "check"]));
  it("kinds that nobody called safe are looked at", () =>
    expect([
      decided({ numbers: "none", sum: "exact" }),
      decided({ numbers: "digits", sum: "statement" }),
      decided({ numbers: "nowhere" as Draft["numbers"] }),
    ]).toEqual(["check", "check", "check"]));
});

describe("what speaks against a reading", () => {
  it("is told whole, a double before what may only be for the same", () => {
    const seen: Seen = {
      closed: [{ at: 3, text: "20400" }],
      doubleOf: { id: 7, paidOn: day("2026-11-18") },
      claimed: true,
      alsoOn: day("2026-11-17"),
      smallShort: false,
      foreignCurrency: true,
    };
    const all = decide(draftReading(), [draftReading({ lines: [other] })], seen);
    expect(all).toEqual({
      decision: "check",
      held: false,
      against: [
        { code: "against_other_reading", count: 1 },
        { code: "against_closed", spots: [{ at: 3, text: "20400" }] },
        { code: "against_double", paidOn: "2026-11-18", receiptId: 7 },
        { code: "against_claimed" },
        { code: "against_currency" },
      ],
    });
    expect(decide(draftReading(), [], { ...seen, doubleOf: null }).against).toContainEqual({
      code: "against_also",
      paidOn: "2026-11-17",
    });
    expect(decide(draftReading(), [], NOTHING_SEEN)).toEqual({
      decision: "sure",
      against: [],
      held: false,
    });
  });
  it("what is held alone by another's better claim is left to the estimate", () =>
    expect(decide(draftReading(), [], { ...NOTHING_SEEN, claimed: true })).toEqual({
      decision: "check",
      against: [{ code: "against_claimed" }],
      held: true,
    }));
});

describe("the order in which receipts claim their items", () => {
  it.each<[string, Partial<Draft>[], number]>([
    ["nothing at all", [], -1000],
    ["a number with its very sum", [{}], 74],
    ["a number less its discount", [{ sum: "discount" }], 74],
    ["a number with a part", [{ sum: "part" }], 54],
    ["a sum alone", [{ numbers: "none", sum: "exact" }], 54],
    ["a number with a flaw", [{ flaws: 1 }], 48],
    ["two flaws", [{ flaws: 2, sum: "part" }], 42],
    ["the oldest first, as said", [{ sum: "told-oldest", score: 90 }], 38],
    ["with a second one near", [{}, { score: 47 }], 64],
    ["with a second one not so near", [{}, { score: 46 }], 74],
    ["with a second one above", [{}, { score: 99 }], 64],
    ["a third one counts for nothing", [{}, { score: 10 }, { score: 54 }], 74],
  ])("%s", (_case, drafts, expected) =>
    expect(certainty(drafts.map((more) => draftReading(more)))).toBe(expected),
  );
});
