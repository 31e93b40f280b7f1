import { type FileKind, SHEET_MARK } from "@/core/formats";
import { type Currency, currencyOf } from "@/core/money";
import { saveMapping } from "@/db/files";
import { arrivedFiles } from "@/server/runtime/folders";

import { eachBook, type TestBook, TODAY } from "../../../tests/support/book";
import { inspectFile } from "./imports/inspectFile";
import { takeByItself } from "./takeByItself";

let book: TestBook;
eachBook((made) => {
  book = made;
});

const USD = currencyOf("USD") as Currency;
type Sent = { name: string; kind?: FileKind; account?: string };
/** A file as another program sends it. */
async function sent(text: string, { name, kind, account }: Sent): Promise<object> {
  const { sha256, size } = book.keep(text);
  const done = await takeByItself({
    book: book.name,
    db: book.db,
    file: { sha256, size, name },
    kind,
    account,
    inspect: (as, head) =>
      Promise.resolve(inspectFile(book.name, sha256, { kind: as, currency: USD, head })),
    run: (input, rehearse) =>
      Promise.resolve(book.do("importFile", input, undefined, { rehearse })),
  });
  return done.ok ? done.value : done.error;
}

const day = TODAY.replaceAll("-", "");
/** OFX 1.x as SGML, without an end to its elements (OFX 2.2, from memory). */
const OFX = `OFXHEADER:100\r\nDATA:OFXSGML\r\n\r\n<OFX><BANKMSGSRSV1><STMTTRNRS><STMTRS><CURDEF>USD
<BANKTRANLIST><STMTTRN><TRNTYPE>CREDIT\n<DTPOSTED>${day}\n<TRNAMT>1200.50\n<FITID>F1\n<NAME>LEE
</STMTTRN></BANKTRANLIST></STMTRS></STMTTRNRS></BANKMSGSRSV1></OFX>`;
const CUSTOMERS = "Number,Called\nN1,Alder Lane Pottery\nN2,Quarry Lane Studio\n";

describe("a file that another program sends", () => {
  it("is taken in where its format tells it, and the same again changes nothing", async () => {
    expect(await sent(OFX, { name: "bank.ofx" })).toMatchObject({
      state: "taken",
      kind: "bank",
      file: "bank.ofx",
      lines: 1,
      new: 1,
      refused: [],
      questions: [],
    });
    expect(await sent(`${OFX}\n`, { name: "bank.ofx" })).toMatchObject({ new: 0, known: 1 });
    expect([arrivedFiles(book.name), book.broken()]).toEqual([[], []]);
  });

  it("waits where it is a workbook with several lists, and none is said", async () => {
    const text = `${SHEET_MARK},A\nDate,Amount\n2026-11-13,9.00\n${SHEET_MARK},B\n${CUSTOMERS}`;
    expect(await sent(text, { name: "two.xlsx", kind: "customers" })).toMatchObject({
      state: "waits",
      questions: [{ key: "head" }],
    });
    const columns = { externalId: "Number", name: "Called" };
    const spec = JSON.stringify({ kind: "customers", columns, answers: {} });
    saveMapping(book.db, { name: "people", kind: "customers", spec });
    const known = `${SHEET_MARK},A\n${CUSTOMERS}${SHEET_MARK},B\nDate,Amount\n2026-11-13,9.00\n`;
    expect(await sent(known, { name: "again.xlsx" })).toMatchObject({
      state: "waits",
      questions: [{ key: "head" }],
    });
  });
  it("waits where its columns are only guessed, until a mapping was kept for them", async () => {
    const guessed = await sent(CUSTOMERS, { name: "people.csv", kind: "customers" });
    expect(guessed).toMatchObject({ state: "waits", questions: [{ key: "mapping" }] });
    expect(arrivedFiles(book.name)).toEqual(["people.csv"]);
    saveMapping(book.db, {
      name: "people",
      kind: "customers",
      spec: JSON.stringify({
        kind: "customers",
        columns: { externalId: "Number", name: "Called" },
        dayOrder: "ymd",
        decimalMark: ".",
        rowKinds: {},
        signs: "by_kind",
        payoutSign: "as_written",
        feeSign: "cost",
      }),
    });
    expect(await sent(CUSTOMERS, { name: "people.csv" })).toMatchObject({
      state: "taken",
      kind: "customers",
      new: 2,
    });
    expect(arrivedFiles(book.name)).toEqual(["people.csv"]);
  });

  it("waits with its question where it leaves something open, and nothing of it is in the book", async () => {
    book.must("addBankAccount", { code: "savings", name: "Savings", openingBalance: 0 });
    expect(await sent(OFX, { name: "bank.ofx" })).toMatchObject({
      state: "waits",
      new: 0,
      questions: [{ key: "account" }],
    });
    expect(book.db.get("SELECT count(*) AS n FROM bank_line")).toEqual({ n: 0 });
    expect(await sent(OFX, { name: "bank.ofx", account: "operating" })).toMatchObject({
      state: "taken",
      new: 1,
    });
  });

  it("is refused where it cannot be read", async () => {
    expect(await sent("", { name: "empty.csv" })).toMatchObject({ code: expect.any(String) });
    expect(arrivedFiles(book.name)).toEqual([]);
  });
});
