import fc from "fast-check";

import type { ImportReport } from "@/contracts/arrivals";

import { CHARGES, CUSTOMERS, INVOICES, TestBook } from "../../../tests/support/book";

let book: TestBook;
beforeEach(() => {
  book = TestBook.ready();
});
afterEach(() => {
  expect(book.broken()).toEqual([]);
  book.close();
});

type Line = readonly [day: string, words: string, sum: string, balance: string];
const LINES: readonly Line[] = [
  ["2026-11-16", "RENT", "-500.00", "500.00"],
  ["2026-11-17", "DEPOSIT", "20.00", "520.00"],
  ["2026-11-17", "DEPOSIT", "20.00", "540.00"],
  ["2026-11-18", "LEE", "75.00", "615.00"],
];
const csv = (lines: readonly Line[], withBalance: boolean): string =>
  [
    withBalance ? "Date,Description,Amount,Balance" : "Date,Description,Amount",
    ...lines.map((line) => line.slice(0, withBalance ? 4 : 3).join(",")),
  ].join("\n");
const ofx = (lines: readonly Line[]): string =>
  `<OFX><STMTRS><CURDEF>USD<BANKTRANLIST>${lines
    .map(
      ([day, words, sum], at) =>
        `<STMTTRN><DTPOSTED>${day.replaceAll("-", "")}<TRNAMT>${sum}<FITID>F${at}<NAME>${words}</STMTTRN>`,
    )
    .join("")}</BANKTRANLIST></STMTRS></OFX>`;
const read = (
  text: string,
  answers: Record<string, string> = {},
  account?: string,
): ReturnType<TestBook["take"]> =>
  book.take("bank", text, { mapping: { answers }, ...(account ? { account } : {}) });
const must = (text: string, answers: Record<string, string> = {}): ImportReport => {
  const done = read(text, answers);
  if (!done.ok) throw new Error(JSON.stringify(done.error));
  return done.value;
};
const counts = ({ new: fresh, known, changed, leftOut }: ImportReport): number[] => [
  fresh,
  known,
  changed,
  leftOut.length,
];
const sums = (): string[] =>
  book.db
    .all<{ day: string; amount: number }>(
      "SELECT posted_on AS day, amount FROM bank_line ORDER BY 1, 2",
    )
    .map(({ day, amount }) => `${day} ${amount}`);

describe("a statement", () => {
  it("is the same with its running balance and without, and two equal lines of a day are two", () => {
    expect(counts(must(csv(LINES, true)))).toEqual([4, 0, 0, 0]);
    expect(counts(must(csv(LINES, false), { signs: "signed" }))).toEqual([0, 4, 0, 0]);
    expect(counts(must(csv(LINES.slice(1), true), { first: "in" }))).toEqual([0, 3, 0, 0]);
  });
  it("that is known under other ids is asked about, and counts once or twice as was said", () => {
    must(csv(LINES, true));
    const asked = read(ofx(LINES));
    expect(asked).toMatchObject({ ok: false, error: { code: "questions.open" } });
    expect(asked.ok || String(asked.error.first)).toContain(
      "4 of 4 lines stand in the book already by day and sum",
    );
    expect(sums()).toHaveLength(4);
    expect(counts(must(ofx(LINES), { same: "same" }))).toEqual([0, 4, 0, 0]);
    expect(counts(must(ofx(LINES), { same: "new" }))).toEqual([4, 0, 0, 0]);
    expect(sums()).toHaveLength(8);
  });
  it("whose ids are known in part is the same export: what is new of it is new, even of an equal sum", () => {
    must(ofx(LINES.slice(0, 2)));
    expect(counts(must(ofx(LINES)))).toEqual([2, 2, 0, 0]);
  });
  it("without ids of which the words changed is asked about too, and a line that it has by them is no twin", () => {
    must(csv(LINES, true));
    const later = csv(
      LINES.map((line, at) =>
        at === 3 ? [line[0], "LEE CERAMICS REF 7", line[2], line[3]] : line,
      ),
      true,
    );
    const asked = read(later);
    expect(asked.ok || String(asked.error.first)).toContain("1 of 1 line stands in the book");
    expect(counts(must(later, { same: "same" }))).toEqual([0, 4, 0, 0]);
    expect(sums()).toHaveLength(4);
  });
  it("ends in the same lines whatever order, overlap and shape its exports come in", () => {
    const part = fc.record({
      from: fc.integer({ min: 0, max: 3 }),
      to: fc.integer({ min: 1, max: 4 }),
      withBalance: fc.boolean(),
    });
    fc.assert(
      fc.property(fc.array(part, { minLength: 1, maxLength: 5 }), (parts) => {
        book.close();
        book = TestBook.ready();
        // Whole days, as banks export them; the whole at the end.
        const days = ["2026-11-16", "2026-11-17", "2026-11-18"];
        for (const { from, to, withBalance } of [...parts, { from: 0, to: 3, withBalance: true }]) {
          const lines = LINES.filter(([day]) =>
            days.slice(from, Math.max(to, from + 1)).includes(day),
          );
          if (lines.length > 0)
            must(csv(lines, withBalance), { signs: "signed", first: "in", balance: "take" });
        }
        expect(sums()).toEqual([
          "2026-11-16 -50000",
          "2026-11-17 2000",
          "2026-11-17 2000",
          "2026-11-18 7500",
        ]);
      }),
      { numRuns: 25 },
    );
  });
});

describe("what comes again", () => {
  it("a charge gets its payout once the file names it", () => {
    book.mustTake("customers", CUSTOMERS);
    book.mustTake("invoices", INVOICES);
    book.mustTake("processor", CHARGES.replaceAll(/po_\d/g, ""));
    const again = book.mustTake("processor", CHARGES, { mapping: { answers: {} } });
    expect(counts(again)).toEqual([0, 0, 3, 0]);
    expect(
      book.db.all(
        "SELECT payout_id, count(*) FROM processor_item WHERE payout_id IS NOT NULL GROUP BY payout_id",
      ),
    ).toHaveLength(2);
    expect(counts(book.mustTake("processor", CHARGES, { mapping: { answers: {} } }))).toEqual([
      0, 3, 0, 0,
    ]);
  });
  it("an invoice with another due day or open part is changed, and never known", () => {
    book.mustTake("customers", CUSTOMERS);
    book.mustTake("invoices", INVOICES);
    const answers = { mapping: { answers: { before: "take" } } };
    expect(counts(book.mustTake("invoices", INVOICES, answers))).toEqual([0, 6, 0, 0]);
    const later = book.mustTake("invoices", INVOICES.replace("2026-12-02", "2026-12-09"), answers);
    expect(counts(later)).toEqual([0, 5, 1, 0]);
    expect(later.refused[0]?.reason).toContain("due on 2026-12-02 here");
    const paid = book.mustTake(
      "invoices",
      INVOICES.replace("500.00,500.00", "500.00,450.00"),
      answers,
    );
    expect(counts(paid)).toEqual([0, 5, 1, 0]);
  });
  it("activity that stands in another account is asked about", () => {
    book.must("addProcessorAccount", {
      code: "second",
      name: "second account",
      delayDays: 2,
      descriptor: null,
    });
    book.mustTake("processor", CHARGES);
    const other = book.take("processor", CHARGES, { account: "second", mapping: { answers: {} } });
    expect(other).toMatchObject({ ok: false, error: { code: "questions.open" } });
    expect(other.ok || String(other.error.first)).toContain("stand in “card account” already");
  });
});

it("every line is counted once, however it fares", () => {
  const messy = [
    "Statement of the operating account",
    "Date,Description,Amount,Balance",
    "2026-11-15,OPENING BALANCE,,1000.00",
    "2026-11-16,RENT,-500.00,500.00",
    "2026-13-17,DEPOSIT,20.00,520.00",
    "Date,Description,Amount,Balance",
    "2026-11-18,LEE,75.00,595.00",
    ",Total,-405.00,",
  ].join("\n");
  const report = must(messy, { balance: "take" });
  const refused = new Set(report.refused.filter(({ changed }) => !changed).map(({ line }) => line))
    .size;
  expect(report.lines).toBe(6);
  expect(report.new + report.known + report.changed + refused + report.leftOut.length).toBe(
    report.lines,
  );
  expect(report.leftOut.map(({ line, why }) => `${line} ${why}`)).toEqual([
    "3 opening and closing balances",
    "6 the head, repeated",
    "8 totals and subtotals",
  ]);
});

describe("what a bank calls pending (ISO 20022 camt.053, entry status)", () => {
  const statement = (status: string): string =>
    `<Document xmlns="urn:iso:std:iso:20022:tech:xsd:camt.053.001.08"><BkToCstmrStmt><Stmt>
     <Ntry><Amt Ccy="USD">30.00</Amt><CdtDbtInd>DBIT</CdtDbtInd><Sts><Cd>BOOK</Cd></Sts><BookgDt><Dt>2026-11-03</Dt></BookgDt><AcctSvcrRef>R1</AcctSvcrRef></Ntry>
     <Ntry><Amt Ccy="USD">9.00</Amt><CdtDbtInd>CRDT</CdtDbtInd><Sts><Cd>${status}</Cd></Sts><BookgDt><Dt>2026-11-05</Dt></BookgDt><AcctSvcrRef>R2</AcctSvcrRef></Ntry>
     </Stmt></BkToCstmrStmt></Document>`;

  it("is counted as left out, and taken in once when it is booked", () => {
    const take = (status: string): ImportReport =>
      book.mustTake("bank", statement(status), { account: "operating" });
    expect(take("PDNG")).toMatchObject({
      lines: 2,
      new: 1,
      leftOut: [{ line: 2, why: "pending: no money yet" }],
    });
    expect(take("BOOK")).toMatchObject({ new: 1, known: 1, leftOut: [] });
    expect(take("PDNG")).toMatchObject({ new: 0, known: 1, leftOut: [{ line: 2 }] });
    expect(book.db.get("SELECT count(*) AS n FROM bank_line")).toEqual({ n: 2 });
  });
});
