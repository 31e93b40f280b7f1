/** The most names that a sentence carries. */
const MOST_NAMED = 3;

/** Names of files in a sentence, the first few of them. @example "a.csv, b.csv, c.csv and 2 more" */
export function filesInWords(names: readonly string[]): string {
  const more = names.length - MOST_NAMED;
  return `${names.slice(0, MOST_NAMED).join(", ")}${more > 0 ? ` and ${more} more` : ""}`;
}
