// Runs all flows again and again on a busy machine and names those that fell.
// node scripts/repeatFlows.mjs [times] [flow …]
import { spawn, spawnSync } from "node:child_process";
import { cpSync, existsSync, mkdirSync } from "node:fs";

const [times = "20", ...which] = process.argv.slice(2);
/** Loads beside the flows; none where the machine has other work already. */
const BUSY = Number(process.env.FLOWS_BUSY ?? "2");

/** Something for the machine to do beside the flows, so that what rests on being quick shows. */
const busy = Array.from({ length: BUSY }, () =>
  spawn(process.execPath, ["-e", "for (;;) Math.sqrt(Math.random())"], { stdio: "ignore" }),
);
const fell = new Map();
for (let run = 1; run <= Number(times); run += 1) {
  const { stdout } = spawnSync(
    process.execPath,
    ["node_modules/playwright/cli.js", "test", "--retries=0", "--reporter=json", ...which],
    {
      encoding: "utf8",
      maxBuffer: 1 << 28,
      // The demo book is made for the first run; the others copy it.
      env: { ...process.env, FLOWS_AGAIN: run === 1 ? "no" : "yes" },
    },
  );
  const failed = failures(JSON.parse(stdout.slice(stdout.indexOf("{"))).suites);
  for (const { title } of failed) fell.set(title, (fell.get(title) ?? 0) + 1);
  console.log(`run ${run} of ${times}: ${failed.length === 0 ? "all passed" : "fell:"}`);
  for (const { title, why, seen } of failed) {
    console.log(`  ${title}\n    ${why}`);
    // What stood on the page, before the next run clears it away.
    for (const [at, path] of seen.entries()) {
      mkdirSync("test-results/fallen", { recursive: true });
      cpSync(
        path,
        `test-results/fallen/${run}-${title.replace(/\W+/g, "-").slice(0, 80)}-${at}.md`,
      );
    }
  }
}
for (const load of busy) load.kill();
for (const [title, count] of fell) console.log(`${count} of ${times}: ${title}`);
process.exit(fell.size === 0 ? 0 : 1);

function failures(suites = []) {
  return suites.flatMap(({ suites: inner, specs = [] }) => [
    ...specs.filter(({ ok }) => !ok).map(fallen),
    ...failures(inner),
  ]);
}

/** A flow that fell, and the first lines of why. */
function fallen({ file, title, tests }) {
  const results = tests.flatMap((test) => test.results);
  const message = results.map(({ error }) => error?.message ?? "").find((text) => text !== "");
  const lines = (message ?? "no reason was given").split("\n").filter((line) => line.trim() !== "");
  const seen = results
    .flatMap(({ attachments }) => attachments)
    .filter(({ name, path }) => name === "error-context" && path && existsSync(path))
    .map(({ path }) => path);
  return { title: `${file}: ${title}`, why: lines.slice(0, 6).join("\n    "), seen };
}
