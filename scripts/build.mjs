// Builds the command line, the worker threads and (unless --cli) the pages; --watch goes on building the first two.
import { spawnSync } from "node:child_process";
import { readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { promisify } from "node:util";
import { brotliCompress } from "node:zlib";

import { build, context } from "esbuild";

const root = join(fileURLToPath(new URL(".", import.meta.url)), "..");
const options = {
  absWorkingDir: root,
  entryPoints: {
    cli: "src/cli/main.ts",
    writer: "src/server/runtime/threads/writerThread.ts",
    match: "src/server/runtime/threads/matchTask.ts",
    replay: "src/server/runtime/threads/replayTask.ts",
    count: "src/server/runtime/threads/countTask.ts",
    backup: "src/server/runtime/threads/backupTask.ts",
    paper: "src/server/runtime/threads/paperTask.ts",
    read: "src/server/runtime/threads/readTask.ts",
    payers: "src/server/runtime/threads/payersTask.ts",
    ...(process.argv.includes("--bench") ? { bench: "tests/bench/main.ts" } : {}),
  },
  outdir: "dist",
  outExtension: { ".js": ".mjs" },
  bundle: true,
  splitting: true,
  packages: "external",
  platform: "node",
  format: "esm",
  target: "node20.12",
  sourcemap: true,
  logLevel: "warning",
};
if (process.argv.includes("--watch")) {
  await (await context(options)).watch();
} else {
  // Parts of an earlier build would lie about for ever.
  rmSync(join(root, "dist"), { recursive: true, force: true });
  await build(options);
  if (!process.argv.includes("--cli")) {
    const done = spawnSync(
      process.execPath,
      [join(root, "node_modules/next/dist/bin/next"), "build"],
      { cwd: root, stdio: "inherit", env: { ...process.env, NEXT_TELEMETRY_DISABLED: "1" } },
    );
    // No map of the sources is served, whatever made one.
    const served = readdirSync(join(root, ".next/static"), { recursive: true });
    for (const name of served) if (name.endsWith(".map")) rmSync(join(root, ".next/static", name));
    await Promise.all(served.filter((name) => /\.(?:js|css)$/.test(name)).map(pack));
    process.exit(done.status ?? 1);
  }
}

/** Packs what customers' telephones fetch as small as it goes; once, as it takes a while. */
async function pack(name) {
  const path = join(root, ".next/static", name);
  writeFileSync(`${path}.br`, await promisify(brotliCompress)(readFileSync(path)));
}
