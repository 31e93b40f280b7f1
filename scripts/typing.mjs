// How long a key takes to be seen in an invoice of 500 lines: `npm run bench -- typing`.
import { join } from "node:path";

import { browse, makeDemo, open, serve } from "./demoServer.mjs";
import { root } from "./steps.mjs";

const LINES = 500;
const PORT = Number(process.env.SHOTS_PORT ?? 4174);
/** Milliseconds between keys: a quick typist. */
const BETWEEN = 120;
const data = join(root, "test-results/typing-data");

makeDemo(data);
const server = serve(data, PORT);
const browser = await browse();
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await open(page, `http://127.0.0.1:${PORT}/b/kestrel-row/invoices/new`);
  await page.waitForTimeout(1500);
  await page.getByRole("combobox", { name: "Customer" }).fill("Emberline");
  await page
    .getByRole("option", { name: /Emberline/ })
    .first()
    .waitFor();
  await page.keyboard.press("Enter");
  await page.getByLabel("Description of line 1").focus();
  await page.evaluate(pasteRows, LINES);
  await page.getByLabel(`Description of line ${LINES}`).waitFor();
  await page.waitForTimeout(6000);
  await page.evaluate(watchKeys);
  await type(page, "Rate of line 250", "123456789123456789");
  await type(page, "Description of line 400", "stoneware-with-grog");
  const times = (await page.evaluate(() => window.keyTimes)).sort((a, b) => a - b);
  const at = (share) => Math.round(times[Math.floor((times.length - 1) * share)]);
  console.log(
    `${LINES} lines, ${times.length} keys: median ${at(0.5)} ms, 95 % ${at(0.95)} ms, worst ${at(1)} ms`,
  );
} finally {
  await browser.close();
  server.kill();
}

/** Rows as a spreadsheet gives them, pasted where the cursor stands. */
function pasteRows(lines) {
  const row = (_, at) => `Clay body ${at}\t${(at % 9) + 1}\t${(at % 50) + 0.25}`;
  const clipboardData = new DataTransfer();
  clipboardData.setData("text/plain", Array.from({ length: lines }, row).join("\n"));
  const pasted = new ClipboardEvent("paste", { clipboardData, bubbles: true, cancelable: true });
  document.activeElement.dispatchEvent(pasted);
}

/** From the key to the end of the frame that shows it. */
function watchKeys() {
  window.keyTimes = [];
  const watch = () => {
    const began = performance.now();
    requestAnimationFrame(() => {
      const { port1, port2 } = new MessageChannel();
      port1.onmessage = () => window.keyTimes.push(performance.now() - began);
      port2.postMessage(0);
    });
  };
  document.addEventListener("keydown", watch, true);
}

async function type(page, field, keys) {
  await page.getByLabel(field, { exact: true }).focus();
  for (const key of keys) {
    await page.keyboard.press(key);
    await page.waitForTimeout(BETWEEN);
  }
}
