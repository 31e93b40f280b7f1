// Changes the core at random, one change at a time, and counts how many its own tests notice.
// Each folder is judged by the tests that stand in it alone. What went unnoticed is written, change by
// change, to test-results/mutants/FOLDER.txt.
import { mkdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";

import { Stryker } from "@stryker-mutator/core";

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
const NOTICED = ["Killed", "Timeout"];
const COUNTED = [...NOTICED, "Survived", "NoCoverage"];
const OUT = join(root, "test-results/mutants");

const options = (folder) => ({
  testRunner: "jest",
  plugins: ["@stryker-mutator/jest-runner"],
  coverageAnalysis: "perTest",
  concurrency: Number(process.env.MUTANTS_AT_ONCE ?? "1"),
  mutate: [`src/core/${folder}/**/*.ts`, "!src/core/**/*.test.ts", "!src/core/**/*.generated.ts"],
  jest: {
    configFile: "jest.config.mjs",
    config: {
      testMatch: [`<rootDir>/src/core/${folder}/**/*.test.ts`],
      setupFiles: ["<rootDir>/tests/support/fewerRuns.mjs"],
    },
    enableFindRelatedTests: false,
  },
  ignorePatterns: ["**", "!src/core/**", "!tests/support/**", "!jest.config.mjs", "!package.json"],
  tempDirName: join(OUT, "sandbox"),
  disableTypeChecks: false,
  timeoutMS: 10_000,
  dryRunTimeoutMinutes: 20,
  reporters: [],
  fileLogLevel: "off",
  logLevel: "error",
});

/** A change that went unnoticed, as a line: where, what stood there by its kind, what stood there instead. */
const inWords = ({ fileName, location, mutatorName, replacement, status }) =>
  `${fileName}:${location.start.line}:${location.start.column} ${status} ${mutatorName} -> ` +
  `${(replacement ?? "").replaceAll(/\s+/gu, " ").slice(0, 160)}`;

async function judge(folder) {
  const results = await new Stryker(options(folder)).runMutationTest();
  const counted = results.filter(({ status }) => COUNTED.includes(status));
  const noticed = counted.filter(({ status }) => NOTICED.includes(status)).length;
  const missed = counted.filter(({ status }) => !NOTICED.includes(status)).map(inWords);
  writeFileSync(join(OUT, `${folder.replaceAll("/", "-")}.txt`), `${missed.sort().join("\n")}\n`);
  return { folder, all: counted.length, noticed };
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
