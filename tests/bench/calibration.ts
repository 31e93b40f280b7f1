import { writeFileSync } from "node:fs";
import { join } from "node:path";

import { featuresOf } from "@/core/matching";

import { type Judged, type Maker, MAKERS } from "./books/makers";
import { fitted, likelihood, type Sample, type Weights } from "./logistic";
import type { Measure } from "./measure";

async function samplesOf(maker: Maker, seeds: readonly number[]): Promise<Sample[]> {
  const all: Sample[] = [];
  for (const level of maker.levels)
    for (const seed of seeds)
      for (const { proposal, right } of await maker.judged(level, seed)) {
        const [best] = proposal.readings;
        if (best && proposal.decision !== "none")
          all.push({ features: featuresOf(best.pattern), right, weight: 1 });
      }
  return all;
}

/** Every maker counts as much as every other, however many books it made. */
function alikeHeavy(sets: readonly (readonly Sample[])[]): Sample[] {
  return sets.flatMap((set) => set.map((sample) => ({ ...sample, weight: EACH / set.length })));
}

const EACH = 12_000;

/**
 * Fits the weights of confidence and writes them: `npm run bench -- calibrate 100 20` (first seed,
 * how many). Beside it, how well the weights of the other makers foretell each that is left out.
 */
export async function calibrate(from = 100, count = 12): Promise<Measure[]> {
  const seeds = Array.from({ length: count }, (_, at) => from + at);
  const makers = MAKERS.filter(({ levels }) => levels.length > 0);
  const sets = await Promise.all(
    makers.map((maker) => samplesOf(maker, maker.fitOn === "any" ? seeds : maker.fitOn)),
  );
  const weights = fitted(alikeHeavy(sets));
  write(weights, from, count);
  const measures: Measure[] = [];
  for (const [at, maker] of makers.entries()) {
    const isFitted = maker.fitOn.length > 0;
    const set = isFitted ? (sets[at] ?? []) : await samplesOf(maker, maker.keptApart);
    const rest = isFitted ? fitted(alikeHeavy(sets.filter((_, index) => index !== at))) : weights;
    measures.push({
      work: `${maker.name}, left out of the fit (${set.length})`,
      took: reliability(set, rest),
      must: "–",
    });
  }
  return measures;
}

/**
 * The Brier score of what weights foretell, and what they say against what was so, by tenths of 100
 * readings and more.
 */
function reliability(samples: readonly Sample[], weights: Weights): string {
  const told = samples.map(({ features, right }) => ({
    said: likelihood(features, weights),
    so: Number(right),
  }));
  const mean = (of: readonly number[]): number =>
    of.reduce((sum, one) => sum + one, 0) / Math.max(1, of.length);
  const tenths = Array.from({ length: 10 }, (_, at) =>
    told.filter(({ said }) => Math.min(9, Math.floor(said * 10)) === at),
  ).filter(({ length }) => length >= 100);
  return [
    `Brier ${mean(told.map(({ said, so }) => (said - so) ** 2)).toFixed(4)}`,
    ...tenths.map((tenth) => {
      const [said, so] = [mean(tenth.map((one) => one.said)), mean(tenth.map((one) => one.so))];
      return `${said.toFixed(3)} said and ${so.toFixed(3)} so (${tenth.length})`;
    }),
  ].join("; ");
}

function write(weights: Weights, from: number, count: number): void {
  const lines = [...weights]
    .filter(([, weight]) => Math.abs(weight) >= 0.05)
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([feature, weight]) => `  ${JSON.stringify(feature)}: ${weight.toFixed(2)},`);
  writeFileSync(
    join(process.cwd(), "src/core/matching/decision/weights.generated.ts"),
    `/**
 * How much each piece of evidence says that a reading is right, in natural
 * logarithms of odds. Written by \`npm run bench -- calibrate\`
 * (tests/bench/calibration.ts; the makers of the project, seeds ${from} to ${from + count - 1}, and
 * the third maker's books 8101 and 8102).
 */
export const WEIGHTS: Readonly<Record<string, number>> = {
${lines.join("\n")}
};
`,
  );
}

/** Said against so by tenths of confidence, each maker's books that nothing was fitted on. */
export async function confidence(from = 50_000, count = 12): Promise<Measure[]> {
  const seeds = Array.from({ length: count }, (_, at) => from + at);
  const found: Measure[] = [];
  for (const maker of MAKERS.filter(({ levels }) => levels.length > 0)) {
    const judged: Judged[] = [];
    for (const level of maker.levels)
      for (const seed of maker.fitOn === "any" ? seeds : maker.keptApart)
        judged.push(...(await maker.judged(level, seed)));
    found.push(...tenths(maker.name, judged));
  }
  return found;
}

function tenths(name: string, judged: readonly Judged[]): Measure[] {
  const bins = Array.from({ length: 10 }, () => ({ n: 0, said: 0, so: 0 }));
  for (const { proposal, right } of judged) {
    const said = proposal.readings[0]?.confidence ?? 0;
    const bin = bins[Math.min(9, Math.floor(said * 10))];
    if (!bin || proposal.decision === "none") continue;
    bin.n += 1;
    bin.said += said;
    bin.so += right ? 1 : 0;
  }
  return bins.flatMap(({ n, said, so }, at) =>
    n < 100
      ? []
      : [
          {
            work: `Confidence ${at * 10} to ${at * 10 + 10} %, ${name} (${n})`,
            took: `${(said / n).toFixed(3)} said, ${(so / n).toFixed(3)} so`,
            must: "within 5 points",
          },
        ],
  );
}
