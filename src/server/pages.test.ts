import { day } from "@/core/calendar";
import { PROOF_NAMES } from "@/core/ledger";
import { type Currency, currencyOf } from "@/core/money";
import { documentsOfLine } from "@/db/files";
import { accounts, balancesAsOf } from "@/db/journal";
import { accountLineCount, accountLines } from "@/db/journalPages";

import { CHARGES, CUSTOMERS, INVOICES, STATEMENT, TestBook, TODAY } from "../../tests/support/book";
import { find } from "./books/queries/find";
import { proofDocuments } from "./books/queries/proofDocuments";
import { proofs } from "./books/queries/proofs";
import { countedOf, shellOf } from "./books/queries/shell";
import { customerPageOf } from "./customers/queries/customer";
import { findCustomers } from "./match/queries/group";
import { matchQueue } from "./match/queries/match";
import { sureList } from "./match/queries/sureList";
import { matchWorkings } from "./match/queries/workings";
import { LISTS, listSheet } from "./output/lists";
import { overdueRows } from "./overdue/queries/overdue";
import { band, payoutViews } from "./payouts/queries/payouts";
import { expectedPage } from "./payouts/queries/returnsAndDisputes";

const USD = currencyOf("USD") as Currency;
let book: TestBook;
beforeAll(() => {
  book = TestBook.ready();
  for (const [kind, text] of [
    ["customers", CUSTOMERS],
    ["invoices", INVOICES],
    ["processor", CHARGES],
    ["bank", STATEMENT],
  ] as const)
    book.mustTake(kind, text);
  book.mustTake(
    "processor",
    "Id,Type,Date,Gross,Fee,Net,Payer,Email,Memo,Payout id\nch_8,Charge,11/19/2026,100.00,3.20,96.80,Zoe,,,po_8\nch_9,Charge,11/20/2026,50.00,1.75,48.25,Zoe,,,po_9\nch_10,Charge,11/23/2026,10.00,0.59,9.41,Zoe,,,\n",
  );
  book.mustTake(
    "bank",
    "Date,Description,Money out,Money in\n11/23/2026,PROC PAYOUT PO_8,,81.80\n11/24/2026,INTEREST,,0.12\n",
  );
});
afterAll(() => book.close());

describe("the pages' queries", () => {
  it("every control sum is its documents, down to the single item", () => {
    const report = proofs(book.db);
    for (const name of PROOF_NAMES) {
      const made = proofDocuments(book.db, name);
      if (made.count > 0)
        expect({ name, sum: made.sum }).toEqual({
          name,
          sum: report.proofs.find((proof) => proof.name === name)?.documents,
        });
    }
    expect(proofDocuments(book.db, "clearing").documents.map(({ words }) => words)).toEqual(
      expect.arrayContaining(["charge ch_10, Zoe", "fee ch_10, Zoe"]),
    );
  });
  it("where a proof is off, says in which document, since which entry, and what explains it", () => {
    expect(proofDocuments(book.db, "receivables").off).toEqual([]);
    const id = book.id("open_item", "number = '20401'");
    book.db.exec(`UPDATE open_item SET balance = 84650 WHERE id = ${id}`);
    expect(proofDocuments(book.db, "receivables").off).toMatchObject([
      {
        words: `open item ${id}`,
        href: `invoices/${id}`,
        journal: 86_450,
        documents: 84_650,
        sinceOn: "2026-10-31",
        explained: "two digits have changed places",
      },
    ]);
    book.db.exec(`UPDATE open_item SET balance = 86450 WHERE id = ${id}`);
    expect(proofs(book.db).holds).toBe(true);
  });
  it("an account's pages are its lines, newest first, with the balance after each, as of any day", () => {
    for (const { id } of accounts(book.db)) {
      for (const asOf of [day("2026-10-31"), day("2026-11-16"), day("2026-11-30")]) {
        // The obvious way: all lines, and the balance as a running sum.
        const slow = book.db.all<{ entryId: number; running: number }>(
          "SELECT l.entry_id AS entryId, sum(l.book_amount) OVER (ORDER BY e.posted_on, e.id, l.line_no) AS running FROM entry_line l JOIN entry e ON e.id = l.entry_id WHERE l.account_id = ? AND e.posted_on <= ? ORDER BY e.posted_on DESC, e.id DESC, l.line_no DESC",
          id,
          asOf,
        );
        expect(accountLineCount(book.db, id, asOf)).toBe(slow.length);
        for (const size of [1, 3, 100]) {
          const pages = Array.from({ length: Math.ceil(slow.length / size) }, (_, at) =>
            accountLines(book.db, { accountId: id, asOf, limit: size, offset: at * size }),
          ).flat();
          expect(pages.map(({ entryId, running }) => ({ entryId, running }))).toEqual(slow);
        }
        expect(balancesAsOf(book.db, asOf).find((account) => account.id === id)?.balance ?? 0).toBe(
          slow[0]?.running ?? 0,
        );
      }
    }
  });
  it("a payout is tied, off, late or on its way; what is off stands first", () => {
    const views = payoutViews(book.db, day("2026-11-01"), day("2026-11-30"));
    expect(views.map((view) => [view.externalId, view.shown, view.offBy])).toEqual([
      ["po_8", "off", -1500],
      ["po_9", "on_way", null],
      ["po_2", "tied", 0],
      ["po_1", "tied", 0],
    ]);
    const days = band(book.db, views, TODAY, 10);
    expect(days.find(({ on }) => on === "2026-11-18")).toMatchObject({ bank: 95_535 });
    expect(days.find(({ on }) => on === "2026-11-23")).toMatchObject({ takings: 1000, off: 8180 });
    expect(
      expectedPage(book.db, day("2026-11-24")).rows.filter(({ href }) => href === null),
    ).toMatchObject([
      {
        account: "card account",
        what: "in no payout yet, 1 charge",
        sum: 941,
        on: "2026-11-25",
        late: false,
      },
    ]);
  });
  it("Match shows three queues with their sums, the workings of a receipt, and what is sure", () => {
    const proposals = book.proposals();
    const { sums, total, rows } = matchQueue(book.db, proposals, {
      queue: "none",
      sort: "-amount",
      currency: USD,
    });
    expect(sums.sure.count + sums.check.count + sums.none.count).toBe(proposals.length);
    expect(sums.sure.sum + sums.check.sum + sums.none.sum).toBe(total);
    expect(rows.map(({ amount }) => amount)).toEqual(
      [...rows.map(({ amount }) => amount)].sort((a, b) => b - a),
    );
    const alder = book.id("receipt", "payer_name LIKE 'Alder%'");
    expect(
      matchWorkings(
        book.db,
        alder,
        proposals.find(({ receiptId }) => receiptId === alder),
      ),
    ).toMatchObject({
      amount: 86_450,
      fee: 2537,
      customer: "Alder Lane Pottery School",
      readings: [{ lines: [{ number: "20401", open: 86_450 }] }, {}],
    });
    expect(sureList(book.db, proposals, USD).map(({ to }) => to)).toContain(
      "Alder Lane Pottery School: 20401",
    );
    expect(findCustomers(book.db, "heron")).toMatchObject([{ externalId: "C2", open: 12_000 }]);
  });
  it("finds customers, invoices by number, order and sum, receipts, payouts and bank lines", () => {
    const kinds = (text: string): string[] =>
      find(book.db, text, USD).map(({ kind, words }) => `${kind} ${words}`);
    expect(kinds("Heron")).toEqual(
      expect.arrayContaining(["customer Heron Point Studio", expect.stringMatching(/^receipt/)]),
    );
    expect(kinds("20404")).toEqual(
      expect.arrayContaining(["invoice 20404, Brightwater North Campus"]),
    );
    expect(kinds("864.50")).toEqual(
      expect.arrayContaining(["invoice 20401, Alder Lane Pottery School"]),
    );
    expect(kinds("PO_1")).toEqual(
      expect.arrayContaining([
        expect.stringMatching(/^payout po_1/),
        expect.stringMatching(/^bank line PROC PAYOUT PO_1/),
      ]),
    );
    expect(kinds("x")).toEqual([]);
  });
  it("every list has its CSV, a row for a row", () => {
    for (const name of LISTS) {
      const { columns, rows } = listSheet(
        { db: book.db, today: TODAY, proposals: book.proposals() },
        name,
        new URLSearchParams("queue=sure&state=all&account=1"),
      );
      expect(rows.every((row) => row.length === columns.length)).toBe(true);
    }
    expect(
      listSheet(
        { db: book.db, today: TODAY, proposals: [] },
        "invoices",
        new URLSearchParams("state=overdue"),
      ).rows.map(([number]) => number),
    ).toEqual(["20401", "20403"]);
  });
  it("the shell says how much is left at each station", () => {
    expect(shellOf(book.db, book.name)).toMatchObject({
      book: "test-book",
      currency: "USD",
      today: TODAY,
      clockFixed: true,
    });
    const shell = countedOf(
      book.db,
      book.name,
      proofs(book.db),
      overdueRows(book.db, TODAY, book.proposals()),
    );
    expect(shell.left).toMatchObject({
      arrivals: 0,
      match: book.proposals().length,
      payoutsOff: 1,
      broken: 0,
    });
    expect(shell.strip).toMatchObject({ payoutsOff: -1500, statementTo: "2026-11-24" });
  });
  it("a customer's page has its position, its sites and one line of time; a file's line leads to what it became", () => {
    const page = customerPageOf(
      book.db,
      book.id("customer", "external_id = 'C3'"),
      TODAY,
      book.proposals(),
    );
    expect(page).toMatchObject({
      sites: [{ name: "Brightwater North Campus", open: 50_000 }],
      aging: { total: 25_000 },
      credit: 0,
    });
    expect(page?.history.map(({ kind }) => kind)).toEqual(["invoice"]);
    const file = book.db.get<{ id: number }>(
      "SELECT id FROM import_file WHERE kind = 'processor' ORDER BY id",
    );
    expect(documentsOfLine(book.db, file?.id ?? 0, 2).map(({ words }) => words)).toEqual([
      "receipt of Alder Lane Pottery School",
      "fee ch_1",
      "payout po_1",
    ]);
  });
});
