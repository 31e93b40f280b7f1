// A fresh demo book, served, and a browser to look at it with.
import { spawn, spawnSync } from "node:child_process";
import { rmSync } from "node:fs";
import { join } from "node:path";

import { CHROMIUM_ARGS, chromiumPath } from "./chromiumPath.mjs";
import { build, chromium as needChromium, env, install, root } from "./steps.mjs";

/** Makes the demo book in a folder of its own; ends the process where that fails. */
export function makeDemo(data) {
  install();
  needChromium();
  build();
  rmSync(data, { recursive: true, force: true });
  const made = dozo(data, ["demo", "--make-only"]);
  if (made.status !== 0) process.exit(made.status ?? 1);
}

/** Runs the command line on a folder of books. */
export const dozo = (data, args) =>
  spawnSync(process.execPath, [join(root, "dist/cli.mjs"), ...args], {
    cwd: root,
    stdio: "inherit",
    env: { ...env, DOZO_DATA: data },
  });

export const serve = (data, port) =>
  spawn(
    process.execPath,
    [join(root, "node_modules/next/dist/bin/next"), "start", "-H", "127.0.0.1", "-p", String(port)],
    {
      cwd: root,
      stdio: "ignore",
      env: {
        ...env,
        DOZO_DATA: data,
        PUBLIC_PORT: String(port + 1),
        PRACTICE_PORT: String(port + 2),
      },
    },
  );

export async function browse() {
  const { chromium } = await import("@playwright/test");
  return chromium.launch({
    executablePath: chromiumPath(),
    args: CHROMIUM_ARGS,
  });
}

/** The server takes a moment to start: the first page is asked for until it answers. */
export async function open(page, address, tries = 40) {
  try {
    await page.goto(address, { waitUntil: "load" });
  } catch (error) {
    if (tries === 0) throw error;
    await new Promise((resolve) => setTimeout(resolve, 250));
    await open(page, address, tries - 1);
  }
}
