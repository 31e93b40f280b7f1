import { checkSync, type Diagnostics } from "recheck";

import { patternsOfSources } from "../support/patterns";

/** Milliseconds for a pattern; what is not decided in them is looked at longer by `npm run bench -- patterns`. */
const EACH = 150;

/** Milliseconds for a pattern with a group that comes again: only these can take exponential time. */
const AGAIN = 1500;
const GROUP_AGAIN = /\)(?:[*+]|\{\d*,?\d*\})/;

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

it("no group that comes again takes exponential time, with counts taken as no bound", () => {
  const again = patternsOfSources().filter(({ source }) => GROUP_AGAIN.test(source));
  const worst = again.filter(
    ({ source, flags }) => worstOf(checkSync(source, flags, { timeout: AGAIN })) === "exponential",
  );
  expect(again.length).toBeGreaterThan(10);
  expect(worst).toEqual([]);
});

it("a group with an optional space at both its ends would be found", () => {
  const source = String.raw`^(?:[A-Za-z][\w-]{1,40}: ?[^\n]{0,900}\n[ \t]?){0,60}Received: `;
  expect(worstOf(checkSync(source, "", { timeout: 5000 }))).toBe("exponential");
});

it("a pattern that takes more than linear time would be found", () => {
  const found = checkSync("return.*fee|fee.*return", "", { timeout: 5000, checker: "automaton" });
  expect([found.status, worstOf(found)]).toEqual(["vulnerable", "polynomial"]);
});
