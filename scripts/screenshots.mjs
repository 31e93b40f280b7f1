// Makes docs/screenshots anew from a fresh demo book: `npm run screenshots [NAME…]`.
import { mkdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";

import { browse, dozo, makeDemo, open, serve } from "./demoServer.mjs";
import { root } from "./steps.mjs";

const port = Number(process.env.SHOTS_PORT ?? 4174);
const data = join(root, "test-results/screenshots-data");
makeDemo(data);
// A draft to look at, as an order makes one.
const orders = join(data, "orders.csv");
writeFileSync(
  orders,
  `document,customer_id,issued_on,po_number,description,quantity,rate,discount_percent,tax_code,tax_percent
A,C219,2026-11-24,PO 118,"Stoneware, 25 kg bags",12,24.25,,SALES,8.25
A,C219,2026-11-24,PO 118,"Celadon glaze, 5 l",4,38.5,10,SALES,8.25
A,C219,2026-11-24,PO 118,"Kiln service, hours",2.5,95,,,
`,
);
dozo(data, ["invoice", "--book", "kestrel-row", orders]);
const late = join(data, "card-2026-11-23.csv");
writeFileSync(
  late,
  `Id,Type,Date,Gross,Fee,Net,Payer,Email,Memo,Payout id,Original id,Card brand,Answer by
ch_12399,Charge,11/23/2026,648.27,18.45,629.82,Moss Landing Road Clay Workshop,,20484 less 2 %,,,Kiln Card,
`,
);
// Two lines that are refused: they wait in the tray.
const refused = join(data, "invoices-2026-11-23.csv");
writeFileSync(
  refused,
  `invoice_number,customer_id,issued_on,due_on,currency,total,balance,terms
30871,C219,2026-11-23,2026-12-23,USD,1.284.50,1284.50,n/30
30873,C219,2026-11-31,2026-12-30,USD,212.40,212.40,n/30
`,
);
// A statement whose days can be read two ways.
const twoWays = join(data, "statement-of-october.csv");
writeFileSync(
  twoWays,
  `Date,Description,Amount,Balance
02/10/2026,ALDER LANE POTTERY SCHOOL 20588,412.00,18652.55
05/10/2026,STUDIO RENT,-1850.00,16802.55
09/10/2026,HERON POINT STUDIO INV 20591,236.75,17039.30
10/10/2026,MILLRACE GALLERY,1120.40,18159.70
`,
);
const server = serve(data, port);

/** Each main view: its address, its paper, and what is pressed or clicked before the picture. */
const views = [
  { name: "match", path: "match?queue=check", keys: ["ArrowDown", "ArrowDown"] },
  { name: "invoice", path: "invoices/drafts/4" },
  { name: "invoices", path: "invoices", ticks: 3 },
  { name: "paper", path: "settings/looks" },
  { name: "arrivals", path: "arrivals" },
  { name: "dry-run", path: "arrivals", click: "Look at it", nth: 1 },
  { name: "question", path: "arrivals", drops: twoWays },
  { name: "payouts", path: "payouts", keys: ["ArrowDown"] },
  { name: "schedules", path: "schedules/3" },
  { name: "fees", path: "payouts?show=fees" },
  { name: "overdue", path: "overdue", keys: ["ArrowDown", "ArrowDown"] },
  { name: "books", path: "books?proof=clearing" },
  { name: "customer", path: "customers/12" },
  { name: "receipt", path: "receipts/2300" },
  { name: "aging", path: "reports?of=group", keys: ["ArrowDown"] },
  // A customer pays one of its invoices, and agrees that the others are taken.
  { name: "pay", path: "customers?q=Saltgrass%20Ceramics", pays: true, narrow: true },
  { name: "phone", path: "match?queue=check", keys: ["Enter"], narrow: true },
  // Two percent were taken that could be had until 10 October.
  { name: "late-discount", path: "match?queue=sure", takes: late, row: "648.27", dark: true },
  { name: "tray", path: "arrivals?list=tray", refuses: refused, keys: ["ArrowDown"] },
];

/** A processor's file that comes before a picture is taken. */
function takeIn(file) {
  const to = ["import", "--book", "kestrel-row", "--kind", "processor", "--account", "card", file];
  const done = dozo(data, to);
  if (done.status !== 0) throw new Error(`${file} was not taken in`);
}

/**
 * The whole of a payment, with a picture of the account page, the bill and the last look, side by side;
 * what is due of the customer after it is for the run.
 */
async function paid(page, picture) {
  const shots = [];
  const shot = async () => {
    await page.waitForTimeout(900);
    shots.push(await page.screenshot());
  };
  await page.getByRole("link", { name: "Saltgrass Ceramics Guild" }).first().click();
  const seen = page.getByRole("link", { name: "What they see" });
  const address = new URL((await seen.getAttribute("href")) ?? "", page.url());
  await page.goto(address.href);
  await shot();
  await page.goto(address.href.replace("/account/", "/pay/").replace("?look", ""));
  await shot();
  const boxes = page.getByRole("checkbox");
  for (let at = (await boxes.count()) - 1; at > 0; at -= 1) await boxes.nth(at).uncheck();
  await page.getByRole("radio", { name: /^Card/ }).check();
  await page.getByRole("button", { name: "Go on" }).click();
  await page.getByLabel("Card number").fill("4111 1111 1111 1111");
  await page.getByLabel("Month and year").fill("04/29");
  await page.getByLabel("Code on the card").fill("123");
  await page.getByLabel("Pay my invoices by themselves").check();
  await page.getByRole("button", { name: "The last look" }).click();
  await page.getByRole("button", { name: /^Pay / }).waitFor();
  await shot();
  await page.getByRole("button", { name: /^Pay / }).click();
  await page.getByRole("status").waitFor();
  await sideBySide(shots, picture);
}

/** Pictures of a telephone in one. */
async function sideBySide(shots, picture) {
  const page = await browser.newPage({ viewport: { width: 1250, height: 884 } });
  const images = shots.map(
    (shot) => `<img src="data:image/png;base64,${shot.toString("base64")}">`,
  );
  await page.setContent(
    `<body style="margin:0;background:#e5e1d8;display:flex;gap:20px;padding:20px">${images.join("")}</body>`,
  );
  await page.screenshot({ path: picture });
  await page.close();
}

const wanted = process.argv.slice(2);
const folder = join(root, "docs/screenshots");
mkdirSync(folder, { recursive: true });
const browser = await browse();
try {
  for (const view of views.filter(({ name }) => wanted.length === 0 || wanted.includes(name))) {
    const {
      name,
      path,
      keys = [],
      click,
      nth = 0,
      pays,
      takes,
      row,
      ticks = 0,
      drops,
      refuses,
    } = view;
    const { dark = false, narrow = false } = view;
    if (takes) takeIn(takes);
    if (refuses) dozo(data, ["import", "--book", "kestrel-row", "--kind", "invoices", refuses]);
    const page = await browser.newPage({
      viewport: narrow ? { width: 390, height: 844 } : { width: 1280, height: 800 },
      colorScheme: dark ? "dark" : "light",
    });
    const address = `http://127.0.0.1:${port}/b/kestrel-row/${path}`;
    await open(page, address);
    await page.waitForTimeout(900);
    if (click) {
      await page.getByRole("button", { name: click }).nth(nth).click();
      await page.getByText("as understood").waitFor();
    }
    if (drops) {
      await page.getByLabel("File to take in").setInputFiles(drops);
      await page.getByText("comes first?").waitFor();
    }
    if (pays) {
      await paid(page, join(folder, `${name}.png`));
      await page.close();
      continue;
    }
    for (let at = 0; at < ticks; at += 1) await page.getByRole("checkbox").nth(at).check();
    if (row) await page.getByRole("row", { name: row }).first().click();
    for (const key of keys) {
      await page.keyboard.press(key);
      await page.waitForTimeout(500);
    }
    await page.waitForTimeout(900);
    await page.screenshot({ path: join(folder, `${name}.png`) });
    await page.close();
  }
} finally {
  await browser.close();
  server.kill();
}
