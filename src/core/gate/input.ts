import { isBookSum } from "./sums";
import { textProblem, type TextProblem } from "./text";

export type InputProblem = {
  readonly path: readonly (string | number)[];
  readonly code: TextProblem | "sum.large";
};

/**
 * What of an input may not enter a book, wherever it stands in it: a number past every sum, a text
 * that is none. Keys are texts too. Null where all of it may.
 */
export function inputProblem(
  input: unknown,
  path: readonly (string | number)[] = [],
): InputProblem | null {
  if (typeof input === "number") return isBookSum(input) ? null : { path, code: "sum.large" };
  if (typeof input === "string") {
    const code = textProblem(input);
    return code && { path, code };
  }
  if (typeof input !== "object" || input === null) return null;
  for (const [name, part] of partsOf(input)) {
    const problem = inputProblem(name, path) ?? inputProblem(part, [...path, name]);
    if (problem) return problem;
  }
  return null;
}

const partsOf = (input: object): (readonly [string | number, unknown])[] =>
  Array.isArray(input) ? input.map((part, at) => [at, part] as const) : Object.entries(input);
