import { readdirSync, readFileSync } from "node:fs";

import { expect, type Page } from "@playwright/test";

import { CHARGES, CUSTOMERS, INVOICES, STATEMENT } from "../support/book";
import { alive, proofsHold, watch } from "./helpers";
import { test } from "./test";

const BOOK = "/b/round-trip";

async function takeIn(page: Page, name: string, text: string, expected: string): Promise<void> {
  await page.goto(`${BOOK}/arrivals`);
  await alive(page);
  await page
    .getByLabel("File to take in")
    .setInputFiles({ name, mimeType: "text/csv", buffer: Buffer.from(text) });
  await expect(page.getByRole("heading", { name: "Dry run" })).toBeVisible();
  await expect(page.getByLabel("What would happen")).toContainText(expected);
  await page.getByRole("button", { name: /^Take in \d+ lines?/ }).click();
  await expect(page.getByRole("status")).toContainText("taken in");
  await proofsHold(page);
}

/** Looks through the sure ones and posts them, by two keys. */
async function postSure(page: Page): Promise<void> {
  await page.goto(`${BOOK}/match`);
  await alive(page);
  await page.keyboard.press("a");
  await expect(page.getByRole("region", { name: "Sure receipts" })).toContainText("20401");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("status")).toContainText("3 receipts posted, 1,734.50");
}

test("the whole round, from an empty book to proofs that hold, and back by undo", async ({
  page,
}) => {
  // A dozen stations in one flow: it has the time of three.
  test.slow();
  const seen = watch(page);
  await page.goto("/?new=1");
  await page.getByLabel("Business").fill("Round Trip Clay");
  await page.getByLabel("Name in the address").fill("round-trip");
  // From a list with search: by a part of its name, or its code.
  await page.getByLabel("Time zone", { exact: true }).fill("new york");
  await page.getByRole("option", { name: "America/New York" }).click();
  await page.getByLabel("Currency", { exact: true }).fill("USD");
  await page.getByLabel("Cut-over day").fill("2026-10-31");
  await page.getByLabel("Letters come from").fill("accounts@roundtrip.example");
  await page.getByRole("button", { name: "Start the book" }).click();

  await page.getByRole("button", { name: "Add a bank account" }).click();
  await page.getByLabel("Name of the bank account").fill("Operating bank");
  await page.getByLabel("Short code of the bank account").fill("operating");
  await page.getByLabel("Balance at the cut-over").fill("1,000.00");
  await page.getByRole("button", { name: "Add it" }).click();
  // The path goes on by itself, and says what is done; any step can be come back to.
  const steps = page.getByRole("list", { name: "First steps" });
  await expect(steps.getByRole("listitem").nth(1)).toContainText("✓ done");
  await page.getByRole("button", { name: "Add a processor account" }).click();
  await page.getByLabel("Name of the processor account").fill("card account");
  await page.getByLabel("Short code of the processor account").fill("card");
  await page.getByRole("button", { name: "Add it" }).click();
  await expect(page.getByRole("table", { name: "First files" })).toContainText("to come");
  await steps.getByRole("link", { name: "2. The bank account" }).click();
  await expect(page.getByRole("table", { name: "Bank accounts" })).toContainText("Operating bank");
  await page.goto(`${BOOK}/settings`);
  await expect(page.getByLabel("Bank accounts")).toContainText("1,000.00");
  await expect(page.getByLabel("Processor accounts")).toContainText(
    "pays out after 2 banking days",
  );

  await takeIn(page, "customers.csv", CUSTOMERS, "customers");
  await takeIn(page, "invoices.csv", INVOICES, "come over as opening balances");
  await takeIn(page, "card.csv", CHARGES, "receipts, at their gross");
  await takeIn(page, "bank.csv", STATEMENT, "lines that are payouts");

  // The same file again: nothing is new.
  await page
    .getByLabel("File to take in")
    .setInputFiles({ name: "card.csv", mimeType: "text/csv", buffer: Buffer.from(CHARGES) });
  await expect(page.getByLabel("What would happen")).toContainText("nothing to take in");
  await expect(page.getByRole("button", { name: "Take in 0 lines" })).toBeDisabled();

  // Match: the sure ones after a look at them, then the stranger set aside, from the keyboard.
  await postSure(page);
  // One key undoes all of them, and they can be posted again.
  await page.keyboard.press("u");
  await expect(page.getByRole("status")).toContainText("All 3 undone");
  await proofsHold(page);
  await postSure(page);
  await page.goto(`${BOOK}/match`);
  await alive(page);
  await page.keyboard.press("ArrowDown");
  await expect(page.getByText("Nothing yet: find the customer below.")).toBeVisible();
  await page.keyboard.press("s");
  await page.getByLabel("Why it is set aside").fill("belongs to the workshop");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("status")).toContainText("Set aside.");
  await expect(page.getByText("Every receipt has a home.")).toBeVisible();
  await proofsHold(page);

  // Payouts: both tied by themselves. The payroll line is put aside by a rule.
  await page.goto(`${BOOK}/payouts?month=2026-11`);
  await expect(page.getByRole("region", { name: "Payouts" })).toContainText("955.35");
  await page.goto(`${BOOK}/arrivals?list=lines&state=open`);
  await alive(page);
  await page.keyboard.press("ArrowDown");
  await page.getByText("and all going out whose description has").click();
  await page.getByRole("button", { name: /Not of this job/ }).click();
  await expect(page.getByText(/The rule takes 1 open line now, and every one/)).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(page.getByText("Every bank line is explained.")).toBeVisible();
  await proofsHold(page);

  // A bill long past its date is asked for.
  await takeIn(
    page,
    "old.csv",
    "invoice_number,customer_id,issued_on,due_on,total,balance\n19001,C2,2026-08-01,2026-08-31,88.00,88.00\n",
    "come over as opening balances",
  );
  // The files end some time ago: letters wait for newer ones, until the book says that they need not.
  await page.goto(`${BOOK}/overdue`);
  await alive(page);
  await expect(
    page.getByRole("row", { name: /a newer processor file of card account/ }),
  ).toBeVisible();
  await page.goto(`${BOOK}/settings`);
  await alive(page);
  await page.getByLabel("No letters once files end more banking days ago than").fill("60");
  await page.getByRole("button", { name: "Keep these" }).click();
  await expect(page.getByRole("status")).toContainText("Kept.");
  await page.goto(`${BOOK}/overdue`);
  await alive(page);
  await page.keyboard.press("ArrowDown");
  await expect(page.getByText("Look at the letter")).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(page.getByLabel("Subject")).toHaveValue(/One invoice past the due date, USD 88.00/);
  await page.getByRole("button", { name: "Send it" }).click();
  await expect(page.getByRole("status")).toContainText("in the outbox");
  const outbox = "test-results/data/books/round-trip/outbox";
  await expect
    .poll(() => readdirSync(outbox).filter((name) => name.endsWith(".eml")).length)
    .toBe(1);
  expect(readFileSync(`${outbox}/${readdirSync(outbox)[0]}`, "utf8")).toContain(
    "To: heron@mail.example",
  );

  // Undo from the receipt's page: it waits in Match again, and the proofs hold.
  await page.goto(`${BOOK}/invoices?state=paid&q=20401`);
  await page.getByRole("link", { name: "20401" }).click();
  await page.getByLabel("Receipts given to it").getByRole("link").last().click();
  await expect(page.getByText("Given to open items")).toBeVisible();
  await page.getByRole("button", { name: "Undo", exact: true }).click();
  await expect(page.getByText("waits in Match")).toBeVisible();
  await proofsHold(page);
  await page.goto(`${BOOK}/books`);
  await expect(page.getByRole("heading", { level: 1 })).toContainText("all 14 proofs hold");
  expect(seen).toEqual({ problems: [], outside: [] });
});
