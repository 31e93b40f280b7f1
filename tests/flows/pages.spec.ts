import AxeBuilder from "@axe-core/playwright";
import { type BrowserContext, expect, type Page } from "@playwright/test";

import { alive, cutSums, DEMO, proofsHold, watch } from "./helpers";
import { PAGES } from "./pageList";
import { test } from "./test";

/**
 * What axe finds on a page (or, on the other paper, what its colours do), in few words. Only what
 * is wrong is written out:
 * naming every node that is right takes most of the time of a long list. No page has frames, so axe
 * runs in the page itself.
 */
async function found(page: Page, what: "all" | "colours" = "all"): Promise<string[]> {
  // It is in the page already when colours are asked about; to read it in once more takes as long
  // as the question.
  const axe = new AxeBuilder({ page, ...(what === "colours" ? { axeSource: ";" } : {}) })
    .options({ resultTypes: ["violations"] })
    .setLegacyMode();
  const chosen =
    what === "all"
      ? axe.withTags(["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa", "best-practice"])
      : axe.withRules(["color-contrast", "link-in-text-block"]);
  return (await chosen.analyze()).violations.map(
    (violation) =>
      `${violation.id}: ${violation.nodes
        .slice(0, 3)
        .map((node) => node.html.slice(0, 160))
        .join(" | ")}`,
  );
}

const WIDE = { width: 1280, height: 800 };
/** A phone; and 1280x800 at 200 %: half as many pixels each way. */
const NARROW = [
  { width: 390, height: 844 },
  { width: 640, height: 400 },
];

/** What is wider than the screen, or cut, where there is little room. */
async function cramped(page: Page): Promise<unknown[]> {
  const wrong: unknown[] = [];
  for (const viewport of NARROW) {
    await page.setViewportSize(viewport);
    const wide = await page.evaluate(() => document.documentElement.scrollWidth);
    const cut = await cutSums(page);
    if (wide > viewport.width || cut.length > 0) wrong.push({ viewport, wide, cut });
  }
  await page.setViewportSize(WIDE);
  return wrong;
}

test.describe("every page on light and dark paper, on a phone and at 200 %", () => {
  // One visitor goes through all of them, so that scripts and fonts are read in once.
  let visitor: BrowserContext;
  test.beforeAll(async ({ browser }) => {
    visitor = await browser.newContext();
  });
  test.afterAll(async () => {
    await visitor.close();
  });
  for (const [name, path] of PAGES) {
    test(`${name}: axe finds nothing, nothing is cut, no message, nothing from outside`, async () => {
      const page = await visitor.newPage();
      const seen = watch(page);
      await page.goto(`${DEMO}${path.replace(/[?&]open=first/, "")}`);
      await alive(page);
      if (path.includes("open=first")) {
        await page.keyboard.press("ArrowDown");
        await expect(page.locator("tr[data-workings]")).toBeVisible();
        await expect(page.getByText("Reading …")).toHaveCount(0);
      }
      await proofsHold(page);
      expect(await found(page)).toEqual([]);
      // The page is the same on dark paper but for its colours.
      const paper = (): Promise<string> =>
        page.evaluate(() => getComputedStyle(document.body).backgroundColor);
      const light = await paper();
      await page.emulateMedia({ colorScheme: "dark" });
      await expect.poll(paper).not.toBe(light);
      expect(await found(page, "colours")).toEqual([]);
      expect(await cramped(page)).toEqual([]);
      expect(seen).toEqual({ problems: [], outside: [] });
      await page.close();
    });
  }
});

test("what a customer sees: axe finds nothing, no console message, nothing from outside", async ({
  page,
}) => {
  await page.goto(`${DEMO}/customers/12`);
  const link = await page.getByRole("link", { name: "What they see" }).getAttribute("href");
  const seen = watch(page);
  await page.goto(link ?? "");
  await page.waitForLoadState("load");
  expect(await found(page)).toEqual([]);
  await page.emulateMedia({ colorScheme: "dark" });
  expect(await found(page, "colours")).toEqual([]);
  // The same customer's bill, and a card being typed.
  await page.goto((link ?? "").replace("/account/", "/pay/").replace("?look", ""));
  await page.getByRole("radio", { name: /^Card/ }).check();
  expect(await found(page)).toEqual([]);
  await page.emulateMedia({ colorScheme: "light" });
  await page.getByRole("button", { name: "Go on" }).click();
  await page.getByRole("button", { name: "The last look" }).click();
  expect(await found(page)).toEqual([]);
  expect(seen).toEqual({ problems: [], outside: [] });
});

test("the start page and a book that is not there", async ({ page }) => {
  const seen = watch(page);
  await page.goto("/?new=1");
  await expect(page.getByRole("heading", { name: "Dozo" })).toBeVisible();
  expect(await found(page)).toEqual([]);
  expect(seen).toEqual({ problems: [], outside: [] });
  expect((await page.goto("/b/nobody/match"))?.status()).toBe(404);
});

test("find anything, from anywhere", async ({ page }) => {
  await page.goto(`${DEMO}/books`);
  await alive(page);
  const field = page.getByRole("combobox", { name: "Find" });
  await page.keyboard.press("/");
  await expect(field).toBeFocused();
  await page.keyboard.type("Emberline");
  await expect(page.getByRole("option", { name: /Emberline Studio/ }).first()).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(page).toHaveURL(/customers\/\d+/);
  await page.keyboard.press("/");
  await expect(field).toBeFocused();
  await page.keyboard.press("Escape");
  await expect(field).toHaveCount(0);
  // What keys do is said of the page as it stands.
  await page.goto(`${DEMO}/match?queue=check`);
  await alive(page);
  await expect(page.getByRole("button", { name: /^On account/ })).toBeVisible();
  await page.keyboard.press("Shift+Slash");
  const keys = page.getByRole("dialog");
  await expect(keys).toContainText("take up the open row");
  await page.keyboard.press("Escape");
  await expect(keys).toHaveCount(0);
  await page.keyboard.press("Enter");
  await page.keyboard.press("Shift+Slash");
  await expect(keys).toContainText("On account");
  await expect(keys).toContainText("nothing was done here just now");
  await page.keyboard.press("Escape");
  await expect(keys).toHaveCount(0);
});

test("words explain themselves, on hover, by the key H, and on a page of their own", async ({
  page,
}) => {
  await page.goto(`${DEMO}/match?queue=check`);
  await alive(page);
  await page
    .getByRole("link", { name: /^To check/ })
    .locator("[data-word]")
    .hover();
  await expect(page.getByRole("tooltip")).toContainText("likely and not beyond doubt");
  await page.keyboard.press("h");
  const words = page.getByRole("dialog", { name: "Words on this page" });
  await expect(words).toContainText("Tally");
  await expect(words).not.toContainText("Ladder");
  await words.getByRole("link", { name: "All words" }).click();
  await expect(page).toHaveTitle(/^Words, Kestrel Row/);
  await expect(page.getByRole("heading", { name: "Words of our own" })).toBeVisible();
  await expect(page.getByText("Ladder", { exact: true })).toBeVisible();
});

test("lists give their CSV, with the filter they show", async ({ page }) => {
  await page.goto(`${DEMO}/invoices?state=open&q=Brightwater`);
  await alive(page);
  const link = await page.getByRole("link", { name: "CSV" }).getAttribute("href");
  const text = await (await page.request.get(link ?? "")).text();
  const [head, ...rows] = text.trim().split("\r\n");
  expect(head).toBe(
    "number,customer_id,customer,issued_on,due_on,total,balance,po_number,currency,book_balance",
  );
  expect(rows.length).toBe(await page.locator("tbody tr[data-row]").count());
  expect(rows.every((row) => row.includes("Brightwater"))).toBe(true);
  // The same of a list that is filtered by a state; to print, too.
  await page.goto(`${DEMO}/overdue?state=waits`);
  await alive(page);
  const file = async (name: string): Promise<Buffer> => {
    const href = await page.getByRole("link", { name, exact: true }).getAttribute("href");
    return (await page.request.get(href ?? "")).body();
  };
  const [, ...waiting] = (await file("CSV")).toString().trim().split("\r\n");
  const shown = await page.getByRole("link", { name: /^Waits \d/ }).innerText();
  expect(`Waits ${waiting.length}`).toBe(shown);
  expect(waiting.every((row) => row.includes(",waits,"))).toBe(true);
  expect((await file("Print")).subarray(0, 5).toString()).toBe("%PDF-");
});
