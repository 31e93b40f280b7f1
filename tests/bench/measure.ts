/** One measure: what was done, how long it took, and what must be reached (docs/architecture.md). */
export type Measure = { work: string; took: string; must: string };
