import { expect } from "@playwright/test";

import { alive, cutSums, DEMO } from "./helpers";
import { test } from "./test";

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
  // At its head, the run shows the station one is in.
  await page.evaluate(() => scrollTo(0, 0));
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
