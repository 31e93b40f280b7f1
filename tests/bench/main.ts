import { cpus } from "node:os";

import { matchingQuality, qualityByClass } from "./accuracy";
import { aging } from "./aging";
import { followup } from "./followup";
import { importing } from "./importing";
import { ledger } from "./ledger";
import { matching } from "./matching";
import type { Measure } from "./measure";

const BENCHES: Record<string, () => Measure[] | Promise<Measure[]>> = { quality: matchingQuality, classes: qualityByClass, matching, importing, aging, ledger, followup };

const wanted = process.argv.slice(2);
console.error(`${new Date().toISOString().slice(0, 10)}, ${cpus().length} cores of ${cpus()[0]?.model ?? "unknown"}, Node.js ${process.version}`);
for (const [name, bench] of Object.entries(BENCHES)) {
  if (wanted.length > 0 && !wanted.includes(name)) continue;
  for (const { work, took, must } of await bench()) console.error(`| ${work} | ${took} | ${must} |`);
}
