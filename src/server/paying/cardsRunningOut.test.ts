import { day } from "@/core/calendar";
import { cardLetter, runsOutOn } from "@/core/paying";

import { eachBook, type TestBook, TODAY } from "../../../tests/support/book";
import { firstCustomer } from "../../../tests/support/orders";
import { payingPageOf } from "./queries/payingPage";

let book: TestBook;
eachBook((made) => {
  book = made;
});

// Counted by hand: from 24 November 2026 the sixtieth day is 23 January 2027.
it.each([
  ["2026-10", "2026-10-31"],
  ["2026-11", "2026-11-30"],
  ["2026-12", "2026-12-31"],
  ["2027-01", null],
  ["2028-02", null],
  [null, null],
  ["12/26", null],
])("a card of %s", (expires, last) => {
  expect(runsOutOn(expires, day("2026-11-24"))).toBe(last);
});

it("has its letter in each language, with every field", () => {
  for (const language of ["en", "es", "fr", "de"])
    for (const field of ["customer", "business", "method", "month", "link"])
      expect(`${cardLetter(language).subject} ${cardLetter(language).body}`).toContain(
        `{{ ${field} }}`,
      );
  expect(cardLetter("xx")).toBe(cardLetter("en"));
});

describe("cards on file that run out", () => {
  const card = (expires: string, number = "0001"): number =>
    book.must("keepMethod", {
      customerId: firstCustomer(book),
      token: `card_abcdefgh${number}${expires.replace("-", "")}`,
      way: "card",
      name: "Visa",
      lastFour: number,
      expires,
      onFile: true,
    } as never).id;
  const listed = () =>
    payingPageOf(book.db, day(TODAY)).cards.map(({ method, lastDay, agreed, askedOn }) => [
      method,
      lastDay,
      agreed,
      askedOn,
    ]);

  it("are seen sixty days ahead, those that are taken from first, and asked for once", () => {
    const [soon, later, agreed] = [
      card("2026-11"),
      card("2029-04", "0002"),
      card("2026-12", "0003"),
    ];
    book.must("agree", {
      customerId: firstCustomer(book),
      methodId: agreed,
      agent: "test",
      address: "127.0.0.1",
    } as never);
    expect(listed()).toEqual([
      ["Visa ending in 0003", "2026-12-31", true, null],
      ["Visa ending in 0001", "2026-11-30", false, null],
    ]);
    expect(book.do("askForCard", { methodIds: [soon] })).toMatchObject({
      error: { code: "card.no_link" },
    });
    book.must("changeSettings", { linkBase: "https://pay.kestrelrow.example" });
    expect(book.do("askForCard", { methodIds: [later] })).toMatchObject({
      error: { code: "card.not_yet" },
    });
    expect(book.must("askForCard", { methodIds: [soon, agreed] })).toEqual({
      sent: 2,
      unreached: [],
    });
    const letters = book.db.all<{ step: number; sum: number; subject: string; body: string }>(
      "SELECT step, sum, subject, body FROM letter ORDER BY id",
    );
    expect(letters).toHaveLength(2);
    expect(letters[0]).toMatchObject({ step: 0, sum: 0 });
    expect(letters[0]?.subject).toBe("Your card at Test runs out soon");
    expect(letters[0]?.body).toContain("Visa ending in 0001");
    expect(letters[0]?.body).toContain("November 2026");
    expect(letters[0]?.body).toMatch(/https:\/\/pay\.kestrelrow\.example\/pay\/[0-9a-f]{48}/);
    expect(listed().map(([, , , askedOn]) => askedOn)).toEqual([TODAY, TODAY]);
    expect(book.must("askForCard", { methodIds: [soon] }).sent).toBe(0);
  });
});
