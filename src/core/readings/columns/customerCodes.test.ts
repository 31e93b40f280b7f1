import { linesIn, list, openIn } from "../../../../tests/support/readings";

/* Lists of customers as ledgers export them; made by hand, common practice, no source. */

const read = (text: string, answers: Record<string, string> = {}): string[] =>
  linesIn("customers", text, { answers });
const asks = (text: string): string[] => openIn(text, { kind: "customers" });

describe("a list of customers", () => {
  it("has their numbers under the customer, where another column has their names", () => {
    const text = list("Customer,Name,E-mail", "C901,Ada Kiln Co,a@m.example", "C902,Bo Clay,");
    expect(asks(text)).toEqual([]);
    expect(read(text)).toEqual(["C901 | Ada Kiln Co", "C902 | Bo Clay"]);
  });
  it("with an account beside them is asked which of the two numbers a customer", () => {
    const text = list("Customer,Name,Account", "C901,Ada Kiln Co,000123", "C902,Bo Clay,000987");
    expect(asks(text)).toEqual(["number"]);
    expect(read(text, { number: "Customer" })[0]).toBe("C901 | Ada Kiln Co");
    expect(read(text, { number: "Account" })[0]).toBe("000123 | Ada Kiln Co");
  });
  it("with names under the customer, or numbers that several have, is as it was", () => {
    const names = list("Customer,Account,E-mail", "Ada Kiln Co,123,a@m.example", "Bo Clay,987,");
    expect(read(names)[0]).toBe("123 | Ada Kiln Co");
    const groups = list("Customer,Name,Account", "G1,Ada Kiln Co,123", "G1,Bo Clay,987");
    expect([asks(groups), read(groups)[0]]).toEqual([[], "123 | Ada Kiln Co"]);
  });
});
