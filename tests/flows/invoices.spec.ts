import { expect } from "@playwright/test";

import { alive, DEMO, proofsHold } from "./helpers";
import { test } from "./test";

test("an invoice is written without the mouse, approved, and corrected by a credit note", async ({
  page,
}) => {
  await page.goto(`${DEMO}/invoices`);
  await alive(page);
  await page.keyboard.press("n");
  await expect(page.getByLabel("Customer", { exact: true })).toBeFocused();
  await page.keyboard.type("alder lane g");
  await expect(page.getByRole("option", { name: /Alder Lane Gallery/ })).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(page.getByText("For Alder Lane Gallery")).toBeVisible();
  await page.getByLabel("Description of line 1").focus();
  await page.keyboard.type("Stoneware, 25 kg bags");
  await page.keyboard.press("Enter");
  await page.keyboard.press("Control+a");
  await page.keyboard.type("12");
  await page.keyboard.press("Enter");
  // Arithmetic in a field of numbers.
  await page.keyboard.type("24.25*2");
  await page.keyboard.press("Enter");
  await expect(page.getByLabel("Rate of line 1")).toHaveValue("48.5");
  await expect(page.getByLabel("Amount of line 1")).toHaveValue("582.00");
  // A new line stands there by itself; an amount that is typed gives the rate.
  await page.getByLabel("Description of line 2").focus();
  await page.keyboard.type("Delivery");
  await page.getByLabel("Amount of line 2").fill("50");
  await page.keyboard.press("Tab");
  await expect(page.getByLabel("Rate of line 2")).toHaveValue("50");
  await expect(page.getByRole("heading", { level: 1 })).toContainText("632.00");
  await expect(page.getByText("kept as it is typed")).toBeVisible();
  // A closed tab loses nothing.
  await page.reload();
  await expect(page.getByLabel("Description of line 2")).toHaveValue("Delivery");
  await alive(page);
  await page.getByLabel("Description of line 2").focus();
  await page.keyboard.press("Control+Enter");
  await expect(page.getByRole("status").last()).toContainText("approved");
  await expect(page.locator("b", { hasText: /^Invoice INV-2026-\d{4}$/ })).toBeVisible();
  await proofsHold(page);
  await page.keyboard.press("c");
  await page.getByLabel(/^Why/).fill("bags came broken");
  await page.keyboard.press("Enter");
  await expect(page.getByText("void: all of it was taken back")).toBeVisible();
  await proofsHold(page);
});

test("drafts are pasted from a spreadsheet, chosen and approved together after a look", async ({
  page,
  context,
}) => {
  await context.grantPermissions(["clipboard-read", "clipboard-write"]);
  for (const customer of ["alder lane g", "heron"]) {
    await page.goto(`${DEMO}/invoices/new`);
    await alive(page);
    await page.getByLabel("Customer", { exact: true }).fill(customer);
    await expect(page.locator("#customers-found").getByRole("option").first()).toBeVisible();
    await page.keyboard.press("Enter");
    await page.evaluate(() =>
      navigator.clipboard.writeText("Clay\t10\t12.50\nGlaze\t2\t$1,040.25\n"),
    );
    await page.getByLabel("Description of line 1").focus();
    await page.keyboard.press("Control+v");
    await expect(page.getByRole("heading", { level: 1 })).toContainText("2,205.50");
    await expect(page.getByText("kept as it is typed")).toBeVisible();
  }
  await page.goto(`${DEMO}/invoices?state=drafts`);
  await alive(page);
  // Beside what the demo's schedules and its clerk have written.
  await expect(page.getByRole("heading", { level: 1 })).toContainText("5,782.20");
  const rows = page.getByRole("row").filter({ hasText: "2,205.50" });
  for (const box of await rows.getByRole("checkbox").all()) await box.check();
  await expect(page.getByText("2 chosen, 4,411.00")).toBeVisible();
  await page.keyboard.press("a");
  await expect(page.getByText("They get their numbers")).toBeVisible();
  await page.keyboard.press("a");
  await expect(rows).toHaveCount(0);
  await expect(page.getByRole("heading", { level: 1 })).toContainText("1,371.20");
  await proofsHold(page);
});

test("who opens a draft that somebody has open is told who", async ({ page, browser, baseURL }) => {
  await page.goto(`${DEMO}/invoices/new`);
  await alive(page);
  await page.getByLabel("Customer", { exact: true }).fill("heron");
  await expect(page.locator("#customers-found").getByRole("option").first()).toBeVisible();
  await page.keyboard.press("Enter");
  await page.getByLabel("Description of line 1").fill("Glaze");
  await page.getByLabel("Amount of line 1").fill("12");
  await expect(page.getByText("kept as it is typed")).toBeVisible();
  await expect(page).toHaveURL(/drafts\/\d+/);
  const theirs = await browser.newContext(baseURL === undefined ? {} : { baseURL });
  const other = await theirs.newPage();
  await other.goto(`${DEMO}/customers`);
  await alive(other);
  await other.getByLabel("Who is working").selectOption({ label: "Theo Lindqvist" });
  await other.goto(page.url());
  await expect(other.getByText("Mara Voss has this draft open too")).toBeVisible();
  await expect(page.getByText("Theo Lindqvist has this draft open too")).toBeVisible();
  await theirs.close();
  await page.getByRole("button", { name: "Drop it" }).click();
});

test("a line that is wrong says so at its place, and nothing typed is lost", async ({ page }) => {
  await page.goto(`${DEMO}/invoices/new`);
  await alive(page);
  await page.getByLabel("Description of line 1").fill("Clay");
  await page.getByLabel("Quantity of line 1").fill("1,5");
  await page.getByLabel("Rate of line 1").fill("10");
  await expect(page.getByRole("alert").first()).toContainText("This is not a number");
  // Without a customer it is kept in the browser.
  await page.reload();
  await expect(page.getByLabel("Description of line 1")).toHaveValue("Clay");
  await expect(page.getByLabel("Quantity of line 1")).toHaveValue("1,5");
});

test("a new customer and its invoice by keyboard, in fewer than 45 keys beyond the words", async ({
  page,
}) => {
  let keys = 0;
  const press = async (key: string): Promise<void> => {
    keys += 1;
    await page.keyboard.press(key);
  };
  await page.goto(`${DEMO}/invoices`);
  await alive(page);
  await press("n");
  await expect(page.getByLabel("Customer", { exact: true })).toBeFocused();
  await page.keyboard.type("Saltmarsh Tiles");
  await expect(page.getByRole("option", { name: /a new customer/ })).toBeVisible();
  await press("ArrowDown");
  await press("Enter");
  await expect(page.getByLabel("Name", { exact: true })).toBeFocused();
  await press("Tab");
  await page.keyboard.type("office@saltmarsh.example");
  await press("Tab");
  await page.keyboard.type("n/15");
  await press("Enter");
  await expect(page.getByText("For Saltmarsh Tiles")).toBeVisible();
  await expect(page.getByLabel("Description of line 1")).toBeFocused();
  await page.keyboard.type("Kiln shelves");
  await press("Enter");
  await press("Control+a");
  await page.keyboard.type("6");
  await press("Enter");
  await page.keyboard.type("42.5");
  await press("Enter");
  await expect(page.getByRole("heading", { level: 1 })).toContainText("255.00");
  await expect(page.getByLabel("Terms", { exact: true })).toHaveValue("n/15");
  await press("Control+Enter");
  await expect(page.getByRole("status").last()).toContainText("approved");
  expect(keys).toBeLessThan(45);
  await proofsHold(page);
  // It goes out by mail, as its customer's address is known.
  await page.goto(`${DEMO}/invoices?state=send`);
  await alive(page);
  const row = page.getByRole("row").filter({ hasText: "Saltmarsh Tiles" });
  await expect(row).toContainText("by mail to office@saltmarsh.example");
  await page.keyboard.press("s");
  await page.keyboard.press("s");
  await expect(page.getByRole("status").last()).toContainText("sent");
  await expect(row).toHaveCount(0);
});

test("a schedule says what it will write, is paused, changed from a day on, and ended", async ({
  page,
}) => {
  await page.goto(`${DEMO}/schedules`);
  await alive(page);
  await expect(page.getByRole("row").filter({ hasText: "Fernhill Studio" })).toContainText(
    "420.00",
  );
  await page.keyboard.press("n");
  await page.getByLabel("Customer", { exact: true }).fill("alder lane g");
  await expect(page.getByRole("option", { name: /Alder Lane Gallery/ })).toBeVisible();
  await page.keyboard.press("Enter");
  await page.getByLabel("What it is for").fill("Shelf by the door");
  await page.getByLabel("First billed day").fill("11/16/2026");
  await page.getByLabel("Periods counted from").fill("11/1/2026");
  await page.getByLabel("Description of line 1").fill("Shelf {month}");
  await page.getByLabel("Rate of line 1").fill("90");
  await page.keyboard.press("Control+Enter");
  await expect(page.getByRole("status").last()).toContainText("has begun");
  const ahead = page.getByRole("table", { name: "What it will write" });
  await expect(ahead.getByRole("row").first()).toContainText("45.00");
  await expect(ahead.getByRole("row").nth(1)).toContainText("90.00");
  await page.goto(`${DEMO}/schedules`);
  await alive(page);
  await page.keyboard.press("w");
  await expect(page.getByRole("status").last()).toContainText("1 written");
  await page
    .getByRole("row")
    .filter({ hasText: "Shelf by the door" })
    .getByRole("link", { name: "Alder Lane Gallery" })
    .click();
  await expect(page.getByRole("table", { name: "What it has written" })).toContainText("a draft");
  await alive(page);
  await page.keyboard.press("p");
  await expect(page.getByText("◔ paused")).toBeVisible();
  await page.keyboard.press("p");
  await expect(page.getByRole("status").last()).toContainText("Resumed");
  await expect(page.getByText("◔ paused")).toHaveCount(0);
  await page.keyboard.press("e");
  await page.getByLabel("Rate of line 1").fill("95");
  await page.getByRole("button", { name: /Keep the change/ }).click();
  await expect(ahead.getByRole("row").first()).toContainText("95.00");
  await page.getByRole("button", { name: "End …" }).click();
  await page.getByRole("button", { name: "End it for good" }).click();
  await expect(ahead).toContainText("Nothing any more.");
  await proofsHold(page);
});

test("a double is pointed out while it is typed, made one with the first, and two again", async ({
  page,
}) => {
  await page.goto(`${DEMO}/customers/new`);
  await alive(page);
  await page.getByLabel("Name", { exact: true }).fill("Juniper Flat Ceramics LLC");
  await expect(page.getByText("In the book already:")).toContainText("Juniper Flat Ceramics");
  await page.keyboard.press("Control+Enter");
  await expect(page.getByText("Make one with another customer …")).toBeVisible();
  await alive(page);
  await page.getByText("Make one with another customer …").click();
  await page.getByLabel("The other").fill("Juniper Flat Ceramics");
  await page
    .getByRole("option")
    .filter({ hasText: /^Juniper Flat Ceramics C/ })
    .click();
  await page.getByRole("button", { name: "Make them one" }).click();
  await expect(page.getByRole("button", { name: "make two again" })).toBeVisible();
  await proofsHold(page);
  await page.getByRole("button", { name: "make two again" }).click();
  await expect(page.getByRole("button", { name: "make two again" })).toHaveCount(0);
  await proofsHold(page);
});

test("an invoice over the limit waits for a second person, who agrees to it", async ({ page }) => {
  const limit = (approvalOver: number | null) =>
    page.request.post(`/api/v1${DEMO}/commands/changeSettings`, {
      data: { key: `limit-${approvalOver ?? "none"}`, input: { approvalOver } },
    });
  const working = page.getByLabel("Who is working");
  expect((await limit(300_000)).ok()).toBe(true);
  await page.goto(`${DEMO}/invoices/new`);
  await alive(page);
  await page.keyboard.type("alder lane g");
  await expect(page.getByRole("option", { name: /Alder Lane Gallery/ })).toBeVisible();
  await page.keyboard.press("Enter");
  await page.getByLabel("Description of line 1").fill("Kiln, front loading");
  await page.getByLabel("Rate of line 1").fill("4400");
  await page.getByRole("textbox", { name: "Terms", exact: true }).fill("30% now; rest n/30");
  await expect(page.getByText("1,320.00")).toBeVisible();
  await page.keyboard.press("Control+Enter");
  await expect(page.getByRole("status").last()).toContainText("waits for somebody else");
  await page.goto(`${DEMO}/approvals`);
  await alive(page);
  const agree = page.getByRole("button", { name: /^Agree to .* of Alder Lane Gallery/ });
  await agree.click();
  await expect(page.getByRole("status").last()).toContainText("Mara Voss");
  await working.selectOption({ label: "Theo Lindqvist" });
  await page.goto(`${DEMO}/approvals`);
  await alive(page);
  await agree.click();
  await expect(page.getByRole("status").last()).toContainText("agreed");
  // It falls due in two parts, each with its own day; a sum to the cent finds it.
  await page.goto(`${DEMO}/invoices?q=1%2C320.00`);
  await page.getByRole("link", { name: /^INV-2026-\d{4}A$/ }).click();
  await expect(page.getByRole("table", { name: "Parts" })).toContainText("3,080.00");
  await proofsHold(page);
  await working.selectOption({ label: "Mara Voss" });
  expect((await limit(null)).ok()).toBe(true);
});

test("a schedule that begins in the past catches up over month ends, once", async ({ page }) => {
  await page.goto(`${DEMO}/schedules`);
  await alive(page);
  await page.keyboard.press("n");
  await page.getByLabel("Customer", { exact: true }).fill("alder lane g");
  await expect(page.getByRole("option", { name: /Alder Lane Gallery/ })).toBeVisible();
  await page.keyboard.press("Enter");
  await page.getByLabel("What it is for").fill("Storage");
  await page.getByLabel("First billed day").fill("8/31/2026");
  await page.getByLabel("on the last day of the month").check();
  await page.getByLabel("Description of line 1").fill("Storage {month}");
  await page.getByLabel("Rate of line 1").fill("35");
  await page.keyboard.press("Control+Enter");
  await expect(page.getByRole("status").last()).toContainText("has begun");
  await page.goto(`${DEMO}/schedules`);
  await alive(page);
  await page.keyboard.press("w");
  await expect(page.getByRole("status").last()).toContainText("3 written");
  await expect(page.getByText("nothing is due to be written")).toBeVisible();
  const row = page.getByRole("row").filter({ hasText: "Storage" });
  await row.getByRole("link", { name: "Alder Lane Gallery" }).click();
  const written = page.getByRole("table", { name: "What it has written" });
  for (const day of ["31 Aug", "30 Sep", "31 Oct"]) await expect(written).toContainText(day);
  await expect(page.getByRole("table", { name: "What it will write" })).toContainText("30 Nov");
});
