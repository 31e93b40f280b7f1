import fc from "fast-check";

import { hostile } from "../support/hostile";
import { READERS } from "../support/readers";
import { stoppedAfter } from "../support/stopped";
import type { Measure } from "./measure";

/** After how long a reader is stopped. */
const STOPPED_MS = 60_000;

/** Ten minutes of hostile texts: the longest that each reader took. `DOZO_FUZZ_SECONDS` says how long. */
const SECONDS = Number(process.env.DOZO_FUZZ_SECONDS ?? 600);

export async function fuzz(): Promise<Measure[]> {
  const worst = new Map<string, { took: number; seed: number }>();
  const until = Date.now() + SECONDS * 1000;
  let inputs = 0;
  for (let seed = Math.floor(Math.random() * 1_000_000); Date.now() < until; seed += 1)
    for (const text of fc.sample(hostile, { numRuns: 20, seed }))
      for (const [name, read] of Object.entries(READERS)) {
        const from = performance.now();
        await stoppedAfter(STOPPED_MS, () => read(text));
        const took = performance.now() - from;
        inputs += 1;
        if (took > (worst.get(name)?.took ?? 0)) worst.set(name, { took, seed });
      }
  return [...worst].map(([name, { took, seed }]) => ({
    work: `Hostile texts, ${inputs} in ${SECONDS} s: the longest of ${name} (seed ${seed})`,
    took: `${Math.round(took)} ms`,
    must: "1.5 s",
  }));
}
