import { spawnSync } from "node:child_process";
import { cpSync, existsSync, rmSync } from "node:fs";

import { DEMO_MADE } from "./demoMade";

/**
 * Fresh data for the flows: the demo book, made once by the command line, and a copy of it for the
 * server that already stands. The other flows start books of their own. Where the flows are repeated,
 * the book is made the first time: it is the same each time.
 */
export default function setUp(): void {
  if (!(process.env.FLOWS_AGAIN === "yes" && existsSync(DEMO_MADE))) makeDemo();
  cpSync(DEMO_MADE, "test-results/data", { recursive: true });
}

function makeDemo(): void {
  rmSync(DEMO_MADE, { recursive: true, force: true });
  const made = spawnSync(process.execPath, ["dist/cli.mjs", "demo", "--make-only"], {
    encoding: "utf8",
    env: { ...process.env, DOZO_DATA: DEMO_MADE, DOZO_ROOT: process.cwd() },
  });
  if (made.status !== 0) throw new Error(`the demo book could not be made: ${made.stderr}`);
}
