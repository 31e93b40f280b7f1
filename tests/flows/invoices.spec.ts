import { expect, test } from "@playwright/test";

import { alive, DEMO, proofsHold } from "./helpers";

test("an invoice is written without the mouse, approved, and corrected by a credit note", async ({
  page,
}) => {
  await page.goto(`${DEMO}/invoices`);
  await alive(page);
  await page.keyboard.press("n");
  await expect(page.getByLabel("Customer", { exact: true })).toBeFocused();
  await page.keyboard.type("alder lane g");
  await expect(page.getByRole("option", { name: /Alder Lane Gallery/ })).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(page.getByText("For Alder Lane Gallery")).toBeVisible();
  await page.getByLabel("Description of line 1").focus();
  await page.keyboard.type("Stoneware, 25 kg bags");
  await page.keyboard.press("Enter");
  await page.keyboard.press("Control+a");
  await page.keyboard.type("12");
  await page.keyboard.press("Enter");
  // Arithmetic in a field of numbers.
  await page.keyboard.type("24.25*2");
  await page.keyboard.press("Enter");
  await expect(page.getByLabel("Rate of line 1")).toHaveValue("48.5");
  await expect(page.getByLabel("Amount of line 1")).toHaveValue("582.00");
  // A new line stands there by itself; an amount that is typed gives the rate.
  await page.getByLabel("Description of line 2").focus();
  await page.keyboard.type("Delivery");
  await page.getByLabel("Amount of line 2").fill("50");
  await page.keyboard.press("Tab");
  await expect(page.getByLabel("Rate of line 2")).toHaveValue("50");
  await expect(page.getByRole("heading", { level: 1 })).toContainText("632.00");
  await expect(page.getByText("kept as it is typed")).toBeVisible();
  // A closed tab loses nothing.
  await page.reload();
  await expect(page.getByLabel("Description of line 2")).toHaveValue("Delivery");
  await alive(page);
  await page.getByLabel("Description of line 2").focus();
  await page.keyboard.press("Control+Enter");
  await expect(page.getByRole("status").last()).toContainText("approved");
  await expect(page.locator("b", { hasText: /^Invoice INV-2026-\d{4}$/ })).toBeVisible();
  await proofsHold(page);
  await page.keyboard.press("c");
  await page.getByLabel(/^Why/).fill("bags came broken");
  await page.keyboard.press("Enter");
  await expect(page.getByText("void: all of it was taken back")).toBeVisible();
  await proofsHold(page);
});

test("drafts are pasted from a spreadsheet, chosen and approved together after a look", async ({
  page,
  context,
}) => {
  await context.grantPermissions(["clipboard-read", "clipboard-write"]);
  for (const customer of ["alder lane g", "heron"]) {
    await page.goto(`${DEMO}/invoices/new`);
    await alive(page);
    await page.getByLabel("Customer", { exact: true }).fill(customer);
    await expect(page.locator("#customers-found").getByRole("option").first()).toBeVisible();
    await page.keyboard.press("Enter");
    await page.evaluate(() =>
      navigator.clipboard.writeText("Clay\t10\t12.50\nGlaze\t2\t$1,040.25\n"),
    );
    await page.getByLabel("Description of line 1").focus();
    await page.keyboard.press("Control+v");
    await expect(page.getByRole("heading", { level: 1 })).toContainText("2,205.50");
    await expect(page.getByText("kept as it is typed")).toBeVisible();
  }
  await page.goto(`${DEMO}/invoices?state=drafts`);
  await alive(page);
  await expect(page.getByRole("heading", { level: 1 })).toContainText("4,411.00");
  for (const box of await page.getByRole("checkbox").all()) await box.check();
  await expect(page.getByText("2 chosen, 4,411.00")).toBeVisible();
  await page.keyboard.press("a");
  await expect(page.getByText("They get their numbers")).toBeVisible();
  await page.keyboard.press("a");
  await expect(page.getByText("No drafts.")).toBeVisible();
  await proofsHold(page);
});

test("a line that is wrong says so at its place, and nothing typed is lost", async ({ page }) => {
  await page.goto(`${DEMO}/invoices/new`);
  await alive(page);
  await page.getByLabel("Description of line 1").fill("Clay");
  await page.getByLabel("Quantity of line 1").fill("1,5");
  await page.getByLabel("Rate of line 1").fill("10");
  await expect(page.getByRole("alert").first()).toContainText("This is not a number");
  // Without a customer it is kept in the browser.
  await page.reload();
  await expect(page.getByLabel("Description of line 1")).toHaveValue("Clay");
  await expect(page.getByLabel("Quantity of line 1")).toHaveValue("1,5");
});
