import { expect } from "@playwright/test";

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
  await refused.getByLabel("total of line 3").fill("80.50");
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
