import { day } from "@/core/calendar";
import { minor } from "@/core/money";

import type { MatchCandidate, Reason } from "../types";
import { toBeSure } from "./toBeSure";

const reading = (pattern: string, reasons: readonly Reason[] = []): MatchCandidate => ({
  customerId: 1,
  lines: [],
  onAccount: minor(0),
  confidence: 0.5,
  pattern,
  reasons,
});

describe("what would make a reading sure", () => {
  it("is nothing for one that is", () =>
    expect(toBeSure(reading("sure whole exact certain"))).toBeNull());
  it.each<[string, string]>([
    ["check none oldest certain", "no item and no set of them has this sum"],
    ["check none several certain chance1", "make such a sum by chance"],
    ["check none single likely bits1", "known for certain"],
    ["check none single weak bits1", "several could have sent it"],
    ["check damaged exact weak", "the number as it stands on the invoice"],
    ["check whole part certain", "a word that it is a part"],
    ["check whole exact certain doubt-ways", "several sets come to the same sum"],
    ["check none single certain doubt-ahead", "can be kept on account"],
    ["check whole over certain skipped", "that it passes over"],
    ["check whole exact other", "a number and the sum that belongs to it"],
  ])("of %s: %s", (pattern, words) => expect(toBeSure(reading(pattern))).toContain(words));
  it("is nothing for one that only what weighs held back, and that is right often enough", () => {
    const held = reading("held none single certain also", [
      { code: "against_also", paidOn: day("2026-11-18") },
    ]);
    expect([toBeSure(held, "sure"), toBeSure(held, "check")]).toEqual([
      null,
      "a home for the other receipt that may be for the same",
    ]);
  });
  it("names the weightiest doubt before all else", () => {
    const near: Reason = { code: "against_other_reading", count: 1 };
    const foreign: Reason = { code: "against_number", spots: [] };
    expect(toBeSure(reading("check none single certain", [near]))).toContain("more than one");
    expect(toBeSure(reading("check none single certain", [near, foreign]))).toContain(
      "somebody else’s",
    );
  });
  it("speaks of the limit where only that held it back", () =>
    expect(
      toBeSure(reading("sure none several certain", [{ code: "against_risk", certain: 0.9 }])),
    ).toContain("a higher limit in Set-up"));
});
