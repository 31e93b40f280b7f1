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
  it.each<[Reason, string]>([
    [
      { code: "against_double", paidOn: day("2026-11-18"), receiptId: 2 },
      "an item of this sum that is still open, or the payer’s word that both were meant",
    ],
    [
      { code: "against_number", spots: [] },
      "its own number: the one in the memo is somebody else’s",
    ],
    [{ code: "against_closed", spots: [] }, "the number of an item that is still open"],
    [
      { code: "against_unread", spots: [] },
      "knowing what the number is that nothing explains; if it is no invoice’s, post",
    ],
    [{ code: "against_currency" }, "an invoice in the receipt’s own currency"],
    [
      { code: "against_also", paidOn: day("2026-11-18") },
      "a home for the other receipt that may be for the same",
    ],
    [{ code: "against_claimed" }, "its number: another receipt has the item that fits best"],
    [
      { code: "against_other_reading", count: 2 },
      "a number in the memo: more than one reading comes out",
    ],
    [
      { code: "against_risk", certain: 0.9 },
      "more of its kind that were right, or a higher limit in Set-up",
    ],
    [
      { code: "against_payer" },
      "knowing that this payer pays for the customer; once posted, it is learned",
    ],
  ])("%j: %s", (reason, words) => {
    expect(toBeSure(reading("sure whole exact certain", [reason]))).toBe(words);
    // A reason that speaks for the reading changes nothing.
    expect(toBeSure(reading("check none oldest certain", [{ code: "email" }, reason]))).toBe(words);
  });
  it.each<[string, string]>([
    ["ahead", "an invoice for what is paid ahead; until then it can be kept on account"],
    ["told", "the items that its words tell of: it takes others"],
    ["later", "a statement that has all of its items"],
    ["more", "the numbers that the memo leaves out"],
    ["ways", "one number more: several sets come to the same sum"],
    ["equal", "a word on which of the equal items, or which site, is meant"],
    ["site", "a word on which site of the group pays"],
    ["open", "the number in full: it fits more than one item"],
    ["out", "to know whether the numbers that are left out are paid too"],
    ["unread", "knowing what the numbers are that lead nowhere"],
    ["nearly", "the number as it stands on the invoice, or its exact sum"],
    ["odd", "to know why it is short: no bank keeps such a sum"],
    ["much", "to know what the rest is for"],
    ["stated", "sums beside the numbers that come to what was paid"],
    ["sums", "to know what the other sums in the memo are"],
  ])("a doubt by the name of %s: %s", (doubt, words) => {
    expect(toBeSure(reading(`check whole oldest weak doubt-${doubt} skipped`))).toBe(words);
    if (doubt !== "ahead")
      expect(toBeSure(reading(`check whole exact weak doubt-${doubt} doubt-ahead`))).toContain(
        "paid ahead",
      );
  });
  it.each<[string, string]>([
    [
      "none oldest certain",
      "a number or a remittance advice: no item and no set of them has this sum",
    ],
    ["none account certain", "an invoice: nothing is open that it could be for"],
    ["none several weak", "a number: so many items make such a sum by chance too"],
    ["cut gap weak", "the numbers that are not named"],
    ["damaged mended certain", "the number that is wrong in the memo"],
    ["none rounded certain", "a number: it is rounded, and only near to the item’s sum"],
    ["whole short certain", "which of them is short"],
    ["whole over certain", "what the rest is for"],
    ["damaged part certain", "a word that it is a part, or the whole sum"],
    ["damaged exact certain", "the number as it stands on the invoice"],
    ["whole exact likely", "a payer that is known for certain; once posted, it is learned"],
    ["whole exact weak", "a payer that is known: several could have sent it"],
    ["whole exact unknown", "a payer that is known, or its number with the sum"],
    ["whole exact certain skipped", "to know of the numbers in the memo that it passes over"],
    ["whole exact certain", "a number and the sum that belongs to it"],
    ["", "a number and the sum that belongs to it"],
  ])("%s lacks %s", (kind, words) => {
    expect(toBeSure(reading(`check ${kind}`))).toBe(words);
    expect(toBeSure(reading(`sure ${kind}`))).toBeNull();
  });
  it("speaks of the limit where only that held it back", () =>
    expect(
      toBeSure(reading("sure none several certain", [{ code: "against_risk", certain: 0.9 }])),
    ).toContain("a higher limit in Set-up"));
});
