import { exportOf, judged, twistedOf, type Verdict } from "../support/exports/judge";

const HOW_MANY = 600;

describe("exports of known histories, in any marks, orders, signs and words", () => {
  it("are read right or asked about, and never taken in wrong without a word", () => {
    const verdicts = Array.from({ length: HOW_MANY }, (_, at) => ({
      seed: at + 1,
      ...judged(exportOf(at + 1)),
    }));
    const count = (is: Verdict["is"]): number =>
      verdicts.filter((verdict) => verdict.is === is).length;
    expect(verdicts.filter(({ is }) => is === "wrong")).toEqual([]);
    // The goal: at least 85 % without a question. docs/benchmarks.md has the counts over ten thousand.
    expect(count("right")).toBeGreaterThanOrEqual(HOW_MANY * 0.85);
  });
  it("nor are those with columns, headings and lines beside theirs that change what they say", () => {
    const seeds = Array.from({ length: HOW_MANY }, (_, at) => at + 1);
    const verdicts = seeds.map((seed) => ({ seed, ...judged(twistedOf(seed)) }));
    expect(verdicts.filter(({ is }) => is === "wrong")).toEqual([]);
    expect(verdicts.filter(({ is }) => is === "right").length).toBeGreaterThan(HOW_MANY * 0.5);
  });
});
