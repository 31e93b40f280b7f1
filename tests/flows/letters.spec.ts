import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";

import { expect } from "@playwright/test";

import { alive, DEMO, proofsHold } from "./helpers";
import { test } from "./test";

const OUTBOX = "test-results/data/books/kestrel-row/outbox";
const mail = (name: string): string => readFileSync(join(OUTBOX, name), "utf8");
/** The letters of today; invoices of other flows may still be on their way to the outbox. */
const today = (): string[] =>
  readdirSync(OUTBOX).filter(
    (name) =>
      name.startsWith("2026-11-24") &&
      name.endsWith(".eml") &&
      !/^Subject: (?:Invoice|Credit note) /m.test(mail(name)),
  );

test("the letters of a day: looked through from the keyboard, one changed, one taken out with a reason, the rest sent after a second step", async ({
  page,
}) => {
  await page.goto(`${DEMO}/overdue?show=run`);
  await alive(page);
  const head = page.getByRole("heading", { level: 1 });
  const count = Number(/in (\d+) letters/.exec(await head.innerText())?.[1]);
  const before = today().length;
  expect(count).toBeGreaterThan(5);
  await expect(page.getByRole("table", { name: "Held back" })).toContainText(
    "a receipt in Match that may be theirs",
  );
  await page.keyboard.press("ArrowDown");
  await page.getByLabel("Subject").fill("About your account, from Mara");
  await page.getByRole("region", { name: "Letters of today" }).focus();
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("x");
  await page.getByLabel("Why it does not go").fill("spoke to them this morning");
  await page.keyboard.press("Enter");
  await expect(head).toContainText(`in ${count - 1} letters`);
  await page.keyboard.press("s");
  // Files wait in Arrivals: they are named, and the letters go only when that was seen.
  await expect(page.getByText(/wait in Arrivals: whoever paid in them would be/)).toBeVisible();
  await expect(
    page.getByText("They leave the house before those files are read, for good."),
  ).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("status")).toContainText(/letters go to the outbox|Noted/);
  await expect.poll(() => today().length, { timeout: 30_000 }).toBe(before + count - 1);
  const mails = today().map(mail);
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
  await expect(page.getByRole("table", { name: "What moved in USD" })).toContainText(
    "closing balance",
  );
  const pdf = await page.request.get(
    (await page.getByRole("link", { name: "PDF" }).getAttribute("href")) ?? "",
  );
  expect([pdf.status(), (await pdf.body()).subarray(0, 5).toString()]).toEqual([200, "%PDF-"]);
});

test("who gets the letters is said on the customer's page; a mail that says that one came back is taken in, and the address works again", async ({
  page,
}) => {
  await page.goto(`${DEMO}/customers?q=Tidemark`);
  await page.getByRole("link", { name: "Tidemark Gallery" }).first().click();
  await alive(page);
  await page.getByRole("button", { name: "Another person" }).click();
  await page.getByLabel("Name of person 1").fill("Ms Quill");
  await page.getByLabel("E-mail of person 1").fill("quill");
  await page.getByRole("button", { name: "Keep the persons" }).click();
  await expect(page.getByRole("status")).toContainText("An e-mail address, or leave it empty");
  await page.getByLabel("E-mail of person 1").fill("quill@tidemark.example");
  await page.getByRole("button", { name: "Keep the persons" }).click();
  await expect(page.getByRole("status")).toContainText("Kept");
  const sent =
    today()
      .map((name) => readFileSync(join(OUTBOX, name), "utf8"))
      .find((mail) => /^To: \S+@\S+\r?$/m.test(mail)) ?? "";
  const [to, messageId] = [
    /^To: (\S+)\r?$/m.exec(sent)?.[1] ?? "",
    /^Message-ID: (\S+)\r?$/m.exec(sent)?.[1] ?? "",
  ];
  const report = [
    "From: MAILER-DAEMON@relay.example",
    "Subject: Undelivered",
    "MIME-Version: 1.0",
    'Content-Type: multipart/report; report-type=delivery-status; boundary="b"',
    "",
    "--b",
    "Content-Type: message/delivery-status",
    "",
    "Reporting-MTA: dns; relay.example",
    "",
    `Final-Recipient: rfc822; ${to}`,
    "Action: failed",
    "Status: 5.2.2",
    "Diagnostic-Code: smtp; 552 5.2.2 mailbox full",
    "",
    "--b",
    "Content-Type: text/rfc822-headers",
    "",
    `Message-ID: ${messageId}`,
    "",
    "--b--",
    "",
  ].join("\r\n");
  await page.goto(`${DEMO}/overdue?show=run`);
  await alive(page);
  const addresses = page.getByRole("table", { name: "Addresses that letters come back from" });
  await page.getByLabel("Mails that came back").setInputFiles([
    {
      name: "hello.eml",
      mimeType: "message/rfc822",
      buffer: Buffer.from("Subject: hello\r\n\r\nWhen do you open?\r\n"),
    },
  ]);
  await expect(page.getByRole("status")).toContainText(
    "hello.eml is not a report of a mail system",
  );
  await page
    .getByLabel("Mails that came back")
    .setInputFiles([{ name: "back.eml", mimeType: "message/rfc822", buffer: Buffer.from(report) }]);
  await expect(page.getByRole("status")).toContainText(`no letter goes to ${to} any more`);
  await expect(addresses).toContainText("552 5.2.2 mailbox full");
  await page.getByRole("button", { name: `${to} works again` }).click();
  await expect(addresses).not.toContainText(to);
  await proofsHold(page);
});

test("the fee of a letter is charged once the letter went, waived with a reason, and not asked for again", async ({
  page,
}) => {
  await page.goto(`${DEMO}/overdue?show=fees`);
  await alive(page);
  const proposed = page.getByRole("region", { name: "Late fees that may be charged" });
  const row = proposed.getByRole("row", {
    name: /Thistledown Ceramics Guild.*letter 3 of Tue 24 Nov/,
  });
  await expect(row).toContainText("15.00");
  // Only this one: the others are taken off.
  for (const box of await proposed.getByRole("checkbox").all()) await box.uncheck();
  await row.getByRole("checkbox").check();
  await expect(page.getByRole("heading", { level: 1 })).toContainText("15.00");
  await page.getByRole("button", { name: /Charge these 1/ }).click();
  await expect(page.getByText(/Each becomes an open item/)).toContainText("15.00");
  await page.getByRole("button", { name: /^Charge 1/ }).click();
  await expect(page.getByRole("status")).toContainText("One late fee is an open item now");
  await expect(row).toHaveCount(0);
  const charged = page.getByRole("table", { name: "Late fees charged" });
  await charged
    .getByRole("row", { name: /Thistledown/ })
    .getByRole("button", { name: "waive" })
    .click();
  await page.getByLabel(/^Why LF-/).fill("agreed on the telephone");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("status")).toContainText("is waived");
  await expect(row).toHaveCount(0);
  await proofsHold(page);
});
