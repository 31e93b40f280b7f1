import type { ImportReport } from "@/contracts/arrivals";

import {
  CHARGES,
  CUSTOMERS,
  eachBook,
  INVOICES,
  STATEMENT,
  type TestBook,
} from "../../../tests/support/book";
import { proveBookTrail } from "../books/trail/bookTrail";

let book: TestBook;
eachBook((made) => {
  book = made;
});

const take = (text: string): ImportReport =>
  book.mustTake("processor", text, { mapping: { answers: {} } });
/** The same export with states: what had failed by the time it was made. */
const withStates = (text: string, failed: readonly string[] = []): string =>
  text
    .trim()
    .split("\r\n")
    .map((line, at) => {
      if (at === 0) return `${line},Status`;
      return `${line},${failed.includes(line.split(",")[0] ?? "") ? "failed" : "succeeded"}`;
    })
    .join("\r\n");
const MORE = CHARGES.replace("864.50,25.37,839.13", "870.00,25.53,844.47");
const stands = (report: ImportReport): unknown => ({
  changed: report.changed,
  said: report.refused.map(({ reason }) => reason.split(/[:.,]/, 1)[0]),
});
const items = () =>
  book.db.all<{ kind: string; id: string; amount: number; payout: string | null }>(
    `SELECT i.kind, i.external_id AS id, i.amount, p.external_id AS payout FROM processor_item i
     LEFT JOIN payout p ON p.id = i.payout_id WHERE i.withdrawn = 0 AND i.kind <> 'opening' ORDER BY i.external_id, i.kind`,
  );
const sums = () =>
  book.db.all("SELECT code, balance FROM account_now WHERE balance <> 0 ORDER BY code");

describe("a line that comes again with another sum", () => {
  it("is reversed and posted anew, with its fee, its payout and its receipt", () => {
    take(CHARGES);
    const again = take(MORE);
    expect(again).toMatchObject({ new: 0, known: 2, changed: 1 });
    expect(again.refused.map(({ reason }) => reason)).toEqual([
      expect.stringContaining("another sum, 864.50: what was posted is reversed"),
      expect.stringContaining("another sum, (25.37)"),
    ]);
    expect(items().slice(0, 2)).toEqual([
      { kind: "charge", id: "ch_1", amount: 87_000, payout: "po_1" },
      { kind: "fee", id: "ch_1", amount: -2553, payout: "po_1" },
    ]);
    expect(book.balance("clearing")).toBe(103_661 + 534);
    expect(book.id("receipt", "amount = 87000 AND state = 'to_match'")).toBeGreaterThan(0);
    // The same once more is known; taken back, the book is as before.
    expect(take(MORE)).toMatchObject({ known: 3, changed: 0, refused: [] });
    expect(proveBookTrail(book.db).problem).toBeNull();
  });
  it("is as it was before once the file that changed it is taken back", () => {
    take(CHARGES);
    const before = [sums(), items()];
    const { fileId } = take(MORE);
    expect([sums(), items()]).not.toEqual(before);
    book.must("undoFile", { fileId: fileId ?? 0, rest: false });
    expect([sums(), items()]).toEqual(before);
    expect(proveBookTrail(book.db).problem).toBeNull();
  });
  it("stays as posted, and is said, where its receipt was dealt with or its payout is tied", () => {
    take(CHARGES);
    book.must("setAside", {
      receiptId: book.id("receipt", "amount = 86450"),
      reason: "scrap metal sold",
      as: "income",
    });
    const before = sums();
    const again = take(MORE.replace("25.53,844.47", "25.37,844.63"));
    expect(stands(again)).toEqual({ changed: 1, said: ["Known already with another sum"] });
    expect(again.refused[0]?.reason).toContain("Something rests on what was posted");
    expect(sums()).toEqual(before);
  });
});

describe("a line that comes again with another day", () => {
  const LATER = CHARGES.replace(/^(ch_1,[^,]*,)[^,]*/m, "$111/13/2026");
  const dayOf = () =>
    book.db.all(
      "SELECT DISTINCT occurred_on AS day FROM processor_item WHERE external_id = 'ch_1' AND withdrawn = 0",
    );
  it("is reversed and posted anew, with its fee; taken back, the book is as before", () => {
    take(CHARGES);
    const before = [sums(), items()];
    const [first] = dayOf();
    const again = take(LATER);
    expect(again).toMatchObject({ new: 0, known: 2, changed: 1 });
    expect(again.refused[0]?.reason).toContain("another day");
    expect(dayOf()).toEqual([{ day: "2026-11-13" }]);
    expect(take(LATER)).toMatchObject({ known: 3, changed: 0, refused: [] });
    expect([sums(), items()]).toEqual(before);
    expect(proveBookTrail(book.db).problem).toBeNull();
    book.must("undoFile", { fileId: again.fileId ?? 0, rest: false });
    expect(dayOf()).toEqual([first]);
  });
  it("is known where the export is another: two ways of writing give two days for one line", () => {
    take(CHARGES);
    const other = LATER.replace("Date", "Created").replace("Memo", "Note");
    expect(take(other)).toMatchObject({ known: 3, changed: 0, refused: [] });
  });
});

describe("a line that is no money any more", () => {
  it("is reversed with its fee, and its payout is counted anew", () => {
    take(CHARGES);
    const again = take(withStates(CHARGES, ["ch_2"]));
    expect(stands(again)).toEqual({ changed: 1, said: ["Posted before with 120"] });
    expect(items().map(({ id }) => id)).toEqual(["ch_1", "ch_1", "ch_3", "ch_3"]);
    expect(book.balance("clearing")).toBe(103_661 - 11_622);
    expect(book.db.get("SELECT net FROM payout WHERE external_id = 'po_1'")).toEqual({
      net: 83_913,
    });
    // Told so again, there is nothing left to reverse: the line is left out by its rule.
    expect(take(withStates(CHARGES, ["ch_2"]))).toMatchObject({
      known: 2,
      changed: 0,
      leftOut: [{ line: 3, why: "declined, voided, failed or a trial: no money" }],
    });
  });
  it("stays, and is said, where a refund or a tied payout rests on it", () => {
    take(CHARGES);
    book.mustTake("bank", STATEMENT);
    const before = sums();
    const again = take(withStates(CHARGES, ["ch_2"]));
    expect(again.refused[0]?.reason).toContain("Something rests on it: undo that first");
    expect(sums()).toEqual(before);
  });
  it("that never was in the book is left out as before", () => {
    expect(take(withStates(CHARGES, ["ch_2"]))).toMatchObject({ new: 2, changed: 0, refused: [] });
  });
});

describe("a payout that failed", () => {
  const HEAD = "Id,Type,Date,Gross,Fee,Net,Payer,Email,Memo,Payout id,Original id";
  it("lets its items go, and the next one that names them ties", () => {
    book.mustTake("customers", CUSTOMERS);
    book.mustTake("invoices", INVOICES);
    take(`${CHARGES}po_2,Payout,11/18/2026,-81.26,,-81.26,,,,po_2,\r\n`);
    expect(book.id("payout", "external_id = 'po_2' AND stated_net = 8126")).toBeGreaterThan(0);
    const failed = take(`${HEAD}\r\npo_2,Payout failed,11/19/2026,81.26,,81.26,,,,po_2,\r\n`);
    expect(failed.refused[0]?.reason).toContain("its items wait for the next payout");
    expect(items().filter(({ id }) => id === "ch_3")).toMatchObject([
      { payout: null },
      { payout: null },
    ]);
    expect(book.balance("clearing")).toBe(103_661);
    take(`${CHARGES.replaceAll("po_2", "po_9")}po_9,Payout,11/20/2026,-81.26,,-81.26,,,,po_9,\r\n`);
    book.mustTake("bank", STATEMENT.replace("PO_2", "PO_9"));
    expect(book.balance("clearing")).toBe(0);
    expect(book.id("payout", "external_id = 'po_9' AND state = 'tied'")).toBeGreaterThan(0);
  });
  it("that is tied to the bank is asked about, and nothing moves", () => {
    take(`${CHARGES}po_2,Payout,11/18/2026,-81.26,,-81.26,,,,po_2,\r\n`);
    book.mustTake("bank", STATEMENT);
    const before = sums();
    const failed = take(`${HEAD}\r\npo_2,Payout failed,11/19/2026,81.26,,81.26,,,,po_2,\r\n`);
    expect(stands(failed)).toEqual({ changed: 1, said: ["Posted before with 81"] });
    expect(sums()).toEqual(before);
  });
});

describe("a bank line, or a payout, with another sum", () => {
  const LINE = (sum: string): string =>
    `Transaction id,Date,Description,Amount\r\nt1,11/18/2026,UNKNOWN SENDER,${sum}\r\nt2,11/18/2026,ACH CREDIT BRIGHTWATER UNIF 20404,${sum}\r\n`;
  const bank = (text: string): ImportReport =>
    book.mustTake("bank", text, { mapping: { answers: { signs: "signed" } } });
  const lines = () => book.db.all("SELECT external_id AS id, amount FROM bank_line ORDER BY 1");
  it("takes it where nothing was done with it yet, else stays and is said", () => {
    bank(LINE("25.00"));
    expect(bank(LINE("26.00")).refused.map(({ reason }) => reason.split(". ")[0])).toEqual([
      "Known already with another sum, 25.00: nothing was done with it yet, and this sum is taken.",
      "Known already with another sum, 25.00",
    ]);
    expect(lines()).toEqual([
      { id: "t1", amount: 2600 },
      { id: "t2", amount: 2500 },
    ]);
  });
  it("a payout that is not tied is what it was said to be last", () => {
    const payout = (net: string): string =>
      `${CHARGES}po_2,Payout,11/18/2026,-${net},,-${net},,,,po_2,\r\n`;
    take(payout("80.00"));
    expect(take(payout("81.26")).refused[0]?.reason).toContain(
      "80.00: nothing was done with it yet",
    );
    expect(book.id("payout", "external_id = 'po_2' AND stated_net = 8126")).toBeGreaterThan(0);
  });
});

describe("a bank line that comes again with another day", () => {
  const ofx = (day: string, words: string): string =>
    `<OFX><STMTRS><CURDEF>USD<BANKTRANLIST><STMTTRN><DTPOSTED>${day}<TRNAMT>-75.00<FITID>F1<NAME>${words}</STMTTRN></BANKTRANLIST></STMTRS></OFX>`;
  const lines = () =>
    book.db.all<{ day: string; state: string }>("SELECT posted_on AS day, state FROM bank_line");
  const bank = (text: string): ImportReport =>
    book.mustTake("bank", text, { account: "operating", mapping: { answers: {} } });

  it("has this day where nothing was done with it, and is said", () => {
    bank(ofx("20261118", "LEE"));
    const again = bank(ofx("20261117", "LEE"));
    expect(again).toMatchObject({ new: 0, known: 0, changed: 1 });
    expect(again.refused[0]).toMatchObject({ waits: false, reason: expect.stringContaining("18") });
    expect(lines()).toEqual([{ day: "2026-11-17", state: "open" }]);
    expect(bank(ofx("20261117", "LEE"))).toMatchObject({ known: 1, changed: 0 });
  });

  it("keeps its day where something was, and waits for a person", () => {
    bank(ofx("20261118", "LEE"));
    const id = book.id("bank_line", "1");
    book.must("explainLine", { lineId: id, as: "elsewhere" });
    const again = bank(ofx("20261117", "LEE"));
    expect(again.refused[0]).toMatchObject({ waits: true, changed: true });
    expect(lines()).toEqual([{ day: "2026-11-18", state: "elsewhere" }]);
  });

  it("is known where another kind of export tells it by its day of value", () => {
    bank(ofx("20261118", "LEE"));
    const camt = `<Document xmlns="urn:iso:std:iso:20022:tech:xsd:camt.053.001.08"><BkToCstmrStmt><Stmt><Ntry><Amt Ccy="USD">75.00</Amt><CdtDbtInd>DBIT</CdtDbtInd><Sts><Cd>BOOK</Cd></Sts><BookgDt><Dt>2026-11-17</Dt></BookgDt><AcctSvcrRef>F1</AcctSvcrRef></Ntry></Stmt></BkToCstmrStmt></Document>`;
    expect(bank(camt)).toMatchObject({ new: 0, known: 1, changed: 0 });
    expect(lines()).toEqual([{ day: "2026-11-18", state: "open" }]);
  });
});
