// The pages with reloading; workers and command line are built again whenever they change.
import { spawn } from "node:child_process";
import { join } from "node:path";

import { bin, env, install, root, run } from "./steps.mjs";

install();
run(process.execPath, [join(root, "scripts/build.mjs"), "--cli"]);
run(process.execPath, [join(root, "dist/cli.mjs"), "demo", "--make-only"]);
spawn(process.execPath, [join(root, "scripts/build.mjs"), "--cli", "--watch"], {
  cwd: root,
  stdio: "inherit",
  env,
});
spawn(bin("next"), ["dev", "-H", "127.0.0.1", "-p", process.env.PORT ?? "3000"], {
  cwd: root,
  stdio: "inherit",
  env,
}).on("exit", (code) => process.exit(code ?? 0));
