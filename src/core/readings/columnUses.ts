import type { Cells } from "./cells";
import type { Answers } from "./types";

/** Heads of columns that were said to be of a use. */
export function headsUsedAs(
  { cells }: { readonly cells: Cells },
  wanted: string,
): readonly string[] {
  const { answers } = cells.file;
  const known = uses.get(answers) ?? new Map<string, readonly string[]>();
  uses.set(answers, known);
  const before = known.get(wanted);
  if (before !== undefined) return before;
  const heads = Object.entries(answers).flatMap(([key, use]) =>
    key.startsWith("column:") && use === wanted ? [key.slice("column:".length)] : [],
  );
  known.set(wanted, heads);
  return heads;
}

/** What was looked for in some answers before: each line of a file asks. */
const uses = new WeakMap<Answers, Map<string, readonly string[]>>();
