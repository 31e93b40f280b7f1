import { checkSync } from "recheck";

import { patternsOfSources } from "../support/patterns";
import type { Measure } from "./measure";

/** Milliseconds for a pattern. */
const EACH = 5000;

/**
 * Every pattern of the sources: whether it is proven to take linear time. What is bounded by a
 * count in it, or by the length of what it meets, can be called polynomial and is none.
 */
export function patterns(): Measure[] {
  const all = patternsOfSources();
  const counts = new Map<string, string[]>([
    ["safe", []],
    ["vulnerable", []],
    ["unknown", []],
  ]);
  for (const { where, source, flags } of all) {
    const { status } = checkSync(source, flags, { timeout: EACH });
    counts.get(status)?.push(where);
  }
  return [...counts].map(([status, where]) => ({
    work: `Patterns of the sources: ${status}${status === "safe" ? "" : ` (${where.join(", ")})`}`,
    took: `${where.length} of ${all.length}`,
    must: "–",
  }));
}
