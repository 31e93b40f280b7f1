// 200 customers who pay at once, within ten seconds and in the same instant: `npm run bench -- payers`.
import { createRequire } from "node:module";
import { join } from "node:path";

import { makeDemo, serve } from "./demoServer.mjs";
import { root } from "./steps.mjs";

const PAYERS = 200;
const PORT = Number(process.env.SHOTS_PORT ?? 4174);
const BOOK = "kestrel-row";
const data = join(root, "test-results/payers-data");
const door = `http://127.0.0.1:${PORT + 1}`;

await among("within ten seconds", 10_000);
await among("in the same instant", 0);

/** 200 invoices are open on their customers' pages, and are paid in so many milliseconds. */
async function among(words, within) {
  makeDemo(data);
  const payers = whoOwes();
  const server = serve(data, PORT);
  try {
    await answering();
    // Whoever pays has looked at the page before.
    const ready = [];
    for (const payer of payers) {
      await (await fetch(`${door}/pay/${payer.token}`)).text();
      ready.push({ ...payer, card: await cardOf() });
    }
    const from = performance.now();
    const done = await Promise.all(
      ready.map(async (payer, at) => {
        await new Promise((resolve) => setTimeout(resolve, (at * within) / ready.length));
        return pay(payer);
      }),
    );
    const took = performance.now() - from;
    const times = done.map(({ ms }) => ms).sort((a, b) => a - b);
    const at = (share) => Math.round(times[Math.floor((times.length - 1) * share)]);
    const paid = done.filter(({ state }) => state === "paid").length;
    console.log(
      `${payers.length} ${words}, ${paid} paid, in ${(took / 1000).toFixed(1)} s: median ${at(0.5)} ms, 95 % ${at(0.95)} ms, worst ${at(1)} ms`,
    );
    for (const { state } of done.filter((one) => one.state !== "paid").slice(0, 5))
      console.log(state);
  } finally {
    server.kill();
    await new Promise((resolve) => server.once("exit", resolve));
  }
}

/** Open invoices, each by the link to its customer's page. */
function whoOwes() {
  const Database = createRequire(join(root, "package.json"))("better-sqlite3");
  const db = new Database(join(data, "books", BOOK, "book.sqlite"), { readonly: true });
  const rows = db
    .prepare(
      `SELECT l.token, i.id, i.balance FROM account_link l JOIN open_item i ON i.customer_id = l.customer_id
       WHERE i.balance > 0 AND i.currency = 'USD' GROUP BY i.id LIMIT ?`,
    )
    .all(PAYERS);
  db.close();
  return rows;
}

async function answering(tries = 60) {
  const sent = await fetch(`http://127.0.0.1:${PORT}/`).catch(() => null);
  if (sent?.ok) return;
  if (tries === 0) throw new Error("the server does not answer");
  await new Promise((resolve) => setTimeout(resolve, 250));
  await answering(tries - 1);
}

/** A card that the practice processor takes, for its word. */
async function cardOf() {
  const sent = await fetch(`http://127.0.0.1:${PORT + 2}/${BOOK}/cards`, {
    method: "POST",
    headers: { "content-type": "application/json", origin: door },
    body: JSON.stringify({ number: "4111 1111 1111 1111", expiry: "04/29", code: "123" }),
  });
  return (await sent.json()).token;
}

async function pay({ token, id, balance, card }) {
  const from = performance.now();
  const sent = await fetch(`${door}/pay/${token}/payments`, {
    method: "POST",
    headers: {
      "content-type": "application/json",
      "sec-fetch-site": "same-origin",
      origin: door,
    },
    body: JSON.stringify({
      key: crypto.randomUUID(),
      parts: [{ itemId: id, amount: balance }],
      methodId: null,
      token: card,
      keep: false,
      agree: false,
    }),
  });
  const answer = await sent.json().catch(() => ({ error: { message: String(sent.status) } }));
  return { ms: performance.now() - from, state: answer.state ?? answer.error.message };
}
