import { readdirSync, readFileSync } from "node:fs";

import { expect, type Page } from "@playwright/test";

import { alive, DEMO, proofsHold } from "./helpers";
import { type OwnServer, ownServer } from "./ownServer";
import { test } from "./test";

const README = readFileSync("README.md", "utf8");
const MINUTES = README.slice(README.indexOf("## Ten minutes"), README.indexOf("## Your own files"));
/** The steps of the walk, by their numbers. */
const STEPS = new Map(
  MINUTES.split(/\n(?=\d+\. )/)
    .slice(1)
    .map((step) => [Number.parseInt(step, 10), step.replaceAll("*", "").replaceAll("`", "")]),
);

/** The README says this in a step; where it no longer does, the walk has to be walked anew. */
function said(step: number, ...phrases: string[]): void {
  for (const phrase of phrases) expect(STEPS.get(step)).toContain(phrase);
}

const status = (page: Page) => page.getByRole("status");
const workings = (page: Page) => page.locator("tr[data-workings]");

let server: OwnServer;
let page: Page;
const go = async (path: string): Promise<void> => {
  await page.goto(`${server.url}${DEMO}${path}`);
  await alive(page);
};
/** Opens a row and waits until what it opens into is there. */
const open = async (words: string | RegExp): Promise<void> => {
  await page.locator("tr[data-row]").filter({ hasText: words }).first().click();
  await expect(page.locator("tr[data-open]")).toContainText(words);
  await expect(page.getByText("Reading …")).toHaveCount(0);
};

test.describe.configure({ mode: "serial" });
test.describe("the ten minutes of the README, on a demo book as it comes", () => {
  test.beforeAll(async ({ browser }) => {
    test.setTimeout(120_000);
    server = await ownServer("readme", 10);
    page = await browser.newPage();
  });
  test.afterAll(async () => {
    await page.close();
    server.stop();
  });

  test("1: Match opens on what wants a look, and the first Enter posts nothing", async () => {
    said(1, "under To check", "Cobalt Row School of Craft paid 228.60, short by 12.60");
    await go("/match");
    await expect(page.getByRole("link", { name: /^To check/ })).toHaveAttribute(
      "aria-current",
      "page",
    );
    const first = page.locator("tr[data-open]");
    await expect(first).toContainText("Cobalt Row School of Craft");
    await expect(first).toContainText("short by 12.60");
    await expect(workings(page).locator("mark").first()).toBeVisible();
    await page.keyboard.press("Enter");
    await expect(workings(page).locator("td").first()).toBeFocused();
    await expect(first).toContainText("228.60");
    await expect(status(page)).toBeEmpty();
  });

  test("2: paid twice: the two side by side, K keeps the second on account", async () => {
    said(
      2,
      "Dovecote Arts Trust paid invoice 20660 on 10 November and again on the 16th",
      "K keeps",
    );
    await open("Dovecote Arts Trust");
    await expect(workings(page)).toContainText("10 Nov");
    await page.keyboard.press("k");
    await expect(status(page)).toContainText("kept on account of Dovecote Arts Trust");
  });

  test("3: a lump, a credit note taken off, and all the sure ones", async () => {
    said(3, "Under Sure, BRIGHTWATER UNIF sent 938.50", "20605 606 669 670", "paid 111.12");
    said(3, "press A", "X takes one out, Enter posts the rest together", "U would take all");
    await go("/match?queue=sure");
    await open("BRIGHTWATER UNIF");
    for (const number of ["20605", "20606", "20669", "20670"])
      await expect(workings(page)).toContainText(number);
    await open("WINDRUSH COMMUNI");
    await expect(workings(page)).toContainText("CN-20498");
    await page.keyboard.press("Enter");
    await expect(status(page)).toContainText("111.12 of WINDRUSH COMMUNI posted");
    await page.keyboard.press("a");
    const sure = page.getByRole("region", { name: "Sure receipts" });
    await expect(sure).toContainText("A second glance");
    const button = page.getByRole("button", { name: /^Post these/ });
    const count = Number(/\d+/.exec(await button.innerText())?.[0]);
    await page.keyboard.press("x");
    await expect(button).toContainText(`Post these ${count - 1}`);
    await page.keyboard.press("Enter");
    await expect(status(page)).toContainText(`${count - 1} receipts posted`);
    await expect(page.getByRole("button", { name: /^Undo/ })).toBeVisible();
    await proofsHold(page);
  });

  test("4: not ours, by hand, and by two", async () => {
    said(4, "KLN SERVICES paid 622.50", "S, a reason, Enter", "N records", "D and Enter", "34.00");
    await go("/match?queue=none");
    await open("KLN SERVICES");
    await page.keyboard.press("s");
    await page.keyboard.type("for our landlord");
    await page.keyboard.press("Enter");
    await expect(status(page)).toContainText("Set aside");
    await go("/match?queue=hand");
    await page.keyboard.press("n");
    await expect(page.getByLabel("Sum")).toBeVisible();
    await page.keyboard.press("Escape");
    await page.keyboard.press("d");
    await page.keyboard.press("Enter");
    await expect(status(page)).toContainText("taken to the bank");
    await go("/match?queue=second");
    await expect(page.locator("tr[data-row]")).toContainText("34.00");
    await expect(page.getByLabel("Who is working")).toHaveValue("Mara Voss");
  });

  test("5: the payout that is off is booked as a dispute fee by Enter", async () => {
    said(5, "one is off by (15.00)", "disputed 378.00", "Enter books it as a dispute fee");
    await go("/payouts");
    await expect(page.getByRole("heading", { level: 1 })).toContainText("(15.00)");
    await expect(workings(page)).toContainText("a dispute is in it without a fee");
    await page.keyboard.press("Enter");
    await expect(workings(page).locator("td").first()).toBeFocused();
    await page.keyboard.press("Enter");
    await expect(status(page)).toContainText("tied to the bank");
    await go("/payouts?show=fees");
    await expect(page.getByRole("region", { name: /fee/i }).first()).toBeVisible();
    await proofsHold(page);
  });

  test("6: what came back, with its day; and the whole chain of a receipt", async () => {
    said(6, "answered by 1 December", "Find WRENFIELD with /", "140.00");
    await go("/payouts?show=back");
    await expect(page.getByRole("region", { name: "What came back" })).toContainText("1 Dec");
    await page.keyboard.press("/");
    await page.keyboard.type("WRENFIELD");
    await expect(page.getByRole("option").first()).toContainText(/wrenfield/i);
    await page.keyboard.press("Escape");
  });

  test("7: who broke a promise stands on top; the letters go to the outbox", async () => {
    said(
      7,
      "Emberline Studio broke its promise of 6 November and stands on top",
      "S and Enter send",
    );
    await go("/overdue");
    const top = page.locator("tr[data-row]").first();
    await expect(top).toContainText("Emberline Studio");
    await expect(top).toContainText("promise of Fri 6 Nov broken");
    await go("/overdue?show=run");
    await page.keyboard.press("ArrowDown");
    await expect(page.getByLabel("Subject")).toBeVisible();
    await page.keyboard.press("Escape");
    const outbox = (): number =>
      readdirSync("test-results/data-readme/books/kestrel-row/outbox").length;
    const before = outbox();
    await page.keyboard.press("s");
    await expect(page.getByText(/whoever paid in them would be reminded/)).toBeVisible();
    await page.keyboard.press("Enter");
    await expect(status(page)).toContainText("to the outbox");
    await expect.poll(outbox, { timeout: 30_000 }).toBeGreaterThan(before + 5);
    await expect(page.getByRole("link", { name: "Moosewillow" })).toHaveCount(0);
  });

  test("8: four files lie ready; Enter takes one in, and again it doubles nothing", async () => {
    said(8, "four files lie ready", "Look at it", "Enter takes it in");
    await go("/arrivals");
    await expect(page.getByRole("heading", { level: 1 })).toContainText("4");
    await page
      .getByRole("button", { name: /Look at it/ })
      .first()
      .click();
    await expect(page.getByRole("button", { name: /^Take in \d+ lines?/ })).toBeEnabled();
    await page.keyboard.press("Enter");
    await expect(status(page)).toContainText("taken in");
    await proofsHold(page);
  });

  test("9: the books: every proof down to its items, the trial balance, the audit trail", async () => {
    said(9, "Audit trail", "Other currencies", "Journal export");
    await go("/books");
    await expect(page.getByRole("heading", { level: 1 })).toBeVisible();
    await go("/books?proof=clearing");
    await expect(page.getByText(/Clearing/).first()).toBeVisible();
    for (const view of ["Trial balance", "Audit trail", "Other currencies", "Journal export"]) {
      await page.getByRole("link", { name: view, exact: true }).click();
      await expect(page.getByRole("link", { name: view, exact: true })).toHaveAttribute(
        "aria-current",
        "page",
      );
    }
    await proofsHold(page);
  });

  test("10: a customer's line of time and statement, and the reports", async () => {
    said(10, "one line of time", "Statement", "aging", "figures");
    await go("/customers");
    await page.getByRole("link", { name: "Alder Lane Gallery" }).click();
    await page.getByRole("link", { name: "Statement", exact: true }).click();
    await expect(page).toHaveTitle(/^Statement of Alder Lane Gallery/);
    await go("/reports");
    await expect(page.getByText(/ties to Accounts receivable/)).toBeVisible();
    await page.getByRole("link", { name: "Figures", exact: true }).click();
    await expect(page.getByRole("heading", { level: 1 })).toContainText("days sales outstanding");
    await proofsHold(page);
  });
});
