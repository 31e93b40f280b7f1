import type { Day } from "@/core/calendar";
import { formatOf } from "@/core/formats";
import type { Currency } from "@/core/money";

import { columnsOfFile, understand, understoodLines } from "../..";
import type { Answers } from "../../types";

const TODAY = "2026-11-28" as Day;
const CONTEXT = {
  today: TODAY,
  cutOverOn: null,
  currency: "USD" as Currency,
  timeZone: "America/Chicago",
};

function read(text: string, answers: Answers = {}, accountEnds: string | null = null) {
  const table = formatOf(text).read(text);
  if (!table.ok) throw new Error(table.error.code);
  const columns = columnsOfFile(table.value, "bank");
  const file = { table: table.value, kind: "bank" as const, columns, answers };
  const found = understand(file, { ...CONTEXT, accountEnds });
  return {
    keys: found.questions.map(({ key }) => key),
    choices: found.questions.flatMap(({ choices }) => choices.map(({ answer }) => answer)),
    words: found.questions.map(({ words }) => words),
    leftOut: found.leftOut.map(({ line, why }) => `${line} ${why}`),
    sums: understoodLines("bank", found.table, { today: TODAY, currency: "USD" as Currency }).map(
      ({ sum }) => sum,
    ),
  };
}

/** An account's transactions as OFX 2.2 has them: number, days of its span, day and sum of each line. */
const ofxOf = (number: string, span: string, lines: readonly [string, string][]): string =>
  `<STMTTRNRS><STMTRS><CURDEF>USD</CURDEF><BANKACCTFROM><BANKID>011000015</BANKID><ACCTID>${number}</ACCTID></BANKACCTFROM><BANKTRANLIST>${span}${lines
    .map(
      ([day, sum], at) =>
        `<STMTTRN><TRNTYPE>OTHER</TRNTYPE><DTPOSTED>${day}</DTPOSTED><TRNAMT>${sum}</TRNAMT><FITID>${number}-${at}</FITID><NAME>RENT</NAME><BANKACCTTO><ACCTID>99990000</ACCTID></BANKACCTTO></STMTTRN>`,
    )
    .join("\n")}</BANKTRANLIST></STMTRS></STMTTRNRS>`;
const ofx = (...accounts: string[]): string =>
  `OFXHEADER:100\n\n<OFX><BANKMSGSRSV1>\n${accounts.join("\n")}\n</BANKMSGSRSV1></OFX>\n`;
const TWO = ofx(
  ofxOf("1000004417", "", [
    ["20261103", "-5.00"],
    ["20261104", "8.00"],
  ]),
  ofxOf("1000009982", "", [["20261104", "-7.00"]]),
);
const statement = (number: string, sum: string): string =>
  `<Stmt><Acct><Id><IBAN>DE89 3704 0044 0532 01${number}</IBAN></Id></Acct><FrToDt><FrDtTm>2026-11-01T00:00:00</FrDtTm><ToDtTm>2026-11-30T00:00:00</ToDtTm></FrToDt><Ntry><Amt Ccy="USD">${sum}</Amt><CdtDbtInd>CRDT</CdtDbtInd><Sts>BOOK</Sts><BookgDt><Dt>2026-11-03</Dt></BookgDt></Ntry></Stmt>`;
const camt = (...statements: string[]): string =>
  `<Document xmlns="urn:iso:std:iso:20022:tech:xsd:camt.053.001.02"><BkToCstmrStmt>${statements.join("")}</BkToCstmrStmt></Document>`;
const bai2 = [
  "01,BANK,US,261103,0600,1,,,2/",
  "02,US,BANK,1,261103,,USD,2/",
  "03,0001234417,USD,010,1000,,/",
  "16,399,500,,,,RENT/",
  "49,1500,3/",
  "03,0001239982,USD,010,2000,,/",
  "16,399,700,,,,RENT/",
  "49,2700,3/",
  "98,4200,2,8/",
  "99,4200,1,10/",
].join("\n");

describe("a file of several accounts", () => {
  it.each([
    ["OFX", TWO, ["4417", "9982", "all"]],
    [
      "camt.053",
      camt(statement("4417", "5.00"), statement("9982", "7.00")),
      ["4417", "9982", "all"],
    ],
    ["BAI2", bai2, ["4417", "9982", "all"]],
  ])("is asked about: %s", (_, text, choices) => {
    expect(read(text)).toMatchObject({ keys: ["whose"], choices });
  });
  it("is asked about in a list with a column for them, and of one all lines are taken", () => {
    const list = (accounts: readonly string[]): string =>
      `Account,Date,Description,Amount\n${accounts.map((account) => `${account},2026-11-03,RENT PAYROLL,-5.00`).join("\n")}\n`;
    const two = list(["xxx4417", "xxx9982", "xxx4417", "xxx4417", "xxx9982"]);
    expect(read(two).keys).toEqual(["whose"]);
    expect(read(two, { whose: "9982" })).toMatchObject({
      keys: [],
      sums: ["(5.00)", "(5.00)"],
      leftOut: ["2 other_account", "4 other_account", "5 other_account"],
    });
    expect(read(two, { whose: "all" }).sums).toHaveLength(5);
    expect(read(list(["Checking", "Checking"])).keys).toEqual([]);
    // Many different ones are whom it went to.
    const others = Array.from({ length: 8 }, (_, at) => `1111700${at}`);
    expect(read(list(others)).keys).toEqual([]);
    // Few of them may be one's own: that is asked, and so are many where each has many lines.
    expect(read(list(others.slice(0, 4))).keys).toEqual(["whose"]);
    expect(read(list([...others, ...others, ...others])).keys).toEqual(["whose"]);
  });
  it("is read by itself where one of them ends like the book's own", () => {
    expect(read(TWO, {}, "4417")).toMatchObject({
      keys: [],
      sums: ["(5.00)", "8.00"],
      leftOut: ["6 other_account"],
    });
    expect(read(TWO, { whose: "9982" }, "4417").sums).toEqual(["(7.00)"]);
  });
});

describe("a file of one account", () => {
  const one = ofx(ofxOf("1000009982", "", [["20261104", "-7.00"]]));
  it("that ends otherwise than the book's own is asked about", () => {
    expect(read(one).keys).toEqual([]);
    expect(read(one, {}, "9982").keys).toEqual([]);
    expect(read(one, {}, "4417")).toMatchObject({ keys: ["whose"], choices: ["9982"] });
    expect(read(one, { whose: "9982" }, "4417").sums).toEqual(["(7.00)"]);
  });
});

describe("an account that a line above a list names, as its file is kept", () => {
  it.each(["1234567804417", "1234-5678-4417", "12 345 678 44 17", "DE89370400440532013000"])(
    "%s is told by its end, or asked about",
    (number) => {
      const text = `Account: Checking ${number}\nDate,Description,Amount,Balance\n2026-11-03,RENT,-5.00,95.00\n`;
      const kept = formatOf(text).masked(text);
      expect(kept).not.toContain(number);
      const end = number.replace(/\D/g, "").slice(-4);
      expect(read(kept, {}, end).keys).toEqual([]);
      expect(read(kept, {}, "1111").keys).toEqual(["whose"]);
    },
  );
});

describe("the span that a file says", () => {
  const of = (span: string, ...days: string[]): string =>
    ofx(
      ofxOf(
        "1",
        span,
        days.map((day): [string, string] => [day, "-7.00"]),
      ),
    );
  const NOVEMBER = "<DTSTART>20261101</DTSTART><DTEND>20261120</DTEND>";
  it("is that of its lines, a day beside it for other zones, or is asked about", () => {
    expect(read(of(NOVEMBER, "20261031", "20261121")).keys).toEqual([]);
    const off = of(NOVEMBER, "20261005", "20261110");
    expect(read(off)).toMatchObject({
      keys: ["outside"],
      words: [
        "The file says that it is of Sun 1 Nov to Fri 20 Nov; 1 line is of another day (Mon 5 Oct).",
      ],
    });
    expect(read(off, { outside: "leave" })).toMatchObject({ keys: [], sums: ["(7.00)"] });
    expect(read(off, { outside: "take" }).sums).toHaveLength(2);
    expect(read(camt(statement("4417", "5.00").replace("2026-11-03", "2026-10-03"))).keys).toEqual([
      "outside",
    ]);
  });
  it("of one day of which no line is, is the day of the download", () => {
    expect(read(of("<DTSTART>20261127</DTSTART><DTEND>20261127</DTEND>", "20261005")).keys).toEqual(
      [],
    );
  });
  it("above a list tells the order of its days, and which are outside", () => {
    const list = (above: string, ...days: string[]): string =>
      `Operating,,\n${above},,\nDate,Description,Amount\n${days.map((day) => `${day},RENT,-1.00`).join("\n")}\n`;
    expect(read(list("", "02/11/2026", "05/11/2026")).keys).toContain("days");
    expect(read(list("Period: 01/11/2026 - 30/11/2026", "02/11/2026", "05/11/2026")).keys).toEqual(
      [],
    );
    expect(
      read(list("1 November 2026 to 20 November 2026", "02/11/2026", "05/11/2026")).keys,
    ).toEqual([]);
    expect(read(list("Vom 01.11.2026 bis 20.11.2026", "13.10.2026", "14.11.2026")).keys).toEqual([
      "outside",
    ]);
    // Two days that are no span.
    expect(read(list("As of 11/20/2026, printed 11/21/2026", "10/13/2026")).keys).toEqual([]);
  });
});
