import { editDistance } from "../memo/damage";
import { jaroWinkler, shortFormsOf } from "./names";

/** How far a written word stands for a customer's, 0 to 1. */
export function wordFit(written: string, word: string): number {
  if (written === word) return 1;
  if (written.length === 1 || word.length === 1) return written[0] === word[0] ? INITIAL : 0;
  return Math.max(
    fitOf(written, word),
    ...shortFormsOf(written).map((short) => (word.startsWith(short) ? 0.9 : 0)),
  );
}

/** What an initial says of the word that it stands for. */
const INITIAL = 0.65;

function fitOf(written: string, word: string): number {
  if (written.length >= 3 && word.startsWith(written)) return 0.9;
  if (written.length >= 3 && isAbbreviation(written, word)) return 0.85;
  if (word.length < 4 || jaroWinkler(written, word) < 0.88) return 0;
  // Long names of one family begin alike: only so many slips make a misspelling.
  const slips = editDistance(written, word, 3);
  if (slips <= 1) return 0.92;
  if (slips === 2 && word.length >= 8) return 0.8;
  return 0;
}

const isAbbreviation = (short: string, long: string): boolean =>
  short.length < long.length && short[0] === long[0] && isSubsequence(short, long);

function isSubsequence(short: string, long: string): boolean {
  let at = 0;
  for (const letter of long) if (letter === short[at]) at += 1;
  return at === short.length;
}
