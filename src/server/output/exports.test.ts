import ExcelJS from "exceljs";

import {
  CHARGES,
  CUSTOMERS,
  INVOICES,
  STATEMENT,
  TestBook,
  TODAY,
} from "../../../tests/support/book";
import { type ExportName, EXPORTS, periodOf, sheetOf } from "./exports";
import { render } from "./sheets";

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
  book.must("postSure", { receiptIds: null });
  book.must("setAside", {
    receiptId: book.id("receipt", "payer_name LIKE 'Jo%'"),
    reason: "=cmd()",
  });
  book.must("undo", {
    actId:
      book.db.get<{ id: number }>("SELECT max(id) AS id FROM act WHERE kind = 'place'")?.id ?? 0,
  });
});
afterAll(() => book.close());

const sheet = (name: ExportName, given = {}): ReturnType<typeof sheetOf> =>
  sheetOf(book.db, name, periodOf(TODAY, given));
const cents = (text: string): number => Math.round(Number(text) * 100);
const sum = (
  name: ExportName,
  column: string,
  given = {},
  keep: (row: Record<string, string>) => boolean = () => true,
): number => {
  const { columns, rows } = sheet(name, given);
  return rows
    .map((row) => Object.fromEntries(columns.map((column, at) => [column, row[at] ?? ""])))
    .filter(keep)
    .reduce((all, row) => all + cents(row[column] || "0"), 0);
};

describe("exports, in the layouts that were agreed", () => {
  it.each<[ExportName, string]>([
    [
      "journal",
      "entry_id,posted_on,event,document,party,account_code,account_name,account_role,currency,amount,book_amount,reverses",
    ],
    [
      "open-items",
      "kind,number,customer_id,customer,issued_on,due_on,currency,total,balance,book_balance",
    ],
    [
      "clearing",
      "processor_account,kind,external_id,occurred_on,currency,amount,book_amount,payout_id,posted_on",
    ],
    [
      "payouts",
      "payout_id,processor_account,paid_on,currency,charges,fees,refunds,disputes,other,net,bank_line,bank_amount,off_by",
    ],
    ["aging", "customer_id,customer,currency,not_due,d1_30,d31_60,d61_90,over_90,total,credit"],
    ["trial-balance", "account_code,account_name,account_role,debit,credit"],
  ])("%s has its columns to the letter", (name, columns) =>
    expect(sheet(name).columns.join()).toBe(columns),
  );
  it("foot: journal to zero, open items and aging to receivables, clearing to clearing, debits to credits, as of any day", () => {
    for (const asOf of ["2026-10-31", "2026-11-16", "2026-11-18", "2026-11-24"]) {
      const account = (role: string): number =>
        sum("journal", "book_amount", { to: asOf }, (row) => row.account_role === role);
      expect(sum("journal", "book_amount", { to: asOf })).toBe(0);
      expect(sum("open-items", "book_balance", { asOf })).toBe(account("receivables"));
      expect(sum("aging", "total", { asOf })).toBe(account("receivables"));
      expect(sum("aging", "credit", { asOf })).toBe(account("credits"));
      expect(sum("clearing", "book_amount", { asOf })).toBe(account("clearing"));
      expect(sum("trial-balance", "debit", { asOf })).toBe(
        sum("trial-balance", "credit", { asOf }),
      );
    }
  });
  it("show each payout's five parts summing to net, with the sum of its bank lines and what it is off by", () => {
    for (const row of sheet("payouts").rows)
      expect(row.slice(4, 9).reduce((all, name) => all + cents(name), 0)).toBe(cents(row[9] ?? ""));
    expect(sheet("payouts").rows.map((row) => [row[0], row[9], row[11], row[12]])).toEqual([
      ["po_2", "81.26", "81.26", "0.00"],
      ["po_1", "955.35", "955.35", "0.00"],
    ]);
  });
  it("name the entry that a reversal undoes", () => {
    const reversals = sheet("journal").rows.filter((row) => row[2] === "reversal");
    expect(reversals.length).toBeGreaterThan(0);
    expect(
      reversals.every((row) => sheet("journal").rows.some((other) => other[0] === row[11])),
    ).toBe(true);
  });
});

describe("files", () => {
  it("CSV ends its lines with CRLF, and no cell is run as a formula by a spreadsheet", async () => {
    const { bytes } = await render(
      {
        columns: ["document", "amount"],
        rows: [
          ["=cmd()", "-5.00"],
          ["+x, y", "3"],
        ],
      },
      "csv",
      "x",
    );
    expect(bytes.toString()).toBe("document,amount\r\n'=cmd(),-5.00\r\n\"'+x, y\",3\r\n");
  });
  it("XLSX has numbers as numbers, JSON an object a row", async () => {
    const table = sheet("trial-balance");
    const workbook = new ExcelJS.Workbook();
    await workbook.xlsx.load(
      (await render(table, "xlsx", "trial-balance")).bytes as unknown as ArrayBuffer,
    );
    const page = workbook.worksheets[0];
    expect([
      page?.rowCount,
      typeof page?.getRow(2).getCell(4).value,
      page?.getRow(2).getCell(1).value,
    ]).toEqual([table.rows.length + 1, "number", table.rows[0]?.[0]]);
    expect(
      (JSON.parse((await render(table, "json", "x")).bytes.toString()) as unknown[]).length,
    ).toBe(table.rows.length);
    expect(EXPORTS).toHaveLength(6);
  });
});
