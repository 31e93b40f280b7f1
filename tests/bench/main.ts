import { cpus } from "node:os";

import { aging } from "./aging";
import { calibrate, confidence } from "./calibration";
import { cuts } from "./cuts";
import { followup } from "./followup";
import { fuzz } from "./fuzz";
import { importing } from "./importing";
import { invoicing } from "./invoicing";
import { ledger } from "./ledger";
import { lists } from "./lists/lists";
import { matching } from "./matching";
import type { Measure } from "./measure";
import { patterns } from "./patterns";
import { paying } from "./paying";
import { makers } from "./quality";
import { readings } from "./readings";
import { vetoes } from "./vetoes";

const BENCHES: Record<string, () => Measure[] | Promise<Measure[]>> = {
  makers,
  vetoes,
  confidence,
  matching,
  importing,
  aging,
  ledger,
  invoicing,
  paying,
  followup,
  readings,
  lists,
  patterns,
};

const wanted = process.argv.slice(2);
/**
 * Numbers after a name are seeds: `confidence 50000 100`, `calibrate 100 400`; calibrating writes
 * the weights, and runs only when it is asked for.
 */
const [from, count] = wanted.map(Number).filter((amount) => Number.isInteger(amount));
if (from !== undefined) Object.assign(BENCHES, { confidence: () => confidence(from, count) });
if (wanted.includes("calibrate"))
  Object.assign(BENCHES, { calibrate: () => calibrate(from, count) });
console.error(
  `${new Date().toISOString().slice(0, 10)}, ${cpus().length} cores of ${cpus()[0]?.model ?? "unknown"}, Node.js ${process.version}`,
);
if (wanted.includes("fuzz")) Object.assign(BENCHES, { fuzz });
if (wanted.includes("cuts")) Object.assign(BENCHES, { cuts });
for (const [name, bench] of Object.entries(BENCHES)) {
  if (wanted.length > 0 && !wanted.includes(name)) continue;
  for (const { work, took, must } of await bench())
    console.error(`| ${work} | ${took} | ${must} |`);
}
