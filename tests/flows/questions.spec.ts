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
  await expect(open).toContainText("02/11/2026 can be Wed 11 Feb or Mon 2 Nov");
  await expect(page.getByRole("button", { name: /^Take in/ })).toBeDisabled();
  await page.keyboard.press("Enter");
  await expect(open).toBeVisible();
  await open
    .getByRole("row", { name: /day, month, year/ })
    .getByRole("button", { name: "That is it" })
    .click();
  await expect(open).toHaveCount(0);
  await expect(page.getByText("all 3 lines follow on from 18,240.55")).toBeVisible();
  await expect(page.getByText("left out: totals and subtotals")).toBeVisible();
  const understood = page.getByRole("row", { name: /CHECK 1042/ }).first();
  await expect(understood).toContainText("Tue 3 Nov");
  await expect(understood).toContainText("(300.00)");
  // What was said stands in the mapping, and can be asked again.
  await page.getByLabel("dates are").selectOption("");
  await expect(open).toBeVisible();
  await page.keyboard.press("Escape");
  await proofsHold(page);
});
