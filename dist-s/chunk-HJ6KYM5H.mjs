import {
  asData,
  importOne,
  words
} from "./chunk-WA3RKHIW.mjs";
import {
  orderLine,
  orderRefused,
  toldDocument
} from "./chunk-BXTJSLBJ.mjs";
import {
  readOrders
} from "./chunk-TSQGS7QX.mjs";
import {
  takeOrders
} from "./chunk-WAZVMD4U.mjs";
import {
  runCommand
} from "./chunk-TFINCUNW.mjs";
import {
  arrivedFile,
  arrivedFiles,
  keptFile,
  openBookToWrite
} from "./chunk-HCLLIY37.mjs";
import {
  inWords
} from "./chunk-VFPHQTCB.mjs";
import {
  fail
} from "./chunk-V6I26S2F.mjs";

// src/server/arrivals/layUnderArrivals.ts
import { copyFileSync, mkdirSync } from "node:fs";
import { dirname, extname } from "node:path";
function layUnderArrivals(book, sha256, name) {
  const waits = arrivedFile(book, freeName(shortName(name), new Set(arrivedFiles(book))));
  mkdirSync(dirname(waits), { recursive: true });
  copyFileSync(keptFile(book, sha256), waits);
}
var LONGEST_NAME = 180;
function shortName(name) {
  if (name.length <= LONGEST_NAME) return name;
  const end = extname(name).slice(0, 20);
  return `${name.slice(0, LONGEST_NAME - end.length)}${end}`;
}
function freeName(name, there) {
  const end = extname(name);
  const stem = name.slice(0, name.length - end.length);
  for (let at = 1; ; at += 1) {
    const tried = at === 1 ? name : `${stem}-${at}${end}`;
    if (!there.has(tried)) return tried;
  }
}

// src/cli/takeUp.ts
import { basename } from "node:path";

// src/cli/takeUpOrders.ts
import { randomUUID } from "node:crypto";
import { readFileSync } from "node:fs";
function ordersIn(path) {
  try {
    return readOrders(readFileSync(path));
  } catch {
    return fail("file.unreadable", { path });
  }
}
function takeUpOrders(db, { path, book }, { orders, refused: refused2 }) {
  const run = (rehearse) => {
    const who = { book, actor: "watched folder", key: randomUUID(), rehearse };
    return runCommand(db, takeOrders, { orders, approve: false }, who);
  };
  const looked = run(true);
  const wrong = looked.ok ? [...refused2, ...looked.value.refused] : refused2;
  const done = looked.ok && wrong.length === 0 ? run(false) : looked;
  if (!done.ok || wrong.length > 0) {
    const text = [
      ...wrong.map((refusal) => orderRefused(path, refusal)),
      ...done.ok ? [] : [`${path}: ${inWords(done.error)}`]
    ];
    return { outcome: "refused", text, data: { state: "refused", file: path, messages: text } };
  }
  const told2 = done.value.documents.map(({ document, id }) => toldDocument(db, document, id));
  return {
    outcome: "taken",
    text: told2.map(orderLine),
    data: { state: "taken", file: path, kind: "orders", documents: told2 }
  };
}

// src/cli/takeUp.ts
var MOST_TRIES = 60;
async function takeUp(coming) {
  const opened = await opening(coming.book);
  if (!opened.ok) return refused(coming, opened.error);
  const orders = ordersIn(coming.path);
  try {
    if (orders.ok) return takeUpOrders(opened.value, coming, orders.value);
    const looked = await importing(opened.value, coming, true);
    if (!looked.ok) return refused(coming, looked.error);
    const { questions, refused: wrong, knownBy } = looked.value;
    if (questions.length > 0 || wrong.length > 0 || knownBy === "guess")
      return waiting(coming, looked.value);
    const done = await importing(opened.value, coming, false);
    return done.ok ? told("taken", done.value) : refused(coming, done.error);
  } finally {
    opened.value.close();
  }
}
async function opening(book) {
  for (let tries = 1; ; tries += 1) {
    const opened = openBookToWrite(book);
    if (opened.ok || tries === MOST_TRIES) return opened;
    await new Promise((resolve) => setTimeout(resolve, 1e3));
  }
}
var importing = (db, { book, path, values }, dry) => importOne(db, {
  book,
  path,
  values: { ...values, "dry-run": dry },
  answers: [],
  kind: void 0
});
var told = (outcome, report) => ({
  outcome,
  text: [...words(report), ...report.questions.map(({ words: asked }) => `  asks: ${asked}`)],
  data: { state: outcome, dryRun: outcome === "waits", ...asData(report) }
});
function waiting({ book, path }, report) {
  layUnderArrivals(book, report.sha256, basename(path));
  return told("waits", { ...report, fileId: null });
}
function refused({ path }, error) {
  const message = inWords(error);
  return {
    outcome: "refused",
    text: [`${path}: ${message}`],
    data: { state: "refused", file: path, error: { code: error.code, message } }
  };
}

export {
  freeName,
  takeUp
};
