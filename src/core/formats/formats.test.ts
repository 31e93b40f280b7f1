import { stringify } from "csv-stringify/sync";
import fc from "fast-check";

import { type Currency, currencyOf } from "@/core/money";

import { guessRowKind } from "../activity";
import {
  dayInZone,
  decodeText,
  guessMapping,
  type MappingSpec,
  missingFields,
  missingInWords,
  type ProcessorRecord,
  readActivity,
  readBankLine,
  readInvoice,
  readRows,
  readTable,
  type Table,
} from ".";

const USD = currencyOf("USD") as Currency;
const context = { bookCurrency: USD, timeZone: "America/Chicago" };
const table = (text: string): Table => {
  const read = readTable(text);
  if (!read.ok) throw new Error(read.error.code);
  return read.value;
};
const activity = (
  text: string,
  more: Partial<MappingSpec> = {},
): { rows: ProcessorRecord[]; refused: string[] } => {
  const spec = { ...guessMapping(table(text), "processor"), ...more };
  const { rows, refused } = readRows<ProcessorRecord[]>(table(text), spec, context, (row) =>
    readActivity(row, spec),
  );
  return { rows: rows.flat(), refused: refused.map(({ line, error }) => `${line} ${error.code}`) };
};

describe("RFC 4180", () => {
  it("reads quotes doubled, CRLF, embedded commas and line breaks", () => {
    expect(table('name,note\r\n"Alder, Lane","said ""yes""\r\ntwice"\r\n').rows).toEqual([
      { line: 2, cells: ["Alder, Lane", 'said "yes"\r\ntwice'] },
    ]);
  });
  it("reads back what an independent writer writes", () => {
    const cell = fc.string({ unit: fc.constantFrom("a", "1", '"', ",", "\n", " ", "é", ";") });
    fc.assert(
      fc.property(fc.array(fc.tuple(cell, cell), { minLength: 1, maxLength: 8 }), (rows) => {
        fc.pre(rows.every((row) => row.some((name) => name.trim() !== "")));
        expect(
          table(stringify([["first", "second"], ...rows], { quoted: true })).rows.map(
            ({ cells }) => cells,
          ),
        ).toEqual(rows);
      }),
    );
  });
  it("finds semicolons and tabs, and drops a byte order mark", () => {
    expect(table("\ufeffa;b\n1,5;2\n").headers).toEqual(["a", "b"]);
    expect(table("a\tb\n1\t2\n").rows[0]?.cells).toEqual(["1", "2"]);
  });
  it.each<[string, string, string]>([
    ["an empty file", "", "file.empty"],
    ["a header alone", "a,b\n", "file.no_rows"],
    [
      "200 columns",
      `${Array.from({ length: 200 }, (_, at) => `c${at}`).join()}\n1\n`,
      "file.columns",
    ],
    ["an open quote", 'a,b\n"1,2\n', "file.quotes"],
  ])("refuses %s", (_case, text, code) => {
    const read = readTable(text);
    expect(!read.ok && read.error.code).toBe(code);
  });
  it("says on which line the bytes are no text, and knows windows-1252, UTF-16 and what is no text", () => {
    expect(decodeText(Buffer.from([97, 10, 98, 0x81, 10]))).toEqual({
      ok: false,
      error: { code: "file.encoding", line: 2 },
    });
    expect(decodeText(Buffer.from([0x4d, 0xfc, 0x6c, 0x80]))).toEqual({ ok: true, value: "Mül€" });
    expect(decodeText(Buffer.from([0xff, 0xfe, 97, 0]))).toEqual({ ok: true, value: "a" });
    expect(decodeText(Buffer.from([80, 75, 0, 4]))).toMatchObject({
      error: { code: "file.binary" },
    });
  });
});

describe("what a file is, and how its columns are read", () => {
  it("guesses the order of dates and the decimal sign from the cells", () => {
    const spec = guessMapping(
      table("number;customer;date;total\n1;C1;24.11.2026;1.234,56\n2;C1;30.11.2026;9,50\n"),
      "invoices",
    );
    expect([spec.dayOrder, spec.decimalMark, spec.columns.total]).toEqual(["dmy", ",", "total"]);
  });
  it.each([
    ["Payout", "payout"],
    ["chargeback fee", "dispute_fee"],
    ["dispute won", "dispute_won"],
    ["ach return", "ach_return"],
    ["Refund", "refund"],
    ["reserve hold", "reserve"],
    ["sale", "charge"],
    ["gift", undefined],
  ])("“%s” stands for %s", (word, kind) => expect(guessRowKind(word)).toBe(kind));
  it("says which needed columns are missing, as a file calls them", () => {
    expect(missingInWords({ kind: "returns", columns: { code: "Code" } })).toContain(
      "original trace",
    );
    expect(
      missingFields({
        ...guessMapping(table("Date,Words\n1,2\n"), "bank"),
        columns: { postedOn: "Date" },
      }),
    ).toEqual(["description", "amount"]);
  });
});

describe("processor rows in the shapes found in practice", () => {
  it("one row a charge with gross, fee and net: a charge and its fee", () => {
    const { rows } = activity(
      "Id,Type,Date,Gross,Fee,Net,Payout id\nch_1,Charge,11/16/2026,100.00,3.20,96.80,po_1\n",
    );
    expect(rows.map((row) => [row.kind, row.kind === "payout" ? row.net : row.amount])).toEqual([
      ["charge", 10_000],
      ["fee", -320],
    ]);
  });
  it.each([
    ["Gross,Fee", "100.00,3.20"],
    ["Gross,Net", "100.00,96.80"],
    ["Fee,Net", "3.20,96.80"],
  ])("only %s given: the third follows", (columns, cells) => {
    const { rows } = activity(`Id,Type,Date,${columns}\nch_1,Charge,11/16/2026,${cells}\n`);
    expect(rows.map((row) => (row.kind === "payout" ? 0 : row.amount))).toEqual([10_000, -320]);
  });
  it("charge and fee on rows of their own, and a payout row that lists a span", () => {
    const { rows } = activity(
      "Entry id,Entry type,Date,Amount,For charge,From,To\nad_1,ach debit,11/16/2026,100.00,,,\nad_1-f,fee,11/16/2026,-0.80,ad_1,,\npo_9,payout,11/18/2026,-99.20,,11/16/2026,11/17/2026\n",
    );
    expect(rows).toMatchObject([
      { kind: "charge", method: "ach_debit", amount: 10_000 },
      { kind: "fee", amount: -80, relatedId: "ad_1" },
      { kind: "payout", net: 9920, spanFrom: "2026-11-16", spanTo: "2026-11-17" },
    ]);
  });
  it("takes refunds and disputes as what lowers the balance, whichever sign they are written with", () => {
    const written = (sum: string): number[] =>
      activity(`Id,Type,Date,Gross\nrf_1,Refund,11/16/2026,${sum}\n`).rows.map((row) =>
        row.kind === "payout" ? 0 : row.amount,
      );
    expect([written("45.00"), written("-45.00")]).toEqual([[-4500], [-4500]]);
  });
  it("puts a moment in UTC on the day it was in the book's time zone", () => {
    expect(dayInZone(new Date("2026-11-25T03:30:00Z"), "America/Chicago")).toBe("2026-11-24");
    expect(
      activity("Id,Type,Date,Gross\nch_1,Charge,2026-11-25T03:30:00Z,5.00\n").rows[0],
    ).toMatchObject({ occurredOn: "2026-11-24" });
  });
  it.each([
    [
      "a gross less fee that is not net",
      "ch_1,Charge,11/16/2026,100.00,3.20,97.00",
      "2 activity.foot",
    ],
    ["31 February", "ch_1,Charge,02/31/2026,100.00,3.20,96.80", "2 day.impossible"],
    ["1.234,56 among points", 'ch_1,Charge,11/16/2026,"1.234,56",0,"1.234,56"', "2 amount.mark"],
    ["no sum at all", "ch_1,Charge,11/16/2026,,,", "2 activity.no_sum"],
    ["a negative charge", "ch_1,Charge,11/16/2026,-5.00,0,-5.00", "2 activity.charge_sign"],
    ["too many fields", "ch_1,Charge,11/16/2026,5.00,0,5.00,9,9", "2 row.fields"],
  ])("refuses %s with its line", (_case, line, refused) => {
    expect(
      activity(`Id,Type,Date,Gross,Fee,Net\n${line}\n`, { decimalMark: ".", dayOrder: "mdy" })
        .refused,
    ).toContain(refused);
  });
  it("refuses a currency that ISO 4217 does not have, and one that is not the book's", () => {
    expect(
      activity(
        "Id,Type,Date,Currency,Gross\n1,Charge,11/16/2026,XXQ,5.00\n2,Charge,11/16/2026,EUR,5.00\n",
      ).refused,
    ).toEqual(["2 currency.unknown", "3 currency.other"]);
  });
});

describe("bank lines and invoices", () => {
  it("tells equal lines of one day apart by their order, so that an overlapping statement adds nothing", () => {
    const text =
      "Date,Description,Money out,Money in\n11/18/2026,CARD,,5.00\n11/18/2026,CARD,,5.00\n11/19/2026,RENT,7.00,\n";
    const read = (): string[] => {
      const seen = new Map<string, number>();
      return readRows(table(text), guessMapping(table(text), "bank"), context, (row) =>
        readBankLine(row, seen),
      ).rows.map(({ externalId }) => externalId);
    };
    expect(new Set(read()).size).toBe(3);
    expect(read()).toEqual(read());
  });
  it("computes the due day from the terms where it has no column, and refuses balances beyond the total", () => {
    const spec = (text: string): MappingSpec => guessMapping(table(text), "invoices");
    const good = "number,customer,issued_on,total,terms\n1,C1,2026-11-01,10.00,2/10 n/30\n";
    expect(readRows(table(good), spec(good), context, readInvoice).rows[0]).toMatchObject({
      dueOn: "2026-12-01",
      balance: 1000,
    });
    const bad =
      "number,customer,issued_on,due_on,total,balance\n1,C1,2026-11-01,2026-10-01,10.00,12.00\n2,C1,2026-11-01,2026-12-01,0.00,0.00\n";
    expect(
      readRows(table(bad), spec(bad), context, readInvoice).refused.map(
        ({ line, error }) => `${line} ${error.code}`,
      ),
    ).toEqual(["2 invoice.due_before_issue", "2 invoice.balance", "3 invoice.zero"]);
  });
});
