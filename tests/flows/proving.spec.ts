import { expect, type Page } from "@playwright/test";

import { atTheDoor, DESK, PHONE, tokenOf } from "./customerPages";
import { alive, DEMO, proofsHold } from "./helpers";
import { test } from "./test";

/** The practice bank asks for a code where the two digits before the last are 65. */
const ASKS_CODE = "4000 0000 0000 0655";
test.use({ viewport: PHONE });

/** Only the first of the open invoices is paid. */
async function firstOnly(page: Page): Promise<void> {
  const boxes = page.getByRole("checkbox");
  const count = await boxes.count();
  for (let at = 1; at < count; at += 1) await boxes.nth(at).uncheck();
}

/** How new bank accounts are used, as the clerk sets it. */
async function accountsAre(page: Page, how: "is used as it is typed" | RegExp): Promise<void> {
  await page.setViewportSize(DESK);
  await page.goto(`${DEMO}/settings`);
  await alive(page);
  const field = page.getByLabel("A new bank account");
  const option = await field.locator("option").filter({ hasText: how }).innerText();
  await field.selectOption(option);
  await page.locator("form").filter({ has: field }).getByRole("button", { name: "Keep" }).click();
  await expect(page.getByRole("status").last()).toContainText("Kept");
  await page.setViewportSize(PHONE);
}

test("a card's bank asks for a code: a wrong one, the page loaded anew, the right one; it is paid once", async ({
  page,
  baseURL,
}) => {
  const token = await tokenOf(page, "Otter Cove Gallery");
  await page.goto(atTheDoor(`/pay/${token}`, baseURL ?? ""));
  await firstOnly(page);
  const number = (await page.getByRole("listitem").first().innerText()).split(/\s/)[0] ?? "";
  await page.getByRole("radio", { name: /^Card/ }).check();
  await page.getByRole("button", { name: "Go on" }).click();
  await page.getByLabel("Card number").fill(ASKS_CODE);
  await page.getByLabel("Month and year").fill("04/29");
  await page.getByLabel("Code on the card").fill("123");
  await page.getByRole("button", { name: "The last look" }).click();
  await page.getByRole("button", { name: /^Pay / }).click();
  const code = page.getByLabel("Code from your bank");
  await code.fill("111111");
  await page.getByRole("button", { name: "Confirm" }).click();
  await expect(page.getByText("That is not the code that was sent")).toBeVisible();
  // Who has looked at its telephone meanwhile finds the page where it was.
  await page.reload();
  await code.fill("246810");
  await page.getByRole("button", { name: "Confirm" }).click();
  await expect(page.getByRole("status")).toContainText("Paid");
  await page.getByRole("link", { name: "back" }).click();
  await expect(page.getByText(number)).toHaveCount(0);
});

test("a bank account is proven: by its bank at once, or by two small sums that came", async ({
  page,
  baseURL,
}) => {
  await accountsAre(page, /^is proven first/);
  const token = await tokenOf(page, "Millrace Gallery");
  const pay = atTheDoor(`/pay/${token}`, baseURL ?? "");
  await page.goto(pay);
  await page.getByRole("radio", { name: /^Bank account/ }).check();
  await page.getByRole("button", { name: "Go on" }).click();
  await page.getByRole("button", { name: "Sign in at your bank instead" }).click();
  const bank = page.frameLocator("iframe");
  await bank.getByLabel("Your name at this bank").fill("Ana Reyes");
  await bank.getByRole("button", { name: "Let it be used" }).click();
  await expect(page.getByRole("button", { name: /^Pay / })).toBeVisible();
  await page.getByRole("button", { name: "Change something" }).click();
  // One that is typed is proven by what came to it.
  await page.getByRole("button", { name: "Go on" }).click();
  await page.getByLabel("Routing number").fill("011000015");
  await page.getByLabel("Account number").fill("000123456700");
  await page.getByLabel("Once more").fill("000123456700");
  await page.getByRole("button", { name: "The last look" }).click();
  await page.getByRole("button", { name: "Keep it, and send two small sums" }).click();
  await expect(page.getByText("ending in 6700")).toBeVisible();
  await page.getByRole("button", { name: "Go on" }).click();
  await page.getByLabel("One sum").fill("0.01");
  await page.getByLabel("The other").fill("0.66");
  await page.getByRole("button", { name: "It is mine" }).click();
  await expect(page.getByText("These are not the two sums")).toBeVisible();
  await page.getByLabel("The other").fill("0.67");
  await page.getByRole("button", { name: "It is mine" }).click();
  await expect(page.getByText("counts as paid on").first()).toBeVisible();
  await page.getByRole("button", { name: "Go on" }).click();
  await page.getByRole("button", { name: /^Pay / }).click();
  await expect(page.getByRole("status")).toContainText("On its way");
  await accountsAre(page, "is used as it is typed");
});

test("a payment is taken part by card, and the rest came as a check", async ({ page }) => {
  await page.setViewportSize(DESK);
  await page.goto(`${DEMO}/customers?q=Otter%20Cove%20Gallery`);
  await page.getByRole("link", { name: "Otter Cove Gallery" }).first().click();
  await page.getByRole("link", { name: "Take a payment" }).click();
  await alive(page);
  await firstOnly(page);
  await page.getByRole("radio", { name: /^Card/ }).check();
  await page.getByLabel("Another sum").fill("10");
  await page.getByRole("button", { name: "Go on" }).click();
  await page.getByLabel("Card number").fill("4111 1111 1111 1111");
  await page.getByLabel("Month and year").fill("04/29");
  await page.getByLabel("Code on the card").fill("123");
  await page.keyboard.press("Enter");
  await page.getByLabel("Who allowed it, and how").fill("Ana Reyes, on the telephone");
  await page.getByRole("button", { name: "Take USD 10.00" }).click();
  await page.getByRole("button", { name: "The rest came as a check or in cash" }).click();
  await page.getByLabel("Number", { exact: true }).fill("1044");
  await page.getByRole("button", { name: "Record it" }).click();
  await page.getByRole("link", { name: "Give it to its invoices" }).click();
  await expect(page.locator("tr[data-open]")).toContainText("Otter Cove Gallery");
  await proofsHold(page);
});
