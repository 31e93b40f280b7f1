import { plainWords } from "@/core/formats";

/** The digits of a number, without the zeros before them: what is the same in `INV-0970` and `#970`. */
export const bareNumber = (number: string): string => number.replace(/\D/g, "").replace(/^0+/, "");

/** The words of a name in small letters without accents. */
export const wordsOfName = (name: string | null): string[] =>
  plainWords(name ?? "")
    .split(" ")
    .filter((word) => word !== "");

/** Whether two names can be of one: where both are said, they have a word in common. */
export const shareWords = (mine: readonly string[], theirs: readonly string[]): boolean =>
  mine.length === 0 || theirs.length === 0 || mine.some((word) => theirs.includes(word));

export const mayBeOneName = (mine: string, theirs: string): boolean =>
  shareWords(wordsOfName(mine), wordsOfName(theirs));
