// What the scripts share: running a step, and setting up what a fresh clone lacks. Node's own modules only.
import { spawn, spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { fileURLToPath } from "node:url";

import { chromiumPath } from "./chromiumPath.mjs";

export const root = join(fileURLToPath(new URL(".", import.meta.url)), "..");
export const env = { ...process.env, NEXT_TELEMETRY_DISABLED: "1", DOZO_ROOT: root };

/** Runs a program to its end; a failure ends this script with its code. */
export function run(program, args, more = {}) {
  const done = spawnSync(program, args, { cwd: root, stdio: "inherit", env: { ...env, ...more } });
  if (done.error) throw done.error;
  if (done.status !== 0) process.exit(done.status ?? 1);
}

export function step(words, program, args, more) {
  const from = Date.now();
  process.stderr.write(`\n== ${words}\n`);
  run(program, args, more);
  process.stderr.write(`   ${((Date.now() - from) / 1000).toFixed(1)} s\n`);
}

/** So many cores run at once what does not use several by itself. */
const LANES = 2;

/**
 * Runs steps that do not need one another side by side; what each says is shown once it has ended. The
 * first failure ends this script with its code.
 */
export async function together(steps) {
  const waiting = [...steps];
  const running = new Set();
  const lane = async () => {
    for (let next = waiting.shift(); next; next = waiting.shift()) await quietly(running, next);
  };
  await Promise.all(Array.from({ length: LANES }, lane));
}

function quietly(running, [words, program, args]) {
  const from = Date.now();
  return new Promise((resolve, reject) => {
    const child = spawn(program, args, { cwd: root, env, stdio: ["ignore", "pipe", "pipe"] });
    running.add(child);
    let said = "";
    for (const stream of [child.stdout, child.stderr])
      stream.on("data", (piece) => (said += piece.toString()));
    child.on("error", reject);
    child.on("close", (code) => {
      running.delete(child);
      const took = ((Date.now() - from) / 1000).toFixed(1);
      process.stderr.write(`\n== ${words}\n${said}   ${took} s\n`);
      if (code === 0) return resolve();
      for (const other of running) other.kill();
      process.exit(code ?? 1);
    });
  });
}

export const bin = (name) => join(root, "node_modules/.bin", name);

/** Installs from the lock file, unless exactly that was installed before. */
export function install() {
  const wanted = createHash("sha256")
    .update(readFileSync(join(root, "package-lock.json")))
    .digest("hex");
  const mark = join(root, "node_modules/.dozo-installed");
  if (existsSync(mark) && readFileSync(mark, "utf8") === wanted) return;
  step("install from the lock file", "npm", ["ci", "--no-audit", "--no-fund"]);
  writeFileSync(mark, wanted);
}

/** Builds command line, workers and pages, unless nothing has changed since. */
export function build() {
  const built = join(root, ".next/BUILD_ID");
  const sources = [
    "src",
    "package-lock.json",
    "next.config.ts",
    "tsconfig.json",
    "scripts/build.mjs",
  ].map((name) => newest(join(root, name)));
  if (
    existsSync(built) &&
    existsSync(join(root, "dist/cli.mjs")) &&
    Math.min(statSync(built).mtimeMs, statSync(join(root, "dist/cli.mjs")).mtimeMs) >
      Math.max(...sources)
  )
    return;
  step("build", process.execPath, [join(root, "scripts/build.mjs")]);
}

function newest(path) {
  const stat = statSync(path);
  return stat.isDirectory()
    ? Math.max(stat.mtimeMs, ...readdirSync(path).map((name) => newest(join(path, name))))
    : stat.mtimeMs;
}

/** Debian's Chromium for the flows, if there is none: the headless one, or where Debian has none the whole one. */
export function chromium() {
  if (!existsSync(chromiumPath())) fromDebian("chromium-headless-shell", "chromium");
}

/** Debian's nginx, for what happens with a proxy in front, if there is none. */
export function nginx() {
  if (!existsSync("/usr/sbin/nginx")) fromDebian("nginx-light");
}

/** Installs the first of these packages that Debian has. */
function fromDebian(...names) {
  const sudo = process.getuid?.() === 0 ? [] : ["sudo"];
  const more = { DEBIAN_FRONTEND: "noninteractive" };
  const apt = (...args) => {
    const [program, ...rest] = [...sudo, "apt-get", ...args];
    step(`apt-get ${args[0]}`, program, rest, more);
  };
  apt("update", "-qq");
  const isThere = (name) =>
    spawnSync("apt-cache", ["show", name], { stdio: "ignore" }).status === 0;
  const name = names.find(isThere) ?? names.at(-1);
  apt("install", "-y", "-qq", "--no-install-recommends", name);
}

/** A folder for a run's data, emptied by its maker. */
export function scratch(name) {
  const path = join(root, "test-results", name);
  mkdirSync(path, { recursive: true });
  return path;
}
