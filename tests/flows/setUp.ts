import { spawnSync } from "node:child_process";
import { rmSync } from "node:fs";

/** Fresh data for the flows: the demo book, made anew by the command line. The other flows start books of their own. */
export default function setUp(): void {
  rmSync("test-results/data", { recursive: true, force: true });
  const made = spawnSync(process.execPath, ["dist/cli.mjs", "demo", "--make-only"], { encoding: "utf8", env: { ...process.env, DOZO_DATA: "test-results/data", DOZO_ROOT: process.cwd() } });
  if (made.status !== 0) throw new Error(`the demo book could not be made: ${made.stderr}`);
}
