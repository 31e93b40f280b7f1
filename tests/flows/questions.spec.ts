import { expect } from "@playwright/test";

import { alive, DEMO, proofsHold } from "./helpers";
import { test } from "./test";

const STATEMENT = [
  "Kestrel Row operating account,,,",
  "Date,Description,Amount,Balance",
  "02/11/2026,ACH PAYOUT,1200.00,19440.55",
  "03/11/2026,CHECK 1042,(300.00),19140.55",
  "09/11/2026,WIRE IN MORROW,250.00,19390.55",
  "Total,,1150.00,",
].join("\n");

test("what a file leaves open is asked before anything is taken in, with what each answer makes of it", async ({
  page,
}) => {
  await page.goto(`${DEMO}/arrivals`);
  await alive(page);
  await page.getByLabel("File to take in").setInputFiles({
    name: "statement.csv",
    mimeType: "text/csv",
    buffer: Buffer.from(STATEMENT),
  });
  const open = page.getByRole("group", { name: "What the file leaves open" });
  await expect(open).toContainText("02/11/2026 can be Mon 2 Nov or Wed 11 Feb");
  await expect(page.getByRole("button", { name: /^Take in/ })).toBeDisabled();
  await page.keyboard.press("Enter");
  await expect(open).toBeVisible();
  await open
    .getByRole("row", { name: /day, month, year/ })
    .getByRole("button", { name: "That is it" })
    .click();
  await expect(open).toHaveCount(0);
  await expect(page.getByText("all 3 lines follow on from 18,240.55")).toBeVisible();
  // How many, and among the lines as understood which the first of them is.
  await expect(page.getByText("left out: totals and subtotals")).toHaveCount(2);
  const understood = page.getByRole("row", { name: /CHECK 1042/ }).first();
  await expect(understood).toContainText("Tue 3 Nov");
  await expect(understood).toContainText("(300.00)");
  // What was said stands in the mapping, and can be asked again.
  await page.getByLabel("dates are").selectOption("");
  await expect(open).toBeVisible();
  await page.keyboard.press("Escape");
  await proofsHold(page);
});

const TILL = [
  "11/19/2026,Interest,5.00",
  "Date,Transaction ID,Customer,Payment type,Total,Fees,Net total,Mode",
  "11/20/2026,T1,Alder Lane,Card,100.00,-2.90,97.10,live",
  "11/20/2026,T2,Birch Yard,Cash,40.00,0.00,40.00,live",
  "11/21/2026,T3,Cedar Hall,Card,55.00,-1.90,53.10,test",
].join("\n");

test("where its head stands, what another column says is no money, and what is the same on every line", async ({
  page,
}) => {
  await page.goto(`${DEMO}/arrivals`);
  await alive(page);
  await page.getByLabel("File to take in").setInputFiles({
    name: "till card account.csv",
    mimeType: "text/csv",
    buffer: Buffer.from(TILL),
  });
  const open = page.getByRole("group", { name: "What the file leaves open" });
  const say = (result: RegExp): Promise<void> =>
    open.getByRole("row", { name: result }).getByRole("button", { name: "That is it" }).click();
  await expect(page.getByLabel("head", { exact: true })).toHaveValue("2");
  await expect(open).toContainText("above it line 1 has a day and a sum");
  await say(/begins below line 2/);
  await expect(open).toContainText("“Mode” says “test” on 1 line");
  await say(/no: 1 line left out/);
  await expect(open).toContainText("1 line was paid by “cash”");
  await say(/no: 1 of 40.00 together left out/);
  await expect(page.getByRole("button", { name: /^Take in 1 line/ })).toBeEnabled();
  await expect(page.getByRole("cell", { name: "11/20/2026 · T1 · Alder Lane" })).toBeVisible();
  await page.getByLabel("memo", { exact: true }).selectOption({ label: "the same on every line" });
  await page.getByLabel("memo of every line").fill("sold at the till");
  await expect(page.getByRole("button", { name: /^Take in 1 line/ })).toBeEnabled();
  await page.getByLabel("head", { exact: true }).selectOption("0");
  await expect(page.getByLabel("head", { exact: true })).toHaveValue("0");
  await page.keyboard.press("Escape");
  await proofsHold(page);
});
