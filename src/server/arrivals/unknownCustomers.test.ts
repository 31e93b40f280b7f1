import { customerByExternalId } from "@/db/customers";

import { CUSTOMERS, eachBook, type TestBook } from "../../../tests/support/book";

let book: TestBook;
eachBook((made) => {
  book = made;
});
beforeEach(() => {
  book.mustTake("customers", CUSTOMERS);
});

const invoices = (...names: string[]): string =>
  `number,customer,issued_on,total,open_balance,terms\n${names.map((name, at) => `9${at},${name},2026-11-02,10.00,10.00,n/30`).join("\n")}\n`;
const take = (text: string, answers: Record<string, string> = {}) =>
  book.take("invoices", text, {
    mapping: {
      columns: {
        number: "number",
        customerId: "customer",
        issuedOn: "issued_on",
        total: "total",
        balance: "open_balance",
        terms: "terms",
      },
      answers,
    },
  });
const asked = (text: string, answers: Record<string, string> = {}) => {
  const done = take(text, answers);
  return done.ok ? null : done.error.first;
};

describe("a customer whom a file calls otherwise", () => {
  const TEXT = invoices("Alder Lane Pottery Sch.", "C2", "Alder Lane Pottery Sch.");
  it("is asked about once, with who may be meant, and taken as was said", () => {
    expect(asked(TEXT)).toBe(
      "No customer is called “Alder Lane Pottery Sch.” (2 lines). Who is meant?",
    );
    const key = "customer:alder lane pottery sch";
    expect(take(TEXT, { [key]: "C1" })).toMatchObject({ value: { new: 3, refused: [] } });
    expect(
      book.db.get<{ n: number }>(
        "SELECT count(*) AS n FROM open_item WHERE customer_id = ? AND number LIKE '9%'",
        customerByExternalId(book.db, "C1")?.id ?? 0,
      ),
    ).toEqual({ n: 2 });
  });
  it("is found by its number and its name in one cell, where both are the book's", () => {
    const [first] = book.db.all<{ name: string }>(
      "SELECT name FROM customer WHERE external_id = 'C1'",
    );
    const name = first?.name ?? "";
    expect(asked(invoices(`C1 ${name}`, `${name} (C1)`, `C1 - ${name}`))).toBeNull();
    expect(asked(invoices(`C2 ${name}`))).toContain("Who is meant?");
  });
  it("is refused by its lines where none of them is meant, or nobody is like it", () => {
    const key = "customer:alder lane pottery sch";
    expect(take(TEXT, { [key]: "none" })).toMatchObject({
      value: { new: 1, refused: [{ line: 2 }, { line: 4 }] },
    });
    expect(take(invoices("Zephyr Unknown Works"))).toMatchObject({
      value: { new: 0, refused: [{ line: 2 }] },
    });
  });
  it("by number, name, other name or address is never asked about", () => {
    expect(
      take(invoices("C3", "Heron Point Studio", "HERON POINT STUDIO", "pay@brightwater.example")),
    ).toMatchObject({ value: { new: 4, refused: [] } });
  });
});

describe("a head office", () => {
  const sites = (parent: string): string =>
    `customer_id,name,email,parent_id\nN1,Larch Hollow Club,,\nN2,Larch Hollow Annex,,${parent}\n`;
  const takeSites = (parent: string, answers: Record<string, string> = {}) =>
    book.take("customers", sites(parent), { mapping: { answers } });
  const parentOf = (id: string) =>
    book.db.get<{ id: string }>(
      "SELECT p.external_id AS id FROM customer c JOIN customer p ON p.id = c.parent_id WHERE c.external_id = ?",
      id,
    )?.id;
  it("is found by its number or name, in the file or in the book", () => {
    for (const [said, id] of [
      ["N1", "N1"],
      ["Larch Hollow Club", "N1"],
      ["Brightwater Unified", "C3"],
    ] as const) {
      expect(takeSites(said)).toMatchObject({ ok: true, value: { refused: [] } });
      expect(parentOf("N2")).toBe(id);
    }
  });
  it("is asked about where a name only resembles one", () => {
    const done = takeSites("Brightwater Unif. Dist.");
    expect(done).toMatchObject({ ok: false, error: { code: "questions.open" } });
    expect(
      takeSites("Brightwater Unif. Dist.", { "customer:brightwater unif dist": "C3" }),
    ).toMatchObject({ value: { refused: [] } });
    expect(parentOf("N2")).toBe("C3");
  });
});

describe("a customer's number beside the name of somebody else", () => {
  const TEXT = (name: string): string =>
    `number,customer,issued_on,total,open_balance,terms,name\n91,C1,2026-11-02,10.00,10.00,n/30,${name}\n`;
  const columns = {
    number: "number",
    customerId: "customer",
    customerName: "name",
    issuedOn: "issued_on",
    total: "total",
    balance: "open_balance",
    terms: "terms",
  };
  const taken = (name: string, answers: Record<string, string> = {}) =>
    book.take("invoices", TEXT(name), { mapping: { columns, answers } });
  it("is asked about, and taken as was said", () => {
    expect(taken("Heron Point Studio")).toMatchObject({
      ok: false,
      error: { first: expect.stringMatching(/^The file calls C1 “Heron Point Studio” \(1 line\)/) },
    });
    expect(taken("Heron Point Studio", { "customer:c1": "C3" }).ok).toBe(true);
    expect(
      book.db.get<{ id: number }>("SELECT customer_id AS id FROM open_item WHERE number = '91'"),
    ).toEqual({ id: customerByExternalId(book.db, "C3")?.id });
  });
  it("is not, where the name is like that of the book", () => {
    const own = customerByExternalId(book.db, "C1")?.name ?? "";
    expect(taken(`${own} LLC`)).toMatchObject({ value: { new: 1 } });
  });
  it("is not, where it is like nobody's and has a word of that of the book", () => {
    expect(taken("Alder Ln Wkshp")).toMatchObject({ value: { new: 1 } });
    expect(taken("Zephyr Works")).toMatchObject({ ok: false });
  });
});
