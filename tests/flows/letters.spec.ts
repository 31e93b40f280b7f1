import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";

import { expect, test } from "@playwright/test";

import { alive, DEMO, proofsHold } from "./helpers";

const OUTBOX = "test-results/data/books/kestrel-row/outbox";
const today = (): string[] => readdirSync(OUTBOX).filter((name) => name.startsWith("2026-11-24"));

test("the letters of a day: looked through from the keyboard, one changed, one taken out with a reason, the rest sent after a second step", async ({ page }) => {
  await page.goto(`${DEMO}/overdue?show=run`);
  await alive(page);
  const head = page.getByRole("heading", { level: 1 });
  const count = Number(/in (\d+) letters/.exec(await head.innerText())?.[1]);
  const before = today().length;
  expect(count).toBeGreaterThan(5);
  await expect(page.getByRole("table", { name: "Held back" })).toContainText("a receipt in Match that may be theirs");
  await page.keyboard.press("ArrowDown");
  await page.getByLabel("Subject").fill("About your account, from Mara");
  await page.getByRole("region", { name: "Letters of today" }).focus();
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("x");
  await page.getByLabel("Why it does not go").fill("spoke to them this morning");
  await page.keyboard.press("Enter");
  await expect(head).toContainText(`in ${count - 1} letters`);
  await page.keyboard.press("s");
  await expect(page.getByText("They leave the house now.")).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("status")).toContainText(/letters go to the outbox|Noted/);
  await expect.poll(() => today().length, { timeout: 30_000 }).toBe(before + count - 1);
  const mails = today().map((name) => readFileSync(join(OUTBOX, name), "utf8"));
  expect(mails.some((mail) => mail.includes("Subject: About your account, from Mara"))).toBe(true);
  expect(mails.some((mail) => mail.includes("application/pdf"))).toBe(true);
  await page.goto(`${DEMO}/overdue?show=run`);
  await expect(page.getByRole("heading", { level: 1 })).toContainText("in 1 letter");
  await proofsHold(page);
});

test("a ladder of one's own, a customer put on it, and its statement", async ({ page }) => {
  await page.goto(`${DEMO}/overdue?show=ladders`);
  await alive(page);
  await page.getByRole("button", { name: "Another ladder" }).click();
  await page.getByLabel("Name of the ladder").last().fill("Galleries");
  await page.getByLabel("Days of step 1").last().fill("-5");
  await page.getByRole("button", { name: "Keep it" }).click();
  await expect(page.getByRole("status")).toContainText("Galleries is kept");
  await page.goto(`${DEMO}/customers`);
  await page.getByRole("link", { name: "Brightwater Unified" }).first().click();
  await alive(page);
  await page.getByLabel("Ladder", { exact: true }).selectOption({ label: "Galleries" });
  await page.getByLabel("Language of the letters").selectOption("es");
  await page.getByRole("button", { name: "Keep it" }).click();
  await expect(page.getByRole("status")).toContainText("Kept");
  await page.getByRole("link", { name: "Statement", exact: true }).click();
  await expect(page.getByRole("table", { name: "What moved in USD" })).toContainText("closing balance");
  const pdf = await page.request.get((await page.getByRole("link", { name: "PDF" }).getAttribute("href")) ?? "");
  expect([pdf.status(), (await pdf.body()).subarray(0, 5).toString()]).toEqual([200, "%PDF-"]);
});
