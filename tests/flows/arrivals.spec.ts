import { expect } from "@playwright/test";
import ExcelJS from "exceljs";

import { alive, DEMO, proofsHold } from "./helpers";
import { test } from "./test";

const CUSTOMERS =
  "customer_id,name,email,parent_id\nC9901,Larch Hollow Kiln Club,pay@larchhollow.example,\n";
const INVOICES =
  "invoice_number,customer_id,issued_on,due_on,currency,total,balance,tax,terms\n" +
  "L-1,C9901,2026-11-02,2026-12-02,USD,120.00,120.00,0.00,n/30\n" +
  "L-2,C9901,2026-11-03,2026-12-03,USD,8x.50,80.50,0.00,n/30\n";
const file = (name: string, text: string) => ({
  name,
  mimeType: "text/csv",
  buffer: Buffer.from(text),
});

test("several files are looked at in the order that they ask for, a refused cell is mended, and rows are pasted", async ({
  page,
}) => {
  await page.goto(`${DEMO}/arrivals`);
  await alive(page);
  await page
    .getByLabel("File to take in")
    .setInputFiles([file("invoices.csv", INVOICES), file("customers.csv", CUSTOMERS)]);
  const heading = page.getByRole("heading", { level: 1 });
  await expect(heading).toContainText("customers.csv");
  await expect(page.getByText("After this one: invoices.csv.")).toBeVisible();
  const takeIn = page.getByRole("button", { name: /^Take in/ });
  await takeIn.click();
  await expect(heading).toContainText("invoices.csv");
  // The customer is known by now; one sum is none.
  const refused = page.getByRole("group", { name: "Refused lines" });
  await expect(refused).toContainText("8x.50");
  const cell = refused.getByLabel("total of line 3");
  await expect(cell).toHaveValue("8x.50");
  await cell.fill("80.50");
  await page.keyboard.press("Enter");
  await expect(heading).toContainText("invoices (mended).csv");
  await expect(refused).toHaveCount(0);
  await takeIn.click();
  await expect(page.getByText("2 lines of invoices (mended).csv taken in")).toBeVisible();
  await page.evaluate((text) => {
    const data = new DataTransfer();
    data.setData("text/plain", text);
    document.body.dispatchEvent(
      new ClipboardEvent("paste", { clipboardData: data, bubbles: true }),
    );
  }, "customer_id\tname\temail\nC9902\tHazel Dell Studio\tpay@hazeldell.example\n");
  await expect(heading).toContainText("pasted.csv");
  await takeIn.click();
  await expect(page.getByText("1 line of pasted.csv taken in")).toBeVisible();
  await page.goto(`${DEMO}/invoices?q=L-2`);
  await expect(page.getByRole("table").getByText("L-2")).toBeVisible();
  await proofsHold(page);
});

test("a refused line waits in the tray until its file is read again; another is dropped with a reason", async ({
  page,
}) => {
  const text =
    "invoice_number,customer_id,issued_on,due_on,currency,total,balance,tax,terms\n" +
    "L-7,C9901,2026-11-02,2026-12-02,USD,12.00,12.00,0.00,n/30\n" +
    "L-8,C9901,2026-11-03,2026-12-03,USD,8x.00,8.00,0.00,n/30\n" +
    "L-9,C9901,2026-11-03,2026-12-03,USD,test,9.00,0.00,n/30\n";
  await page.goto(`${DEMO}/arrivals`);
  await alive(page);
  await page.getByLabel("File to take in").setInputFiles([file("late.csv", text)]);
  await page.getByRole("button", { name: /^Take in 1/ }).click();
  await expect(page.getByText("2 lines wait in the tray")).toBeVisible();
  await page.getByRole("link", { name: "Tray" }).click();
  const lines = page.getByRole("row").filter({ hasText: "late.csv" });
  await lines.filter({ hasText: "“test” is not a sum" }).click();
  await page.getByLabel("Or drop it, because").fill("a test line");
  await page.keyboard.press("Enter");
  await expect(page.getByText("Line 4 of late.csv is dropped.")).toBeVisible();
  await expect(page.getByRole("heading", { level: 1 })).toContainText("1 line waits: refused");
  await alive(page);
  await lines.click();
  await page.getByRole("link", { name: "read its file again, and mend it there" }).click();
  const refused = page.getByRole("group", { name: "Refused lines" });
  await expect(page.getByLabel("What it brought before")).toHaveValue("stays");
  await refused.getByLabel("total of line 3").fill("8.00");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { level: 1 })).toContainText("late (mended).csv");
  await page.getByRole("button", { name: /^Take in 1/ }).click();
  await expect(page.getByText("1 line of late (mended).csv taken in")).toBeVisible();
  await page.goto(`${DEMO}/arrivals?list=tray`);
  await expect(page.getByText("No line waits here")).toBeVisible();
  await proofsHold(page);
});

/** A workbook with a summary before the list of its transactions. */
async function workbook(name: string, id: string, more = 0): Promise<ReturnType<typeof file>> {
  const book = new ExcelJS.Workbook();
  book.addWorksheet("Summary").addRows([
    ["Date", "Total"],
    ["2026-10-31", 500],
    ["2026-11-20", 600],
  ]);
  book.addWorksheet("Transactions").addRows([
    ["Ref", "Date", "Type", "Amount", "Fee", "Net"],
    [`${id}-1`, "2026-11-19", "charge", 100.5 + more, 3.2, 97.3 + more],
    [`${id}-2`, "2026-11-20", "charge", 50 + more, 1.75, 48.25 + more],
  ]);
  return { ...file(name, ""), buffer: Buffer.from(await book.xlsx.writeBuffer()) };
}

test("a workbook asks which of its sheets is meant, and a mapping that is kept says it the next time", async ({
  page,
}) => {
  await page.goto(`${DEMO}/arrivals`);
  await alive(page);
  await page.getByLabel("File to take in").setInputFiles([await workbook("first.xlsx", "wb1")]);
  const said = page.getByRole("button", { name: "That is it" });
  await expect(page.getByText("lists on 2 sheets. Which is meant?")).toBeVisible();
  await said.nth(1).click();
  await expect(page.getByText("Which of its accounts does the file belong to?")).toBeVisible();
  await said.first().click();
  await page.getByLabel("Keep this mapping as").fill("by sheets");
  await page.getByRole("button", { name: /^Take in/ }).click();
  await expect(page.getByText("2 lines of first.xlsx taken in")).toBeVisible();
  await page
    .getByLabel("File to take in")
    .setInputFiles([await workbook("second.xlsx", "wb2", 11)]);
  await expect(page.getByText("Which of its accounts does the file belong to?")).toBeVisible();
  await said.first().click();
  await page.getByRole("button", { name: /^Take in/ }).click();
  await expect(page.getByText("2 lines of second.xlsx taken in")).toBeVisible();
  await proofsHold(page);
});
