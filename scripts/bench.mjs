// Measures the speeds that docs/architecture.md asks for; `npm run bench -- NAME…` measures only those.
import { join } from "node:path";

import { install, root, run } from "./steps.mjs";

install();
const [name, ...more] = process.argv.slice(2);
const OWN = ["mutants", "typing", "payers"];
if (OWN.includes(name)) run(process.execPath, [join(root, `scripts/${name}.mjs`), ...more]);
else {
  run(process.execPath, [join(root, "scripts/build.mjs"), "--cli", "--bench"]);
  // The command line's own (see dozo).
  const heap = ["--max-semi-space-size=64", "--heap-growing-percent=50"];
  run(process.execPath, [
    "--expose-gc",
    ...heap,
    join(root, "dist/bench.mjs"),
    ...process.argv.slice(2),
  ]);
}
