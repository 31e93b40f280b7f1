import { type Spot } from "../types";

/** Words of a memo that hold a digit, to look up numbers that are closed already. */
export function numberWords(memo: string): string[] {
  return numberSpots(memo).map(({ text }) => text);
}

export function numberSpots(memo: string): Spot[] {
  return [...memo.matchAll(/[A-Za-z0-9][A-Za-z0-9/-]*/g)]
    .map((found) => ({ at: found.index, text: found[0] }))
    .filter(({ text }) => /\d/.test(text));
}
