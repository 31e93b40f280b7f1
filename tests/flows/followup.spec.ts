import { expect, type Page } from "@playwright/test";
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";

import { alive, DEMO, proofsHold } from "./helpers";
import { test } from "./test";

const OUTBOX = "test-results/data/books/kestrel-row/outbox";
const mails = (): string[] =>
  readdirSync(OUTBOX)
    .filter((name) => name.startsWith("2026-11-24") && name.endsWith(".eml"))
    .map((name) => readFileSync(join(OUTBOX, name), "utf8"));

/** Opens a customer's row of the list of who is late. */
async function openRow(page: Page, name: string): Promise<void> {
  await page.goto(`${DEMO}/overdue`);
  await alive(page);
  await page.getByRole("button", { name: new RegExp(`^${name}`) }).click();
  await expect(page.getByRole("group", { name: "What is overdue" })).toBeVisible();
}

test("a broken promise stands on top, is called about, and is promised anew in parts", async ({
  page,
}) => {
  await page.goto(`${DEMO}/overdue`);
  await alive(page);
  await page.keyboard.press("ArrowDown");
  await expect(page.locator("tr[data-open]")).toContainText(/Emberline Studio.*broken/);
  await page.keyboard.press("c");
  await page.getByRole("button", { name: "They agree to 2 parts" }).click();
  await expect(page.getByLabel("Promised sum", { exact: true })).toHaveValue("135.93");
  await page.getByRole("button", { name: "Note it" }).click();
  await expect(page.getByRole("status")).toContainText("The promise is noted");
  await expect(page.getByRole("row", { name: /Emberline Studio/ })).toContainText(
    "promise, Wed 25 Nov",
  );
  await page.keyboard.press("u");
  await expect(page.getByRole("status")).toContainText("Undone");
  await expect(page.getByRole("row", { name: /Emberline Studio/ })).toContainText("broken");
});

test("who has an ACH debit on its way, or a payment made twice, is left alone, and the page says why", async ({
  page,
}) => {
  await openRow(page, "Marlbank Studio");
  await expect(
    page.getByText(/waits for 420\.00 by ACH on its way since Fri 20 Nov/),
  ).toBeVisible();
  await expect(page.getByRole("button", { name: "Look at the letter" })).toBeDisabled();
  await openRow(page, "Otter Cove Gallery");
  await expect(page.getByText(/waits for 2 receipts to match, 622\.20/)).toBeVisible();
  await expect(page.getByRole("button", { name: "Look at the letter" })).toBeDisabled();
});

test("a receipt that arrives between looking and sending holds the letter", async ({ page }) => {
  await openRow(page, "Sandpiper Clay Workshop");
  await page.keyboard.press("Enter");
  await expect(page.getByLabel("Subject")).toHaveValue(/USD 3,400\.00/);
  const before = mails().length;
  const arrived = await page.request.post(`/api/v1${DEMO}/commands/recordReceipt`, {
    data: {
      key: "a receipt in between",
      input: {
        method: "check",
        number: "8812",
        paidOn: "2026-11-24",
        amount: 340_000,
        payerName: "Sandpiper Clay Workshop",
        reference: "",
      },
    },
  });
  expect(arrived.status()).toBe(200);
  await page.getByRole("button", { name: /Send it/ }).click();
  await expect(page.getByRole("status")).toContainText(
    /Sandpiper Clay Workshop waits: 3,400\.00 to match/,
  );
  expect(mails()).toHaveLength(before);
  const { value } = (await arrived.json()) as { value: { actId: number } };
  await page.request.post(`/api/v1${DEMO}/commands/undo`, {
    data: { key: "a receipt in between, undone", input: { actId: value.actId } },
  });
});

test("the district with its schools: its receipt is placed, then one letter for all of it goes with the statement and the link", async ({
  page,
}) => {
  await openRow(page, "Brightwater Unified");
  await expect(page.getByText(/waits for 938\.50 to match/)).toBeVisible();
  await page.goto(`${DEMO}/match?queue=sure`);
  await alive(page);
  await page
    .getByRole("row", { name: /938\.50/ })
    .first()
    .getByRole("button")
    .click();
  await page.getByRole("button", { name: /^Post/ }).click();
  await expect(page.getByRole("status")).toContainText("938.50 of BRIGHTWATER UNIF posted");
  await openRow(page, "Brightwater Unified");
  await expect(page.locator("tr[data-open]")).toContainText("call");
  // The call is its main act; it may be written to all the same.
  await page.keyboard.press("l");
  const letter = page.getByLabel("Letter", { exact: true });
  await expect(letter).toHaveValue(
    /18015[\s\S]*18029[\s\S]*together\s+426\.50[\s\S]*https:\/\/accounts\.kestrelrow\.example\/account\/[0-9a-f]{48}/,
  );
  await page.getByRole("button", { name: /Send it/ }).click();
  await expect(page.getByRole("status")).toContainText(
    "Letter to Brightwater Unified is in the outbox",
  );
  await expect
    .poll(() =>
      mails().some(
        (mail) =>
          mail.includes("To: payables@brightwater.example") &&
          mail.includes("Cc: purchasing@brightwater.example") &&
          mail.includes("Dear Ms Okafor,") &&
          mail.includes("statement-2026-11-24.pdf"),
      ),
    )
    .toBe(true);
  await proofsHold(page);
});

test("the account page shows a customer its own account, gives its papers, and stands on its history", async ({
  page,
  baseURL,
}) => {
  await page.goto(`${DEMO}/customers?q=Tallow%20County`);
  await page.getByRole("link", { name: "Tallow County Schools" }).first().click();
  await alive(page);
  const link =
    (await page.getByRole("link", { name: "What they see" }).getAttribute("href"))?.replace(
      "?look",
      "",
    ) ?? "";
  expect(link).toMatch(/^\/account\/[0-9a-f]{48}$/);
  // From outside the machine has another name; only the customers' door answers to it.
  const door = `http://127.0.0.1:${Number(new URL(baseURL ?? "").port) + 1}`;
  const outside = await page.request.get(`${door}${link}`, {
    headers: { host: "accounts.kestrelrow.example" },
  });
  expect([
    outside.status(),
    outside.headers()["x-robots-tag"],
    outside.headers()["cache-control"],
  ]).toEqual([200, "noindex, nofollow", expect.stringContaining("no-store")]);
  await page.goto(link);
  await expect(page.getByRole("heading", { level: 1 })).toContainText(/USD [\d,.]+ open/);
  await expect(page.locator("main")).not.toContainText("Brightwater");
  const [paper, statement] = [
    page.getByRole("link", { name: /^PDF/ }).first(),
    page.getByRole("link", { name: "Statement of account (PDF)" }),
  ];
  for (const locator of [paper, statement]) {
    const pdf = await page.request.get((await locator.getAttribute("href")) ?? "");
    expect([pdf.status(), (await pdf.body()).subarray(0, 5).toString()]).toEqual([200, "%PDF-"]);
  }
  await page.goto(`${DEMO}/customers?q=Tallow%20County`);
  await page.getByRole("link", { name: "Tallow County Schools" }).first().click();
  await alive(page);
  for (const seen of ["opened the account page", "downloaded the statement", /downloaded \d+/])
    await expect(page.getByRole("table", { name: "History" })).toContainText(seen);
  await page.getByRole("button", { name: "give it a new address" }).click();
  await expect(page.getByRole("status")).toContainText("a new address");
  for (const path of [link, `${link}/statement`, `/account/${"0".repeat(48)}`])
    expect((await page.request.get(path)).status()).toBe(404);
});

test("letters that go by themselves are seen beforehand, one is taken out, and the others go", async ({
  page,
}) => {
  await page.goto(`${DEMO}/overdue?show=by-itself`);
  await alive(page);
  const head = page.getByRole("heading", { level: 1 });
  const count = Number(/in (\d+) letters/.exec(await head.innerText())?.[1]);
  await page.getByRole("button", { name: "take out" }).first().click();
  await page.getByLabel(/Why .* is taken out/).fill("on holiday until Monday");
  await page.keyboard.press("Enter");
  await expect(head).toContainText(`in ${count - 1} letter`);
  const before = mails().length;
  await page.getByRole("button", { name: "Let them go now" }).click();
  await page.getByRole("button", { name: /^Send these/ }).click();
  await expect(page.getByRole("status")).toContainText(
    /letters? goe?s? ?to the outbox|go to the outbox/,
  );
  await expect.poll(() => mails().length).toBe(before + count - 1);
  await expect(page.getByText("taken out: on holiday until Monday")).toBeVisible();
});

test("words of one's own are shown on a real customer as they are typed; a mistake is said, and what ships comes back", async ({
  page,
}) => {
  await page.goto(`${DEMO}/overdue?show=words`);
  await alive(page);
  const preview = page.getByTestId("preview");
  await expect(preview).toContainText("Kestrel Row Clay & Kiln");
  const letter = page.getByLabel("Letter", { exact: true });
  await letter.fill("Good day {{ customer }}, {{ amount }}");
  await expect(page.getByRole("main").getByRole("alert")).toContainText("amount");
  await letter.fill("Good day {{ customer }},\n\n{{ table }}\n\n{{ business }}");
  await expect(preview).toContainText(/^Good day .*together/s);
  await page.getByRole("button", { name: "Keep these words" }).click();
  await expect(page.getByRole("status")).toContainText("used from now on");
  await expect(page.getByText("your own words", { exact: true })).toBeVisible();
  await page.getByRole("button", { name: "Back to what ships" }).click();
  await expect(page.getByText("as it ships")).toBeVisible();
  await page.getByLabel("Language").selectOption("de");
  await expect(preview).toContainText("Freundliche Grüße");
});

test("a debt is written off by two people, and what is paid for it after all is a recovery", async ({
  page,
}) => {
  const working = page.getByLabel("Who is working");
  await page.goto(`${DEMO}/invoices?q=18015`);
  await page.getByRole("link", { name: "18015" }).click();
  await alive(page);
  await page.getByRole("button", { name: "Give it up" }).click();
  await page.getByLabel("Why it is written off").fill("the school has closed");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("status")).toContainText("waits for a second person");
  await page.getByRole("button", { name: "Approve and post" }).click();
  await expect(page.getByRole("status")).toContainText("A second person has to decide");
  await working.selectOption({ label: "Theo Lindqvist" });
  await page.goto(`${DEMO}/overdue?show=given-up`);
  await alive(page);
  await page.getByRole("button", { name: "Approve and post" }).click();
  await expect(page.getByRole("status")).toContainText("279.50 of 18015 written off");
  await expect(page.getByRole("region", { name: "Debts written off" })).toContainText(
    "Mara Voss and Theo Lindqvist",
  );
  await proofsHold(page);
  // After all a check comes.
  const arrived = await page.request.post(`/api/v1${DEMO}/commands/recordReceipt`, {
    data: {
      key: "after all, a check",
      input: {
        method: "check",
        number: "771",
        paidOn: "2026-11-24",
        amount: 27_950,
        payerName: "Brightwater Harbor Middle School",
        reference: "18015",
      },
    },
  });
  const { value } = (await arrived.json()) as { value: { receiptId: number } };
  // The receipt is found in whichever queue it waits.
  await page.goto(`${DEMO}/match?open=${value.receiptId}`);
  await alive(page);
  await expect(page.locator("tr[data-open]")).toContainText("279.50");
  await page.getByLabel("pays what was written off").check();
  await expect(page.getByTestId("left-over")).toHaveText("0.00");
  await page.getByRole("button", { name: /^Post/ }).click();
  await expect(page.getByRole("status")).toContainText("posted");
  await page.goto(`${DEMO}/overdue?show=given-up`);
  await expect(page.getByRole("heading", { level: 1 }).locator("..")).toContainText(
    /279\.50.*paid after all/s,
  );
  await proofsHold(page);
  await working.selectOption({ label: "Mara Voss" });
});

test("the aging is cut into steps of one's own, by group, and a sum opens into its items", async ({
  page,
}) => {
  await page.goto(`${DEMO}/reports`);
  await alive(page);
  await page.getByLabel("Days of the columns").fill("10, 20, 45");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("columnheader", { name: "21 to 45" })).toBeVisible();
  await page.getByLabel("By", { exact: true }).selectOption("group");
  await expect(page.getByText(/\d+ groups/)).toBeVisible();
  await expect(page.getByText("ties to Accounts receivable of that day")).toBeVisible();
  await page.getByRole("button", { name: "Tallow County Schools" }).click();
  await expect(
    page.getByRole("group", { name: "What Tallow County Schools had open" }),
  ).toContainText("Tallow Lincoln Elementary");
  await page.getByLabel("Age counts from").selectOption("issued");
  await expect(page.getByRole("columnheader", { name: "up to 10 days" })).toBeVisible();
  await expect(page.getByText("ties to Accounts receivable of that day")).toBeVisible();
  const sheet = await page.request.get(
    (await page.getByRole("link", { name: "CSV" }).first().getAttribute("href")) ?? "",
  );
  expect((await sheet.text()).split("\r\n")[0]).toBe(
    "customer_id,customer,currency,up to 10 days,11 to 20,21 to 45,over 45,total,on_account",
  );
});
