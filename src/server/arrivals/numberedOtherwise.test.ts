import { list } from "../../../tests/support/readings";
import { bookOfEach, taking } from "../../../tests/support/taking";

/* The same documents and customers from two programs; made by hand, common practice, no source. */

const book = bookOfEach();

const { must, asks } = taking(book);

const customers = (...rows: string[]): string => list("Customer number,Name", ...rows);
const invoices = (...rows: string[]): string =>
  list(
    "Invoice,Customer,Date,Due,Total,Balance",
    ...rows.map((row) => row.replace("|", ",C1,2026-11-20,2026-12-20,")),
  );

describe("customers of another program", () => {
  beforeEach(() => {
    must("customers", customers("C1,Fernhill Studio", "C2,Morrow Ceramics"));
  });
  const other = customers("10045,FERNHILL STUDIO", "10046,Quarry Lane");

  it("who are called as others of the book are asked about, and found by either number then", () => {
    expect(asks("customers", other)).toContain(
      "1 of 2 customers stand in the book already by name or e-mail, under another number (10045 here, C1 there)",
    );
    expect(must("customers", other, { same: "same" })).toMatchObject({ new: 1, known: 1 });
    expect(must("customers", other)).toMatchObject({ new: 0, known: 2 });
    const bill = invoices("9001|80.00,80.00").replace("C1", "10045");
    expect(must("invoices", bill)).toMatchObject({ new: 1 });
  });
  it("are called so too where a legal form, an article or the order of the words is another", () => {
    const forms = customers("10045,The Fernhill Studio LLC", "10046,Quarry Lane");
    expect(asks("customers", forms)).toContain("(10045 here, C1 there)");
    must("customers", customers("C9,Ada Ray"));
    expect(asks("customers", customers('77,"Ray, Ada"'))).toContain("(77 here, C9 there)");
  });
  it("who are written to as others of the book are asked about, where no other has that e-mail", () => {
    const mails = (...rows: string[]): string => list("Customer number,Name,Email", ...rows);
    must("customers", mails("C8,Marsh End Pottery,ruth@marsh.example"));
    expect(asks("customers", mails("77,Ruth Vale,Ruth@Marsh.example"))).toContain(
      "(77 here, C8 there)",
    );
    const two = mails("77,Ruth Vale,ruth@marsh.example", "78,Ann Vale,ruth@marsh.example");
    expect(must("customers", two)).toMatchObject({ new: 2 });
  });
  it("may be customers of their own; two of one name in a file are", () => {
    expect(must("customers", other, { same: "new" })).toMatchObject({ new: 2, known: 0 });
    expect(asks("customers", customers("1,Morrow Ceramics", "2,Morrow Ceramics"))).toBe("");
  });
});

describe("invoices of another program", () => {
  beforeEach(() => {
    must("customers", customers("C1,Fernhill Studio"));
    must("invoices", invoices("9701|100.00,100.00"));
  });

  it("are asked about where their number is written otherwise, of one customer, day and total", () => {
    for (const number of ["INV-9701", "0009701", "#9701"]) {
      const other = invoices(`${number}|100.00,100.00`, "9702|50.00,50.00");
      expect(asks("invoices", other)).toContain(
        `1 of 2 invoices stand in the book already of the same customer, day (or near it) and total, under another writing of their number (${number} here, 9701 there)`,
      );
    }
    const known = must("invoices", invoices("INV-9701|100.00,100.00"), { same: "same" });
    expect(known).toMatchObject({ new: 0, known: 1 });
  });
  it("are others where number, total or the file say so", () => {
    expect(asks("invoices", invoices("INV-9702|100.00,100.00"))).toBe("");
    expect(asks("invoices", invoices("R-9701|90.00,90.00"))).toBe("");
    expect(asks("invoices", invoices("9701|100.00,100.00", "A9701|100.00,100.00"))).toBe("");
  });
});

describe("an advice of one payment from two programs", () => {
  const advice = (head: string, ...rows: string[]): string => list(head, ...rows);
  const first = advice(
    "Payment date,Payer,Invoice,Paid",
    "2026-11-23,Fernhill Studio,9701,100.00",
    "2026-11-23,Fernhill Studio,9702,50.00",
  );
  const other = (payer: string, trace: string, second = "INV-9702"): string =>
    advice(
      "Paid on,Payer,Invoice no,Amount paid,Payment reference",
      `11/23/2026,${payer},${second},50.00,${trace}`,
      `11/23/2026,${payer},INV-9701,100.00,${trace}`,
    );
  it("is known by its day, its sum and its invoices, however those are written", () => {
    expect(must("remittance", first)).toMatchObject({ new: 2 });
    expect(must("remittance", other("FERNHILL", "P77"))).toMatchObject({ new: 0, known: 2 });
  });
  it("is another where its payer, its invoices or both its numbers are", () => {
    must("remittance", first);
    expect(must("remittance", other("Quarry Lane", "P77"))).toMatchObject({ new: 2 });
    expect(must("remittance", other("Fernhill", "P78", "INV-9703"))).toMatchObject({ new: 2 });
    const third = other("Fernhill", "P79", "INV-9703");
    expect(asks("remittance", third)).toContain("1 of 1 payment stands in the book already");
    expect(must("remittance", third, { same: "new" })).toMatchObject({ new: 2 });
  });
});

describe("an advice of another program", () => {
  const advice = (number: string, day: string, payer: string, ...rows: string[]): string =>
    list(
      "Payment number,Payment date,Payer,Invoice,Amount",
      ...rows.map((row) => `${number},${day},${payer},${row}`),
    );
  const first = ["9001,400.00", "9002,50.00"];
  const again = ["INV-9001,400.00", "INV-9002,50.00"];
  beforeEach(() => {
    must("remittance", advice("55120", "2026-11-12", "Fernhill Studio", ...first));
  });

  it("under another writing of its number is known", () => {
    const other = advice("0055120", "2026-11-12", "FERNHILL STUDIO", ...again);
    expect(must("remittance", other)).toMatchObject({ new: 0, known: 2 });
  });
  it("under another number, or of a day near, is asked about", () => {
    const other = advice("AP-77", "2026-11-13", "Fernhill Studio Inc", ...again);
    expect(asks("remittance", other)).toContain(
      "1 of 1 payment stands in the book already by its sum and its invoices",
    );
    expect(must("remittance", other, { same: "same" })).toMatchObject({ new: 0, known: 2 });
    expect(must("remittance", other, { same: "new" })).toMatchObject({ new: 2, known: 0 });
  });
  it("of other invoices, of another payer or a week later is another", () => {
    const others = [
      advice("A1", "2026-11-13", "Fernhill Studio", "9003,450.00"),
      advice("A2", "2026-11-13", "Morrow Ceramics", ...again),
      advice("A3", "2026-11-19", "Fernhill Studio", ...again),
    ];
    for (const other of others) expect(asks("remittance", other)).toBe("");
  });
  it("without a number is that of no other payer", () => {
    must("remittance", advice("", "2026-11-14", "Fernhill Studio", "9007,70.00"));
    const other = advice("", "2026-11-14", "Morrow Ceramics", "9008,70.00");
    expect(must("remittance", other)).toMatchObject({ new: 1, known: 0 });
  });
});
