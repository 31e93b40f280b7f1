import { checkSync, type Diagnostics } from "recheck";

import { patternsOfSources } from "../support/patterns";

/** Milliseconds for a pattern; what is not decided in them is looked at longer by `npm run bench -- patterns`. */
const EACH = 150;

/** How long a pattern takes at worst, where that is known. */
const worstOf = (found: Diagnostics): string =>
  found.status === "unknown" ? "" : found.complexity.type;

/**
 * Patterns that meet foreign text take a time in proportion to it: by the automata of recheck
 * (Weideman et al. 2016 for what is exponential or polynomial), beside the rules of
 * eslint-plugin-regexp, and the fuzz test of the readers.
 */
describe("patterns of the sources", () => {
  const patterns = patternsOfSources();
  const checked = patterns.map(({ where, source, flags }) => ({
    where,
    found: checkSync(source, flags, { timeout: EACH, checker: "automaton" }),
  }));
  it("are found, and most are proven to be linear in that time", () => {
    expect(patterns.length).toBeGreaterThan(300);
    const safe = checked.filter(({ found }) => found.status === "safe");
    expect(safe.length).toBeGreaterThan(patterns.length / 2);
  });
  it("none takes more than linear time", () =>
    expect(
      checked
        .filter(({ found }) => found.status === "vulnerable")
        .map(({ where, found }) => [where, found.source, worstOf(found)]),
    ).toEqual([]));
});

it("a pattern that takes more than linear time would be found", () => {
  const found = checkSync("return.*fee|fee.*return", "", { timeout: 5000, checker: "automaton" });
  expect([found.status, worstOf(found)]).toEqual(["vulnerable", "polynomial"]);
});
