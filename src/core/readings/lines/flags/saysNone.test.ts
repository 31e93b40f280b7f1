import { leftOutOf, list, openIn } from "../../../../../tests/support/readings";

/* Words of lines that say that they are none, by hand; common practice, no source. */

const invoices = (...words: string[]): string =>
  list(
    "Invoice,Customer,Date,Due,Total,Balance,Description",
    ...words.map((text, at) => `R${at},Ada,2026-11-01,2026-12-01,100.00,100.00,${text}`),
  );
const activity = (...memos: string[]): string =>
  list(
    "Id,Type,Date,Amount,Memo",
    ...memos.map((text, at) => `a${at},charge,2026-11-16,100.00,${text}`),
  );

describe("words that say that a line is none", () => {
  it.each([
    "VOID - duplicate of R1",
    "Cancelled",
    "**VOIDED**",
    "PAID 11/20 check 881",
    "TEST - ignore",
  ])("%s", (text) => {
    const file = invoices("Bowls", text);
    expect(openIn(file)).toEqual(["says"]);
    expect(leftOutOf(file, { answers: { says: "none" } })).toEqual(["3 no_money"]);
    expect(leftOutOf(file, { answers: { says: "counts" } })).toEqual([]);
  });
  it("of a charge", () => {
    expect(openIn(activity("invoice 1", "VOIDED by merchant"), { kind: "processor" })).toEqual([
      "says",
    ]);
    expect(openIn(activity("invoice 1", "paid by phone"), { kind: "processor" })).toEqual([]);
  });
  it("are none in the middle of others, or as part of a name", () =>
    expect(
      openIn(invoices("Voided work redone", "Test tiles", "Bowls, paid postage", "Duplicates")),
    ).toEqual(["says"]));
  it("say nothing where the state does", () => {
    const file = list(
      "Invoice,Customer,Date,Due,Status,Total,Balance,Description",
      "R1,Ada,2026-11-01,2026-12-01,Void,100.00,100.00,VOID - twice",
    );
    expect(openIn(file)).toEqual([]);
  });
});
