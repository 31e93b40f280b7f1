import { spawnSync } from "node:child_process";

import { expect } from "@playwright/test";

import { alive, proofsHold } from "./helpers";
import { test } from "./test";

const BOOK = "practice-row";

test("the practice clock is moved on: what is due happens, stands in a list, and every proof holds", async ({
  page,
}) => {
  const made = spawnSync(
    process.execPath,
    ["dist/cli.mjs", "practice", "new", "--book", BOOK, "--seed", "3"],
    {
      encoding: "utf8",
      env: { ...process.env, DOZO_DATA: "test-results/data", DOZO_ROOT: process.cwd() },
    },
  );
  expect(made.status).toBe(0);
  await page.goto(`/b/${BOOK}/paying`);
  await page.getByRole("link", { name: "the practice clock" }).click();
  await alive(page);
  const days = page.getByRole("table", { name: "What happened" }).getByRole("row");
  const heading = page.getByRole("heading", { level: 1 });
  await expect(heading).toContainText("the practice clock");
  await page.keyboard.press("d");
  await expect(days).toHaveCount(1);
  await expect(heading).toHaveText("Fri 2 Jan the practice clock");
  await page.keyboard.press("b");
  await expect(heading).toHaveText("Mon 5 Jan the practice clock");
  await page.getByLabel("To a day").fill("2026-01-20");
  await page.getByRole("button", { name: "Go there" }).click();
  await expect(heading).toHaveText("Tue 20 Jan the practice clock", { timeout: 30_000 });
  await expect(page.getByText(/invoice/).first()).toBeVisible();
  await page.goto(`/b/${BOOK}/match`);
  await proofsHold(page);
});
