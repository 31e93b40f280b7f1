// Changes the core at random, one change at a time (the changes are Stryker's), and counts how many its
// own tests notice. Each folder is judged by the tests that stand in it alone. What went unnoticed is
// written, change by change, to test-results/mutants/FOLDER.txt.
import { mkdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { Worker } from "node:worker_threads";

import { root } from "./steps.mjs";

const FOLDERS = [
  "money",
  "calendar",
  "ledger",
  "payouts",
  "fees",
  "receipts",
  "followup",
  "metrics",
  "matching/decision",
];
const LEAST_IN_EACH = 85;
const LEAST_OVER_ALL = 90;
const OUT = join(root, "test-results/mutants");
/** A change whose tests say nothing for so long goes round for ever: that is noticed too. */
const SILENT_MS = 8000;
const LOOK_EVERY_MS = 500;

/** Tries the changes of a folder from one on, in a thread that may be ended; gives where it hung, or null. */
function tryFrom(folder, from, heard) {
  const at = new Int32Array(new SharedArrayBuffer(4));
  const worker = new Worker(new URL("./mutants/tryAll.mjs", import.meta.url), {
    workerData: { folder, from, at },
  });
  return new Promise((resolve, reject) => {
    let seen = 0;
    let since = Date.now();
    const end = (where) => {
      clearInterval(timer);
      void worker.terminate().then(() => resolve(where));
    };
    const timer = setInterval(() => {
      const now = Atomics.load(at, 0);
      if (now !== seen) [seen, since] = [now, Date.now()];
      else if (now > 0 && Date.now() - since > SILENT_MS) end(now);
    }, LOOK_EVERY_MS);
    worker.on("message", (said) => (said.done ? end(null) : heard(said)));
    worker.on("error", (error) => {
      clearInterval(timer);
      reject(error);
    });
  });
}

async function judge(folder) {
  const missed = [];
  let [all, noticed, from] = [0, 0, 0];
  const heard = ({ is, words }) => {
    all += 1;
    if (is) noticed += 1;
    else missed.push(words);
  };
  for (;;) {
    const hung = await tryFrom(folder, from, heard);
    if (hung === null) break;
    heard({ is: true });
    from = hung;
  }
  writeFileSync(join(OUT, `${folder.replaceAll("/", "-")}.txt`), `${missed.sort().join("\n")}\n`);
  return { folder, all, noticed };
}

const percent = ({ noticed, all }) => (100 * noticed) / all;
const row = (sum) =>
  `| ${sum.folder} | ${sum.all} | ${sum.noticed} | ${percent(sum).toFixed(1)} % |`;

mkdirSync(OUT, { recursive: true });
const asked = process.argv.slice(2);
const sums = [];
console.log("| Folder | changes | noticed | |\n|---|---|---|---|");
for (const folder of FOLDERS) {
  if (asked.length > 0 && !asked.includes(folder)) continue;
  sums.push(await judge(folder));
  console.log(row(sums.at(-1)));
}
const total = {
  folder: "**all**",
  all: sums.reduce((sum, { all }) => sum + all, 0),
  noticed: sums.reduce((sum, { noticed }) => sum + noticed, 0),
};
console.log(row(total));
const short = sums.filter((sum) => percent(sum) < LEAST_IN_EACH);
if (short.length > 0 || percent(total) < LEAST_OVER_ALL) {
  console.log(`Asked: ${LEAST_IN_EACH} % in each, ${LEAST_OVER_ALL} % over all.`);
  process.exitCode = 1;
}
