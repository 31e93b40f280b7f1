/**
 * The delimiter that parts the header most often, outside quotes; a cell further down may hold any
 * of them.
 */
export function delimiterOf(text: string): string {
  const said = /^sep=(.)\r?\n/i.exec(text)?.[1];
  if (said !== undefined) return said;
  const lines: Record<string, number>[] = [];
  let counts: Record<string, number> = {};
  let quoted = false;
  for (const letter of text.slice(0, MOST_LOOKED_AT)) {
    if (letter === '"') quoted = !quoted;
    else if (!quoted && letter === "\n") {
      lines.push(counts);
      counts = {};
    } else if (!quoted && DELIMITERS.includes(letter)) counts[letter] = (counts[letter] ?? 0) + 1;
    if (lines.length >= 40) break;
  }
  lines.push(counts);
  return parts(lines) ?? ",";
}

const DELIMITERS = [",", ";", "\t", "|", "^", "~"];
/** Letters that the delimiter is told by. */
const MOST_LOOKED_AT = 40_000;

/** Of lists of two columns, the one that parts the most lines. */
function partsMost(lines: readonly Record<string, number>[]): string | undefined {
  const partedBy = (letter: string): number =>
    lines.filter((counts) => (counts[letter] ?? 0) > 0).length;
  return DELIMITERS.filter((letter) => partedBy(letter) > 0).sort(
    (a, b) => partedBy(b) - partedBy(a),
  )[0];
}

/** The one that parts the first line that is parted at all the most often. */
function parts(lines: readonly Record<string, number>[]): string | undefined {
  const wide = lines.find((counts) => Object.values(counts).some((count) => count >= 2));
  if (!wide) return partsMost(lines);
  return DELIMITERS.filter((letter) => (wide?.[letter] ?? 0) > 0).sort(
    (a, b) => (wide?.[b] ?? 0) - (wide?.[a] ?? 0),
  )[0];
}
