import { minor } from "@/core/money";

import type { MatchCandidate } from "../types";
import { oddity, sureKind } from "./sureKinds";

const reading = (pattern: string): MatchCandidate => ({
  customerId: 1,
  lines: [],
  onAccount: minor(0),
  confidence: 0.999,
  pattern,
  reasons: [],
});

describe("the kinds by which sure ones are looked through", () => {
  it.each<[string, string]>([
    ["sure whole exact certain", "number quoted, exact sum"],
    [
      "sure digits discount likely",
      "number quoted without prefix or zeros, less the discount, in time",
    ],
    ["sure order surcharge likely", "order number quoted, with the surcharge on top"],
    ["sure cut credit certain", "end of a number quoted, credit note taken off"],
    ["sure damaged stated certain", "number quoted with a slip, sums written beside the numbers"],
    ["sure none single certain", "known payer, exact sum of one item"],
    ["sure whole part certain", "number quoted, paid in part"],
    ["sure whole over certain", "number quoted, more than the invoice"],
    ["sure none all certain", "known payer, all that is open"],
    ["sure none due certain", "known payer, all that was due"],
    ["sure none several certain", "known payer, the only set of this sum"],
    ["sure whole fee certain", "number quoted, short by a bank's fee"],
    ["sure whole claim certain", "number quoted, short by a claim that is named"],
    ["sure whole next certain", "number quoted, the rest and the next"],
    ["sure whole gap certain", "number quoted, with what is not named"],
    ["sure cut mended certain", "end of a number quoted, one number mended"],
    ["sure whole late certain", "number quoted, discount taken too late"],
    ["sure whole told certain", "number quoted, sums written beside the numbers"],
    ["sure none statement certain", "known payer, a statement's sum"],
    ["sure none told-oldest certain", "known payer, oldest first, as said"],
    // What has no words yet is told by its own name, and never by none.
    ["sure spoken weighed certain", "spoken, weighed"],
    ["sure", ", "],
  ])("%s is looked through as “%s”", (pattern, words) =>
    expect(sureKind(reading(pattern))).toBe(words),
  );
});

describe("what deserves a second glance", () => {
  const glance = (pattern: string, amount = 100, middle = 100): string | null =>
    oddity(reading(pattern), minor(amount), minor(middle));
  it.each<[string, string | null]>([
    ["sure damaged exact certain", "a number with a slip"],
    ["sure whole gap certain", "a number with a slip"],
    ["sure whole mended certain", "a number with a slip"],
    // A slip is said before all else.
    ["sure damaged over weak", "a number with a slip"],
    ["sure whole over unknown", "more than the invoice"],
    ["sure whole part weak", "paid in part"],
    ["sure whole exact unknown", "the payer is hardly known"],
    ["sure whole exact weak", "the payer is hardly known"],
    ["sure whole exact likely", null],
    ["sure whole exact certain", null],
    ["sure", null],
  ])("%s: %s", (pattern, words) => expect(glance(pattern)).toBe(words));
  it.each<[number, number, string | null]>([
    [799, 100, null],
    [800, 100, "a large sum"],
    [801, 100, "a large sum"],
    [800, 0, null],
    [7, 1, null],
  ])("a receipt of %d where the middle one is %d: %s", (amount, middle, words) =>
    expect(glance("sure whole exact certain", amount, middle)).toBe(words),
  );
});
