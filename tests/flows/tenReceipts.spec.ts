import { expect } from "@playwright/test";

import { alive, DEMO, proofsHold } from "./helpers";
import { test } from "./test";

test("ten receipts and more are cleared from the keyboard with no more than 15 keys", async ({
  page,
}) => {
  await page.goto(`${DEMO}/match`);
  await alive(page);
  const left = async (): Promise<number> =>
    Number((await page.getByRole("link", { name: /^Match \d+/ }).innerText()).replace(/\D/g, ""));
  const before = await left();
  let keys = 0;
  const press = async (key: string): Promise<void> => {
    keys += 1;
    await page.keyboard.press(key);
  };
  await press("a");
  await expect(page.getByRole("region", { name: "Sure receipts" })).toBeVisible();
  await press("Enter");
  await expect(page.getByRole("status")).toContainText("receipts posted");
  await expect.poll(left).toBeLessThan(before);
  // The rest one by one: the opening moves along by itself.
  await press("ArrowDown");
  for (let times = 0; times < 3; times += 1) {
    const waiting = await left();
    await expect(page.getByTestId("left-over")).toHaveText("0.00");
    await press("Enter");
    await expect.poll(left).toBe(waiting - 1);
  }
  expect(before - (await left())).toBeGreaterThanOrEqual(10);
  expect(keys).toBeLessThanOrEqual(15);
  await proofsHold(page);
});
