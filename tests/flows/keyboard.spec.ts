import { expect, type Page } from "@playwright/test";

import { alive, DEMO, proofsHold } from "./helpers";
import { test } from "./test";

const opened = (page: Page) => page.locator("tr[data-workings] > td");
const within = (page: Page): Promise<boolean> =>
  page.evaluate(
    () => document.querySelector("tr[data-workings]")?.contains(document.activeElement) ?? false,
  );

test("by keyboard alone: the first Enter takes a row up, Tab goes on from there, Escape gives it back, the second Enter posts", async ({
  page,
}) => {
  await page.goto(`${DEMO}/match?queue=check`);
  await alive(page);
  // The page opened the first row: neither a letter nor Enter does anything to it yet.
  await expect(page.getByRole("button", { name: /^Post/ })).toBeVisible();
  const rows = page.locator("tr[data-row]");
  const count = await rows.count();
  await page.keyboard.press("k");
  await page.keyboard.press("Enter");
  await expect(opened(page)).toBeFocused();
  await expect(page.getByRole("status")).toBeEmpty();
  expect(await rows.count()).toBe(count);
  await page.keyboard.press("Tab");
  expect(await within(page)).toBe(true);
  await expect(opened(page)).not.toBeFocused();
  // Escape leaves a field first, then the row, and the focus is on the row's own button again.
  await page.keyboard.press("Escape");
  if ((await opened(page).count()) > 0) await page.keyboard.press("Escape");
  await expect(opened(page)).toHaveCount(0);
  await expect(rows.first().locator("[data-opener]")).toBeFocused();
  await page.keyboard.press("Enter");
  await expect(opened(page)).toBeFocused();
  await expect(page.getByText("Reading …")).toHaveCount(0);
  const amount = await rows.first().locator("[data-sum]").first().innerText();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("status")).toContainText(`${amount} of`);
  // What opened after it is the user's: it has the focus, and the next Enter would post it.
  await expect(opened(page)).toBeFocused();
  await page.keyboard.press("u");
  await expect(page.getByRole("status")).toContainText("Undone");
  await proofsHold(page);
});

test("a link that is followed by a key hands the focus on to what it shows", async ({ page }) => {
  await page.goto(`${DEMO}/overdue?show=run`);
  await alive(page);
  await page.getByRole("link", { name: "Who is late" }).focus();
  await page.keyboard.press("Enter");
  await expect(page).toHaveTitle(/^Overdue, /);
  await expect(page.getByRole("region", { name: "Overdue customers" })).toBeFocused();
  await page.keyboard.press("Enter");
  await expect(opened(page)).toBeFocused();
});

test("what lies over the page hears the keys, and not the row below it", async ({ page }) => {
  await page.goto(`${DEMO}/match?queue=check`);
  await alive(page);
  await page.keyboard.press("Enter");
  await expect(opened(page)).toBeFocused();
  await expect(page.getByText("Reading …")).toHaveCount(0);
  for (const over of ["Shift+Slash", "h"]) {
    await page.keyboard.press(over);
    const dialog = page.getByRole("dialog");
    await expect(dialog).toBeVisible();
    for (const key of ["Enter", "k", "s", "u", "ArrowDown"]) await page.keyboard.press(key);
    await expect(page.getByRole("status")).toBeEmpty();
    await page.keyboard.press("Escape");
    await expect(dialog).toHaveCount(0);
    // The row is as it was, and still the user's.
    await expect(page.getByRole("button", { name: /^Post/ }).locator("kbd")).toBeVisible();
  }
});

test("another filter is another list: its first row is open, and Enter is not lost on the old one", async ({
  page,
}) => {
  await page.goto(`${DEMO}/overdue`);
  await alive(page);
  await page.locator("tr[data-row]").nth(2).click();
  await expect(opened(page)).toBeFocused();
  await page.getByRole("link", { name: /^Waits \d/ }).click();
  await expect(page).toHaveURL(/state=waits/);
  await page.keyboard.press("Enter");
  await expect(opened(page)).toBeFocused();
  await expect(page.locator("tr[data-open]")).toHaveCount(1);
});

test("a row that the page opened says what Enter does, and bears no other key until then", async ({
  page,
}) => {
  await page.goto(`${DEMO}/match?queue=check`);
  await alive(page);
  const post = page.getByRole("button", { name: /^Post/ });
  await expect(post).toBeVisible();
  await expect(post.locator("kbd")).toBeHidden();
  await expect(page.getByText("Enter takes it up")).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(post.locator("kbd")).toBeVisible();
  await expect(page.getByText("Enter takes it up")).toHaveCount(0);
});

test("each page says in its title what it is and whose", async ({ page }) => {
  for (const [path, title] of [
    ["/match", /^Match, Kestrel Row/],
    ["/match?queue=sure", /^Match, Kestrel Row/],
    ["/overdue?show=ladders", /^Overdue: ladders, Kestrel Row/],
    ["/customers/12", /, Kestrel Row/],
    ["/invoices/2400", /^(Invoice|Credit note) .*, Kestrel Row/],
    ["/payouts/500", /^Payout .*, Kestrel Row/],
  ] as const) {
    await page.goto(`${DEMO}${path}`);
    await expect(page).toHaveTitle(title);
  }
});
