// One command from a fresh clone to the running demo: installs, builds, makes the demo book, starts.
import { join } from "node:path";

import { build, install, root, run } from "./steps.mjs";

install();
build();
run(process.execPath, [join(root, "dist/cli.mjs"), "demo", ...process.argv.slice(2)]);
