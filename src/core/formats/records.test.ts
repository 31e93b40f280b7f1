import { type Currency, currencyOf } from "@/core/money";

import {
  type FileKind,
  guessMapping,
  type MappingSpec,
  readBankLine,
  readCustomer,
  readInvoice,
  readRemittance,
  readReturn,
  readRows,
  readTable,
} from ".";
import type { RowReader } from "./rows";

const USD = currencyOf("USD") as Currency;
const CAD = currencyOf("CAD") as Currency;
const context = { bookCurrency: USD, timeZone: "America/Chicago", others: [CAD] };

/** A file of one kind as it is read: its records, and what was refused, as "line field code". */
function read<T>(
  kind: FileKind,
  text: string,
  reader: (row: RowReader) => T | null,
  more: Partial<MappingSpec> = {},
): { rows: T[]; refused: string[] } {
  const table = readTable(text);
  if (!table.ok) throw new Error(table.error.code);
  const spec = { ...guessMapping(table.value, kind), ...more };
  const { rows, refused } = readRows(table.value, spec, context, reader);
  return {
    rows,
    refused: refused.map(({ line, field, error }) => `${line} ${field} ${error.code}`),
  };
}

describe("customers of a file", () => {
  const customers = (
    ...lines: string[]
  ): ReturnType<typeof read<ReturnType<typeof readCustomer>>> =>
    read(
      "customers",
      ["customer_id,name,email,phone,parent_id,aliases", ...lines, ""].join("\n"),
      readCustomer,
    );

  it("have their other names each by itself, and nothing where nothing is said", () => {
    expect(
      customers("C1,Alder Lane Pottery School,office@alder.example,555-0100,,Alder Lane; ALPS")
        .rows,
    ).toMatchObject([
      {
        line: 2,
        externalId: "C1",
        name: "Alder Lane Pottery School",
        email: "office@alder.example",
        phone: "555-0100",
        parentId: null,
        aliases: ["Alder Lane", "ALPS"],
      },
    ]);
    expect(customers("C2,Heron Point Studio,,,,").rows).toMatchObject([
      { email: null, phone: null, parentId: null, aliases: [] },
    ]);
  });
  it.each([
    ["no number", ",Heron Point Studio,,,,", ["2 externalId field.empty"]],
    ["no name", "C3,,,,,", ["2 name field.empty"]],
    ["neither", ",,x@y.example,,,", ["2 externalId field.empty", "2 name field.empty"]],
  ])("are refused with %s", (_case, line, refused) =>
    expect(customers(line).refused).toEqual(refused),
  );
});

describe("invoices of a file", () => {
  const HEAD =
    "invoice_number,customer_id,issued_on,due_on,currency,total,balance,tax,terms,po_number,description";
  const invoices = (
    line: string,
    more: Partial<MappingSpec> = {},
  ): ReturnType<typeof read<ReturnType<typeof readInvoice>>> =>
    read("invoices", [HEAD, line, ""].join("\n"), readInvoice, more);

  it.each([
    ["its own", "20401,C1,2026-11-02,2026-12-10,USD,100,100,0,n/30,,", "2026-12-10"],
    ["by its terms", "20401,C1,2026-11-02,,USD,100,100,0,n/30,,", "2026-12-02"],
    ["by terms with a discount", "20401,C1,2026-11-02,,USD,100,100,0,2/10 n/45,,", "2026-12-17"],
    ["the day of issue without terms", "20401,C1,2026-11-02,,USD,100,100,0,,,", "2026-11-02"],
  ])("have a due day: %s", (_case, line, dueOn) =>
    expect(invoices(line).rows).toMatchObject([{ dueOn }]),
  );

  it("are open with their total where no balance is said, and free of tax where none is", () => {
    expect(invoices("20401,C1,2026-11-02,,,864.50,,,,PO 12,Stoneware").rows).toMatchObject([
      {
        number: "20401",
        customerId: "C1",
        currency: USD,
        total: 86_450,
        balance: 86_450,
        tax: 0,
        terms: null,
        poNumber: "PO 12",
        description: "Stoneware",
      },
    ]);
  });
  it("may be credit notes, below zero with what is left of them", () => {
    expect(invoices("CN-9,C1,2026-11-05,2026-11-05,USD,-10.00,-4.00,0,,,").rows).toMatchObject([
      { total: -1000, balance: -400 },
    ]);
  });

  it.each([
    [
      "due before it was issued",
      "1,C1,2026-11-02,2026-11-01,USD,5,5,0,,,",
      ["2 dueOn invoice.due_before_issue"],
    ],
    ["a total of nothing", "1,C1,2026-11-02,,USD,0,0,0,,,", ["2 total invoice.zero"]],
    ["more open than it is for", "1,C1,2026-11-02,,USD,5,6,0,,,", ["2 balance invoice.balance"]],
    ["open on the other side", "1,C1,2026-11-02,,USD,5,-1,0,,,", ["2 balance invoice.balance"]],
    [
      "a credit note open as an invoice",
      "1,C1,2026-11-02,,USD,-5,1,0,,,",
      ["2 balance invoice.balance"],
    ],
    [
      "terms nobody knows",
      "1,C1,2026-11-02,,USD,5,5,0,when it suits,,",
      ["2 terms terms.unreadable"],
    ],
    ["a day that is none", "1,C1,2026-02-30,,USD,5,5,0,,,", ["2 issuedOn day.impossible"]],
    ["no day", "1,C1,,,USD,5,5,0,,,", ["2 issuedOn field.empty"]],
    ["a sum that is none", "1,C1,2026-11-02,,USD,five,,0,,,", ["2 total amount.unreadable"]],
    ["a currency that is none", "1,C1,2026-11-02,,XXQ,5,,0,,,", ["2 currency currency.unknown"]],
    ["one without a rate", "1,C1,2026-11-02,,EUR,5,,0,,,", ["2 currency currency.other"]],
    ["no number", ",C1,2026-11-02,,USD,5,5,0,,,", ["2 number field.empty"]],
    [
      "nothing but commas and one word",
      ",,,,,,,,,,words",
      [
        "2 number field.empty",
        "2 customerId field.empty",
        "2 issuedOn field.empty",
        "2 total field.empty",
      ],
    ],
  ])("are refused with %s", (_case, line, refused) => {
    const found = invoices(line);
    expect(found.refused).toEqual(refused);
    expect(found.rows).toEqual([]);
  });

  it("are refused with a third of a cent, by the mark that the mapping says", () => {
    const line = "1,C1,2026-11-02,,USD,5.005,,0,,,";
    expect(invoices(line, { decimalMark: "." }).refused).toEqual(["2 total amount.digits"]);
  });
  it("may be in a currency that has a rate, and in one without cents to its own digits", () => {
    expect(invoices("1,C1,2026-11-02,,CAD,5.25,,0,,,").rows).toMatchObject([
      { currency: CAD, total: 525 },
    ]);
  });
  it("are read by the order of days and the mark of decimals that the mapping says", () => {
    const line = '1,C1,02.11.2026,,USD,"1.234,56",,0,,,';
    expect(invoices(line, { dayOrder: "dmy", decimalMark: "," }).rows).toMatchObject([
      { issuedOn: "2026-11-02", total: 123_456 },
    ]);
  });
});

describe("lines of a statement", () => {
  const HEAD = "Date,Description,Money out,Money in,Balance";
  const lines = (...rows: string[]): ReturnType<typeof read<ReturnType<typeof readBankLine>>> => {
    const seen = new Map<string, number>();
    return read("bank", [HEAD, ...rows, ""].join("\n"), (row) => readBankLine(row, seen));
  };

  it.each([
    ["money in", "11/18/2026,PAYOUT,,955.35,1955.35", 95_535],
    ["money out", "11/18/2026,PAYROLL,500.00,,1455.35", -50_000],
    ["money out written below zero", "11/18/2026,PAYROLL,-500.00,,1455.35", -50_000],
    ["both", "11/18/2026,NETTED,10.00,30.00,20.00", 2000],
  ])("take %s with its sign", (_case, row, amount) =>
    expect(lines(row).rows).toMatchObject([{ amount }]),
  );
  it("are told apart by how often they came, where all else is the same", () => {
    const row = "11/18/2026,ATM   FEE,2.00,,100.00";
    const ids = lines(row, row).rows.map((line) => line?.externalId);
    expect(new Set(ids).size).toBe(2);
    expect(lines(row).rows[0]?.externalId).toBe(ids[0]);
    expect(lines(row).rows[0]?.description).toBe("ATM FEE");
  });
  it.each([
    ["no sum", "11/18/2026,NOTHING,,,100.00", "2 amount field.empty"],
    ["a sum of nothing", "11/18/2026,NOTHING,,0.00,100.00", "2 amount bank.zero"],
    ["no day", ",NOTHING,,1.00,100.00", "2 postedOn field.empty"],
    ["a balance nobody can read", "11/18/2026,X,,1.00,lots", "2 balance amount.unreadable"],
  ])("are refused with %s", (_case, row, refused) => expect(lines(row).refused).toEqual([refused]));
});

describe("returns and notices of change", () => {
  const HEAD = "record,code,original_trace,trace,date,amount,name,account,correction";
  const returns = (row: string): ReturnType<typeof read<ReturnType<typeof readReturn>>> =>
    read("returns", [HEAD, row, ""].join("\n"), readReturn);

  it("are one or the other by their record or their code", () => {
    const kinds = ["return,R01", "99,r01", "change,C01", "98,C01", ",C05", ",R10"].map(
      (start) => returns(`${start},0001,0002,2026-11-20,5.00,Jo,,`).rows[0]?.kind,
    );
    expect(kinds).toEqual(["return", "return", "change", "change", "change", "return"]);
  });
  it("keep four figures of an account and no more", () => {
    const [row] = returns("return,R01,0001,,2026-11-20,5.00,Jo,000123456789,").rows;
    expect(row).toMatchObject({ lastFour: "6789", trace: "0001 R01", mendBy: "2026-12-01" });
    expect(JSON.stringify(row)).not.toContain("123456789");
  });
  it.each([
    ["a code that is none", "return,X1,0001,,2026-11-20,5.00,,,", "2 code return.code"],
    ["no trace of the debit", "return,R01,,,2026-11-20,5.00,,,", "2 originalTrace field.empty"],
    ["no day", "return,R01,0001,,,5.00,,,", "2 on field.empty"],
  ])("are refused with %s", (_case, row, refused) =>
    expect(returns(row).refused).toEqual([refused]),
  );
});

describe("lines of a remittance advice", () => {
  const HEAD = "trace,paid_on,payer_name,payment amount,invoice_number,amount,discount,currency";
  const advice = (row: string): ReturnType<typeof read<ReturnType<typeof readRemittance>>> =>
    read("remittance", [HEAD, row, ""].join("\n"), readRemittance);

  it("have what was paid on an invoice, and what was taken off it whatever its sign", () => {
    for (const discount of ["2.00", "-2.00"])
      expect(
        advice(`T1,2026-11-20,Brightwater,98.00,20404,98.00,${discount},USD`).rows,
      ).toMatchObject([{ trace: "T1", number: "20404", amount: 9800, discount: 200, total: 9800 }]);
    expect(advice("T1,2026-11-20,,,20404,98.00,,").rows).toMatchObject([
      { discount: 0, total: null, currency: USD },
    ]);
  });
  it.each([
    ["no invoice", "T1,2026-11-20,,,,98.00,,", "2 number field.empty"],
    ["no sum", "T1,2026-11-20,,,20404,,,", "2 amount field.empty"],
    ["no day", "T1,,,,20404,98.00,,", "2 paidOn field.empty"],
  ])("are refused with %s", (_case, row, refused) =>
    expect(advice(row).refused).toEqual([refused]),
  );
});
