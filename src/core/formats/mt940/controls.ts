import { minorOf } from "./sums";

/** How many lines of one way a report says to have, and what they come to in minor units (`:90D:`, `:90C:`). */
export type Control = { readonly way: 1 | -1; readonly count: number; readonly sum: number };

/** `:90C:3USD1250,`: number, currency and sum of the lines that brought money; null where a field is none. */
export function controlOf(tag: string, text: string): Control | null {
  const match = /^90([CD])#(\d{1,5})([A-Z]{3})([\d,]{1,16})/.exec(`${tag}#${text}`);
  const sum = match && minorOf(match[4] ?? "", match[3] ?? "");
  return match && sum !== null
    ? { way: match[1] === "C" ? 1 : -1, count: Number(match[2]), sum }
    : null;
}

type Counted = {
  readonly sums: readonly number[];
  readonly expected: readonly number[];
  readonly controls: readonly Control[];
};

/** The first control total (SWIFT MT942) that its lines do not come to, with or without those expected; in words. */
export function wrongControl(
  { sums, expected, controls }: Counted,
  written: (sum: number) => string,
): string | null {
  for (const { way, count, sum } of controls) {
    const found = [sums, [...sums, ...expected]].map((all) => {
      const own = all.filter((one) => Math.sign(one) === way);
      return { count: own.length, sum: own.reduce((total, one) => total + way * one, 0) };
    });
    if (found.some((one) => one.count === count && one.sum === sum)) continue;
    const [booked] = found;
    const side = way > 0 ? "credits" : "debits";
    return `the file says that it has ${count} ${side} of ${written(sum)}, and has ${booked?.count ?? 0} of ${written(booked?.sum ?? 0)}`;
  }
  return null;
}
