import { formatOf, type Table } from ".";

/** The cells of a table by the heads of the agreed layout, empty ones left out. */
const rowsOf = (text: string): Record<string, string>[] => {
  const read = formatOf(text).read(text);
  if (!read.ok) throw new Error(JSON.stringify(read.error));
  return asRows(read.value);
};
const asRows = ({ headers, rows }: Table): Record<string, string>[] =>
  rows.map(({ cells }) =>
    Object.fromEntries(
      headers.flatMap((head, at) => (cells[at] ? [[head, cells[at] ?? ""] as const] : [])),
    ),
  );
const errorOf = (text: string): string => {
  const read = formatOf(text).read(text);
  return read.ok ? "read" : read.error.code;
};
const tableOf = (text: string): Table => {
  const read = formatOf(text).read(text);
  if (!read.ok) throw new Error(read.error.code);
  return read.value;
};

/** ISO 20022 camt.053.001.08 (message definition; made-up data): prefix, a batch with details, a pending entry. */
const CAMT053 = `<?xml version="1.0" encoding="UTF-8"?>
<d:Document xmlns:d="urn:iso:std:iso:20022:tech:xsd:camt.053.001.08"><d:BkToCstmrStmt><d:Stmt>
<d:Bal><d:Tp><d:CdOrPrtry><d:Cd>OPBD</d:Cd></d:CdOrPrtry></d:Tp><d:Amt Ccy="USD">1000.00</d:Amt><d:CdtDbtInd>CRDT</d:CdtDbtInd></d:Bal>
<d:Bal><d:Tp><d:CdOrPrtry><d:Cd>CLBD</d:Cd></d:CdOrPrtry></d:Tp><d:Amt Ccy="USD">1260.00</d:Amt><d:CdtDbtInd>CRDT</d:CdtDbtInd></d:Bal>
<d:Ntry><d:Amt Ccy="USD">300.00</d:Amt><d:CdtDbtInd>CRDT</d:CdtDbtInd><d:Sts><d:Cd>BOOK</d:Cd></d:Sts><d:BookgDt><d:Dt>2026-11-03</d:Dt></d:BookgDt><d:AcctSvcrRef>R1</d:AcctSvcrRef>
<d:NtryDtls><d:TxDtls><d:Refs><d:EndToEndId>E-1</d:EndToEndId></d:Refs><d:Amt Ccy="USD">100.00</d:Amt><d:RltdPties><d:Dbtr><d:Pty><d:Nm>Ann Lee</d:Nm></d:Pty></d:Dbtr></d:RltdPties><d:RmtInf><d:Ustrd>invoice 1042</d:Ustrd></d:RmtInf></d:TxDtls>
<d:TxDtls><d:Amt Ccy="USD">200.00</d:Amt><d:RmtInf><d:Strd><d:CdtrRefInf><d:Ref>RF18539007547034</d:Ref></d:CdtrRefInf></d:Strd></d:RmtInf></d:TxDtls></d:NtryDtls></d:Ntry>
<d:Ntry><d:Amt Ccy="USD">40.00</d:Amt><d:CdtDbtInd>DBIT</d:CdtDbtInd><d:Sts><d:Cd>BOOK</d:Cd></d:Sts><d:BookgDt><d:DtTm>2026-11-04T08:00:00</d:DtTm></d:BookgDt><d:AddtlNtryInf>Account fee</d:AddtlNtryInf></d:Ntry>
<d:Ntry><d:Amt Ccy="USD">9.00</d:Amt><d:CdtDbtInd>CRDT</d:CdtDbtInd><d:Sts><d:Cd>PDNG</d:Cd></d:Sts><d:BookgDt><d:Dt>2026-11-05</d:Dt></d:BookgDt></d:Ntry>
</d:Stmt></d:BkToCstmrStmt></d:Document>`;

const statement = (way: string, details: string): string =>
  `<Document xmlns="urn:iso:std:iso:20022:tech:xsd:camt.053.001.02"><BkToCstmrStmt><Stmt><StmtPgntn><PgNb>2</PgNb><LastPgInd>false</LastPgInd></StmtPgntn><Ntry><Amt Ccy="USD">150.00</Amt><CdtDbtInd>${way}</CdtDbtInd><Sts>BOOK</Sts><BookgDt><Dt>2026-11-03</Dt></BookgDt><NtryDtls><TxDtls>${details}</TxDtls></NtryDtls></Ntry></Stmt></BkToCstmrStmt></Document>`;

describe("camt.053 and camt.054 (ISO 20022, bank to customer cash management)", () => {
  it("makes a line of each entry, and of each detail of a batch that adds up to it", () => {
    expect(rowsOf(CAMT053)).toEqual([
      {
        id: "R1/1",
        posted_on: "2026-11-03",
        amount: "100.00",
        currency: "USD",
        description: "Ann Lee invoice 1042 E-1",
      },
      {
        id: "R1/2",
        posted_on: "2026-11-03",
        amount: "200.00",
        currency: "USD",
        description: "RF18539007547034",
      },
      { posted_on: "2026-11-04", amount: "-40.00", currency: "USD", description: "Account fee" },
      { posted_on: "2026-11-05", amount: "9.00", currency: "USD" },
    ]);
    expect(tableOf(CAMT053)).toMatchObject({
      kind: "bank",
      aside: [{ line: 4, mark: "not_yet" }],
      off: null,
      proofs: ["opening 1000.00 and 2 lines come to the closing 1260.00"],
    });
  });
  it("says what does not add up", () => {
    expect(tableOf(CAMT053.replace("1260.00", "1261.00")).off).toBe(
      "opening 1000.00 and 2 lines come to 1260.00, and the file says 1261.00",
    );
  });
  it("holds pages of one statement together by the balance between them (ITBD), and notices one that is missing", () => {
    const balance = (code: string, sum: string): string =>
      `<Bal><Tp><CdOrPrtry><Cd>${code}</Cd></CdOrPrtry></Tp><Amt Ccy="USD">${sum}</Amt><CdtDbtInd>CRDT</CdtDbtInd></Bal>`;
    const page = (balances: string): string =>
      /<Stmt>.*<\/Stmt>/.exec(statement("CRDT", ""))?.[0].replace("<Ntry>", `${balances}<Ntry>`) ??
      "";
    const pages = (next: string): string =>
      statement("CRDT", "").replace(
        /<Stmt>.*<\/Stmt>/,
        page(balance("OPBD", "10.00") + balance("ITBD", "160.00")) +
          page(balance("ITBD", next) + balance("ITBD", "310.00")),
      );
    expect(tableOf(pages("160.00"))).toMatchObject({
      off: null,
      proofs: expect.arrayContaining([
        "opening 10.00 and 1 lines come to the closing 160.00",
        "opening 160.00 and 1 lines come to the closing 310.00",
      ]) as unknown,
    });
    expect(tableOf(pages("161.00")).off).toBe(
      "opening 161.00 and 1 lines come to 311.00, and the file says 310.00",
    );
  });
  it("reads a notice as remittance, in the older shape of names and states", () => {
    const notice = `<Document xmlns="urn:iso:std:iso:20022:tech:xsd:camt.054.001.02"><BkToCstmrDbtCdtNtfctn><Ntfctn><Ntry><Amt Ccy="USD">150.00</Amt><CdtDbtInd>CRDT</CdtDbtInd><Sts>BOOK</Sts><BookgDt><Dt>2026-11-03</Dt></BookgDt><NtryDtls><TxDtls><Refs><EndToEndId>E-9</EndToEndId></Refs><RltdPties><Dbtr><Nm>Harbor Street Arts</Nm></Dbtr></RltdPties><RmtInf><Strd><RfrdDocInf><Nb>1042</Nb></RfrdDocInf><RfrdDocAmt><RmtdAmt Ccy="USD">150.00</RmtdAmt></RfrdDocAmt></Strd></RmtInf></TxDtls></NtryDtls></Ntry></Ntfctn></BkToCstmrDbtCdtNtfctn></Document>`;
    expect(rowsOf(notice)).toEqual([
      {
        trace: "E-9",
        paid_on: "2026-11-03",
        payer_name: "Harbor Street Arts",
        total: "150.00",
        invoice_number: "1042",
        amount: "150.00",
        currency: "USD",
      },
    ]);
  });
  it("names the other side, on whose behalf it is, and the page that it is", () => {
    const said = (way: string, details: string): (string | undefined)[] =>
      rowsOf(statement(way, details)).map(({ description }) => description);
    const parties =
      "<RltdPties><Dbtr><Nm>Ada</Nm></Dbtr><UltmtDbtr><Nm>Bo Ltd</Nm></UltmtDbtr><Cdtr><Nm>Kiln Supply</Nm></Cdtr></RltdPties>";
    expect(said("CRDT", parties)).toEqual(["Ada Bo Ltd"]);
    expect(said("DBIT", parties)).toEqual(["Kiln Supply"]);
    expect(said("DBIT", `<RtrInf/>${parties}`)).toEqual(["Ada Bo Ltd"]);
    expect(tableOf(statement("CRDT", "")).proofs).toEqual([
      "this is page 2 of the statement, and more follow",
    ]);
  });
  it("splits a batch by what was ordered where that comes to it, and names what is added to references", () => {
    const part = (sum: string): string =>
      `<TxDtls><AmtDtls><InstdAmt><Amt Ccy="USD">${sum}</Amt></InstdAmt></AmtDtls><RmtInf><Strd><AddtlRmtInf>order ${sum}</AddtlRmtInf></Strd></RmtInf></TxDtls>`;
    const saidBy = (...sums: string[]): unknown =>
      rowsOf(statement("CRDT", "").replace(/<TxDtls>.*<\/TxDtls>/, sums.map(part).join(""))).map(
        ({ amount, description }) => [amount, description],
      );
    expect(saidBy("50.00", "100.00")).toEqual([
      ["50.00", "order 50.00"],
      ["100.00", "order 100.00"],
    ]);
    expect(saidBy("50.00", "102.00")).toEqual([["150.00", "order 50.00 order 102.00"]]);
  });
  it("gives a sum that several documents share to none of them", () => {
    const shared = statement(
      "CRDT",
      '<RmtInf><Strd><RfrdDocInf><Nb>1</Nb></RfrdDocInf><RfrdDocInf><Nb>2</Nb></RfrdDocInf><RfrdDocAmt><RmtdAmt Ccy="USD">150.00</RmtdAmt></RfrdDocAmt></Strd></RmtInf>',
    )
      .replace("camt.053", "camt.054")
      .replace(/BkToCstmrStmt/g, "BkToCstmrDbtCdtNtfctn")
      .replace(/<(\/?)Stmt>/g, "<$1Ntfctn>");
    expect(rowsOf(shared).map(({ invoice_number: number, amount }) => [number, amount])).toEqual([
      ["1", undefined],
      ["2", undefined],
    ]);
  });
  it("refuses a document type, and other XML by its name", () => {
    const doctype = CAMT053.replace(
      "<d:Document",
      '<!DOCTYPE x [<!ENTITY a SYSTEM "file:///etc/passwd">]><d:Document',
    );
    expect(errorOf(doctype)).toBe("xml.doctype");
  });
});

describe("OFX 1.x and 2.x (OFX 2.2)", () => {
  const lines = (close: (tag: string) => string): string =>
    `<OFX><BANKMSGSRSV1><STMTTRNRS><STMTRS><CURDEF>USD${close("CURDEF")}<BANKTRANLIST>` +
    `<STMTTRN><TRNTYPE>CREDIT${close("TRNTYPE")}<DTPOSTED>20261103235959.000[-5:EST]${close("DTPOSTED")}<TRNAMT>1200,50${close("TRNAMT")}<FITID>007${close("FITID")}<NAME>LEE &amp; CO${close("NAME")}<MEMO>inv 1042${close("MEMO")}</STMTTRN>` +
    `<STMTTRN><TRNTYPE>CHECK${close("TRNTYPE")}<DTPOSTED>20261104${close("DTPOSTED")}<TRNAMT>-300.00${close("TRNAMT")}<FITID>F2${close("FITID")}<CHECKNUM>1042${close("CHECKNUM")}</STMTTRN>` +
    `</BANKTRANLIST></STMTRS></STMTTRNRS></BANKMSGSRSV1></OFX>`;
  const wanted = [
    {
      id: "007",
      posted_on: "2026-11-03",
      amount: "1200.50",
      currency: "USD",
      description: "LEE & CO inv 1042",
    },
    {
      id: "F2",
      posted_on: "2026-11-04",
      amount: "-300.00",
      currency: "USD",
      description: "check 1042",
    },
  ];
  it("reads elements that have no end, as SGML, and ones that have, as XML", () => {
    expect(rowsOf(`OFXHEADER:100\r\nDATA:OFXSGML\r\n\r\n${lines(() => "\n")}`)).toEqual(wanted);
    expect(rowsOf(`<?OFX OFXHEADER="200"?>${lines((tag) => `</${tag}>`)}`)).toEqual(wanted);
  });
  it("takes nothing of a file that was cut", () => {
    expect(errorOf(lines(() => "\n").slice(0, -10))).toBe("ofx.broken");
  });
});

describe("BAI2 (cash management balance reporting, version 2)", () => {
  const FILE = [
    "01,122099999,123456789,261103,0200,1,,,2/",
    "02,031001234,122099999,1,261102,,USD,2/",
    "03,0123456789,USD,010,500000,,,015,612345,,/",
    "16,165,150000,V,261103,,REF1,CUST1,ACH CREDIT LEE/CO",
    "88,INV 1042",
    "16,475,37655,0,,,CHECK PAID",
    "49,1300000,5/",
    "98,1300000,1,7/",
    "99,1300000,1,9/",
  ].join("\r\n");
  it("joins what is continued, takes signs from the codes, and checks every total", () => {
    expect(rowsOf(FILE)).toEqual([
      {
        account: "6789",
        posted_on: "2026-11-02",
        amount: "1500.00",
        currency: "USD",
        description: "ACH CREDIT LEE/CO INV 1042 REF1 CUST1",
      },
      {
        account: "6789",
        posted_on: "2026-11-02",
        amount: "-376.55",
        currency: "USD",
        description: "CHECK PAID",
      },
    ]);
    expect(tableOf(FILE).proofs).toEqual([
      "its control totals are what its records add up to",
      "opening 5000.00 and 2 lines come to the closing 6123.45",
    ]);
  });
  it("says where a type code tells neither in nor out, as a bank's own do; without a sum it says nothing", () => {
    const own = FILE.replace("16,475,37655", "16,905,37655");
    expect(tableOf(own).off).toBe(
      "line 6 has the type 905, which does not say whether money came or went; it is left out",
    );
    expect(rowsOf(own)).toHaveLength(1);
    const note = FILE.replace("49,1300000,5/", "16,890,0,0,,,NOTE\r\n49,1300000,6/")
      .replace("98,1300000,1,7/", "98,1300000,1,8/")
      .replace("99,1300000,1,9/", "99,1300000,1,10/");
    expect(tableOf(note).off).toBeNull();
  });
  it("refuses one whose total is off, and one that was cut", () => {
    expect(errorOf(FILE.replace("49,1300000", "49,1300001"))).toBe("bai2.control");
    expect(errorOf(FILE.split("\r\n").slice(0, 7).join("\n"))).toBe("bai2.broken");
  });
});

describe("MT940 (SWIFT, category 9)", () => {
  const FILE = [
    "{1:F01AAAABB99AXXX0000000000}{2:I940AAAABB99XXXXN}{4:",
    ":20:STMT1",
    ":25:123",
    ":28C:1/1",
    ":60F:C261231USD1000,",
    ":61:2701020101CR1250,5NTRFNONREF//B77",
    ":86:166?00CREDIT?20inv 10?2142 and 1043?32LEE AND?33 CO",
    ":61:270103D50,NCHGFEE1",
    ":86:monthly fee",
    ":61:270103RC10,NTRF1",
    ":62F:C270103USD2190,5",
    "-}",
  ].join("\r\n");
  it("reads days, marks, commas, and the words of both kinds of :86:", () => {
    expect(rowsOf(FILE.replace("CR1250,5", "C1250,5"))).toEqual([
      {
        account: "123",
        posted_on: "2027-01-01",
        amount: "1250.50",
        currency: "USD",
        description: "LEE AND CO inv 1042 and 1043 B77",
      },
      {
        account: "123",
        posted_on: "2027-01-03",
        amount: "-50.00",
        currency: "USD",
        description: "monthly fee FEE1",
      },
      {
        account: "123",
        posted_on: "2027-01-03",
        amount: "-10.00",
        currency: "USD",
        description: "1",
      },
    ]);
    expect(tableOf(FILE)).toMatchObject({ off: null });
  });
  it("reads what stands behind codes between strokes", () => {
    const wordsOf = (text: string): string | undefined =>
      rowsOf(FILE.replace("monthly fee", text))[1]?.description;
    const coded = "/EREF/E2E1//CNTP/US1/BANKUS/ADA POTTERY/OHIO//REMI/USTD//INV 50001/";
    expect(wordsOf(coded)).toBe("ADA POTTERY INV 50001 E2E1 FEE1");
    expect(wordsOf("/ORDP//NAME/BO LTD/REMI/INV 7/8")).toBe("BO LTD INV 7/8 FEE1");
    expect(wordsOf("/MARF/M1/")).toBe("/MARF/M1/ FEE1");
    expect(wordsOf("PAID /REMI/ 7")).toBe("PAID /REMI/ 7 FEE1");
  });
  it("says where a statement does not go on from the one before, in whichever order they stand", () => {
    const next = (opening: string, closing: string): string =>
      FILE.replace("C270103USD2190,5", closing).replace("C261231USD1000,", opening);
    const follows = next("C270103USD2190,5", "C270103USD3381,");
    expect(tableOf(`${FILE}\n${follows}`).off).toBeNull();
    expect(tableOf(`${follows}\n${FILE}`).off).toBeNull();
    const apart = next("C270103USD2200,5", "C270103USD3391,");
    expect(tableOf(`${FILE}\n${apart}`).off).toContain("closes with 2190.50");
  });
  it("refuses a line that is none, and a statement without its end", () => {
    expect(errorOf(FILE.replace("270103D50,", "270103X50,"))).toBe("mt940.line");
    expect(errorOf(FILE.replace(/:62F:.*/, ""))).toBe("mt940.broken");
  });
});

describe("X12 820 and what credits of an ACH file carry", () => {
  const SET = [
    "ST*820*0001",
    "BPR*C*290.00*C*ACH*CTX***********20261103",
    "TRN*1*T-55",
    "N1*PR*HARBOR STREET ARTS",
    "ENT*1",
    "RMR*IV*1042**150.00*160.00*10.00",
    "RMR*IV*1043**140.00*140.00",
    "SE*8*0001",
  ].join("~");
  it("makes a row of each document, with its discount (the example of RMR is published)", () => {
    expect(rowsOf(`${SET}~`)).toEqual([
      {
        trace: "T-55",
        paid_on: "2026-11-03",
        payer_name: "HARBOR STREET ARTS",
        total: "290.00",
        invoice_number: "1042",
        amount: "150.00",
        discount: "10.00",
      },
      {
        trace: "T-55",
        paid_on: "2026-11-03",
        payer_name: "HARBOR STREET ARTS",
        total: "290.00",
        invoice_number: "1043",
        amount: "140.00",
      },
    ]);
    expect(tableOf(`${SET}~`).off).toBeNull();
    expect(tableOf(`${SET}~`.replace("290.00*C", "291.00*C")).off).toContain("290.00");
    expect(errorOf(`${SET}~`.replace("SE*8", "SE*9"))).toBe("x820.count");
    expect(errorOf(SET.slice(0, 150))).toBe("x820.cut");
  });
  it("joins the addenda of a CTX without trimming, and names the sender by its batch (Nacha file format)", () => {
    const payload =
      "ST*820*0001\\RMR*IV*1042**150.00*160.00*10.00\\RMR*IV*1043**140.00\\SE*4*0001\\";
    const addenda = (payload.match(/.{1,80}/g) ?? []).map(
      (part, at) => `705${part.padEnd(80)}${String(at + 1).padStart(4, "0")}0000001`,
    );
    const entry =
      "622123456780123456789012345670000029000IDENT          0002HARBOR STREET AR  1091000010000001".slice(
        0,
        94,
      );
    const file = [
      "101 091000019 1234567802611030200A094101".padEnd(94),
      "5220HARBOR STREET A                     1234567890CTXPAYMENT         261103   1091000010000001".padEnd(
        94,
      ),
      entry,
      ...addenda,
      `8220${String(1 + addenda.length).padStart(6, "0")}`.padEnd(94),
      `9000001000001${String(1 + addenda.length).padStart(8, "0")}0012345678000000000000000000029000`.padEnd(
        94,
      ),
    ].join("\n");
    expect(
      rowsOf(file).map(({ invoice_number, amount, discount, total, payer_name }) => [
        invoice_number,
        amount,
        discount,
        total,
        payer_name,
      ]),
    ).toEqual([
      ["1042", "150.00", "10.00", "290.00", "HARBOR STREET A"],
      ["1043", "140.00", undefined, "290.00", "HARBOR STREET A"],
    ]);
  });
});

describe("any of them, cut anywhere or with a byte changed", () => {
  it("is read, or refused with its reason; nothing is thrown", () => {
    for (let cut = 0; cut < CAMT053.length; cut += 1)
      expect(typeof errorOf(CAMT053.slice(0, cut))).toBe("string");
    for (let cut = 100; cut < CAMT053.length - 12; cut += 1)
      expect(errorOf(CAMT053.slice(0, cut))).not.toBe("read");
  });
});
