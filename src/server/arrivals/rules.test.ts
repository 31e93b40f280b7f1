import { bankRules } from "@/db/bankRules";

import { eachBook, type TestBook } from "../../../tests/support/book";

let book: TestBook;
eachBook((made) => {
  book = made;
});

const statement = (lines: readonly string[]): string =>
  `Date,Description,Amount\n${lines.join("\n")}\n`;
const take = (...lines: string[]): void => {
  book.mustTake("bank", statement(lines));
};
/** Each line with what it is. */
const states = (): Record<string, string> =>
  Object.fromEntries(
    book.db
      .all<{ words: string; state: string }>("SELECT description AS words, state FROM bank_line")
      .map(({ words, state }) => [words, state]),
  );
const line = (words: string): number => book.id("bank_line", `description = '${words}'`);

describe("a rule for lines of the bank", () => {
  it("takes sums within its bounds only, and says beforehand what it fits of all that came", () => {
    take(
      "2026-11-02,KILN GAS ONE,-40.00",
      "2026-11-03,KILN GAS TWO,-80.00",
      "2026-11-04,KILN GAS THREE,-400.00",
      "2026-11-05,KILN GAS BACK,60.00",
    );
    book.must("explainLine", { lineId: line("KILN GAS ONE"), as: "elsewhere" });
    const rule = { contains: "kiln gas", least: 3_000, most: 10_000 };
    const made = book.must("explainLine", { lineId: line("KILN GAS TWO"), as: "elsewhere", rule });
    expect(made.lines).toBe(1);
    expect(made.like.lines.map(({ description }) => description)).toEqual([
      "KILN GAS TWO",
      "KILN GAS ONE",
    ]);
    expect(made.like.counts).toEqual(
      expect.arrayContaining([
        { state: "elsewhere", count: 1 },
        { state: "open", count: 1 },
      ]),
    );
    take("2026-11-09,KILN GAS FOUR,-99.99", "2026-11-10,KILN GAS FIVE,-100.01");
    expect(states()).toMatchObject({
      "KILN GAS THREE": "open",
      "KILN GAS BACK": "open",
      "KILN GAS FOUR": "elsewhere",
      "KILN GAS FIVE": "open",
    });
    expect(book.broken()).toEqual([]);
  });

  it("is for its own account, or for every one", () => {
    book.must("addBankAccount", {
      code: "savings",
      name: "Savings",
      lastFour: "1234",
      openingBalance: 0,
    });
    take("2026-11-02,RENT A,-40.00", "2026-11-02,LEASE A,-70.00");
    const rule = (contains: string, everywhere: boolean) => ({ contains, everywhere });
    for (const [words, everywhere] of [
      ["RENT", false],
      ["LEASE", true],
    ] as const)
      book.must("explainLine", {
        lineId: line(`${words} A`),
        as: "elsewhere",
        rule: rule(words, everywhere),
      });
    book.mustTake("bank", statement(["2026-11-03,RENT B,-40.00", "2026-11-03,LEASE B,-70.00"]), {
      account: "savings",
    });
    expect(states()).toMatchObject({ "RENT B": "open", "LEASE B": "elsewhere" });
  });

  it("that the line itself does not fit, or whose bounds are turned, is not made; one undo takes it back", () => {
    take("2026-11-02,KILN GAS ONE,-40.00");
    const explain = (rule: object) =>
      book.do("explainLine", {
        lineId: line("KILN GAS ONE"),
        as: "elsewhere",
        rule: { contains: "kiln gas", ...rule },
      } as never);
    expect(explain({ least: 5_000 })).toMatchObject({ error: { code: "rule.fits" } });
    expect(explain({ least: 5_000, most: 100 })).toMatchObject({
      error: { code: "input.invalid" },
    });
    expect(states()).toEqual({ "KILN GAS ONE": "open" });
    const made = explain({ least: 4_000, most: 4_000 });
    if (!made.ok) throw new Error(made.error.code);
    book.must("undoTogether", { commandId: made.value.commandId });
    expect(states()).toEqual({ "KILN GAS ONE": "open" });
    expect(bankRules(book.db, 1)).toEqual([]);
  });

  it("the narrower of two with the same words is asked first", () => {
    take("2026-11-02,DEPOSIT ONE,40.00", "2026-11-02,DEPOSIT TWO,900.00");
    const rule = { contains: "deposit" };
    book.must("explainLine", {
      lineId: line("DEPOSIT ONE"),
      as: "elsewhere",
      rule: { ...rule, most: 5_000 },
    });
    book.must("explainLine", { lineId: line("DEPOSIT TWO"), as: "receipt", rule });
    take("2026-11-09,DEPOSIT THREE,30.00", "2026-11-09,DEPOSIT FOUR,800.00");
    expect(states()).toMatchObject({ "DEPOSIT THREE": "elsewhere", "DEPOSIT FOUR": "receipt" });
  });
});
