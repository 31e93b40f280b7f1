import { maskedOfx } from "./masked";
import { ofxTable } from "./ofx";

/** A statement of OFX 1 (OFX 2.2, 11.4; made-up data) with a transaction for each sum. */
const statement = (sums: readonly string[], memo = ""): string =>
  `<OFX><STMTRS><CURDEF>USD<BANKTRANLIST>${sums
    .map(
      (sum, at) =>
        `<STMTTRN><TRNTYPE>OTHER<DTPOSTED>20261103<TRNAMT>${sum}<FITID>${at}<MEMO>${memo}</STMTTRN>`,
    )
    .join("")}</BANKTRANLIST></STMTRS></OFX>`;

const sumsOf = (sums: readonly string[]): string[] => {
  const read = ofxTable(statement(sums));
  if (!read.ok) throw new Error(read.error.code);
  const at = read.value.headers.indexOf("amount");
  return read.value.rows.map(({ cells }) => cells[at] ?? "");
};

describe("sums of OFX (OFX 2.2, 3.2.9.1: a comma or a point before the decimals)", () => {
  it("writes both with a point where each says which it has", () => {
    expect(sumsOf(["1200,50", "-300.00", "7"])).toEqual(["1200.50", "-300.00", "7"]);
    expect(sumsOf(["1.250,00", "-1,300.00"])).toEqual(["1250.00", "-1300.00"]);
  });
  it("hands them on as they stand where they have one mark, or where one says neither", () => {
    expect(sumsOf(["1.250,00", "-12,50"])).toEqual(["1.250,00", "-12,50"]);
    expect(sumsOf(["1,250", "12,50", "3.00"])).toEqual(["1,250", "12,50", "3.00"]);
  });
  it("takes nothing of a file with a transaction within another: a sign among its words hid its end", () => {
    const read = ofxTable(statement(["1.00", "2.00"], "a<b"));
    expect(read.ok ? "read" : read.error.code).toBe("ofx.broken");
  });
});

describe("OFX 2 as XML (XML 1.0, 2.5 and 2.7)", () => {
  const file = (name: string, more = ""): string =>
    `<OFX><STMTRS><CURDEF>USD</CURDEF><BANKACCTFROM><ACCTID><![CDATA[000123456789]]></ACCTID></BANKACCTFROM><BANKTRANLIST><STMTTRN><TRNTYPE>CREDIT</TRNTYPE><DTPOSTED>20261103</DTPOSTED><TRNAMT>1.00</TRNAMT><FITID>a</FITID><NAME>${name}</NAME></STMTTRN>${more}</BANKTRANLIST></STMTRS></OFX>`;
  it("reads text that is marked as text, and nothing of a comment", () => {
    const hidden =
      "<!-- <STMTTRN><TRNTYPE>CREDIT<DTPOSTED>20261103<TRNAMT>9.00<FITID>b</STMTTRN> -->";
    const read = ofxTable(file("<![CDATA[CARD & PAYOUTS <51>]]>", hidden));
    if (!read.ok) throw new Error(read.error.code);
    expect(read.value.rows).toHaveLength(1);
    expect(read.value.rows[0]?.cells).toContain("CARD & PAYOUTS <51>");
  });
  it("keeps no account number that is marked as text, or stands in a comment", () => {
    const kept = maskedOfx(file("x", "<!-- 000123456789 -->"));
    expect(kept).toContain("6789");
    expect(kept).not.toContain("123456789");
  });
});
