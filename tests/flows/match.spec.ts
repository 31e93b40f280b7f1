import { expect, type Page } from "@playwright/test";

import { alive, DEMO, proofsHold } from "./helpers";
import { test } from "./test";

const status = (page: Page): ReturnType<Page["getByRole"]> => page.getByRole("status");

test("sure ones are looked through: odd ones on top, one taken out by a key, the rest posted and undone together", async ({
  page,
}) => {
  await page.goto(`${DEMO}/match`);
  await alive(page);
  await page.keyboard.press("a");
  const list = page.getByRole("region", { name: "Sure receipts" });
  await expect(list.locator("tr[data-part]").first()).toContainText("A second glance");
  const count = Number(
    (await page.getByRole("button", { name: /^Post these/ }).innerText()).replace(/\D/g, ""),
  );
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("x");
  await expect(page.getByText(`${count - 1} of ${count} receipts, 1 taken out`)).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(status(page)).toContainText(`${count - 1} receipts posted`);
  await expect(page.getByRole("link", { name: /^Sure/ })).toContainText("1,");
  await page.keyboard.press("u");
  await expect(status(page)).toContainText(`All ${count - 1} undone`);
  await expect(page.getByRole("link", { name: /^Sure/ })).toContainText(`${count},`);
  await proofsHold(page);
});

test("U says where there is nothing to undo, and a file of a queue that is none is refused", async ({
  page,
}) => {
  await page.goto(`${DEMO}/match`);
  await alive(page);
  await page.keyboard.press("u");
  await expect(status(page)).toContainText("Nothing was done here just now that could be undone");
  const asked = await page.request.get("/api/v1/b/kestrel-row/export/match?queue=fifth");
  expect([asked.status() >= 400, asked.status() < 500]).toEqual([true, true]);
  expect(await asked.text()).toContain("use one of sure, check, none, second, aside, hand");
});

test("a check and cash by hand are recorded, refused when typed twice, and go to the bank in one deposit", async ({
  page,
}) => {
  await page.goto(`${DEMO}/match?queue=hand`);
  await alive(page);
  await page.keyboard.press("n");
  await page.getByLabel("Number").fill("7001");
  await page.getByLabel("Sum").fill("12.50");
  await page.getByLabel("From").fill("Somebody at the counter");
  await page.keyboard.press("Enter");
  await expect(status(page)).toContainText("12.50 recorded");
  await page.getByLabel("Number").fill("7001");
  await page.getByLabel("Sum").fill("12.50");
  await page.getByLabel("From").fill("Somebody at the counter");
  await page.keyboard.press("Enter");
  await expect(status(page)).toContainText("recorded already");
  await page.keyboard.press("Escape");
  await expect(page.getByLabel("Sum")).toHaveCount(0);
  const lying = page.getByRole("table", { name: "Checks and cash on hand" });
  await expect(lying).toContainText("check 7001");
  await page.keyboard.press("d");
  await expect(page.getByText(/in one deposit into Operating/)).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(status(page)).toContainText("taken to the bank");
  await expect(lying).toHaveCount(0);
  await expect(page.getByRole("table", { name: /^Deposit of/ })).toHaveCount(2);
  await page.keyboard.press("u");
  await expect(lying).toContainText("check 7001");
  await proofsHold(page);
});

test("a write-off over the limit waits for a second person, who is not the one that asked", async ({
  page,
}) => {
  await page.goto(`${DEMO}/match?queue=second`);
  await alive(page);
  await page.getByLabel("Who is working").selectOption("Theo Lindqvist");
  await expect(page.getByLabel("Who is working")).toHaveValue("Theo Lindqvist");
  await page.keyboard.press("ArrowDown");
  await expect(page.getByText("Theo Lindqvist asks to write off")).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(status(page)).toContainText("A second person has to decide");
  await page.getByLabel("Who is working").selectOption("Mara Voss");
  await expect(page.getByLabel("Who is working")).toHaveValue("Mara Voss");
  await page.getByRole("button", { name: "Approve and post" }).click();
  await expect(status(page)).toContainText("34.00 written off");
  await page.keyboard.press("u");
  await expect(status(page)).toContainText("Undone");
  await proofsHold(page);
});

test("a receipt is put together by hand: customer typed, open items filtered by a sum, spread over several", async ({
  page,
}) => {
  await page.goto(`${DEMO}/match?queue=none`);
  await alive(page);
  await page.keyboard.press("ArrowDown");
  await page.getByRole("combobox", { name: "Another customer" }).fill("Brightwater Uni");
  await page.getByRole("listbox", { name: "Customers found" }).getByRole("option").first().click();
  await expect(page.getByText(/^Open at Brightwater Unified and its group/)).toBeVisible();
  await page.keyboard.press("f");
  const filter = page.getByLabel("Filter the open items");
  await expect(filter).toBeFocused();
  await filter.fill("no such thing");
  await expect(page.getByText("Nothing open is that, nor makes that sum.")).toBeVisible();
  await filter.fill("> 200");
  await expect(page.getByText(/\d+ of \d+ items/)).toBeVisible();
  await filter.fill("");
  await filter.press("Escape");
  await page
    .getByRole("group", { name: /^Open at Brightwater/ })
    .getByRole("checkbox")
    .first()
    .check();
  await expect(page.getByTestId("left-over")).not.toHaveText("");
});

test("what was learned is shown on the customer's page, forgotten, and brought back", async ({
  page,
}) => {
  await page.goto(`${DEMO}/customers/12`);
  await alive(page);
  const learned = page.getByRole("table", { name: "What matching has learned" });
  const before = await learned.getByRole("row").count();
  await learned.getByRole("button", { name: "forget" }).first().click();
  await expect(status(page)).toContainText("Forgotten");
  await expect(learned.getByRole("row")).toHaveCount(before - 1);
  await page.keyboard.press("u");
  await expect(learned.getByRole("row")).toHaveCount(before);
});

test("all that was done in one go is undone later from the trail of who did what", async ({
  page,
}) => {
  await page.goto(`${DEMO}/match`);
  await alive(page);
  await page.keyboard.press("a");
  await expect(page.getByRole("button", { name: /^Post these/ })).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(status(page)).toContainText("receipts posted");
  await page.goto(`${DEMO}/books?view=trail`);
  await alive(page);
  await page.keyboard.press("ArrowDown");
  await page.getByRole("button", { name: /^Undo all \d+ done in one go/ }).click();
  await expect(status(page)).toContainText(/All \d+ undone/);
  await expect(
    page.getByText("This was undone.").or(page.getByText("This cannot be undone by itself.")),
  ).toBeVisible();
  await proofsHold(page);
});

test("the limit of risk is taken where it stands beside what it would have done", async ({
  page,
}) => {
  await page.goto(`${DEMO}/settings`);
  await alive(page);
  await page.getByRole("link", { name: "What it would have done in this book" }).click();
  const limits = page.getByRole("table", { name: "By the limit of risk" });
  await expect(limits.getByRole("row", { name: "50, as set" })).toBeVisible();
  await limits.getByRole("button", { name: "Take 20" }).click();
  await expect(status(page)).toContainText("20 may be wrong");
  await expect(limits.getByRole("row", { name: "20, as set" })).toBeVisible();
  await limits.getByRole("button", { name: "Take 50" }).click();
  await expect(limits.getByRole("row", { name: "50, as set" })).toBeVisible();
});
