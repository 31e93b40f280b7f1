import { returnFile } from "../../../tests/support/nacha";
import { formatOf } from ".";

/** Numbers of accounts as nobody may keep them; both end in digits that may be kept. */
const OWN = "0012345674417";
const OTHER = "9988776655";

const kept = (text: string): string => formatOf(text).masked(text);

const OFX = `<OFX><STMTRS><CURDEF>USD<BANKACCTFROM><BANKID>026009593<ACCTID>${OWN}<ACCTKEY>${OTHER}</BANKACCTFROM><BANKTRANLIST><STMTTRN><TRNTYPE>XFER<DTPOSTED>20261103<TRNAMT>5.00<FITID>7<BANKACCTTO><BANKID>1<ACCTID>${OTHER}</BANKACCTTO><NAME>X</STMTTRN></BANKTRANLIST></STMTRS></OFX>`;

const camt = (prefix: string): string =>
  `<Document xmlns="urn:iso:std:iso:20022:tech:xsd:camt.053.001.08"><BkToCstmrStmt><Stmt><Acct x="1"><Id><Othr><Id>${OWN}</Id></Othr></Id></Acct><Ntry><Amt Ccy="USD">150.00</Amt><CdtDbtInd>CRDT</CdtDbtInd><Sts><Cd>BOOK</Cd></Sts><BookgDt><Dt>2026-11-03</Dt></BookgDt><NtryDtls><TxDtls><RltdPties><Dbtr><Pty><Nm>Ada</Nm></Pty></Dbtr><DbtrAcct><Id><Othr><Id>
  ${OTHER}</Id></Othr></Id></DbtrAcct></RltdPties><RmtInf><Ustrd>DE89370400440532013000 INV 2041</Ustrd></RmtInf></TxDtls></NtryDtls></Ntry></Stmt></BkToCstmrStmt></Document>`
    .replace(/<(\/?)([A-Z])/g, `<$1${prefix}$2`)
    .replace("xmlns=", prefix === "" ? "xmlns=" : `xmlns:${prefix.slice(0, -1)}=`);

const MT940 = [
  ":20:A",
  `:25:026009593/${OWN}USD`,
  ":28C:1",
  ":60F:C261102USD0,",
  ":61:2611031103C150,NTRFNONREF//B77",
  `:86:166?00CREDIT?20inv 1042?31${OTHER.slice(0, 5)}`,
  `${OTHER.slice(5)}?32ADA`,
  ":61:2611031103C5,NTRFNONREF",
  `:86:/CNTP/${OTHER}/BANKUS/ADA POTTERY/REMI/INV 7/`,
  ":62F:C261103USD155,",
  "-",
].join("\r\n");

const BAI2 = [
  "01,122099999,123456789,261103,0200,1,,,2/",
  "02,031001234,122099999,1,261102,,USD,2/",
  `03,${OWN},USD,010,500000,,,015,650000,,/`,
  "16,165,150000,V,261103,,REF1,CUST1,ACH CREDIT",
  "49,1300000,3/",
  "98,1300000,1,5/",
  "99,1300000,1,7/",
].join("\n");

const SET = `ST*820*0001~BPR*C*150.00*C*ACH*CTX*01*026009593*DA*${OTHER}*1234567890**01*122099999*DA*${OWN}*20261103~TRN*1*T-55~RMR*IV*1042**150.00~SE*5*0001~`;

const UBL = `<Invoice xmlns="urn:oasis:names:specification:ubl:schema:xsd:Invoice-2"><PaymentMeans><PayeeFinancialAccount><ID schemeID="ACCT">${OWN}</ID></PayeeFinancialAccount></PaymentMeans></Invoice>`;

describe("what is kept of a file has no account number whole, and reads the same", () => {
  it.each<[string, string]>([
    ["OFX", OFX],
    ["camt.053", camt("")],
    ["camt.053 under a prefix", camt("d:")],
    ["MT940, with one that goes on in the next line", MT940],
    ["BAI2", BAI2],
    ["X12 820", SET],
    [
      "a statement as CSV",
      `Date,Account Number,Description,Debit,Credit,Balance\n2026-11-03,${OWN},ADA,,150.00,150.00\n`,
    ],
    [
      "a list that names banks",
      `Id;Payer's account;BIC;Amount;Date\n1;"${OTHER}";X;5,00;2026-11-03\n2;"
Payer 9988776655
";Y;6,00;2026-11-04\n`,
    ],
    [
      "quotes that open nothing, quotes within quotes, and an empty quoted cell",
      `Id,Date,Description,Account No,Debit,Credit\n10000001,2026-11-03,12" pots,${OWN},5.00,\n10000002,2026-11-03,"""big"" one, ""well""",${OWN},5.00,\n10000003,2026-11-03,"",${OWN},5.00,\n`,
    ],
    [
      "heads of another language",
      `Buchungstag;Valuta;Référence;Numéro de compte;Betrag\n03.11.2026;03.11.2026;x;${OWN};5,00\n`,
    ],
    [
      "a line above a statement that names it among other words",
      `Account: Business Checking ${OWN}\nStatement of account 2026-11-01 to 2026-11-30\n\nDate,Description,Amount,Running balance\n2026-11-03,ADA,150.00,150.00\n`,
    ],
    [
      "lines above a statement",
      `Account Number,"${OWN}"\nDate,Description,Amount\n2026-11-03,ADA,150.00\n`,
    ],
  ])("%s", (_name, text) => {
    const left = kept(text);
    const bare = left.replace(/[^0-9A-Za-z]/g, "");
    for (const number of [OWN, OTHER, "DE89370400440532013000", "370400440532013000"])
      expect(bare).not.toContain(number);
    expect(left).toMatch(/4417|6655/);
    expect(left.split("\n")).toHaveLength(text.split("\n").length);
    // Words of people are masked where they are read as well.
    const { read } = formatOf(text);
    const withoutWords = (from: string): string =>
      JSON.stringify(read(from)).replace(
        /account ending in |ending in |xx+|DE8937040044053201|001234567|998877(?=6655)/g,
        "",
      );
    expect(withoutWords(left)).toBe(withoutWords(text));
  });
  it("UBL", () => expect(kept(UBL)).toBe(UBL.replace("001234567", "xxxxxxxxx")));
  it("an ACH file, with line breaks and without, and what its addenda carry from one to the next", () => {
    const file = returnFile([
      { code: "R01", originalTrace: "1", trace: "2", cents: 100, name: "A", account: OTHER },
    ]);
    const words = `BPR*C*1.00*C*ACH*CTX*01*026009593*DA*1*1234567890**01*122099999*DA*${OWN}*20261103~card 4111111111111111~`;
    const addenda = (words.match(/.{1,80}/g) ?? []).map(
      (part, at) => `705${part.padEnd(80)}${String(at + 1).padStart(4, "0")}0000001`,
    );
    const whole = [...file.split("\n").slice(0, 4), ...addenda];
    for (const between of ["\n", "\r\n", ""]) {
      const left = kept(whole.join(between));
      expect(left).toHaveLength(whole.join(between).length);
      const joined = left.replace(/[\r\n]/g, "").replace(/00010000001705/g, "");
      expect(joined).not.toMatch(new RegExp(`${OWN}|${OTHER}|4111111111111111`));
      expect(joined).toContain("xxxxxxxxx4417");
      expect(joined).toContain("xxxxxxxxxxxx1111");
    }
  });
  it.each<[string, string]>([
    [
      "a customer's number of a ledger",
      `Account Number,Customer,Invoice,Due,Balance\n10023456,Ada,2041,2026-12-01,5.00\n`,
    ],
    [
      "days, ids and sums beside an account",
      `Date,Account,Reference,Debit,Balance\n2026-11-03,Checking,20261103123456,5.00,1234567.89\n`,
    ],
    [
      "a customer's number above and in its account",
      `Customer account 10023456\nAccount Number,Document,Date,Debit,Credit,Balance\n10023456,2041,2026-11-03,5.00,,5.00\n`,
    ],
    ["an account of the chart", `Date,Account,Debit,Credit\n2026-11-03,1200,5.00,\n`],
  ])("%s stays", (_name, text) => expect(kept(text)).toBe(text));
});
