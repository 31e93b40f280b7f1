import { expect } from "@playwright/test";

import { alive, DEMO, proofsHold } from "./helpers";
import { test } from "./test";

test("a payout in another currency is tied at the bank's rate by one key, and undone", async ({
  page,
}) => {
  await page.goto(`${DEMO}/payouts?show=open`);
  await alive(page);
  await page.getByRole("row", { name: /^po_e20261116/ }).click();
  await expect(
    page.getByText("The bank gave 1.08106 for one EUR; the day’s rate was 1.0854."),
  ).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("status")).toContainText("Payout po_e20261116 tied to the bank");
  await proofsHold(page);
  await page.keyboard.press("u");
  await expect(page.getByRole("status")).toContainText("Undone");
  await proofsHold(page);
});

test("rates are copied in, the month is revalued, and taken back", async ({ page }) => {
  await page.goto(`${DEMO}/books?view=currencies&as-of=2026-11-24`);
  await alive(page);
  await page.getByLabel("Rates: currency, day, rate").fill("EUR, tomorrow, 1.09");
  await page.getByRole("button", { name: "Keep the rates" }).click();
  await expect(page.getByRole("status")).toContainText("is not read as a rate");
  await page
    .getByLabel("Rates: currency, day, rate")
    .fill("EUR, 2026-11-23, 1.0812\nCAD 2026-11-23 0.7301");
  await page.getByRole("button", { name: "Keep the rates" }).click();
  await expect(page.getByRole("status")).toContainText("2 rates kept");
  const open = page.getByRole("table", { name: "Open in other currencies" });
  await expect(open).toContainText("EUR 1,898.50");
  await page.getByRole("button", { name: "Post the revaluation" }).click();
  await expect(page.getByText("Revalued for this day already")).toBeVisible();
  await expect(page.getByRole("heading", { level: 1 })).toContainText("0.00");
  await proofsHold(page);
  await page.keyboard.press("u");
  await expect(page.getByRole("button", { name: "Post the revaluation" })).toBeVisible();
  await proofsHold(page);
});
