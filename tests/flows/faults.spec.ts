import { expect } from "@playwright/test";
import Database from "better-sqlite3";
import { request as http } from "node:http";

import { alive, DEMO, proofsHold } from "./helpers";
import { test } from "./test";

test("two tabs post the same receipt: it is posted once, and the second says so", async ({
  context,
}) => {
  const [one, two] = [await context.newPage(), await context.newPage()];
  // The second does not hear of what the first does: that is the case that must be safe.
  await two.route("**/state", (route) => route.abort());
  for (const page of [one, two]) {
    await page.goto(`${DEMO}/match?queue=check`);
    await alive(page);
    await page.keyboard.press("ArrowDown");
    await expect(
      page
        .getByRole("button", { name: "Post Enter" })
        .or(page.getByRole("button", { name: /^Post/ }))
        .first(),
    ).toBeVisible();
  }
  const from = await one.locator("tr[data-open] td").nth(2).innerText();
  await one.bringToFront();
  await one.keyboard.press("Enter");
  await expect(one.getByRole("status")).toContainText(`of ${from} posted`);
  await two.bringToFront();
  await two.keyboard.press("Enter");
  await expect(two.getByRole("status")).toContainText("dealt with already");
  await one.bringToFront();
  await one.keyboard.press("u");
  await expect(one.getByRole("status")).toContainText("Undone");
  await proofsHold(one);
});

test("what is wrong with a file is said in a sentence, where it was chosen, and the server stays up", async ({
  page,
}) => {
  await page.goto(`${DEMO}/arrivals`);
  await alive(page);
  const choose = async (name: string, buffer: Buffer, words: string | RegExp): Promise<void> => {
    await page.getByLabel("File to take in").setInputFiles({ name, mimeType: "text/csv", buffer });
    await expect(page.getByRole("status")).toContainText(words);
  };
  await choose("empty.csv", Buffer.from(""), "The file is empty");
  await choose("latin.csv", Buffer.from("a,b\n1,caf\x81\n", "latin1"), "Line 2 is not UTF-8");
  await choose(
    "wide.csv",
    Buffer.from(`${Array.from({ length: 200 }, (_, at) => `c${at}`).join()}\n1\n`),
    "200 columns",
  );
  await page.getByLabel("File to take in").setInputFiles({
    name: "bank.csv",
    mimeType: "text/csv",
    buffer: Buffer.from(
      "Date,Description,Amount\n02/31/2026,RENT,-5.00\n11/20/2026,RENT,about 12\n",
    ),
  });
  await expect(page.getByLabel("Refused lines")).toContainText("does not exist");
  await expect(page.getByLabel("Refused lines")).toContainText("is not a sum");
  await page.keyboard.press("Escape");
  await proofsHold(page);
});

test("300 MB are turned away while they come, and nothing is kept", async ({ page, baseURL }) => {
  const { port } = new URL(baseURL ?? "");
  const send = (headers: Record<string, string>): Promise<{ status: number; body: string }> =>
    new Promise((resolve) => {
      const call = http(
        {
          host: "127.0.0.1",
          port,
          method: "POST",
          path: "/api/v1/b/kestrel-row/files?name=big.csv",
          headers,
        },
        (answer) => {
          let body = "";
          answer.on("data", (chunk: Buffer) => {
            body += chunk.toString();
          });
          answer.on("end", () => resolve({ status: answer.statusCode ?? 0, body }));
        },
      );
      call.on("error", () => resolve({ status: -1, body: "" }));
      const chunk = Buffer.alloc(1_000_000, "a,b\n");
      let sent = 0;
      const more = (): void => {
        while (sent < 300) {
          sent += 1;
          if (!call.write(chunk)) {
            call.once("drain", more);
            return;
          }
        }
        call.end();
      };
      more();
    });
  // Said beforehand by its length, or found out on the way where no length is given.
  const answers = [
    await send({ "content-length": "300000000", origin: baseURL ?? "" }),
    await send({ "transfer-encoding": "chunked", origin: baseURL ?? "" }),
  ];
  for (const { status, body } of answers)
    if (status > 0)
      expect([status, body]).toEqual([413, expect.stringContaining("at most 100 MB")]);
  expect(answers.some(({ status }) => status === 413)).toBe(true);
  await page.goto(`${DEMO}/match`);
  await proofsHold(page);
});

test("a page of another site, or another name for this machine, is refused", async ({
  request,
  baseURL,
}) => {
  const url = `${baseURL}/api/v1/b/kestrel-row/commands/undo`;
  const body = { data: { input: { actId: 1 }, key: "from-outside" } };
  expect(
    (
      await request.post(url, { ...body, headers: { origin: "https://elsewhere.example" } })
    ).status(),
  ).toBe(403);
  expect(
    (
      await request.get(`${baseURL}${DEMO}/match`, { headers: { host: "elsewhere.example" } })
    ).status(),
  ).toBe(403);
  expect(
    (await request.post(`${baseURL}/api/v1/b/kestrel-row/commands/__proto__`, body)).status(),
  ).toBe(404);
  expect(
    (await request.post(url, { data: { input: { actId: "x" }, key: "bad-input" } })).status(),
  ).toBe(422);
});

test("what is asked beyond all bounds is answered: pages that no list has, numbers that none has, bodies without end", async ({
  request,
  baseURL,
}) => {
  const asked = [
    "invoices?page=99999999999999999999",
    "customers?page=-1",
    "books?view=journal&page=1e308",
    "payouts?show=clearing&page=99999999999999999999",
    "arrivals?list=lines&page=9007199254740993",
    "match?open=1e400",
    "reports?as-of=9999-99-99",
    "invoices/99999999999999999999999",
    "files/0",
  ];
  const pages = asked.map(
    async (path) => [path, (await request.get(`${baseURL}${DEMO}/${path}`)).status()] as const,
  );
  expect((await Promise.all(pages)).filter(([, status]) => ![200, 404].includes(status))).toEqual(
    [],
  );
  const url = `${baseURL}/api/v1/b/kestrel-row/commands/applyReceipt`;
  const headers = { "content-type": "application/json", origin: baseURL ?? "" };
  for (const data of [
    "[".repeat(100_000) + "]".repeat(100_000),
    `${'{"input":'.repeat(50_000)}1${"}".repeat(50_000)}`,
    JSON.stringify({ input: { receiptId: 1e308, customerId: null, lines: [] }, key: "large" }),
    JSON.stringify({ input: {}, key: "k".repeat(100_000) }),
    "{",
    "",
  ]) {
    const status = (await request.post(url, { data, headers })).status();
    expect([data.slice(0, 40), status]).toEqual([data.slice(0, 40), 422]);
  }
});

test("a file that was altered from outside is off on the page that stands open, and holds again when it is put right", async ({
  page,
}) => {
  await page.goto(`${DEMO}/books`);
  await alive(page);
  await proofsHold(page);
  const strip = page.getByRole("contentinfo", { name: "Proofs" });
  const alter = (change: string): void => {
    const file = new Database("test-results/data/books/kestrel-row/book.sqlite");
    file.pragma("recursive_triggers = OFF");
    file.exec(change);
    file.close();
  };
  const comeBack = (): Promise<void> =>
    page.evaluate(() => void window.dispatchEvent(new Event("focus")));
  const one =
    "(SELECT min(id) FROM open_item WHERE balance > 200 AND kind = 'invoice' AND currency = 'USD')";
  alter(`UPDATE open_item SET balance = balance - 100 WHERE id = ${one}`);
  await comeBack();
  await expect(strip.getByText("off", { exact: true })).toHaveCount(1);
  alter(`UPDATE open_item SET balance = balance + 100 WHERE id = ${one}`);
  await comeBack();
  await proofsHold(page);
});

test("a file is taken back on its own page, after a look, and can be taken in anew", async ({
  page,
  baseURL,
}) => {
  const api = `${baseURL}/api/v1${DEMO}`;
  const sent = await page.request.post(`${api}/files?name=back.csv`, {
    headers: { origin: baseURL ?? "", "content-type": "text/csv" },
    data: Buffer.from("customer_id,name\nBACK1,Hollow Reed Pots\nBACK2,Second Hollow Reed\n"),
  });
  const { value: file } = (await sent.json()) as {
    value: { sha256: string; size: number; name: string; mapping: object };
  };
  const { sha256, size, name, mapping } = file;
  const take = async (key: string): Promise<number> => {
    const done = await page.request.post(`${api}/commands/importFile`, {
      data: { input: { sha256, size, name, mapping }, key },
    });
    return ((await done.json()) as { value: { fileId: number } }).value.fileId;
  };
  const fileId = await take("take-back-1");
  await page.goto(`${DEMO}/files/${fileId}`);
  await alive(page);
  await page.getByRole("button", { name: "Take this file back" }).click();
  await expect(page.locator("main")).toContainText("Nothing rests on it");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("status")).toContainText("back.csv is taken back");
  await expect(page.locator("main")).toContainText("taken back: it can be taken in anew");
  await proofsHold(page);
  await page.goto(`${DEMO}/customers?q=Hollow%20Reed`);
  await expect(page.getByRole("link", { name: "Hollow Reed Pots" })).toHaveCount(0);
  await page.goto(`${DEMO}/books?view=trail`);
  await expect(page.locator("main")).toContainText("undone: took in back.csv");
  await page.request.post(`${api}/commands/undoFile`, {
    data: { input: { fileId: await take("take-back-2") }, key: "take-back-3" },
  });
});

test("a backup is taken and tried from the page of the proofs", async ({ page }) => {
  await page.goto(`${DEMO}/books?view=proofs`);
  await alive(page);
  await page.getByRole("button", { name: "Back up now" }).click();
  await expect(page.getByRole("table", { name: "Backups" })).toContainText("kestrel-row--");
  await page.getByRole("button", { name: "Try the last one" }).click();
  await expect(page.locator("#backups")).toContainText("was restored aside: all 14 proofs hold");
  await expect(page.getByLabel("Proofs").last()).toContainText("Backup today");
});
