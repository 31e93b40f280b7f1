/** A reading as it is fitted on: its features, and whether it was right. */
export type Sample = {
  readonly features: readonly string[];
  readonly right: boolean;
  readonly weight: number;
};
export type Weights = ReadonlyMap<string, number>;

const ROUNDS = 400;
const STEP = 0.5;
/** What holds weights back: more so where two things are seen together. */
const HOLD = { alone: 0.5, together: 3 };

/**
 * Logistic regression with a Gaussian prior on its weights (ridge), by AdaGrad
 * (Duchi, Hazan and Singer 2011) over all samples at once.
 */
export function fitted(samples: readonly Sample[]): Weights {
  const names = [...new Set(samples.flatMap(({ features }) => features))];
  const place = new Map(names.map((name, at) => [name, at]));
  const rows = samples.map(({ features }) => features.map((name) => place.get(name) ?? 0));
  const [weights, squares] = [new Float64Array(names.length), new Float64Array(names.length)];
  const hold = names.map(heldBack);
  for (let round = 0; round < ROUNDS; round += 1) {
    const slope = Float64Array.from(weights, (weight, at) => weight * (hold[at] ?? 0));
    rows.forEach((row, index) => {
      const { right, weight } = samples[index] as Sample;
      const off = (sigmoid(row, weights) - (right ? 1 : 0)) * weight;
      for (const at of row) slope[at] = (slope[at] ?? 0) + off;
    });
    slope.forEach((value, at) => {
      squares[at] = (squares[at] ?? 0) + value * value;
      weights[at] = (weights[at] ?? 0) - (STEP * value) / (Math.sqrt(squares[at] ?? 0) + 1e-9);
    });
  }
  return new Map(names.map((name, at) => [name, weights[at] ?? 0]));
}

function heldBack(name: string): number {
  if (name === "all") return 0;
  return /[ /]/.test(name) ? HOLD.together : HOLD.alone;
}

function sigmoid(row: readonly number[], weights: Float64Array): number {
  return 1 / (1 + Math.exp(-row.reduce((sum, at) => sum + (weights[at] ?? 0), 0)));
}

export function likelihood(features: readonly string[], weights: Weights): number {
  return 1 / (1 + Math.exp(-features.reduce((sum, name) => sum + (weights.get(name) ?? 0), 0)));
}
