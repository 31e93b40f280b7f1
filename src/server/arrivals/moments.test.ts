import { list } from "../../../tests/support/readings";
import { bookOfEach, taking } from "../../../tests/support/taking";

/* Exports without ids that say the time of each payment; made by hand, common practice, no source. */

const book = bookOfEach();
const { asks, must } = taking(book);

const HEAD = "Date,Type,Customer,Gross,Fee,Net";
const counts = (...lines: string[]): number[] => counted({}, lines);
const counted = (answers: Record<string, string>, lines: readonly string[]): number[] => {
  const { new: fresh, known } = must("processor", list(HEAD, ...lines), answers);
  return [fresh, known];
};
const MORNING = "2026-11-20 09:00,Charge,Ada Ray,100.00,3.20,96.80";
const AFTERNOON = "2026-11-20 15:00,Charge,Ada Ray,100.00,3.20,96.80";

describe("payments of a day without ids", () => {
  it("that stand in two exports are never one without a word, and each is known when it comes again", () => {
    expect(counts(MORNING)).toEqual([1, 0]);
    expect(counts(MORNING)).toEqual([0, 1]);
    expect(asks("processor", list(HEAD, AFTERNOON))).toContain("Are they the same?");
    expect(counted({ same: "new" }, [AFTERNOON])).toEqual([1, 0]);
    expect(counts(MORNING, AFTERNOON)).toEqual([0, 2]);
  });

  it("are told by a column of times beside that of days, too", () => {
    const at = (time: string): string =>
      list("Date,Time,Type,Customer,Amount,Fee", `2026-11-20,${time},Charge,Ada Ray,100.00,3.20`);
    must("processor", at("09:00"));
    expect(must("processor", at("09:00")).known).toBe(1);
    expect(asks("processor", at("15:00"))).toContain("Are they the same?");
  });

  it("of one moment are counted in their file", () => {
    expect(counts(MORNING)).toEqual([1, 0]);
    expect(counts(MORNING, MORNING)).toEqual([1, 1]);
  });

  it("that say their day alone are counted by day and file", () => {
    const day = "2026-11-20,Charge,Ada Ray,100.00,3.20,96.80";
    expect(counts(day)).toEqual([1, 0]);
    expect(counts(day, day)).toEqual([1, 1]);
  });
});
