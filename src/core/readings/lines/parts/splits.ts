import type { Question } from "../../types";

/** A line, and those below it that it is made of. */
export type Split<Line> = { readonly whole: Line; readonly parts: readonly Line[] };

/** More lines than these below one are a list of their own. */
const MOST_PARTS = 50;

/**
 * Lines with those right below them that come to their sum, to the cent and two of them at the least.
 * @param isPart Whether a line can be a part of one above it at all.
 * @example 350.25, and below it 300.25 and 50.00
 */
export function splitsIn<Line>(
  lines: readonly Line[],
  sumOf: (line: Line) => number,
  isPart: (whole: Line, line: Line) => boolean,
): Split<Line>[] {
  const splits: Split<Line>[] = [];
  for (let at = 0; at < lines.length; at += 1) {
    const whole = lines[at] as Line;
    const count = partsBelow(lines, at, { sumOf, isPart });
    if (count > 0) splits.push({ whole, parts: lines.slice(at + 1, at + 1 + count) });
    at += count;
  }
  return splits;
}

/** How many lines below one come to its sum; 0 where none do. */
function partsBelow<Line>(
  lines: readonly Line[],
  at: number,
  {
    sumOf,
    isPart,
  }: { sumOf: (line: Line) => number; isPart: (whole: Line, line: Line) => boolean },
): number {
  const whole = lines[at] as Line;
  let left = sumOf(whole);
  const end = Math.min(lines.length - 1, at + MOST_PARTS);
  for (let below = at + 1; below <= end; below += 1) {
    const line = lines[below] as Line;
    const part = sumOf(line);
    if (part === 0 || !isPart(whole, line)) return 0;
    left -= part;
    if (left === 0) return below === at + 1 ? 0 : below - at;
  }
  return 0;
}

/** Whether the lines below others are what those are made of. */
export function splitQuestion<Line extends { readonly line: number }>(
  splits: readonly Split<Line>[],
  shown: (line: Line) => string,
): Question[] {
  const [first] = splits;
  if (!first) return [];
  const count = splits.reduce((all, { parts }) => all + parts.length, 0);
  const [some, more] = [first.parts.slice(0, 4).map(shown), first.parts.length > 4];
  return [
    {
      key: "split",
      words: `${count} lines come to the sum of the line above them (line ${first.whole.line}: ${shown(first.whole)} is ${some.join(" and ")}${more ? " and others" : ""}). Are they what it is made of?`,
      choices: [
        { answer: "leave", result: `yes: ${count} lines left out, the sum counts once` },
        { answer: "count", result: "no: every line counts by itself" },
      ],
    },
  ];
}
