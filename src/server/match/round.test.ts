import { simpleParser } from "mailparser";
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { dirname } from "node:path";

import { minor } from "@/core/money";

import {
  CHARGES,
  CUSTOMERS,
  INVOICES,
  STATEMENT,
  TestBook,
  TODAY,
} from "../../../tests/support/book";
import { waitingFiles } from "../arrivals/queries/arrived";
import { lineOf } from "../arrivals/imports/read";
import { entryHistory } from "../books/queries/history";
import { followUpWorkings } from "../customers/queries/followUpWorkings";
import { invoicePageOf, receiptPageOf } from "../invoices/queries/documents";
import { deliverLetter } from "../output/delivery";
import { overdueRows } from "../overdue/queries/overdue";
import { arrivedFile, outboxFile } from "../runtime/folders";

let book: TestBook;
beforeEach(() => {
  book = TestBook.ready();
});
afterEach(() => {
  expect(book.broken()).toEqual([]);
  book.close();
});

const fill = (): void => {
  book.mustTake("customers", CUSTOMERS);
  book.mustTake("invoices", INVOICES);
  book.mustTake("processor", CHARGES);
};
const receipt = (payer: string): number => book.id("receipt", `payer_name LIKE '${payer}%'`);
const item = (number: string): number => book.id("open_item", `number = '${number}'`);
const placed = (
  payer: string,
  lines: [string, number, number?][],
  customer: string | null = null,
): ReturnType<typeof book.do<"applyReceipt">> =>
  book.do("applyReceipt", {
    receiptId: receipt(payer),
    customerId: customer === null ? null : book.id("customer", `external_id = '${customer}'`),
    lines: lines.map(([number, amount, discount = 0]) => ({
      itemId: item(number),
      amount,
      discount,
    })),
  });

describe("taking in", () => {
  it("brings invoices over as opening balances up to the cut-over, later ones as new with income and tax", () => {
    book.mustTake("customers", CUSTOMERS);
    const report = book.mustTake("invoices", INVOICES);
    expect(report.outcome.map(({ words, count, sum }) => [words, count, sum])).toEqual([
      ["come over as opening balances", 2, 98_450],
      ["invoices taken in as new", 3, 85_600],
      ["credit notes taken in as new", 1, -1000],
    ]);
    expect(book.balances()).toMatchObject({
      receivables: 183_050,
      income: -84_000,
      tax: -600,
      opening: -100_000 - 98_450,
    });
  });
  it("posts gross and fee when the file comes, whoever paid, dated on the settlement day", () => {
    fill();
    expect(book.balances()).toMatchObject({
      clearing: 103_661,
      unidentified: -106_850,
      fees: 3189,
    });
    expect(
      book.db
        .all<{ on: string }>(
          "SELECT DISTINCT posted_on AS 'on' FROM entry WHERE event = 'fee' ORDER BY 1",
        )
        .map(({ on }) => on),
    ).toEqual(["2026-11-16", "2026-11-17"]);
  });
  it("doubles nothing when a file comes again or overlaps another", () => {
    fill();
    book.mustTake("bank", STATEMENT);
    const before = book.balances();
    for (const [kind, text] of [
      ["customers", CUSTOMERS],
      ["invoices", INVOICES],
      ["processor", CHARGES],
      ["bank", STATEMENT],
    ] as const) {
      expect(book.mustTake(kind, text)).toMatchObject({
        new: 0,
        changed: 0,
        refused: [],
        known: text.trim().split("\r\n").length - 1,
      });
    }
    expect(
      book.mustTake("processor", CHARGES.replace("ch_3,Charge,11/17", "ch_4,Charge,11/18")),
    ).toMatchObject({ new: 1, known: 2 });
    expect({
      ...book.balances(),
      clearing: before.clearing,
      unidentified: before.unidentified,
      fees: before.fees,
    }).toEqual(before);
  });
  it("promises in the dry run what then happens, and changes nothing", () => {
    book.mustTake("customers", CUSTOMERS);
    const dry = book.mustTake("invoices", INVOICES, { rehearse: true });
    expect(book.balance("receivables")).toBe(0);
    expect({ ...book.mustTake("invoices", INVOICES), fileId: null }).toEqual({
      ...dry,
      fileId: null,
    });
  });
  it("counts a file in the folder of arrivals as waiting until its content was taken in, by whatever way", () => {
    const path = arrivedFile(book.name, "customers.csv");
    mkdirSync(dirname(path), { recursive: true });
    writeFileSync(path, CUSTOMERS);
    expect(waitingFiles(book.db, book.name)).toEqual(["customers.csv"]);
    book.mustTake("customers", CUSTOMERS);
    expect(waitingFiles(book.db, book.name)).toEqual([]);
  });
  it("says where a line comes again with another sum", () => {
    fill();
    const changed = book.mustTake(
      "processor",
      CHARGES.replace("864.50,25.37,839.13", "864.51,25.37,839.14"),
    );
    expect(changed).toMatchObject({ changed: 1, refused: [{ line: 2, changed: true }] });
    expect(book.balance("clearing")).toBe(103_662);
  });
  it("refuses both of two rows with one id and different sums, and an unknown customer, by line and reason; the others go in", () => {
    book.mustTake("customers", CUSTOMERS);
    const report = book.mustTake(
      "invoices",
      "number,customer_id,issued_on,total,terms\n1,C1,2026-11-02,10.00,n/30\n1,C1,2026-11-02,11.00,n/30\n2,C99,2026-11-02,5.00,n/30\n3,C1,2026-11-02,7.00,n/30\n",
    );
    expect(report.refused.map(({ line }) => line)).toEqual([2, 3, 4]);
    expect(report.refused[0]?.reason).toContain("line 3 too");
    expect([report.new, book.balance("receivables")]).toEqual([1, 700]);
  });
  it("shows a payout whose items do not sum to what the file says was paid", () => {
    fill();
    const report = book.mustTake(
      "processor",
      "Id,Type,Date,Gross,Payout id\np1,Payout,11/18/2026,955.00,po_1\n",
    );
    expect(report.outcome[0]?.words).toBe("payouts whose items do not sum to what was paid");
    book.mustTake("bank", STATEMENT);
    expect(
      book.db.get<{ state: string }>("SELECT state FROM payout WHERE external_id = 'po_1'")?.state,
    ).toBe("open");
  });
});

describe("matching", () => {
  beforeEach(fill);
  it("posts a split with its discount, and keeps the rest on account", () => {
    expect(
      placed(
        "Alder",
        [
          ["20401", 80_000],
          ["20402", 6000, 100],
        ],
        "C1",
      ).ok,
    ).toBe(true);
    expect(book.balances()).toMatchObject({
      credits: -450,
      discounts: 100,
      receivables: 183_050 - 86_100,
    });
  });
  it("is done once though two tabs post the same receipt", () => {
    expect(placed("Heron", [["20403", 12_000]]).ok).toBe(true);
    expect(placed("Heron", [["20403", 12_000]])).toMatchObject({
      ok: false,
      error: { code: "receipt.not_to_match" },
    });
    const key = "one-key-only";
    const input = {
      receiptId: receipt("Alder"),
      customerId: null,
      lines: [{ itemId: item("20401"), amount: 86_450 }],
    };
    expect(
      [book.do("applyReceipt", input, key), book.do("applyReceipt", input, key)].every(
        ({ ok }) => ok,
      ),
    ).toBe(true);
    expect(book.do("setAside", { receiptId: 1, reason: "x" }, key)).toMatchObject({
      error: { code: "key.reused" },
    });
    expect(book.balance("unidentified")).toBe(-8400);
  });
  it.each<[string, [string, number, number?][], string]>([
    [
      "more than came in",
      [
        ["20401", 86_450],
        ["20402", 100],
      ],
      "tally.over",
    ],
    ["more than is open", [["20402", 10_601]], "tally.item"],
    ["a negative sum on an invoice", [["20402", -100]], "tally.sign"],
    [
      "another group's invoice",
      [
        ["20401", 100],
        ["20403", 100],
      ],
      "tally.customer",
    ],
    ["nothing at all", [], "tally.empty"],
  ])("refuses %s, and nothing is posted", (_case, lines, code) => {
    const before = book.balances();
    expect(placed("Alder", lines)).toMatchObject({ ok: false, error: { code } });
    expect(book.balances()).toEqual(before);
  });
  it("uses a credit note together with a receipt", () => {
    expect(
      placed("Alder", [
        ["20401", 86_450],
        ["CN-9", -1000],
        ["20402", 1000],
      ]).ok,
    ).toBe(true);
    expect([
      book.balance("unidentified"),
      book.db.get("SELECT balance FROM open_item WHERE number = 'CN-9'"),
    ]).toEqual([-20_400, { balance: 0 }]);
  });
  it("proposes the right homes, posts the sure ones, and undo brings everything back where it was", () => {
    const before = book.balances();
    expect(book.must("postSure", { receiptIds: null })).toMatchObject({ posted: 2, sum: 98_450 });
    const acts = book.db.all<{ id: number }>(
      "SELECT id FROM act WHERE kind = 'place' ORDER BY id DESC",
    );
    for (const { id } of acts) book.must("undo", { actId: id });
    expect(book.balances()).toEqual(before);
    expect(book.do("undo", { actId: acts[0]?.id ?? 0 })).toMatchObject({
      error: { code: "act.undone" },
    });
    expect(
      book.db.get<{ n: number }>("SELECT count(*) AS n FROM entry WHERE reverses IS NOT NULL")?.n,
    ).toBe(2);
  });
  it("undoes all that were posted together, with one command", () => {
    const before = book.balances();
    const { commandId } = book.must("postSure", { receiptIds: null });
    expect(book.must("undoTogether", { commandId })).toEqual({ undone: 2 });
    expect(book.balances()).toEqual(before);
    expect(book.do("undoTogether", { commandId })).toMatchObject({
      error: { code: "act.unknown" },
    });
  });
  it("sets aside with a reason and takes back", () => {
    const { actId } = book.must("setAside", { receiptId: receipt("Jo"), reason: "the workshop's" });
    expect(book.balance("parked")).toBe(-8400);
    book.must("undo", { actId });
    expect([book.balance("parked"), book.balance("unidentified")]).toEqual([0, -106_850]);
  });
  it("uses what stands on account later, and refuses to undo what that rests on", () => {
    const first = placed("Alder", [], "C1");
    const use = book.must("useCredit", {
      receiptId: receipt("Alder"),
      customerId: null,
      lines: [{ itemId: item("20402"), amount: 10_600 }],
    });
    expect(first.ok && book.do("undo", { actId: first.value.actId })).toMatchObject({
      error: { code: "act.rests" },
    });
    book.must("undo", { actId: use.actId });
    expect(book.balance("credits")).toBe(-86_450);
  });
});

describe("payouts and the bank", () => {
  beforeEach(() => {
    fill();
    book.mustTake("bank", STATEMENT);
  });
  it("ties what only one line fits, takes a customer's own transfer as a receipt, and leaves the rest to be explained", () => {
    expect(book.db.all("SELECT external_id AS id, state FROM payout ORDER BY 1")).toEqual([
      { id: "po_1", state: "tied" },
      { id: "po_2", state: "tied" },
    ]);
    expect(book.balances()).toMatchObject({ bank: 100_000 + 95_535 + 8126 + 75_000 });
    expect(book.balance("clearing")).toBe(0);
    expect(book.db.all("SELECT description FROM bank_line WHERE state = 'open'")).toEqual([
      { description: "PAYROLL" },
    ]);
  });
  it("puts lines aside by a rule made on the spot, now and later", () => {
    book.must("explainLine", {
      lineId: book.id("bank_line", "description = 'PAYROLL'"),
      as: "elsewhere",
      rule: { contains: "PAYROLL" },
    });
    book.mustTake("bank", "Date,Description,Money out,Money in\n11/23/2026,PAYROLL NOV,77.00,\n");
    expect([book.balance("elsewhere"), book.balance("bank")]).toEqual([57_700, 228_661 - 7700]);
  });
  it("takes a rule and all lines that it put aside back by one undo, and says where it has ended", () => {
    const before = book.balances();
    const { lines, commandId } = book.must("explainLine", {
      lineId: book.id("bank_line", "description = 'PAYROLL'"),
      as: "elsewhere",
      rule: { contains: "PAYROLL" },
    });
    expect(lines).toBe(1);
    book.must("undoTogether", { commandId });
    expect([book.balances(), book.broken()]).toEqual([before, []]);
    expect(book.db.all("SELECT id FROM bank_rule")).toEqual([]);
    const [rule] = book.db.all<{ id: number }>("SELECT id FROM act WHERE kind = 'rule'");
    expect(book.do("undo", { actId: rule!.id })).toMatchObject({ ok: false });
  });
  it("books a missing fee with the tie, and undo takes both back", () => {
    book.mustTake(
      "processor",
      "Id,Type,Date,Gross,Fee,Net,Payer,Payout id\nch_9,Charge,11/19/2026,100.00,3.20,96.80,Zoe,po_3\n",
    );
    book.mustTake(
      "bank",
      "Date,Description,Money out,Money in\n11/23/2026,PROC PAYOUT PO_3,,81.80\n",
    );
    const input = {
      payoutId: book.id("payout", "external_id = 'po_3'"),
      bankLineIds: [book.id("bank_line", "description LIKE '%PO_3'")],
    };
    const before = book.balances();
    expect(book.do("tiePayout", input)).toMatchObject({ error: { code: "payout.off" } });
    const tied = book.must("tiePayout", { ...input, difference: { as: "fee", kind: "dispute" } });
    expect([book.balance("clearing"), book.balance("fees") - (before.fees ?? 0)]).toEqual([
      0, 1500,
    ]);
    book.must("undo", { actId: tied.actId });
    expect(book.balances()).toEqual(before);
    book.must("tiePayout", { ...input, difference: { as: "park", reason: "asked the processor" } });
    expect(book.balance("parked")).toBe(1500);
  });
  it("leads from an entry to its file and line, and from the invoice to everything paid on it and back", () => {
    placed("Alder", [["20401", 86_450]]);
    const invoice = invoicePageOf(book.db, item("20401"));
    expect(invoice?.paid[0]).toMatchObject({
      href: `receipts/${receipt("Alder")}`,
      amount: 86_450,
    });
    const chain = receiptPageOf(book.db, receipt("Alder"));
    expect(chain?.items.map(({ kind, payout }) => [kind, payout?.externalId])).toEqual([
      ["charge", "po_1"],
      ["fee", "po_1"],
    ]);
    const story = entryHistory(book.db, chain?.entries[0]?.id ?? 0);
    expect(story?.origin).toMatchObject({ name: "processor.csv", line: 2 });
    const line = lineOf(book.name, story?.origin?.sha256 ?? "", 2);
    expect(line).toMatchObject({ ok: true, value: { cells: expect.arrayContaining(["ch_1"]) } });
  });
});

describe("what comes back", () => {
  beforeEach(() => {
    fill();
    placed("Alder", [["20401", 86_450]]);
  });
  const later = (rows: string): void =>
    void book.mustTake("processor", `Id,Type,Date,Gross,Fee,Net,Original id\n${rows}\n`);
  it("an ACH return opens its invoice again and books its fee", () => {
    later("rt_1,ACH return,11/20/2026,-864.50,4.00,-868.50,ch_1");
    expect(book.db.get("SELECT balance FROM open_item WHERE number = '20401'")).toEqual({
      balance: 86_450,
    });
    expect(
      book.db.get("SELECT state, gone_back AS back FROM receipt WHERE payer_name LIKE 'Alder%'"),
    ).toEqual({ state: "returned", back: 86_450 });
  });
  it("a dispute keeps the invoice paid and marked; lost, it is open again", () => {
    later("dp_1,Dispute,11/20/2026,-864.50,15.00,-879.50,ch_1");
    expect([
      book.balance("disputed"),
      book.db.get("SELECT balance FROM open_item WHERE number = '20401'"),
    ]).toEqual([86_450, { balance: 0 }]);
    const id =
      book.db.get<{ id: number }>("SELECT id FROM processor_item WHERE kind = 'dispute'")?.id ?? 0;
    book.must("disputeLost", { processorItemId: id });
    expect([
      book.balance("disputed"),
      book.db.get("SELECT balance FROM open_item WHERE number = '20401'"),
    ]).toEqual([0, { balance: 86_450 }]);
    expect(book.do("disputeLost", { processorItemId: id })).toMatchObject({
      error: { code: "dispute.unknown" },
    });
  });
  it("a dispute won in part leaves what did not come back in view", () => {
    later(
      "dp_1,Dispute,11/20/2026,-864.50,0,-864.50,ch_1\ndw_1,Dispute won,11/23/2026,800.00,0,800.00,ch_1",
    );
    expect(book.balance("disputed")).toBe(6450);
  });
  it("a refund of money that was applied stands as a negative credit until it is explained", () => {
    later("rf_1,Refund,11/20/2026,-20.00,0,-20.00,ch_1");
    expect(book.balance("credits")).toBe(2000);
  });
  it("a refund of a charge that nobody knows is parked with its reason", () => {
    later("rf_2,Refund,11/20/2026,-20.00,0,-20.00,ch_99");
    expect(book.balance("parked")).toBe(2000);
  });
});

describe("overdue", () => {
  beforeEach(fill);
  const rows = (): ReturnType<typeof overdueRows> => overdueRows(book.db, TODAY, book.proposals());
  it("holds whoever has a receipt that may be theirs, and writes to nobody who waits", () => {
    expect(rows().map((row) => [row.customer.externalId, row.state, row.waits[0]?.code])).toEqual([
      ["C1", "waits", "receipt"],
      ["C2", "waits", "receipt"],
    ]);
    expect(
      book.do("sendLetter", {
        customerId: book.id("customer", "external_id = 'C1'"),
        subject: "s",
        body: "b",
      }),
    ).toMatchObject({ error: { code: "letter.waits" } });
  });
  it("writes one letter for all of it, an RFC 5322 file that an independent reader reads back", async () => {
    book.must("setAside", { receiptId: receipt("Alder"), reason: "test" });
    const id = book.id("customer", "external_id = 'C1'");
    const draft = followUpWorkings(
      { db: book.db, book: book.name, today: TODAY },
      id,
      book.proposals(),
    );
    expect(draft).toMatchObject({ sum: 85_450, step: 1, items: [{ number: "20401" }] });
    const { letterId } = book.must("sendLetter", {
      customerId: id,
      subject: `${draft?.subject} é`,
      body: draft?.body ?? "",
    });
    await deliverLetter(book.db, book.name, letterId);
    await deliverLetter(book.db, book.name, letterId);
    const files = readdirSync(dirname(outboxFile(book.name, "x")));
    expect(files).toHaveLength(1);
    const read = await simpleParser(readFileSync(outboxFile(book.name, files[0] ?? "")));
    expect([
      read.subject,
      read.from?.value[0]?.address,
      [read.to].flat()[0]?.value[0]?.address,
    ]).toEqual([
      "One invoice past the due date, USD 854.50 é",
      "accounts@test.example",
      "office@alderlane.example",
    ]);
    expect(read.text).toContain("20401  due Sat, Oct 31, 2026    864.50");
    expect(rows().find((row) => row.customer.id === id)).toMatchObject({
      state: "later",
      lastWord: { kind: "letter", step: 1 },
    });
  });
  it("watches promises, and a broken one comes back to the top", () => {
    book.must("setAside", { receiptId: receipt("Heron"), reason: "test" });
    const id = book.id("customer", "external_id = 'C2'");
    book.must("logContact", {
      customerId: id,
      kind: "promise",
      text: "pays Friday",
      promisedOn: "2026-11-27",
      promisedSum: minor(12_000),
    });
    expect(rows().find((row) => row.customer.id === id)?.state).toBe("waits");
    book.must("changeSettings", { feedDays: 20 });
    expect(overdueRows(book.db, "2026-11-28" as typeof TODAY, book.proposals())[0]).toMatchObject({
      customer: { id },
      state: "ready",
      lastWord: { state: "broken" },
    });
  });
});
