import { expect, type Page } from "@playwright/test";

import { CUSTOMERS, INVOICES } from "../support/book";
import { returnFile } from "../support/nacha";
import { alive, proofsHold, watch } from "./helpers";
import { test } from "./test";

const BOOK = "/b/month-trip";

async function send(page: Page, command: string, input: object): Promise<void> {
  const answer = await page.request.post(`/api/v1${BOOK}/commands/${command}`, {
    data: { input, key: `month-${command}-${JSON.stringify(input).length}` },
  });
  expect(answer.ok()).toBe(true);
}

async function takeIn(page: Page, name: string, text: string, account?: string): Promise<void> {
  await page.goto(`${BOOK}/arrivals`);
  await alive(page);
  await page
    .getByLabel("File to take in")
    .setInputFiles({ name, mimeType: "text/csv", buffer: Buffer.from(text) });
  await expect(page.getByRole("heading", { name: "Dry run" })).toBeVisible();
  if (account)
    await page
      .getByLabel(/^(Account|For account|Processor account)/)
      .first()
      .selectOption({ label: account });
  const open = page.getByRole("group", { name: "What the file leaves open" });
  const take = page.getByRole("button", { name: /^Take in \d+ lines?/ });
  await expect(open.or(take)).toBeVisible();
  // Deposits alone, and no balance: which way the money went is asked.
  if (await open.isVisible())
    await open.getByRole("button", { name: "That is it" }).first().click();
  await take.click();
  await expect(page.getByRole("status")).toContainText("taken in");
  await proofsHold(page);
}

test("a month: takings, a dispute, a return, a refund, a missing fee, all tied to the bank", async ({
  page,
}) => {
  const seen = watch(page);
  await page.goto("/?new=1");
  await page.getByLabel("Business").fill("Month Trip Clay");
  await page.getByLabel("Name in the address").fill("month-trip");
  await page.getByLabel("Cut-over day").fill("2026-10-31");
  await page.getByLabel("Letters come from").fill("accounts@monthtrip.example");
  await page.getByRole("button", { name: "Start the book" }).click();
  await expect(page.getByRole("button", { name: "Add a bank account" })).toBeVisible();
  await send(page, "addBankAccount", {
    code: "operating",
    name: "Operating bank",
    openingBalance: 100_000,
  });
  await send(page, "addProcessorAccount", {
    code: "card",
    name: "card account",
    delayDays: 2,
    descriptor: null,
  });
  await send(page, "changeSettings", { returnFee: 2500 });
  await takeIn(page, "customers.csv", CUSTOMERS);
  await takeIn(page, "invoices.csv", INVOICES);

  // Takings: two payouts; the second has a refund and a dispute in it, whose fee is missing in the file.
  await takeIn(
    page,
    "card.csv",
    [
      "Id,Type,Method,Date,Gross,Fee,Payer,Email,Memo,Payout id,Original id,Answer by",
      "ch_1,Charge,ACH debit,2026-11-03,864.50,5.00,Alder Lane Pottery School,office@alderlane.example,20401,po_1,,",
      "ch_2,Charge,Card,2026-11-03,120.00,3.78,Heron Point Studio,heron@mail.example,20403,po_1,,",
      "ch_3,Charge,Card,2026-11-05,500.00,14.80,Brightwater North Campus,,20404,po_2,,",
      "ch_4,Charge,Card,2026-11-05,90.00,2.91,Heron Point Studio,heron@mail.example,,po_2,,",
      "rf_1,Refund,,2026-11-06,90.00,0.00,,,,po_2,ch_4,",
      "dp_1,Dispute,,2026-11-06,120.00,0.00,,,,po_2,ch_2,2026-12-20",
    ].join("\n"),
  );
  await page.goto(`${BOOK}/match`);
  await alive(page);
  await page.keyboard.press("a");
  await expect(page.getByRole("region", { name: "Sure receipts" })).toContainText("20401");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("status")).toContainText("receipts posted");
  await proofsHold(page);

  // The statement: the first payout ties by itself, the second is short by the dispute fee, which one key books.
  await takeIn(
    page,
    "bank.csv",
    "Date,Description,Amount\n2026-11-05,PROC PAYOUT PO_1,975.72\n2026-11-09,PROC PAYOUT PO_2,347.29\n",
  );
  await page.goto(`${BOOK}/payouts?month=2026-11`);
  await alive(page);
  await page.keyboard.press("ArrowDown");
  await expect(page.getByLabel("What would explain it")).toContainText(
    "a dispute is in it without a fee",
  );
  await page.keyboard.press("Enter");
  await expect(page.getByRole("status")).toContainText("Payout po_2 tied to the bank.");
  await proofsHold(page);

  // The bank's return file: the invoice is open again, the customer is charged, and the debit may be tried again.
  await takeIn(
    page,
    "returns.ach",
    returnFile(
      [
        {
          code: "R01",
          originalTrace: "ch_1",
          trace: "021001200000001",
          cents: 86_450,
          name: "Alder Lane",
          account: "135792468",
        },
      ],
      { day: "261106" },
    ),
  );
  await page.goto(`${BOOK}/payouts?show=back`);
  await alive(page);
  const list = page.getByRole("region", { name: "What came back" });
  await expect(list).toContainText("ACH return R01");
  await expect(list).toContainText("to be answered");
  await page.keyboard.press("ArrowDown");
  await page.getByLabel("What was sent").fill("the signed slip");
  await page.getByRole("button", { name: "It is answered" }).click();
  await expect(page.getByRole("status")).toContainText("Marked as answered.");
  await list.getByText("ACH return R01").click();
  await page.getByRole("button", { name: "Try it again" }).click();
  await expect(page.getByRole("status")).toContainText("Tried again on");
  await expect(page.getByRole("heading", { level: 1 })).toContainText(
    "came back that wants something done",
  );
  await page.goto(`${BOOK}/invoices?state=open&q=RF-`);
  await expect(page.getByRole("main")).toContainText("25.00");

  // What is in clearing is the return alone, and it foots to the account; the month goes out to the other ledger.
  await page.goto(`${BOOK}/payouts?show=clearing`);
  await expect(page.getByRole("heading", { level: 1 })).toContainText("(864.50)");
  await expect(page.getByText("card account (864.50) ✓")).toBeVisible();
  await page.goto(`${BOOK}/books?view=file&from=2026-11-01&to=2026-11-30`);
  await alive(page);
  await page.getByRole("button", { name: "Make the file" }).click();
  await expect(page.getByRole("status")).toContainText("entries in the file");
  await expect(page.getByRole("heading", { level: 1 })).toContainText("0 entries");
  await proofsHold(page);
  expect(seen).toEqual({ problems: [], outside: [] });
});
