import { spawnSync } from "node:child_process";

/**
 * Fresh data for the flows: the demo book, made by the command line while the server already
 * stands. The other flows start books of their own.
 */
export default function setUp(): void {
  const made = spawnSync(process.execPath, ["dist/cli.mjs", "demo", "--make-only"], {
    encoding: "utf8",
    env: { ...process.env, DOZO_DATA: "test-results/data", DOZO_ROOT: process.cwd() },
  });
  if (made.status !== 0) throw new Error(`the demo book could not be made: ${made.stderr}`);
}
