import { Random } from "@/practice/random";

/** A line of an account: its day, its sum in cents, what it says. */
export type Line = { readonly day: string; readonly sum: number; readonly words: string };
/** A statement that is true: what it begins with, and its lines. */
export type Statement = { readonly opening: number; readonly lines: readonly Line[] };

const WORDS = [
  "ACH CREDIT HARBOR STREET ARTS",
  "Lee and Co, invoice 1042",
  "RENT ROW STREET WORKSHOP",
  "wire in: Fernhill Studio",
  "deposit",
  "monthly fee",
  "INV-20431 less 2 percent",
];

/** A statement of a month, the same for the same seed. */
export function statementOf(seed: number): Statement {
  const random = new Random(seed);
  const days = Array.from({ length: random.whole(1, 9) }, () => random.whole(1, 28)).sort(
    (a, b) => a - b,
  );
  return {
    opening: random.whole(0, 9_000_000),
    lines: days.map((day) => ({
      day: `2026-11-${String(day).padStart(2, "0")}`,
      sum: random.whole(1, 2_000_000) * (random.chance(0.4) ? -1 : 1),
      words: random.pick(WORDS),
    })),
  };
}

const compact = (day: string): string => day.replaceAll("-", "");
const decimal = (cents: number, mark = "."): string =>
  `${cents < 0 ? "-" : ""}${Math.floor(Math.abs(cents) / 100)}${mark}${String(Math.abs(cents) % 100).padStart(2, "0")}`;
const closing = ({ opening, lines }: Statement): number =>
  lines.reduce((sum, line) => sum + line.sum, opening);

const ofxBody = ({ lines }: Statement, end: (tag: string) => string): string =>
  `<OFX><BANKMSGSRSV1><STMTTRNRS><STMTRS><CURDEF>USD${end("CURDEF")}<BANKACCTFROM><BANKID>011000015${end("BANKID")}<ACCTID>0001234417${end("ACCTID")}</BANKACCTFROM><BANKTRANLIST><DTSTART>20261101${end("DTSTART")}<DTEND>20261130${end("DTEND")}${lines
    .map(
      ({ day, sum, words }, at) =>
        `<STMTTRN><TRNTYPE>OTHER${end("TRNTYPE")}<DTPOSTED>${compact(day)}120000${end("DTPOSTED")}<TRNAMT>${decimal(sum)}${end("TRNAMT")}<FITID>F${at}${end("FITID")}<NAME>${words}${end("NAME")}</STMTTRN>`,
    )
    .join("")}</BANKTRANLIST></STMTRS></STMTTRNRS></BANKMSGSRSV1></OFX>`;

const camtBalance = (code: string, cents: number): string =>
  `<Bal><Tp><CdOrPrtry><Cd>${code}</Cd></CdOrPrtry></Tp><Amt Ccy="USD">${decimal(Math.abs(cents))}</Amt><CdtDbtInd>${cents < 0 ? "DBIT" : "CRDT"}</CdtDbtInd></Bal>`;
const camtOf = (statement: Statement, version: string): string =>
  `<?xml version="1.0" encoding="UTF-8"?>\n<Document xmlns="urn:iso:std:iso:20022:tech:xsd:camt.053.001.${version}"><BkToCstmrStmt><Stmt><Acct><Id><Othr><Id>0001234417</Id></Othr></Id></Acct><FrToDt><FrDtTm>2026-11-01T00:00:00</FrDtTm><ToDtTm>2026-11-30T23:59:59</ToDtTm></FrToDt>${camtBalance("OPBD", statement.opening)}${camtBalance("CLBD", closing(statement))}${statement.lines
    .map(
      ({ day, sum, words }, at) =>
        `<Ntry><Amt Ccy="USD">${decimal(Math.abs(sum))}</Amt><CdtDbtInd>${sum < 0 ? "DBIT" : "CRDT"}</CdtDbtInd><Sts><Cd>BOOK</Cd></Sts><BookgDt><Dt>${day}</Dt></BookgDt><AcctSvcrRef>R${at}</AcctSvcrRef><AddtlNtryInf>${words}</AddtlNtryInf></Ntry>`,
    )
    .join("")}</Stmt></BkToCstmrStmt></Document>`;

/** BAI2 with a group for each day, as its lines have no day of their own. */
function bai2Of(statement: Statement): string {
  const days = [...new Set(statement.lines.map(({ day }) => day))];
  const records = ["01,011000015,KESTREL,261130,0600,1,,,2/"];
  let [running, file] = [statement.opening, 0];
  for (const day of days) {
    const own = statement.lines.filter((line) => line.day === day);
    const after = own.reduce((sum, line) => sum + line.sum, running);
    const control = running + after + own.reduce((sum, line) => sum + Math.abs(line.sum), 0);
    records.push(
      `02,KESTREL,011000015,1,${compact(day).slice(2)},,USD,2/`,
      `03,0001234417,USD,010,${running},,,015,${after},,/`,
      ...own.map(({ sum, words }) => `16,${sum < 0 ? 699 : 399},${Math.abs(sum)},Z,,,${words}`),
      `49,${control},${own.length + 2}/`,
      `98,${control},1,${own.length + 4}/`,
    );
    [running, file] = [after, file + control];
  }
  return [...records, `99,${file},${days.length},${records.length + 1}/`].join("\n");
}

const mark = (cents: number): string => (cents < 0 ? "D" : "C");
const swift = (cents: number): string => decimal(Math.abs(cents), ",");
const mt940Of = (statement: Statement): string =>
  [
    ":20:STMT1",
    ":25:0001234417",
    ":28C:1/1",
    `:60F:${mark(statement.opening)}261101USD${swift(statement.opening)}`,
    ...statement.lines.flatMap(({ day, sum, words }) => [
      `:61:${compact(day).slice(2)}${compact(day).slice(4)}${mark(sum)}${swift(sum)}NTRFNONREF`,
      `:86:${words}`,
    ]),
    `:62F:${mark(closing(statement))}261130USD${swift(closing(statement))}`,
  ].join("\r\n");

/** Every format of a statement, by its name. */
export const FORMATS: Readonly<Record<string, (statement: Statement) => string>> = {
  "OFX 1": (statement) => `OFXHEADER:100\r\nDATA:OFXSGML\r\n\r\n${ofxBody(statement, () => "\n")}`,
  "OFX 2": (statement) =>
    `<?xml version="1.0"?><?OFX OFXHEADER="200"?>${ofxBody(statement, (tag) => `</${tag}>`)}`,
  "camt.053.001.02": (statement) => camtOf(statement, "02"),
  "camt.053.001.08": (statement) => camtOf(statement, "08"),
  BAI2: bai2Of,
  MT940: mt940Of,
};

/** Payment orders with remittance advice, one for each line that came in (ASC X12 820). */
export function advice820(statement: Statement): string {
  const paid = statement.lines.filter(({ sum }) => sum > 0);
  return [
    "ISA*00*          *00*          *ZZ*PRACTICE BANK  *ZZ*KESTREL ROW    *261130*0600*U*00401*000000001*0*P*>",
    "GS*RA*PRACTICE BANK*KESTREL ROW*20261130*0600*1*X*004010",
    ...paid.flatMap(({ day, sum }, at) => [
      `ST*820*000${at + 1}`,
      [
        "BPR",
        "C",
        decimal(sum),
        "C",
        "ACH",
        "CTX",
        ...Array<string>(10).fill(""),
        compact(day),
      ].join("*"),
      `TRN*1*T-${at}`,
      "N1*PR*HARBOR STREET ARTS",
      `RMR*IV*${1000 + at}**${decimal(sum)}`,
      `SE*6*000${at + 1}`,
    ]),
    `GE*${paid.length}*1`,
    "IEA*1*000000001",
    "",
  ].join("~");
}
