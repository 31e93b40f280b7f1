import { expect, type Page, test } from "@playwright/test";

import { alive, DEMO } from "./helpers";
import { PAGES } from "./pageList";

/**
 * Sums that cannot be read whole: beyond an edge of the screen, or cut by a part of the page that
 * does not show all of itself. What is scrolled away downwards is not cut.
 */
function cutSums(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const cut: string[] = [];
    for (const sum of document.querySelectorAll<HTMLElement>("[data-sum], [data-total]")) {
      const { left, right, width } = sum.getBoundingClientRect();
      if (width === 0 || sum.closest("[data-hidden]")) continue;
      let [from, to] = [0, window.innerWidth];
      for (let at = sum.parentElement; at; at = at.parentElement) {
        if (getComputedStyle(at).overflowX === "visible") continue;
        const box = at.getBoundingClientRect();
        [from, to] = [Math.max(from, box.left), Math.min(to, box.right)];
      }
      if (left < from - 1 || right > to + 1)
        cut.push(`${sum.innerText} (${Math.round(left)} to ${Math.round(right)} of ${to})`);
    }
    return cut;
  });
}

const SCREENS = [
  { name: "a phone, 390 wide", viewport: { width: 390, height: 844 } },
  // 1280x800 at 200 %: half as many pixels each way.
  { name: "200 % zoom", viewport: { width: 640, height: 400 } },
];

for (const { name, viewport } of SCREENS)
  test(`on ${name} no page is wider than the screen, and no sum is cut`, async ({ page }) => {
    test.setTimeout(240_000);
    await page.setViewportSize(viewport);
    const wrong: Record<string, unknown> = {};
    for (const [words, path] of PAGES) {
      await page.goto(`${DEMO}${path.replace(/[?&]open=first/, "")}`);
      await alive(page);
      if (path.includes("open=first")) {
        await page.locator("tr[data-row]").first().click();
        await expect(page.locator("tr[data-workings]")).toBeVisible();
        await expect(page.getByText("Reading …")).toHaveCount(0);
      }
      const wide = await page.evaluate(() => document.documentElement.scrollWidth);
      const cut = await cutSums(page);
      if (wide > viewport.width || cut.length > 0) wrong[words] = { wide, cut: cut.slice(0, 4) };
    }
    expect(wrong).toEqual({});
  });

test("a row on a phone has two lines, the rest when it is opened, and its acts within reach", async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${DEMO}/overdue`);
  await alive(page);
  const row = page.locator("tr[data-row]").filter({ hasText: "letter 1" }).first();
  const old = row.locator("td").filter({ hasText: /^\d+ days?$/ });
  const { height = 0 } = (await row.boundingBox()) ?? {};
  expect(height).toBeLessThan(70);
  await expect(old).toBeHidden();
  await row.click();
  await expect(old).toBeVisible();
  const act = page.getByRole("button", { name: /Look at the letter/ });
  await expect(act).toBeInViewport({ ratio: 1 });
  await row.click();
  await expect(act).toBeHidden();
  // The run shows the station one is in.
  await expect(page.getByRole("link", { name: /^Overdue/ }).first()).toBeInViewport({ ratio: 0.9 });
});

test("what a customer sees on a phone reads like a bill: nothing cut, nothing sideways", async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${DEMO}/customers/1`);
  const account = await page.getByRole("link", { name: "What they see" }).getAttribute("href");
  await page.goto(account ?? "");
  await alive(page);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(390);
  expect(await cutSums(page)).toEqual([]);
  for (const row of await page.getByRole("table").first().getByRole("row").all()) {
    const { height = 0 } = (await row.boundingBox()) ?? {};
    expect(height).toBeLessThan(120);
  }
});
