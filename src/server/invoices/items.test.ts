import { accounts } from "@/db/journal";

import { eachBook, type TestBook, TODAY } from "../../../tests/support/book";
import { firstCustomer, takeOrders } from "../../../tests/support/orders";
import { pricesFor } from "./queries/editor";

let book: TestBook;
eachBook((made) => {
  book = made;
});
const balanceOf = (code: string): number =>
  book.db.get<{ balance: number }>("SELECT balance FROM account_now WHERE code = ?", code)
    ?.balance ?? 0;
const rows = (lines: string): string =>
  lines
    .split("|")
    .map((line, at) => (at === 0 ? `A,C1,${TODAY},n/30,,,,${line}\n` : `A,,,,,,,${line}\n`))
    .join("");
const CLAY = { description: "Stoneware", rate: "24.25", account: "4010" };
const income = (code: string, name: string) => book.must("setAccount", { to: { code, name } });

describe("the book's own chart and items", () => {
  it("income goes to the account of its item, discount and all, tax to that of its code", () => {
    book.must("setTaxCode", { code: "TX", percent: "8.25", category: "standard" });
    income("4010", "Clay sold");
    book.must("setAccount", {
      to: { code: "2210", name: "State tax" },
      role: "tax",
      taxCode: "TX",
    });
    book.must("setItem", { code: "CL", to: CLAY });
    const before = balanceOf("4000");
    takeOrders(book, rows("CL,Clay,4,25,10,TX,8.25|,Delivery,1,30,,,"));
    expect([balanceOf("4010"), balanceOf("4000") - before, balanceOf("2210")]).toEqual([
      -9000, -3000, -743,
    ]);
    expect(balanceOf("2200")).toBe(-600);
    expect(book.broken()).toEqual([]);
  });
  it("an account is named and numbered otherwise, with what was posted to it", () => {
    income("4010", "Clay sold");
    book.must("setItem", { code: "CL", to: CLAY });
    takeOrders(book, rows("CL,Clay,1,10,,,"));
    book.must("setAccount", { code: "4010", to: { code: "4050", name: "Clay and glaze" } });
    takeOrders(book, rows("CL,Clay,1,10,,,").replaceAll("A,", "B,"));
    expect([balanceOf("4010"), balanceOf("4050")]).toEqual([0, -2000]);
    expect(book.do("setAccount", { code: "4050" })).toMatchObject({
      error: { code: "account.used" },
    });
  });
  it.each<[string, object, string]>([
    ["a number that is taken", { to: { code: "4000", name: "x" } }, "account.number"],
    ["the one that all falls back to", { code: "4000" }, "account.kept"],
    ["one that is not there", { code: "9999", to: { code: "1", name: "x" } }, "account.unknown"],
    [
      "tax of no code",
      { to: { code: "2299", name: "x" }, role: "tax", taxCode: "NO" },
      "document.tax_unknown",
    ],
    ["a number with spaces", { to: { code: "4 0", name: "x" } }, "input.invalid"],
  ])("refuses %s", (_, input, code) => {
    expect(book.do("setAccount", input as never)).toMatchObject({ error: { code } });
  });
  it("an account that an item goes to is not removed; one that nobody needs is", () => {
    income("4010", "Clay sold");
    book.must("setItem", { code: "CL", to: CLAY });
    expect(book.do("setAccount", { code: "4010" })).toMatchObject({
      error: { code: "account.item" },
    });
    book.must("setItem", { code: "CL", to: null });
    book.must("setAccount", { code: "4010" });
    expect(accounts(book.db).some(({ code }) => code === "4010")).toBe(false);
    expect(book.do("setItem", { code: "CL", to: null })).toMatchObject({
      error: { code: "item.gone" },
    });
  });
  it("items complete lines that nobody was billed yet", () => {
    book.must("setItem", { code: "CL", to: { description: "Stoneware", rate: "24.250" } });
    expect(pricesFor(book.db, firstCustomer(book))).toEqual([
      { item: "CL", description: "Stoneware", rate: "24.25", taxCode: null },
    ]);
    for (const [to, code] of [
      [{ ...CLAY }, "account.unknown"],
      [{ ...CLAY, account: null, rate: "x" }, "document.number"],
      [{ ...CLAY, account: null, taxCode: "NO" }, "document.tax_unknown"],
    ] as const)
      expect(book.do("setItem", { code: "GL", to })).toMatchObject({ error: { code } });
  });
});
