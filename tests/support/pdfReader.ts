import { spawnSync } from "node:child_process";
import { join } from "node:path";

/** What an independent reader finds in a PDF. */
export function readPdf(bytes: Uint8Array): { pages: number; text: string } {
  const done = spawnSync(process.execPath, [join(process.cwd(), "tests/support/readPdf.mjs")], {
    input: bytes,
    encoding: "utf8",
  });
  if (done.status !== 0) throw new Error(done.stderr);
  return JSON.parse(done.stdout) as { pages: number; text: string };
}
