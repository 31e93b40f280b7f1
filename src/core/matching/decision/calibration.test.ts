import type { Draft } from "../candidates/candidate";
import type { Reason } from "../types";
import { confidenceOf, featuresOf, patternOf } from "./calibration";
import { draftReading } from "./draftReading.fixture";

const draft = (more: Partial<Draft> = {}): Draft => draftReading({ bits: 0, ...more });
const because = (...reasons: Reason[]): Partial<Draft> => ({ reasons });

describe("a pattern of evidence", () => {
  it.each<[string, Partial<Draft>]>([
    ["check whole exact certain", {}],
    ["check whole exact certain shape-a-slip", { shape: "a slip" }],
    ["check whole exact certain foreign", because({ code: "against_number", spots: [] })],
    ["check whole exact certain unread", because({ code: "against_unread", spots: [] })],
    [
      "check whole exact certain equal group",
      because({ code: "equal_items", count: 2 }, { code: "group" }),
    ],
    // One reason among others counts, others say nothing.
    [
      "check whole exact certain group",
      because({ code: "email" }, { code: "group" }, { code: "remittance" }),
    ],
    ["check whole exact certain", because({ code: "email" })],
    ["check whole exact certain skipped", { skipped: 1 }],
    ["check whole exact certain doubt-ways", { doubts: ["ways"] }],
    // Doubts stand in order, each once; that there is more than one counts by itself.
    [
      "check whole exact certain doubt-open doubt-ways doubts",
      { doubts: ["ways", "open", "ways"] },
    ],
    ["check whole exact certain doubt-ways doubts", { doubts: ["ways", "ways"] }],
    ["check whole exact certain chance0", { chance: 1 }],
    ["check whole exact certain chance1", { chance: 0.1 }],
    ["check whole exact certain chance2", { chance: 0.01 }],
    ["check whole exact certain chance4", { chance: 0.000_001 }],
    ["check whole exact certain chance0", { chance: 40 }],
    // How rare the sum is counts where no number speaks and the payer is not beyond doubt.
    [
      "check none single likely bits0",
      { numbers: "none", sum: "single", who: "likely", bits: 4.9 },
    ],
    ["check none single likely bits1", { numbers: "none", sum: "single", who: "likely", bits: 5 }],
    ["check none single weak bits2", { numbers: "none", sum: "single", who: "weak", bits: 12 }],
    ["check none single likely bits4", { numbers: "none", sum: "single", who: "likely", bits: 99 }],
    ["check none single certain", { numbers: "none", sum: "single", bits: 12 }],
    ["check whole exact likely", { who: "likely", bits: 12 }],
  ])("%s", (pattern, more) => expect(patternOf(draft(more), "check", [], 1)).toBe(pattern));
  it("names what speaks against it in order, and how many are like it", () => {
    const against: Reason[] = [
      { code: "against_other_reading", count: 1 },
      { code: "against_claimed" },
    ];
    expect([1, 2, 3, 9].map((alike) => patternOf(draft(), "held", against, alike))).toEqual([
      "held whole exact certain claimed other_reading",
      "held whole exact certain claimed other_reading alike2",
      "held whole exact certain claimed other_reading alike3",
      "held whole exact certain claimed other_reading alike3",
    ]);
  });
});

describe("what counts of a pattern", () => {
  it("is nothing strange where words are missing", () =>
    expect(featuresOf("")).toEqual(["all", "", "", "", "/", "/ "]));
  it("keeps an estimate from ever being certain, either way", () => {
    const words = [
      "sure",
      "check",
      "whole",
      "none",
      "exact",
      "single",
      "oldest",
      "certain",
      "weak",
    ];
    for (const word of words) {
      const rate = confidenceOf(`${word} ${word} ${word} ${word}`);
      expect(rate).toBeGreaterThanOrEqual(0.0005);
      expect(rate).toBeLessThanOrEqual(0.9999);
    }
  });
});
