import { expect, type Page } from "@playwright/test";

import { atTheDoor, heldScripts, DESK, PHONE, tokenOf } from "./customerPages";
import { alive, DEMO, proofsHold } from "./helpers";
import { test } from "./test";

/** The practice bank answers a card by the two digits before its last. */
const GOOD = "4111 1111 1111 1111";
const NO_MONEY = "4000 0000 0000 0515";

test.use({ viewport: PHONE });

/** The invoice that the customer has paid by its link. */
let paidByLink = "";

test("a bill is paid on a phone: a wrong digit, a card that is declined, another that is kept; nothing waits in Match", async ({
  page,
  baseURL,
}) => {
  const token = await tokenOf(page, "Saltgrass Ceramics Guild");
  const pay = atTheDoor(`/pay/${token}`, baseURL ?? "");
  await page.goto(atTheDoor(`/account/${token}`, baseURL ?? ""));
  await page.getByRole("link", { name: "Pay now" }).click();
  await expect(page).toHaveURL(pay);
  // Only one of the invoices is paid.
  const boxes = page.getByRole("checkbox");
  const count = await boxes.count();
  expect(count).toBeGreaterThan(2);
  for (let at = 1; at < count; at += 1) await boxes.nth(at).uncheck();
  paidByLink = (await page.getByRole("listitem").first().innerText()).split(/\s/)[0] ?? "";
  await page.getByRole("radio", { name: /^Card/ }).check();
  await page.getByRole("button", { name: "Go on" }).click();
  await page.getByLabel("Card number").fill("4111 1111 1111 1112");
  await page.getByLabel("Month and year").fill("04/29");
  await page.getByLabel("Code on the card").fill("123");
  await page.getByRole("button", { name: "The last look" }).click();
  await expect(page.getByText("One of the digits is wrong")).toBeVisible();
  await page.getByLabel("Card number").fill(NO_MONEY);
  await page.getByRole("button", { name: "The last look" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toContainText("You pay Kestrel Row");
  await page.getByRole("button", { name: /^Pay / }).click();
  await expect(page.getByRole("alert").first()).toContainText("not enough on the account");
  await page.getByRole("button", { name: "Change something" }).click();
  await page.getByRole("button", { name: "Go on" }).click();
  await page.getByLabel("Card number").fill(GOOD);
  await page.getByLabel("Month and year").fill("04/29");
  await page.getByLabel("Code on the card").fill("123");
  await page.getByLabel("Pay my invoices by themselves").check();
  await page.getByRole("button", { name: "The last look" }).click();
  await expect(page.getByText("I let Kestrel Row Clay & Kiln take what I owe")).toBeVisible();
  await page.getByRole("button", { name: /^Pay / }).click();
  await expect(page.getByRole("status")).toContainText("Paid");
  await page.getByRole("link", { name: "back" }).click();
  await expect(page.getByText(paidByLink)).toHaveCount(0);
  await expect(page.getByText("as agreed on")).toBeVisible();
  await expect(page.getByText("ending in 1111").first()).toBeVisible();
  // The clerk sees it paid, and every proof holds.
  await page.setViewportSize(DESK);
  await page.goto(`${DEMO}/invoices?state=paid&q=${paidByLink}`);
  await expect(page.getByRole("table").getByText(paidByLink)).toBeVisible();
  await proofsHold(page);
});

test("the run of agreed payments: looked through, and taken by a second press", async ({
  page,
}) => {
  await page.setViewportSize(DESK);
  await page.goto(`${DEMO}/paying`);
  await alive(page);
  const head = page.getByRole("heading", { level: 1 });
  await expect(head).toContainText(/in 1 payment/);
  await expect(page.getByText("ending in 1111").first()).toBeVisible();
  await page.keyboard.press("t");
  await expect(page.getByText("One is charged now")).toBeVisible();
  await page.keyboard.press("t");
  await expect(page.getByRole("status").last()).toContainText("1 paid");
  await expect(head).toContainText(/in 0 payments/);
  await expect(page.getByRole("table", { name: "Taken in the last two weeks" })).toContainText(
    "✓ paid from Visa ending in 1111",
  );
  await proofsHold(page);
});

test("what was paid twice goes back the way it came", async ({ page }) => {
  await page.setViewportSize(DESK);
  await page.goto(`${DEMO}/invoices?state=paid&q=${paidByLink}`);
  await page.getByRole("link", { name: paidByLink }).click();
  await page.getByRole("main").locator("a[href*='/receipts/']").first().click();
  await expect(page.getByText("At the processor")).toBeVisible();
  await alive(page);
  const receipt = page.url();
  const id = /\d+$/.exec(receipt)?.[0] ?? "";
  // It was paid twice, say: what it was given to is taken back, and it stands on account.
  await page.getByRole("button", { name: "Undo" }).first().click();
  await expect(page.getByText("waits in Match")).toBeVisible();
  await page.goto(`${DEMO}/match?open=${id}`);
  await alive(page);
  await expect(page.locator("tr[data-open]")).toContainText("Saltgrass");
  await page.keyboard.press("Enter");
  await page.keyboard.press("k");
  await expect(page.getByRole("status")).toContainText("on account");
  await page.goto(receipt);
  await alive(page);
  await page.keyboard.press("b");
  await page.getByLabel("Sum").fill("30");
  await page.getByLabel("Why").fill("paid twice");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("status")).toContainText("30.00 sent back the way it came");
  await expect(page.getByRole("table", { name: "Money sent back" })).toContainText("sent back");
  await proofsHold(page);
});

test("a payment is taken on the telephone, by card, at the customer's word", async ({ page }) => {
  await page.setViewportSize(DESK);
  await page.goto(`${DEMO}/customers?q=Saltgrass%20Ceramics`);
  await page.getByRole("link", { name: "Saltgrass Ceramics Guild" }).first().click();
  await page.getByRole("link", { name: "Take a payment" }).click();
  await expect(page.getByText("A payment to Kestrel Row")).toBeVisible();
  await alive(page);
  const boxes = page.getByRole("checkbox");
  for (let at = 1; at < (await boxes.count()); at += 1) await boxes.nth(at).uncheck();
  await page.getByRole("radio", { name: /^Card/ }).check();
  await page.getByRole("button", { name: "Go on" }).click();
  await page.getByLabel("Card number").fill(GOOD);
  await page.getByLabel("Month and year").fill("04/29");
  await page.getByLabel("Code on the card").fill("123");
  await page.keyboard.press("Enter");
  await page.getByRole("button", { name: /^Take / }).click();
  await expect(page.getByRole("alert").first()).toContainText("Say who allowed it");
  await page.getByLabel("Who allowed it, and how").fill("Ana Reyes, on the telephone");
  await page.getByRole("button", { name: /^Take / }).click();
  await expect(page.getByRole("status").filter({ hasText: "Paid" })).toBeVisible();
  await proofsHold(page);
});

test("a customer asks about an invoice; it holds the reminder, is answered, and stands on its page", async ({
  page,
  baseURL,
}) => {
  const token = await tokenOf(page, "Emberline Studio");
  // On a slow telephone the scripts are still on their way when the customer begins to type.
  const scripts = await heldScripts(page);
  await page.goto(atTheDoor(`/pay/${token}`, baseURL ?? ""), { waitUntil: "commit" });
  await page.getByRole("link", { name: "Something not right?" }).click();
  await expect(page.getByText("Nothing was asked yet.")).toBeVisible();
  await page.getByLabel("About").selectOption({ index: 1 });
  await page.getByLabel("What do you want to say or ask?").fill("Which delivery is this?");
  scripts.release();
  await expect(page.getByRole("button", { name: "Send" })).toBeEnabled();
  const number = await page.getByLabel("About").evaluate((field: HTMLSelectElement) => {
    return field.selectedOptions[0]?.text ?? "";
  });
  await page.getByLabel("It is").selectOption("dispute");
  await page.getByRole("button", { name: "Send" }).click();
  await expect(page.getByRole("heading", { name: `${number} you do not agree` })).toBeVisible();
  await page.setViewportSize(DESK);
  await page.goto(`${DEMO}/overdue?show=questions`);
  const thread = page.getByRole("region", { name: "Question of Emberline Studio" });
  await expect(thread).toContainText("does not agree with");
  await expect(thread).toContainText("Which delivery is this?");
  await thread.getByLabel("Your answer").fill("The one of May.");
  await thread.getByRole("button", { name: "Answer, and keep it open" }).click();
  await expect(thread).toContainText("The one of May.");
  await page.goto(`${DEMO}/overdue`);
  await expect(page.getByText(`about ${number} is open`).first()).toBeVisible();
  await page.goto(`${DEMO}/overdue?show=questions`);
  await thread.getByRole("button", { name: "End it without an answer" }).click();
  await expect(page.getByText("Nobody asks anything.")).toBeVisible();
  await page.goto(atTheDoor(`/pay/${token}/questions`, baseURL ?? ""));
  await expect(page.getByText("The one of May.")).toBeVisible();
  await expect(page.getByText("✓ settled")).toBeVisible();
});

test("a customer pays a sum of its own, and what is overdue in parts; the plan is ended on its page", async ({
  page,
  baseURL,
}) => {
  await page.setViewportSize(DESK);
  await page.goto(`${DEMO}/settings`);
  await alive(page);
  const form = page.locator("form").filter({ has: page.getByLabel("Sums of their own from") });
  await form.getByLabel("Sums of their own from").fill("20");
  await form.getByLabel("may be paid in parts").fill("6");
  await form.getByRole("button", { name: "Keep" }).click();
  await expect(page.getByText("Pages that stand open show it")).toBeVisible();
  const token = await tokenOf(page, "Emberline Ceramics");
  await page.goto(atTheDoor(`/pay/${token}`, baseURL ?? ""));
  await page.getByRole("radio", { name: /^Card/ }).check();
  const total = page.locator("[data-total]");
  await page.getByLabel("Another sum").fill("19.99");
  await expect(page.getByRole("alert").first()).toContainText("Between USD 20.00 and");
  await expect(page.getByRole("button", { name: "Go on" })).toBeDisabled();
  await page.getByLabel("Another sum").fill("25.50");
  await expect(total).toHaveText("USD 25.50");
  await page.getByRole("button", { name: "Go on" }).click();
  await typeCard(page);
  await page.getByRole("button", { name: "Pay USD 25.50" }).click();
  await expect(page.getByRole("status")).toContainText("Paid");
  await page.getByRole("link", { name: "back" }).click();
  await alive(page);
  await page.getByLabel("At once, or in parts").selectOption("3");
  const days = page.locator("dl dd");
  await expect(days).toHaveCount(3);
  const first = await days.first().innerText();
  await page.getByRole("radio", { name: /^Card/ }).check();
  await page.getByRole("button", { name: "Go on" }).click();
  await typeCard(page);
  await expect(page.getByText("you let each part be taken on its day")).toBeVisible();
  await page.getByRole("button", { name: `Pay ${first}` }).click();
  await expect(page.getByRole("status")).toContainText("Paid");
  await page.getByRole("link", { name: "back" }).click();
  await expect(page.getByText("Paid in parts, as you agreed:")).toBeVisible();
  await expect(page.locator("dl dd").first()).toHaveText(`✓ ${first}`);
  await alive(page);
  await page.getByText("Paid in parts, as you agreed:").getByRole("button").click();
  await expect(page.getByText("Paid in parts, as you agreed:")).toHaveCount(0);
  await page.setViewportSize(DESK);
  await page.goto(`${DEMO}/match`);
  await proofsHold(page);
});

async function typeCard(page: Page): Promise<void> {
  await page.getByLabel("Card number").fill(GOOD);
  await page.getByLabel("Month and year").fill("04/29");
  await page.getByLabel("Code on the card").fill("123");
  await page.getByRole("button", { name: "The last look" }).click();
}
