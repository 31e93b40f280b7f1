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
    expect(asks("processor", NEXT)).toContain("Which is it?");
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
  it("has its fee with it that goes by the same id on a line of its own", () => {
    const of = (day: string, sum: string, fee: string): string =>
      list("Date,Type,Transaction ID,Amount", `${day},Payment,T7,${sum}`, `${day},Fee,T7,${fee}`);
    must("processor", of("2026-11-03", "100.00", "-2.90"));
    must("processor", of("2026-11-20", "60.00", "-1.74"), { reused: "others" });
    const fees = book().db.all<{ id: string; amount: number }>(
      "SELECT external_id AS id, amount FROM processor_item WHERE kind = 'fee' AND withdrawn = 0 ORDER BY id",
    );
    expect(fees).toEqual([
      { id: "T7", amount: -290 },
      { id: "T7 of 2026-11-20", amount: -174 },
    ]);
  });
  it("leaves a refund with its charge, though both go by one id", () => {
    const of = (day: string, sum: string): string =>
      list("Date,Type,Transaction ID,Original ID,Amount", `${day},Refund,T7,T7,${sum}`);
    must("processor", list("Date,Type,Transaction ID,Amount", "2026-11-03,Payment,T7,100.00"));
    must("processor", of("2026-11-05", "-10.00"));
    must("processor", of("2026-11-20", "-5.00"), { reused: "others" });
    const refunds = book().db.all(
      "SELECT external_id AS id, related_id AS of FROM processor_item WHERE kind = 'refund' AND withdrawn = 0 ORDER BY id",
    );
    expect(refunds).toEqual([
      { id: "T7", of: "T7" },
      { id: "T7 of 2026-11-20", of: "T7" },
    ]);
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
  it("is known where another sort of export says another day of the same sum", () => {
    must("processor", FIRST);
    const byPayout = "Reference number,Payout date,Amount,Fee,Payer";
    const again = list(byPayout, "7001,2026-11-23,100.00,2.90,Ada Ray");
    expect(must("processor", again)).toMatchObject({ new: 0, known: 1, changed: 0 });
  });
  it("is another, too, where a month lies between and the sum is as before", () => {
    must("processor", FIRST);
    expect(asks("processor", list(HEAD, "2026-11-23,7001,100.00,2.90,Ada Ray"))).toContain(
      "Which is it?",
    );
  });
});

describe("a line of a statement with the id of a line of another day and sum", () => {
  const STATEMENT = "Transaction ID,Date,Description,Amount";
  const EARLY = list(STATEMENT, "1,2026-11-03,CARD PAYOUTS,154.01", "2,2026-11-04,CLAY,-210.00");
  const LATE = list(STATEMENT, "1,2026-11-20,CARD PAYOUTS,88.00", "2,2026-11-23,KILN,-15.00");
  const sums = (): number[] =>
    book()
      .db.all<{ amount: number }>("SELECT amount FROM bank_line ORDER BY posted_on")
      .map(({ amount }) => amount);
  it("is never written over it without a word, and both stay where they are said to be others", () => {
    must("bank", EARLY);
    expect(asks("bank", LATE)).toContain("2 lines have the id of a line of another day");
    expect(must("bank", LATE, { reused: "others" }).new).toBe(2);
    expect(sums()).toEqual([15401, -21000, 8800, -1500]);
    expect(must("bank", LATE)).toMatchObject({ new: 0, known: 2 });
    expect(must("bank", EARLY)).toMatchObject({ new: 0, known: 2 });
  });
  it("takes its place where that is said, and without a question where its sum alone is another", () => {
    must("bank", EARLY);
    must("bank", LATE, { reused: "changed" });
    expect(sums()).toEqual([8800, -1500]);
    expect(asks("bank", LATE.replace("88.00", "89.00"))).toBe("");
  });
});
