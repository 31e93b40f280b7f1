import { writeFileSync } from "node:fs";
import { join } from "node:path";

import { propose } from "@/core/matching";

import { right } from "./accuracy";
import { generate } from "./books/generate";
import { trial } from "./books/trial";
import type { Measure } from "./measure";

type Tally = { hits: number; all: number };
type Seen = { decision: string; pattern: string; confidence: number; ok: boolean };

/** Every best reading of these books, with whether it is right. */
function* readings(seeds: readonly number[], hard: boolean): Generator<Seen> {
  for (const seed of seeds) {
    for (const make of [generate, trial]) {
      const { input, truth } = make(seed, hard);
      const numbers = new Map(input.items.map((item) => [item.id, item.number]));
      for (const proposal of propose(input)) {
        const [real, best] = [truth.get(proposal.receiptId), proposal.readings[0]];
        if (real && best)
          yield {
            decision: proposal.decision,
            pattern: best.pattern,
            confidence: best.confidence,
            ok: right(proposal, real, numbers),
          };
      }
    }
  }
}

const seedsFrom = (from: number, count: number): number[] =>
  Array.from({ length: count }, (_, at) => from + at);

function counted(seeds: readonly number[], hard: boolean): Map<string, Tally> {
  const found = new Map<string, Tally>();
  for (const { pattern, ok } of readings(seeds, hard)) {
    const tally = found.get(pattern) ?? { hits: 0, all: 0 };
    found.set(pattern, { hits: tally.hits + (ok ? 1 : 0), all: tally.all + 1 });
  }
  return found;
}

/** Readings of a kind before it has a line of its own; of fewer the rate of its decision is the better guess. */
const LEAST = 25;
/** Readings on hardest books that say enough by themselves. */
const ENOUGH = 50;

/**
 * Counts anew how often readings of each kind are right and writes
 * src/core/matching/decision/calibrationTable.generated.ts: `npm run bench -- calibrate 100 400` (first seed,
 * how many). Quality is measured on other seeds than these.
 */
export function calibrate(from = 100, count = 400): Measure[] {
  const seeds = seedsFrom(from, count);
  const [hard, easy] = [counted(seeds, true), counted(seeds, false)];
  const whole = new Map<string, Tally>();
  const lines: string[] = [];
  for (const pattern of [...new Set([...hard.keys(), ...easy.keys()])].sort()) {
    const [a, b] = [
      hard.get(pattern) ?? { hits: 0, all: 0 },
      easy.get(pattern) ?? { hits: 0, all: 0 },
    ];
    const { hits, all } = a.all >= ENOUGH ? a : { hits: a.hits + b.hits, all: a.all + b.all };
    if (all >= LEAST) {
      lines.push(`  "${pattern}": [${hits}, ${all}],`);
      continue;
    }
    const rare = whole.get(pattern.split(" ")[0] ?? "") ?? { hits: 0, all: 0 };
    whole.set(pattern.split(" ")[0] ?? "", { hits: rare.hits + a.hits, all: rare.all + a.all });
  }
  writeFileSync(
    join(process.cwd(), "src/core/matching/decision/calibrationTable.generated.ts"),
    `/**
 * How often readings of a kind were right on generated books with known truth,
 * hits and readings by decision, numbers, sum and payer. Written by \`npm run
 * bench -- calibrate\` (tests/bench/calibration.ts; both makers, seeds ${from} to
 * ${from + count - 1}): by the hardest books where they have fifty of a kind, else by
 * easier ones too, for what is doubtful is so on hard books.
 */
export const SEEN: Readonly<Record<string, readonly [hits: number, all: number]>> = {
${lines.join("\n")}
};
`,
  );
  return [...whole].map(([decision, { hits, all }]) => ({
    work: `Rare kinds decided “${decision}”, right on hardest books (${all})`,
    took: (hits / Math.max(1, all)).toFixed(3),
    must: "PRIOR of calibration.ts",
  }));
}

/** Said against so by tenths of confidence, hardest books of both makers together, tenths of 200 and more. */
export function confidence(from = 50_000, count = 100): Measure[] {
  const bins = Array.from({ length: 10 }, () => ({ n: 0, said: 0, so: 0 }));
  for (const reading of readings(seedsFrom(from, count), true)) {
    const bin = bins[Math.min(9, Math.floor(reading.confidence * 10))];
    if (!bin || reading.decision === "none") continue;
    bin.n += 1;
    bin.said += reading.confidence;
    bin.so += reading.ok ? 1 : 0;
  }
  return bins.flatMap(({ n, said, so }, at) =>
    n < 200
      ? []
      : [
          {
            work: `Confidence ${at * 10} to ${at * 10 + 10} %, hardest books, both makers, seeds ${from} to ${from + count - 1} (${n})`,
            took: `${(said / n).toFixed(3)} said, ${(so / n).toFixed(3)} so, ${Math.abs((100 * (said - so)) / n).toFixed(1)} points`,
            must: "3 points",
          },
        ],
  );
}
