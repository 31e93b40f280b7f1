import { list } from "../../../tests/support/readings";
import { bookOfEach, taking } from "../../../tests/support/taking";

/* Exports whose ids are those of other payments too; made by hand, common practice, no source. */

const book = bookOfEach();
const { asks, must } = taking(book);

const HEAD = "Date,Reference number,Amount,Fee,Payer";
const FIRST = list(
  HEAD,
  "2026-11-03,7001,100.00,2.90,Ada Ray",
  "2026-11-04,7002,20.00,0.58,Lin Roe",
);
const NEXT = list(HEAD, "2026-11-20,7001,60.00,1.74,Ada Ray", "2026-11-21,7003,30.00,0.87,Jo Ash");
const charges = (): string[] =>
  book()
    .db.all<{ id: string; amount: number }>(
      "SELECT external_id AS id, amount FROM processor_item WHERE kind = 'charge' AND withdrawn = 0 ORDER BY id",
    )
    .map(({ id, amount }) => `${id} ${amount}`);

describe("a line with the id of a payment of another day and sum", () => {
  it("is never that payment without a word", () => {
    must("processor", FIRST);
    expect(asks("processor", NEXT)).toContain("Which are they?");
    expect(charges()).toEqual(["7001 10000", "7002 2000"]);
  });
  it("is another payment where that is said, with its fee, and known when it comes again", () => {
    must("processor", FIRST);
    expect(must("processor", NEXT, { reused: "others" })).toMatchObject({ new: 2, changed: 0 });
    const all = ["7001 10000", "7001 of 2026-11-20 6000", "7002 2000", "7003 3000"];
    expect(charges()).toEqual(all);
    expect(must("processor", NEXT)).toMatchObject({ new: 0, known: 2 });
    expect(must("processor", FIRST)).toMatchObject({ new: 0, known: 2 });
    expect(charges()).toEqual(all);
  });
  it("is the same, changed, where that is said", () => {
    must("processor", FIRST);
    must("processor", NEXT, { reused: "changed" });
    expect(charges()).toEqual(["7001 6000", "7002 2000", "7003 3000"]);
  });
  it("is changed without a question where its sum alone is another, or its day is near", () => {
    must("processor", FIRST);
    expect(asks("processor", FIRST.replace("100.00", "110.00"))).toBe("");
    expect(asks("processor", FIRST.replace("2026-11-04", "2026-11-06"))).toBe("");
  });
  it("is another, too, where a month lies between and the sum is as before", () => {
    must("processor", FIRST);
    expect(asks("processor", list(HEAD, "2026-11-23,7001,100.00,2.90,Ada Ray"))).toContain(
      "Which are they?",
    );
  });
});
